import { addDays, type IsoDate } from '../season/index.ts';
import { FULL_DOUBT, Futures, sizeOf, WEEKS_AHEAD, type Doubt, type Future } from './futures.ts';
import type { AheadProblem } from './problem.ts';

/** What is expected: of ten futures one has less than `low`, one more than `high`. */
export interface Expected {
  low: number;
  middle: number;
  high: number;
}

/** Something that is used up or done, month by month, and since today up to the end of each month. */
export interface Course {
  byMonth: Expected[];
  upTo: Expected[];
}

export interface Ahead {
  /** YYYY-MM */
  months: string[];
  futures: number;
  repots: Course;
  minutes: Course;
  /** litres to measure */
  components: { component: string; litres: Course }[];
  /** pots of a width that must be bought, the small ones first */
  toBuy: { rimCm: number; pots: Course }[];
  shelf: Course;
  handedDown: Course;
  lost: Course;
  /** rims of a spot side by side, cm: today, in a year, in two */
  room: { spotId: number; nowCm: number; yearCm: number; twoYearsCm: number }[];
  /** how likely each plant is repotted within a year, the month in which that is likeliest, and how likely that is */
  plants: { id: number; withinYear: number; month: number | null }[];
}

export interface AheadOptions {
  futures?: number;
  seed?: number;
  doubt?: Doubt;
  /** told now and then; what it returns false to is stopped, and is what was drawn until then */
  onProgress?: (share: number) => boolean | void;
}

const FUTURES = 1000;
const TELL_EACH = 25;
const YEAR_WEEKS = 52;
const BAND = { low: 0.1, middle: 0.5, high: 0.9 } as const;

/** A quantity in every future and month. */
class Sums {
  private readonly drawn: Float64Array[] = [];
  constructor(private readonly months: number) {}
  begin(): void {
    this.drawn.push(new Float64Array(this.months));
  }
  add(month: number, amount: number): void {
    this.drawn[this.drawn.length - 1]![month]! += amount;
  }
  course(): Course {
    const byMonth: Expected[] = [];
    const upTo: Expected[] = [];
    const sums = new Float64Array(this.drawn.length);
    for (let month = 0; month < this.months; month++) {
      const each = Float64Array.from(this.drawn, (row) => row[month]!);
      for (let i = 0; i < sums.length; i++) sums[i]! += each[i]!;
      byMonth.push(bandOf(each));
      upTo.push(bandOf(Float64Array.from(sums)));
    }
    return { byMonth, upTo };
  }
}

/** @param values  sorted in place */
function bandOf(values: Float64Array): Expected {
  values.sort();
  const at = (share: number) => {
    const place = share * (values.length - 1);
    const below = Math.floor(place);
    const above = Math.min(values.length - 1, below + 1);
    return values[below]! + (place - below) * (values[above]! - values[below]!);
  };
  return { low: at(BAND.low), middle: at(BAND.middle), high: at(BAND.high) };
}

/** The months of two years from a Monday on, and in which of them each week begins. */
function monthsFrom(from: IsoDate): { months: string[]; monthOf: number[] } {
  const months: string[] = [];
  const monthOf = Array.from({ length: WEEKS_AHEAD }, (_, week) => {
    const month = addDays(from, 7 * week).slice(0, 7);
    if (months[months.length - 1] !== month) months.push(month);
    return months.length - 1;
  });
  return { months, monthOf };
}

/**
 * What two years may bring: repots, hands, mix and pots by month, as bands over futures that are drawn
 * from today's beliefs. In each the keeper does what Fernbank advises, as it would advise it by then.
 *
 * @throws RangeError never: of an empty collection nothing is expected
 * @source Monte Carlo over the verdicts' own beliefs; spreads: common practice, no source
 */
export function aheadOf(
  problem: AheadProblem,
  { futures = FUTURES, seed = 1, doubt = FULL_DOUBT, onProgress }: AheadOptions = {},
): Ahead {
  const { months, monthOf } = monthsFrom(problem.from);
  const luck = new Futures(problem, seed, doubt);
  const ledger = new Ledger(problem, months.length, monthOf);
  let drawn = 0;
  while (drawn < futures) {
    ledger.take(luck.next());
    drawn += 1;
    if (drawn % TELL_EACH === 0 && onProgress?.(drawn / futures) === false) break;
  }
  return ledger.told(months, drawn);
}

