import { positive, within } from '../number/index.ts';

/** Scoops, cups and jugs that keepers own, L. */
export const SCOOPS_L = [
  0.05, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.75, 1, 1.5, 2, 3, 5, 10,
] as const;

/** Rounding to whole scoops may move no part by more than this share. */
export const SCOOP_TOLERANCE = 0.05;

/** More scoops than this of one component and people lose count. @source common practice, no source */
const MOST_SCOOPS = 40;

/** Whole scoops for each measured amount. */
export interface ScoopPlan {
  scoopL: number;
  scoops: number[];
  /** largest share by which rounding moved a part, 0 … */
  worstError: number;
  /** rounding stayed within SCOOP_TOLERANCE */
  exactEnough: boolean;
}

/** Whole scoops of one size, at least one of everything that is in the recipe. */
export function scoopsOf(amountsL: readonly number[], scoopL: number): ScoopPlan {
  positive('scoopL', scoopL);
  let worstError = 0;
  const scoops = amountsL.map((litres) => {
    within('measureL', litres, 0, Number.MAX_VALUE);
    if (litres === 0) return 0;
    const count = Math.max(1, Math.round(litres / scoopL));
    worstError = Math.max(worstError, Math.abs((count * scoopL) / litres - 1));
    return count;
  });
  return { scoopL, scoops, worstError, exactEnough: worstError <= SCOOP_TOLERANCE };
}

/**
 * The largest scoop that measures every component in whole scoops within the
 * tolerance; where none does, the one that errs least.
 *
 * @param amountsL  measured litres of each component, ≥ 0, not all 0
 */
export function suggestScoop(amountsL: readonly number[]): ScoopPlan {
  positive(
    'sum of measures',
    amountsL.reduce((sum, litres) => sum + litres, 0),
  );
  const plans = SCOOPS_L.map((scoopL) => scoopsOf(amountsL, scoopL)).filter(
    ({ scoops }) => Math.max(...scoops) <= MOST_SCOOPS,
  );
  const usable = plans.length > 0 ? plans : [scoopsOf(amountsL, SCOOPS_L[SCOOPS_L.length - 1]!)];
  const exact = usable.filter((plan) => plan.exactEnough);
  if (exact.length > 0) return exact[exact.length - 1]!;
  return usable.reduce((best, plan) => (plan.worstError < best.worstError ? plan : best));
}
