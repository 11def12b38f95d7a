import { CHECKPOINTS } from '@fernbank/core';
import type { Task } from '../api/types.ts';

const OPEN_BEFORE_DAYS = 7;
/** Whether it is a look that asks how the repot went, and its question is open. */
export const asksHowItWent = ({ rule }: Pick<Task, 'rule'>, daysLate: number): boolean =>
  rule !== null && rule in CHECKPOINTS && daysLate >= -OPEN_BEFORE_DAYS;

/** A task with its plant. */
export interface Bed {
  plant: { id: number; name: string; taxon: string };
  task: Task;
}

/**
 * After a potting day many plants are asked for the same on the same day: it is told once, with their names.
 * What asks each of them how it went stands for itself.
 *
 * @param beds  in the order of their days
 * @param daysLate  of a day, from today
 */
export function alike(beds: readonly Bed[], daysLate: (due: string) => number): Bed[][] {
  const groups = new Map<string, Bed[]>();
  for (const bed of beds) {
    const { id, due, until, everyDays, title, why, moved } = bed.task;
    const key = JSON.stringify(
      asksHowItWent(bed.task, daysLate(due)) ? id : [due, until, everyDays, title, why, moved],
    );
    groups.set(key, [...(groups.get(key) ?? []), bed]);
  }
  return [...groups.values()];
}
