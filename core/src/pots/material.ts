import { OutOfRange } from '../number/outOfRange.ts';
/** What a pot is made of, and what that does to weight and drying. */
export interface PotMaterial {
  id: PotMaterialId;
  label: string;
  /** thickness of wall and floor, cm, by pot size: share of the rim width, with a least value */
  wallShareOfRim: number;
  leastWallCm: number;
  densityKgPerL: number;
  /** water lost through the wall, as a share of what an equal open surface would lose */
  wallEvaporation: number;
  source: string;
}

export const POT_MATERIALS = [
  {
    id: 'plastic',
    label: 'plastic',
    wallShareOfRim: 0.006,
    leastWallCm: 0.08,
    densityKgPerL: 0.95,
    wallEvaporation: 0,
    source:
      'density of polypropylene about 0.9–0.95, from memory; wall: common practice, no source',
  },
  {
    id: 'terracotta',
    label: 'unglazed clay',
    wallShareOfRim: 0.04,
    leastWallCm: 0.5,
    densityKgPerL: 1.9,
    wallEvaporation: 0.3,
    source:
      'density and evaporation through the wall from memory; wall: common practice, no source',
  },
  {
    id: 'glazed',
    label: 'glazed ceramic',
    wallShareOfRim: 0.04,
    leastWallCm: 0.5,
    densityKgPerL: 2.1,
    wallEvaporation: 0,
    source: 'from memory; wall: common practice, no source',
  },
  {
    id: 'fabric',
    label: 'fabric',
    wallShareOfRim: 0.008,
    leastWallCm: 0.3,
    densityKgPerL: 0.18,
    wallEvaporation: 0.45,
    source: 'needled felt, from memory; evaporation: common practice, no source',
  },
  {
    id: 'net',
    label: 'net pot',
    wallShareOfRim: 0.006,
    leastWallCm: 0.12,
    // A lattice: about half of the wall is open.
    densityKgPerL: 0.48,
    wallEvaporation: 0.4,
    source: 'half the weight of a closed plastic wall, from memory; evaporation: common practice',
  },
  {
    id: 'glass',
    label: 'glass',
    wallShareOfRim: 0.02,
    leastWallCm: 0.3,
    densityKgPerL: 2.5,
    wallEvaporation: 0,
    source: 'density of soda-lime glass about 2.5, from memory; wall: common practice, no source',
  },
] as const satisfies readonly (Omit<PotMaterial, 'id'> & { id: string })[];

export type PotMaterialId = (typeof POT_MATERIALS)[number]['id'];

/** @throws RangeError for a material that is not in the table */
export function potMaterial(id: string): PotMaterial {
  const found = POT_MATERIALS.find((material) => material.id === id);
  if (!found) throw new OutOfRange(`material must be a known one, got ${id}`);
  return found;
}

/** Usual wall of a pot this wide at the rim, cm. */
export function wallCm(material: PotMaterial, rim: number): number {
  return Math.max(material.leastWallCm, material.wallShareOfRim * rim);
}
