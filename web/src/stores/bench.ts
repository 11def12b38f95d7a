import { benchAfter, EMPTY_BENCH, type BenchEvent, type StepId } from '@fernbank/core';
import { useDocumentVisibility, useIntervalFn, useLocalStorage, useNow } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api, ApiError } from '../api/client.ts';
import type { BenchRow } from '../api/types.ts';
import { m } from '../messages/index.ts';
import { useNotices } from './notices.ts';

/** Something that the server has not heard of yet. */
interface Unsent {
  plantId: number;
  event: BenchEvent | { kind: 'leave' };
}

const MS_A_MINUTE = 60_000;
const ASK_EVERY_MS = 5000;

/**
 * Plants on the bench: steps done, notes, what was found, running timers.
 *
 * Each tap counts here at once and is told to the server in its order, so that
 * every device shows the same bench. It is also kept in the browser: a closed
 * page or a lost server stops nothing.
 */
export const useBench = defineStore('bench', () => {
  const plants = useLocalStorage<BenchRow[]>('fernbank.bench', []);
  const unsent = useLocalStorage<Unsent[]>('fernbank.bench.unsent', []);
  const now = useNow({ interval: 1000 });
  const notices = useNotices();
  const telling = ref(false);

  const plantOf = (plantId: number): BenchRow | null =>
    plants.value.find((plant) => plant.plantId === plantId) ?? null;
  const isUnsent = (plantId: number) => unsent.value.some((one) => one.plantId === plantId);
  const put = (row: BenchRow) => {
    plants.value = plants.value.some(({ plantId }) => plantId === row.plantId)
      ? plants.value.map((plant) => (plant.plantId === row.plantId ? row : plant))
      : [...plants.value, row];
  };
  const drop = (plantId: number) => {
    plants.value = plants.value.filter((plant) => plant.plantId !== plantId);
  };

  function report(plantId: number, event: BenchEvent): void {
    const plant = plantOf(plantId);
    if (!plant) return;
    put({ ...plant, ...benchAfter(plant, event) });
    unsent.value = [...withoutOlder(unsent.value, plantId, event), { plantId, event }];
    void tell();
  }
  /** Of a text that is being typed only the newest is told; the first of the row is under way. */
  function withoutOlder(row: Unsent[], plantId: number, event: BenchEvent): Unsent[] {
    const replaces = (older: Unsent['event']) =>
      (event.kind === 'found' && older.kind === 'found') ||
      (event.kind === 'note' && older.kind === 'note' && older.step === event.step);
    return row.filter((one, i) => i === 0 || one.plantId !== plantId || !replaces(one.event));
  }

  /** Tells the server what it has not heard, oldest first. */
  async function tell(): Promise<void> {
    if (telling.value) return;
    telling.value = true;
    try {
      while (unsent.value.length > 0) {
        const first = unsent.value[0]!;
        try {
          const row = await sendOne(first);
          unsent.value = unsent.value.slice(1);
          if (row && !isUnsent(row.plantId) && plantOf(row.plantId)) put(row);
        } catch (error) {
          if (error instanceof ApiError && error.silent) return;
          refused(first, error);
        }
      }
    } finally {
      telling.value = false;
    }
  }

  async function sendOne({ plantId, event }: Unsent): Promise<BenchRow | null> {
    if (event.kind === 'leave') {
      await api(`/benches/${plantId}`, { method: 'DELETE' });
      return null;
    }
    return api(`/benches/${plantId}/events`, { method: 'POST', body: event });
  }

  /** Written down, or taken off, on another device: here it is over too. */
  function refused({ plantId }: Unsent, error: unknown): void {
    const left = error instanceof ApiError && error.status === 404;
    unsent.value = left
      ? unsent.value.filter((one) => one.plantId !== plantId)
      : unsent.value.slice(1);
    if (left) {
      const name = plantOf(plantId)?.name;
      drop(plantId);
      if (name) notices.done(m.bench.leftElsewhere(name));
    } else notices.fault(error);
  }

  /** Takes over what other devices did; what is not told yet stays as it is here. */
  async function load(): Promise<void> {
    await tell();
    let rows: BenchRow[];
    try {
      rows = (await api('/benches')).items;
    } catch {
      return; // silent: the bench goes on with what it has
    }
    for (const row of rows) {
      const leaving = unsent.value.some((one) => one.plantId === row.plantId);
      if (!leaving) put(row);
    }
    for (const { plantId } of plants.value) {
      if (!rows.some((row) => row.plantId === plantId) && !isUnsent(plantId)) drop(plantId);
    }
  }
  const visibility = useDocumentVisibility();
  useIntervalFn(() => {
    if (visibility.value === 'visible' && (plants.value.length > 0 || unsent.value.length > 0)) {
      void load();
    }
  }, ASK_EVERY_MS);

  function start(plantId: number, name: string): void {
    if (plantOf(plantId)) return;
    put({ plantId, name, ...EMPTY_BENCH });
    report(plantId, { kind: 'start', at: Date.now() });
  }
  /** A plant leaves the bench; `told`: the server knows, as the repot was written down. */
  function leave(plantId: number, { told = false } = {}): void {
    drop(plantId);
    unsent.value = unsent.value.filter((one) => one.plantId !== plantId);
    if (told) return;
    unsent.value = [...unsent.value, { plantId, event: { kind: 'leave' } }];
    void tell();
  }

  const running = computed(() =>
    plants.value
      .flatMap(({ plantId, name, timers }) =>
        timers.map((timer) => ({
          ...timer,
          plantId,
          name,
          leftMs: timer.until - now.value.getTime(),
        })),
      )
      .sort((a, b) => a.until - b.until),
  );
  const due = computed(() => running.value.filter(({ leftMs }) => leftMs <= 0));

  return {
    plants,
    unsent,
    running,
    due,
    plantOf,
    load,
    start,
    report,
    leave,
    /** marks a step done, once however often it is tapped */
    done: (plantId: number, step: StepId) =>
      report(plantId, { kind: 'done', step, at: Date.now() }),
    undo: (plantId: number, step: StepId) => report(plantId, { kind: 'undone', step }),
    note: (plantId: number, step: StepId, text: string) =>
      report(plantId, { kind: 'note', step, text }),
    startTimer: (plantId: number, step: StepId, label: string, minutes: number) =>
      report(plantId, {
        kind: 'timer',
        step,
        label,
        until: Math.round(Date.now() + minutes * MS_A_MINUTE),
      }),
    stopTimer: ({ plantId, step }: { plantId: number; step: StepId }) =>
      report(plantId, { kind: 'stopTimer', step }),
  };
});
