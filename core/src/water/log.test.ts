import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { addDays, TYPICAL_SPOT, type Spot } from '../season/index.ts';
import { seeded } from '../number/index.ts';
import { demandOver, waterCycles, waterFindings, type WaterLogEntry } from './index.ts';

const spot: Spot = {
  ...TYPICAL_SPOT,
  latitudeDeg: 54,
  temperatureC: [16, 16, 17, 19, 21, 23, 24, 24, 22, 19, 17, 16],
};
const { traits } = resolveTaxon('Begonia maculata')!;

/**
 * A pot watered when it has spent half: weighed before and after. Use follows
 * the weather, times `useBy`; what it holds follows `holdsBy` (0 … 1 through the log).
 */
function simulatedLog(
  seed: number,
  cycles: number,
  useBy: (through: number) => number = () => 1,
  holdsBy: (through: number) => number = () => 1,
): WaterLogEntry[] {
  const random = seeded(seed);
  const noise = (share: number) => 1 + share * (random() + random() + random() - 1.5);
  const entries: WaterLogEntry[] = [];
  let day = 0;
  const start = Math.floor(random() * 365);
  for (let i = 0; i <= cycles; i++) {
    const through = i / cycles;
    const date = addDays('2025-01-01', start + day);
    const holds = 0.6 * holdsBy(through) * noise(0.06);
    const dry = 0.9 + (0.6 * holdsBy(through) - 0.35) * noise(0.05) * 0.2;
    if (i > 0) entries.push({ date, minute: 600, kind: 'weightKg', value: dry });
    entries.push({ date, minute: 610, kind: 'watered', value: 1 });
    const wet = 0.9 + holds;
    entries.push({ date, minute: 660, kind: 'weightKg', value: wet });
    const asked = demandOver(
      { from: 20089 + start + day, to: 20089 + start + day + 8 },
      spot,
      traits,
    );
    const gPerDay = 45 * asked * useBy(through) * noise(0.25);
    day += Math.max(2, Math.round((1000 * (wet - 0.95)) / gPerDay));
  }
  return entries;
}

