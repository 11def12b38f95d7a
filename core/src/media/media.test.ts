import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { blend, blendOfRecipe, partsOf } from '../mixing/index.ts';
import {
  airAfter,
  COMPONENTS,
  component,
  finalAir,
  MEDIUM_KINDS,
  meanWaterInColumn,
  recipeOfKind,
  RECIPES,
  retentionFromPorometer,
} from './index.ts';

describe('media', () => {
  it('a taller column of the same mix holds more air', () => {
    for (const { id } of RECIPES) {
      const mix = blendOfRecipe(id);
      let before = -1;
      for (const height of [5, 8, 12, 18, 25]) {
        const air = mix.totalPorosity - meanWaterInColumn(mix.water, height);
        expect(air).toBeGreaterThanOrEqual(before);
        before = air;
      }
    }
  });

  it('solids, water and air make one in any mix at any height', () => {
    const ids = COMPONENTS.map(({ id }) => id);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...ids), fc.integer({ min: 1, max: 9 })), {
          minLength: 1,
          maxLength: 5,
        }),
        fc.double({ min: 2, max: 40, noNaN: true }),
        (rows, height) => {
          const mix = blend(partsOf(rows.map(([id, parts]) => ({ component: id, parts }))));
          const water = meanWaterInColumn(mix.water, height);
          const air = mix.totalPorosity - water;
          const solids = 1 - mix.totalPorosity;
          expect(water).toBeGreaterThan(0);
          expect(air).toBeGreaterThanOrEqual(-1e-12);
          expect(solids).toBeGreaterThan(0);
          expect(solids).toBeLessThan(0.75);
        },
      ),
    );
  });

  it('ageing never adds air and ends at the floor', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.03, max: 0.6, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 6, max: 60, noNaN: true }),
        (air, organicShare, halfLifeMonths) => {
          const medium = { air, organicShare, halfLifeMonths };
          const conditions = { temperatureC: 20, wetness: 1 };
          let before = air;
          for (const months of [1, 6, 12, 24, 60, 600]) {
            const now = airAfter(medium, conditions, months);
            expect(now).toBeLessThanOrEqual(before + 1e-12);
            before = now;
          }
          expect(before).toBeGreaterThanOrEqual(finalAir(medium) - 1e-9);
        },
      ),
    );
  });

  it('rot runs twice as fast ten degrees warmer', () => {
    const bark = { air: 0.48, organicShare: 0.7, halfLifeMonths: 17 };
    const at = (temperatureC: number, months: number) =>
      airAfter(bark, { temperatureC, wetness: 1 }, months);
    for (const months of [3, 9, 24]) expect(at(25, months)).toBeCloseTo(at(15, 2 * months), 9);
  });

  it('stones hold their air', () => {
    const stones = { air: 0.45, organicShare: 0, halfLifeMonths: null };
    expect(airAfter(stones, { temperatureC: 20, wetness: 1 }, 600)).toBe(0.45);
  });

  it.each([
    [0.8, 0],
    [0.8, 0.8],
    [0.8, -0.1],
    [0.8, NaN],
    [1.4, 0.2],
  ])('porosity %d with air %d is refused', (porosity, air) => {
    expect(() => retentionFromPorometer(porosity, air, 1.8)).toThrow(RangeError);
  });

  it('every recipe is made of shipped components in whole parts', () => {
    for (const { parts } of RECIPES) {
      for (const part of parts) {
        expect(() => component(part.component)).not.toThrow();
        expect(Number.isInteger(part.parts)).toBe(true);
      }
    }
  });

  it('every kind of medium stands for a recipe; an unknown one is refused', () => {
    for (const { id } of MEDIUM_KINDS) expect(recipeOfKind(id).parts.length).toBeGreaterThan(0);
    expect(() => component('unobtainium')).toThrow(/unobtainium/);
  });

  it('components are unique, named, sourced and physically possible', () => {
    expect(new Set(COMPONENTS.map(({ id }) => id)).size).toBe(COMPONENTS.length);
    for (const { totalPorosity, airAt7_6cm, packing, source, label } of COMPONENTS) {
      expect(airAt7_6cm).toBeLessThan(totalPorosity);
      // Pores inside grains can only add to those between them.
      expect(totalPorosity).toBeGreaterThan((1 - packing) * 0.99);
      expect(source).not.toBe('');
      expect(label).not.toBe('');
    }
  });
});
