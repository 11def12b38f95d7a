import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  COMPONENTS,
  component,
  permitted,
  pantryOf,
  RECIPES,
  recipe,
  SHIPPED,
} from '../media/index.ts';
import {
  blend,
  draw,
  measureOut,
  mixPh,
  partsOf,
  planTub,
  potExtras,
  SCOOP_TOLERANCE,
  scaledScoops,
  TUB_SHARE,
  withStandIns,
} from './index.ts';

describe('whole scoops of the keeper’s own', () => {
  /**
   * Least scale, 1 or more, at which whole counts keep every part within the
   * tolerance: every combination of counts, by the stretches of scale that each allows.
   */
  function leastByCounts(amounts: number[], scoopL: number): number {
    let least = Infinity;
    const stretch = (count: number, litres: number) => ({
      low: (count * scoopL) / (litres * (1 + SCOOP_TOLERANCE)),
      high: (count * scoopL) / (litres * (1 - SCOOP_TOLERANCE)),
    });
    const tryFrom = (i: number, low: number, high: number): void => {
      if (i === amounts.length) {
        least = Math.min(least, low);
        return;
      }
      for (let count = 1; ; count++) {
        const { low: from, high: to } = stretch(count, amounts[i]!);
        if (from > Math.min(high, least) + 1e-9) return;
        const [l, h] = [Math.max(low, from), Math.min(high, to)];
        if (l <= h + 1e-9) tryFrom(i + 1, l, h);
      }
    };
    tryFrom(0, 1, Infinity);
    return least;
  }

  it('never move a part by over 5 %, and mix no more than that takes, against brute force', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.05, max: 6, noNaN: true }), { minLength: 1, maxLength: 5 }),
        fc.constantFrom(0.24, 0.5, 1, 1.3),
        (amounts, scoopL) => {
          const plan = scaledScoops(amounts, scoopL);
          plan.scoops.forEach((count, i) => {
            expect(Number.isInteger(count) && count >= 1).toBe(true);
            const off = Math.abs((count * scoopL) / (amounts[i]! * plan.scale) - 1);
            expect(off).toBeLessThanOrEqual(SCOOP_TOLERANCE + 1e-9);
            expect(off).toBeLessThanOrEqual(plan.worstError + 1e-9);
          });
          const least = leastByCounts(amounts, scoopL);
          // The counts fit best a little above the least scale, never by more than the tolerance.
          expect(plan.scale).toBeLessThanOrEqual(least * (1 + SCOOP_TOLERANCE) + 1e-9);
          expect(plan.scale).toBeGreaterThanOrEqual(least - 1e-6);
        },
      ),
      { numRuns: 200 },
    );
  });

  it('one jug of everything that is in equal parts', () => {
    expect(scaledScoops([0.4, 0.4, 0.4], 0.5)).toMatchObject({ scoops: [1, 1, 1], worstError: 0 });
    expect(scaledScoops([0.4, 0, 0.4], 0.5).scoops).toEqual([1, 0, 1]);
  });
});

