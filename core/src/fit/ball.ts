import { clamp } from '../number/index.ts';
import { fillL, rimCm } from '../pots/index.ts';
import { exploredAfter, readRoots, type RootFindings } from '../roots/index.ts';
import { WORK_BY_MEDIUM, type Situation } from '../decide/index.ts';
import { monthsBetween } from '../season/index.ts';

/** The root ball that has to go into the new pot. */
export interface RootBall {
  /** room it takes with the old medium that stays on it, L */
  displacesL: number;
  /** share of the old pot that its live roots explore, 0 … 1.15 */
  explored: number;
  /** share of roots alive, 0 … 1 */
  live: number;
  /** the ball keeps the old pot's shape: a narrower pot will not take it */
  keepsShape: boolean;
  widthCm: number;
  heightCm: number;
}

/** Share of the old fill that still stands as one body after the work. @source common practice, no source */
const STAYS = { ballKept: 0.95, mostOff: 0.5, bareRoot: 0.2 } as const;

/** Share explored right after a pot-up by one size, from which growth is counted. */
const EXPLORED_AT_START = 0.5;
const UNKNOWN_EXPLORED = 0.75;
/** Live share assumed when rot was seen but the roots were not judged. */
const LIVE_WITH_ROT = 0.5;

/** Share of the pot that roots explore now: by what was seen, else by time. */
export function exploredNow(situation: Situation, meanActivity: number): number {
  const seen = readRoots(situation.signals as RootFindings) ?? situation.roots;
  if (seen) return clamp(seen.explored, 0.05, 1.14);
  if (situation.lastRepot === null) return UNKNOWN_EXPLORED;
  const months = monthsBetween(situation.lastRepot, situation.date);
  return exploredAfter(EXPLORED_AT_START, situation.traits.vigour, months * meanActivity);
}

export function rootBall(situation: Situation, meanActivity: number): RootBall {
  const { pot, signals, medium } = situation;
  const work = WORK_BY_MEDIUM[medium.kind];
  const rotten = signals.rot === 'roots' || signals.rot === 'stem';
  const live =
    typeof signals.liveRoots === 'number' ? signals.liveRoots : rotten ? LIVE_WITH_ROT : 1;
  return {
    displacesL: fillL(pot) * STAYS[work] * (0.3 + 0.7 * live),
    explored: exploredNow(situation, meanActivity) * live,
    live,
    keepsShape: work === 'ballKept' && live > LIVE_WITH_ROT,
    widthCm: rimCm(pot),
    heightCm: pot.heightCm,
  };
}
