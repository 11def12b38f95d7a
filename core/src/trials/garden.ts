import { CATALOGUE, type Traits } from '../catalogue/index.ts';
import type { Signals, Situation } from '../decide/index.ts';
import { nominalPot } from '../pots/index.ts';
import { addDays, seasonAhead, type IsoDate, type Spot } from '../season/index.ts';
import { seeded } from '../number/index.ts';

/**
 * Invented plants whose truth is known, to try the judgement on.
 *
 * The truth has its own laws and numbers, on purpose not the decision's: roots
 * fill by Gompertz growth with a speed of each plant's own, a medium fails at
 * an age drawn about the life that the trade gives its kind, rot strikes by
 * hazard. A look shows it through chance.
 *
 * @source numbers: common practice, no source
 */
export interface TrialPlant {
  situation: Situation;
  truth: Truth;
}

export interface Truth {
  crowded: boolean;
  mediumFailing: boolean;
  danger: boolean;
  unstable: boolean;
  /** share of the pot that roots fill, 0 … about 1.2 */
  filled: number;
  /** of this plant against others of its vigour */
  speed: number;
  /** age at which this medium fails, months */
  lifeMonths: number;
  ageMonths: number;
  wetHand: boolean;
}

const SPOTS: Spot[] = [
  {
    latitudeDeg: 54,
    indoors: true,
    temperatureC: 20,
    relativeHumidity: 0.5,
    lampHours: 0,
    light: 'medium',
  },
  {
    latitudeDeg: 54,
    indoors: true,
    temperatureC: [13, 14, 16, 18, 20, 22, 23, 23, 20, 17, 15, 13],
    relativeHumidity: 0.55,
    lampHours: 0,
    light: 'bright',
  },
  {
    latitudeDeg: 47,
    indoors: true,
    temperatureC: 22,
    relativeHumidity: 0.4,
    lampHours: 12,
    light: 'medium',
  },
  {
    latitudeDeg: -35,
    indoors: true,
    temperatureC: [23, 23, 21, 19, 17, 15, 15, 16, 18, 19, 21, 22],
    relativeHumidity: 0.55,
    lampHours: 0,
    light: 'bright',
  },
];

/** Months after which the trade expects each kind of medium to be spent. */
const TRADE_LIFE: Record<string, number> = {
  bark: 21,
  moss: 14,
  peatSoil: 20,
  loam: 32,
  mix: 24,
  mineral: 400,
  pebbles: 400,
};
/** Months in which the trade sees a pot one size up fill. */
const TRADE_FILL: Record<Traits['vigour'], number> = { fast: 9.5, middling: 20, slow: 36 };

type Random = () => number;
/** Standard normal variate by twelve uniform ones: close enough within three deviations. */
function normal(random: Random): number {
  let sum = -6;
  for (let i = 0; i < 12; i++) sum += random();
  return sum;
}

/** Share filled after `months`, from half full at the repot: Gompertz, 0.87 in the trade's months. */
export function filledAfter(months: number, vigour: Traits['vigour'], speed: number): number {
  const ceiling = 1.18;
  const start = Math.log(ceiling / 0.5);
  const end = Math.log(ceiling / 0.87);
  const rate = Math.log(start / end) / TRADE_FILL[vigour];
  return ceiling * Math.exp(-start * Math.exp(-rate * speed * months));
}

export const isCrowded = (filled: number, snug: boolean) => filled > (snug ? 1.02 : 0.87);

/** One plant on one day, with what is true of it. Signals are still to be seen. */
export function trialPlant(random: Random): TrialPlant {
  const taxon = CATALOGUE[Math.floor(random() * CATALOGUE.length)]!;
  const { traits } = taxon;
  const spot = SPOTS[Math.floor(random() * SPOTS.length)]!;
  const date = addDays('2026-01-01', Math.floor(random() * 365));
  const ageMonths = 42 * random() ** 1.3;
  const lastRepot = addDays(date, -Math.round(ageMonths * 30.4));
  const speed = Math.exp(0.45 * normal(random));
  const filled = filledAfter(ageMonths, traits.vigour, speed);
  const wetHand = random() < 0.3;
  const lifeMonths =
    TRADE_LIFE[traits.medium]! * Math.exp(0.25 * normal(random)) * (wetHand ? 0.85 : 1.05);
  const mediumFailing = ageMonths > lifeMonths;
  const danger = random() < 0.004 + (mediumFailing ? 0.02 : 0) + (wetHand ? 0.008 : 0);
  const tall = traits.heightInPots > 2.5;
  const unstable = random() < 0.01 + (tall ? 0.05 : 0);
  return {
    situation: {
      traits,
      date,
      spot,
      pot: nominalPot(10 + Math.floor(random() * 12)),
      medium: { kind: traits.medium },
      lastRepot,
      signals: {},
    },
    truth: {
      crowded: isCrowded(filled, traits.snug),
      mediumFailing,
      danger,
      unstable,
      filled,
      speed,
      lifeMonths,
      ageMonths,
      wetHand,
    },
  };
}