describe('cycles of a log', () => {
  const at = (
    day: number,
    minute: number,
    kind: WaterLogEntry['kind'],
    value = 1,
  ): WaterLogEntry => ({
    date: addDays('2026-03-01', day),
    minute,
    kind,
    value,
  });
  const LOG = [
    at(0, 600, 'watered'),
    at(0, 660, 'weightKg', 1.5),
    at(8, 600, 'weightKg', 1.1),
    at(8, 605, 'watered'),
    at(8, 700, 'weightKg', 1.5),
    at(18, 600, 'weightKg', 1.1),
    at(18, 610, 'watered'),
  ];

  it('by hand: 400 g over 7.96 days, then over 9.93', () => {
    const { cycles } = waterCycles(LOG);
    expect(cycles).toHaveLength(2);
    expect(cycles[0]!.gPerDay).toBeCloseTo(400 / (8 - 60 / 1440), 6);
    expect(cycles[1]!.gPerDay).toBeCloseTo(400 / (10 - 100 / 1440), 6);
    expect(cycles[0]).toMatchObject({ wetKg: 1.5, dryKg: 1.1 });
  });

  it('a jump up in weight is a watering that nobody wrote down', () => {
    const unwritten = LOG.filter(({ kind }, i) => kind !== 'watered' || i !== 3);
    expect(waterCycles(unwritten).cycles).toHaveLength(2);
  });

  it('with dates alone there are cycles without weights', () => {
    const { cycles } = waterCycles(LOG.filter(({ kind }) => kind === 'watered'));
    expect(cycles.map(({ days }) => Math.round(days))).toEqual([8, 10]);
    expect(cycles.every(({ gPerDay }) => gPerDay === null)).toBe(true);
  });

  it('without times, the heaviest of a watering day is the wet one', () => {
    const untimed = LOG.map(({ date, kind, value }): WaterLogEntry => ({ date, kind, value }));
    const { cycles } = waterCycles(untimed);
    expect(cycles[0]).toMatchObject({ wetKg: 1.5, dryKg: 1.1 });
  });

  it('a hand on the plate is left out and named', () => {
    const log = waterCycles([...LOG, at(4, 600, 'weightKg', 5.2)]);
    expect(log.cycles).toEqual(waterCycles(LOG).cycles);
    expect(log.leftOut).toHaveLength(1);
    expect(log.leftOut[0]!.why).toContain('more than twice');
  });

  it('two weights a minute apart are one weighing, and duplicates change nothing', () => {
    const twice = [...LOG, ...LOG, at(8, 701, 'weightKg', 1.5)];
    expect(waterCycles(twice).cycles.map(({ gPerDay }) => Math.round(gPerDay!))).toEqual(
      waterCycles(LOG).cycles.map(({ gPerDay }) => Math.round(gPerDay!)),
    );
  });

  it('a weight of 0 or below is no weight', () => {
    expect(
      waterCycles([...LOG, at(3, 1, 'weightKg', 0), at(3, 2, 'weightKg', -2)]).leftOut,
    ).toHaveLength(2);
  });

  it('the order of entries is of no account', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 1e6 }),
        fc.integer({ min: 4, max: 14 }),
        (seed, cycles) => {
          const log = simulatedLog(seed, cycles);
          const random = seeded(seed + 1);
          const shuffled = [...log].sort(() => random() - 0.5);
          expect(waterFindings(shuffled, spot, traits)).toEqual(waterFindings(log, spot, traits));
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('findings of a log', () => {
  it('fewer than four cycles are not enough', () => {
    const found = waterFindings(simulatedLog(3, 3), spot, traits);
    expect(found.use).toBeNull();
    expect(found.told).toEqual([]);
  });

  it('an empty log tells nothing', () => {
    expect(waterFindings([], spot, traits)).toMatchObject({
      cycles: [],
      use: null,
      holding: null,
      told: [],
    });
  });

  it('logs without a change mislead in at most 5 % of 1,000 seeds', () => {
    let misled = 0;
    for (let seed = 1; seed <= 1000; seed++) {
      const found = waterFindings(simulatedLog(seed, 6 + (seed % 16)), spot, traits);
      if (found.told.length > 0) misled += 1;
    }
    expect(misled).toBeGreaterThan(0);
    expect(misled).toBeLessThanOrEqual(50);
  });

  it('a plant that comes to use 60 % more is found out in nine of ten logs of 20 cycles', () => {
    let found = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const { told } = waterFindings(
        simulatedLog(seed, 20, (t) => 1 + 0.6 * t),
        spot,
        traits,
      );
      if (told.includes('usesMore')) found += 1;
    }
    expect(found).toBeGreaterThanOrEqual(180);
  });

  it('a pot that comes to hold a third less is found out', () => {
    let found = 0;
    for (let seed = 1; seed <= 200; seed++) {
      const { told } = waterFindings(
        simulatedLog(seed, 14, undefined, (t) => 1 - 0.33 * t),
        spot,
        traits,
      );
      if (told.includes('holdsLess')) found += 1;
    }
    expect(found).toBeGreaterThanOrEqual(180);
  });

  it('summer thirst is weather, not roots: raw use rises, weathered use does not', () => {
    const log = simulatedLog(11, 18);
    const found = waterFindings(log, spot, traits);
    const raw = found.points.map(({ gPerDay }) => gPerDay!);
    const weathered = found.points.map(({ weathered: w }) => w!);
    const spread = (values: number[]) => Math.max(...values) / Math.min(...values);
    expect(spread(weathered)).toBeLessThan(spread(raw));
    expect(found.told).not.toContain('usesMore');
  });

  it('with dates alone, shorter cycles in the same weather are more use', () => {
    const entries = [0, 14, 28, 41, 53, 64, 74, 83, 91, 98].map((day): WaterLogEntry => ({
      date: addDays('2026-01-05', day),
      kind: 'watered',
      value: 1,
    }));
    const still: Spot = { ...TYPICAL_SPOT, latitudeDeg: 0, temperatureC: 22 };
    expect(waterFindings(entries, still, traits).told).toEqual(['usesMore']);
  });
});
