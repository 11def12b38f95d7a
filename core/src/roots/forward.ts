import type { Traits } from '../catalogue/index.ts';
import {
  monthsBetween,
  daysBetween,
  seasonAhead,
  type IsoDate,
  type Spot,
} from '../season/index.ts';
import { exploredAfter } from './filling.ts';
import { readRoots, type RootFindings, type RootReading } from './reading.ts';

/** Deviation that each month of forecast adds: plants of one kind differ by about a third in pace. */
const SD_PER_MONTH = 0.012;

/**
 * Roots as a look found them, grown on until a later day by the season in between.
 *
 * @param toFill  months in which it fills its pot
 * @returns null when that look said nothing of the roots
 */
export function rootsBroughtForward(
  findings: RootFindings,
  from: IsoDate,
  to: IsoDate,
  spot: Spot,
  traits: Traits,
  toFill: number,
): RootReading | null {
  const reading = readRoots(findings);
  if (!reading) return null;
  const weeks = Math.max(1, Math.round(daysBetween(from, to) / 7));
  const { activity } = seasonAhead(spot, traits, from, weeks);
  const mean = activity.reduce((sum, a) => sum + a, 0) / weeks;
  const months = monthsBetween(from, to);
  return {
    explored: exploredAfter(reading.explored, toFill, months * mean),
    sd: Math.hypot(reading.sd, SD_PER_MONTH * months),
  };
}
