import { clamp, seeded } from '../number/index.ts';
import { temperatureOn, type Spot } from '../season/index.ts';

/** What a room sensor says at a moment. */
export interface RoomReading {
  /** ISO 8601, UTC */
  at: string;
  temperatureC: number;
  relativeHumidity: number;
}

/** Warmest in mid afternoon, coldest before dawn. */
const DAILY_SWING_C = 2.2;
const WARMEST_HOUR = 15;
const NOISE_C = 0.15;
const DRIFT_C_PER_DAY = 0.002;
/** Warmer air of the same water is drier, per °C. */
const HUMIDITY_PER_C = -0.025;
const DAY_MS = 86_400_000;

/**
 * A stand-in for a room sensor: the spot's own months, the day's swing, noise
 * and a slow drift. The same seed and moment read the same.
 */
export function roomReading(spot: Spot, atMs: number, seed: number): RoomReading {
  const at = new Date(atMs);
  const day = Math.floor((atMs - Date.UTC(at.getUTCFullYear(), 0, 1)) / DAY_MS) + 1;
  const hour = at.getUTCHours() + at.getUTCMinutes() / 60;
  const random = seeded((seed * 2_654_435_761 + Math.floor(atMs / 60_000)) >>> 0);
  const noise = (random() + random() + random() - 1.5) * 2 * NOISE_C;
  const swing = DAILY_SWING_C * Math.cos((2 * Math.PI * (hour - WARMEST_HOUR)) / 24);
  const drift = DRIFT_C_PER_DAY * day;
  const temperatureC = temperatureOn(spot, day) + swing + noise + drift;
  const humidity = spot.relativeHumidity + HUMIDITY_PER_C * swing + 0.02 * (random() - 0.5);
  return {
    at: at.toISOString(),
    temperatureC: Math.round(temperatureC * 10) / 10,
    relativeHumidity: Math.round(clamp(humidity, 0.05, 0.99) * 1000) / 1000,
  };
}
