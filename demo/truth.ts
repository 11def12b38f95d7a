import {
  addDays,
  bisect,
  canShow,
  DAYS_PER_MONTH,
  daysBetween,
  rimCm,
  seasonAhead,
  seeded,
  usualClimb,
  WINDOW_READINESS,
  type CareKind,
  type IsoDate,
  type MediumKind,
  type PotShape,
  type Signals,
  type SignalValue,
  type Spot,
  type Traits,
} from '@fernbank/core';
import { failsAtMonths, filledAfter, fillMonthsOf } from '../core/src/trials/garden.ts';
import type { Fate } from './fate.ts';

/**
 * What is true of a plant of the demo garden, whatever its keeper knows of it.
 *
 * Nothing of it is stored: it follows from the plant's name, what its record
 * says was done to it, and what was found when the garden's story began. Its
 * laws are those of the trials, on purpose not the decision's.
 */
export interface Life {
  name: string;
  traits: Traits;
  spot: Spot;
  pot: PotShape;
  medium: MediumKind;
  /** the last repot; null: nobody knows */
  since: IsoDate | null;
  /** what became of that repot, where the garden's own time saw it done */
  fate: Fate | null;
  /** how it stood when its story began, in the pot that it stands in now, but for what was put right since; null: potted since */
  found: { date: IsoDate; signals: Signals } | null;
  /** its height when it was last measured */
  height: { date: IsoDate; cm: number } | null;
  supportCm: number | null;
  /** what was done to it in this pot since its story began, and when last */
  done: Partial<Record<CareKind, IsoDate>>;
}

export interface Truth {
  /** share of the pot that roots fill, 0 … 1.18 */
  filled: number;
  /** age of its medium in parts of the life that it has */
  spent: number;
  /** share of its roots that live; below 0.5 it is in danger */
  liveRoots: number;
  activity: number;
  heightCm: number | null;
}

/** Of a pot whose age nobody knows. */
const FORGOTTEN_MONTHS = 20;
/** Mean activity of a year in a good place, for which the trade's months hold. */
const USUAL_ACTIVITY = 0.6;
/** Roots that show at the holes, by the share of the pot that is filled. */
const AT_HOLES = [
  { value: 'none', from: 0 },
  { value: 'one', from: 0.7 },
  { value: 'several', from: 0.82 },
  { value: 'every', from: 0.93 },
  { value: 'mat', from: 1.06 },
] as const;
const FULLEST = 1.17;

/** Luck of a plant's own for each thing asked, the same whenever it is asked. */
export function chanceOf(name: string, thing: string): () => number {
  let hash = 2_166_136_261;
  for (const letter of `${name}/${thing}`) {
    hash = Math.imul(hash ^ letter.codePointAt(0)!, 16_777_619);
  }
  return seeded(hash);
}
export const lot = (name: string, thing: string): number => chanceOf(name, thing)();
/** … spread about 1, from about 0.7 to 1.4. */
const scattered = (name: string, thing: string) => Math.exp(0.7 * (lot(name, thing) - 0.5));

/** Months of growth between two days, in those of a good year. */
function growingMonths(
  { spot, traits }: Pick<Life, 'spot' | 'traits'>,
  from: IsoDate,
  to: IsoDate,
): number {
  const days = daysBetween(from, to);
  if (days <= 0) return 0;
  const weeks = Math.ceil(days / 7);
  const { activity } = seasonAhead(spot, traits, from, weeks);
  const sum = activity.reduce(
    (total, active, week) => total + active * Math.min(7, days - week * 7),
    0,
  );
  return sum / DAYS_PER_MONTH / USUAL_ACTIVITY;
}

/** After how many months so much is filled. @param filled  from what a fresh pot has, to less than the most */
const monthsUntil = (filled: number, fillMonths: number, speed: number): number =>
  bisect((months) => filledAfter(months, fillMonths, speed) - filled, 0, 40 * fillMonths, 0.001);

