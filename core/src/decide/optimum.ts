import { clamp, logistic } from '../number/index.ts';
import { WEEKS_PER_MONTH, WINDOW_READINESS } from '../season/index.ts';
import {
  DANGER_ACTS,
  DANGER_OPENS,
  ELECTIVE_FROM,
  HARM_PER_WEEK,
  HORIZON_WEEKS,
  LEAVE_AFTER_WEEKS,
  MOMENT_FROM,
  PLANNED_FROM,
  PRIOR_DANGER,
  PRIOR_TOO_WET,
  PRIOR_UNSTABLE,
  SURE_FROM,
  SUSPICION_FADES_WEEKS,
  TIPS_STARTING,
  WEEKS_OF_GROWTH,
  WINDOW_MARGIN_WEEKS,
  WINDOW_REACH_WEEKS,
  WORK,
  WORSENS,
} from './costs.ts';
import { freshCycle } from './freshCycle.ts';
import { corrected } from './corrected.ts';
import { crowdedPrior, dueMonths, mediumPrior, snugLogOdds, type Frame } from './frame.ts';
import type { State } from './signals.ts';
import { SCHOOLS, type Schools } from '../schools/index.ts';

export type VerdictKind = 'rescueNow' | 'repotNow' | 'repotInWeek' | 'refreshOnly' | 'leave';
export type Sums = Readonly<Record<State, number>>;

/** What the choice of a week rests on, beside what findings say of the states. */
export interface Plan extends SchoolPlan {
  frame: Frame;
  disturbing: Float64Array;
  /** new root tips are just starting */
  moment: boolean;
}

/** No cheapest cycle is longer than so many terms of pot or medium, nor than 15 years. */
const LONGEST_CYCLE = { terms: 3, leastWeeks: 156, mostWeeks: 780 } as const;
/** A window that never opens fully is taken by its own best. */
const OPEN_SHARE_OF_BEST = 0.8;

/** The parts of a plan that findings cannot change. */
export interface SchoolPlan {
  /** weeks in which the school allows a disturbance without danger */
  open: boolean[];
  /** long-run cost per week of this plant in a fresh pot */
  freshPerWeek: number;
  freshCycleWeeks: number;
  /** a repot of this plant in its best season */
  renewal: number;
}

export function schoolPlan(frame: Frame, school: Schools['when']): SchoolPlan {
  const { closedWeeks, outOfSeason } = SCHOOLS.when.options[school];
  const threshold = Math.min(WINDOW_READINESS, frame.bestReadiness * OPEN_SHARE_OF_BEST);
  const renewal = frame.disturbance * (1 + outOfSeason * (1 - frame.bestReadiness)) + WORK;
  const { perWeek, atWeeks } = cycleInFreshPot(frame, renewal);
  return {
    open: frame.season.readiness.map((readiness) => !closedWeeks || readiness >= threshold),
    freshPerWeek: perWeek,
    freshCycleWeeks: atWeeks,
    renewal,
  };
}

/**
 * What a state does to a plant, in parts of its harm when it is sure to hold:
 * the chance that it holds, and more the further it has gone.
 */
export const severity = (logOdds: number): number =>
  logistic(logOdds) + WORSENS * Math.max(0, logOdds);

function cycleInFreshPot(frame: Frame, renewal: number): ReturnType<typeof freshCycle> {
  const harmCrowded = average(frame.harmCrowded);
  const harmMedium = average(frame.harmMedium);
  const snug = snugLogOdds(frame.situation.traits);
  const due = dueMonths(frame);
  const by = frame.situation.learned?.corrections;
  const terms = Math.max(frame.monthsToFill, due ?? 0) * WEEKS_PER_MONTH;
  const { leastWeeks, mostWeeks } = LONGEST_CYCLE;
  const longest = Math.round(clamp(LONGEST_CYCLE.terms * terms, leastWeeks, mostWeeks));
  const harm = (week: number) => {
    const months = week / WEEKS_PER_MONTH;
    return (
      harmCrowded *
        severity(corrected(by?.crowded, crowdedPrior(months, frame.monthsToFill) + snug)) +
      harmMedium * severity(corrected(by?.mediumFailing, mediumPrior(months, due)))
    );
  };
  return freshCycle(renewal, harm, longest);
}

function average(values: Float64Array): number {
  return values.reduce((sum, value) => sum + value, 0) / values.length;
}

