import { describe, expect, it } from 'vitest';
import { CATALOGUE, resolveTaxon } from '../catalogue/index.ts';
import { blendOf } from '../decide/index.ts';
import { dryingOfPresent } from '../fit/index.ts';
import { MEDIUM_KINDS, type MediumKind } from '../media/index.ts';
import { nominalPot } from '../pots/index.ts';
import { TYPICAL_SPOT } from '../season/index.ts';
import { upkeep, waterRhythm } from './index.ts';

const SPOT = { ...TYPICAL_SPOT, latitudeDeg: 52 };
const dryingAs = (name: string, kind: MediumKind, rimCm: number) => {
  const { traits } = resolveTaxon(name)!;
  const recipe = MEDIUM_KINDS.find(({ id }) => id === kind)!.recipe;
  const situation = { traits, spot: SPOT, pot: nominalPot(rimCm) };
  return { traits, drying: dryingOfPresent(situation, blendOf({ kind, recipe }), kind) };
};
const minutes = (name: string, kind: MediumKind, rimCm = 14) => {
  const { traits, drying } = dryingAs(name, kind, rimCm);
  return upkeep(kind, drying, traits).minutesAWeek;
};

/* Common practice, no source: a keeper of forty house plants in soil is busy for one or two hours a week; a tough
   clump costs next to nothing; pebbles are watered less and rinsed more. */
describe('work between repots', () => {
  it('a house of forty in soil, thirsty and tough, takes about one to two hours a week', () => {
    const house = [
      'Syngonium podophyllum',
      'Begonia',
      'Nephrolepis exaltata',
      'Aspidistra elatior',
    ];
    const forty = house.reduce((sum, name) => sum + 10 * minutes(name, 'peatSoil'), 0);
    expect(forty).toBeGreaterThan(45);
    expect(forty).toBeLessThan(120);
  });

  it('a thirsty fern takes more than a tough clump', () => {
    expect(minutes('Nephrolepis exaltata', 'peatSoil')).toBeGreaterThan(
      minutes('Aspidistra elatior', 'peatSoil') * 1.1,
    );
  });

  it('pebbles are seldom filled, but rinsed: no miracle of spared work', () => {
    const { traits, drying } = dryingAs('Syngonium podophyllum', 'pebbles', 14);
    const inPebbles = upkeep('pebbles', drying, traits);
    const inMix = upkeep('mix', dryingAs('Syngonium podophyllum', 'mix', 14).drying, traits);
    expect(inPebbles.water).toBeLessThan(inMix.water);
    expect(inPebbles.rinse).toBeGreaterThan(inMix.rinse);
  });

  it('adds up, is never none, and never what nobody would keep up', () => {
    for (const { traits } of CATALOGUE) {
      for (const { id: kind, recipe } of MEDIUM_KINDS) {
        const situation = { traits, spot: SPOT, pot: nominalPot(14) };
        const drying = dryingOfPresent(situation, blendOf({ kind, recipe }), kind);
        const { water, rinse, feed, look, minutesAWeek } = upkeep(kind, drying, traits);
        expect(minutesAWeek).toBeCloseTo(water + rinse + feed + look, 9);
        expect(minutesAWeek).toBeGreaterThan(0.2);
        expect(minutesAWeek).toBeLessThan(14);
        if (!traits.fed) expect(feed).toBe(0);
      }
    }
  });
});

describe('how often it wants water', () => {
  it('is told for now and for the rest, in whole days or weeks', () => {
    const { drying } = dryingAs('Aspidistra elatior', 'peatSoil', 14);
    const summer = waterRhythm(drying, '2026-07-01');
    const winter = waterRhythm(drying, '2026-12-20');
    expect(summer.nowDays!).toBeLessThan(winter.nowDays!);
    expect(winter.nowDays! <= winter.restDays! + 1).toBe(true);
    for (const days of [summer.nowDays!, winter.restDays!]) {
      expect(days > 28 ? days % 7 : days % 1).toBe(0);
    }
    const slow = { watering: 'dries', byMonth: Array(12).fill(40), restDays: 59.9 } as const;
    expect(waterRhythm({ ...slow, byMonth: [...slow.byMonth] }, '2026-01-05')).toEqual({
      watering: 'dries',
      nowDays: 35,
      restDays: 56,
    });
  });

  it('a cactus at rest gets none', () => {
    const { drying } = dryingAs('Mammillaria', 'mineral', 9);
    expect(waterRhythm(drying, '2026-12-20')).toMatchObject({ nowDays: null, restDays: null });
    expect(waterRhythm(drying, '2026-06-20').nowDays).toBeGreaterThan(5);
  });
});
