import { clamp, logit } from '../number/index.ts';
import { HORIZON_WEEKS, SHIFTS } from '../decide/index.ts';
import { STANDARD_RIMS_CM } from '../pots/index.ts';
import type { AheadPlant, AheadProblem } from './problem.ts';

/*
 * How far what is believed today may turn out otherwise. Common practice, no source.
 */

/** A keeper looks again about so often. */
const LOOK_EACH_WEEKS = 12;
/** What looks add to the log-odds of a state: what they have in common, and what each has of its own; standard deviations. */
const LOOKS_AGREE = 1.5;
const LOOK_ALONE = 2.4;
/** Spread of the time that one plant takes to fill its pot against others of its kind, of log weeks. */
const PACE_SPREAD = 0.3;
/** A keeper comes to it in the week it is due as often as not, else a week later, and so on. */
const COMES_LATER = 0.5;
const MOST_DELAY_WEEKS = 6;
/** Falls ill in a year though all is well with its pot. */
const ILL_PER_YEAR = 0.03;
/** Of those found in danger so many are lost in spite of all. */
const LOST_OF_RESCUED = 0.2;
/** What is suspected today is found within so many weeks. */
const FOUND_WITHIN_WEEKS = 4;
/** A wider pot takes longer to fill by this power of its width. @source common practice, no source */
const PER_WIDTH = 0.8;
const SOONEST_WEEKS = 4;
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

/** A repot in one future. */
export interface FutureRepot {
  plant: number;
  week: number;
  /** which of its repots: an index into `repots` */
  nth: number;
  rimCm: number;
  leavesCm: number;
  /** `stays`: into its own pot again, rinsed */
  source: 'shelf' | 'handedDown' | 'toBuy' | 'stays';
}

/** One future of the whole collection, in the order of weeks. */
export interface Future {
  repots: FutureRepot[];
  /** plants that were lost, by week */
  lost: { plant: number; week: number; rimCm: number }[];
  /** free pots by width at its end */
  left: Map<number, number>;
}

/** What is told of a future while it is drawn, week by week. */
export interface Witness {
  /** @param nth  which of the plant’s repots: an index into `repots` */
  repot(
    plant: number,
    week: number,
    nth: number,
    rimCm: number,
    leavesCm: number,
    source: FutureRepot['source'],
  ): void;
  lost(plant: number, week: number, rimCm: number): void;
}

/** Draws futures one after the other; the same seed draws the same on every machine. */
export class Futures {
  private drawn = 0;
  private readonly luck = new Luck();
  /** of looks: apart, so that however many are taken all else has the same luck */
  private readonly noise = new Luck();
  private readonly happened = new Happenings();
  private readonly own = new Int32Array(STANDARD_RIMS_CM.length);
  private readonly left = new Int32Array(STANDARD_RIMS_CM.length);

  constructor(
    private readonly problem: AheadProblem,
    private readonly seed = 1,
    private readonly doubt: Doubt = FULL_DOUBT,
  ) {}

  /** The next future, told to a witness. */
  draw(witness: Witness): void {
    this.drawn += 1;
    this.happened.clear();
    const { plants } = this.problem;
    for (let index = 0; index < plants.length; index++) this.live(plants[index]!, index);
    this.potted(witness);
  }

  /** The next future as a whole. */
  next(): Future {
    const repots: Future['repots'] = [];
    const lost: Future['lost'] = [];
    this.draw({
      repot: (plant, week, nth, rimCm, leavesCm, source) =>
        repots.push({ plant, week, nth, rimCm, leavesCm, source }),
      lost: (plant, week, rimCm) => lost.push({ plant, week, rimCm }),
    });
    const free = STANDARD_RIMS_CM.map(
      (rimCm, size) => [rimCm, this.own[size]! + this.left[size]!] as const,
    );
    return { repots, lost, left: new Map(free.filter(([, count]) => count !== 0)) };
  }

