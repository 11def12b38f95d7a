import { within } from '../number/index.ts';
import { DAYS_PER_MONTH } from './calendar.ts';

/**
 * The coldest and the warmest month outdoors, °C, by latitude: low ground, neither far from a sea nor on it.
 *
 * @source means of latitudes over land and coast, from memory; towns of one latitude differ by several degrees
 */
const BY_LATITUDE = [
  { deg: 0, coldestC: 26, warmestC: 27.5 },
  { deg: 10, coldestC: 25.5, warmestC: 28.5 },
  { deg: 20, coldestC: 21, warmestC: 28 },
  { deg: 30, coldestC: 13, warmestC: 27 },
  { deg: 40, coldestC: 4.5, warmestC: 24 },
  { deg: 50, coldestC: 2.5, warmestC: 19 },
  { deg: 60, coldestC: -3.5, warmestC: 17 },
  { deg: 70, coldestC: -11, warmestC: 11 },
  { deg: 90, coldestC: -30, warmestC: 0 },
] as const;
/** The air is warmest about a month after the sun is highest, in the northern half. */
const WARMEST_DAY = 203;
/** In the southern half more sea takes so much of the swing. @source from memory */
const SOUTHERN_SWING = 0.75;
const DAYS_A_YEAR = 365.25;

/**
 * A typical year outdoors, until its keeper knows better.
 *
 * @param latitudeDeg  −90 (south) … 90
 * @returns means of twelve months, January first, °C
 */
export function typicalYear(latitudeDeg: number): number[] {
  const north = Math.abs(within('latitudeDeg', latitudeDeg, -90, 90));
  const above = Math.max(
    1,
    BY_LATITUDE.findIndex(({ deg }) => deg >= north),
  );
  const [low, high] = [BY_LATITUDE[above - 1]!, BY_LATITUDE[above]!];
  const share = (north - low.deg) / (high.deg - low.deg);
  const between = (from: number, to: number) => from + (to - from) * share;
  const coldest = between(low.coldestC, high.coldestC);
  const warmest = between(low.warmestC, high.warmestC);
  const peak = latitudeDeg < 0 ? WARMEST_DAY - DAYS_A_YEAR / 2 : WARMEST_DAY;
  const half = ((warmest - coldest) / 2) * (latitudeDeg < 0 ? SOUTHERN_SWING : 1);
  return Array.from({ length: 12 }, (_, month) => {
    const day = (month + 0.5) * DAYS_PER_MONTH;
    const swing = Math.cos((2 * Math.PI * (day - peak)) / DAYS_A_YEAR);
    const celsius = (warmest + coldest) / 2 + half * swing;
    return Math.round(celsius * 2) / 2;
  });
}

/** Mean humidity of the air outdoors where nobody has measured it. @source common practice, no source */
export const OUTDOOR_HUMIDITY = 0.7;

/** Whether temperatures are those of a typical year there: nobody has said better. */
export const isTypicalYear = (
  temperatureC: number | readonly (number | null)[],
  latitudeDeg: number,
): boolean => {
  if (typeof temperatureC === 'number') return false;
  const typical = typicalYear(latitudeDeg);
  return temperatureC.every((celsius, month) => celsius === typical[month]);
};
