import { OutOfRange } from '../number/outOfRange.ts';
import type { Component } from '../media/index.ts';
import { positive, within } from '../number/index.ts';
import type { Part } from '../mixing/index.ts';
import type { PotMaterialId, PotShape } from '../pots/index.ts';
import { dayNumber, type IsoDate } from '../season/index.ts';
import type { Section, SupportKindId } from '../support/index.ts';
import type { Saying } from '../saying/index.ts';

/** What is done to a pot before another plant moves into it. */
export const CLEANINGS = {
  soak: {
    label: 'soak overnight',
    does: 'A pot that a plant leaves soaks overnight and is rinsed: it is ready the next day.',
    lagDays: 1,
  },
  rinse: {
    label: 'scrub and rinse',
    does: 'A pot that a plant leaves is scrubbed and rinsed: it is ready the same day.',
    lagDays: 0,
  },
} as const;
export type Cleaning = keyof typeof CLEANINGS;

/** How far a plant is to be trusted beside others: who comes later never gives anything back. */
export const TIDINESS = ['clean', 'suspect', 'quarantine'] as const;
export type Tidiness = (typeof TIDINESS)[number];

/** One potting day and the time there is for it. */
export interface DayDate {
  date: IsoDate;
  /** from first to last, rests included */
  minutes: number;
}

/** A pot that a plant could move into. */
export interface DayOption {
  /** id of a `DayPot` */
  pot: string;
  /** of hands, with all that its procedure asks for */
  minutes: number;
  /** new medium round the ball, L */
  filledL: number;
  /** what this pot is worse by than the best for this plant, units of gain, ≥ 0 */
  penalty: number;
  /** wrapped in moss over an upturned net pot, on this pot's mouth */
  mound?: DayMound | undefined;
  /** pebbles: what they stand over */
  water?: DayWater | undefined;
  /** it is divided into so many, each in a pot of this size; absent: into none */
  pieces?: number | undefined;
}

/** What a pot of pebbles takes beside its pebbles. */
export interface DayWater {
  vessel: Saying;
  litres: number;
  /** nutrient solution; false: rain water */
  fed: boolean;
  wicks: { label: string; count: number; lengthCm: number } | null;
}

/** What a mound takes. */
export interface DayMound {
  /** width of the net pot that is its core, cm */
  netPotCm: number;
  /** long strands, dry, g */
  dryG: number;
}

/** A new pole that a plant gets. */
export interface DaySupport {
  kind: SupportKindId;
  lengthCm: number;
  /** poles beside each other */
  poles: number;
  /** absent: as usual for its kind */
  section?: Section;
  /** the piece that it is cut from; absent or null: not said */
  stock?: { id: number | null; lengthCm: number } | null;
}

/** A plant that wants to be potted. */
export interface DayPlant {
  id: number;
  name: string;
  /** what potting it on each date saves against waiting for the next chance; units of a badly timed repot */
  gain: number[];
  tidiness: Tidiness;
  /** id of a `DayMix` */
  mix: string;
  options: DayOption[];
  /** minutes of soaking before its pot can come off */
  soakMinutes: number;
  /** a piece to be cut; null: it keeps what it has, or has none */
  support: DaySupport | null;
}

/** Pots of one kind, at one place, for this purpose alike. */
export interface DayPot {
  id: string;
  label: Saying;
  shape: PotShape;
  material: PotMaterialId;
  source: 'shelf' | 'left' | 'stays' | 'toBuy';
  /** for `left` and `stays`: the plant that stands in it */
  of?: number;
  /** for `shelf`: its row */
  potId?: number;
  /** for `shelf`: how many are ready on each date, never falling */
  ready?: number[];
  /** for `toBuy`; null: not known */
  price?: number | null;
}

export interface DayMix {
  id: string;
  label: string;
  recipeId: string;
  parts: Part<Component>[];
}

/** What there is of a component, loosened litres. */
export interface DayStock {
  component: string;
  label: string;
  bagL: number | null;
  bags: number;
  openL: number;
  pricePerBag: number | null;
  /** the keeper counts it; what is not counted never holds a plan up */
  counted: boolean;
}

/** Lengths of support that there are, or are sold. */
export interface DayPole {
  kind: SupportKindId;
  lengthCm: number;
  /** null: as many as are bought */
  count: number | null;
}

