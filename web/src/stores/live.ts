import { defineStore } from 'pinia';
import { ref } from 'vue';
import { WINDOW } from '../api/client.ts';

/** What another window did: the tables that it wrote to, `*` for all. */
export interface Elsewhere {
  tables: string[];
}

/** The first picture of a page comes before the stream. */
const START_MS = 2500;
/** What was done before the page listened, as far back as the server tells, ms. */
const missedMs = () => Math.min(60_000, Math.ceil(performance.now()));
/** Several deeds in a row are answered once. */
const SETTLE_MS = 300;

/**
 * Hears of what other windows and devices do. Only a window that is looked at listens: browsers
 * allow few connections at a time, and a hidden one catches up when it is shown again.
 */
export const useLive = defineStore('live', () => {
  /** counts up when something was done elsewhere */
  const turn = ref(0);
  /** what it was, since the turn before */
  const newest = ref<Elsewhere>({ tables: [] });
  let waiting: string[] = [];
  let source: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let dropped = false;

  function told({ tables }: Elsewhere): void {
    waiting = [...new Set([...waiting, ...tables])];
    clearTimeout(timer);
    timer = setTimeout(() => {
      newest.value = { tables: waiting };
      waiting = [];
      turn.value += 1;
    }, SETTLE_MS);
  }
  function listen(): void {
    if (source || typeof EventSource === 'undefined') return;
    source = new EventSource(`/api/events?missedMs=${missedMs()}`);
    source.addEventListener('done', ({ data }: MessageEvent<string>) => {
      const { window: by, tables } = JSON.parse(data) as Elsewhere & { window: string | null };
      if (by !== WINDOW) told({ tables });
    });
    // What was done while nobody listened is caught up on.
    source.addEventListener('open', () => dropped && told({ tables: ['*'] }));
    source.addEventListener('error', () => (dropped = true));
  }
  function follow(): void {
    if (document.visibilityState === 'visible') return listen();
    source?.close();
    source = null;
    dropped = true;
  }
  function start(): void {
    setTimeout(follow, START_MS);
    document.addEventListener('visibilitychange', follow);
  }
  return { turn, newest, start, told };
});
