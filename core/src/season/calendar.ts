import { OutOfRange } from '../number/outOfRange.ts';
/** A calendar day, `YYYY-MM-DD`, without a time or a zone. */
export type IsoDate = string;

const ISO = /^(\d{4})-(\d{2})-(\d{2})$/;
const known = new Map<IsoDate, number>();
/** A collection speaks of a few thousand days: beyond that the memory starts anew. */
const MOST_KNOWN = 20_000;

/** Whole days since 1 January 1970. @throws RangeError unless a real day as YYYY-MM-DD */
export function dayNumber(date: IsoDate): number {
  const before = known.get(date);
  if (before !== undefined) return before;
  const [, year, month, day] = (ISO.exec(date) ?? []).map(Number);
  if (year === undefined || !isRealDay(year, month!, day!)) {
    throw new OutOfRange(`date must be a real day as YYYY-MM-DD, got ${date}`);
  }
  const number = daysFromCivil(year, month!, day!);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(date, number);
  return number;
}

function isRealDay(year: number, month: number, day: number): boolean {
  if (month < 1 || month > 12 || day < 1) return false;
  const next = month === 12 ? daysFromCivil(year + 1, 1, 1) : daysFromCivil(year, month + 1, 1);
  return day <= next - daysFromCivil(year, month, 1);
}

/**
 * Days since 1 January 1970 in the Gregorian calendar, years counted from March.
 *
 * @source Hinnant, chrono-compatible low-level date algorithms, from memory
 */
function daysFromCivil(year: number, month: number, day: number): number {
  const y = month <= 2 ? year - 1 : year;
  const era = Math.floor(y / 400);
  const yearOfEra = y - era * 400;
  const dayOfMarchYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
  const dayOfEra =
    yearOfEra * 365 + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100) + dayOfMarchYear;
  return era * 146_097 + dayOfEra - 719_468;
}

const DAY_MS = 86_400_000;

/** The day with a number. */
export function dayOfNumber(days: number): IsoDate {
  return new Date(days * DAY_MS).toISOString().slice(0, 10);
}

/** The day `days` after `date` (before it, when negative). */
export function addDays(date: IsoDate, days: number): IsoDate {
  return dayOfNumber(dayNumber(date) + Math.round(days));
}

/** Days from one date to another, negative when `to` comes first. */
export function daysBetween(from: IsoDate, to: IsoDate): number {
  return dayNumber(to) - dayNumber(from);
}

/** Mean length of a month of the Gregorian calendar, days. */
export const DAYS_PER_MONTH = 30.436875;
export const WEEKS_PER_MONTH = DAYS_PER_MONTH / 7;

/** Months between two dates, as a fraction. */
export function monthsBetween(from: IsoDate, to: IsoDate): number {
  return daysBetween(from, to) / DAYS_PER_MONTH;
}

/** Day of the year, 1 … 366. */
export function dayOfYear(date: IsoDate): number {
  return dayNumber(date) - dayNumber(`${date.slice(0, 4)}-01-01`) + 1;
}

/** Month of the year, 1 … 12. */
export function monthOfYear(date: IsoDate): number {
  dayNumber(date);
  return Number(date.slice(5, 7));
}

/** The Monday of the week that holds `date`: how Fernbank names a week. */
export function mondayOf(date: IsoDate): IsoDate {
  const sinceMonday = (dayNumber(date) + 3) % 7; // 1 January 1970 was a Thursday
  return addDays(date, -((sinceMonday + 7) % 7));
}
