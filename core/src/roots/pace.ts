import { clamp } from '../number/index.ts';
import {
  crowdedAt,
  monthsToCrowded,
  type FillingPot,
  oddsExplored,
  ratePerActiveMonth,
} from './filling.ts';
import type { RootReading } from './reading.ts';

/** How fast one plant's roots fill its pot, in parts of what is usual for its vigour. */
export interface RootPace {
  factor: number;
  /** standard deviation of its logarithm */
  sdLog: number;
  /** the plant's own stay in its pot went into it */
  own: boolean;
}

/** Whether a pace is news: farther from the usual than it is unsure. @source common practice, no source */
export const isTellingPace = ({ factor, sdLog }: RootPace): boolean =>
  Math.abs(Math.log(factor)) > sdLog;

/** Plants of one vigour differ by about a third. @source common practice, no source */
const SPREAD = 0.33;
export const TYPICAL_PACE: RootPace = { factor: 1, sdLog: SPREAD, own: false };

/** Share explored right after a repot by one size up, from which growth is counted. */
export const EXPLORED_AT_START = 0.5;
/** What is not known of that start, in log-odds: how much larger the pot was, how much was cut. */
const START_SD_ODDS = 0.5;
/** Roots that mat along the wall say "at least": beyond this the log-odds run away. */
const FULLEST_TOLD = 1.08;
const LEAST_ACTIVE_MONTHS = 1;
const SLOWEST = 0.4;
const FASTEST = 2.5;

/**
 * A plant's own pace from what its roots did since its last repot: the usual
 * pace is the prior, the reading moves it by how precise it is.
 *
 * @param months  in this pot
 * @param meanActivity  of the season over them, 0 … 1
 * @param toFill  months in which plants of its vigour fill this pot
 * @param before  what is believed of the plant's pace without this stay
 * @source normal prior and likelihood, weighted by precision
 */
export function rootPace(
  reading: RootReading | null,
  months: number,
  meanActivity: number,
  toFill: number,
  before: RootPace = TYPICAL_PACE,
): RootPace {
  const active = months * meanActivity;
  if (!reading || active < LEAST_ACTIVE_MONTHS) return before;
  const explored = clamp(reading.explored, 0.05, FULLEST_TOLD);
  const usualRise = ratePerActiveMonth(toFill) * active;
  const seen = (oddsExplored(explored) - oddsExplored(EXPLORED_AT_START)) / usualRise;
  const sd = Math.hypot(reading.sd * oddsSlope(explored), START_SD_ODDS) / usualRise;
  const prior = 1 / (before.sdLog * before.factor) ** 2;
  const told = 1 / sd ** 2;
  const factor = clamp((prior * before.factor + told * seen) / (prior + told), SLOWEST, FASTEST);
  const sdLog = Math.min(before.sdLog, Math.sqrt(1 / (prior + told)) / factor);
  return { factor, sdLog, own: true };
}

const STEP = 1e-4;
/** Change of the log-odds per share explored. */
function oddsSlope(explored: number): number {
  return (oddsExplored(explored + STEP) - oddsExplored(explored - STEP)) / (2 * STEP);
}

/** Terms of filling after which any plant that grows has filled its pot. @source common practice, no source */
const MOST_TERMS = 1.3;
const LATEST_TERMS = 2;

/** Of 80 %, as z-value on either side. */
const Z80 = 1.2816;

/**
 * Months until the pot is crowded, with the 80 % band.
 *
 * @param start  share explored on the first day, with its uncertainty
 * @returns null when the plant does not grow
 */
export function crowdedBand(
  start: RootReading,
  pot: FillingPot,
  meanActivity: number,
  pace: RootPace = TYPICAL_PACE,
): { months: number; soonest: number; latest: number } | null {
  const reckoned = monthsToCrowded(start.explored, pot, meanActivity, pace.factor);
  if (reckoned === null) return null;
  // Roots run for the wall first: few at the start fill a pot hardly later than half of it would.
  const months = Math.min(reckoned, (MOST_TERMS * pot.toFill) / pace.factor);
  const gap = oddsExplored(crowdedAt(pot)) - oddsExplored(Math.max(0.03, start.explored));
  if (gap <= 0) return { months: 0, soonest: 0, latest: 0 };
  const perOdds = months / gap;
  const sdStart = start.sd * oddsSlope(Math.max(0.03, start.explored)) * perOdds;
  const spread = (Z80 * Math.hypot(sdStart, months * pace.sdLog)) / months;
  const latest = Math.min(months * Math.exp(spread), (LATEST_TERMS * pot.toFill) / pace.factor);
  return { months, soonest: months * Math.exp(-spread), latest: Math.max(months, latest) };
}
