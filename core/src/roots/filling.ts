import { interpolatedLog, positive, within } from '../number/index.ts';
import { fillTogether } from './together.ts';
import type { Traits } from '../catalogue/index.ts';

/**
 * Most that roots can fill, as a share of the medium: beyond 1 they no longer
 * explore but mat along the wall.
 */
const FULLEST = 1.15;

/** Share explored from which a pot counts as crowded. @source common practice, no source */
export const CROWDED = 0.85;
export const CROWDED_SNUG = 1;

/** Mean season activity of a year in a good place at 50–55° N, for which the months below hold. */
const USUAL_ACTIVITY = 0.6;

/**
 * Months in which a plant fills a pot after one size up, by the pot's width:
 * a plug is full in weeks, a tub in years.
 *
 * @source common practice, no source
 */
const FILLS_BY_WIDTH = {
  cm: [5.5, 9, 14, 22, 45, 80],
  fast: [1.6, 4.5, 9.5, 13, 28, 38],
  middling: [3, 8, 18, 23, 44, 58],
  slow: [6, 17, 36, 47, 75, 110],
} as const;

/**
 * Months in which a plant of this vigour fills a pot after one size up.
 *
 * @param rimCm  width of that pot
 * @param plants  that share it
 */
export function monthsToFill(vigour: Traits['vigour'], rimCm: number, plants = 1): number {
  const alone = interpolatedLog(
    FILLS_BY_WIDTH.cm,
    FILLS_BY_WIDTH[vigour],
    positive('rimCm', rimCm),
  );
  return alone / fillTogether(plants);
}

/** One size up, by volume: 14 → 17 cm. */
const ONE_SIZE_UP = 1.7;

/** A plant in a pot, as far as filling it goes. */
export interface FillingPot {
  snug: boolean;
  /** months in which such a plant fills this pot */
  toFill: number;
}

export function crowdedAt(traits: Pick<Traits, 'snug'>): number {
  return traits.snug ? CROWDED_SNUG : CROWDED;
}

/** Log-odds of the filled share, in the scale of FULLEST: linear in time while growth is steady. */
export function oddsExplored(explored: number): number {
  return Math.log(explored / (FULLEST - explored));
}

/** Rise of those log-odds per month at full activity, in a pot that fills in so many months. */
export function ratePerActiveMonth(toFill: number): number {
  const oneSize = oddsExplored(CROWDED) - oddsExplored(CROWDED / ONE_SIZE_UP);
  return oneSize / positive('toFill', toFill) / USUAL_ACTIVITY;
}

const LEAST_EXPLORED = 0.03;

/**
 * Share of the medium that roots have explored after `activeMonths` (months
 * times mean activity): logistic growth.
 *
 * @param explored  share at the start, 0 … 1.15
 * @param toFill  months in which this plant fills this pot
 * @source logistic growth; rates: common practice, no source
 */
export function exploredAfter(explored: number, toFill: number, activeMonths: number): number {
  within('explored', explored, 0, FULLEST);
  const start = Math.min(FULLEST - 0.001, Math.max(LEAST_EXPLORED, explored));
  const grown = oddsExplored(start) + ratePerActiveMonth(toFill) * activeMonths;
  return FULLEST / (1 + Math.exp(-grown));
}

/**
 * Months until the pot is crowded.
 *
 * @param meanActivity  over the months ahead, 0 … 1
 * @param pace  this plant's own, in parts of what is usual for its vigour
 * @returns 0 when it is crowded already; null when the plant does not grow
 */
export function monthsToCrowded(
  explored: number,
  { snug, toFill }: FillingPot,
  meanActivity: number,
  pace = 1,
): number | null {
  const full = crowdedAt({ snug });
  if (explored >= full) return 0;
  if (meanActivity < 0.02) return null;
  const start = Math.max(LEAST_EXPLORED, explored);
  return (
    (oddsExplored(full) - oddsExplored(start)) / (ratePerActiveMonth(toFill) * pace) / meanActivity
  );
}

/** Share explored when the same roots stand in a pot of another volume. */
export function exploredInNewPot(explored: number, oldL: number, newL: number): number {
  positive('oldL', oldL);
  positive('newL', newL);
  return Math.min(FULLEST - 0.001, (explored * oldL) / newL);
}