const BASE_DANGER = logistic(PRIOR_DANGER);
const BASE_UNSTABLE = logistic(PRIOR_UNSTABLE);
const BASE_TOO_WET = logistic(PRIOR_TOO_WET);

/** What is left of today's suspicion of danger in each week. */
const FADING = Float64Array.from({ length: HORIZON_WEEKS + 1 }, (_, week) =>
  Math.exp(-week / SUSPICION_FADES_WEEKS),
);

/** Harm per week of the states that time alone does not bring: one that stays, one that fades. */
interface Excess {
  stays: number;
  fades: number;
}

/**
 * Above what any plant runs: the ordinary risk is the same in the old pot and
 * in a new one. A plant in danger shows it before long, and roots grow into
 * what was too wet for them: a suspicion that is not confirmed fades.
 */
function excessHarm({ priorDanger, priorTooWet }: Frame, sums: Sums): Excess {
  const over = (state: 'danger' | 'unstable' | 'tooWet', prior: number, base: number) =>
    HARM_PER_WEEK[state].harm * Math.max(0, logistic(prior + sums[state]) - base);
  return {
    stays: over('unstable', PRIOR_UNSTABLE, BASE_UNSTABLE),
    fades: over('danger', priorDanger, BASE_DANGER) + over('tooWet', priorTooWet, BASE_TOO_WET),
  };
}

/** Cost of a repot in each week, whether it may be then, and the harm of the week, as `reckon` left them. */
const COST = new Float64Array(HORIZON_WEEKS + 1);
const MAY = new Uint8Array(HORIZON_WEEKS + 1);
const HARM = new Float64Array(HORIZON_WEEKS + 1);

/**
 * Reckons every week: disturbing(w) + waiting(w) + g·(104 − w),
 * where g is the cost per week of the fresh cycle that a repot starts. A week
 * may be chosen when the school leaves it open and some state is likely enough.
 *
 * It writes into the same three rows over and over, for it is asked some
 * hundred times for one verdict.
 */
function reckon(
  { disturbing, open, freshPerWeek, frame, moment, renewal }: Plan,
  sums: Sums,
): void {
  const { harmCrowded, harmMedium, againstCrowded, againstMedium, priorCrowded, priorMedium } =
    frame;
  const { stays, fades } = excessHarm(frame, sums);
  const danger = logistic(frame.priorDanger + sums.danger);
  const allOpen = danger >= DANGER_OPENS;
  // What rocks is staked; nobody lifts a plant for that alone.
  const noOther = 1 - logistic(frame.priorTooWet + sums.tooWet);
  const fine = (1 - ELECTIVE_FROM) / noOther;
  const fineNow = (1 - MOMENT_FROM) / noOther;
  // logistic(prior + sum) = 1 / (1 + e^−prior · e^−sum): no exponential per week.
  const crowded = Math.exp(-sums.crowded);
  const medium = Math.exp(-sums.mediumFailing);
  let waiting = 0;
  for (let week = 0; week <= HORIZON_WEEKS; week++) {
    // Odds against either; one division gives both chances, and that neither holds.
    const roomy = againstCrowded[week]! * crowded;
    const sound = againstMedium[week]! * medium;
    const both = 1 / ((1 + roomy) * (1 + sound));
    const overfull = priorCrowded[week]! + sums.crowded;
    const overdue = priorMedium[week]! + sums.mediumFailing;
    const harm =
      stays +
      fades * FADING[week]! +
      harmCrowded[week]! * ((1 + sound) * both + (overfull > 0 ? WORSENS * overfull : 0)) +
      harmMedium[week]! * ((1 + roomy) * both + (overdue > 0 ? WORSENS * overdue : 0));
    // The last week stands for “not within two years”: then in its best season, whenever that is.
    const repot = week === HORIZON_WEEKS ? renewal : disturbing[week]!;
    COST[week] = repot + waiting + freshPerWeek * (HORIZON_WEEKS - week);
    const most = moment && week < TIPS_STARTING.weeks ? fineNow : fine;
    MAY[week] = allOpen || (open[week]! && roomy * sound * both <= most) ? 1 : 0;
    HARM[week] = harm;
    waiting += harm;
  }
}

