import { spanOf, USUAL_OVERHEADS, workIn } from '../day/index.ts';
import { addDays, daysBetween, mondayOf, type IsoDate } from '../season/index.ts';
import type { AheadPlant, AheadProblem } from './problem.ts';

/** When a keeper can pot. */
export interface KeepersDays {
  /** 0: Monday … 6: Sunday */
  weekdays: readonly number[];
  /** at the bench on each, min */
  minutes: number;
  /** Mondays of weeks in which nobody is there */
  away: readonly IsoDate[];
  /** no day before this one */
  from: IsoDate;
}

export interface PottingDay {
  date: IsoDate;
  plants: { id: number; name: string }[];
  /** from laying out to clearing up, with every mix and the rests between; one pair of hands */
  minutes: number;
}

export interface PottingDays {
  days: PottingDay[];
  /** plants whose window holds none of the keeper's days, or none with time left */
  without: { id: number; name: string }[];
}

/** So far ahead days are proposed, weeks: a season. */
const AHEAD_WEEKS = 26;

interface Due {
  plant: AheadPlant;
  from: IsoDate;
  to: IsoDate;
}

/**
 * As few days as hold every plant within the weeks that its verdict names: whoever's window ends first gets
 * the last of the keeper's days in it, and takes along all whose windows hold that day too, as far as there is
 * time. What is settled on a potting day already is not asked again.
 *
 * @returns days in their order
 * @source stabbing of intervals by the earliest end, which needs the fewest days while there is time enough
 */
export function pottingDays(
  { from: monday, plants }: AheadProblem,
  keeper: KeepersDays,
): PottingDays {
  const dates = datesOf(monday, keeper);
  let waiting = plants.flatMap((plant) => dueOf(plant, monday)).sort(byEnd);
  const days = new Map<IsoDate, AheadPlant[]>();
  const without: PottingDays['without'] = [];
  while (waiting.length > 0) {
    const [first] = waiting;
    const date = dates.findLast((day) => holds(first!, day) && fits(days.get(day), first!, keeper));
    if (date === undefined) {
      without.push(named(first!.plant));
      waiting = waiting.slice(1);
      continue;
    }
    const on = days.get(date) ?? [];
    days.set(date, on);
    waiting = waiting.filter((due) => {
      if (!holds(due, date) || !fits(on, due, keeper)) return true;
      on.push(due.plant);
      return false;
    });
  }
  const told = [...days].map(([date, on]) => ({
    date,
    plants: on.map(named),
    minutes: spanFor(on),
  }));
  return { days: told.sort((a, b) => (a.date < b.date ? -1 : 1)), without };
}

const named = ({ id, name }: AheadPlant) => ({ id, name });
const byEnd = (a: Due, b: Due) => (a.to < b.to ? -1 : a.to > b.to ? 1 : a.plant.id - b.plant.id);
const holds = ({ from, to }: Due, date: IsoDate) => from <= date && date <= to;
/** One that takes longer than a whole day has it to itself. */
const fits = (on: readonly AheadPlant[] = [], { plant }: Due, { minutes }: KeepersDays) =>
  on.length === 0 || spanFor([...on, plant]) <= minutes;

/** An afternoon takes so many mixes. @source common practice, no source */
const MIXES = 2;
/** Minutes with plants in hand that a span leaves beside laying out, mixing, clearing up and rests. */
export function handsIn(span: number): number {
  const { setUp, cleanUp, mix } = USUAL_OVERHEADS;
  return Math.max(0, workIn(span, USUAL_OVERHEADS) - setUp - cleanUp - MIXES * mix);
}

/** As a potting day reckons it, but for what practice in one sitting saves. */
function spanFor(plants: readonly AheadPlant[]): number {
  const { setUp, cleanUp, mix } = USUAL_OVERHEADS;
  const mixes = new Set(plants.map(({ parts }) => JSON.stringify(parts)));
  const hands = plants.reduce((sum, { repots }) => sum + repots[0]!.minutes, 0);
  return spanOf(setUp + hands + mix * mixes.size + cleanUp, USUAL_OVERHEADS);
}

function dueOf(plant: AheadPlant, monday: IsoDate): Due[] {
  const { window, settledIn, rescue, notBefore } = plant;
  // A rescue waits for no Saturday.
  if (!window || settledIn !== null || rescue) return [];
  const from = Math.max(window.from, notBefore);
  if (from > window.to || from >= AHEAD_WEEKS) return [];
  const day = (week: number) => addDays(monday, 7 * week);
  return [{ plant, from: day(from), to: addDays(day(window.to), 6) }];
}

function datesOf(monday: IsoDate, { weekdays, away, from }: KeepersDays): IsoDate[] {
  const gone = new Set(away);
  return Array.from({ length: 7 * AHEAD_WEEKS }, (_, day) => addDays(monday, day)).filter(
    (date) =>
      date >= from &&
      weekdays.includes(daysBetween(mondayOf(date), date)) &&
      !gone.has(mondayOf(date)),
  );
}
