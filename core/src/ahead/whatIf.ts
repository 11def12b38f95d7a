import { SHIFTS } from '../decide/index.ts';
import type { AheadPlant, AheadProblem, ShelfPots } from './problem.ts';

/** What a keeper could do about what comes. */
export interface AheadWhatIf {
  /** plants that are given away, by id */
  without?: readonly number[];
  /** plants that are divided when they are repotted next, by id: one piece stays in the pot, the others go */
  divided?: readonly number[];
  /** plants whose pots are kept snug, by id, or all: the next one is put off until it is plainly needed */
  snug?: 'all' | readonly number[];
  /** nothing is repotted before this week; rescues are */
  notBefore?: number;
  /** pots that are bought now */
  bought?: readonly ShelfPots[];
}

/** By one step of `SHIFTS`: so much more has to speak for a full pot. */
const SNUG_STEPS = 1;
/** … and a pot is used for so much longer. @source common practice, no source */
const SNUG_LASTS = 1.3;

/** The same collection, otherwise kept; with the same seed it meets the same luck. */
export function otherwise(
  problem: AheadProblem,
  { without = [], divided = [], snug = [], notBefore = 0, bought = [] }: AheadWhatIf,
): AheadProblem {
  const gone = new Set(without);
  const pieces = new Set(divided);
  const slowed = new Set(snug === 'all' ? problem.plants.map(({ id }) => id) : snug);
  const plants = problem.plants
    .filter(({ id }) => !gone.has(id))
    .map((plant) => ({
      ...plant,
      notBefore: Math.max(plant.notBefore, notBefore),
      repots: pieces.has(plant.id) ? dividedFirst(plant) : plant.repots,
      weeks: slowed.has(plant.id)
        ? {
            ...plant.weeks,
            best: SHIFTS.map((_, row) => plant.weeks.best[Math.max(0, row - SNUG_STEPS)]!),
            freshWeeks: plant.weeks.freshWeeks * SNUG_LASTS,
          }
        : plant.weeks,
    }));
  // A plant that is given away takes its pot along.
  return { ...problem, plants, shelf: [...problem.shelf, ...bought] };
}

/** Only part of the collection: what stands in a spot, or is of a group. */
export const partOf = (
  problem: AheadProblem,
  { spotId, group }: { spotId?: number | null; group?: string | null },
): AheadProblem => ({
  ...problem,
  plants: problem.plants.filter(
    (plant) =>
      (spotId == null || plant.spotId === spotId) && (group == null || plant.group === group),
  ),
});

/** Work of parting a plant, beside that of the repot, min. @source common practice, no source */
const PARTING_MINUTES = 10;

/** A piece goes back into as wide a pot; what would have been the next pot is so once it has filled that. */
function dividedFirst({ rimCm, repots }: AheadPlant): AheadPlant['repots'] {
  const [first] = repots;
  const { pole: _pole, ...own } = first!;
  return [{ ...own, rimCm, minutes: own.minutes + PARTING_MINUTES }, ...repots];
}
