import { crowdedBand, EXPLORED_AT_START, type FillingPot, type RootPace } from '../roots/index.ts';
import { monthsBetween, type IsoDate } from '../season/index.ts';

/** A stay in a pot, with what looks into it found. */
export interface StaySeen extends FillingPot {
  /** day of the repot */
  from: IsoDate;
  /** of the season over a year, 0 … 1 */
  meanActivity: number;
  /** what was believed of the plant’s pace on that day */
  pace: RootPace;
  looks: readonly { date: IsoDate; full: boolean }[];
}

/** When a pot was full, against the months that were said at its repot. */
export type FullWhen = 'sooner' | 'asSaid' | 'later';

/** What is not known of a repot by one size up: share explored. @source common practice, no source */
const START_SD = 0.1;

/**
 * Roots are seen now and then: a pot was filled between the last look that found room and the first that did not.
 *
 * @returns null while it may still come either way
 */
export function fullWhen({ from, meanActivity, pace, looks, ...pot }: StaySeen): FullWhen | null {
  const start = { explored: EXPLORED_AT_START, sd: START_SD };
  const said = crowdedBand(start, pot, meanActivity, pace);
  if (!said) return null;
  const ages = (full: boolean) =>
    looks.filter((look) => look.full === full).map(({ date }) => monthsBetween(from, date));
  const fullAt = Math.min(...ages(true));
  const roomAt = Math.max(0, ...ages(false).filter((age) => age < fullAt));
  if (fullAt < said.soonest) return 'sooner';
  if (roomAt > said.latest) return 'later';
  return Number.isFinite(fullAt) ? 'asSaid' : null;
}
