import { positive, within } from '../number/index.ts';
import type { Schools } from '../schools/index.ts';

/** Two weeks. @source common practice, no source */
const CALENDAR_DAYS = 14;
/** Lengthened by so much while the pH holds. @source common practice, no source: 2–3 days */
const LENGTHEN_DAYS = 2.5;
const LONGEST_DAYS = 35;
const SHORTEST_DAYS = 5;
/** Drift within which a pH holds. @source common practice, no source */
const HOLDS_WITHIN = 0.3;

/** What is known when the next flush is set. */
export interface FlushReading {
  school: Schools['flush'];
  /** days between the last two flushes */
  lastIntervalDays: number;
  /** reservoir when full and use, L and L/day */
  reservoirL: number;
  usePerDayL: number;
  /** pH when filled and now; absent: not measured */
  ph?: { filled: number; now: number };
}

/**
 * Days until the next flush, from the last one on. By pH it is lengthened by
 * 2–3 days while it holds, and goes back as far when it has drifted.
 *
 * @throws RangeError for a pH outside 0–14 or a use of nothing
 * @source common practice, no source
 */
export function nextFlushDays(reading: FlushReading): { days: number; why: string } {
  const { school, lastIntervalDays, reservoirL, usePerDayL, ph } = reading;
  positive('usePerDayL', usePerDayL);
  positive('reservoirL', reservoirL);
  within('lastIntervalDays', lastIntervalDays, 1, 365);
  const empty = reservoirL / usePerDayL;
  if (school === 'calendar') {
    return { days: CALENDAR_DAYS, why: 'every two weeks, whatever the reservoir holds' };
  }
  if (school === 'empty') {
    return { days: empty, why: `${empty.toFixed(0)} days until it is empty` };
  }
  if (!ph) return { days: CALENDAR_DAYS, why: 'its pH has not been read: two weeks, then measure' };
  within('ph.filled', ph.filled, 0, 14);
  within('ph.now', ph.now, 0, 14);
  const drift = Math.abs(ph.now - ph.filled);
  const holds = drift <= HOLDS_WITHIN;
  const days = Math.min(
    LONGEST_DAYS,
    Math.max(SHORTEST_DAYS, lastIntervalDays + (holds ? LENGTHEN_DAYS : -LENGTHEN_DAYS)),
  );
  return {
    days,
    why: holds
      ? `the pH held within ${HOLDS_WITHIN}: ${LENGTHEN_DAYS} days longer`
      : `the pH drifted by ${drift.toFixed(1)}: ${LENGTHEN_DAYS} days sooner`,
  };
}