/** Chance that some state holds for which a plant is lifted when its season comes. */
export const electiveShare = ({ crowded, mediumFailing, tooWet }: Record<State, number>): number =>
  1 - (1 - crowded) * (1 - mediumFailing) * (1 - tooWet);

/** Probability of each state in a week. */
export function statesIn(
  { frame }: Pick<Plan, 'frame'>,
  sums: Sums,
  week: number,
): Record<State, number> {
  return {
    crowded: logistic(frame.priorCrowded[week]! + sums.crowded),
    mediumFailing: logistic(frame.priorMedium[week]! + sums.mediumFailing),
    danger: logistic(frame.priorDanger + sums.danger),
    tooWet: logistic(frame.priorTooWet + sums.tooWet),
    unstable: logistic(PRIOR_UNSTABLE + sums.unstable),
  };
}

/** Expected harm of each week, while nothing is done. */
export function harmByWeek(plan: Plan, sums: Sums): Float64Array {
  reckon(plan, sums);
  return HARM.slice(0, HORIZON_WEEKS);
}

/** The best week and what each week would cost. */
export interface Optimum {
  week: number;
  cost: number;
  /** cost of acting in the week that was asked about */
  costAsked: number;
}

/**
 * The week in which a repot costs least, of those in which it may be.
 *
 * @param asked  a week whose cost is wanted beside it
 */
export function optimum(plan: Plan, sums: Sums, asked = 0): Optimum {
  reckon(plan, sums);
  let week = HORIZON_WEEKS;
  let cost = COST[HORIZON_WEEKS]!;
  for (let each = HORIZON_WEEKS - 1; each >= 0; each--) {
    if (MAY[each] === 1 && COST[each]! <= cost) {
      week = each;
      cost = COST[each]!;
    }
  }
  return { week, cost, costAsked: COST[asked]! };
}

/** The best week of all that are left from each week on, and what each week costs. */
export interface OptimaAhead {
  week: Uint8Array;
  cost: Float64Array;
}

/**
 * As `optimum`, for every first week at once: what was spent before it is the same for all that
 * follow, so that one reckoning tells which of them is best.
 */
export function optimaAhead(plan: Plan, sums: Sums): OptimaAhead {
  reckon(plan, sums);
  const week = new Uint8Array(HORIZON_WEEKS + 1);
  let best = HORIZON_WEEKS;
  week[HORIZON_WEEKS] = best;
  for (let each = HORIZON_WEEKS - 1; each >= 0; each--) {
    if (MAY[each] === 1 && COST[each]! <= COST[best]!) best = each;
    week[each] = best;
  }
  return { week, cost: COST.slice() };
}

/** Weeks that cost little more than the best, the first and the last of them. */
export interface WeekSpan {
  from: number;
  best: number;
  to: number;
}

/**
 * The weeks about the best one in which a repot costs hardly more.
 *
 * They hang together: a week beyond a closed one is another window.
 */
export function windowOf(plan: Plan, sums: Sums, best: Optimum): WeekSpan {
  const most = best.cost + WINDOW_MARGIN_WEEKS / WEEKS_OF_GROWTH;
  const first = Math.max(0, best.week - WINDOW_REACH_WEEKS);
  const last = Math.min(HORIZON_WEEKS, best.week + WINDOW_REACH_WEEKS);
  reckon(plan, sums);
  const fits = (week: number) => MAY[week] === 1 && COST[week]! <= most;
  let [from, to] = [best.week, best.week];
  while (from > first && fits(from - 1)) from--;
  while (to < last && fits(to + 1)) to++;
  return { from, best: best.week, to };
}

/** The verdict that an optimum stands for, lesser acts aside. */
export function kindOf(plan: Plan, sums: Sums, best: Optimum): Exclude<VerdictKind, 'refreshOnly'> {
  if (logistic(plan.frame.priorDanger + sums.danger) >= DANGER_ACTS) return 'rescueNow';
  const now = statesIn(plan, sums, 0);
  const sure = electiveShare(now) >= SURE_FROM;
  if (best.week > LEAVE_AFTER_WEEKS[sure ? 'sure' : 'usual']) return 'leave';
  if (best.week <= 1 || windowOf(plan, sums, best).from === 0) return 'repotNow';
  const suspected = now.danger >= DANGER_OPENS || electiveShare(now) >= PLANNED_FROM;
  return suspected ? 'repotInWeek' : 'leave';
}
