import type { MeasurementKind } from '../measured/index.ts';
import type { TaskRule } from './plan.ts';
import type { TaskWords } from './words.ts';

/**
 * What was done to a plant when a task is ticked off: a tick is as good as a line in the log, and answers what
 * that would. Feed is told with its kind, not ticked.
 *
 * @source common practice, no source
 */
export function deedOfTask(rule: TaskRule | null, { of }: TaskWords): MeasurementKind | null {
  if (of === 'fillReservoir' || of === 'fillReservoirLater') return 'reservoirFlushed';
  switch (rule) {
    case 'firstWater':
    case 'secondWater':
      return 'watered';
    case 'secure':
      return 'secure';
    case 'flushSalts':
      return 'flush';
    default:
      return null;
  }
}

/** Tasks that are done with a deed, however it is written down. */
export const TASKS_OF_DEED: Partial<Record<MeasurementKind, TaskRule>> = {
  watered: 'firstWater',
  secure: 'secure',
  flush: 'flushSalts',
};
