import { addDays, daysBetween, type IsoDate } from '../season/index.ts';

/** How a keeper remembers a last repot. */
export const LAST_REPOTS = [
  { id: 'thisYear', label: 'this year' },
  { id: 'lastYear', label: 'last year' },
  { id: 'longer', label: 'longer ago' },
  { id: 'nobodyKnows', label: 'nobody knows' },
] as const;
export type LastRepot = (typeof LAST_REPOTS)[number]['id'];

/** Most pots are changed in spring. @source common practice, no source */
const SPRING = { north: '04-15', south: '10-15' } as const;
/** “Longer ago” is mostly the year before the last. @source common practice, no source */
const LONGER_YEARS = 2;

/**
 * The day that a remembered year stands for: its spring, or the middle of what has gone by of this year where
 * its spring is still to come; null: nobody knows.
 */
export function dayOfLastRepot(
  remembered: LastRepot,
  today: IsoDate,
  latitudeDeg: number,
): IsoDate | null {
  const year = Number(today.slice(0, 4));
  const spring = latitudeDeg < 0 ? SPRING.south : SPRING.north;
  const first = `${year}-01-01`;
  switch (remembered) {
    case 'thisYear':
      return `${year}-${spring}` < today
        ? `${year}-${spring}`
        : addDays(first, Math.floor(daysBetween(first, today) / 2));
    case 'lastYear':
      return `${year - 1}-${spring}`;
    case 'longer':
      return `${year - LONGER_YEARS}-${spring}`;
    case 'nobodyKnows':
      return null;
  }
}
