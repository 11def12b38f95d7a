import { clamp, within } from '../number/index.ts';
import { fillL, footprintAt, halfWidthCm, rimCm, usualHeadspaceCm } from '../pots/index.ts';
import {
  exploredAfter,
  EXPLORED_AT_START,
  monthsToFill,
  readRoots,
  rootPace,
  TYPICAL_PACE,
  type RootFindings,
  type RootPace,
  type RootReading,
} from '../roots/index.ts';
import { workFor, type MoveTo, type Situation } from '../decide/index.ts';
import { monthsBetween } from '../season/index.ts';

/** What is done to the roots beside taking off old medium. */
export interface RootCuts {
  /** pieces that the plant is divided into, 1 = not divided */
  pieces: number;
  rootsPruned: boolean;
}
export const NO_CUTS: RootCuts = { pieces: 1, rootsPruned: false };

/** The root ball that has to go into the new pot. */
export interface RootBall {
  /** how much of the old medium comes off */
  work: ReturnType<typeof workFor>;
  /** room it takes with the old medium that stays on it, L */
  displacesL: number;
  /** share of the old pot that its live roots explore, 0 … 1.15 */
  explored: number;
  exploredSd: number;
  /** share of roots alive, 0 … 1 */
  live: number;
  /** roots were seen to hold less than half of the ball: loose medium falls away from them */
  loose: boolean;
  /** the ball keeps the old pot's shape: a narrower pot will not take it */
  keepsShape: boolean;
  /** across its top */
  widthCm: number;
  baseWidthCm: number;
  heightCm: number;
  /** how fast this plant's roots fill a pot */
  pace: RootPace;
}

/** Share of the old fill that still stands as one body after the work. @source common practice, no source */
export const BALL_STAYS = { ballKept: 0.95, mostOff: 0.5, bareRoot: 0.2 } as const;
/** Share of the roots that a usual pruning leaves. @source common practice, no source */
const AFTER_PRUNING = 0.67;

const UNKNOWN: RootReading = { explored: 0.75, sd: 0.2 };
const BY_TIME_SD = 0.15;
/** Live share assumed when rot was seen but the roots were not judged. */
const LIVE_WITH_ROT = 0.5;
const MOST_PIECES = 20;
/** Roots that cover less of the ball do not hold it together. @source common practice, no source */
const LOOSE_BELOW = 0.5;

/** Share of the pot that roots explore now, and this plant's own pace. */
function rootsNow(situation: Situation, meanActivity: number): RootReading & { pace: RootPace } {
  const { traits, lastRepot, date, pot } = situation;
  const toFill = monthsToFill(traits.vigour, rimCm(pot), situation.together);
  const seen = readRoots(situation.signals as RootFindings) ?? situation.roots ?? null;
  const months = lastRepot === null ? null : monthsBetween(lastRepot, date);
  const before = situation.learned?.pace ?? TYPICAL_PACE;
  const pace = months === null ? before : rootPace(seen, months, meanActivity, toFill, before);
  if (seen) return { explored: clamp(seen.explored, 0.05, 1.14), sd: seen.sd, pace };
  if (months === null) return { ...UNKNOWN, pace };
  const explored = exploredAfter(EXPLORED_AT_START, toFill, months * meanActivity * before.factor);
  return { explored, sd: BY_TIME_SD, pace };
}

/**
 * The ball as it will be when the new pot stands ready.
 *
 * @param to  what it moves into
 * @throws RangeError for a number of pieces that is none
 */
export function rootBall(
  situation: Situation,
  meanActivity: number,
  { pieces, rootsPruned }: RootCuts = NO_CUTS,
  to: Pick<MoveTo, 'newKind' | 'mound'> = {},
): RootBall {
  within('pieces', pieces, 1, MOST_PIECES);
  const { pot, signals } = situation;
  const work = workFor(situation, { ...to, pieces, rootsPruned });
  const rotten = signals.rot === 'roots' || signals.rot === 'stem';
  const live =
    typeof signals.liveRoots === 'number' ? signals.liveRoots : rotten ? LIVE_WITH_ROT : 1;
  const left = (rootsPruned ? AFTER_PRUNING : 1) / pieces;
  const { explored, sd, pace } = rootsNow(situation, meanActivity);
  const loose = typeof signals.ballCover === 'number' && signals.ballCover < LOOSE_BELOW;
  // The ball is as large as its roots where the rest falls away.
  const stays = loose ? Math.min(BALL_STAYS[work], explored) : BALL_STAYS[work];
  const displacesL = fillL(pot) * stays * (0.3 + 0.7 * live) * left;
  const scale = Math.cbrt(displacesL / fillL(pot));
  const oldFill = pot.heightCm - usualHeadspaceCm(pot);
  return {
    work,
    displacesL,
    explored: explored * live * left,
    exploredSd: sd * live * left,
    live,
    loose,
    keepsShape: work === 'ballKept' && !loose && live > LIVE_WITH_ROT && left === 1,
    widthCm: 2 * halfWidthCm(pot, oldFill) * scale,
    baseWidthCm: 2 * footprintAt(pot, 0).lengthCm * scale,
    heightCm: oldFill * scale,
    pace,
  };
}