  /** One plant through two years. */
  private live(plant: AheadPlant, index: number): void {
    const { doubt, luck } = this;
    // By its id, not by its place: without another plant it meets the same luck.
    luck.begin(plant.id, this.drawn, this.seed);
    this.noise.begin(plant.id, this.drawn, ~this.seed);
    const full = luck.normal();
    const medium = luck.normal();
    const illAt = this.illAt(plant, luck.share());
    const dies = luck.share() < LOST_OF_RESCUED * doubt.ill;
    let rim = plant.rimCm;
    let at = this.firstWeek(plant, full, medium);
    let nth = 0;
    for (let time = 0; at < WEEKS_AHEAD || illAt !== null || plant.settledIn !== null; time++) {
      const late = luck.share();
      // Whoever settled on a day comes on it.
      const settled = time === 0 ? plant.settledIn : null;
      const delayed = settled ?? this.later(plant, at, late);
      const isRescue = illAt !== null && illAt <= delayed && time === 0;
      const week = isRescue ? illAt : delayed;
      if (week >= WEEKS_AHEAD) return;
      if (isRescue && dies) {
        this.happened.add(week, index, LOST, rim, rim);
        return;
      }
      // What falls ill later goes back into its own pot: how many roots it will have left nobody knows.
      const narrow = isRescue && !plant.rescue;
      const widened = narrow ? rim : plant.repots[Math.min(nth, plant.repots.length - 1)]!.rimCm;
      this.happened.add(week, index, nth, widened, rim);
      if (!narrow) nth += 1;
      const grown = (widened / plant.rimCm) ** PER_WIDTH;
      // A plant that was quick to fill this pot is quick in the next.
      const pace = Math.exp(-PACE_SPREAD * doubt.pace * full);
      rim = widened;
      const again =
        week + Math.max(SOONEST_WEEKS, Math.round(plant.weeks.freshWeeks * grown * pace));
      at = again >= WEEKS_AHEAD ? WEEKS_AHEAD : plant.weeks.actFrom[again]!;
    }
  }

  /**
   * What is announced for before the next look is done as it is announced. Then each look may bring it
   * forward or put it off: the first one by which it is due before the next decides.
   */
  private firstWeek({ weeks, notBefore }: AheadPlant, full: number, medium: number): number {
    const { noise, doubt } = this;
    const common = LOOKS_AGREE * doubt.looks;
    const alone = LOOK_ALONE * doubt.looks;
    let week = weeks.best[MIDDLE]![MIDDLE]!;
    if (doubt.looks === 0) return inSeason(weeks, Math.max(week, notBefore));
    // Not all are looked at on one day.
    const first = Math.round(LOOK_EACH_WEEKS * (0.5 + noise.share()));
    for (let look = first; look <= week && look < WEEKS_AHEAD; look += LOOK_EACH_WEEKS) {
      const told = between(weeks.best, common * full + alone * noise.normal(), common * medium);
      // What would have been due before is due at once.
      week = Math.max(look, told);
      if (week < look + LOOK_EACH_WEEKS) break;
    }
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
    if (luck < now) return Math.floor((luck / now) * FOUND_WITHIN_WEEKS);
    const perWeek = (ILL_PER_YEAR * this.doubt.ill) / 52;
    const week = Math.floor(Math.log((1 - luck) / (1 - now)) / Math.log(1 - perWeek));
    return week < WEEKS_AHEAD ? week : null;
  }

