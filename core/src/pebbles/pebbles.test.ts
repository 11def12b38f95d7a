import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { component } from '../media/index.ts';
import { volumeBelowL } from '../pots/index.ts';
import {
  PEBBLE_LIFT_CM,
  planPebbles,
  typicalPotUseL,
  wickFlowMl,
  WICKS,
  type PebbleRequest,
} from './index.ts';

const INNER = { shape: 'round' as const, topDiameterCm: 12, baseDiameterCm: 9, heightCm: 11 };
const OUTER = { shape: 'round' as const, topDiameterCm: 16, baseDiameterCm: 14, heightCm: 18 };
const REQUEST: PebbleRequest = {
  kind: 'wick',
  inner: INNER,
  outer: OUTER,
  gapCm: 6,
  roots: 'short',
  usePerDayL: { growth: 0.05, winter: 0.015 },
  wick: { kind: 'polyester', insideCm: 4 },
  winter: 'lower',
};
const voids = 1 - component('clayPebbles').packing;

describe('pebbles over a reservoir', () => {
  it('litres are those of the pot to its finished level, less the roots', () => {
    const { pebblesL, fillCm, voidL, dryKg } = planPebbles({ ...REQUEST, rootsL: 0.2 });
    expect(fillCm).toBeCloseTo(11 - 1.1, 9);
    expect(pebblesL).toBeCloseTo(volumeBelowL(INNER, fillCm) - 0.2, 9);
    expect(voidL).toBeCloseTo(pebblesL * voids, 9);
    expect(dryKg).toBeCloseTo(pebblesL * 0.38, 9);
  });

  it('water under an inner pot is all of the vessel, around a pot that stands in it less its pebbles', () => {
    const over = planPebbles(REQUEST);
    expect(over.summer.levelCm).toBeLessThan(6);
    expect(over.summer.litres).toBeCloseTo(volumeBelowL(OUTER, over.summer.levelCm), 9);
    const touching = planPebbles({ ...REQUEST, kind: 'bucket' });
    expect(touching.summer.levelCm).toBeCloseTo(6.5, 9);
    expect(touching.summer.litres).toBeCloseTo(
      volumeBelowL(OUTER, 6.5) - volumeBelowL(INNER, 0.5) * (1 - voids),
      9,
    );
    const holes = planPebbles({ ...REQUEST, kind: 'holes', outer: INNER, gapCm: 3 });
    expect(holes.summer.litres).toBeCloseTo(volumeBelowL(INNER, 3) * voids, 9);
  });

  it('the level drops once roots reach the water; winter is lower still by its school', () => {
    const short = planPebbles({ ...REQUEST, kind: 'bucket' });
    const reached = planPebbles({ ...REQUEST, kind: 'bucket', roots: 'reached' });
    expect(reached.summer.levelCm).toBeLessThan(short.summer.levelCm);
    expect(reached.summer.airGapCm).toBeGreaterThan(1);
    const levels = (['full', 'lower', 'wickDamp'] as const).map(
      (winter) => planPebbles({ ...REQUEST, winter }).winter.levelCm,
    );
    expect(levels).toEqual([...levels].sort((a, b) => b - a));
    expect(planPebbles({ ...REQUEST, winter: 'full' }).winter.days).toBeGreaterThan(
      planPebbles({ ...REQUEST, winter: 'full' }).summer.days,
    );
  });

  it('a level of the keeper’s own counts, within the vessel', () => {
    const own = planPebbles({ ...REQUEST, levelCm: 4 });
    expect(own.summer.levelCm).toBe(4);
    expect(own.summer.litres).toBeCloseTo(volumeBelowL(OUTER, 4), 9);
    expect(own.winter.litres).toBeCloseTo(own.summer.litres / 2, 3);
    expect(own.winter.levelCm).toBeGreaterThan(2);
    expect(() => planPebbles({ ...REQUEST, levelCm: 30 })).toThrow(/levelCm/);
  });

  it('a wick is as long as it must be, and as many are laid as the plant drinks', () => {
    const { wick } = planPebbles(REQUEST);
    expect(wick).toMatchObject({ liftCm: 10, lengthCm: 13, reaches: true });
    expect(wick!.flowPerDayL).toBeCloseTo((120 * (1 - 10 / 20)) / 1000, 9);
    expect(wick!.count).toBe(1);
    const thirsty = planPebbles({ ...REQUEST, usePerDayL: { growth: 0.14, winter: 0.05 } });
    expect(thirsty.wick!.count).toBe(3);
    expect(thirsty.wick!.count * thirsty.wick!.flowPerDayL).toBeGreaterThanOrEqual(0.14);
  });

  it('a wick that cannot lift so high leaves the pebbles dry and says so', () => {
    const deep = planPebbles({ ...REQUEST, gapCm: 13, wick: { kind: 'cotton', insideCm: 5 } });
    expect(deep.wick).toMatchObject({ reaches: false, count: 0 });
    expect(deep).toMatchObject({ dampCm: 0, wetsColumn: false });
    const high = planPebbles({ ...REQUEST, wick: { kind: 'polyester', insideCm: 0 } });
    expect(high.dampCm).toBeCloseTo(Math.min(high.fillCm, PEBBLE_LIFT_CM), 9);
  });

  it('a wick brings less the higher it lifts, and nothing beyond its lift', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(WICKS) as (keyof typeof WICKS)[])),
        fc.double({ min: 0, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 10, noNaN: true }),
        (kind, height, more) => {
          expect(wickFlowMl(kind, height + more)).toBeLessThanOrEqual(wickFlowMl(kind, height));
          if (height >= WICKS[kind].liftCm) expect(wickFlowMl(kind, height)).toBe(0);
        },
      ),
    );
  });

  it.each<[string, Partial<PebbleRequest>, RegExp]>([
    ['a gap deeper than the vessel', { gapCm: 17 }, /gapCm/],
    ['a wick longer than its pot', { wick: { kind: 'cotton', insideCm: 30 } }, /insideCm/],
    ['a plant that drinks nothing', { usePerDayL: { growth: 0, winter: 0 } }, /usePerDayL/],
    ['roots that leave no room', { rootsL: 3 }, /rootsL/],
  ])('%s is refused', (_what, change, message) => {
    expect(() => planPebbles({ ...REQUEST, ...change })).toThrow(message);
  });

  it('a leafy 14 cm pot drinks 25–60 g a day in growth, less in winter (common practice, no source)', () => {
    const pot = { shape: 'round' as const, topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 };
    const { growth, winter } = typicalPotUseL(pot);
    expect(growth).toBeGreaterThan(0.025);
    expect(growth).toBeLessThan(0.06);
    expect(winter).toBeLessThan(growth);
  });
});
