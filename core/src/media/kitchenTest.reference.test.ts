import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COMPONENTS } from './components.ts';
import { kitchenTest, type KitchenReading } from './kitchenTest.ts';
import { meanWaterInColumn, retentionFromPorometer, waterAt } from './retention.ts';

const RING: KitchenReading = { mediumL: 1, pouredL: 0.8, drainedL: 0.3, heightCm: 7.6 };

describe('the kitchen test', () => {
  it('1 L that takes up 0.8 L and lets 0.3 L go: porosity 0.80, air 0.30 (by hand)', () => {
    const { totalPorosity, air, airAt7_6cm, dryKgPerL } = kitchenTest(RING, 1.9);
    expect(totalPorosity.value).toBeCloseTo(0.8, 12);
    expect(air.value).toBeCloseTo(0.3, 12);
    // In a vessel as high as the ring nothing is to be brought over.
    expect(airAt7_6cm.value).toBeCloseTo(0.3, 6);
    expect(dryKgPerL).toBeNull();
  });

  it('errors by hand: a jug read to 10 mL leaves √(0.01² + 0.008²) in 0.8 of 1 L', () => {
    expect(kitchenTest(RING, 1.9).totalPorosity.error).toBeCloseTo(Math.hypot(0.01, 0.008), 9);
  });

  it('0.2 kg of dry medium in 1 L weigh 0.2 kg/L', () => {
    expect(kitchenTest({ ...RING, dryKg: 0.2 }, 1.9).dryKgPerL!.value).toBeCloseTo(0.2, 12);
  });

  it('finds every component of the table again, whatever vessel it was tried in', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...COMPONENTS),
        fc.double({ min: 5, max: 30, noNaN: true }),
        ({ totalPorosity, airAt7_6cm, n }, heightCm) => {
          const curve = retentionFromPorometer(totalPorosity, airAt7_6cm, n);
          const air = totalPorosity - meanWaterInColumn(waterAt(curve), heightCm);
          const mediumL = 2;
          const found = kitchenTest(
            {
              mediumL,
              pouredL: totalPorosity * mediumL,
              drainedL: air * mediumL,
              heightCm,
              readToL: 0.001,
            },
            n,
          );
          expect(found.totalPorosity.value).toBeCloseTo(totalPorosity, 9);
          expect(found.airAt7_6cm.value).toBeCloseTo(airAt7_6cm, 4);
        },
      ),
      { numRuns: 60 },
    );
  });

  it.each([
    ['more drained than poured', { drainedL: 0.9 }, /^drainedL/],
    ['more poured than there is room', { pouredL: 1.2 }, /^pouredL/],
    ['nothing poured', { pouredL: 0 }, /^pouredL/],
    ['a thimble of medium', { mediumL: 0.05 }, /^mediumL/],
    ['a vessel without height', { heightCm: 0 }, /^heightCm/],
  ])('%s is refused by its reading', (_what, wrong, field) => {
    expect(() => kitchenTest({ ...RING, ...wrong }, 1.9)).toThrow(field);
  });
});