function filledOn(life: Life, date: IsoDate): number {
  const { name, traits, pot, since, found } = life;
  const speed = scattered(name, 'speed');
  const fillMonths = fillMonthsOf(traits.vigour, rimCm(pot));
  const byThen = (day: IsoDate) => (since ? growingMonths(life, since, day) : FORGOTTEN_MONTHS);
  if (!found) return filledAfter(byThen(date), fillMonths, speed);
  const model = filledAfter(byThen(found.date), fillMonths, speed);
  const at = AT_HOLES.findIndex(({ value }) => value === found.signals.rootsAtHoles);
  // Where nobody looked at the holes a full pot would have been seen by other signs.
  const [low, high] = at < 0 ? [0.1, 0.9] : [AT_HOLES[at]!.from, AT_HOLES[at + 1]?.from ?? FULLEST];
  const start = Math.min(high - 0.01, Math.max(low + 0.01, model));
  const months = monthsUntil(start, fillMonths, speed) + growingMonths(life, found.date, date);
  return filledAfter(months, fillMonths, speed);
}

function spentOn({ name, medium, since, found }: Life, date: IsoDate): number {
  const days = since
    ? daysBetween(since, date)
    : FORGOTTEN_MONTHS * DAYS_PER_MONTH + (found ? daysBetween(found.date, date) : 0);
  const life = failsAtMonths(medium) * scattered(name, 'medium');
  const spent = days / DAYS_PER_MONTH / life;
  // What was packed hard when the story began had failed by then; what was fresh had not.
  const { compacted, smell } = found?.signals ?? {};
  if (compacted === true || smell === 'sour') return Math.max(1.02, spent);
  return compacted === false ? Math.min(0.98, spent) : spent;
}

/** Roots that rot go on rotting until the plant is taken out: so much of them a week. */
const LOST_PER_WEEK = 0.02;
const LEAST_ALIVE = 0.1;

function liveRootsOn({ found, fate }: Life, date: IsoDate): number {
  if (fate === 'suffers') return 0.45;
  if (found?.signals.rot !== 'roots') return 1;
  const weeks = daysBetween(found.date, date) / 7;
  return Math.max(LEAST_ALIVE, Number(found.signals.liveRoots ?? 0.4) - LOST_PER_WEEK * weeks);
}

function heightOn(life: Life, date: IsoDate): number | null {
  const { name, traits, height } = life;
  if (!height) return null;
  const months = growingMonths(life, height.date, date) * USUAL_ACTIVITY;
  return height.cm + months * usualClimb(traits) * scattered(name, 'climb');
}

/** What is true on a day. @param date  not before its story began */
export function truthOn(life: Life, date: IsoDate): Truth {
  return {
    filled: filledOn(life, date),
    spent: spentOn(life, date),
    liveRoots: liveRootsOn(life, date),
    activity: seasonAhead(life.spot, life.traits, date, 1).activity[0]!,
    heightCm: heightOn(life, date),
  };
}

/** Weeks after a repot in which nothing is seen to grow. */
const SETTLING_WEEKS = 3;
/** A bud opens after so many days, and what fades is over after so many. */
const BUD_DAYS = 21;
const FADING_DAYS = 14;
/** New tips are short for so long. */
const TIPS_START_DAYS = 35;
/** What is told of leaves is old after so many days. */
const LEAVES_TELL_DAYS = 60;

/** What was topped up or soaked through stays so for a season. */
const HOLDS_DAYS = 120;
/** A shoot that hangs a little over its support is none that has lost it. */
const HANGS_OVER_CM = 10;

/** A vine that was tied in, or led on, has lost its support only once it has grown on. */
function vinePastOn(life: Life, date: IsoDate): boolean | undefined {
  const heightCm = heightOn(life, date);
  if (heightCm === null || life.supportCm === null) return undefined;
  const { secure } = life.done;
  const tiedCm = secure === undefined ? 0 : (heightOn(life, secure) ?? 0);
  return heightCm > Math.max(life.supportCm, tiedCm) + HANGS_OVER_CM;
}

