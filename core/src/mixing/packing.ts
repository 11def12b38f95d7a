import { positive, within } from '../number/index.ts';

/** One class of grains in a packing. */
export interface GrainClass {
  /** middling diameter, mm, > 0 */
  grainMm: number;
  /** β: packing of this class alone, 0 … 1 */
  packing: number;
  /** grain volume, in any unit; only its share counts */
  grainVolume: number;
}

/** How far fine grains push coarse ones apart (0: not at all, when infinitely finer; 1: alike). */
function loosening(fineMm: number, coarseMm: number): number {
  return Math.sqrt(1 - (1 - fineMm / coarseMm) ** 1.02);
}

/** How far a coarse grain's wall loosens the fine ones beside it. */
function wallEffect(fineMm: number, coarseMm: number): number {
  return 1 - (1 - fineMm / coarseMm) ** 1.5;
}

/**
 * Packing density of a mixture: grain volume per mixed volume.
 *
 * The linear packing model: each class in turn is taken as the one that
 * carries the load, and the scarcest of the resulting densities holds.
 *
 * @returns γ, 0 … 1
 * @throws RangeError for no class, or a size, packing or volume out of range
 * @source de Larrard, Concrete Mixture Proportioning, 1999, chapter 1
 */
export function packingDensity(classes: readonly GrainClass[]): number {
  const total = classes.reduce((sum, { grainVolume }) => sum + grainVolume, 0);
  positive('sum of grain volumes', total);
  for (const { grainMm, packing, grainVolume } of classes) {
    positive('grainMm', grainMm);
    within('packing', packing, 0.05, 0.99);
    within('grainVolume', grainVolume, 0, Number.MAX_VALUE);
  }
  const present = classes.filter(({ grainVolume }) => grainVolume > 0);
  return Math.min(...present.map((bearing) => densityIfBearing(bearing, present, total)));
}

function densityIfBearing(
  bearing: GrainClass,
  classes: readonly GrainClass[],
  total: number,
): number {
  let loss = 0;
  for (const other of classes) {
    loss += (lossBeside(bearing, other) * other.grainVolume) / total;
  }
  return bearing.packing / (1 - loss);
}

/**
 * What a class takes off the room that grains need, where another bears the
 * load, per share of grain volume: the c of γ = β / (1 − Σ c·y).
 */
export function lossBeside(
  bearing: Pick<GrainClass, 'grainMm' | 'packing'>,
  other: Pick<GrainClass, 'grainMm' | 'packing'>,
): number {
  if (other === bearing) return 0;
  if (other.grainMm >= bearing.grainMm) {
    const wall = wallEffect(bearing.grainMm, other.grainMm);
    return 1 - bearing.packing + wall * bearing.packing * (1 - 1 / other.packing);
  }
  return 1 - (loosening(other.grainMm, bearing.grainMm) * bearing.packing) / other.packing;
}
