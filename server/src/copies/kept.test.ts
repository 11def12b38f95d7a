import { addDays, type IsoDate } from '@fernbank/core';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { KEPT, superseded } from './kept.ts';

const TODAY: IsoDate = '2026-03-16';
/** What is left when Fernbank ran every day for so long and let go of what was superseded each day. */
function afterDays(days: number): IsoDate[] {
  let there: IsoDate[] = [];
  for (let back = days; back >= 0; back--) {
    const today = addDays(TODAY, -back);
    there = [...there, today];
    const gone = new Set(superseded(there, today));
    there = there.filter((date) => !gone.has(date));
  }
  return there;
}

describe('daily copies', () => {
  it('of two years of days leave the last week, five weeks and twelve months', () => {
    const there = afterDays(730);
    expect(there.filter((date) => date > addDays(TODAY, -7))).toHaveLength(7);
    expect(new Set(there.map((date) => date.slice(0, 7))).size).toBe(KEPT.months);
    expect(there.length).toBeLessThanOrEqual(KEPT.days + KEPT.weeks + KEPT.months);
    // The last day of a month stands for it.
    expect(there[0]).toBe('2025-04-30');
  });

  it('never let go of the newest, and settle: what stays would stay again', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: -900, max: 40 }), { minLength: 1, maxLength: 200 }),
        (offsets) => {
          const dates = offsets.map((offset) => addDays(TODAY, offset));
          const gone = new Set(superseded(dates, TODAY));
          const left = dates.filter((date) => !gone.has(date));
          const past = dates.filter((date) => date <= TODAY).sort();
          if (past.length > 0) expect(gone.has(past[past.length - 1]!)).toBe(false);
          expect(superseded(left, TODAY)).toEqual([]);
        },
      ),
    );
  });

  it('of days that have not come are never let go: the clock was wrong, the copy is not', () => {
    const dates = ['2036-01-01', '2036-01-02', '2026-03-15'];
    expect(superseded(dates, TODAY)).toEqual([]);
  });
});
