import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { addDays, TYPICAL_SPOT, type Spot } from '../season/index.ts';
import { growthRate, type HeightEntry } from './index.ts';

const lamps: Spot = { ...TYPICAL_SPOT, temperatureC: 23, lampHours: 14 };
const { traits } = resolveTaxon('Cissus alata')!;
const evergreen = resolveTaxon('Syngonium podophyllum')!.traits;

const heights = (every: number, cm: number[]): HeightEntry[] =>
  cm.map((value, i) => ({ date: addDays('2026-03-01', i * every), cm: value }));

describe('growth rate', () => {
  it('a steady vine under lamps grows as measured: 10 cm in 30.44 days', () => {
    const rate = growthRate(heights(30.44, [20, 30, 40, 50, 60]), lamps, evergreen)!;
    expect(rate.cmPerMonth).toBeCloseTo(10, 0);
    expect(rate.readings).toBe(5);
    expect(rate.low).toBeLessThanOrEqual(rate.cmPerMonth);
    expect(rate.high).toBeGreaterThanOrEqual(rate.cmPerMonth);
    expect(rate.change).toBeNull();
  });

  it('one misread height does not move it', () => {
    const rate = growthRate(heights(30, [20, 30, 40, 140, 60, 70, 80]), lamps, evergreen)!;
    expect(rate.cmPerMonth).toBeGreaterThan(9);
    expect(rate.cmPerMonth).toBeLessThan(12.5);
  });

  it('a stall and an acceleration are flagged', () => {
    expect(growthRate(heights(20, [20, 28, 36, 44, 44, 44.3]), lamps, evergreen)!.change).toBe(
      'stalled',
    );
    expect(growthRate(heights(20, [20, 23, 26, 29, 39, 49]), lamps, evergreen)!.change).toBe(
      'faster',
    );
  });

  it('a plant that rests in winter has not stalled', () => {
    const sill: Spot = {
      ...TYPICAL_SPOT,
      latitudeDeg: 56,
      light: 'dim',
      temperatureC: [8, 8, 10, 13, 16, 19, 20, 20, 17, 13, 10, 8],
    };
    const readings: HeightEntry[] = [
      ['2025-05-01', 20],
      ['2025-06-01', 32],
      ['2025-07-01', 45],
      ['2025-08-01', 58],
      ['2025-09-01', 69],
      ['2025-11-20', 74],
      ['2025-12-20', 74],
      ['2026-01-20', 74],
    ].map(([date, cm]) => ({ date: String(date), cm: Number(cm) }));
    expect(growthRate(readings, sill, traits)!.change).toBeNull();
  });

  it('a cut starts it anew', () => {
    const rate = growthRate(heights(20, [80, 88, 96, 30, 38, 46, 54]), lamps, evergreen)!;
    expect(rate.readings).toBe(4);
    expect(rate.cmPerMonth).toBeGreaterThan(8);
  });

  it('three readings are not enough', () => {
    expect(growthRate(heights(20, [20, 28, 36]), lamps, evergreen)).toBeNull();
    expect(growthRate([], lamps, evergreen)).toBeNull();
  });
});
