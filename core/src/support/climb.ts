import { clamp, positive } from '../number/index.ts';
import { seasonAhead, addDays, type IsoDate, type Spot, WEEKS_PER_MONTH } from '../season/index.ts';
import type { Traits } from '../catalogue/index.ts';
import { climbRate, type ClimbRate, type HeightEntry } from '../growth/index.ts';

/** Height to come: what is expected, and the 80 % band round it. */
export interface HeightAhead {
  lowCm: number;
  cm: number;
  highCm: number;
}

/** When a height is reached; null: not within the time looked ahead. */
export interface ReachedOn {
  soonest: IsoDate | null;
  expected: IsoDate | null;
  latest: IsoDate | null;
}

/** How a vine will climb. */
export interface Climb {
  /** the day it starts from */
  from: IsoDate;
  rate: ClimbRate;
  /** weeks from now */
  heightAt: (weeks: number) => HeightAhead;
  reaches: (cm: number) => ReachedOn;
}

/** So far ahead nothing is said, weeks. */
export const CLIMB_WEEKS = 260;
/** Height gained per length of vine that is wound round its pole at 45°. @source geometry: cos 45° */
export const WOUND = Math.SQRT1_2;

/**
 * The climb ahead, from a plant's own heights where it has them, else at the
 * pace of its vigour.
 *
 * @param heightCm  height now, above the medium
 * @param wound  the vine goes round its pole instead of straight up
 */
export function climbAhead(situation: {
  heightCm: number;
  heights: readonly HeightEntry[];
  spot: Spot;
  traits: Traits;
  date: IsoDate;
  wound?: boolean;
}): Climb {
  const { heightCm, heights, spot, traits, date, wound = false } = situation;
  const rate = climbRate(heights, spot, traits);
  const { activity } = seasonAhead(spot, traits, date, CLIMB_WEEKS);
  const active = [0];
  for (const share of activity) active.push(active[active.length - 1]! + share / WEEKS_PER_MONTH);
  const steepness = wound ? WOUND : 1;
  const heightAt = (weeks: number): HeightAhead => {
    const months = active[clamp(Math.round(weeks), 0, CLIMB_WEEKS)]!;
    const { lowCm, cm, highCm } = rate.gainIn(months);
    if (weeks <= 0) return { lowCm: heightCm, cm: heightCm, highCm: heightCm };
    return {
      lowCm: heightCm + steepness * lowCm,
      cm: heightCm + steepness * cm,
      highCm: heightCm + steepness * highCm,
    };
  };
  const firstWeek = (cm: number, of: keyof HeightAhead) => {
    for (let week = 0; week <= CLIMB_WEEKS; week++) {
      if (heightAt(week)[of] >= cm) return addDays(date, week * 7);
    }
    return null;
  };
  return {
    from: date,
    rate,
    heightAt,
    reaches: (cm) => ({
      soonest: firstWeek(cm, 'highCm'),
      expected: firstWeek(cm, 'cm'),
      latest: firstWeek(cm, 'lowCm'),
    }),
  };
}

/**
 * Months until a free length of pole is used up.
 *
 * @param cmPerMonth  ≥ 0
 * @returns null when nothing grows
 */
export function monthsToTop(freeCm: number, cmPerMonth: number): number | null {
  if (freeCm <= 0) return 0;
  if (!(cmPerMonth > 0)) return null;
  return positive('freeCm', freeCm) / cmPerMonth;
}
