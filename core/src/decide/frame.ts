import { logistic } from '../number/index.ts';
import { rimCm } from '../pots/index.ts';
import { crowdedAt, exploredAfter, monthsToFill } from '../roots/index.ts';
import {
  WEEKS_PER_MONTH,
  mondayOf,
  monthsBetween,
  seasonAhead,
  type IsoDate,
  type SeasonAhead,
} from '../season/index.ts';
import {
  BY_TIME,
  DISTURBANCE,
  FRAGILITY,
  HARM_PER_WEEK,
  HORIZON_WEEKS,
  PRIOR_DANGER,
  PRIOR_NEVER,
  PRIOR_TOO_WET,
  SNUG_HARM,
  SNUG_LOG_ODDS,
  SNUG_TERM,
  SPENT_MEDIUM_DANGER,
  UNKNOWN_AGE,
  YEARLY_MONTHS,
} from './costs.ts';
import { corrected } from './corrected.ts';
import { usualWork } from './oldMedium.ts';
import {
  asLearned,
  blendOf,
  mediumLife,
  meanTemperatureC,
  type MediumLife,
  type Situation,
} from './situation.ts';
import type { Schools } from '../schools/index.ts';

/**
 * What of a situation does not depend on findings or schools: worked out once,
 * so that hundreds of what-ifs cost little.
 */
export interface Frame {
  situation: Situation;
  /** the Monday of week 0: whatever the day one asks on, weeks are the same */
  monday: IsoDate;
  season: SeasonAhead;
  meanActivity: number;
  bestReadiness: number;
  /** per week 0 … HORIZON_WEEKS: log-odds by time alone */
  priorCrowded: Float64Array;
  priorMedium: Float64Array;
  /** e^−prior of the same weeks: the odds against, so that what-ifs need no exponential per week */
  againstCrowded: Float64Array;
  againstMedium: Float64Array;
  /** log-odds of danger, and of more water than its roots drink, before anything is seen */
  priorDanger: number;
  priorTooWet: number;
  /** per week: harm if the state holds for sure */
  harmCrowded: Float64Array;
  harmMedium: Float64Array;
  /** disturbance of this plant in its best week, without the keeper's work */
  disturbance: number;
  work: keyof typeof DISTURBANCE;
  life: MediumLife;
  monthsInPot: number | null;
  /** months in which this plant fills this pot, and counts as crowded in it */
  monthsToFill: number;
}

const MONTHS_PER_WEEK = 1 / WEEKS_PER_MONTH;

type Term = 'crowded' | 'mediumFailing';

/** Log-odds of a state by the share of its term that has passed. */
function byTime(state: Term, share: number): number {
  const { evenAt, slope, low } = BY_TIME[state];
  const logOdds = slope * (share - evenAt);
  if (logOdds > BY_TIME.bends) {
    return BY_TIME.bends + BY_TIME.beyond * (logOdds - BY_TIME.bends);
  }
  return Math.max(low, logOdds);
}

/** Log-odds of crowding after `months` in a pot that fills in `toFill`. */
export const crowdedPrior = (months: number, toFill: number): number =>
  byTime('crowded', months / toFill);

/** What the liking for a snug pot takes off the log-odds of crowding. */
export const snugLogOdds = ({ snug }: Situation['traits']) => (snug ? SNUG_LOG_ODDS : 0);

/** Log-odds of a failing medium after `months` of a life (null: it does not age). */
export const mediumPrior = (months: number, life: number | null): number =>
  life === null ? PRIOR_NEVER : byTime('mediumFailing', months / life);

/** Share of crowding, above or below "crowded", that moves the log-odds by one slope. */
const EXPLORED_SPAN = 0.25;

const crowdedPriorByRoots = (explored: number, full: number): number =>
  Math.max(BY_TIME.crowded.low, (BY_TIME.crowded.slope * (explored - full)) / EXPLORED_SPAN);

/** Months after which a medium is due, by its structure or by what its keeper does each year. */
export function dueMonths(frame: Pick<Frame, 'life' | 'situation'>): number | null {
  const { months } = frame.life;
  if (!frame.situation.traits.renewedYearly) return months;
  return months === null ? YEARLY_MONTHS : Math.min(YEARLY_MONTHS, months);
}

