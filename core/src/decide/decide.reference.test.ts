import { describe, expect, it } from 'vitest';
import { freshCycle } from './index.ts';

describe('age replacement against its closed form (Barlow & Proschan, Mathematical Theory of Reliability, 1965)', () => {
  it.each([
    [1, 0.002],
    [0.5, 0.0005],
    [3, 0.01],
  ])('constant K = %d and harm c·t, c = %d: T = √(2K/c), g = √(2Kc)', (renewal, perWeek2) => {
    const { perWeek, atWeeks } = freshCycle(renewal, (week) => perWeek2 * week, 400);
    expect(Math.abs(atWeeks - Math.sqrt((2 * renewal) / perWeek2))).toBeLessThanOrEqual(1);
    // Whole weeks: second order in the step, so within a thousandth.
    expect(Math.abs(perWeek / Math.sqrt(2 * renewal * perWeek2) - 1)).toBeLessThan(1e-3);
  });

  it('what does not harm is never worth renewing: the longest cycle', () => {
    expect(freshCycle(1, () => 0, 312)).toEqual({ perWeek: 1 / 312, atWeeks: 312 });
  });
});
