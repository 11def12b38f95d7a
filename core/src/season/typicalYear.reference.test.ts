import { describe, expect, it } from 'vitest';
import { isTypicalYear, typicalYear } from './index.ts';

/** Means of January and July, °C. @source climate normals of public weather services, rounded, from memory */
const TOWNS: [name: string, latitudeDeg: number, januaryC: number, julyC: number][] = [
  ['London', 51.5, 5.7, 19],
  ['Berlin', 52.5, 1, 20],
  ['Paris', 48.9, 5, 20.5],
  ['Stockholm', 59.3, -1, 19],
  ['Rome', 41.9, 8, 25.5],
  ['New York', 40.7, 1, 25.5],
  ['Cairo', 30, 14, 28.5],
  ['Miami', 25.8, 20, 29],
  ['Singapore', 1.3, 26.8, 28],
  ['Sydney', -33.9, 23.5, 13],
  ['Cape Town', -33.9, 21.5, 12.5],
  ['Auckland', -36.8, 19.5, 11],
];

describe('a typical year outdoors', () => {
  it.each(TOWNS)('is near that of %s', (_name, latitudeDeg, januaryC, julyC) => {
    const year = typicalYear(latitudeDeg);
    expect(Math.abs(year[0]! - januaryC)).toBeLessThan(5);
    expect(Math.abs(year[6]! - julyC)).toBeLessThan(4);
  });

  it('is half a year ahead in the south, and has no seasons at the equator', () => {
    const [north, south] = [typicalYear(45), typicalYear(-45)];
    const warmest = (year: number[]) => year.indexOf(Math.max(...year));
    expect([warmest(north), warmest(south)]).toEqual([6, 0]);
    expect(Math.max(...south)).toBeLessThan(Math.max(...north));
    expect(Math.max(...typicalYear(0)) - Math.min(...typicalYear(0))).toBeLessThan(2);
  });

  it('grows colder toward the pole, and has no jump on the way', () => {
    const mean = (deg: number) => typicalYear(deg).reduce((sum, c) => sum + c, 0) / 12;
    for (let deg = 12; deg <= 90; deg++) {
      expect(mean(deg)).toBeLessThanOrEqual(mean(deg - 1) + 0.1);
      expect(mean(deg - 1) - mean(deg)).toBeLessThan(2);
    }
    expect(() => typicalYear(91)).toThrow(/latitudeDeg/);
  });

  it('is known again until somebody knows better', () => {
    expect(isTypicalYear(typicalYear(54), 54)).toBe(true);
    expect(isTypicalYear(typicalYear(54), 44)).toBe(false);
    expect(isTypicalYear([...typicalYear(54).slice(0, 11), 9], 54)).toBe(false);
    expect(isTypicalYear(12, 54)).toBe(false);
  });
});
