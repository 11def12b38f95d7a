import type { IsoDate } from '@fernbank/core';

/** The calendar day where the server runs, which is where the keeper is. */
export function localToday(now = new Date()): IsoDate {
  const pad = (n: number) => String(n).padStart(2, '0');
  return `${now.getFullYear()}-${pad(now.getMonth() + 1)}-${pad(now.getDate())}`;
}
