import { describe, expect, it } from 'vitest';
import { TYPICAL_SPOT, type Spot } from '../season/index.ts';
import {
  roomReading,
  simulatedScale,
  steadyWeight,
  weightInLine,
  type ScaleReading,
  simulatedPen,
  steadyPen,
} from './index.ts';

const EVERY_MS = 100;
function readings(
  scale: ReturnType<typeof simulatedScale>,
  from: number,
  ms: number,
): ScaleReading[] {
  return Array.from({ length: ms / EVERY_MS }, (_, i) => scale.read(from + i * EVERY_MS));
}

describe('the simulated scale', () => {
  it('swings in, then stands within 3 g of the load', () => {
    const scale = simulatedScale(1);
    scale.put(1.5, 0);
    expect(steadyWeight(readings(scale, 0, 800)).state).toBe('settling');
    const steady = steadyWeight(readings(scale, 0, 6000));
    expect(steady.state).toBe('steady');
    expect(Math.abs(steady.kg! - 1.5)).toBeLessThan(0.003);
  });

  it('a hand on the plate is not taken for the pot', () => {
    const scale = simulatedScale(2);
    scale.put(1.5, 0);
    const before = readings(scale, 0, 5000);
    scale.put(4.8, 5000);
    expect(steadyWeight([...before, ...readings(scale, 5000, 600)]).state).toBe('settling');
    scale.put(1.5, 5600);
    const steady = steadyWeight([...before, ...readings(scale, 5600, 6000)]);
    expect(Math.abs(steady.kg! - 1.5)).toBeLessThan(0.003);
  });

  it('tares a saucer away, and an empty plate is no weight', () => {
    const scale = simulatedScale(3);
    scale.put(0.4, 0);
    scale.tare(8000);
    expect(steadyWeight(readings(scale, 8000, 3000)).state).toBe('empty');
    scale.put(1.9, 11_000);
    expect(Math.abs(steadyWeight(readings(scale, 11_000, 8000)).kg! - 1.5)).toBeLessThan(0.004);
  });

  it('drifts by the hour', () => {
    const scale = simulatedScale(4);
    scale.put(1, 0);
    expect(scale.read(3_600_000).kg - scale.read(10_000).kg).toBeGreaterThan(0.02);
  });

  it('says nothing of nothing', () => {
    expect(steadyWeight([])).toEqual({ kg: null, state: 'settling' });
  });
});

describe('a line of a serial scale', () => {
  it.each([
    ['ST,GS,+  1.234kg', 1.234],
    ['   850 g', 0.85],
    ['-0,012 kg', -0.012],
    ['W: 2.2 lb stable', 2.2 * 0.45359237],
    ['16 oz', 16 * 0.028349523125],
  ])('%s', (line, kg) => expect(weightInLine(line)).toBeCloseTo(kg, 9));
  it.each(['', 'ERR', '12', 'kg'])('“%s” holds no weight', (line) =>
    expect(weightInLine(line)).toBeNull(),
  );
});

describe('the simulated room sensor', () => {
  const spot: Spot = { ...TYPICAL_SPOT, temperatureC: 20, relativeHumidity: 0.5 };
  const day = Date.UTC(2026, 2, 10);
  const hours = Array.from({ length: 24 }, (_, hour) =>
    roomReading(spot, day + hour * 3_600_000, 7),
  );

  it('is the same for the same moment', () => {
    expect(roomReading(spot, day, 7)).toEqual(hours[0]);
  });

  it('swings about the spot’s own mean, warmest in the afternoon, and dry when it is warm', () => {
    const mean = hours.reduce((sum, { temperatureC }) => sum + temperatureC, 0) / 24;
    expect(Math.abs(mean - 20)).toBeLessThan(0.4);
    const warmest = hours.reduce((a, b) => (b.temperatureC > a.temperatureC ? b : a));
    const coldest = hours.reduce((a, b) => (b.temperatureC < a.temperatureC ? b : a));
    expect(Math.abs(new Date(warmest.at).getUTCHours() - 15)).toBeLessThanOrEqual(3);
    expect(warmest.relativeHumidity).toBeLessThan(coldest.relativeHumidity);
  });
});

describe('the simulated pen', () => {
  const readFor = (ms: number, dipped = { ph: 6.1, msPerCm: 1.4 }, seed = 5) => {
    const pen = simulatedPen(seed);
    pen.dip(dipped, 0);
    return Array.from({ length: Math.floor(ms / 400) }, (_, i) => pen.read(i * 400));
  };

  it('settles: no reading is taken at first, then the right one', () => {
    expect(steadyPen(readFor(2000))).toBeNull();
    const steady = steadyPen(readFor(24_000))!;
    expect(steady.ph).toBeCloseTo(6.1, 1);
    expect(steady.msPerCm).toBeCloseTo(1.4, 1);
  });

  it('in air, or in pure water, takes nothing', () => {
    expect(steadyPen(readFor(24_000, { ph: 7, msPerCm: 0 }))).toBeNull();
    expect(steadyPen([])).toBeNull();
  });

  it('trembles alike for the same seed, and drifts until it is calibrated', () => {
    expect(readFor(4000)).toEqual(readFor(4000));
    expect(readFor(4000)).not.toEqual(readFor(4000, undefined, 6));
    const YEAR = 365 * 86_400_000;
    const pen = simulatedPen(3);
    pen.dip({ ph: 6, msPerCm: 1 }, 0);
    expect(Math.abs(pen.read(YEAR).ph - 6)).toBeGreaterThan(0.5);
    pen.calibrate(YEAR);
    expect(Math.abs(pen.read(YEAR + 10_000).ph - 6)).toBeLessThan(0.05);
  });

  it('a reading that still moves is not taken', () => {
    const pen = simulatedPen(8);
    pen.dip({ ph: 6, msPerCm: 1 }, 0);
    const readings = Array.from({ length: 50 }, (_, i) => pen.read(i * 400));
    pen.dip({ ph: 4, msPerCm: 2 }, 20_000);
    readings.push(...Array.from({ length: 4 }, (_, i) => pen.read(20_000 + i * 400)));
    expect(steadyPen(readings)).toBeNull();
  });
});
