import { describe, expect, it } from 'vitest';
import { PH_USABLE, phDrift } from './index.ts';

describe('the drift of a pH', () => {
  // A straight line by hand: 6.0 → 6.2 in 5 days is 0.04 a day; 0.3 more take 7.5 days.
  it('goes on along the line through both readings', () => {
    const { perDay, daysInRange } = phDrift(6, 6.2, 5);
    expect(perDay).toBeCloseTo(0.04, 12);
    expect(daysInRange).toBeCloseTo(7.5, 9);
    expect(phDrift(6, 5.8, 5).daysInRange).toBeCloseTo(7.5, 9);
  });

  it('that stands still can wait, one that is out asks to be set', () => {
    expect(phDrift(6, 6.05, 5)).toMatchObject({ daysInRange: null });
    expect(phDrift(6, 6.05, 5).says).toMatch(/can wait/);
    expect(phDrift(6, 7, 5).says).toMatch(/lower it/);
    expect(phDrift(6, 5, 5).says).toMatch(/raise it/);
    expect(phDrift(6, 7, 5).daysInRange).toBeNull();
  });

  it('is told in the range that hydroponic practice keeps (5.5–6.5, from memory)', () => {
    expect(PH_USABLE).toEqual({ low: 5.5, high: 6.5 });
  });

  it.each([
    [15, 6, 5, /phBefore/],
    [6, -1, 5, /phNow/],
    [6, 6, 0, /days/],
  ])('refuses %s, %s in %s days by name', (before, now, days, message) => {
    expect(() => phDrift(before, now, days)).toThrow(message);
  });
});