describe('tub loads', () => {
  it('every load goes into the tub, and all together make what is needed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...RECIPES),
        fc.array(fc.double({ min: 0.1, max: 15, noNaN: true }), { minLength: 1, maxLength: 12 }),
        fc.double({ min: 8, max: 90, noNaN: true }),
        ({ parts: given }, filledL, tubL) => {
          const parts = partsOf(given);
          const plan = planTub({ parts, filledL, tubL });
          const inTub = plan.scoop.scoops.reduce((sum, n) => sum + n * plan.scoop.scoopL, 0);
          // A load of suggested scoops is rounded by the tolerance at most.
          if (plan.scoop.exactEnough) {
            expect(inTub).toBeLessThanOrEqual(tubL * TUB_SHARE * (1 + SCOOP_TOLERANCE));
          }
          const measured = plan.measuredL.reduce((sum, litres) => sum + litres, 0);
          expect(plan.mixedL).toBeCloseTo(measured * (1 - plan.blend.shrink), 9);
          expect(plan.mixedL - plan.batch.mixedL).toBeCloseTo(plan.overL, 9);
          expect(plan.loadKg.dry).toBeLessThan(plan.loadKg.damp);
          expect(plan.loadKg.damp).toBeLessThan(plan.loadKg.soaked);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('few scoops a load, never beyond the tub', () => {
    const parts = partsOf(recipe('everyday').parts);
    const plan = planTub({ parts, filledL: [17.4], tubL: 20 });
    expect(Math.max(...plan.scoop.scoops)).toBeLessThanOrEqual(12);
    expect(plan.scoop.scale).toBeLessThanOrEqual(1.25);
    expect(plan.scoop.worstError).toBeLessThanOrEqual(SCOOP_TOLERANCE + 1e-9);
    expect(plan.fitsTub).toBe(true);
  });

  it('scoops too large for the tub are said, and a larger load is mixed less often', () => {
    const parts = partsOf(recipe('everyday').parts);
    const large = planTub({ parts, filledL: [30], tubL: 10, scoopL: 5 });
    expect(large.scoop.scoops).toEqual([3, 1]);
    expect(large).toMatchObject({ fitsTub: false, loads: 2 });
    expect(planTub({ parts, filledL: [30], tubL: 10, scoopL: 0.5 }).fitsTub).toBe(true);
    expect(planTub({ parts, filledL: [30], tubL: 10 }).fitsTub).toBe(true);
  });

  it('a batch by hand: 12 L wanted of one coarse thing, loads of 4 L', () => {
    const plan = planTub({
      parts: partsOf([{ component: 'barkMedium', parts: 1 }]),
      filledL: [6, 6],
      tubL: 5,
      scoopL: 1,
      margins: { settling: 0, spare: 0 },
    });
    expect(plan).toMatchObject({ loads: 3, mixedL: 12 });
    expect(plan.scoop.scoops).toEqual([4]);
    expect(plan.loadKg.dry).toBeCloseTo(4 * component('barkMedium').dryKgPerL, 9);
    expect(plan.roundedAir).toBeCloseTo(0, 12);
  });

  it('no pot, a tub of nothing, a scoop of nothing, or a thimble for a tub is refused', () => {
    const parts = partsOf(recipe('everyday').parts);
    expect(() => planTub({ parts, filledL: [] })).toThrow(/filledL/);
    expect(() => planTub({ parts, filledL: [1], tubL: 0 })).toThrow(/tubL/);
    expect(() => planTub({ parts, filledL: [1], scoopL: 0 })).toThrow(/scoopL/);
    expect(() => planTub({ parts, filledL: [900], tubL: 0.5 })).toThrow(/tub loads/);
    expect(() => measureOut(parts, -1)).toThrow(/filledL/);
  });
});

describe('stock', () => {
  const stock = { bagL: 10, bags: 2, openL: 3, pricePerBag: 8 };

  it('opened bags first, then own, then bought, by hand', () => {
    expect(draw(2, stock)).toMatchObject({ fromOpenL: 2, opens: 0, buys: 0, leftOpenL: 1 });
    expect(draw(3.5, stock)).toMatchObject({ opens: 1, buys: 0, leftOpenL: 9.5, leftBags: 1 });
    expect(draw(28, stock)).toMatchObject({
      opens: 2,
      buys: 1,
      missingL: 5,
      leftOpenL: 5,
      toPay: 8,
    });
    expect(draw(28, stock).worth).toBeCloseTo(22.4, 9);
    expect(draw(5, { ...stock, bagL: null })).toMatchObject({
      buys: null,
      missingL: 2,
      toPay: null,
    });
  });

  it('no litre is lost or made, and no bag is opened in vain', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 200, noNaN: true }),
        fc.double({ min: 1, max: 70, noNaN: true }),
        fc.integer({ min: 0, max: 6 }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (neededL, bagL, bags, openL) => {
          const d = draw(neededL, { bagL, bags, openL, pricePerBag: null });
          const got = openL + (d.opens + d.buys!) * bagL;
          expect(got - neededL).toBeCloseTo(d.leftOpenL, 6);
          if (d.opens + d.buys! > 0) expect(got - bagL).toBeLessThan(neededL + 1e-6);
          expect(d.opens + d.leftBags).toBe(bags);
          if (d.buys! > 0) expect(d.leftBags).toBe(0);
        },
      ),
    );
  });

  it('a bag of 0 L and a stock below nothing are refused', () => {
    expect(() => draw(1, { ...stock, bagL: 0 })).toThrow(/bagL/);
    expect(() => draw(1, { ...stock, openL: -1 })).toThrow(/openL/);
  });
});

