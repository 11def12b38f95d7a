import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  BATHS,
  CHEMICALS,
  dilute,
  ecOfPpm,
  elementsOf,
  K_IN_K2O,
  nextFlushDays,
  P_IN_P2O5,
  pourOf,
  pourOrder,
  ppmOfEc,
  whyNeverMix,
  type Chemical,
  type FeedBottle,
} from './index.ts';

describe('elements behind a label', () => {
  it('oxide factors are 0.436 and 0.830 (fertiliser tables)', () => {
    expect(P_IN_P2O5).toBeCloseTo(0.436, 3);
    expect(K_IN_K2O).toBeCloseTo(0.83, 3);
    expect(elementsOf({ n: 20, p2o5: 20, k2o: 20 })).toMatchObject({ n: 20 });
    expect(elementsOf({ n: 20, p2o5: 10, k2o: 20 }).p).toBeCloseTo(4.36, 2);
    expect(elementsOf({ n: 20, p2o5: 10, k2o: 20 }).k).toBeCloseTo(16.6, 1);
  });

  it('figures below nothing, or more than the whole, are refused', () => {
    expect(() => elementsOf({ n: -1, p2o5: 0, k2o: 0 })).toThrow(/n must/);
    expect(() => elementsOf({ n: 50, p2o5: 30, k2o: 30 })).toThrow(/n \+ p2o5/);
  });
});

describe('conductivity', () => {
  it('1 mS/cm is 500 or 700 ppm by the scale of the pen, and back', () => {
    expect(ppmOfEc(1, 500)).toBe(500);
    expect(ppmOfEc(1, 700)).toBe(700);
    expect(ecOfPpm(1050, 700)).toBeCloseTo(1.5, 12);
    expect(() => ppmOfEc(-1, 500)).toThrow(/msPerCm/);
  });
});

describe('feeds within their label', () => {
  const a: FeedBottle = { label: 'A', leastMlPerL: 2, mostMlPerL: 5 };
  const b: FeedBottle = { ...a, label: 'B', holdsCalcium: true };
  const si: FeedBottle = { ...a, label: 'silicate', silicate: true };
  const down: FeedBottle = { ...a, label: 'pH down', adjustsPh: true };

  it('so many mL for so many litres, never above the top', () => {
    expect(pourOf(a, 5, 10)).toBe(50);
    expect(() => pourOf(a, 7.5, 10)).toThrow(/label’s 5 mL\/L/);
    expect(() => pourOf(a, 1, 0)).toThrow(/totalL/);
  });

  it('silicate first, calcium after the other feeds, pH last, however they are listed', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray([a, b, si, down], { minLength: 4 }), (bottles) => {
        const pours = pourOrder(
          bottles.map((bottle) => ({ bottle, mlPerL: 2 })),
          3,
        );
        expect(pours.map(({ label }) => label)).toEqual(['silicate', 'A', 'B', 'pH down']);
        expect(pours.every(({ ml, why }) => ml === 6 && why.length > 10)).toBe(true);
      }),
    );
  });

  it('what is not wanted is not poured', () => {
    expect(pourOrder([{ bottle: a, mlPerL: 0 }], 3)).toEqual([]);
  });
});

describe('disinfecting', () => {
  it.each<[Chemical, RegExp]>([
    ['acid', /chlorine/],
    ['ammonia', /chloramine/],
    ['peroxide', /violently/],
  ])('bleach is never mixed with %s, and says why', (other, why) => {
    expect(whyNeverMix(['bleach', other])[0]).toMatch(why);
    expect(whyNeverMix([other, 'detergent', 'bleach'])).toHaveLength(1);
  });

  it('one thing alone is not refused', () => {
    for (const chemical of Object.keys(CHEMICALS) as Chemical[]) {
      expect(whyNeverMix([chemical])).toEqual([]);
    }
  });

  it('a bath from 5 % bleach at 0.5 % is one part in ten (C₁V₁ = C₂V₂)', () => {
    expect(dilute(5, BATHS.bleach.percent, 10)).toMatchObject({ stockL: 1, waterL: 9 });
    for (const { contactMinutes, rinse } of Object.values(BATHS)) {
      expect(contactMinutes).toBeGreaterThan(0);
      expect(rinse.length).toBeGreaterThan(10);
    }
  });
});

describe('flushing a reservoir', () => {
  const base = { lastIntervalDays: 14, reservoirL: 0.9, usePerDayL: 0.05 };

  it('by the calendar, by the empty reservoir, by pH', () => {
    expect(nextFlushDays({ ...base, school: 'calendar' }).days).toBe(14);
    expect(nextFlushDays({ ...base, school: 'empty' }).days).toBeCloseTo(18, 9);
    const holds = nextFlushDays({ ...base, school: 'ph', ph: { filled: 6, now: 6.2 } });
    expect(holds.days).toBe(16.5);
    const drifts = nextFlushDays({ ...base, school: 'ph', ph: { filled: 6, now: 7 } });
    expect(drifts.days).toBe(11.5);
    expect(nextFlushDays({ ...base, school: 'ph' }).why).toMatch(/not been read/);
  });

  it('stays within five days and five weeks, however long it holds or drifts', () => {
    const long = { ...base, school: 'ph' as const, ph: { filled: 6, now: 6 } };
    expect(nextFlushDays({ ...long, lastIntervalDays: 60 }).days).toBe(35);
    expect(nextFlushDays({ ...long, lastIntervalDays: 5, ph: { filled: 6, now: 8 } }).days).toBe(5);
    expect(() => nextFlushDays({ ...base, school: 'ph', ph: { filled: 6, now: 15 } })).toThrow(
      /ph.now/,
    );
  });
});
