import { clamp, logit, seeded } from '../number/index.ts';
import { HORIZON_WEEKS, SHIFTS } from '../decide/index.ts';
import { STANDARD_RIMS_CM } from '../pots/index.ts';
import type { AheadPlant, AheadProblem } from './problem.ts';

/*
 * How far what is believed today may turn out otherwise. Common practice, no source.
 */

/** What half a year of looks tells of a state: standard deviation of its log-odds. */
const LOOKS_TELL = 1.4;
const TELLS_ALL_WEEKS = 26;
/** Spread of the time that one plant takes to fill its pot against others of its kind, of log weeks. */
const PACE_SPREAD = 0.3;
/** A keeper comes to it in the week it is due as often as not, else a week later, and so on. */
const COMES_LATER = 0.5;
const MOST_DELAY_WEEKS = 6;
/** Falls ill in a year though all is well with its pot. */
const ILL_PER_YEAR = 0.03;
/** A pot is taken for another one if it is no farther from it than this, cm. */
const AS_GOOD_CM = 1.2;

/** How far the spreads are believed; 0: all comes as it is thought likeliest. */
export interface Doubt {
  looks: number;
  pace: number;
  delay: number;
  ill: number;
}
export const FULL_DOUBT: Doubt = { looks: 1, pace: 1, delay: 1, ill: 1 };

export const WEEKS_AHEAD = HORIZON_WEEKS;
const MOST_EVENTS = 8;
/** Draws that a plant has in every future, used or not: a what-if meets the same luck. */
const DRAWS = 4 + MOST_EVENTS;

/** A repot in one future. */
export interface FutureRepot {
  plant: number;
  week: number;
  /** which of its repots: an index into `repots` */
  nth: number;
  rimCm: number;
  leavesCm: number;
  source: 'shelf' | 'handedDown' | 'toBuy';
}

/** One future of the whole collection, in the order of weeks. Reused: take from it what is kept. */
export interface Future {
  repots: FutureRepot[];
  /** plants that were lost, by week */
  lost: { plant: number; week: number; rimCm: number }[];
  /** free pots by width at its end */
  left: Map<number, number>;
}

/** Draws futures one after the other; the same seed draws the same on every machine. */
export class Futures {
  private readonly luck: (() => number)[];

  constructor(
    private readonly problem: AheadProblem,
    seed = 1,
    private readonly doubt: Doubt = FULL_DOUBT,
  ) {
    // By its id, not by its place: without another plant it meets the same luck.
    this.luck = problem.plants.map(({ id }) => seeded(Math.imul(id + 1, 0x9e3779b1) ^ seed));
  }

  next(): Future {
    const due: Omit<FutureRepot, 'source'>[][] = Array.from({ length: WEEKS_AHEAD }, () => []);
    const gone: Future['lost'][] = Array.from({ length: WEEKS_AHEAD }, () => []);
    this.problem.plants.forEach((plant, index) => this.live(plant, index, due, gone));
    return this.potted(due, gone);
  }

  /** One plant through two years. */
  private live(
    plant: AheadPlant,
    index: number,
    due: Omit<FutureRepot, 'source'>[][],
    gone: Future['lost'][],
  ): void {
    const random = this.luck[index]!;
    const draws = Array.from({ length: DRAWS }, random);
    const { doubt } = this;
    const [full, medium, ill, dies, ...each] = draws as [
      number,
      number,
      number,
      number,
      ...number[],
    ];
    const illAt = this.illAt(plant, ill);
    let rim = plant.rimCm;
    let at = this.firstWeek(plant, full, medium);
    for (let nth = 0; nth < MOST_EVENTS; nth++) {
      const delayed = this.later(plant, at, each[nth]!);
      const isRescue = illAt !== null && illAt <= delayed && nth === 0;
      const week = isRescue ? illAt : delayed;
      if (week >= WEEKS_AHEAD) return;
      if (isRescue && dies < plant.lossRisk) {
        gone[week]!.push({ plant: index, week, rimCm: rim });
        return;
      }
      const next = plant.repots[Math.min(nth, plant.repots.length - 1)]!;
      due[week]!.push({ plant: index, week, nth, rimCm: next.rimCm, leavesCm: rim });
      const grown = (next.rimCm / plant.rimCm) ** 0.8;
      // A plant that was quick to fill this pot is quick in the next.
      const pace = Math.exp(-PACE_SPREAD * doubt.pace * normal(full));
      rim = next.rimCm;
      const again = week + Math.max(4, Math.round(plant.weeks.freshWeeks * grown * pace));
      at = again >= WEEKS_AHEAD ? WEEKS_AHEAD : plant.weeks.actFrom[again]!;
    }
  }

