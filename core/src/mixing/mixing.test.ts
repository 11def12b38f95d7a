import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COMPONENTS, component, recipe, RECIPES } from '../media/index.ts';
import { blend, measureOut, packingDensity, partsOf, SCOOP_TOLERANCE, scoopsOf } from './index.ts';

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

  // Was: the largest exact scoop, which brought 33 × 50 mL. A hand counts to twelve.
  it('a suggested scoop keeps the proportions of any recipe in counts that a hand keeps', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...RECIPES),
        fc.double({ min: 0.1, max: 40, noNaN: true }),
        ({ parts }, filledL) => {
          const { scoop, measures } = measureOut(partsOf(parts), filledL);
          // Six to four to one has no small counts at every size.
          const awkward = Math.max(...parts.map((part) => part.parts)) > 5;
          expect(Math.max(...scoop.scoops)).toBeLessThanOrEqual(awkward ? 20 : 12);
          const made = scoop.scoops.reduce((sum, count) => sum + count, 0);
          const asked = measures.reduce((sum, { litres }) => sum + litres, 0);
          scoop.scoops.forEach((count, i) => {
            const share = measures[i]!.litres / asked;
            expect(Math.abs(count / made / share - 1)).toBeLessThanOrEqual(2 * SCOOP_TOLERANCE);
          });
          // Never less than is needed, and of more than a handful little more.
          expect(scoop.scale).toBeGreaterThanOrEqual(1);
          const most = Math.max(awkward ? 1.5 : 1.25, 1 + 0.3 / asked);
          expect(scoop.scale).toBeLessThanOrEqual(most + 1e-9);
        },
      ),
    );
  });

  it.each([
    ['halfAndHalf', 5],
    ['everyday', 1.2],
    ['everyday', 20],
    ['barkEpiphyte', 3],
  ])('%s for %d L: at most ten scoops, in its own ratio where that is small', (id, filledL) => {
    const { scoop } = measureOut(partsOf(recipe(id).parts), filledL);
    const sum = scoop.scoops.reduce((all, count) => all + count, 0);
    expect(sum).toBeLessThanOrEqual(12);
    const [first, second] = recipe(id).parts;
    expect(scoop.scoops[0]! / scoop.scoops[1]!).toBeCloseTo(first!.parts / second!.parts, 9);
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
