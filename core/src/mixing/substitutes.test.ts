import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { component, COMPONENTS, RECIPES, recipe } from '../media/index.ts';
import { partsOf } from './batch.ts';
import { mixFigures, substitutes } from './substitutes.ts';

const everyday = partsOf(recipe('everyday').parts);
const bark = partsOf(recipe('barkEpiphyte').parts);

describe('substitutes', () => {
  it('pumice stands in for perlite, and is told as heavier (common practice, no source)', () => {
    const found = substitutes(everyday, 1, COMPONENTS, { heightCm: 12 });
    const place = (id: string) => found.findIndex(({ component: c }) => c.id === id);
    for (const worse of ['grit', 'sharpSand', 'peat', 'wormCompost']) {
      expect(place('pumice'), worse).toBeLessThan(place(worse));
    }
    expect(found[place('pumice')]!.wetKgPerL).toBeGreaterThan(0.05);
  });

  it('another grade of bark stands in for bark before moss or sand does', () => {
    const order = substitutes(bark, 0, COMPONENTS, { heightCm: 12 }).map(
      ({ component: { id } }) => id,
    );
    const firstBark = Math.min(order.indexOf('barkFine'), order.indexOf('barkCoarse'));
    expect(firstBark).toBeLessThan(order.indexOf('sharpSand'));
    expect(firstBark).toBeLessThan(order.indexOf('peat'));
  });

  it('more of what is in the mix already is offered too: bark for the lava beside it', () => {
    const chunks = [
      { ingredient: component('barkMedium'), parts: 3 },
      { ingredient: component('lava'), parts: 1 },
    ];
    const more = substitutes(chunks, 1, COMPONENTS, {
      heightCm: 12,
      lifeOf: (mix) => (mix.organicShare > 0 ? 20 : null),
    }).find(({ component: { id } }) => id === 'barkMedium')!;
    expect(more.parts).toEqual([{ ingredient: component('barkMedium'), parts: 4 }]);
    expect(more.figures.lifeMonths).toBe(20);
  });

  it('the part itself, or what is avoided, is not offered', () => {
    const peatFree = COMPONENTS.filter(({ id }) => id !== 'peat');
    const ids = substitutes(everyday, 1, peatFree, { heightCm: 12 }).map(
      ({ component: { id } }) => id,
    );
    expect(ids).not.toContain('perlite');
    expect(ids).not.toContain('peat');
  });

  it('swapping in the same thing under another name changes nothing', () => {
    const twin = { ...component('perlite'), id: 'perliteOfAnotherBag' };
    const [same] = substitutes(everyday, 1, [twin], { heightCm: 12 });
    expect(same).toMatchObject({ distance: 0, air: 0, water: 0, wetKgPerL: 0 });
  });

  it('every shipped recipe has a substitute for each of its parts, in any pot', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...RECIPES),
        fc.double({ min: 4, max: 40, noNaN: true }),
        ({ parts: given }, heightCm) => {
          const parts = partsOf(given);
          parts.forEach((_, of) => {
            const found = substitutes(parts, of, COMPONENTS, { heightCm });
            expect(found.length).toBe(COMPONENTS.length - 1);
            for (const { distance } of found) expect(Number.isFinite(distance)).toBe(true);
          });
        },
      ),
      { numRuns: 30 },
    );
  });

  it('no such part is refused', () => {
    expect(() => substitutes(everyday, 5, COMPONENTS, { heightCm: 12 })).toThrow(/of/);
  });
});

describe('what a swap changes', () => {
  const price = ({ id }: { id: string }) => (id === 'pumice' ? 1.2 : id === 'lava' ? null : 0.4);
  const place = { heightCm: 12, lifeOf: () => 18, priceOf: price };

  it('is told in air, water, weight, acidity, life and price', () => {
    const found = substitutes(everyday, 1, COMPONENTS, place);
    const pumice = found.find(({ component: c }) => c.id === 'pumice')!;
    expect(pumice.pricePerL).toBeCloseTo((1.2 - 0.4) / 4, 9);
    expect(pumice.lifeMonths).toBe(0);
    expect(pumice.figures.wetKgPerL - pumice.wetKgPerL).toBeCloseTo(
      mixFigures(everyday, place).wetKgPerL,
      9,
    );
    expect(found.find(({ component: c }) => c.id === 'lava')!.pricePerL).toBeNull();
  });

  it('of two alike the cheaper comes first, and peat for potting soil is told as more acid', () => {
    const twin = (id: string) => ({ ...component('pumice'), id });
    const priced = { ...place, priceOf: ({ id }: { id: string }) => (id === 'dear' ? 4 : 0.4) };
    const order = substitutes(everyday, 1, [twin('dear'), twin('cheap')], priced);
    expect(order.map(({ component: c }) => c.id)).toEqual(['cheap', 'dear']);
    const [peat] = substitutes(everyday, 0, [component('peat')], place);
    expect(peat!.ph).toBeLessThan(-1.5);
  });
});
