import { median } from 'simple-statistics';
import {
  activityOnDay,
  dayOfNumber,
  dayOfYear,
  dryingKPa,
  temperatureOn,
  type SeasonTraits,
  type Spot,
} from '../season/index.ts';
import type { WaterFindings } from './findings.ts';
import { typicalUseG } from './use.ts';

/** How much a plant really uses against the typical of its kind, from its own weighings. */
export interface OwnUse {
  /** 1 = as typical */
  factor: number;
  /** cycles it rests on */
  cycles: number;
}

/** Cycles with weights that must be there before the log speaks. */
const LEAST_CYCLES = 4;
/** Only the newest count: the plant of last year was smaller. */
const NEWEST_CYCLES = 8;

/**
 * A plant's own use against the typical model in the same pot and weather: the
 * median over its newest weighed cycles, so that one holiday does not count.
 *
 * @param pot  surface of the present pot, its canopy's and its breathing wall, cm²
 * @returns null under four weighed cycles
 */
export function ownUse(
  log: Pick<WaterFindings, 'points'>,
  spot: Spot,
  plant: SeasonTraits & { waterUse: number },
  pot: { surfaceCm2: number; canopyCm2: number; wallCm2: number },
): OwnUse | null {
  const weighed = log.points.filter(({ gPerDay }) => gPerDay !== null && gPerDay > 0);
  if (weighed.length < LEAST_CYCLES) return null;
  const ratios = weighed.slice(-NEWEST_CYCLES).map(({ from, gPerDay }) => {
    const day = dayOfYear(dayOfNumber(Math.floor(from)));
    const typical = typicalUseG({
      ...pot,
      waterUse: plant.waterUse,
      windy: !spot.indoors,
      vpd: dryingKPa(temperatureOn(spot, day), spot.relativeHumidity),
      activity: activityOnDay(spot, plant, day).activity,
    });
    return gPerDay! / typical;
  });
  return { factor: median(ratios), cycles: ratios.length };
}
