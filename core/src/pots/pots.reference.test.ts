import { describe, expect, it } from 'vitest';
import {
  brimfulL,
  centroidCm,
  fillL,
  heightFilledCm,
  insideOf,
  sectionCm2,
  volumeBelowL,
  type PotShape,
} from './index.ts';

const IN_CM = 2.54;
const IN3_PER_L = 61.02374;

const round = (top: number, base: number, height: number): PotShape => ({
  shape: 'round',
  topDiameterCm: top,
  baseDiameterCm: base,
  heightCm: height,
});

const EVERY_SHAPE: PotShape[] = [
  round(15, 11, 13.5),
  round(11, 15, 13.5),
  { shape: 'cylinder', topDiameterCm: 12, heightCm: 20 },
  { shape: 'square', topLengthCm: 11, baseLengthCm: 8, heightCm: 12 },
  {
    shape: 'rectangular',
    topLengthCm: 40,
    topWidthCm: 18,
    baseLengthCm: 36,
    baseWidthCm: 14,
    heightCm: 16,
  },
  { shape: 'bowl', topDiameterCm: 26, baseDiameterCm: 10, heightCm: 11 },
];

/** Plain midpoint sum, the slow way that cannot be wrong. */
function byMidpoints(f: (z: number) => number, height: number, slices = 200_000): number {
  const step = height / slices;
  let sum = 0;
  for (let i = 0; i < slices; i++) sum += f((i + 0.5) * step);
  return sum * step;
}

describe('pot volume against published and independent values', () => {
  it('a 15/11/13.5 cm pot holds 1.806 L (frustum formula πh(D² + Dd + d²)/12 by hand)', () => {
    expect(brimfulL(round(15, 11, 13.5))).toBeCloseTo(1.806, 3);
  });

  it('a 6.5/5/6.5 in pot holds 169.7 in³, inside container class #1', () => {
    // Class #1: 152–251 in³, ANSI Z60.1 American Standard for Nursery Stock, from memory.
    const cubicInches = brimfulL(round(6.5 * IN_CM, 5 * IN_CM, 6.5 * IN_CM)) * IN3_PER_L;
    expect(cubicInches).toBeCloseTo(169.7, 0);
    expect(cubicInches).toBeGreaterThan(152);
    expect(cubicInches).toBeLessThan(251);
  });

  it.each([
    // Nominal outside sizes typical of each class (common practice, no source);
    // class bounds in in³: ANSI Z60.1, from memory.
    ['#2', 8.5, 7, 8.5, 320, 474],
    ['#3', 10.5, 8.5, 9.5, 628, 742],
    ['#5', 12, 10, 11, 785, 1242],
  ])(
    'a typical class %s container lies inside its class',
    (_name, top, base, height, low, high) => {
      const cubicInches = brimfulL(round(top * IN_CM, base * IN_CM, height * IN_CM)) * IN3_PER_L;
      expect(cubicInches).toBeGreaterThan(low);
      expect(cubicInches).toBeLessThan(high);
    },
  );

  it.each(EVERY_SHAPE.map((pot) => [pot.shape, pot] as const))(
    'the volume of a %s pot is the integral of its sections to 1e-6',
    (_name, pot) => {
      for (const share of [0.3, 0.8, 1]) {
        const z = share * pot.heightCm;
        const integral = byMidpoints((height) => sectionCm2(pot, height), z) / 1000;
        expect(Math.abs(volumeBelowL(pot, z) / integral - 1)).toBeLessThan(1e-6);
      }
    },
  );

  it.each(EVERY_SHAPE.map((pot) => [pot.shape, pot] as const))(
    'the centroid of a filled %s pot is the first moment over the volume to 1e-6',
    (_name, pot) => {
      const z = 0.9 * pot.heightCm;
      const moment = byMidpoints((height) => height * sectionCm2(pot, height), z) / 1000;
      expect(Math.abs(centroidCm(pot, z) / (moment / volumeBelowL(pot, z)) - 1)).toBeLessThan(1e-6);
    },
  );

  it('half of a full ellipsoid is 2/3·πR²h (geometry)', () => {
    // A bowl with almost no flat base is half an ellipsoid.
    const bowl: PotShape = { shape: 'bowl', topDiameterCm: 20, baseDiameterCm: 1, heightCm: 9 };
    const half = ((2 / 3) * Math.PI * 10 ** 2 * 9) / 1000;
    expect(Math.abs(brimfulL(bowl) / half - 1)).toBeLessThan(0.002);
  });

  it('a height that is filled gives back the litres that filled it', () => {
    for (const pot of EVERY_SHAPE) {
      const litres = fillL(pot);
      expect(volumeBelowL(pot, heightFilledCm(pot, litres))).toBeCloseTo(litres, 5);
    }
  });

  it('outside sizes less the wall give the inside by hand', () => {
    // 15/11/13.5 outside with a 0.5 cm wall and floor: 14/10/13 inside.
    expect(brimfulL(insideOf(round(15, 11, 13.5), 0.5))).toBeCloseTo(
      (Math.PI * 13 * (14 ** 2 + 14 * 10 + 10 ** 2)) / 12 / 1000,
      9,
    );
  });
});
