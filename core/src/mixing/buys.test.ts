import { describe, expect, it } from 'vitest';
import { component } from '../media/index.ts';
import { whatItBuys } from './buys.ts';

const mix = (parts: Record<string, number>) =>
  Object.entries(parts).map(([id, amount]) => ({ ingredient: component(id), parts: amount }));

describe('what a part buys (threshold proportion: Spomer 1974, from memory)', () => {
  it('a fifth of bark in peat hardly adds air; above two thirds it adds much', () => {
    const { curve, addsAir, countsFrom, present } = whatItBuys(mix({ peat: 4, barkMedium: 1 }), 1, {
      heightCm: 12,
    });
    expect(present).toBeCloseTo(0.2, 12);
    expect(addsAir).toBeLessThan(0.05);
    expect(countsFrom).toBeGreaterThan(0.5);
    expect(countsFrom).toBeLessThan(0.8);
    const air = (share: number) => curve.find((step) => Math.abs(step.share - share) < 1e-9)!.air;
    expect(air(0.9) - air(0.7)).toBeGreaterThan(3 * (air(0.4) - air(0.2)));
  });

  it('begins without it and ends with nothing else', () => {
    const { curve } = whatItBuys(mix({ pottingSoil: 3, perlite: 1 }), 1, { heightCm: 12 });
    const alone = whatItBuys(mix({ pottingSoil: 1, perlite: 99 }), 0, { heightCm: 12 }).curve[0]!;
    expect(curve[0]!.share).toBe(0);
    expect(curve.at(-1)!.share).toBe(1);
    expect(curve.at(-1)!.air).toBeCloseTo(alone.air, 9);
  });

  it('solids, water and air make up the whole at every share', () => {
    for (const { air, water } of whatItBuys(mix({ peat: 1, pumice: 1, barkFine: 2 }), 2, {
      heightCm: 15,
    }).curve) {
      expect(air + water).toBeLessThanOrEqual(1);
      expect(air).toBeGreaterThanOrEqual(0);
    }
  });

  it('what adds no air counts from nowhere', () => {
    expect(
      whatItBuys(mix({ perlite: 4, sharpSand: 1 }), 1, { heightCm: 12 }).countsFrom,
    ).toBeNull();
  });

  it('a component that is alone, or not there, has nothing to buy', () => {
    expect(() => whatItBuys(mix({ longMoss: 1 }), 0, { heightCm: 12 })).toThrow(/others/);
    expect(() => whatItBuys(mix({ peat: 1, perlite: 1 }), 2, { heightCm: 12 })).toThrow(/of/);
  });
});
