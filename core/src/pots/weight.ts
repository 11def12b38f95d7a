import { brimfulL } from './volume.ts';
import { insideOf, rimCm, type PotShape } from './shape.ts';
import { potMaterial, wallCm, type PotMaterialId } from './material.ts';

/**
 * Weight of the empty pot from its outside sizes and usual wall, kg.
 * The keeper's own weighing replaces it.
 */
export function emptyPotKg(outside: PotShape, material: PotMaterialId): number {
  const made = potMaterial(material);
  const wall = wallCm(made, rimCm(outside));
  return (brimfulL(outside) - brimfulL(insideOf(outside, wall))) * made.densityKgPerL;
}

/** Inside of a pot of this material whose sizes were taken outside, as sold. */
export function insideOfMaterial(outside: PotShape, material: PotMaterialId): PotShape {
  return insideOf(outside, wallCm(potMaterial(material), rimCm(outside)));
}
