import { addDays, type IsoDate } from '../season/index.ts';
import {
  FULL_DOUBT,
  Futures,
  WEEKS_AHEAD,
  widthSold,
  type Doubt,
  type FutureRepot,
  type Witness,
} from './futures.ts';
import type { AheadProblem, NextRepot } from './problem.ts';

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
  /** poles that are new, by what they are and how long, the short ones first */
  poles: { label: string; lengthCm: number; poles: Course }[];
  /** lasting feed that goes in, g */
  feedG: Course;
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
  onProgress?: (share: number) => unknown;
}

/** So many tell the bands well enough. */
export const FUTURES = 1000;
const TELL_EACH = 25;
const YEAR_WEEKS = 52;
const BAND = { low: 0.1, middle: 0.5, high: 0.9 } as const;

/** A quantity in every future and month. */
class Sums {
  private readonly drawn: Float64Array[] = [];
  private now = new Float64Array(0);
  constructor(private readonly months: number) {}
  begin(): void {
    this.now = new Float64Array(this.months);
    this.drawn.push(this.now);
  }
  add(month: number, amount: number): void {
    this.now[month]! += amount;
  }
  course(): Course {
    const byMonth: Expected[] = [];
    const upTo: Expected[] = [];
    const sums = new Float64Array(this.drawn.length);
    for (let month = 0; month < this.months; month++) {
      const each = Float64Array.from(this.drawn, (row) => row[month]!);
      for (let i = 0; i < sums.length; i++) sums[i]! += each[i]!;
      byMonth.push(bandOf(each));
      upTo.push(bandOf(sums.slice()));
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

/** Of a week its Saturday: then keepers pot, and a month that is over by then is not told any more. */
const SATURDAY = 5;

/** The months of two years from a Monday on, and to which of them each week belongs. */
function monthsFrom(from: IsoDate): { months: string[]; monthOf: number[] } {
  const months: string[] = [];
  const monthOf = Array.from({ length: WEEKS_AHEAD }, (_, week) => {
    const month = addDays(from, 7 * week + SATURDAY).slice(0, 7);
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
  const drawing = new Drawing(problem, { seed, doubt });
  while (drawing.drawn < futures) {
    drawing.more(Math.min(TELL_EACH, futures - drawing.drawn));
    if (onProgress?.(drawing.drawn / futures) === false) break;
  }
  return drawing.told();
}

/** The same, some futures at a time: whoever has enough is told what was drawn until then. */
export class Drawing {
  private readonly luck: Futures;
  private readonly ledger: Ledger;
  private readonly months: string[];
  drawn = 0;

  constructor(
    problem: AheadProblem,
    { seed = 1, doubt = FULL_DOUBT }: Pick<AheadOptions, 'seed' | 'doubt'> = {},
  ) {
    const { months, monthOf } = monthsFrom(problem.from);
    this.months = months;
    this.luck = new Futures(problem, seed, doubt);
    this.ledger = new Ledger(problem, months.length, monthOf);
  }
  more(futures: number): void {
    for (let each = 0; each < futures; each++) {
      this.ledger.begin();
      this.luck.draw(this.ledger);
    }
    this.drawn += futures;
  }
  told(): Ahead {
    return this.ledger.told(this.months, this.drawn);
  }
}

/** Keeps the books of every future. */
class Ledger implements Witness {
  private readonly all: Sums[] = [];
  private readonly repots: Sums;
  private readonly minutes: Sums;
  private readonly handed: Sums;
  private readonly ofShelf: Sums;
  private readonly losses: Sums;
  private readonly components = new Map<string, Sums>();
  private readonly toBuy = new Map<number, Sums>();
  private readonly feed: Sums;
  private readonly poles = new Map<string, { label: string; lengthCm: number; sums: Sums }>();
  private readonly spots = new Map<number, { now: number; year: number; two: number }>();
  /** of each plant: its components, and in how many futures its first repot of the year fell into each month */
  private readonly books: { parts: { litres: Sums; measureL: number }[]; firsts: Float64Array }[];
  private drawn = 0;

  constructor(
    private readonly problem: AheadProblem,
    private readonly length: number,
    private readonly monthOf: readonly number[],
  ) {
    this.repots = this.sums();
    this.minutes = this.sums();
    this.handed = this.sums();
    this.ofShelf = this.sums();
    this.losses = this.sums();
    this.feed = this.sums();
    for (const { repots } of problem.plants)
      for (const { pole } of repots) if (pole) this.poleOf(pole);
    this.books = problem.plants.map(({ parts, spotId, rimCm, repots }) => {
      for (const width of [rimCm, ...repots.map((one) => one.rimCm)]) {
        this.row(this.toBuy, widthSold(width));
      }
      const spot = this.spots.get(spotId) ?? { now: 0, year: 0, two: 0 };
      spot.now += rimCm;
      this.spots.set(spotId, spot);
      return {
        parts: parts.map(({ component, measureL }) => ({
          litres: this.row(this.components, component),
          measureL,
        })),
        firsts: new Float64Array(length),
      };
    });
  }

  private sums(): Sums {
    const made = new Sums(this.length);
    this.all.push(made);
    return made;
  }
  private row<Key>(rows: Map<Key, Sums>, key: Key): Sums {
    let row = rows.get(key);
    if (!row) rows.set(key, (row = this.sums()));
    return row;
  }

  private poleOf({ label, lengthCm }: NonNullable<NextRepot['pole']>): Sums {
    const key = `${label} ${lengthCm}`;
    let row = this.poles.get(key);
    if (!row) this.poles.set(key, (row = { label, lengthCm, sums: this.sums() }));
    return row.sums;
  }

  begin(): void {
    this.drawn += 1;
    for (const each of this.all) each.begin();
  }

  repot(
    index: number,
    week: number,
    nth: number,
    rimCm: number,
    leavesCm: number,
    source: FutureRepot['source'],
  ): void {
    const { repots, spotId } = this.problem.plants[index]!;
    const { parts, firsts } = this.books[index]!;
    const month = this.monthOf[week]!;
    const { newMediumL, minutes, pole, feedG = 0 } = repots[Math.min(nth, repots.length - 1)]!;
    this.repots.add(month, 1);
    this.minutes.add(month, minutes);
    this.feed.add(month, feedG);
    if (pole) this.poleOf(pole).add(month, 1);
    for (const { litres, measureL } of parts) litres.add(month, measureL * newMediumL);
    if (source === 'toBuy') this.toBuy.get(widthSold(rimCm))!.add(month, 1);
    else if (source !== 'stays') (source === 'shelf' ? this.ofShelf : this.handed).add(month, 1);
    if (nth === 0 && week < YEAR_WEEKS) firsts[month]! += 1;
    this.grown(spotId, week, rimCm - leavesCm);
  }

  lost(index: number, week: number, rimCm: number): void {
    this.losses.add(this.monthOf[week]!, 1);
    this.grown(this.problem.plants[index]!.spotId, week, -rimCm);
  }

  private grown(spotId: number, week: number, byCm: number): void {
    const spot = this.spots.get(spotId)!;
    if (week < YEAR_WEEKS) spot.year += byCm;
    spot.two += byCm;
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
      shelf: this.ofShelf.course(),
      handedDown: this.handed.course(),
      lost: this.losses.course(),
      feedG: this.feed.course(),
      poles: [...this.poles.values()]
        .sort((a, b) => a.lengthCm - b.lengthCm)
        .map(({ label, lengthCm, sums }) => ({ label, lengthCm, poles: sums.course() }))
        .filter(({ poles }) => needed(poles)),
      room: [...this.spots].map(([spotId, { now, year, two }]) => ({
        spotId,
        nowCm: now,
        yearCm: now + year / count,
        twoYearsCm: now + two / count,
      })),
      plants: this.problem.plants.map(({ id }, index) => {
        const { firsts } = this.books[index]!;
        const withinYear = firsts.reduce((sum, one) => sum + one, 0) / count;
        const month = withinYear > 0 ? firsts.indexOf(Math.max(...firsts)) : null;
        return { id, withinYear, month };
      }),
    };
  }
}
