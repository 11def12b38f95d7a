import { defineStore } from 'pinia';
import { ref } from 'vue';
import { WINDOW } from '../api/client.ts';

/** What another window did. */
export interface Elsewhere {
  tables: string[];
  plantIds: number[];
}

/** The first picture of a page comes before the stream. */
const START_MS = 2500;
/** Several deeds in a row are answered once. */
const SETTLE_MS = 300;

/**
 * Hears of what other windows and devices do. Only a window that is looked at listens: browsers
 * allow few connections at a time, and a hidden one catches up when it is shown again.
 */
export const useLive = defineStore('live', () => {
  /** counts up when something was done elsewhere */
  const turn = ref(0);
  const newest = ref<Elsewhere>({ tables: [], plantIds: [] });
  let source: EventSource | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let dropped = false;

  function told(what: Elsewhere): void {
    newest.value = what;
    clearTimeout(timer);
    timer = setTimeout(() => (turn.value += 1), SETTLE_MS);
  }
  function listen(): void {
    if (source || typeof EventSource === 'undefined') return;
    source = new EventSource('/api/events');
    source.addEventListener('done', ({ data }: MessageEvent<string>) => {
      const { window: by, ...what } = JSON.parse(data) as Elsewhere & { window: string | null };
      if (by !== WINDOW) told(what);
    });
    // What was done while nobody listened is caught up on.
    source.addEventListener('open', () => dropped && told({ tables: ['*'], plantIds: [] }));
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
