import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COMPONENTS, component, RECIPES } from '../media/index.ts';
import {
  blend,
  measureOut,
  packingDensity,
  partsOf,
  SCOOP_TOLERANCE,
  SCOOPS_L,
  scoopsOf,
  suggestScoop,
} from './index.ts';

describe('blend', () => {
  it.each([
    ['all zero', [0, 0]],
    ['negative', [1, -1]],
    ['not a number', [1, NaN]],
  ])('parts that are %s are refused', (_what, [soil, perlite]) => {
    expect(() =>
      blend([
        { ingredient: component('pottingSoil'), parts: soil! },
        { ingredient: component('perlite'), parts: perlite! },
      ]),
    ).toThrow(/part/);
  });

  it('no class of grains is no packing', () => {
    expect(() => packingDensity([])).toThrow(RangeError);
  });

  it('mixing never gains volume, and only the proportion of parts counts', () => {
    const ids = COMPONENTS.map(({ id }) => id);
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom(...ids), { minLength: 1, maxLength: 5 }),
        fc.integer({ min: 1, max: 50 }),
        (chosen, times) => {
          const parts = chosen.map((id, i) => ({ component: id, parts: i + 1 }));
          const mix = blend(partsOf(parts));
          const larger = blend(partsOf(parts.map((p) => ({ ...p, parts: p.parts * times }))));
          expect(mix.shrink).toBeGreaterThanOrEqual(-1e-12);
          expect(mix.shrink).toBeLessThan(0.45);
          expect(larger.shrink).toBeCloseTo(mix.shrink, 9);
          expect(larger.dryKgPerL).toBeCloseTo(mix.dryKgPerL, 9);
        },
      ),
    );
  });

  it('mass is conserved through the shrink', () => {
    const parts = partsOf([
      { component: 'loamCompost', parts: 1 },
      { component: 'grit', parts: 2 },
    ]);
    const mix = blend(parts);
    const perMeasured = (0.95 * 1 + 1.5 * 2) / 3;
    expect(mix.dryKgPerL * (1 - mix.shrink)).toBeCloseTo(perMeasured, 12);
  });
});

describe('measuring out', () => {
  it('the measured litres, shrunk, settled and spared, fill what was asked', () => {
    for (const { parts } of RECIPES) {
      const batch = measureOut(partsOf(parts), 2.4);
      const mix = blend(partsOf(parts));
      const measured = batch.measures.reduce((sum, { litres }) => sum + litres, 0);
      expect(measured).toBeCloseTo(batch.measuredL, 9);
      const settled =
        (measured * (1 - mix.shrink) * (1 - batch.margins.settling)) / (1 + batch.margins.spare);
      expect(settled).toBeCloseTo(2.4, 9);
    }
  });

  it('settling lies within the usual 5–15 % (common practice, no source)', () => {
    for (const { parts } of RECIPES) {
      const { settling } = measureOut(partsOf(parts), 1).margins;
      expect(settling).toBeGreaterThanOrEqual(0.05);
      expect(settling).toBeLessThanOrEqual(0.15);
    }
  });

  it('a suggested scoop is the largest that is exact enough, by trying all', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.3, max: 12, noNaN: true }), { minLength: 1, maxLength: 5 }),
        (amounts) => {
          const plan = suggestScoop(amounts);
          const error = (scoop: number) =>
            Math.max(
              ...amounts.map((l) => Math.abs((Math.max(1, Math.round(l / scoop)) * scoop) / l - 1)),
            );
          const countable = SCOOPS_L.filter((s) => Math.max(...amounts) / s <= 40.5);
          const exact = countable.filter((s) => error(s) <= SCOOP_TOLERANCE);
          if (exact.length > 0) expect(plan.scoopL).toBe(exact[exact.length - 1]);
          else expect(plan.exactEnough).toBe(false);
          expect(plan.worstError).toBeCloseTo(error(plan.scoopL), 12);
        },
      ),
    );
  });

  it('an own jug gives whole scoops and says how far they are off', () => {
    const plan = scoopsOf([1.1, 0.33], 0.5);
    expect(plan.scoops).toEqual([2, 1]);
    expect(plan.worstError).toBeCloseTo(0.5 / 0.33 - 1, 9);
    expect(plan.exactEnough).toBe(false);
  });

  it.each([0, -1, NaN])('a scoop of %d L is refused', (scoopL) => {
    expect(() => scoopsOf([1], scoopL)).toThrow(/scoopL/);
  });

  it('nothing to fill is refused', () => {
    expect(() => measureOut(partsOf([{ component: 'perlite', parts: 1 }]), 0)).toThrow(/filledL/);
  });
});
