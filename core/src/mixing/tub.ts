import { meanWaterInColumn, type Component } from '../media/index.ts';
import { positive, within } from '../number/index.ts';
import { measureOut, type Batch, type BatchMargins } from './batch.ts';
import { blend, type Blend, type Part } from './blend.ts';
import {
  measuredOf,
  scaledScoops,
  SCOOP_TOLERANCE,
  suggestScoop,
  type ScoopPlan,
} from './scoops.ts';

/** A batch for any number of pots. */
export interface TubRequest {
  parts: readonly Part<Component>[];
  /** new medium round the ball of each pot, L */
  filledL: readonly number[];
  /** the keeper's own scoop; absent: the handiest */
  scoopL?: number;
  /** what the tub holds to its brim, L; absent: large enough */
  tubL?: number;
  margins?: BatchMargins;
}

/** A batch in loads of one tub, each of the same whole scoops. */
export interface TubPlan {
  batch: Batch;
  loads: number;
  /** scoops of each component in one load */
  scoop: ScoopPlan;
  /** measured litres of each component in all loads, as the scoops have it */
  measuredL: number[];
  /** what the scoops make, mixed, L */
  mixedL: number;
  /** of it beyond what is needed with its spare, L */
  overL: number;
  /** the mix as scooped */
  blend: Blend;
  /** a load can be turned in the tub; only scoops of the keeper's own may be too large for it */
  fitsTub: boolean;
  /** change of air that rounding to scoops made, in a pot of usual depth */
  roundedAir: number;
  /** one load in its tub: dry, damp enough to pot with, and soaked, kg */
  loadKg: { dry: number; damp: number; soaked: number };
}

/** A tub is turned without spilling up to this share of its brim. @source common practice, no source */
export const TUB_SHARE = 0.8;
/** Damp enough to pot with: this share of what the mix holds when drained. @source common practice, no source */
const DAMP_SHARE = 0.5;
/** Depth at which a mix is weighed and its rounding judged, cm. */
const USUAL_DEPTH_CM = 12;
const MOST_LOADS = 500;
const HAIR = 1e-9;

/**
 * Measures a batch out in equal tub loads of whole scoops.
 *
 * @throws RangeError for no pot, a tub of 0 L, or one so small that it takes hundreds of loads
 */
export function planTub({ parts, filledL, scoopL, tubL, margins }: TubRequest): TubPlan {
  const total = positive(
    'sum of filledL',
    filledL.reduce((sum, litres) => sum + within('filledL', litres, 0, 100_000), 0),
  );
  const batch = measureOut(parts, total, margins ? { margins } : {});
  const usableL = tubL === undefined ? Infinity : positive('tubL', tubL) * TUB_SHARE;
  const planned = within(
    'number of tub loads',
    Math.max(1, Math.ceil(batch.measuredL / usableL - HAIR)),
    1,
    MOST_LOADS,
  );
  const litres = batch.measures.map((measure) => measure.litres / planned);
  const scoop =
    scoopL === undefined
      ? suggestScoop(litres, usableL)
      : scaledScoops(litres, positive('scoopL', scoopL));
  // A load that whole scoops made larger is mixed less often.
  const loads =
    scoop.scale > 1
      ? Math.max(1, Math.ceil(batch.measuredL / measuredOf(scoop) - SCOOP_TOLERANCE))
      : planned;
  const measuredL = scoop.scoops.map((count) => count * scoop.scoopL * loads);
  const scooped = blend(parts.map((part, i) => ({ ...part, parts: measuredL[i]! })));
  const asAsked = blend(parts);
  const mixedL = measuredL.reduce((sum, litres) => sum + litres, 0) * (1 - scooped.shrink);
  const air = (mix: Blend) => mix.totalPorosity - meanWaterInColumn(mix.water, USUAL_DEPTH_CM);
  const loadL = mixedL / loads;
  const heldKg = meanWaterInColumn(scooped.water, USUAL_DEPTH_CM) * loadL;
  const dry = scooped.dryKgPerL * loadL;
  return {
    batch,
    loads,
    scoop,
    measuredL,
    mixedL,
    overL: mixedL - batch.mixedL,
    blend: scooped,
    fitsTub: measuredOf(scoop) <= usableL * (1 + SCOOP_TOLERANCE),
    roundedAir: air(scooped) - air(asAsked),
    loadKg: { dry, damp: dry + DAMP_SHARE * heldKg, soaked: dry + heldKg },
  };
}