class Ledger {
  private readonly repots;
  private readonly minutes;
  private readonly shelf;
  private readonly handedDown;
  private readonly lost;
  private readonly components = new Map<string, Sums>();
  private readonly toBuy = new Map<number, Sums>();
  private readonly all: Sums[] = [];
  private readonly spots = new Map<number, { now: number; year: number; two: number }>();
  /** of each plant, in how many futures its first repot of the year fell into each month */
  private readonly firsts: Float64Array[];
  private drawn = 0;

  constructor(
    private readonly problem: AheadProblem,
    private readonly length: number,
    private readonly monthOf: readonly number[],
  ) {
    this.repots = this.sums();
    this.minutes = this.sums();
    this.shelf = this.sums();
    this.handedDown = this.sums();
    this.lost = this.sums();
    // Whatever may be needed has a row in every future, also in those that need none of it.
    for (const { parts, repots } of problem.plants) {
      for (const { component } of parts) {
        if (!this.components.has(component)) this.components.set(component, this.sums());
      }
      for (const { rimCm } of repots) {
        const size = sizeOf(rimCm);
        if (!this.toBuy.has(size)) this.toBuy.set(size, this.sums());
      }
    }
    this.firsts = problem.plants.map(() => new Float64Array(length));
    for (const { spotId, rimCm } of problem.plants) {
      const spot = this.spots.get(spotId) ?? { now: 0, year: 0, two: 0 };
      spot.now += rimCm;
      this.spots.set(spotId, spot);
    }
  }

  private sums(): Sums {
    const made = new Sums(this.length);
    this.all.push(made);
    return made;
  }

  take({ repots, lost }: Future): void {
    this.drawn += 1;
    for (const each of this.all) each.begin();
    const grown = (spotId: number, week: number, byCm: number) => {
      const spot = this.spots.get(spotId)!;
      if (week < YEAR_WEEKS) spot.year += byCm;
      spot.two += byCm;
    };
    for (const { plant: index, week, nth, rimCm, leavesCm, source } of repots) {
      const plant = this.problem.plants[index]!;
      const month = this.monthOf[week]!;
      const { newMediumL, minutes } = plant.repots[Math.min(nth, plant.repots.length - 1)]!;
      this.repots.add(month, 1);
      this.minutes.add(month, minutes);
      for (const { component, measureL } of plant.parts) {
        this.components.get(component)!.add(month, measureL * newMediumL);
      }
      if (source === 'toBuy') this.toBuy.get(sizeOf(rimCm))!.add(month, 1);
      else this[source].add(month, 1);
      if (nth === 0 && week < YEAR_WEEKS) this.firsts[index]![month]! += 1;
      grown(plant.spotId, week, rimCm - leavesCm);
    }
    for (const { plant: index, week, rimCm } of lost) {
      this.lost.add(this.monthOf[week]!, 1);
      grown(this.problem.plants[index]!.spotId, week, -rimCm);
    }
  }

  told(months: string[], futures: number): Ahead {
    const needed = ({ upTo }: Course) => (upTo[upTo.length - 1]?.high ?? 0) > 0;
    const count = Math.max(1, this.drawn);
    return {
      months,
      futures,
      repots: this.repots.course(),
      minutes: this.minutes.course(),
      components: [...this.components]
        .map(([component, sums]) => ({ component, litres: sums.course() }))
        .filter(({ litres }) => needed(litres)),
      toBuy: [...this.toBuy]
        .sort(([a], [b]) => a - b)
        .map(([rimCm, sums]) => ({ rimCm, pots: sums.course() }))
        .filter(({ pots }) => needed(pots)),
      shelf: this.shelf.course(),
      handedDown: this.handedDown.course(),
      lost: this.lost.course(),
      room: [...this.spots].map(([spotId, { now, year, two }]) => ({
        spotId,
        nowCm: now,
        yearCm: now + year / count,
        twoYearsCm: now + two / count,
      })),
      plants: this.problem.plants.map(({ id }, index) => {
        const firsts = this.firsts[index]!;
        const withinYear = firsts.reduce((sum, one) => sum + one, 0) / count;
        const month = withinYear > 0 ? firsts.indexOf(Math.max(...firsts)) : null;
        return { id, withinYear, month };
      }),
    };
  }
}
