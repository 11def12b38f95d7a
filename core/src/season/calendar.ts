/** A calendar day, `YYYY-MM-DD`, without a time or a zone. */
export type IsoDate = string;

const DAY_MS = 86_400_000;
const ISO = /^\d{4}-\d{2}-\d{2}$/;

/** Whole days since 1 January 1970. @throws RangeError unless a real day as YYYY-MM-DD */
export function dayNumber(date: IsoDate): number {
  const time = ISO.test(date) ? Date.parse(`${date}T00:00:00Z`) : NaN;
  // Date.parse rolls 30 February over into March in some engines; a real day comes back as typed.
  if (Number.isNaN(time) || new Date(time).toISOString().slice(0, 10) !== date) {
    throw new RangeError(`date must be a real day as YYYY-MM-DD, got ${date}`);
  }
  return time / DAY_MS;
}

/** The day `days` after `date` (before it, when negative). */
export function addDays(date: IsoDate, days: number): IsoDate {
  return new Date((dayNumber(date) + Math.round(days)) * DAY_MS).toISOString().slice(0, 10);
}

/** Days from one date to another, negative when `to` comes first. */
export function daysBetween(from: IsoDate, to: IsoDate): number {
  return dayNumber(to) - dayNumber(from);
}

/** Mean length of a month of the Gregorian calendar, days. */
export const DAYS_PER_MONTH = 30.436875;

/** Months between two dates, as a fraction. */
export function monthsBetween(from: IsoDate, to: IsoDate): number {
  return daysBetween(from, to) / DAYS_PER_MONTH;
}

/** Day of the year, 1 … 366. */
export function dayOfYear(date: IsoDate): number {
  return dayNumber(date) - dayNumber(`${date.slice(0, 4)}-01-01`) + 1;
}

/** The Monday of the week that holds `date`: how Fernbank names a week. */
export function mondayOf(date: IsoDate): IsoDate {
  const sinceMonday = (dayNumber(date) + 3) % 7; // 1 January 1970 was a Thursday
  return addDays(date, -((sinceMonday + 7) % 7));
}