  /**
   * The best week by what looks will have said by then. What is near will be done as it is announced;
   * of what is far, looks to come can still say much.
   */
  private firstWeek({ weeks, notBefore }: AheadPlant, full: number, medium: number): number {
    const middle = SHIFTS.length >> 1;
    const planned = weeks.best[middle]![middle]!;
    const told = LOOKS_TELL * this.doubt.looks * Math.sqrt(Math.min(1, planned / TELLS_ALL_WEEKS));
    const week = between(weeks.best, told * normal(full), told * normal(medium));
    return inSeason(weeks, Math.max(week, notBefore));
  }

  private later({ weeks }: AheadPlant, week: number, luck: number): number {
    if (week >= WEEKS_AHEAD || this.doubt.delay === 0) return week;
    const late = Math.floor(Math.log(1 - luck) / Math.log(COMES_LATER));
    return inSeason(weeks, week + Math.min(MOST_DELAY_WEEKS, late));
  }

  /** The week in which it is found to be in danger; null: not within two years. */
  private illAt({ danger, rescue }: AheadPlant, luck: number): number | null {
    if (rescue) return 0;
    if (this.doubt.ill === 0) return null;
    const now = danger * this.doubt.ill;
    if (luck < now) return Math.floor((luck / now) * 4);
    const perWeek = (ILL_PER_YEAR * this.doubt.ill) / 52;
    const week = Math.floor(Math.log((1 - luck) / (1 - now)) / Math.log(1 - perWeek));
    return week < WEEKS_AHEAD ? week : null;
  }

  /** Which pots there are for it: of the shelf, handed down, to buy. What is left is another’s. */
  private potted(due: Omit<FutureRepot, 'source'>[][], gone: Future['lost'][]): Future {
    const shelf = new Map<number, { own: number; left: number }>();
    const at = (rimCm: number) => {
      const size = sizeOf(rimCm);
      let pots = shelf.get(size);
      if (!pots) shelf.set(size, (pots = { own: 0, left: 0 }));
      return pots;
    };
    for (const { rimCm, count } of this.problem.shelf) at(rimCm).own += count;
    const repots: FutureRepot[] = [];
    const lost: Future['lost'] = [];
    for (let week = 0; week < WEEKS_AHEAD; week++) {
      for (const one of due[week]!) {
        const size = nearest(shelf, one.rimCm);
        const pots = size === null ? null : shelf.get(size)!;
        const source = !pots ? 'toBuy' : pots.left > 0 ? 'handedDown' : 'shelf';
        if (pots) pots[source === 'handedDown' ? 'left' : 'own'] -= 1;
        at(one.leavesCm).left += 1;
        repots.push({ ...one, source });
      }
      for (const one of gone[week]!) {
        at(one.rimCm).left += 1;
        lost.push(one);
      }
    }
    const left = new Map([...shelf].map(([size, pots]) => [size, pots.own + pots.left]));
    return { repots, lost, left };
  }
}

/** That week, or the best one after it where it may not be disturbed then. */
function inSeason({ open, actFrom }: AheadPlant['weeks'], week: number): number {
  if (week >= WEEKS_AHEAD) return WEEKS_AHEAD;
  return open[week] ? week : actFrom[week]!;
}

/** The width sold that a pot counts as. */
export function sizeOf(rimCm: number): number {
  let best: number = STANDARD_RIMS_CM[0];
  for (const size of STANDARD_RIMS_CM) {
    if (Math.abs(size - rimCm) < Math.abs(best - rimCm)) best = size;
  }
  return best;
}

function nearest(
  shelf: ReadonlyMap<number, { own: number; left: number }>,
  rimCm: number,
): number | null {
  let found: number | null = null;
  for (const [size, { own, left }] of shelf) {
    if (own + left === 0 || Math.abs(size - rimCm) > AS_GOOD_CM) continue;
    if (found === null || Math.abs(size - rimCm) < Math.abs(found - rimCm)) found = size;
  }
  return found;
}

/** Standard normal by its share below, near enough: of the logistic with the same spread. */
const normal = (share: number): number =>
  (logit(clamp(share, 1e-9, 1 - 1e-9)) * Math.sqrt(3)) / Math.PI;

/** Bilinear within the table of shifts. */
function between(table: readonly (readonly number[])[], crowded: number, medium: number): number {
  const [row, rowShare] = placeIn(crowded);
  const [column, columnShare] = placeIn(medium);
  const along = (cells: readonly number[]) =>
    cells[column]! * (1 - columnShare) + cells[column + 1]! * columnShare;
  return Math.round(along(table[row]!) * (1 - rowShare) + along(table[row + 1]!) * rowShare);
}

function placeIn(shift: number): [index: number, share: number] {
  const last = SHIFTS.length - 1;
  const step = (SHIFTS[last]! - SHIFTS[0]) / last;
  const at = clamp((shift - SHIFTS[0]) / step, 0, last);
  const index = Math.min(last - 1, Math.floor(at));
  return [index, at - index];
}
