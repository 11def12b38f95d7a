import { CATALOGUE, type Traits } from '../catalogue/index.ts';
import type { Signals, Situation } from '../decide/index.ts';
import type { MediumKind } from '../media/index.ts';
import { nominalPot, rimCm } from '../pots/index.ts';
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
  tooWet: boolean;
  unstable: boolean;
  /** months in which such a plant fills this pot */
  fillMonths: number;
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

/** Age at which half of the media of a kind have truly failed: keepers renew before that, months. */
const FAILS_AT: Record<MediumKind, number> = {
  bark: 28.5,
  moss: 18.5,
  peatSoil: 28.5,
  loam: 42,
  mix: 31.5,
  mineral: 500,
  pebbles: 500,
  bare: 500,
};
/** … of one kind, months. */
export const failsAtMonths = (kind: MediumKind): number => FAILS_AT[kind];
/** Months in which the trade sees a 14 cm pot fill after one size up. */
const TRADE_FILL: Record<Traits['vigour'], number> = { fast: 9.5, middling: 18, slow: 35 };

/** … and one of another width: small ones much sooner, large ones a little later. */
export function fillMonthsOf(vigour: Traits['vigour'], cm: number): number {
  return TRADE_FILL[vigour] * (cm / 14) ** (cm < 14 ? 1.7 : 0.75);
}

type Random = () => number;
/** Standard normal variate by twelve uniform ones: close enough within three deviations. */
function normal(random: Random): number {
  let sum = -6;
  for (let i = 0; i < 12; i++) sum += random();
  return sum;
}

/** Share filled after `months`, from half full at the repot: Gompertz, 0.87 in the trade's months. */
export function filledAfter(months: number, fillMonths: number, speed: number): number {
  const ceiling = 1.18;
  const start = Math.log(ceiling / 0.5);
  const end = Math.log(ceiling / 0.87);
  const rate = Math.log(start / end) / fillMonths;
  return ceiling * Math.exp(-start * Math.exp(-rate * speed * months));
}

export const isCrowded = (filled: number, snug: boolean) => filled > (snug ? 0.94 : 0.875);

/** One plant on one day, with what is true of it. Signals are still to be seen. */
export function trialPlant(random: Random): TrialPlant {
  const taxon = CATALOGUE[Math.floor(random() * CATALOGUE.length)]!;
  const { traits } = taxon;
  const spot = SPOTS[Math.floor(random() * SPOTS.length)]!;
  const date = addDays('2026-01-01', Math.floor(random() * 365));
  const ageMonths = 42 * random() ** 1.3;
  const lastRepot = addDays(date, -Math.round(ageMonths * 30.4));
  const speed = Math.exp(0.45 * normal(random));
  const pot = nominalPot(10 + Math.floor(random() * 12));
  const fillMonths = fillMonthsOf(traits.vigour, rimCm(pot));
  const wetHand = random() < 0.3;
  // Over-potted plants are young in their pots, or hardly grow.
  const tooWet = random() < (ageMonths < 12 ? 0.05 : 0.02) + (wetHand ? 0.03 : 0);
  const filled = (tooWet ? 0.5 : 1) * filledAfter(ageMonths, fillMonths, speed);
  const lifeMonths =
    FAILS_AT[traits.medium]! * Math.exp(0.2 * normal(random)) * (wetHand ? 0.85 : 1.05);
  const mediumFailing = ageMonths > lifeMonths;
  const danger = random() < 0.004 + (mediumFailing ? 0.02 : 0) + (wetHand ? 0.008 : 0);
  const tall = traits.heightInPots > 2.5;
  const unstable = random() < 0.01 + (tall ? 0.05 : 0);
  return {
    situation: {
      traits,
      date,
      spot,
      pot,
      medium: { kind: traits.medium },
      lastRepot,
      signals: {},
    },
    truth: {
      crowded: isCrowded(filled, traits.snug),
      mediumFailing,
      danger,
      tooWet,
      unstable,
      fillMonths,
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
  const { crowded, mediumFailing, danger, tooWet, unstable, filled } = truth;
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
  if (look(0.5))
    signals.staysWetLonger = yes(0.04, [mediumFailing, 0.25], [danger, 0.3], [tooWet, 0.5]);
  if (look(0.6)) signals.compacted = yes(0.03, [mediumFailing, 0.55]);
  if (look(0.4)) signals.mediumSunk = yes(0.1, [mediumFailing, 0.35]);
  if (look(0.6))
    signals.smell = yes(0.008, [mediumFailing, 0.05], [danger, 0.45]) ? 'sour' : 'fresh';
  if (look(0.7)) {
    const poorly = yes(0.08, [crowded, 0.1], [mediumFailing, 0.15], [danger, 0.35], [tooWet, 0.2]);
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
    signals.liveRoots = danger ? 0.1 + 0.5 * random() : 0.6 + 0.4 * random();
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

const HARM = {
  crowded: 0.022,
  mediumFailing: 0.028,
  danger: 0.6,
  tooWet: 0.05,
  unstable: 0.03,
} as const;
/** Harm of a state when it begins, and what each further term adds, up to a limit. */
const WORSENS = { begins: 0.5, perTerm: 1.4, most: 4 } as const;
const worse = (overdue: number) =>
  Math.min(WORSENS.most, WORSENS.begins + WORSENS.perTerm * Math.max(0, overdue));
const MONTH_WEEKS = 4.35;
const WORK = { ballKept: 0.35, mostOff: 0.6, bareRoot: 0.9 } as const;
const WORK_OF: Record<string, keyof typeof WORK> = {
  bark: 'bareRoot',
  moss: 'bareRoot',
  pebbles: 'bareRoot',
  mineral: 'mostOff',
  mix: 'mostOff',
  bare: 'mostOff',
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
    const since = fresh ? sinceFresh : inPot;
    const roots = !fresh && truth.tooWet ? 0.5 : 1;
    const filled = roots * filledAfter(since, truth.fillMonths, truth.speed);
    const a = activity[w]!;
    if (isCrowded(filled, traits.snug)) {
      const overdue = (since * truth.speed) / truth.fillMonths - 1;
      cost += HARM.crowded * worse(overdue) * (0.2 + 0.8 * a) * (traits.snug ? 0.8 : 1);
    }
    if (since > truth.lifeMonths) {
      cost += HARM.mediumFailing * worse(since / truth.lifeMonths - 1) * (0.4 + 0.6 * a);
    }
    if (!fresh && truth.tooWet) cost += HARM.tooWet * Math.exp(-w / 20);
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
  const { rhythm, growsFromC, growsFullyC, hotC, window } = traits;
  const key = JSON.stringify([spot, rhythm, growsFromC, growsFullyC, hotC, window, date]);
  let found = seasons.get(key);
  if (!found) seasons.set(key, (found = seasonAhead(spot, traits, date, HORIZON + 1)));
  return found;
}
