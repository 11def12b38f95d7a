import { median, quantileSorted } from 'simple-statistics';
import type { Traits } from '../catalogue/index.ts';
import { activePoints, climbRate, CUT_SHARE, type HeightEntry } from '../growth/index.ts';
import {
  daysBetween,
  DAYS_PER_MONTH,
  type IsoDate,
  type SeasonTraits,
  type Spot,
} from '../season/index.ts';

/** An amount that was said, and what it came to. */
export interface Amount {
  said: number;
  /** 80 % band that was said with it, where there was one */
  low?: number;
  high?: number;
  found: number;
}

/** How amounts came out against what was said. */
export interface AmountScore {
  count: number;
  /** found ÷ said: as many above as below, and of ten one below and one above */
  ratio: number;
  low: number;
  high: number;
  /** share within a quarter of what was said */
  close: number;
  /** share within its band, which is meant to hold 80 %; null where none was said */
  held: number | null;
}

const CLOSE = 0.25;
/** Below this share of what was said it came to nothing: that has no ratio of its own. */
const LEAST_SHARE = 0.05;

/** @returns null of no amounts. @param amounts  said: above 0 */
export function amountsScore(amounts: readonly Amount[]): AmountScore | null {
  if (amounts.length === 0) return null;
  const ratios = amounts
    .map(({ said, found }) => Math.max(LEAST_SHARE, found / said))
    .sort((a, b) => a - b);
  const share = (of: readonly Amount[], holds: (one: Amount) => boolean) =>
    of.filter(holds).length / of.length;
  const banded = amounts.filter(({ low, high }) => low !== undefined && high !== undefined);
  return {
    count: amounts.length,
    ratio: median(ratios),
    low: quantileSorted(ratios, 0.1),
    high: quantileSorted(ratios, 0.9),
    close: share(amounts, ({ said, found }) => Math.abs(found - said) <= CLOSE * said),
    held:
      banded.length === 0
        ? null
        : share(banded, ({ low, high, found }) => found >= low! && found <= high!),
  };
}

/** Two heights must lie so far apart, days, and so many months of full growth, before one foretells the other. */
const LEAST_DAYS = 42;
const LEAST_ACTIVE_MONTHS = 0.5;
/** What is not expected to lengthen by this much, cm, is not foretold. */
const LEAST_GAIN_CM = 1;

export interface Climb extends Amount {
  from: IsoDate;
  to: IsoDate;
}

/**
 * What a plant was said to gain from one height to a later one by what was measured until then, and what it
 * gained, cm. After a cut it is foretold anew.
 */
export function climbsHeld(
  entries: readonly HeightEntry[],
  spot: Spot,
  plant: Pick<Traits, 'vigour' | 'growthForm' | 'lengthens'> & SeasonTraits,
): Climb[] {
  const sorted = [...entries].sort((a, b) => a.date.localeCompare(b.date) || a.cm - b.cm);
  const points = activePoints(sorted, spot, plant);
  const climbs: Climb[] = [];
  let last = 0;
  for (let at = 1; at < sorted.length; at++) {
    const [from, to] = [sorted[last]!, sorted[at]!];
    if (to.cm < CUT_SHARE * from.cm) {
      last = at;
      continue;
    }
    const months = (points[at]!.x - points[last]!.x) / DAYS_PER_MONTH;
    if (daysBetween(from.date, to.date) < LEAST_DAYS || months < LEAST_ACTIVE_MONTHS) continue;
    const gain = climbRate(sorted.slice(0, last + 1), spot, plant).gainIn(months);
    if (gain.cm >= LEAST_GAIN_CM) {
      climbs.push({
        from: from.date,
        to: to.date,
        said: gain.cm,
        low: gain.lowCm,
        high: gain.highCm,
        found: to.cm - from.cm,
      });
    }
    last = at;
  }
  return climbs;
}
