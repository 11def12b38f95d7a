import { clamp, logistic } from '../number/index.ts';
import { crowdedAt, exploredAfter, MONTHS_TO_FILL } from '../roots/index.ts';
import { DAYS_PER_MONTH, monthsBetween, seasonAhead, type SeasonAhead } from '../season/index.ts';
import {
  CROWDED_SLOPE,
  DISTURBANCE,
  FRAGILITY,
  HARM_PER_WEEK,
  HORIZON_WEEKS,
  MEDIUM_SLOPE,
  OLD_MEDIUM_SCHOOLS,
  PRIOR_DANGER,
  PRIOR_HIGH,
  PRIOR_LOW,
  SNUG_HARM,
  SPENT_MEDIUM_DANGER,
  SNUG_LOG_ODDS,
  UNKNOWN_AGE,
  WORK_BY_MEDIUM,
  type OldMediumSchool,
} from './costs.ts';
import {
  asLearned,
  blendOf,
  mediumLife,
  meanTemperatureC,
  type MediumLife,
  type Situation,
} from './situation.ts';

/**
 * What of a situation does not depend on findings or schools: worked out once,
 * so that hundreds of what-ifs cost little.
 */
export interface Frame {
  situation: Situation;
  season: SeasonAhead;
  meanActivity: number;
  bestReadiness: number;
  /** per week 0 … HORIZON_WEEKS: log-odds by time alone */
  priorCrowded: Float64Array;
  priorMedium: Float64Array;
  /** e^−prior of the same weeks: the odds against, so that what-ifs need no exponential per week */
  againstCrowded: Float64Array;
  againstMedium: Float64Array;
  /** log-odds of danger before anything is seen */
  priorDanger: number;
  /** per week: harm if the state holds for sure */
  harmCrowded: Float64Array;
  harmMedium: Float64Array;
  /** disturbance of this plant in its best week, without the keeper's work */
  disturbance: number;
  work: keyof typeof DISTURBANCE;
  life: MediumLife;
  monthsInPot: number | null;
  monthsToFill: number;
}

const MONTHS_PER_WEEK = 7 / DAYS_PER_MONTH;

/** Log-odds of crowding after `months` in a pot that fills in `toFill`. */
export function crowdedPrior(months: number, toFill: number): number {
  return clamp(CROWDED_SLOPE * (months / toFill - 1), PRIOR_LOW, PRIOR_HIGH);
}

/** What the liking for a snug pot takes off the log-odds of crowding. */
export const snugLogOdds = ({ snug }: Situation['traits']) => (snug ? SNUG_LOG_ODDS : 0);

/** Log-odds of a failing medium after `months` of a life (null: it does not age). */
export function mediumPrior(months: number, life: number | null): number {
  return life === null
    ? PRIOR_LOW
    : clamp(MEDIUM_SLOPE * (months / life - 1), PRIOR_LOW, PRIOR_HIGH);
}

/** Share of crowding, above or below "crowded", that moves the log-odds by one slope. */
const EXPLORED_SPAN = 0.25;

function crowdedPriorByRoots(explored: number, full: number): number {
  return clamp(CROWDED_SLOPE * ((explored - full) / EXPLORED_SPAN), PRIOR_LOW, PRIOR_HIGH);
}

/** @throws RangeError for an impossible situation */
export function frameOf(situation: Situation): Frame {
  const { traits, spot, date, pot, medium, lastRepot, roots } = situation;
  const weeks = HORIZON_WEEKS + 1;
  const season = seasonAhead(spot, traits, date, weeks);
  const year = season.activity.slice(0, 52);
  const meanActivity = year.reduce((sum, activity) => sum + activity, 0) / year.length;
  const bestReadiness = Math.max(...season.readiness);

  const pace = situation.learned?.pace?.factor ?? 1;
  const life = asLearned(
    mediumLife(blendOf(medium), pot, traits, meanTemperatureC(spot)),
    situation.learned?.mediumLifeFactor,
  );
  const monthsToFill = MONTHS_TO_FILL[traits.vigour] / pace;
  const monthsInPot = lastRepot === null ? null : monthsBetween(lastRepot, date);

  const priorCrowded = new Float64Array(weeks);
  const priorMedium = new Float64Array(weeks);
  const harmCrowded = new Float64Array(weeks);
  const harmMedium = new Float64Array(weeks);
  let explored = roots?.explored ?? 0;
  for (let week = 0; week < weeks; week++) {
    const activity = season.activity[week]!;
    const waited = week * MONTHS_PER_WEEK;
    const inPot = (monthsInPot ?? UNKNOWN_AGE.crowded * monthsToFill) + waited;
    const inMedium = (monthsInPot ?? UNKNOWN_AGE.mediumFailing * (life.months ?? 0)) + waited;
    if (roots) {
      priorCrowded[week] = crowdedPriorByRoots(explored, crowdedAt(traits));
      explored = exploredAfter(explored, traits.vigour, activity * MONTHS_PER_WEEK * pace);
    } else {
      priorCrowded[week] = crowdedPrior(inPot, monthsToFill) + snugLogOdds(traits);
    }
    priorMedium[week] = mediumPrior(inMedium, life.months);
    harmCrowded[week] = harmOf('crowded', activity) * (traits.snug ? SNUG_HARM : 1);
    harmMedium[week] = harmOf('mediumFailing', activity);
  }
  return {
    situation,
    season,
    meanActivity,
    bestReadiness,
    priorCrowded,
    priorDanger: PRIOR_DANGER + SPENT_MEDIUM_DANGER * logistic(priorMedium[0]!),
    priorMedium,
    harmCrowded,
    harmMedium,
    ...disturbanceOf(situation),
    life,
    monthsInPot,
    monthsToFill,
    againstCrowded: priorCrowded.map((prior) => Math.exp(-prior)),
    againstMedium: priorMedium.map((prior) => Math.exp(-prior)),
  };
}

/** The same plant under another school of what comes off: nothing else of a frame hangs on it. */
export function withOldMedium(frame: Frame, oldMedium: OldMediumSchool): Frame {
  const { situation } = frame;
  const other = { ...situation, schools: { ...situation.schools, oldMedium } };
  return { ...frame, situation: other, ...disturbanceOf(other) };
}

function disturbanceOf(situation: Situation): Pick<Frame, 'work' | 'disturbance'> {
  const work = workFor(situation);
  return { work, disturbance: DISTURBANCE[work] * FRAGILITY[situation.traits.rootKind] };
}

/** How much is taken from the roots: by the keeper's school, else as the medium asks. */
export function workFor({ medium, schools }: Situation): keyof typeof DISTURBANCE {
  return OLD_MEDIUM_SCHOOLS[schools?.oldMedium ?? 'byMedium'].work ?? WORK_BY_MEDIUM[medium.kind];
}

/** Harm of a state for one week, if it holds for sure, at an activity of 0 … 1. */
export function harmOf(state: keyof typeof HARM_PER_WEEK, activity: number): number {
  const { harm, atRest } = HARM_PER_WEEK[state];
  return harm * (atRest + (1 - atRest) * activity);
}
