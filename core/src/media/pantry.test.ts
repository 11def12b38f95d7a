import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  agedColumn,
  checkParts,
  COMPONENT_NUMBERS,
  component,
  componentOf,
  COMPONENTS,
  CONTENTS,
  kitchenTest,
  ownFromKitchenTest,
  pantryOf,
  permitted,
  preparations,
  preparationWords,
  provenanceOf,
  RECIPES,
  recipe,
  SHIPPED,
  TOP_DRESSING_USES,
  TOP_DRESSINGS,
  whyAvoided,
  type ComponentRecord,
} from './index.ts';

const RECORD: ComponentRecord = {
  id: 'own-1',
  label: 'bark 10–14 mm from the quay',
  like: 'barkMedium',
  own: { dryKgPerL: { value: 0.24, from: 'typed', on: '2026-03-01' } },
};

describe('a component of the keeper’s own', () => {
  it('has the numbers that are known and is like its model in the rest', () => {
    const own = componentOf(RECORD);
    expect(own).toMatchObject({ id: 'own-1', dryKgPerL: 0.24 });
    expect(own.airAt7_6cm).toBe(component('barkMedium').airAt7_6cm);
    expect(provenanceOf(RECORD, 'dryKgPerL')).toMatchObject({ from: 'typed', on: '2026-03-01' });
    expect(provenanceOf(RECORD, 'n')).toMatchObject({ from: 'table', like: 'bark 8–12 mm' });
  });

  it('takes what a kitchen test found, with its error', () => {
    const result = kitchenTest(
      { mediumL: 1, pouredL: 0.8, drainedL: 0.42, heightCm: 7.6, dryKg: 0.23 },
      1.9,
    );
    const own = ownFromKitchenTest(result, '2026-03-02');
    const tested = componentOf({ ...RECORD, own });
    expect(tested.totalPorosity).toBeCloseTo(0.8, 4);
    expect(tested.airAt7_6cm).toBeCloseTo(0.42, 3);
    expect(tested.dryKgPerL).toBeCloseTo(0.23, 4);
    expect(own.airAt7_6cm!.error).toBeGreaterThan(0.005);
  });

  it.each([
    ['more air than pores', { airAt7_6cm: 0.9 }, /airAt7_6cm/],
    ['no weight', { dryKgPerL: 0 }, /dryKgPerL/],
    ['too dense packing', { packing: 2 }, /packing/],
  ])('with %s it is refused by the number', (_what, numbers, message) => {
    const own = Object.fromEntries(
      Object.entries(numbers).map(([id, value]) => [
        id,
        { value, from: 'typed', on: '2026-03-01' },
      ]),
    ) as ComponentRecord['own'];
    expect(() => componentOf({ ...RECORD, own })).toThrow(message);
  });

  it('may be said not to rot, but every other number must be one', () => {
    const never = { value: null, from: 'typed' as const, on: '2026-03-01' };
    expect(componentOf({ ...RECORD, own: { halfLifeMonths: never } }).halfLifeMonths).toBeNull();
    expect(() => componentOf({ ...RECORD, own: { n: never } })).toThrow(/n must be a number/);
    expect(() => componentOf({ ...RECORD, like: 'soup' })).toThrow(/soup/);
  });

  it('every shipped number lies within what a keeper may type', () => {
    for (const shipped of COMPONENTS) {
      for (const [id, { least, most }] of Object.entries(COMPONENT_NUMBERS)) {
        const value = shipped[id as keyof typeof COMPONENT_NUMBERS];
        if (value === null) continue;
        expect(value, `${shipped.id}.${id}`).toBeGreaterThanOrEqual(least);
        expect(value, `${shipped.id}.${id}`).toBeLessThanOrEqual(most);
      }
    }
  });
});

describe('the pantry', () => {
  it('finds by id and refuses what is not there, or there twice', () => {
    expect(SHIPPED.recipe('bog').parts).toEqual(recipe('bog').parts);
    expect(() => SHIPPED.component('own-1')).toThrow(/own-1/);
    const twice = [component('peat'), component('peat')];
    expect(() => pantryOf(twice, RECIPES)).toThrow(/twice/);
  });

  it('an avoid-list takes out every component that holds what is avoided', () => {
    const avoided = { contents: ['peat' as const], components: ['perlite'] };
    const left = permitted(pantryOf(COMPONENTS, RECIPES, avoided)).map(({ id }) => id);
    for (const gone of ['peat', 'pottingSoil', 'loamCompost', 'perlite']) {
      expect(left).not.toContain(gone);
    }
    expect(left).toContain('coir');
    expect(whyAvoided(component('pottingSoil'), avoided)).toBe('peat');
    expect(whyAvoided(component('perlite'), avoided)).toBe('component');
    expect(whyAvoided(component('coir'), avoided)).toBeNull();
  });

  it('parts are refused when they are none, all zero, negative, or one component twice', () => {
    const part = (component: string, parts: number) => ({ component, parts });
    expect(() => checkParts([])).toThrow(/at least one/);
    expect(() => checkParts([part('peat', 0), part('coir', 0)])).toThrow(/all be 0/);
    expect(() => checkParts([part('peat', -1)])).toThrow(/0 or more/);
    expect(() => checkParts([part('peat', NaN)])).toThrow(/0 or more/);
    expect(() => checkParts([part('peat', 1), part('peat', 2)])).toThrow(/peat twice/);
    expect(checkParts([part('peat', 1), part('coir', 0)])).toHaveLength(2);
  });
});

