import { within } from '../number/index.ts';

/**
 * Saturation vapour pressure over water.
 *
 * @param temperatureC  −40 … 60
 * @returns kPa
 * @source FAO Irrigation and Drainage Paper 56 (Allen et al., 1998), equation 11
 */
export function saturationKPa(temperatureC: number): number {
  within('temperatureC', temperatureC, -40, 60);
  return 0.6108 * Math.exp((17.27 * temperatureC) / (temperatureC + 237.3));
}

/**
 * Vapour pressure deficit: how hard the air pulls water out of leaf and pot.
 *
 * @param relativeHumidity  0 … 1
 * @returns kPa
 * @source FAO 56, equations 11 and 17, with one mean temperature
 */
export function vpdKPa(temperatureC: number, relativeHumidity: number): number {
  within('relativeHumidity', relativeHumidity, 0, 1);
  return saturationKPa(temperatureC) * (1 - relativeHumidity);
}

/** Air is never so wet that nothing dries. */
const LEAST_KPA = 0.05;
/** Of a common room. Cooler and damper air is felt less than its deficit says: light dries too. */
const ROOM_KPA = 1;
const FELT = 1 / 3;

/**
 * The deficit that things dry by, kPa: {@link vpdKPa} from that of a common room up; below it falls as its cube
 * root, since what light evaporates does not ask how damp the air is.
 *
 * @source Penman (1948), from memory: evaporation has a part by radiation beside that by the air's deficit;
 *   how much of it: common practice, no source: in a porch at 5 °C plants go two to three times as long as in a room
 */
export function dryingKPa(temperatureC: number, relativeHumidity: number): number {
  const deficit = Math.max(LEAST_KPA, vpdKPa(temperatureC, relativeHumidity));
  return deficit >= ROOM_KPA ? deficit : ROOM_KPA * (deficit / ROOM_KPA) ** FELT;
}