describe('acidity and extras', () => {
  it('a mix lies between its parts, and perlite hardly moves peat', () => {
    const bog = mixPh(partsOf(recipe('bog').parts));
    expect(bog).toBeGreaterThan(component('peat').ph);
    expect(bog).toBeLessThan(component('peat').ph + 0.3);
    const by = (mix: Record<string, number>) =>
      mixPh(partsOf(Object.entries(mix).map(([id, parts]) => ({ component: id, parts }))));
    expect(by({ peat: 1, compost: 1 })).toBeCloseTo((3.8 + 7.5) / 2, 9);
  });

  it('top dressing by area and depth, feed by litres, a handful as it is', () => {
    const extras = potExtras(
      {
        topDressing: { component: 'grit', depthMm: 10 },
        feedGPerL: 3,
        perPot: { component: 'compost', litres: 0.1 },
      },
      SHIPPED,
      200,
      2,
    );
    expect(extras.map(({ kind, litres, grams }) => [kind, litres ?? grams])).toEqual([
      ['topDressing', 0.2],
      ['perPot', 0.1],
      ['feed', 6],
    ]);
    expect(() => potExtras({ feedGPerL: 50 }, SHIPPED, 200, 2)).toThrow(/feedGPerL/);
    expect(potExtras({}, SHIPPED, 200, 2)).toEqual([]);
    const avoiding = pantryOf(COMPONENTS, RECIPES, { contents: ['animal'], components: [] });
    const { extras: climber } = recipe('chunkyClimber');
    expect(potExtras(climber, avoiding, 200, 2)).toMatchObject([
      { kind: 'topDressing', leftOut: true },
    ]);
  });
});

describe('stand-ins', () => {
  it('an avoid-list is kept in every shipped recipe, and what changes is told', () => {
    const pantry = pantryOf(COMPONENTS, RECIPES, { contents: ['peat'], components: [] });
    const shelf = permitted(pantry);
    for (const { id, parts: given } of RECIPES) {
      const parts = partsOf(given);
      const { parts: made, standIns } = withStandIns(
        parts,
        ({ contains }) => contains.includes('peat'),
        shelf,
        { heightCm: 12 },
      );
      expect(
        made.some(({ ingredient }) => ingredient.contains.includes('peat')),
        id,
      ).toBe(false);
      expect(new Set(made.map(({ ingredient }) => ingredient.id)).size).toBe(made.length);
      const gone = parts.filter(({ ingredient }) => ingredient.contains.includes('peat'));
      expect(standIns.map(({ instead }) => instead.id)).toEqual(gone.map((p) => p.ingredient.id));
      expect(blend(made).shrink).toBeGreaterThanOrEqual(0);
    }
  });

  it('with nothing to take its place a part stays out, the last one stays in', () => {
    const parts = partsOf(recipe('everyday').parts);
    const soil = ({ id }: { id: string }) => id === 'pottingSoil';
    const only = withStandIns(parts, soil, [], { heightCm: 12 });
    expect(only.parts.map(({ ingredient }) => ingredient.id)).toEqual(['perlite']);
    const alone = withStandIns(parts.slice(0, 1), soil, [], { heightCm: 12 });
    expect(alone.parts).toHaveLength(1);
  });
});
