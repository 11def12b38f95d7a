import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  canopyTogether,
  combine,
  crowdedAt,
  exploredAfter,
  exploredInNewPot,
  isTellingPace,
  monthsToCrowded,
  monthsToFill,
  readRoots,
} from './index.ts';

describe('roots filling a pot', () => {
  it('a plant fills a pot one size up in the months that its vigour and the pot name', () => {
    for (const vigour of ['fast', 'middling', 'slow'] as const) {
      for (const rimCm of [6, 14, 40]) {
        const start = exploredInNewPot(0.85, 1, 1.7);
        const toFill = monthsToFill(vigour, rimCm);
        expect(monthsToCrowded(start, { toFill, snug: false }, 0.6)).toBeCloseTo(toFill, 9);
      }
    }
  });

  it('a plug is full in weeks, a tub in years; the slower the later', () => {
    expect(monthsToFill('fast', 5)).toBeLessThan(2);
    expect(monthsToFill('fast', 80)).toBeGreaterThan(24);
    for (let cm = 4; cm < 90; cm++) {
      expect(monthsToFill('middling', cm + 1)).toBeGreaterThanOrEqual(monthsToFill('middling', cm));
      expect(monthsToFill('fast', cm)).toBeLessThan(monthsToFill('middling', cm));
      expect(monthsToFill('middling', cm)).toBeLessThan(monthsToFill('slow', cm));
    }
  });

  it('the forecast and the time to it agree (logistic growth, closed form)', () => {
    const months = monthsToCrowded(0.3, { toFill: 20, snug: true }, 0.5)!;
    expect(exploredAfter(0.3, 20, months * 0.5)).toBeCloseTo(crowdedAt({ snug: true }), 9);
  });

  it('a full pot is crowded now, a plant at rest never gets there', () => {
    expect(monthsToCrowded(0.9, { toFill: 10, snug: false }, 0.5)).toBe(0);
    expect(monthsToCrowded(0.5, { toFill: 10, snug: false }, 0)).toBeNull();
  });

  it('roots only ever gain ground, and never more than a mat', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1.14, noNaN: true }),
        fc.double({ min: 0, max: 200, noNaN: true }),
        (explored, months) => {
          const later = exploredAfter(explored, 10, months);
          expect(later).toBeGreaterThanOrEqual(Math.min(explored, 1.149) - 1e-9);
          expect(later).toBeLessThanOrEqual(1.15);
        },
      ),
    );
  });

  it('a larger pot is explored less by the same roots', () => {
    expect(exploredInNewPot(0.9, 1, 2)).toBeCloseTo(0.45, 12);
    expect(() => exploredInNewPot(0.9, 1, 0)).toThrow(/newL/);
  });
});

describe('reading roots', () => {
  it('nothing looked at reads nothing', () => {
    expect(readRoots({})).toBeNull();
  });

  it('more roots read as a fuller pot', () => {
    const order = ['none', 'one', 'several', 'every', 'mat'] as const;
    const read = order.map((rootsAtHoles) => readRoots({ rootsAtHoles })!.explored);
    expect([...read].sort((a, b) => a - b)).toEqual(read);
  });

  it('two readings are surer than one and lie between', () => {
    const both = readRoots({ rootsAtHoles: 'none', ballCover: 0.9 })!;
    expect(both.sd).toBeLessThan(readRoots({ ballCover: 0.9 })!.sd);
    expect(both.explored).toBeGreaterThan(0.5);
    expect(both.explored).toBeLessThan(0.975);
  });

  it('equal precision averages (by hand)', () => {
    const mean = combine([
      { explored: 0.4, sd: 0.1 },
      { explored: 0.8, sd: 0.1 },
    ]);
    expect(mean.explored).toBeCloseTo(0.6, 12);
    expect(mean.sd).toBeCloseTo(0.1 / Math.SQRT2, 12);
  });
});

describe('several plants of a kind in one pot', () => {
  it('fill it sooner, though not so many times sooner', () => {
    const alone = monthsToFill('middling', 14);
    const three = monthsToFill('middling', 14, 3);
    expect(three).toBeLessThan(alone);
    expect(three).toBeGreaterThan(alone / 3);
    // Eight starts, twice as wide a root system along each axis of the pot: half the time.
    expect(monthsToFill('middling', 14, 8)).toBeCloseTo(alone / 2, 9);
  });

  it('stand closer over it, by a third at most', () => {
    expect(canopyTogether()).toBe(1);
    expect(canopyTogether(3)).toBeCloseTo(1.2, 9);
    expect(canopyTogether(40)).toBeCloseTo(4 / 3, 9);
  });
});

describe('a pace', () => {
  it('is news only where it lies farther from the usual than it is unsure', () => {
    const read = (factor: number) => isTellingPace({ factor, sdLog: 0.31, own: true });
    // One look at a full pot after two years: 0.9, give or take a third, says nothing yet.
    expect([0.9, 1, 1.2].map(read)).toEqual([false, false, false]);
    expect([0.6, 1.6].map(read)).toEqual([true, true]);
  });
});
