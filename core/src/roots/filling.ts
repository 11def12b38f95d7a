import { positive, within } from '../number/index.ts';
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

/** Months in which a plant fills a pot one size up. @source common practice, no source */
export const MONTHS_TO_FILL = { fast: 10, middling: 20, slow: 36 } as const;

/** One size up, by volume: 14 → 17 cm. */
const ONE_SIZE_UP = 1.7;

export function crowdedAt(traits: Pick<Traits, 'snug'>): number {
  return traits.snug ? CROWDED_SNUG : CROWDED;
}

/** Log-odds of the filled share, in the scale of FULLEST: linear in time while growth is steady. */
export function oddsExplored(explored: number): number {
  return Math.log(explored / (FULLEST - explored));
}

/** Rise of those log-odds per month at full activity. */
export function ratePerActiveMonth(vigour: Traits['vigour']): number {
  const oneSize = oddsExplored(CROWDED) - oddsExplored(CROWDED / ONE_SIZE_UP);
  return oneSize / MONTHS_TO_FILL[vigour] / USUAL_ACTIVITY;
}

const LEAST_EXPLORED = 0.03;

/**
 * Share of the medium that roots have explored after `activeMonths` (months
 * times mean activity): logistic growth.
 *
 * @param explored  share at the start, 0 … 1.15
 * @source logistic growth; rates: common practice, no source
 */
export function exploredAfter(
  explored: number,
  vigour: Traits['vigour'],
  activeMonths: number,
): number {
  within('explored', explored, 0, FULLEST);
  const start = Math.min(FULLEST - 0.001, Math.max(LEAST_EXPLORED, explored));
  const grown = oddsExplored(start) + ratePerActiveMonth(vigour) * activeMonths;
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
  traits: Pick<Traits, 'vigour' | 'snug'>,
  meanActivity: number,
  pace = 1,
): number | null {
  const full = crowdedAt(traits);
  if (explored >= full) return 0;
  if (meanActivity < 0.02) return null;
  const start = Math.max(LEAST_EXPLORED, explored);
  return (
    (oddsExplored(full) - oddsExplored(start)) /
    (ratePerActiveMonth(traits.vigour) * pace) /
    meanActivity
  );
}

/** Share explored when the same roots stand in a pot of another volume. */
export function exploredInNewPot(explored: number, oldL: number, newL: number): number {
  positive('oldL', oldL);
  positive('newL', newL);
  return Math.min(FULLEST - 0.001, (explored * oldL) / newL);
}