/** How far a bloom that was seen has come. */
function bloomOn({ traits, found }: Life, date: IsoDate): string {
  const then = found?.signals.bloom;
  if (!found || !then || then === 'none') return 'none';
  const stages = [
    { value: 'bud', days: BUD_DAYS },
    { value: 'open', days: 7 * traits.bloomWeeks },
    { value: 'fading', days: FADING_DAYS },
  ];
  let left = daysBetween(found.date, date);
  for (const { value, days } of stages.slice(stages.findIndex(({ value }) => value === then))) {
    if (left < days) return value;
    left -= days;
  }
  return 'none';
}

/** New tips start as the window opens, and are long some weeks on. */
function tipsOn({ spot, traits }: Life, date: IsoDate): string {
  const weeks = Math.ceil(TIPS_START_DAYS / 7);
  const before = addDays(date, -TIPS_START_DAYS);
  const { readiness } = seasonAhead(spot, traits, before, weeks + 1);
  if (readiness[weeks]! < WINDOW_READINESS) return 'none';
  return readiness[0]! < WINDOW_READINESS ? 'starting' : 'long';
}

function growthOn(life: Life, date: IsoDate, { activity, liveRoots, filled }: Truth): string {
  const fresh = life.since !== null && daysBetween(life.since, date) < 7 * SETTLING_WEEKS;
  if (liveRoots < 0.5) return 'stalled';
  if (fresh || life.fate === 'holdsOn' || activity < 0.35) return 'slow';
  return activity > 0.75 && filled < 1.05 ? 'vigorous' : 'normal';
}

/**
 * What a careful look without taking the plant out of its pot finds on a day,
 * whole: asked again that day it finds the same.
 */
export function lookOn(life: Life, date: IsoDate): Signals {
  const truth = truthOn(life, date);
  const { filled, spent, liveRoots } = truth;
  const { traits, found, medium, since, done } = life;
  const was = found?.signals ?? {};
  const since0 = found ? daysBetween(found.date, date) : Infinity;
  const ill = liveRoots < 0.5;
  /** What is put right holds for a while. */
  const lately = (deed: CareKind) =>
    done[deed] !== undefined && daysBetween(done[deed], date) < HOLDS_DAYS;
  const firm = since !== null && !found;
  const all: Record<string, SignalValue | undefined> = {
    rootsAtHoles: [...AT_HOLES].reverse().find(({ from }) => filled >= from)!.value,
    rootsOnTop: was.rootsOnTop,
    growthAtWall: was.growthAtWall,
    emptySide: was.emptySide,
    wobble: firm ? 'no' : (was.wobble ?? 'no'),
    driesSooner: filled > 0.93 || (filled < 0.8 ? false : was.driesSooner),
    waterRunsThrough:
      was.waterRunsThrough === true || (!lately('soak') && (filled > 1.04 || spent > 1.25)),
    staysWetLonger: ill || was.staysWetLonger === true || spent > 1.15,
    compacted: spent > 1,
    mediumSunk: was.mediumSunk === true || (!lately('topDress') && spent > 0.9),
    smell: ill || spent > 1.45 ? 'sour' : 'fresh',
    saltCrust: was.saltCrust,
    algae: was.algae,
    growth: growthOn(life, date, truth),
    newLeaves: filled > 1 || spent > 1.2 ? 'smaller' : 'same',
    oldLeavesYellowing:
      (since0 < LEAVES_TELL_DAYS && was.oldLeavesYellowing === true) || spent > 1.3 || ill,
    limp: ill,
    vinePastSupport: vinePastOn(life, date),
    bloom: bloomOn(life, date),
    resting: truth.activity < 0.2,
    newRootTips: ill ? 'none' : tipsOn(life, date),
    pests: since0 < LEAVES_TELL_DAYS ? (was.pests ?? 'none') : 'none',
  };
  const months = since ? daysBetween(since, date) / DAYS_PER_MONTH : null;
  const kept = { traits, medium: { kind: medium } };
  return Object.fromEntries(
    Object.entries(all).filter(([id, value]) => value !== undefined && canShow(id, kept, months)),
  ) as Signals;
}
