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
  /** whole scoops make this many times the amount asked for; 1 unless they could not do it else */
  scale: number;
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
  return { scoopL, scoops, worstError, scale: 1, exactEnough: worstError <= SCOOP_TOLERANCE };
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

/** The rounding of floating point must not cost a whole scoop. */
const HAIR = 1e-9;

/**
 * Whole scoops of the keeper's own scoop that keep the proportions: where
 * rounding would move a part by more than the tolerance, a little more is mixed,
 * the least that lets every part come out in whole scoops.
 *
 * Each part can be had in whole scoops on the stretches of scale
 * [k·s/(1+t)·a, k·s/(1−t)·a]; the answer is the least scale, 1 or more, that
 * lies on a stretch of every part. From ten scoops of the scarcest part on there
 * always is one.
 *
 * @param amountsL  measured litres of each component, ≥ 0, not all 0
 */
export function scaledScoops(amountsL: readonly number[], scoopL: number): ScoopPlan {
  const plain = scoopsOf(amountsL, scoopL);
  if (plain.exactEnough) return plain;
  const wanted = amountsL.filter((litres) => litres > 0).map((litres) => litres / scoopL);
  const least = Math.min(...wanted);
  const enough = 1 / (2 * SCOOP_TOLERANCE * least) + 1 / least;
  const starts = wanted.flatMap((scoops) => {
    const step = 1 / ((1 + SCOOP_TOLERANCE) * scoops);
    const first = Math.ceil(1 / step);
    const count = Math.max(0, Math.ceil(enough / step) - first + 1);
    return Array.from({ length: count }, (_, i) => (first + i) * step);
  });
  const scale = [1, ...starts]
    .filter((candidate) => candidate >= 1)
    .sort((a, b) => a - b)
    .find((candidate) => wanted.every((scoops) => reachable(scoops * candidate)))!;
  // From the low end of the stretch up to the scale at which the counts fit best.
  const counts = wanted.map((scoops) => nearestWithin(scoops * scale));
  const fitted = Math.max(scale, fit(counts, wanted));
  const scaled = amountsL.map((litres) => litres * fitted);
  const inOrder = [...counts];
  const scoops = scaled.map((litres) => (litres === 0 ? 0 : inOrder.shift()!));
  const worstError = Math.max(
    ...scoops.map((count, i) =>
      scaled[i] === 0 ? 0 : Math.abs((count * scoopL) / scaled[i]! - 1),
    ),
  );
  return { scoopL, scoops, worstError, scale: fitted, exactEnough: true };
}

/** A whole number lies within the tolerance of so many scoops. */
const reachable = (scoops: number) => {
  const count = nearestWithin(scoops);
  return (
    count >= 1 &&
    count >= scoops * (1 - SCOOP_TOLERANCE) - HAIR &&
    count <= scoops * (1 + SCOOP_TOLERANCE) + HAIR
  );
};

/** Whole scoops nearest in proportion. */
const nearestWithin = (scoops: number) => Math.max(1, Math.round(scoops));

/** Scale at which the largest and the smallest error of fixed counts are alike. */
function fit(counts: readonly number[], wanted: readonly number[]): number {
  const ratios = counts.map((count, i) => count / wanted[i]!);
  return (
    (2 * Math.max(...ratios) * Math.min(...ratios)) / (Math.max(...ratios) + Math.min(...ratios))
  );
}
