import { within } from '../number/index.ts';

/** What a pH does over days, and what to do about it. */
export interface PhDrift {
  perDay: number;
  /** days until it leaves the range that roots can use; null: it does not, or is out already */
  daysInRange: number | null;
  says: string;
}

/** Roots take up what is in the water between these. @source hydroponic practice, 5.5–6.5, from memory */
export const PH_USABLE = { low: 5.5, high: 6.5 } as const;
/** Slower than a pen can tell from its own drift. */
const STILL_PER_DAY = 0.02;

/**
 * Drift of a reservoir's pH between two readings, and how long it stays usable.
 *
 * @param before  pH, 0 … 14
 * @param now  pH, 0 … 14
 * @param days  between them, > 0
 * @source a straight line through both
 */
export function phDrift(before: number, now: number, days: number): PhDrift {
  within('phBefore', before, 0, 14);
  within('phNow', now, 0, 14);
  within('days', days, 0.25, 365);
  const perDay = (now - before) / days;
  if (now < PH_USABLE.low || now > PH_USABLE.high) {
    const to = now < PH_USABLE.low ? 'raise' : 'lower';
    return { perDay, daysInRange: null, says: `out of range: flush, or ${to} it drop by drop` };
  }
  if (Math.abs(perDay) < STILL_PER_DAY) {
    return { perDay, daysInRange: null, says: 'it holds: the next flush can wait longer' };
  }
  const edge = perDay > 0 ? PH_USABLE.high : PH_USABLE.low;
  const cause =
    perDay > 0
      ? 'plants take up nitrate, or the pebbles are new'
      : 'roots take up ammonium, or something rots';
  return { perDay, daysInRange: (edge - now) / perDay, says: cause };
}
