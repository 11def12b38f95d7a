import { OutOfRange } from '../number/outOfRange.ts';
import { bisect, gaussLegendre8, positive, within } from '../number/index.ts';
import { sectionCm2, volumeBelowL, type PotShape } from '../pots/index.ts';

/** van Genuchten's curve: water held, by volume, against suction. */
export interface Retention {
  /** water no root gets at, fraction of volume */
  thetaR: number;
  /** water when all pores are full, fraction of volume */
  thetaS: number;
  /** inverse of the suction at which pores start to empty, 1/cm */
  alphaPerCm: number;
  /** how alike the pores are in size, > 1 */
  n: number;
}

/** Water by volume at a suction in cm of water. */
export type WaterAt = (suctionCm: number) => number;

/** @throws RangeError naming the parameter that is out of range */
export function checkRetention(curve: Retention): Retention {
  within('thetaS', curve.thetaS, 0.01, 1);
  within('thetaR', curve.thetaR, 0, curve.thetaS);
  positive('alphaPerCm', curve.alphaPerCm);
  within('n', curve.n, 1.01, 20);
  return curve;
}

/**
 * Retention curve θ(h) = θr + (θs − θr) / [1 + (αh)ⁿ]^m with m = 1 − 1/n.
 *
 * @source van Genuchten, Soil Sci. Soc. Am. J. 44 (1980) 892–898
 */
export function waterAt(curve: Retention): WaterAt {
  const m = 1 - 1 / curve.n;
  const span = curve.thetaS - curve.thetaR;
  return (suctionCm) => curve.thetaR + span / (1 + (curve.alphaPerCm * suctionCm) ** curve.n) ** m;
}

/**
 * Where to split the height for integration: water falls fastest just above
 * the floor, so panels shrink toward it.
 */
const PANEL_ENDS = [0, 1 / 64, 1 / 16, 1 / 4, 1] as const;

function integrateUp(f: (z: number) => number, heightCm: number): number {
  let sum = 0;
  for (let i = 1; i < PANEL_ENDS.length; i++) {
    sum += gaussLegendre8(f, PANEL_ENDS[i - 1]! * heightCm, PANEL_ENDS[i]! * heightCm);
  }
  return sum;
}

/**
 * Mean water in a drained straight column: suction is zero at its base and
 * grows by 1 cm per cm of height.
 *
 * @param heightCm  > 0
 * @returns fraction of volume
 */
export function meanWaterInColumn(water: WaterAt, heightCm: number): number {
  positive('heightCm', heightCm);
  return integrateUp(water, heightCm) / heightCm;
}

/**
 * Mean water in a drained pot, weighted by the area of its sections.
 *
 * @param fillHeightCm  height of the medium's surface, 0 < … ≤ pot height
 * @param floorCm  where the medium begins: the top of a drainage layer, on which
 *   water stands as it does on a pot's floor
 */
export function meanWaterInPot(
  water: WaterAt,
  pot: PotShape,
  fillHeightCm: number,
  floorCm = 0,
): number {
  within('fillHeightCm', fillHeightCm, 1e-6, pot.heightCm);
  within('floorCm', floorCm, 0, fillHeightCm * 0.95);
  const litres = volumeBelowL(pot, fillHeightCm) - volumeBelowL(pot, floorCm);
  const cm3 = integrateUp((z) => water(z) * sectionCm2(pot, floorCm + z), fillHeightCm - floorCm);
  return cm3 / 1000 / litres;
}

/** Height of the usual laboratory porometer ring (3 in), at which air is tabled, cm. */
export const POROMETER_CM = 7.6;

/** Share of total porosity that stays wet for good. @source typical value, from memory */
const RESIDUAL_SHARE = 0.05;

/**
 * The curve of a medium that is known by its porosity and its air in a
 * porometer ring.
 *
 * @param totalPorosity  0 … 1
 * @param airAt7_6cm  fraction of volume, below the porosity
 * @throws RangeError when no curve has that much or that little air
 */
export function retentionFromPorometer(
  totalPorosity: number,
  airAt7_6cm: number,
  n: number,
): Retention {
  return retentionFromColumn(totalPorosity, airAt7_6cm, n, POROMETER_CM, 'airAt7_6cm');
}

/**
 * The same from the air in a drained column of any height.
 *
 * @param heightCm  of the column, > 0
 * @param name  of the air, in errors
 */
export function retentionFromColumn(
  totalPorosity: number,
  air: number,
  n: number,
  heightCm: number,
  name = 'air',
): Retention {
  within('totalPorosity', totalPorosity, 0.05, 0.99);
  within('n', n, 1.05, 10);
  positive('heightCm', heightCm);
  const thetaR = RESIDUAL_SHARE * totalPorosity;
  const mostAir = totalPorosity - thetaR;
  if (!(air > 0 && air < mostAir)) {
    throw new OutOfRange(
      `${name} must lie between 0 and ${mostAir.toFixed(3)} for this porosity, got ${air}`,
    );
  }
  const curve = (logAlpha: number): Retention => ({
    thetaR,
    thetaS: totalPorosity,
    alphaPerCm: Math.exp(logAlpha),
    n,
  });
  const tooMuchWater = (logAlpha: number) =>
    meanWaterInColumn(waterAt(curve(logAlpha)), heightCm) - (totalPorosity - air);
  let logAlpha: number;
  try {
    logAlpha = bisect(tooMuchWater, Math.log(1e-6), Math.log(1e6), 1e-9);
  } catch {
    throw new OutOfRange(`${name} of ${air} cannot be reached with n = ${n}`);
  }
  return curve(logAlpha);
}

/**
 * Default shape of the curve by grain: fine and fibrous media have pores of
 * every size, washed sand and grit have much the same size throughout.
 *
 * @source starting values, from memory
 */
export function usualN(grainMm: number): number {
  if (grainMm < 1.5) return 1.6;
  if (grainMm <= 4) return 1.75;
  return 1.9;
}
