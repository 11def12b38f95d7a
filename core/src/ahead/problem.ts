import { clamp } from '../number/index.ts';
import { STANDARD_RIMS_CM } from '../pots/index.ts';
import type { IsoDate } from '../season/index.ts';
import type { WeeksAhead } from '../decide/index.ts';

/** One repot as it would be: pot, mix, hands. */
export interface NextRepot {
  rimCm: number;
  /** settled mix that goes in, L */
  newMediumL: number;
  minutes: number;
  /** the support that is new with it; absent: none, or the one it has */
  pole?: { label: string; lengthCm: number };
  /** lasting feed that goes in, g */
  feedG?: number;
}

/** Weeks of a verdict's window, from week 0 on. */
export interface WeekWindow {
  from: number;
  best: number;
  to: number;
}

/** A plant as a forecast takes it. */
export interface AheadPlant {
  id: number;
  name: string;
  spotId: number;
  group: string;
  rimCm: number;
  /** litres to measure of each component for a litre of settled mix */
  parts: { component: string; measureL: number }[];
  weeks: WeeksAhead;
  /** it is not touched before this week, by its keeper’s own word */
  notBefore: number;
  /** the week of the potting day that was settled for it; null: none */
  settledIn: number | null;
  /** weeks in which its next repot costs hardly more than in the best; null: none is named */
  window: WeekWindow | null;
  /** the week in which it likely meets what is above it, and the first in which it may; null: not within two years, or nothing is above */
  meets: { likely: number | null; soonest: number | null };
  /** chance that it is in danger now */
  danger: number;
  /** … so plainly that it is rescued now */
  rescue: boolean;
  /** the next repots in their order; the last one stands for all after it */
  repots: NextRepot[];
}

/** Pots of the shelf that are free, by their width. */
export interface ShelfPots {
  rimCm: number;
  count: number;
}

export interface AheadProblem {
  /** the Monday of week 0 */
  from: IsoDate;
  plants: AheadPlant[];
  shelf: ShelfPots[];
}

/** A wider pot takes more hands by this power of its width. @source common practice, no source */
const HANDS_BY_WIDTH = 1.2;
/** Steps up are taken for as large as the last one, within these. */
const STEP = { least: 1.08, most: 1.25 } as const;

/** The repot after a repot: one step up of the same kind, to a width that is sold. */
export function repotAfter(
  { rimCm, newMediumL, minutes, feedG }: NextRepot,
  fromCm: number,
): NextRepot {
  const step = clamp(rimCm / fromCm, STEP.least, STEP.most);
  const wider = STANDARD_RIMS_CM.find((width) => width >= 0.98 * step * rimCm) ?? rimCm;
  const by = wider / rimCm;
  return {
    rimCm: wider,
    newMediumL: newMediumL * by ** 3,
    minutes: minutes * by ** HANDS_BY_WIDTH,
    ...(feedG ? { feedG: feedG * by ** 3 } : {}),
  };
}