describe('the tables', () => {
  it('every component has its handling, within range, and known contents', () => {
    for (const { id, ph, buffers, contains, soakMinutes, rinseMinutes } of COMPONENTS) {
      expect(ph, id).toBeGreaterThan(3);
      expect(ph, id).toBeLessThan(9);
      expect(buffers, id).toBeGreaterThan(0);
      expect(Math.min(soakMinutes, rinseMinutes), id).toBeGreaterThanOrEqual(0);
      for (const content of contains) expect(CONTENTS[content], id).toBeTruthy();
      expect(component(id).colour, id).toMatch(/^#[0-9a-f]{6}$/);
    }
    expect(() => component('soup')).toThrow(/soup/);
  });

  it('extras name shipped components', () => {
    for (const { extras } of RECIPES) {
      const named = [extras.topDressing?.component, extras.perPot?.component].filter(Boolean);
      for (const id of named) expect(() => component(id!)).not.toThrow();
    }
    for (const [key, { component: id }] of Object.entries(TOP_DRESSINGS)) {
      expect(component(id).id).toBe(key);
      expect(TOP_DRESSING_USES[key as keyof typeof TOP_DRESSINGS]).toBeTruthy();
    }
  });

  // Parts of the trade's common mixes: common practice, no source.
  it.each<[string, Record<string, number>]>([
    ['everyday', { pottingSoil: 3, perlite: 1 }],
    ['halfAndHalf', { pottingSoil: 1, perlite: 1 }],
    ['woodyDrain', { pottingSoil: 6, sharpSand: 4, barkFine: 1 }],
    ['chunkyClimber', { barkMedium: 2, coconutChips: 1, perlite: 1, pumice: 1, coir: 1 }],
    ['fineRoots', { perlite: 1, vermiculite: 1, peat: 1 }],
    ['gritty', { loamCompost: 1, grit: 1, sharpSand: 1 }],
    ['groundOrchid', { peat: 3, barkFine: 3, perlite: 2, firedClay: 2 }],
    ['climbingOrchid', { barkMedium: 1, peat: 1 }],
    ['barkEpiphyte', { barkMedium: 7, perlite: 2, charcoal: 1 }],
    ['mossOnly', { longMoss: 1 }],
    ['pebblesOnly', { clayPebbles: 1 }],
  ])('%s comes in the trade’s parts', (id, parts) => {
    const made = Object.fromEntries(recipe(id).parts.map((p) => [p.component, p.parts]));
    expect(made).toEqual(parts);
  });

  it('a foliage pot gets its handful of compost, soil makes up 60 % of the woody mix, bark 60–80 % of the epiphytes’', () => {
    expect(recipe('everyday').extras.perPot).toMatchObject({ component: 'compost' });
    const share = (id: string, of: string) => {
      const { parts } = recipe(id);
      const all = parts.reduce((sum, p) => sum + p.parts, 0);
      return parts.find(({ component: c }) => c === of)!.parts / all;
    };
    expect(Math.abs(share('woodyDrain', 'pottingSoil') - 0.6)).toBeLessThan(0.06);
    expect(share('barkEpiphyte', 'barkMedium')).toBeGreaterThanOrEqual(0.6);
    expect(share('barkEpiphyte', 'barkMedium')).toBeLessThanOrEqual(0.8);
  });
});

describe('a column as it ages', () => {
  const medium = fc
    .record({
      air: fc.double({ min: 0.02, max: 0.6, noNaN: true }),
      waterShare: fc.double({ min: 0, max: 1, noNaN: true }),
      organicShare: fc.double({ min: 0, max: 1, noNaN: true }),
      halfLifeMonths: fc.option(fc.double({ min: 2, max: 80, noNaN: true })),
    })
    .map((given) => ({ ...given, solid: (1 - given.air) * (1 - given.waterShare) }));

  it('solids, water and air are 1 at any age, and ageing adds no air and no height', () => {
    fc.assert(
      fc.property(
        medium,
        fc.double({ min: 0, max: 120, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        ({ solid, ...fresh }, months, later) => {
          const conditions = { temperatureC: 20, wetness: 1 };
          const now = agedColumn(fresh, solid, conditions, months);
          const then = agedColumn(fresh, solid, conditions, months + later);
          expect(now.air + now.water + now.solid).toBeCloseTo(1, 12);
          expect(then.air).toBeLessThanOrEqual(now.air + 1e-12);
          expect(then.sunk).toBeGreaterThanOrEqual(now.sunk - 1e-12);
          expect(then.water).toBeGreaterThanOrEqual(now.water - 1e-9);
          expect(now.water).toBeGreaterThanOrEqual(-1e-12);
        },
      ),
    );
  });

  it('starts as the fresh medium and refuses solids that leave no room', () => {
    const fresh = { air: 0.3, organicShare: 1, halfLifeMonths: 12 };
    const warm = { temperatureC: 20, wetness: 1 };
    const start = agedColumn(fresh, 0.2, warm, 0);
    expect(start).toMatchObject({ air: 0.3, solid: 0.2, sunk: 0 });
    expect(start.water).toBeCloseTo(0.5, 12);
    expect(() => agedColumn(fresh, 0.8, warm, 1)).toThrow(/solid/);
  });
});

describe('preparations', () => {
  const of = (school: 'preWet' | 'dryFill', ...ids: string[]) =>
    preparations(ids.map(component), () => school).map(preparationWords);

  it('begin with the longest soak, and name what repels water by its school', () => {
    const lines = of('preWet', 'perlite', 'peat', 'barkMedium');
    expect(lines[0]).toBe('soak bark 8–12 mm: overnight');
    expect(lines.find((line) => line.includes('peat'))).toMatch(/a little at a time/);
    expect(of('dryFill', 'peat')[0]).toMatch(/small doses/);
    expect(of('preWet', 'coir')).toEqual(['soak coir pith: 30 min']);
  });

  it('are none for what is ready as it is', () => {
    expect(of('preWet', 'sharpSand', 'vermiculite')).toEqual([]);
  });
});
