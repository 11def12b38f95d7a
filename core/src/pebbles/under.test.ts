import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { component } from '../media/index.ts';
import { insideOfMaterial, nominalPot, rimCm, volumeBelowL, type PotShape } from '../pots/index.ts';
import {
  USABLE_SHARE,
  usableWater,
  waterUnder,
  WICKS,
  type UnderRequest,
  type Vessel,
} from './index.ts';

const pot = nominalPot(13, 'standard');
const REQUEST: UnderRequest = {
  outside: pot,
  inside: insideOfMaterial(pot, 'plastic'),
  rootsL: 0.1,
  usePerDayL: { growth: 0.04, winter: 0.02 },
  winter: 'lower',
  roots: 'short',
  vessels: [],
};
const round = (topDiameterCm: number, heightCm: number): PotShape => ({
  shape: 'cylinder',
  topDiameterCm,
  heightCm,
});
const vessel = (id: string, shape: PotShape, features: Vessel['features'] = {}): Vessel => ({
  id,
  label: id,
  outside: shape,
  material: 'plastic',
  features,
});

describe('what a pot of pebbles stands over', () => {
  it('a 13 cm pot over a straight 18 × 20 cm bucket, worked by hand', () => {
    const bucket = vessel('bucket', round(18, 20), { tone: 'dark' });
    const under = waterUnder({ ...REQUEST, vessels: [bucket] });
    expect(under.vessel!.id).toBe('bucket');
    const inside = insideOfMaterial(bucket.outside, 'plastic');
    // Litres at a level of a straight vessel: its floor times the height.
    const floorCm2 = (Math.PI / 4) * rimCm(inside) ** 2;
    expect(under.summer.litres).toBeCloseTo((floorCm2 * under.summer.levelCm) / 1000, 9);
    expect(under.summer.days).toBeCloseTo((USABLE_SHARE * under.summer.litres) / 0.04, 9);
    // The roots hang in air over it, and the wicks carry what the plant drinks from the last of it.
    expect(under.summer.levelCm).toBeLessThan(under.gapCm);
    const { mLPerDay, liftCm } = WICKS[under.wickKind!];
    const each = mLPerDay * (1 - (under.gapCm + under.wickInsideCm) / liftCm);
    expect(under.wick!.count).toBe(Math.ceil(40 / each));
    expect(under.wick!.winterCount).toBe(Math.ceil(20 / each));
    expect(under.wick!.lengthCm).toBeCloseTo(under.gapCm + under.wickInsideCm + 3, 9);
  });

  it('lasts about two weeks where the vessel allows it, and is never filled for more than three', () => {
    const wide = vessel('tub', round(40, 22), { tone: 'dark' });
    const under = waterUnder({ ...REQUEST, vessels: [wide] });
    expect(under.summer.days).toBeLessThan(21.1);
    expect(under.summer.days).toBeGreaterThan(13.9);
    const thirsty = waterUnder({ ...REQUEST, usePerDayL: { growth: 0.3, winter: 0.1 } });
    expect(thirsty.summer.days).toBeGreaterThan(5);
  });

  it('prefers the vessel it stands in, else a dark one, and none with holes', () => {
    const light = vessel('light', round(17, 20), { tone: 'light' });
    const dark = vessel('dark', round(17, 20), { tone: 'dark' });
    const sieve = vessel('sieve', round(17, 20), { tone: 'dark', holes: 4 });
    expect(waterUnder({ ...REQUEST, vessels: [sieve, light, dark] }).vessel!.id).toBe('dark');
    const kept = waterUnder({ ...REQUEST, vessels: [light, dark], presentId: 'light' });
    expect(kept.vessel!.id).toBe('light');
    expect(kept.cautions).toContain('wrapDark');
    expect(waterUnder({ ...REQUEST, vessels: [sieve] }).vessel).toBeNull();
    const clay = { ...vessel('clay', round(17, 20)), material: 'terracotta' as const };
    expect(waterUnder({ ...REQUEST, vessels: [clay] }).vessel).toBeNull();
    const glazed = { ...light, material: 'glazed' as const };
    expect(waterUnder({ ...REQUEST, vessels: [glazed] }).cautions).toEqual([]);
  });

  it('one that is chosen and too narrow is said, and another size is named', () => {
    const under = waterUnder({
      ...REQUEST,
      vessels: [vessel('cup', round(11, 12))],
      chosen: { vesselId: 'cup' },
    });
    expect(under.cautions[0]).toBe('notInto');
    expect(under.vessel).toBeNull();
    expect(rimCm(under.outer)).toBeGreaterThan(rimCm(pot));
  });

  it('so much water that nobody tips it out by hand asks for a drain', () => {
    const large = nominalPot(40, 'standard');
    const asked = {
      ...REQUEST,
      outside: large,
      inside: insideOfMaterial(large, 'plastic'),
      rootsL: 3,
      usePerDayL: { growth: 0.9, winter: 0.4 },
    };
    const tub = (drain: boolean) =>
      waterUnder({ ...asked, vessels: [vessel('tub', round(52, 48), { tone: 'dark', drain })] });
    expect(tub(false).cautions).toContain('noDrain');
    expect(tub(true).cautions).not.toContain('noDrain');
  });

  it('holes above a low reservoir: the water lies between the pebbles', () => {
    const under = waterUnder({ ...REQUEST, chosen: { kind: 'holes' } });
    expect(under).toMatchObject({ kind: 'holes', vessel: null, wick: null, gapCm: 3 });
    const voids = 1 - component('clayPebbles').packing;
    expect(under.summer.litres).toBeCloseTo(volumeBelowL(REQUEST.inside, 3) * voids, 9);
  });

  it('whatever the pot: damp to its upper part, days to three weeks (common practice, no source)', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 8, max: 30 }),
        fc.double({ min: 0.4, max: 2, noNaN: true }),
        fc.constantFrom('short' as const, 'reached' as const),
        (cm, thirst, roots) => {
          const outside = nominalPot(cm, 'standard');
          // A leafy plant drinks by its canopy, which is about as wide as its pot.
          const growth = thirst * 0.0003 * (Math.PI / 4) * cm ** 2;
          const under = waterUnder({
            ...REQUEST,
            outside,
            inside: insideOfMaterial(outside, 'plastic'),
            rootsL: 0,
            roots,
            usePerDayL: { growth, winter: growth / 2 },
          });
          expect(under.summer.days).toBeGreaterThanOrEqual(5);
          // What has reached the water drinks from it itself.
          if (roots === 'short') expect(under.dampCm / under.fillCm).toBeGreaterThan(0.6);
          const usable = usableWater(under.summer.litres, 'lower');
          expect(usable.restL).toBeCloseTo(USABLE_SHARE * under.winter.litres, 2);
        },
      ),
    );
  });
});
