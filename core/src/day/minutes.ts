import { positive } from '../number/index.ts';
import {
  stepRow,
  WORK_KIND_IDS,
  type Step,
  type StepId,
  type WorkKind,
} from '../procedures/index.ts';

/** The keeper's own pace: minutes taken against typical ones, and from how many timed steps. */
export type Pace = Record<WorkKind, { factor: number; from: number }>;
export const TYPICAL_HANDS: Pace = Object.fromEntries(
  WORK_KIND_IDS.map((kind) => [kind, { factor: 1, from: 0 }]),
) as Pace;

const USUAL_POT_L = 3;
/** Work grows with the size of the ball, less than its volume does. @source common practice, no source */
const BY_VOLUME = 0.4;
const SIZE_LIMITS = { least: 0.35, most: 4 } as const;

/** Hands on one step, minutes. @param potL  litres of the new pot, > 0 */
export function stepMinutes(step: StepId, potL: number, pace: Pace = TYPICAL_HANDS): number {
  positive('potL', potL);
  const { work, minutes, grows } = stepRow(step);
  const size = Math.min(
    SIZE_LIMITS.most,
    Math.max(SIZE_LIMITS.least, (potL / USUAL_POT_L) ** BY_VOLUME),
  );
  return minutes * (grows ? size : 1) * pace[work].factor;
}

/** Fetching a plant, its pot and its sheet. @source common practice, no source */
const FETCH_MINUTES = 1.5;
/** Done once for a whole batch, and counted there. */
const BY_BATCH: readonly StepId[] = ['soakComponents', 'preWet'];

/**
 * Hands on one plant, minutes; a step for two people counts twice.
 *
 * @param steps  of its procedure
 */
export function plantMinutes(steps: readonly Step[], potL: number, pace = TYPICAL_HANDS): number {
  return steps.reduce(
    (sum, { id, hands = 1 }) =>
      BY_BATCH.includes(id) ? sum : sum + hands * stepMinutes(id, potL, pace),
    FETCH_MINUTES,
  );
}

/** What each doubling of how often a thing was done leaves of its minutes. @source common practice, no source */
const DOUBLING_LEAVES = 0.88;
/** Hands do not grow quicker for ever. @source common practice, no source */
const QUICKEST = 0.6;

/**
 * Share of its first minutes that handwork takes when it is done for the n-th
 * time running: it falls by the same share with each doubling of n.
 *
 * @param n  1 …
 * @source T. P. Wright, “Factors affecting the cost of airplanes”, J. Aeronaut. Sci. 3 (1936): y = x^log₂(share)
 */
export const practisedShare = (n: number): number =>
  Math.max(QUICKEST, positive('n', n) ** Math.log2(DOUBLING_LEAVES));

/** The same, on average over `count` pieces of one sitting; 1 for none. */
export function meanPractisedShare(count: number): number {
  if (count < 1) return 1;
  let sum = 0;
  for (let n = 1; n <= count; n++) sum += practisedShare(n);
  return sum / count;
}

/** The longest soak that a procedure begins with, while hands turn to others, minutes. */
export function soakMinutes(steps: readonly Step[]): number {
  return Math.max(
    0,
    ...steps.filter(({ id }) => id === 'soakToLoosen').map(({ timer }) => timer?.minutes ?? 0),
  );
}

/** A step as it was timed at the bench. */
export interface TimedStep {
  step: StepId;
  minutes: number;
}

/** Longer than this between two ticks, hands were elsewhere. @source common practice, no source */
const BREAK_MINUTES = 30;
const LEAST_MINUTES = 0.05;

/**
 * Minutes of hands from the ticks at one plant. What follows a long pause, and
 * what is a wait by itself, says nothing of hands.
 *
 * @param startedAt  ms since 1970
 * @param doneAt  when each step was ticked, ms since 1970
 */
export function timedSteps(
  startedAt: number,
  doneAt: Partial<Record<StepId, number>>,
): TimedStep[] {
  const ticks = (Object.entries(doneAt) as [StepId, number][]).sort((a, b) => a[1] - b[1]);
  return ticks.flatMap(([step, at], i) => {
    const since = Math.max(startedAt, i === 0 ? startedAt : ticks[i - 1]![1]);
    const minutes = (at - since) / 60_000;
    const speaks = minutes >= LEAST_MINUTES && minutes <= BREAK_MINUTES && !stepRow(step).waits;
    return speaks && stepRow(step).minutes > 0 ? [{ step, minutes }] : [];
  });
}

/** Spread of keepers round the table, and of one keeper's steps round their own pace, of log minutes. */
const SPREAD = { keepers: 0.5, steps: 0.7 } as const;

/**
 * The keeper's own pace from timed steps, kind by kind, starting from typical
 * minutes: a few steps move it a little, many settle it.
 *
 * @source posterior mean of a normal with known spreads (log minutes); spreads: common practice, no source
 */
export function learnPace(timed: readonly (TimedStep & { potL: number })[]): Pace {
  const sums = Object.fromEntries(
    WORK_KIND_IDS.map((kind) => [kind, { log: 0, count: 0 }]),
  ) as Record<WorkKind, { log: number; count: number }>;
  for (const { step, minutes, potL } of timed) {
    const usual = stepMinutes(step, potL);
    if (usual <= 0 || minutes <= 0) continue;
    const sum = sums[stepRow(step).work];
    sum.log += Math.log(minutes / usual);
    sum.count += 1;
  }
  const ratio = (SPREAD.steps / SPREAD.keepers) ** 2;
  return Object.fromEntries(
    WORK_KIND_IDS.map((kind) => {
      const { log, count } = sums[kind];
      return [kind, { factor: Math.exp(log / (count + ratio)), from: count }];
    }),
  ) as Pace;
}
