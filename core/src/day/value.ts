import { within } from '../number/index.ts';
import type { Decision } from '../decide/index.ts';
import { daysBetween, type IsoDate } from '../season/index.ts';

/**
 * What potting on a day saves against waiting for the keeper's next chance.
 *
 * Each day's account is that of the verdict: cost of disturbing then, of having
 * waited until then, and the long-run cost of the fresh cycle over the rest of
 * the year. The next chance is taken at its best: the cheapest week from then on
 * in which the keeper's school lets it be disturbed. On a day on which the
 * school does not, nothing is saved.
 *
 * @param decision  judged on `judged`
 * @param day  the potting day, on or after `judged`
 * @param next  the first day on which the keeper would pot again, after `day`
 * @returns units of a badly timed repot; below 0 the plant is better left
 * @throws RangeError for days before the judgement or beyond a year
 */
export function gainOf(
  decision: Pick<Decision, 'curves' | 'freshPerWeek'>,
  judged: IsoDate,
  day: IsoDate,
  next: IsoDate,
): number {
  const { disturbing, waiting, open } = decision.curves;
  const last = disturbing.length - 1;
  const week = within('weeks until the day', daysBetween(judged, day) / 7, 0, last);
  const from = within('weeks until the next chance', daysBetween(judged, next) / 7, week, Infinity);
  const account = (at: number) =>
    between(disturbing, at) + between(waiting, at) - decision.freshPerWeek * at;
  // Where the school opens no later week, the end of the year stands for the next.
  let later = account(last);
  if (from <= last && open[Math.floor(from)]) later = Math.min(later, account(from));
  for (let at = Math.ceil(from); at <= last; at++) {
    if (open[at]) later = Math.min(later, account(at));
  }
  const gain = later - account(week);
  return open[Math.floor(week)] ? gain : Math.min(gain, CLOSED);
}
/** Told for a closed day: less than nothing, so that only the keeper's own word brings it about. */
const CLOSED = -0.01;

/** A curve of weeks read between two of them. */
function between(curve: readonly number[], week: number): number {
  const before = Math.floor(week);
  const share = week - before;
  return curve[before]! * (1 - share) + (curve[before + 1] ?? curve[before]!) * share;
}