  /** Which pots there are for it: of the shelf, handed down, to buy. What is left is another’s. */
  private potted(witness: Witness): void {
    const { own, left } = this;
    const { last, before, plant, nth, rimCm, leavesCm } = this.happened;
    own.fill(0);
    left.fill(0);
    for (const pots of this.problem.shelf) own[sizeOf(pots.rimCm)]! += pots.count;
    for (let week = 0; week < WEEKS_AHEAD; week++) {
      for (let at = last[week]!; at >= 0; at = before[at]!) {
        const leaves = leavesCm[at]!;
        if (nth[at] === LOST) {
          witness.lost(plant[at]!, week, leaves);
        } else if (rimCm[at] === leaves) {
          witness.repot(plant[at]!, week, nth[at]!, leaves, leaves, 'stays');
          continue;
        } else {
          const size = this.nearest(rimCm[at]!);
          const source = size < 0 ? 'toBuy' : left[size]! > 0 ? 'handedDown' : 'shelf';
          if (size >= 0) (source === 'handedDown' ? left : own)[size]! -= 1;
          witness.repot(plant[at]!, week, nth[at]!, rimCm[at]!, leaves, source);
        }
        left[sizeOf(leaves)]! += 1;
      }
    }
  }

  /** @returns the size of a pot that is there and as good; -1: there is none */
  private nearest(rimCm: number): number {
    const size = sizeOf(rimCm);
    for (const each of ASIDE) {
      const other = size + each;
      const width = STANDARD_RIMS_CM[other];
      if (width === undefined || Math.abs(width - rimCm) > AS_GOOD_CM) continue;
      if (this.own[other]! + this.left[other]! > 0) return other;
    }
    return -1;
  }
}

const MIDDLE = SHIFTS.length >> 1;

/** Sizes are tried from the right one on. */
const ASIDE = [0, 1, -1];

/** In place of `nth`: the plant is lost. */
const LOST = -1;

/** What happens in one future, each pointing to what came before it in the same week; rows are used again. */
class Happenings {
  readonly last = new Int32Array(WEEKS_AHEAD);
  readonly before: number[] = [];
  readonly plant: number[] = [];
  readonly nth: number[] = [];
  readonly rimCm: number[] = [];
  readonly leavesCm: number[] = [];
  private count = 0;

  clear(): void {
    this.last.fill(-1);
    this.count = 0;
  }
  add(week: number, plant: number, nth: number, rimCm: number, leavesCm: number): void {
    const at = this.count++;
    this.before[at] = this.last[week]!;
    this.plant[at] = plant;
    this.nth[at] = nth;
    this.rimCm[at] = rimCm;
    this.leavesCm[at] = leavesCm;
    this.last[week] = at;
  }
}

/**
 * The luck of one plant in one future, the same whoever else is there.
 *
 * @source Mulberry32, as `seeded`; begun from a mix of its three numbers
 */
class Luck {
  private state = 0;
  begin(id: number, future: number, seed: number): void {
    let mixed =
      Math.imul(id + 1, 0x9e3779b1) ^ Math.imul(future, 0x85ebca6b) ^ Math.imul(seed, 0xc2b2ae35);
    mixed = Math.imul(mixed ^ (mixed >>> 15), 0x2c1b3c6d);
    this.state = mixed ^ (mixed >>> 13);
  }
  share(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  }
  /** Near enough to standard normal: the logistic of the same spread. */
  normal(): number {
    return (logit(clamp(this.share(), 1e-9, 1 - 1e-9)) * Math.sqrt(3)) / Math.PI;
  }
}

/** Which of the widths sold a pot counts as. */
function sizeOf(rimCm: number): number {
  const known = SIZES.get(rimCm);
  if (known !== undefined) return known;
  let best = 0;
  for (const [size, width] of STANDARD_RIMS_CM.entries()) {
    if (Math.abs(width - rimCm) < Math.abs(STANDARD_RIMS_CM[best]! - rimCm)) best = size;
  }
  SIZES.set(rimCm, best);
  return best;
}
const SIZES = new Map<number, number>();
/** The width sold that a pot counts as, cm. */
export const widthSold = (rimCm: number): number => STANDARD_RIMS_CM[sizeOf(rimCm)]!;

/** That week, or the best one after it where it may not be disturbed then. */
function inSeason({ open, actFrom }: AheadPlant['weeks'], week: number): number {
  if (week >= WEEKS_AHEAD) return WEEKS_AHEAD;
  return open[week] ? week : actFrom[week]!;
}

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
