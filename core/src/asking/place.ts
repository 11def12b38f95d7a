import { TYPICAL_SPOT, type Spot } from '../season/index.ts';
import { ZONES } from './zones.ts';

/** What a device knows of where it is without being asked. */
export interface DeviceClock {
  /** IANA name of its time zone, `Europe/Lisbon` */
  zone: string;
  /** minutes that its clock is behind UTC in the middle of January and of July, as clocks tell it */
  offsets: { january: number; july: number };
}

/** A latitude that nobody told, and what it rests on. */
export interface GuessedPlace {
  spot: Spot;
  from: 'zone' | 'clockChange' | 'nothing';
}

/** In a land that sets its clocks by the season and is not known: about so far from the equator. @source common practice, no source */
const SEASONAL_DEG = 40;

/**
 * A usual room at the latitude of a device's time zone. Zones are long from north to south: the guess is that of
 * the chief place, and is to be shown as one.
 */
export function guessedPlace({ zone, offsets }: DeviceClock): GuessedPlace {
  const known = latitudeOfZone(zone);
  if (known !== null) return { spot: roomAt(known), from: 'zone' };
  // In summer clocks go on: they are then less behind UTC than in winter.
  if (offsets.january !== offsets.july) {
    const north = offsets.july < offsets.january;
    return { spot: roomAt(north ? SEASONAL_DEG : -SEASONAL_DEG), from: 'clockChange' };
  }
  return { spot: roomAt(TYPICAL_SPOT.latitudeDeg), from: 'nothing' };
}
const roomAt = (latitudeDeg: number): Spot => ({ ...TYPICAL_SPOT, latitudeDeg });

/** Latitude of a time zone's chief place, whole degrees; null: not in the table. */
export function latitudeOfZone(zone: string): number | null {
  for (const line of ZONES.trim().split('\n')) {
    const [degrees, ...zones] = line.split(' ');
    if (zones.includes(zone)) return Number(degrees);
  }
  return null;
}
