import { median } from 'simple-statistics';
import {
  activityOnDay,
  dayNumber,
  type IsoDate,
  type SeasonTraits,
  type Spot,
  DAYS_PER_MONTH,
} from '../season/index.ts';
import { theilSen, type Point } from '../trend/index.ts';

/** A height or vine length on a day. */
export interface HeightEntry {
  date: IsoDate;
  cm: number;
}

/** How fast a plant grows, and whether that has changed. */
export interface GrowthRate {
  readings: number;
  /** at full growth (summer, or under lamps), cm a month, with the 90 % band */
  cmPerMonth: number;
  low: number;
  high: number;
  /** cm a month lately, on the same footing; null with too few readings */
  lately: number | null;
  /** what the last readings did against those before */
  change: 'stalled' | 'faster' | null;
}

export const LEAST_READINGS = 4;
const LATE_READINGS = 3;
/** Active days that the late readings must span before they are held against the rest. */
const LEAST_LATE_DAYS = 14;
/** Lately under this share of its rate is a stall, over the other an acceleration. @source common practice, no source */
const STALL_SHARE = 0.25;
const FASTER_SHARE = 2;
/** Below this rate nothing can stall, cm a month. */
const LEAST_RATE = 0.3;

/**
 * Growth rate from a log of heights, in days of full growth: each calendar day
 * counts by how active the plant is then, so that winter is no stall.
 *
 * A cut (a height well under the one before) starts the log anew.
 *
 * @returns null under four readings, or when they do not span growing days
 * @source Theil–Sen (Sen, 1968); thresholds: common practice, no source
 */
export function growthRate(
  entries: readonly HeightEntry[],
  spot: Spot,
  plant: SeasonTraits,
): GrowthRate | null {
  const points = sinceCut(activePoints(entries, spot, plant));
  if (points.length < LEAST_READINGS) return null;
  const span = points[points.length - 1]!.x - points[0]!.x;
  if (span < LEAST_LATE_DAYS) return null;
  const perMonth = (slope: number) => slope * DAYS_PER_MONTH;
  const whole = theilSen(points);
  const earlier = points.slice(0, -LATE_READINGS + 1);
  const late = points.slice(-LATE_READINGS);
  const lateSpan = late[late.length - 1]!.x - late[0]!.x;
  const lately = lateSpan >= LEAST_LATE_DAYS ? perMonth(theilSen(late).slope) : null;
  const before =
    earlier.length >= LATE_READINGS && earlier[earlier.length - 1]!.x > earlier[0]!.x
      ? perMonth(theilSen(earlier).slope)
      : null;
  return {
    readings: points.length,
    cmPerMonth: perMonth(whole.slope),
    low: perMonth(whole.low),
    high: perMonth(whole.high),
    lately,
    change: changeOf(before, lately),
  };
}

function changeOf(before: number | null, lately: number | null): GrowthRate['change'] {
  if (before === null || lately === null || before < LEAST_RATE) return null;
  if (lately < STALL_SHARE * before) return 'stalled';
  return lately > FASTER_SHARE * before ? 'faster' : null;
}

/** Heights over days of full growth. */
export function activePoints(
  entries: readonly HeightEntry[],
  spot: Spot,
  plant: SeasonTraits,
): Point[] {
  const sorted = [...entries].sort((a, b) => a.date.localeCompare(b.date) || a.cm - b.cm);
  const byYear = new Map<number, number>();
  const activity = (day: number) => {
    const ofYear = day % 365;
    if (!byYear.has(ofYear))
      byYear.set(ofYear, activityOnDay(spot, plant, ((ofYear + 365) % 365) + 1).activity);
    return byYear.get(ofYear)!;
  };
  const points: Point[] = [];
  let x = 0;
  let last: number | null = null;
  for (const { date, cm } of sorted) {
    const day = dayNumber(date);
    // 1970 began on day 0, so the day of the year drifts by a leap day in four years: of no account here.
    for (let d = last ?? day; d < day; d++)
      x += activity(Math.round(d - Math.floor(d / 365.25) * 365.25));
    last = day;
    points.push({ x, y: cm });
  }
  return points;
}

/** A height below this share of those before is that of a plant that was cut. */
export const CUT_SHARE = 0.75;

export function sinceCut(points: readonly Point[]): Point[] {
  let from = 0;
  points.forEach(({ y }, i) => {
    // Against the middle of the readings before, so that one misread height is no cut.
    const before = points.slice(Math.max(from, i - LATE_READINGS), i).map((point) => point.y);
    if (before.length > 0 && y < CUT_SHARE * median(before)) from = i;
  });
  return points.slice(from);
}
