import { daysBetween, type IsoDate } from '@fernbank/core';

/** How many copies are kept: the newest of so many days, weeks and months. */
export const KEPT = { days: 7, weeks: 5, months: 12 } as const;

/** Weeks are counted from a Monday. */
const MONDAY: IsoDate = '2024-01-01';
const weekOf = (date: IsoDate) => String(Math.floor(daysBetween(MONDAY, date) / 7));
const monthOf = (date: IsoDate) => date.slice(0, 7);

/**
 * Which daily copies may go: all but the newest of each of the last days, weeks and months that
 * have one. A copy from a day that has not come yet (the clock was wrong) is never counted, and
 * never taken for old.
 *
 * @param dates  of the copies, one a day, in any order
 */
export function superseded(dates: readonly IsoDate[], today: IsoDate): IsoDate[] {
  const newestFirst = dates.filter((date) => date <= today).sort((a, b) => b.localeCompare(a));
  const kept = new Set<IsoDate>();
  const keepNewestOf = (span: (date: IsoDate) => string, count: number) => {
    const seen = new Set<string>();
    for (const date of newestFirst) {
      if (seen.size >= count) break;
      if (!seen.has(span(date))) kept.add(date);
      seen.add(span(date));
    }
  };
  keepNewestOf((date) => date, KEPT.days);
  keepNewestOf(weekOf, KEPT.weeks);
  keepNewestOf(monthOf, KEPT.months);
  return newestFirst.filter((date) => !kept.has(date));
}
