import { logistic } from '../number/index.ts';
import { DAYS_PER_MONTH, WINDOW_READINESS } from '../season/index.ts';
import {
  DANGER_ACTS,
  DANGER_OPENS,
  ELECTIVE_FROM,
  HARM_PER_WEEK,
  HORIZON_WEEKS,
  LEAVE_AFTER_WEEKS,
  PRIOR_DANGER,
  PRIOR_UNSTABLE,
  SAME_SEASON_WEEKS,
  SUSPICION_FADES_WEEKS,
  WHEN_SCHOOLS,
  WORK,
  WORTH_WAITING,
  type WhenSchool,
} from './costs.ts';
import { freshCycle, harmByAge } from './freshCycle.ts';
import { crowdedPrior, mediumPrior, snugLogOdds, type Frame } from './frame.ts';
import type { State } from './signals.ts';

export type VerdictKind = 'rescueNow' | 'repotNow' | 'repotInWeek' | 'refreshOnly' | 'leave';
export type Sums = Readonly<Record<State, number>>;

/** What the choice of a week rests on, beside what findings say of the states. */
export interface Plan extends SchoolPlan {
  frame: Frame;
  disturbing: Float64Array;
}

const LONGEST_CYCLE_WEEKS = 312;
/** A window that never opens fully is taken by its own best. */
const OPEN_SHARE_OF_BEST = 0.8;
const WEEKS_PER_MONTH = DAYS_PER_MONTH / 7;

/** The parts of a plan that findings cannot change. */
export interface SchoolPlan {
  /** weeks in which the school allows a disturbance without danger */
  open: boolean[];
  /** long-run cost per week of this plant in a fresh pot */
  freshPerWeek: number;
  freshCycleWeeks: number;
}

export function schoolPlan(frame: Frame, school: WhenSchool): SchoolPlan {
  const { closedWeeks, outOfSeason } = WHEN_SCHOOLS[school];
  const threshold = Math.min(WINDOW_READINESS, frame.bestReadiness * OPEN_SHARE_OF_BEST);
  const renewal = frame.disturbance * (1 + outOfSeason * (1 - frame.bestReadiness)) + WORK;
  const { perWeek, atWeeks } = freshCycle(renewal, freshHarm(frame));
  return {
    open: frame.season.readiness.map((readiness) => !closedWeeks || readiness >= threshold),
    freshPerWeek: perWeek,
    freshCycleWeeks: atWeeks,
  };
}

/** Kept for a frame and all that share its priors: schools differ in what a repot costs, not in the harm. */
const freshHarms = new WeakMap<Float64Array, Float64Array>();

/** Harm of this plant in a fresh pot, by its age. */
function freshHarm(frame: Frame): Float64Array {
  const before = freshHarms.get(frame.priorCrowded);
  if (before) return before;
  const harmCrowded = average(frame.harmCrowded);
  const harmMedium = average(frame.harmMedium);
  const snug = snugLogOdds(frame.situation.traits);
  const harm = harmByAge((week) => {
    const months = week / WEEKS_PER_MONTH;
    return (
      harmCrowded * logistic(crowdedPrior(months, frame.monthsToFill) + snug) +
      harmMedium * logistic(mediumPrior(months, frame.life.months))
    );
  }, LONGEST_CYCLE_WEEKS);
  freshHarms.set(frame.priorCrowded, harm);
  return harm;
}

function average(values: Float64Array): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

const BASE_DANGER = logistic(PRIOR_DANGER);
const BASE_UNSTABLE = logistic(PRIOR_UNSTABLE);

/** What is left of today's suspicion of danger in each week. */
const FADING = Float64Array.from({ length: HORIZON_WEEKS }, (_, week) =>
  Math.exp(-week / SUSPICION_FADES_WEEKS),
);

/**
 * Harm per week of the two states that time alone does not bring, above what
 * any plant runs: the ordinary risk is the same in the old pot and in a new one.
 */
function excessHarm({ priorDanger }: Frame, sums: Sums): { danger: number; unstable: number } {
  const danger = logistic(priorDanger + sums.danger) - BASE_DANGER;
  const unstable = logistic(PRIOR_UNSTABLE + sums.unstable) - BASE_UNSTABLE;
  return {
    danger: HARM_PER_WEEK.danger.harm * Math.max(0, danger),
    unstable: HARM_PER_WEEK.unstable.harm * Math.max(0, unstable),
  };
}

/** Probability of each state in a week. */
export function statesIn({ frame }: Plan, sums: Sums, week: number): Record<State, number> {
  return {
    crowded: logistic(frame.priorCrowded[week]! + sums.crowded),
    mediumFailing: logistic(frame.priorMedium[week]! + sums.mediumFailing),
    danger: logistic(frame.priorDanger + sums.danger),
    unstable: logistic(PRIOR_UNSTABLE + sums.unstable),
  };
}

