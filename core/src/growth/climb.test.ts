import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { seeded } from '../number/index.ts';
import { addDays, TYPICAL_SPOT, type Spot } from '../season/index.ts';
import { activePoints } from './rate.ts';
import { USUAL_CLIMB } from './climbRate.ts';
import { climbRate, type HeightEntry } from './index.ts';

const lamps: Spot = { ...TYPICAL_SPOT, temperatureC: 23, lampHours: 14 };
const sill: Spot = { ...TYPICAL_SPOT, latitudeDeg: 54, temperatureC: 19, light: 'bright' };
const fast = resolveTaxon('Passiflora')!.traits;
const START = '2025-03-01';

/** Standard normal by the sum of twelve uniforms: another way than the model's own. */
function gauss(random: () => number): number {
  let sum = -6;
  for (let i = 0; i < 12; i++) sum += random();
  return sum;
}

/**
 * A vine with a rate of its own whose months differ and hang together a
 * little, read with a hand's error at uneven intervals; with its true height
 * later on.
 */
function vine(random: () => number, spot: Spot) {
  const own = USUAL_CLIMB[fast.vigour] * Math.exp(0.6 * gauss(random));
  const readings = 3 + Math.floor(6 * random());
  const aheadDays = 60 + Math.floor(200 * random());
  const days: number[] = [0];
  for (let i = 1; i < readings; i++) days.push(days[i - 1]! + 20 + Math.floor(30 * random()));
  const now = days[days.length - 1]!;
  const heights: number[] = [30 + 20 * random()];
  let mood = gauss(random);
  const activity = activePoints(
    Array.from({ length: now + aheadDays + 1 }, (_, d) => ({ date: addDays(START, d), cm: 1 })),
    spot,
    fast,
  ).map(({ x }) => x);
  for (let day = 1; day <= now + aheadDays; day++) {
    if (day % 30 === 0) mood = 0.3 * mood + Math.sqrt(1 - 0.3 ** 2) * gauss(random);
    const grown =
      own * Math.max(0, 1 + 0.38 * mood) * ((activity[day]! - activity[day - 1]!) / 30.44);
    heights.push(heights[day - 1]! + grown);
  }
  const log: HeightEntry[] = days.map((day) => ({
    date: addDays(START, day),
    cm: heights[day]! * (1 + 0.01 * gauss(random)) + 0.5 * gauss(random),
  }));
  return {
    log,
    gained: heights[now + aheadDays]! - heights[now]!,
    activeMonths: (activity[now + aheadDays]! - activity[now]!) / 30.44,
  };
}

describe('height forecasts', () => {
  it.each([
    { where: 'under lamps', spot: lamps, seed: 11 },
    { where: 'on a sill with its winter', spot: sill, seed: 12 },
  ])(
    '1,000 simulated vines $where end within the 80 per cent band 75–85 times of 100',
    ({ spot, seed }) => {
      const random = seeded(seed);
      let within = 0;
      for (let run = 0; run < 1000; run++) {
        const { log, gained, activeMonths } = vine(random, spot);
        const { lowCm, highCm } = climbRate(log, spot, fast).gainIn(activeMonths);
        if (gained >= lowCm && gained <= highCm) within += 1;
      }
      expect(within / 1000).toBeGreaterThanOrEqual(0.75);
      expect(within / 1000).toBeLessThanOrEqual(0.85);
    },
  );

  it('without a log: the usual pace of its vigour, with the band of plants of that vigour', () => {
    const { readings, cmPerMonth, gainIn } = climbRate([], lamps, fast);
    expect([readings, cmPerMonth]).toEqual([0, 22]);
    const { lowCm, cm, highCm } = gainIn(3);
    // Common practice, no source: a fast vine climbs 60–70 cm in three months.
    expect(cm).toBeGreaterThanOrEqual(60);
    expect(cm).toBeLessThanOrEqual(70);
    expect(lowCm).toBeLessThan(cm / 2);
    expect(highCm).toBeGreaterThan(cm * 2);
  });

  it('a slow plant makes about 10 cm a year on a sill (common practice, no source)', () => {
    const yearOfGrowth = 12 * 0.6;
    expect(climbRate([], sill, { ...fast, vigour: 'slow' }).gainIn(yearOfGrowth).cm).toBeCloseTo(
      10,
      -1,
    );
  });

  it('more readings narrow the band, and the own rate wins over the usual one', () => {
    const steady = (count: number) =>
      climbRate(
        Array.from({ length: count }, (_, i) => ({
          date: addDays(START, i * 30.44),
          cm: 20 + 6 * i,
        })),
        lamps,
        fast,
      );
    const width = (count: number) => {
      const { lowCm, highCm } = steady(count).gainIn(3);
      return highCm - lowCm;
    };
    expect(width(9)).toBeLessThan(width(3));
    expect(steady(9).cmPerMonth).toBeCloseTo(6, 0);
  });

  it('what rises from its base grows wider, not taller, until its own log says otherwise', () => {
    const clump = { ...fast, growthForm: 'clump' as const };
    expect(climbRate([], lamps, clump).gainIn(12).highCm).toBe(0);
    const rising = Array.from({ length: 8 }, (_, i) => ({
      date: addDays(START, i * 30),
      cm: 20 + 4 * i,
    }));
    expect(climbRate(rising, lamps, clump).cmPerMonth).toBeGreaterThan(2);
  });

  it('two heights on one day say nothing of a rate', () => {
    const twice = [
      { date: START, cm: 20 },
      { date: START, cm: 21 },
    ];
    expect(climbRate(twice, lamps, fast).readings).toBe(0);
  });

  it('a plant that did not grow is not forecast to shrink', () => {
    const still = Array.from({ length: 8 }, (_, i) => ({ date: addDays(START, i * 30), cm: 40 }));
    const { lowCm, cm } = climbRate(still, lamps, fast).gainIn(6);
    expect(lowCm).toBe(0);
    expect(cm).toBeLessThan(12);
  });
});
