import type { Drying } from '../fit/index.ts';
import { dayOfYear, DAYS_PER_MONTH, type IsoDate } from '../season/index.ts';

/** How often a plant wants water, days from one to the next; null: none, it is kept dry. */
export interface WaterRhythm {
  watering: Drying['watering'];
  nowDays: number | null;
  /** in the month of least use */
  restDays: number | null;
}

/** Longer than this is told in weeks. */
const TOLD_IN_WEEKS_FROM = 28;
const DAYS_A_WEEK = 7;

/** Days as a keeper would say them: whole, and whole weeks where they are many. */
const sayable = (days: number | null): number | null => {
  if (days === null) return null;
  return days > TOLD_IN_WEEKS_FROM
    ? Math.floor(days / DAYS_A_WEEK) * DAYS_A_WEEK
    : Math.max(1, Math.round(days));
};

/**
 * @param drying  of the pot as it stands, by its own log where there is one
 * @param date  what is now
 */
export function waterRhythm(
  { watering, byMonth, restDays }: Pick<Drying, 'watering' | 'byMonth' | 'restDays'>,
  date: IsoDate,
): WaterRhythm {
  const month = Math.min(11, Math.floor((dayOfYear(date) - 1) / DAYS_PER_MONTH));
  return { watering, nowDays: sayable(byMonth[month]!), restDays: sayable(restDays) };
}