/** Expected harm of each week, while nothing is done. */
export function harmByWeek({ frame }: Plan, sums: Sums): Float64Array {
  const { harmCrowded, harmMedium, againstCrowded, againstMedium } = frame;
  const { danger, unstable } = excessHarm(frame, sums);
  // logistic(prior + sum) = 1 / (1 + e^−prior · e^−sum)
  const crowded = Math.exp(-sums.crowded);
  const medium = Math.exp(-sums.mediumFailing);
  const harm = new Float64Array(HORIZON_WEEKS);
  for (let week = 0; week < HORIZON_WEEKS; week++) {
    harm[week] =
      unstable +
      danger * FADING[week]! +
      harmCrowded[week]! / (1 + againstCrowded[week]! * crowded) +
      harmMedium[week]! / (1 + againstMedium[week]! * medium);
  }
  return harm;
}

/** The best week and what each week would cost. */
export interface Optimum {
  week: number;
  cost: number;
  /** cost of acting in `from`, the first week considered */
  costNow: number;
}

/**
 * The week that minimises disturbing(w) + waiting(w) + g·(104 − w), where g is
 * the cost per week of the fresh cycle that a repot starts.
 *
 * @param from  first week that may still be chosen; harm before it is spent anyway
 */
export function optimum(plan: Plan, sums: Sums, from = 0): Optimum {
  const { disturbing, open, freshPerWeek } = plan;
  const { harmCrowded, harmMedium, againstCrowded, againstMedium } = plan.frame;
  const { danger, unstable } = excessHarm(plan.frame, sums);
  const crowded = Math.exp(-sums.crowded);
  const medium = Math.exp(-sums.mediumFailing);
  const allOpen = logistic(plan.frame.priorDanger + sums.danger) >= DANGER_OPENS;
  let waiting = 0;
  const last = HORIZON_WEEKS;
  let bestWeek = last;
  let bestCost = Infinity;
  let costNow = Infinity;
  for (let week = from; week <= last; week++) {
    const cost = disturbing[week]! + waiting + freshPerWeek * (last - week);
    if (week === from) costNow = cost;
    if (cost < bestCost && (allOpen || open[week]! || week === last)) {
      bestWeek = week;
      bestCost = cost;
    }
    // The harm of harmByWeek, in place: this loop runs some hundred times for one verdict.
    if (week < last) {
      waiting +=
        unstable +
        danger * FADING[week]! +
        harmCrowded[week]! / (1 + againstCrowded[week]! * crowded) +
        harmMedium[week]! / (1 + againstMedium[week]! * medium);
    }
  }
  return { week: bestWeek, cost: bestCost, costNow };
}

/** Cost of acting in one given week, on the same account as `optimum`. */
export function costOfWeek(plan: Plan, sums: Sums, week: number, from = 0): number {
  const { harmCrowded, harmMedium, againstCrowded, againstMedium } = plan.frame;
  const { danger, unstable } = excessHarm(plan.frame, sums);
  const crowded = Math.exp(-sums.crowded);
  const medium = Math.exp(-sums.mediumFailing);
  let waiting = 0;
  for (let i = from; i < week; i++) {
    waiting +=
      unstable +
      danger * FADING[i]! +
      harmCrowded[i]! / (1 + againstCrowded[i]! * crowded) +
      harmMedium[i]! / (1 + againstMedium[i]! * medium);
  }
  return plan.disturbing[week]! + waiting + plan.freshPerWeek * (HORIZON_WEEKS - week);
}

/** Whether any state is likely enough in a week for a keeper to lift the plant at all. */
function isNeeded(plan: Plan, sums: Sums, week: number): boolean {
  const { danger, ...elective } = statesIn(plan, sums, Math.min(week, HORIZON_WEEKS));
  return danger >= DANGER_OPENS || Object.values(elective).some((share) => share >= ELECTIVE_FROM);
}

/** The verdict that an optimum stands for, lesser acts aside. */
export function kindOf(plan: Plan, sums: Sums, best: Optimum): Exclude<VerdictKind, 'refreshOnly'> {
  if (logistic(plan.frame.priorDanger + sums.danger) >= DANGER_ACTS) return 'rescueNow';
  if (!isNeeded(plan, sums, best.week)) return 'leave';
  if (best.week <= 1) return 'repotNow';
  const soon = best.week <= SAME_SEASON_WEEKS;
  if (soon && plan.open[0] && best.costNow - best.cost < WORTH_WAITING) return 'repotNow';
  return best.week > LEAVE_AFTER_WEEKS ? 'leave' : 'repotInWeek';
}
