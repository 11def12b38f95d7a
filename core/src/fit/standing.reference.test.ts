import { describe, expect, it } from 'vitest';
import { halfWidthCm, sectionCm2, type PotShape } from '../pots/index.ts';
import { BALLAST_KG_PER_L, ballastLayer, stanceOf } from './index.ts';

/** Midpoint sums over thin slices: another way than the closed forms of the model. */
function integrate(f: (z: number) => number, to: number, slices = 20_000): number {
  const step = to / slices;
  let sum = 0;
  for (let i = 0; i < slices; i++) sum += f((i + 0.5) * step) * step;
  return sum;
}

const SHAPES: PotShape[] = [
  { shape: 'round', topDiameterCm: 20, baseDiameterCm: 12, heightCm: 16 },
  { shape: 'square', topLengthCm: 18, baseLengthCm: 14, heightCm: 15 },
  { shape: 'bowl', topDiameterCm: 28, baseDiameterCm: 12, heightCm: 14 },
  {
    shape: 'rectangular',
    topLengthCm: 40,
    topWidthCm: 18,
    baseLengthCm: 36,
    baseWidthCm: 15,
    heightCm: 14,
  },
];

describe('centre of gravity of a whole plant, by integration over slices', () => {
  it.each(SHAPES)('$shape: medium, pot, plant and pole', (pot) => {
    const fill = pot.heightCm - 1.5;
    const mediumKg = 1.7;
    const area = (z: number) => sectionCm2(pot, z);
    const volume = integrate(area, fill);
    const mediumCentre = integrate((z) => z * area(z), fill) / volume;
    const bodies = [
      { kg: 0.4, at: 0.45 * pot.heightCm },
      { kg: mediumKg, at: mediumCentre },
      { kg: 0.3, at: fill + 0.45 * 50 },
      { kg: 0.5, at: 40 },
    ];
    const mass = bodies.reduce((sum, { kg }) => sum + kg, 0);
    const height = bodies.reduce((sum, { kg, at }) => sum + kg * at, 0) / mass;
    const base = pot.shape === 'rectangular' ? pot.baseWidthCm / 2 : halfWidthCm(pot, 0);
    const stance = stanceOf({
      // The drawn pot is taken without a wall here, so that inside and outside are one.
      option: { outside: pot, material: 'plastic', emptyKg: 0.4 },
      inside: pot,
      fillHeightCm: fill,
      mediumDryKg: mediumKg,
      waterL: 0,
      plantKg: 0.3,
      plantHeightCm: 50,
      support: { lengthCm: 80, dryKg: 0.5, wetKg: 0.5 },
    });
    expect(stance.gravityHeightDryCm).toBeCloseTo(height, 5);
    expect(stance.dryKg).toBeCloseTo(mass, 9);
    expect(stance.tipAngleDryDeg).toBeCloseTo((Math.atan(base / height) * 180) / Math.PI, 5);
  });

  it.each(SHAPES)('$shape: a layer of stones weighs its slices', (pot) => {
    const { kg } = ballastLayer(pot, 2);
    expect(kg).toBeCloseTo((integrate((z) => sectionCm2(pot, z), 2) / 1000) * BALLAST_KG_PER_L, 6);
  });

  it('dry is the worst: water low in the pot only steadies it', () => {
    const pot = SHAPES[0]!;
    const stance = stanceOf({
      option: { outside: pot, material: 'plastic' },
      inside: pot,
      fillHeightCm: 14,
      mediumDryKg: 0.8,
      waterL: 1.2,
      plantKg: 0.4,
      plantHeightCm: 90,
    });
    expect(stance.tipAngleDryDeg).toBeLessThan(stance.tipAngleWetDeg);
  });

  it('in a cover it stands on the cover’s base', () => {
    const pot = SHAPES[0]!;
    const alone = {
      option: { outside: pot, material: 'plastic' as const },
      inside: pot,
      fillHeightCm: 14,
      mediumDryKg: 1,
      waterL: 1,
      plantKg: 0.5,
      plantHeightCm: 90,
    };
    const cover = {
      id: 'c',
      label: '',
      material: 'glazed' as const,
      outside: { shape: 'cylinder' as const, topDiameterCm: 26, heightCm: 20 },
    };
    expect(stanceOf({ ...alone, cover }).tipAngleDryDeg).toBeGreaterThan(
      stanceOf(alone).tipAngleDryDeg,
    );
  });
});
