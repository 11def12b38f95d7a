import type { StepId } from '@fernbank/core';
import { useLocalStorage, useNow } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';

/** Something that must pass before a plant's next step. */
export interface BenchTimer {
  plantId: number;
  step: StepId;
  label: string;
  /** ms since 1970 at which it is over */
  until: number;
}

/** How far one plant's repot has come. */
export interface BenchPlant {
  plantId: number;
  name: string;
  done: StepId[];
  /** what was noted at a step */
  notes: Partial<Record<StepId, string>>;
}

const MS_A_MINUTE = 60_000;

/**
 * Plants on the bench: steps done, notes and running timers. Kept in the
 * browser, so that a closed page or a lost server stops nothing.
 */
export const useBench = defineStore('bench', () => {
  const plants = useLocalStorage<BenchPlant[]>('fernbank.bench.plants', []);
  const timers = useLocalStorage<BenchTimer[]>('fernbank.bench.timers', []);
  const now = useNow({ interval: 1000 });

  const plantOf = (plantId: number): BenchPlant | null =>
    plants.value.find((plant) => plant.plantId === plantId) ?? null;

  function start(plantId: number, name: string): void {
    if (plantOf(plantId)) return;
    plants.value = [...plants.value, { plantId, name, done: [], notes: {} }];
  }
  function change(plantId: number, changed: Partial<BenchPlant>): void {
    plants.value = plants.value.map((plant) =>
      plant.plantId === plantId ? { ...plant, ...changed } : plant,
    );
  }
  /** Marks a step done, once however often it is tapped. */
  function done(plantId: number, step: StepId): void {
    const plant = plantOf(plantId);
    if (plant && !plant.done.includes(step)) change(plantId, { done: [...plant.done, step] });
    timers.value = timers.value.filter((timer) => timer.plantId !== plantId || timer.step !== step);
  }
  function undo(plantId: number, step: StepId): void {
    const plant = plantOf(plantId);
    if (plant) change(plantId, { done: plant.done.filter((id) => id !== step) });
  }
  function note(plantId: number, step: StepId, text: string): void {
    const plant = plantOf(plantId);
    if (plant) change(plantId, { notes: { ...plant.notes, [step]: text } });
  }
  function startTimer(plantId: number, step: StepId, label: string, minutes: number): void {
    const others = timers.value.filter((timer) => timer.plantId !== plantId || timer.step !== step);
    timers.value = [
      ...others,
      { plantId, step, label, until: Date.now() + minutes * MS_A_MINUTE },
    ].sort((a, b) => a.until - b.until);
  }
  function stopTimer(timer: BenchTimer): void {
    timers.value = timers.value.filter(
      ({ plantId, step }) => plantId !== timer.plantId || step !== timer.step,
    );
  }
  /** A plant leaves the bench: written down, or given up for today. */
  function leave(plantId: number): void {
    plants.value = plants.value.filter((plant) => plant.plantId !== plantId);
    timers.value = timers.value.filter((timer) => timer.plantId !== plantId);
  }

  const running = computed(() =>
    timers.value.map((timer) => ({
      ...timer,
      name: plantOf(timer.plantId)?.name ?? '',
      leftMs: timer.until - now.value.getTime(),
    })),
  );
  const due = computed(() => running.value.filter(({ leftMs }) => leftMs <= 0));

  return { plants, running, due, plantOf, start, done, undo, note, startTimer, stopTimer, leave };
});
