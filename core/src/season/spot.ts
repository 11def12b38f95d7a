import { OutOfRange } from '../number/outOfRange.ts';
import { positive, within } from '../number/index.ts';

/** Where a plant stands. */
export interface Spot {
  /** −90 (south) … 90 */
  latitudeDeg: number;
  indoors: boolean;
  /** one mean for the year, or twelve from January to December, °C */
  temperatureC: number | readonly number[];
  /** 0 … 1 */
  relativeHumidity: number;
  /** hours of lamp a day, 0 … 24 */
  lampHours: number;
  /** how much of the sky the plant sees */
  light: LightClass;
}

/**
 * Light classes: the extraterrestrial radiation (MJ m⁻² d⁻¹) from which light no
 * longer holds growth back in such a place. Lower needs less sun outside.
 *
 * @source common practice, no source: keepers at 50–55° N see growth start from
 * mid-February on a bright sill and in late March in a dim room
 */
export const LIGHT_CLASSES = [
  { id: 'dim', label: 'dim: you need a lamp to read', enoughMJ: 30 },
  { id: 'medium', label: 'medium: bright room, away from glass', enoughMJ: 26 },
  { id: 'bright', label: 'bright: at the glass, little direct sun', enoughMJ: 22 },
  { id: 'sun', label: 'sun: direct sun for hours', enoughMJ: 18 },
] as const;

export type LightClass = (typeof LIGHT_CLASSES)[number]['id'];

/** Lamp hours a day with which light no longer limits. @source common practice, no source */
export const FULL_LAMP_HOURS = 12;

export const TYPICAL_SPOT: Spot = {
  latitudeDeg: 50,
  indoors: true,
  temperatureC: 20,
  relativeHumidity: 0.5,
  lampHours: 0,
  light: 'medium',
};

/**
 * Mean temperature on a day of the year, between the middles of months.
 *
 * @returns °C
 */
export function temperatureOn(spot: Pick<Spot, 'temperatureC'>, dayOfYear: number): number {
  const { temperatureC } = spot;
  if (typeof temperatureC === 'number') return temperatureC;
  const month = (dayOfYear / 365.25) * 12 - 0.5;
  const earlier = Math.floor(month);
  const share = month - earlier;
  const at = (index: number) => temperatureC[(index + 12) % 12]!;
  return at(earlier) * (1 - share) + at(earlier + 1) * share;
}

/** @throws RangeError naming the first field that is out of range */
export function checkSpot(spot: Spot): Spot {
  within('latitudeDeg', spot.latitudeDeg, -90, 90);
  within('relativeHumidity', spot.relativeHumidity, 0, 1);
  within('lampHours', spot.lampHours, 0, 24);
  const temperatures =
    typeof spot.temperatureC === 'number' ? [spot.temperatureC] : spot.temperatureC;
  if (temperatures.length !== 1 && temperatures.length !== 12) {
    throw new OutOfRange(`temperatureC must be one value or twelve, got ${temperatures.length}`);
  }
  for (const celsius of temperatures) within('temperatureC', celsius, -30, 50);
  positive('enoughMJ', lightClass(spot.light).enoughMJ);
  return spot;
}

/** @throws RangeError for an unknown class */
export function lightClass(id: LightClass): (typeof LIGHT_CLASSES)[number] {
  const found = LIGHT_CLASSES.find((candidate) => candidate.id === id);
  if (!found) throw new OutOfRange(`light must be a known class, got ${String(id)}`);
  return found;
}
