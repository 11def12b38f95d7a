import { DAYS_PER_MONTH } from './calendar.ts';
import { temperatureOn, type Spot } from './spot.ts';
import { dryingKPa } from './vapour.ts';

/**
 * Vapour pressure deficit of a spot in its warmest or its coolest month.
 *
 * @returns kPa, at least 0.05
 */
export function vpdAtYearEnd(spot: Spot, end: 'warmest' | 'coolest'): number {
  const months = Array.from({ length: 12 }, (_, month) =>
    temperatureOn(spot, 15 + month * DAYS_PER_MONTH),
  );
  const celsius = end === 'warmest' ? Math.max(...months) : Math.min(...months);
  return dryingKPa(celsius, spot.relativeHumidity);
}
