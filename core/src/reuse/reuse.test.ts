import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { COMPONENTS, component, meanWaterInColumn, RECIPES, recipe } from '../media/index.ts';
import { blend, partsOf } from '../mixing/index.ts';
import { amendments, oldMedium, whyNotReuse } from './index.ts';

const everyday = partsOf(recipe('everyday').parts);
const WARM = { temperatureC: 20, wetness: 1 };

describe('an old medium', () => {
  it('fresh, it is the mix that it was', () => {
    const fresh = blend(everyday);
    const old = oldMedium(everyday, WARM, 0, 12);
    expect(old.airLeft).toBeCloseTo(1, 12);
    expect(old.ingredient.totalPorosity).toBeCloseTo(fresh.totalPorosity, 12);
    expect(old.air).toBeCloseTo(fresh.totalPorosity - meanWaterInColumn(fresh.water, 12), 9);
  });

  it('has less air, smaller grains and more weight the older it is, never more air', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...RECIPES),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 5, max: 30, noNaN: true }),
        ({ parts }, months, more, heightCm) => {
          const now = oldMedium(partsOf(parts), WARM, months, heightCm);
          const later = oldMedium(partsOf(parts), WARM, months + more, heightCm);
          expect(later.air).toBeLessThanOrEqual(now.air + 1e-12);
          expect(later.ingredient.grainMm).toBeLessThanOrEqual(now.ingredient.grainMm + 1e-12);
          expect(later.ingredient.dryKgPerL).toBeGreaterThanOrEqual(
            now.ingredient.dryKgPerL - 1e-12,
          );
          // It can be mixed again: its numbers are those of a possible ingredient.
          expect(() => blend([{ ingredient: later.ingredient, parts: 1 }])).not.toThrow();
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what to add to it', () => {
  const old = oldMedium(everyday, WARM, 18, 12);

  it('reaches the air that is wanted with the least that does, by trying all ratios', () => {
    const wanted = old.air + 0.08;
    const found = amendments(old, wanted, 12, COMPONENTS);
    expect(found.length).toBeGreaterThan(0);
    const air = (added: number, to: number, id: string) => {
      const mix = blend([
        { ingredient: old.ingredient, parts: to },
        { ingredient: component(id), parts: added },
      ]);
      return mix.totalPorosity - meanWaterInColumn(mix.water, 12);
    };
    for (const { component: c, old: to, added, air: reached } of found) {
      expect(reached).toBeGreaterThanOrEqual(wanted);
      expect(air(added, to, c.id)).toBeCloseTo(reached, 12);
      for (let o = 1; o <= 9; o++) {
        for (let a = 1; a + o <= 10; a++) {
          if (a / o < added / to - 1e-12 && a <= 3 * o) {
            expect(air(a, o, c.id), `${c.id} ${o}:${a}`).toBeLessThan(wanted);
          }
        }
      }
    }
    const shares = found.map(({ added, old: to }) => added / to);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
  });

  it('nothing brings it to more air than any component has', () => {
    expect(amendments(old, 0.85, 12, COMPONENTS)).toEqual([]);
    expect(() => amendments(old, 2, 12, COMPONENTS)).toThrow(/airWanted/);
  });
});

describe('when not to use it again', () => {
  it('says each thing that was seen against it, and nothing where nothing was', () => {
    expect(whyNotReuse({})).toEqual([]);
    expect(whyNotReuse({ smell: 'fresh', compacted: true })).toEqual([]);
    expect(whyNotReuse({ smell: 'sour', pests: 'gnats', saltCrust: 'thick' })).toHaveLength(3);
    expect(whyNotReuse({ infestedRoots: true })[0]).toMatch(/infested/);
  });
});
