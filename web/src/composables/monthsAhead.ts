import { daysBetween, type IsoDate } from '@fernbank/core';

/** The months that begin within a year from a day: how many weeks ahead, and the first of each. */
export function monthsAhead(today: IsoDate): { weeks: number; first: IsoDate }[] {
  const year = Number(today.slice(0, 4));
  const month = Number(today.slice(5, 7));
  return Array.from({ length: 12 }, (_, i) => {
    const at = month + i;
    const first = `${year + Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}-01`;
    return { weeks: daysBetween(today, first) / 7, first };
  });
}

/** A month's first day as a formatter takes it that writes in UTC. */
export const inUtc = (day: IsoDate): Date => new Date(`${day}T00:00:00Z`);
