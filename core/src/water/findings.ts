import {
  activityOnDay,
  type SeasonTraits,
  type Spot,
  temperatureOn,
  dryingKPa,
} from '../season/index.ts';
import { mannKendall, theilSen, type Point, type RobustLine } from '../trend/index.ts';
import { waterCycles, type WaterCycle, type WaterLog, type WaterLogEntry } from './cycles.ts';

/** A trend over a log's cycles, with its test. */
export interface LogTrend {
  /** cycles that it rests on */
  cycles: number;
  /** relative change from the first cycle to the last, along the robust line: 0.3 = 30 % more */
  change: number;
  /** the same at the edges of the 90 % band */
  low: number;
  high: number;
  /** chance of such a rise (fall) where nothing changed */
  pRising: number;
  pFalling: number;
}

/** What a plant's log says of its water. */
export interface WaterFindings extends WaterLog {
  /** per cycle with weights: use in weather of 1 kPa and full light, g a day */
  points: {
    from: number;
    gPerDay: number | null;
    weathered: number | null;
    heldKg: number | null;
  }[];
  /** null: under four cycles, not enough to tell */
  use: LogTrend | null;
  holding: LogTrend | null;
  /** mean use over the last four cycles with weights, g a day; null without */
  recentGPerDay: number | null;
  /** what is told, each with its cycles; empty when nothing has changed */
  told: ('usesMore' | 'usesLess' | 'holdsLess')[];
}

/** Fewer cycles than this tell nothing. */
export const LEAST_CYCLES = 4;
/**
 * A trend is told when chance would bring it at most this often. Three
 * questions are asked of each log, so that together they mislead under 5 % of the time.
 */
export const TOLD_BELOW = 0.015;
/** … and only when it matters: smaller changes are within what a keeper's hand does. */
export const LEAST_USE_CHANGE = 0.15;
export const LEAST_HOLDING_CHANGE = 0.08;
/** Share of use that goes on in the dark. @source common practice, no source */
const IN_THE_DARK = 0.35;

/**
 * Findings from a log of weights and waterings since the last repot, with the
 * weather taken out so that July and January compare.
 *
 * Use is divided by what the spot's air and light ask for over each cycle
 * (vapour pressure deficit × light). With dates alone, the length of a cycle
 * stands for its use: what a pot holds is then taken as unchanged.
 *
 * @param entries  in any order
 * @source trend: Theil–Sen with a one-sided Mann–Kendall test; thresholds: common practice, no source
 */
export function waterFindings(
  entries: readonly WaterLogEntry[],
  spot: Spot,
  plant: SeasonTraits,
): WaterFindings {
  const log = waterCycles(entries);
  const driest = Math.min(...log.cycles.map(({ dryKg }) => dryKg ?? Infinity));
  const points = log.cycles.map((cycle) => {
    const asked = demandOver(cycle, spot, plant);
    return {
      from: cycle.from,
      gPerDay: cycle.gPerDay,
      weathered: cycle.gPerDay === null ? null : cycle.gPerDay / asked,
      heldKg: cycle.wetKg === null || !Number.isFinite(driest) ? null : cycle.wetKg - driest,
      pace: 1 / (cycle.days * asked),
    };
  });
  const series = (of: (point: (typeof points)[number]) => number | null): Point[] =>
    points.flatMap((point) => {
      const y = of(point);
      return y === null || !(y > 0) ? [] : [{ x: point.from, y }];
    });
  const weighed = series(({ weathered }) => weathered);
  const use = trendOf(weighed.length >= LEAST_CYCLES ? weighed : series(({ pace }) => pace));
  const holding = trendOf(series(({ heldKg }) => heldKg));
  const recent = points
    .flatMap(({ gPerDay }) => (gPerDay === null ? [] : [gPerDay]))
    .slice(-LEAST_CYCLES);
  return {
    ...log,
    points: points.map(({ from, gPerDay, weathered, heldKg }) => ({
      from,
      gPerDay,
      weathered,
      heldKg,
    })),
    use,
    holding,
    recentGPerDay: recent.length > 0 ? recent.reduce((sum, g) => sum + g, 0) / recent.length : null,
    told: [
      ...(use && use.pRising < TOLD_BELOW && use.change > LEAST_USE_CHANGE
        ? (['usesMore'] as const)
        : []),
      ...(use && use.pFalling < TOLD_BELOW && use.change < -LEAST_USE_CHANGE
        ? (['usesLess'] as const)
        : []),
      ...(holding && holding.pFalling < TOLD_BELOW && holding.change < -LEAST_HOLDING_CHANGE
        ? (['holdsLess'] as const)
        : []),
    ],
  };
}

/** Mean pull of the air over a cycle, in kPa at full light. */
export function demandOver(
  { from, to }: Pick<WaterCycle, 'from' | 'to'>,
  spot: Spot,
  plant: SeasonTraits,
): number {
  let sum = 0;
  const days = Math.max(1, Math.round(to - from));
  for (let i = 0; i < days; i++) {
    const day = dayOfYearOf(from + ((i + 0.5) * (to - from)) / days);
    const { light } = activityOnDay(spot, plant, day);
    const air = dryingKPa(temperatureOn(spot, day), spot.relativeHumidity);
    sum += air * (IN_THE_DARK + (1 - IN_THE_DARK) * light);
  }
  return sum / days;
}

const DAY_MS = 86_400_000;
function dayOfYearOf(dayNumber: number): number {
  const date = new Date(dayNumber * DAY_MS);
  return Math.floor((date.getTime() - Date.UTC(date.getUTCFullYear(), 0, 1)) / DAY_MS) + 1;
}

function trendOf(points: readonly Point[]): LogTrend | null {
  if (points.length < LEAST_CYCLES || points[points.length - 1]!.x === points[0]!.x) return null;
  const line = theilSen(points);
  const span = points[points.length - 1]!.x - points[0]!.x;
  const start = startOf(line, points);
  const { pRising, pFalling } = mannKendall(points.map(({ y }) => y));
  return {
    cycles: points.length,
    change: (line.slope * span) / start,
    low: (line.low * span) / start,
    high: (line.high * span) / start,
    pRising,
    pFalling,
  };
}

/** The line's value at its first point, kept off 0 where a steep line would cross it. */
function startOf({ slope, intercept }: RobustLine, points: readonly Point[]): number {
  const largest = Math.max(...points.map(({ y }) => y));
  return Math.max(largest * 0.1, intercept + slope * points[0]!.x);
}
