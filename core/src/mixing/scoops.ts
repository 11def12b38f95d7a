import { positive, within } from '../number/index.ts';

/** Scoops, cups and jugs that keepers own, L. */
export const SCOOPS_L = [
  0.025, 0.05, 0.075, 0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.75, 1, 1.5, 2, 2.5, 3, 4, 5, 10,
] as const;

/** Rounding to whole scoops may move no part by more than this share. */
export const SCOOP_TOLERANCE = 0.05;

/** A tenth more in the tub is as much bother as so many further scoops. @source common practice, no source */
const SCOOPS_PER_TENTH = 8;

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
 * The scoop that is least bother: few scoops, little more than is asked for, and
 * every part in its proportion. Counts that a hand keeps come before all.
 *
 * @param amountsL  measured litres of each component, ≥ 0, not all 0
 * @param mostL  what may be measured at once; where no scoop keeps to it, the one that comes nearest
 */
export function suggestScoop(amountsL: readonly number[], mostL = Infinity): ScoopPlan {
  positive(
    'sum of measures',
    amountsL.reduce((sum, litres) => sum + litres, 0),
  );
  const plans = SCOOPS_L.map((scoopL) => scaledScoops(amountsL, scoopL));
  const fitting = plans.filter((plan) => measuredOf(plan) <= mostL * (1 + HAIR));
  if (fitting.length === 0) {
    return plans.reduce((least, plan) => (measuredOf(plan) < measuredOf(least) ? plan : least));
  }
  const askedL = amountsL.reduce((sum, litres) => sum + litres, 0);
  for (const { scoops, scale } of HANDY) {
    const most = Math.max(scale, 1 + HANDFUL_L / askedL);
    const handy = fitting.filter(
      (plan) => Math.max(...plan.scoops) <= scoops && plan.scale <= most,
    );
    if (handy.length > 0) return leastBother(handy, askedL);
  }
  return leastBother(fitting, askedL);
}

/** So much more mix is nothing, however small the pot; from here on it is, L. @source common practice, no source */
const HANDFUL_L = 0.3;
const BATCH_L = 2;

/** How many scoops of one part a hand counts, and how much more mix that may cost: the first that can be had. */
const HANDY: readonly { scoops: number; scale: number }[] = [
  { scoops: 12, scale: 1.25 },
  { scoops: 20, scale: 1.25 },
  { scoops: 40, scale: 1.5 },
];

function leastBother(plans: readonly ScoopPlan[], askedL: number): ScoopPlan {
  const perTenth = SCOOPS_PER_TENTH * Math.min(1, askedL / BATCH_L);
  const bother = ({ scoops, scale }: ScoopPlan) =>
    scoops.reduce((sum, count) => sum + count, 0) + perTenth * 10 * (scale - 1);
  return plans.reduce((best, plan) => (bother(plan) <= bother(best) ? plan : best));
}

/** What whole scoops measure, L. */
export const measuredOf = ({ scoops, scoopL }: ScoopPlan): number =>
  scoops.reduce((sum, count) => sum + count * scoopL, 0);

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
