import { OutOfRange } from '../number/outOfRange.ts';
import { medianSorted } from 'simple-statistics';
import { normalQuantile } from './normal.ts';
import { varianceOfS } from './mannKendall.ts';

/** A point of a series: when (days, or days of growth) and what. */
export interface Point {
  x: number;
  y: number;
}

/** A robust line through points. */
export interface RobustLine {
  slope: number;
  /** band of the slope at the confidence asked for */
  low: number;
  high: number;
  intercept: number;
}

/**
 * Theil–Sen line: the median of the slopes of all pairs, which up to 29 % of
 * wild points cannot move; the band by Sen's ranks.
 *
 * @param points  at least 2, with at least two different x
 * @param confidence  of the band, 0 … 1
 * @throws RangeError when no two points differ in x
 * @source Sen, Estimates of the regression coefficient based on Kendall's tau, JASA 63 (1968)
 */
export function theilSen(points: readonly Point[], confidence = 0.9): RobustLine {
  const slopes: number[] = [];
  for (let i = 0; i < points.length; i++) {
    for (let j = i + 1; j < points.length; j++) {
      const run = points[j]!.x - points[i]!.x;
      if (run !== 0) slopes.push((points[j]!.y - points[i]!.y) / run);
    }
  }
  if (slopes.length === 0) throw new OutOfRange('points must hold two different x');
  slopes.sort((a, b) => a - b);
  const slope = medianSorted(slopes);
  const half =
    normalQuantile((1 + confidence) / 2) * Math.sqrt(varianceOfS(points.map(({ y }) => y)));
  const lowRank = Math.max(0, Math.round((slopes.length - half) / 2) - 1);
  const highRank = Math.min(slopes.length - 1, Math.round((slopes.length + half) / 2));
  const middle = (values: number[]) => medianSorted(values.sort((a, b) => a - b));
  return {
    slope,
    low: slopes[lowRank]!,
    high: slopes[highRank]!,
    intercept: middle(points.map(({ y }) => y)) - slope * middle(points.map(({ x }) => x)),
  };
}
