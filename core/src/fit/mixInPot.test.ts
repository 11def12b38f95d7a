import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COMPONENTS, RECIPES } from '../media/index.ts';
import { nominalPot } from '../pots/index.ts';
import { partsOf, substitutes } from '../mixing/index.ts';
import { agedInPot, mixInPot, mixTargets, swapPlace, type PottedPlace } from './index.ts';

const place = (rimCm: number, heightCm: number): PottedPlace => ({
  pot: { ...nominalPot(rimCm), heightCm },
  airNeed: 0.18,
  drying: 'halfDry',
  temperatureC: 20,
});
const anyParts = fc
  .uniqueArray(fc.constantFrom(...COMPONENTS), { minLength: 1, maxLength: 5 })
  .map((list) => list.map((ingredient, i) => ({ ingredient, parts: i + 1 })));

describe('a mix in a pot', () => {
  it('solids, water and air are 1 in any mix, in any pot, at any age', () => {
    fc.assert(
      fc.property(
        anyParts,
        fc.double({ min: 6, max: 40, noNaN: true }),
        fc.double({ min: 4, max: 45, noNaN: true }),
        fc.double({ min: 0, max: 90, noNaN: true }),
        (parts, rim, height, months) => {
          const there = place(rim, height);
          const mix = mixInPot(parts, there);
          expect(mix.air + mix.water + mix.solid).toBeCloseTo(1, 12);
          expect(mix.solid).toBeCloseTo(1 - mix.blend.totalPorosity, 9);
          const aged = agedInPot(mix, there, months);
          expect(aged.air + aged.water + aged.solid).toBeCloseTo(1, 12);
          expect(aged.air).toBeLessThanOrEqual(mix.air + 1e-12);
        },
      ),
      { numRuns: 80 },
    );
  });

  it('a taller pot of the same mix holds more air', () => {
    for (const { parts } of RECIPES) {
      const airs = [8, 14, 22, 34].map((h) => mixInPot(partsOf(parts), place(16, h)).air);
      expect([...airs].sort((a, b) => a - b)).toEqual(airs);
    }
  });

  it('its swaps are judged with the life that each has in that pot', () => {
    const there = place(14, 12);
    const parts = partsOf(RECIPES[0]!.parts);
    const [nearest] = substitutes(parts, 1, COMPONENTS, swapPlace(there));
    const life = mixInPot(nearest!.parts, there).life.months;
    expect(nearest!.figures.lifeMonths).toBe(life);
    expect(nearest!.figures.air).toBeGreaterThan(0);
  });
});

describe('targets to begin from', () => {
  it.each([
    [0.25, 'halfDry'],
    [0.12, 'littleDry'],
    [null, 'fullyDry'],
    [0.05, 'wet'],
  ] as const)('a need of %s, %s: air above it, and ranges that are possible', (airNeed, drying) => {
    const targets = mixTargets({ airNeed, drying });
    const air = targets.find(({ property }) => property === 'air');
    expect(air?.low ?? null).toBe(airNeed === null ? null : airNeed + 0.06);
    for (const { low, high, importance } of targets) {
      if (low !== undefined && high !== undefined) expect(low).toBeLessThan(high);
      expect(importance).toBeGreaterThan(0);
    }
    const least = targets.reduce(
      (sum, { property, low }) => sum + (property === 'air' || property === 'water' ? low! : 0),
      0,
    );
    expect(least).toBeLessThan(0.95);
  });
});

describe('the life of a mix in its pot', () => {
  it('is as old for who wants much air as for who wants little: that is a caution about the choice', () => {
    for (const { parts } of RECIPES) {
      const lives = [0.02, 0.12, 0.18, 0.25, 0.9].map((airNeed) => {
        const { life } = mixInPot(partsOf(parts), { ...place(14, 12), airNeed });
        return life;
      });
      expect(new Set(lives.map(({ months }) => months)).size).toBe(1);
      expect(lives[0]!.judgedBy).toBe('structure');
      expect(lives[4]!.judgedBy).toBe('tooWetFromStart');
    }
  });

  it('a drainage layer leaves less air above it, never more', () => {
    for (const { parts } of RECIPES) {
      const plain = mixInPot(partsOf(parts), place(16, 15)).air;
      const layered = mixInPot(partsOf(parts), { ...place(16, 15), floorCm: 2 }).air;
      expect(layered).toBeLessThanOrEqual(plain + 1e-12);
    }
  });
});