/** The keeper's own word on a plan. */
export type Pin =
  | { kind: 'in'; plant: number }
  | { kind: 'out'; plant: number }
  | { kind: 'on'; plant: number; date: IsoDate }
  | { kind: 'pot'; plant: number; pot: string }
  | { kind: 'notPot'; plant: number; pot: string };

/** Minutes of a day that are spent whatever is potted. */
export interface Overheads {
  setUp: number;
  cleanUp: number;
  /** to weigh, tip and turn one batch */
  mix: number;
  /** and each further tub load of it */
  load: number;
  /** hands rest so long after so much work */
  rest: number;
  restEvery: number;
}

/** @source common practice, no source */
export const USUAL_OVERHEADS: Overheads = {
  setUp: 10,
  cleanUp: 15,
  mix: 5,
  load: 4,
  rest: 10,
  restEvery: 90,
};

export interface DayProblem {
  /** ascending */
  dates: DayDate[];
  /** people at the bench */
  hands: number;
  /** null: no limit */
  money: number | null;
  cleaning: Cleaning;
  overheads: Overheads;
  plants: DayPlant[];
  pots: DayPot[];
  mixes: DayMix[];
  stock: DayStock[];
  poles: DayPole[];
  pins: Pin[];
  scoopL?: number | undefined;
  tubL?: number | undefined;
}

export const MOST_DATES = 5;
export const MOST_HANDS = 6;
export const LONGEST_DAY_MINUTES = 24 * 60;
const LARGEST_GAIN = 1000;

/**
 * @throws RangeError naming what is impossible: no date, no minutes, no pot, a pin on what is not there
 */
export function checkProblem(problem: DayProblem): DayProblem {
  const { dates, hands, money, plants, pots, mixes, pins } = problem;
  within('number of dates', dates.length, 1, MOST_DATES);
  dates.forEach(({ date, minutes }, i) => {
    dayNumber(date);
    if (!(minutes > 0)) throw new OutOfRange(`minutes must be above 0 on ${date}, got ${minutes}`);
    within('minutes', minutes, 1, LONGEST_DAY_MINUTES);
    if (i > 0 && date <= dates[i - 1]!.date) {
      throw new OutOfRange('dates must each be after the one before');
    }
  });
  if (!Number.isInteger(hands)) throw new OutOfRange(`hands must be whole, got ${hands}`);
  within('hands', hands, 1, MOST_HANDS);
  if (money !== null) within('money', money, 0, Number.MAX_VALUE);
  const potIds = new Set(pots.map(({ id }) => id));
  const mixIds = new Set(mixes.map(({ id }) => id));
  if (potIds.size !== pots.length) throw new OutOfRange('pots must each have an id of their own');
  for (const { name, gain, options, mix } of plants) {
    if (gain.length !== dates.length) {
      throw new OutOfRange(`gain of ${name} must have one number for each date`);
    }
    gain.forEach((units) => within(`gain of ${name}`, units, -LARGEST_GAIN, LARGEST_GAIN));
    if (!mixIds.has(mix)) throw new OutOfRange(`mix of ${name} must be one of the mixes`);
    for (const { pot, minutes, filledL, penalty } of options) {
      if (!potIds.has(pot)) throw new OutOfRange(`pot ${pot} of ${name} must be one of the pots`);
      positive(`minutes of ${name}`, minutes);
      within(`filledL of ${name}`, filledL, 0, 10_000);
      within(`penalty of ${name}`, penalty, 0, LARGEST_GAIN);
    }
  }
  for (const { id, ready } of pots) {
    if (ready && (ready.length !== dates.length || ready.some((n, i) => n < (ready[i - 1] ?? 0)))) {
      throw new OutOfRange(`ready of pot ${id} must have one count for each date, never falling`);
    }
  }
  const known = new Set(plants.map(({ id }) => id));
  for (const pin of pins) {
    if (!known.has(pin.plant)) {
      throw new OutOfRange(`pins must be on plants of the day, got plant ${pin.plant}`);
    }
    if (pin.kind === 'on' && !dates.some(({ date }) => date === pin.date)) {
      throw new OutOfRange(`pins must be on one of the dates, got ${pin.date}`);
    }
  }
  return problem;
}

/** A plant that is potted: where, when, and what it takes. */
export interface Move {
  plant: number;
  /** index into the plant's options */
  option: number;
  /** index into the problem's dates */
  date: number;
}
