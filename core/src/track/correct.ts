import { corrected, type Correction } from '../decide/index.ts';
import { clamp, logistic, logit } from '../number/index.ts';
import type { RootPace } from '../roots/index.ts';
import type { Pair } from './score.ts';

/** Nothing is corrected from fewer findings. */
export const FEWEST_FINDINGS = 12;

/** What is believed of a keeper before anything was found: what is said is right, give or take. @source common practice, no source */
const PRIOR = { a: { mean: 0, sd: 0.5 }, b: { mean: 1, sd: 0.3 } } as const;
/** Surer than this nothing is taken to have been said: a row of one rare miss must not turn all. */
const SUREST = 0.995;
const LEAST_B = 0.2;
const MOST_STEPS = 40;
const CLOSE_ENOUGH = 1e-10;

/** A correction with what is not known of it. */
export interface FittedCorrection extends Correction {
  /** standard deviations of a and b, and how they hang together */
  sdA: number;
  sdB: number;
  covariance: number;
}

const oddsOf = (said: number) => logit(clamp(said, 1 - SUREST, SUREST));

/**
 * The line from the log-odds of what was said to those of what was found, drawn toward “it was right”.
 *
 * @returns null from fewer than FEWEST_FINDINGS pairs
 * @source Platt scaling (Platt, 1999, from memory) as a maximum a posteriori estimate, by Newton’s method;
 *   spread: curvature at the maximum (Laplace)
 */
export function correctionBy(pairs: readonly Pair[]): FittedCorrection | null {
  if (pairs.length < FEWEST_FINDINGS) return null;
  const told = pairs.map(({ said, found }) => ({ odds: oddsOf(said), found }));
  const weightA = 1 / PRIOR.a.sd ** 2;
  const weightB = 1 / PRIOR.b.sd ** 2;
  let a: number = PRIOR.a.mean;
  let b: number = PRIOR.b.mean;
  let curve = { aa: weightA, ab: 0, bb: weightB };
  for (let step = 0; step < MOST_STEPS; step++) {
    let slopeA = -weightA * (a - PRIOR.a.mean);
    let slopeB = -weightB * (b - PRIOR.b.mean);
    curve = { aa: weightA, ab: 0, bb: weightB };
    for (const { odds, found } of told) {
      const chance = logistic(a + b * odds);
      const spread = chance * (1 - chance);
      slopeA += found - chance;
      slopeB += (found - chance) * odds;
      curve.aa += spread;
      curve.ab += spread * odds;
      curve.bb += spread * odds ** 2;
    }
    const area = curve.aa * curve.bb - curve.ab ** 2;
    const stepA = (curve.bb * slopeA - curve.ab * slopeB) / area;
    const stepB = (curve.aa * slopeB - curve.ab * slopeA) / area;
    a += stepA;
    b = Math.max(LEAST_B, b + stepB);
    if (Math.abs(stepA) + Math.abs(stepB) < CLOSE_ENOUGH) break;
  }
  const area = curve.aa * curve.bb - curve.ab ** 2;
  return {
    a,
    b,
    findings: pairs.length,
    sdA: Math.sqrt(curve.bb / area),
    sdB: Math.sqrt(curve.aa / area),
    covariance: -curve.ab / area,
  };
}

/** A chance as the record corrects it. */
export const correctedChance = (said: number, by: Correction): number =>
  logistic(corrected(by, oddsOf(said)));

/** How much faster or slower something goes with a keeper than it usually does. */
export interface KeepersPace {
  factor: number;
  /** standard deviation of its logarithm */
  sdLog: number;
  /** findings that it rests on */
  findings: number;
}

/** Keepers differ by about so much … @source common practice, no source */
const BETWEEN_KEEPERS = 0.2;
/** … and plants of one keeper by so much. @source common practice, no source */
const BETWEEN_PLANTS = 0.33;

/** What one plant showed: so many times as fast as is usual, read so surely. */
export interface PlantsPace {
  factor: number;
  sdLog: number;
  findings: number;
}

/**
 * A keeper’s pace by those of the plants, drawn toward the usual.
 *
 * @returns null from fewer than FEWEST_FINDINGS findings
 * @source normal prior and likelihood by precision, over logarithms
 */
export function keepersPace(plants: readonly PlantsPace[]): KeepersPace | null {
  const findings = plants.reduce((sum, one) => sum + one.findings, 0);
  if (findings < FEWEST_FINDINGS) return null;
  let precision = 1 / BETWEEN_KEEPERS ** 2;
  let weighted = 0;
  for (const { factor, sdLog } of plants) {
    const told = 1 / (BETWEEN_PLANTS ** 2 + sdLog ** 2);
    precision += told;
    weighted += told * Math.log(factor);
  }
  return {
    factor: Math.exp(weighted / precision),
    sdLog: Math.sqrt(1 / precision),
    findings,
  };
}

/** What is believed of a plant’s roots before its own pots said anything: its keeper’s pace. */
export const paceBy = (keeper: KeepersPace): RootPace => ({
  factor: keeper.factor,
  sdLog: Math.hypot(BETWEEN_PLANTS, keeper.sdLog),
  own: false,
});
