import { OutOfRange } from '../number/outOfRange.ts';
import { positive } from '../number/index.ts';

/**
 * Sizes that tell each shape, in the order in which a keeper measures them.
 *
 * - `round`: tapered, sides straight
 * - `cylinder`: round without taper
 * - `square`, `rectangular`: tapered, sides straight
 * - `bowl`: sides follow a quarter ellipse from the base to a vertical rim
 */
export const SIZES_OF_SHAPE = {
  round: ['topDiameterCm', 'baseDiameterCm', 'heightCm'],
  cylinder: ['topDiameterCm', 'heightCm'],
  square: ['topLengthCm', 'baseLengthCm', 'heightCm'],
  rectangular: ['topLengthCm', 'topWidthCm', 'baseLengthCm', 'baseWidthCm', 'heightCm'],
  bowl: ['topDiameterCm', 'baseDiameterCm', 'heightCm'],
} as const;
type SizesOfShape = typeof SIZES_OF_SHAPE;

/**
 * The vessel a plant stands in, by its inside unless `wallCm` says that the
 * sizes were taken outside. All lengths cm.
 */
export type PotShape = {
  [Shape in keyof SizesOfShape]: { shape: Shape } & Record<SizesOfShape[Shape][number], number>;
}[keyof SizesOfShape];

export const POT_SHAPES = Object.keys(SIZES_OF_SHAPE) as PotShape['shape'][];

/** Whether the sides of a pot meet in corners. */
export const hasCorners = (pot: PotShape): boolean => 'topLengthCm' in pot;

/** Longest side or height a pot can have here, cm. A tub larger than this is a raised bed. */
export const LARGEST_POT_CM = 200;

/** Smallest side or height, cm: a plug cell. */
export const SMALLEST_POT_CM = 1;

/** Half-widths of a pot at one height: equal for round pots, cm. */
export interface HalfWidths {
  lengthCm: number;
  widthCm: number;
}

/**
 * Inside area of the horizontal section `z` cm above the pot floor, cm².
 *
 * @param z  0 … heightCm
 */
export function sectionCm2(pot: PotShape, z: number): number {
  const share = z / pot.heightCm;
  switch (pot.shape) {
    case 'round': {
      const diameter = pot.baseDiameterCm + (pot.topDiameterCm - pot.baseDiameterCm) * share;
      return (Math.PI / 4) * diameter ** 2;
    }
    case 'cylinder':
      return (Math.PI / 4) * pot.topDiameterCm ** 2;
    case 'square':
      return (pot.baseLengthCm + (pot.topLengthCm - pot.baseLengthCm) * share) ** 2;
    case 'rectangular':
      return (
        (pot.baseLengthCm + (pot.topLengthCm - pot.baseLengthCm) * share) *
        (pot.baseWidthCm + (pot.topWidthCm - pot.baseWidthCm) * share)
      );
    case 'bowl': {
      const difference = pot.topDiameterCm ** 2 - pot.baseDiameterCm ** 2;
      return (Math.PI / 4) * (pot.topDiameterCm ** 2 - difference * (1 - share) ** 2);
    }
  }
}

/** Half the width seen from the front, `z` cm above the pot floor, cm. */
export function halfWidthCm(pot: PotShape, z: number): number {
  return footprintAt(pot, z).lengthCm;
}

/** Smallest distance from the axis to the edge of the base: what a pot tips over, cm. */
export function baseRadiusCm(pot: PotShape): number {
  const base = footprintAt(pot, 0);
  return Math.min(base.lengthCm, base.widthCm);
}

/** Half-widths of the horizontal section `z` cm above the pot floor, cm. */
export function footprintAt(pot: PotShape, z: number): HalfWidths {
  if (pot.shape === 'square') {
    const half = Math.sqrt(sectionCm2(pot, z)) / 2;
    return { lengthCm: half, widthCm: half };
  }
  if (pot.shape === 'rectangular') {
    const share = z / pot.heightCm;
    return {
      lengthCm: (pot.baseLengthCm + (pot.topLengthCm - pot.baseLengthCm) * share) / 2,
      widthCm: (pot.baseWidthCm + (pot.topWidthCm - pot.baseWidthCm) * share) / 2,
    };
  }
  const radius = Math.sqrt(sectionCm2(pot, z) / Math.PI);
  return { lengthCm: radius, widthCm: radius };
}

/** Width at the rim, cm: the diameter, or the longer side. */
export function rimCm(pot: PotShape): number {
  return 2 * footprintAt(pot, pot.heightCm).lengthCm;
}

/** Every size of the pot by its name, in the order in which a keeper would measure them. */
export function sizesOf(pot: PotShape): [name: string, cm: number][] {
  return Object.entries(pot).filter((entry): entry is [string, number] => entry[0].endsWith('Cm'));
}

/**
 * Checks every size of a pot.
 *
 * @throws RangeError naming the first size that is missing, zero, negative or beyond LARGEST_POT_CM
 */
export function checkPot(pot: PotShape): PotShape {
  for (const [name, cm] of sizesOf(pot)) {
    positive(name, cm);
    if (cm < SMALLEST_POT_CM || cm > LARGEST_POT_CM) {
      throw new OutOfRange(
        `${name} must be between ${SMALLEST_POT_CM} and ${LARGEST_POT_CM} cm, got ${cm}`,
      );
    }
  }
  return pot;
}

/**
 * The inside of a pot whose outside was measured.
 *
 * @param wallCm  thickness of wall and floor, ≥ 0
 * @throws RangeError when the wall leaves no room inside
 */
export function insideOf(outside: PotShape, wallCm: number): PotShape {
  if (wallCm === 0) return outside;
  const inside = Object.fromEntries(
    Object.entries(outside).map(([name, value]) => {
      if (typeof value !== 'number') return [name, value];
      const cm = value - (name === 'heightCm' ? wallCm : 2 * wallCm);
      return [name, positive(`${name} inside a wall of ${wallCm} cm`, cm)];
    }),
  );
  return inside as PotShape;
}
