import { addDays, daysBetween, middleOf, type IsoDate } from '../season/index.ts';

/** How a keeper remembers a last repot. */
export const LAST_REPOTS = [
  { id: 'thisYear', label: 'this year' },
  { id: 'lastYear', label: 'last year' },
  { id: 'longer', label: 'longer ago' },
  { id: 'nobodyKnows', label: 'nobody knows' },
] as const;
export type LastRepot = (typeof LAST_REPOTS)[number]['id'];

/** “Longer ago” is mostly the year before the last. @source common practice, no source */
const LONGER_YEARS = 2;

/** The day that a remembered year stands for; null: nobody knows. */
export function dayOfLastRepot(
  remembered: LastRepot,
  today: IsoDate,
  latitudeDeg: number,
): IsoDate | null {
  const year = Number(today.slice(0, 4));
  switch (remembered) {
    case 'thisYear':
      return dayOfRepotIn(year, today, latitudeDeg);
    case 'lastYear':
      return dayOfRepotIn(year - 1, today, latitudeDeg);
    case 'longer':
      return dayOfRepotIn(year - LONGER_YEARS, today, latitudeDeg);
    case 'nobodyKnows':
      return null;
  }
}

/**
 * The day that a repot of a year is taken to have been, where nobody tells more: its spring, or the middle of
 * what has gone by of it where its spring is still to come. Most pots are changed in spring.
 *
 * @source common practice, no source
 */
export function dayOfRepotIn(year: number, today: IsoDate, latitudeDeg: number): IsoDate {
  const spring = middleOf('spring', year, latitudeDeg);
  const first = `${spring.slice(0, 4)}-01-01`;
  if (spring < today || first > today) return spring;
  return addDays(first, Math.floor(daysBetween(first, today) / 2));
}