/** @throws RangeError for an impossible situation */
export function frameOf(situation: Situation): Frame {
  const { traits, spot, date, pot, medium, lastRepot, roots } = situation;
  const weeks = HORIZON_WEEKS + 1;
  const monday = mondayOf(date);
  const season = seasonAhead(spot, traits, monday, weeks);
  const year = season.activity.slice(0, 52);
  const meanActivity = year.reduce((sum, activity) => sum + activity, 0) / year.length;
  const bestReadiness = Math.max(...season.readiness);

  const pace = situation.learned?.pace?.factor ?? 1;
  const life = asLearned(
    mediumLife(blendOf(medium), pot, traits, meanTemperatureC(spot)),
    situation.learned?.mediumLifeFactor,
  );
  const fills = monthsToFill(traits.vigour, rimCm(pot), situation.together);
  const toFill = (fills / pace) * (traits.snug ? SNUG_TERM : 1);
  const due = dueMonths({ life, situation });
  const monthsInPot = lastRepot === null ? null : monthsBetween(lastRepot, date);
  const onMonday = lastRepot === null ? null : Math.max(0, monthsBetween(lastRepot, monday));
  // Of an age that nobody knows time alone says no more next year than it does today.
  const unknown = UNKNOWN_AGE[situation.signals.justArrived === true ? 'justArrived' : 'usual'];

  const priorCrowded = new Float64Array(weeks);
  const priorMedium = new Float64Array(weeks);
  const harmCrowded = new Float64Array(weeks);
  const harmMedium = new Float64Array(weeks);
  const by = situation.learned?.corrections;
  let spentMedium = 0;
  let explored = roots?.explored ?? 0;
  for (let week = 0; week < weeks; week++) {
    const activity = season.activity[week]!;
    const waited = week * MONTHS_PER_WEEK;
    if (roots) {
      priorCrowded[week] = corrected(by?.crowded, crowdedPriorByRoots(explored, crowdedAt(traits)));
      explored = exploredAfter(explored, fills, activity * MONTHS_PER_WEEK * pace);
    } else {
      const inPot = onMonday === null ? unknown * toFill : onMonday + waited;
      priorCrowded[week] = corrected(
        by?.crowded,
        crowdedPrior(inPot, toFill) + snugLogOdds(traits),
      );
    }
    const inMedium = onMonday === null ? unknown * (due ?? 0) : onMonday + waited;
    const medium = mediumPrior(inMedium, due);
    if (week === 0) spentMedium = logistic(medium);
    priorMedium[week] = corrected(by?.mediumFailing, medium);
    harmCrowded[week] = harmOf('crowded', activity) * (traits.snug ? SNUG_HARM : 1);
    harmMedium[week] = harmOf('mediumFailing', activity);
  }
  return {
    situation,
    monday,
    season,
    meanActivity,
    bestReadiness,
    priorCrowded,
    priorDanger: corrected(by?.danger, PRIOR_DANGER + SPENT_MEDIUM_DANGER * spentMedium),
    priorTooWet: corrected(by?.tooWet, PRIOR_TOO_WET),
    priorMedium,
    harmCrowded,
    harmMedium,
    ...disturbanceOf(situation),
    life,
    monthsInPot,
    monthsToFill: toFill,
    againstCrowded: priorCrowded.map((prior) => Math.exp(-prior)),
    againstMedium: priorMedium.map((prior) => Math.exp(-prior)),
  };
}

/** The same plant under another school of what comes off: nothing else of a frame hangs on it. */
export function withOldMedium(frame: Frame, oldMedium: Schools['oldMedium']): Frame {
  const { situation } = frame;
  const other = { ...situation, schools: { ...situation.schools, oldMedium } };
  return { ...frame, situation: other, ...disturbanceOf(other) };
}

function disturbanceOf(situation: Situation): Pick<Frame, 'work' | 'disturbance'> {
  const work = usualWork(situation);
  return { work, disturbance: DISTURBANCE[work] * FRAGILITY[situation.traits.rootKind] };
}

/** Harm of a state for one week, if it holds for sure, at an activity of 0 … 1. */
export function harmOf(state: keyof typeof HARM_PER_WEEK, activity: number): number {
  const { harm, atRest } = HARM_PER_WEEK[state];
  return harm * (atRest + (1 - atRest) * activity);
}
