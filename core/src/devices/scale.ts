import { seeded } from '../number/index.ts';

/** What a bench scale says at a moment. */
export interface ScaleReading {
  /** milliseconds on any clock that only goes forward */
  at: number;
  kg: number;
}

/** Time in which the plate swings in, ms. */
const SETTLING_MS = 450;
const SWING_HZ = 2.2;
const NOISE_KG = 0.0004;
const DRIFT_KG_PER_MINUTE = 0.0006;
/** Smallest step that it shows. */
const STEP_KG = 0.001;

/** A stand-in for a bench scale: it swings in, trembles, drifts, and can be tared. */
export interface SimulatedScale {
  /** puts a load on the plate, at a moment */
  put(kg: number, at: number): void;
  /** calls what it shows now 0 */
  tare(at: number): void;
  read(at: number): ScaleReading;
}

/** @param seed  the same seed trembles in the same way */
export function simulatedScale(seed: number): SimulatedScale {
  const random = seeded(seed);
  const tremble = () => (random() + random() + random() - 1.5) * NOISE_KG * 2;
  let load = 0;
  let before = 0;
  let putAt = -Infinity;
  let zero = 0;
  const onPlate = (at: number) => {
    const since = Math.max(0, at - putAt);
    const left = Math.exp(-since / SETTLING_MS) * Math.cos((2 * Math.PI * SWING_HZ * since) / 1000);
    return load + (before - load) * left + (DRIFT_KG_PER_MINUTE * at) / 60_000;
  };
  return {
    put(kg, at) {
      before = load;
      load = kg;
      putAt = at;
    },
    tare(at) {
      zero = onPlate(at);
    },
    read(at) {
      const kg = onPlate(at) - zero + tremble();
      return { at, kg: Math.round(kg / STEP_KG) * STEP_KG };
    },
  };
}

/** A weight that can be written down, or why there is none yet. */
export type SteadyWeight =
  { kg: number; state: 'steady' } | { kg: number | null; state: 'settling' | 'empty' };

/** The plate has come to rest when it kept within this … */
const REST_KG = 0.003;
/** … for this long, ms … */
const REST_MS = 1200;
/** … over at least so many readings. */
const REST_READINGS = 4;
const EMPTY_KG = 0.008;

/**
 * The weight once the plate has come to rest. A hand that leans on it, a knock,
 * a pot still swinging: all of them show as movement, and none is taken.
 *
 * @param readings  in the order of time
 */
export function steadyWeight(readings: readonly ScaleReading[]): SteadyWeight {
  const last = readings[readings.length - 1];
  if (!last) return { kg: null, state: 'settling' };
  const late = readings.filter(({ at }) => last.at - at <= REST_MS);
  const span = last.at - late[0]!.at;
  const kgs = late.map(({ kg }) => kg);
  const atRest = Math.max(...kgs) - Math.min(...kgs) <= REST_KG;
  if (!atRest || late.length < REST_READINGS || span < REST_MS * 0.8) {
    return { kg: last.kg, state: 'settling' };
  }
  const kg = kgs.reduce((sum, value) => sum + value, 0) / kgs.length;
  if (kg < EMPTY_KG) return { kg: null, state: 'empty' };
  return { kg: Math.round(kg / STEP_KG) * STEP_KG, state: 'steady' };
}

const LINE = /([+-]?)\s*(\d+(?:[.,]\d+)?)\s*(kg|g|lb|oz)\b/i;
const KG_PER = { kg: 1, g: 0.001, lb: 0.453_592_37, oz: 0.028_349_523_125 } as const;

/**
 * The weight in a line as serial scales send it: a number with its unit, among
 * whatever else the maker adds.
 *
 * @returns kg; null when the line holds no weight
 */
export function weightInLine(line: string): number | null {
  const [, sign, digits, unit] = LINE.exec(line) ?? [];
  if (!digits || !unit) return null;
  const value =
    Number(digits.replace(',', '.')) * KG_PER[unit.toLowerCase() as keyof typeof KG_PER];
  return sign === '-' ? -value : value;
}