/** A look at the truth: what a keeper of ordinary care would answer, and what is skipped. */
export function seen({ truth }: TrialPlant, random: Random, unpot = false): Signals {
  const { crowded, mediumFailing, danger, unstable, filled } = truth;
  const signals: Record<string, string | number | boolean> = {};
  const look = (share: number) => random() < share;
  const chance = (p: number) => random() < p;
  const yes = (base: number, ...more: [boolean, number][]) =>
    chance(
      Math.min(
        0.97,
        more.reduce((p, [holds, add]) => p + (holds ? add : 0), base),
      ),
    );
  if (look(0.85)) {
    const shows = filled + 0.11 * normal(random);
    const at = [0.7, 0.82, 0.93, 1.06].filter((from) => shows >= from).length;
    signals.rootsAtHoles = ['none', 'one', 'several', 'every', 'mat'][at]!;
  }
  if (look(0.5)) signals.driesSooner = yes(0.05, [crowded, 0.4]);
  if (look(0.5)) signals.waterRunsThrough = yes(0.04, [filled > 0.95, 0.25], [mediumFailing, 0.2]);
  if (look(0.5)) signals.staysWetLonger = yes(0.04, [mediumFailing, 0.3], [danger, 0.3]);
  if (look(0.6)) signals.compacted = yes(0.05, [mediumFailing, 0.45]);
  if (look(0.4)) signals.mediumSunk = yes(0.1, [mediumFailing, 0.35]);
  if (look(0.6))
    signals.smell = yes(0.008, [mediumFailing, 0.05], [danger, 0.45]) ? 'sour' : 'fresh';
  if (look(0.7)) {
    const poorly = yes(0.08, [crowded, 0.1], [mediumFailing, 0.15], [danger, 0.35]);
    signals.growth = poorly
      ? 'stalled'
      : yes(0.15, [crowded, 0.1], [danger, -0.14])
        ? 'vigorous'
        : yes(0.3)
          ? 'slow'
          : 'normal';
  }
  if (look(0.4))
    signals.newLeaves = yes(0.08, [crowded, 0.2], [mediumFailing, 0.1])
      ? 'smaller'
      : yes(0.25, [crowded, -0.15])
        ? 'larger'
        : 'same';
  if (look(0.5)) signals.limp = yes(0.05, [danger, 0.3]);
  if (look(0.5)) signals.oldLeavesYellowing = yes(0.12, [mediumFailing, 0.12], [danger, 0.2]);
  if (look(0.6))
    signals.pests = yes(0.012, [danger, 0.2])
      ? 'mealy'
      : yes(0.06, [truth.wetHand, 0.1])
        ? 'gnats'
        : 'none';
  if (look(0.7))
    signals.wobble = unstable
      ? chance(0.45)
        ? 'topples'
        : chance(0.7)
          ? 'leans'
          : 'no'
      : yes(0.008)
        ? 'topples'
        : yes(0.12)
          ? 'leans'
          : 'no';
  if (unpot) {
    signals.ballCover = Math.min(1, Math.max(0, (filled - 0.3) / 0.75 + 0.1 * normal(random)));
    signals.circling = yes(0.05, [crowded, 0.55]) ? 'tight' : yes(0.3) ? 'some' : 'none';
    signals.rot = yes(0.02, [danger, 0.7]) ? 'roots' : 'none';
    signals.liveRoots = danger ? 0.2 + 0.5 * random() : 0.7 + 0.3 * random();
  }
  return signals;
}

/** Many plants, each looked at once. */
export function trialGarden(seed: number, plants: number, unpotShare = 0.15): TrialPlant[] {
  const random = seeded(seed);
  return Array.from({ length: plants }, () => {
    const plant = trialPlant(random);
    const signals = seen(plant, random, random() < unpotShare);
    return { ...plant, situation: { ...plant.situation, signals, lookedOn: plant.situation.date } };
  });
}

const HARM = { crowded: 0.025, mediumFailing: 0.03, danger: 0.6, unstable: 0.03 } as const;
const MONTH_WEEKS = 4.35;
const WORK = { ballKept: 0.35, mostOff: 0.6, bareRoot: 0.9 } as const;
const WORK_OF: Record<string, keyof typeof WORK> = {
  bark: 'bareRoot',
  moss: 'bareRoot',
  pebbles: 'bareRoot',
  mineral: 'mostOff',
  mix: 'mostOff',
  peatSoil: 'ballKept',
  loam: 'ballKept',
};
export const HORIZON = 104;

/**
 * What truly happens when a plant is repotted in a week (null: not within two
 * years): its harm until then, the disturbance, and the harm in the fresh pot.
 * Danger ends in the loss of the plant by and by: its harm is bounded.
 */
export function trueCost({ situation, truth }: TrialPlant, week: number | null): number {
  const { traits, spot, date, medium } = situation;
  const { activity, readiness } = seasonOf(spot, traits, date);
  let cost = 0;
  let sick = 0;
  for (let w = 0; w < HORIZON; w++) {
    const fresh = week !== null && w >= week;
    const inPot = truth.ageMonths + w / MONTH_WEEKS;
    const sinceFresh = fresh ? (w - week) / MONTH_WEEKS : 0;
    const filled = fresh
      ? filledAfter(sinceFresh, traits.vigour, truth.speed)
      : filledAfter(inPot, traits.vigour, truth.speed);
    const a = activity[w]!;
    if (isCrowded(filled, traits.snug))
      cost += HARM.crowded * (0.2 + 0.8 * a) * (traits.snug ? 0.15 : 1);
    if ((fresh ? sinceFresh : inPot) > truth.lifeMonths)
      cost += HARM.mediumFailing * (0.4 + 0.6 * a);
    if (!fresh && truth.danger && sick < 20) {
      cost += HARM.danger;
      sick += 1;
    }
    if (!fresh && truth.unstable) cost += HARM.unstable;
    if (w === week) {
      cost += WORK[WORK_OF[medium.kind]!] * (1 + 2.2 * (1 - readiness[w]!)) + 0.12;
    }
  }
  return cost;
}

const seasons = new Map<string, ReturnType<typeof seasonAhead>>();
function seasonOf(spot: Spot, traits: Traits, date: IsoDate) {
  const key = JSON.stringify([spot, traits.rhythm, traits.growsFromC, traits.growsFullyC, date]);
  let found = seasons.get(key);
  if (!found) seasons.set(key, (found = seasonAhead(spot, traits, date, HORIZON + 1)));
  return found;
}
