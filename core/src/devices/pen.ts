import { seeded } from '../number/index.ts';

/** What a pen can read of a liquid or a medium. */
export interface PenReading {
  /** milliseconds on any clock that only goes forward */
  at: number;
  ph: number;
  msPerCm: number;
}

/** In air a pen shows the neutral point and no salts. */
const IN_AIR = { ph: 7, msPerCm: 0 } as const;
/** The glass takes this long to come to two thirds of a change, ms; the electrodes are faster. */
const PH_SETTLES_MS = 2600;
const EC_SETTLES_MS = 900;
const NOISE = { ph: 0.012, msPerCm: 0.006 } as const;
/** A pen that is not calibrated wanders. */
const PH_DRIFT_PER_DAY = 0.004;
const STEPS = { ph: 0.01, msPerCm: 0.01 } as const;
const DAY_MS = 86_400_000;

/** A stand-in for a pH and EC pen: it settles slowly, trembles, and drifts until it is calibrated. */
export interface SimulatedPen {
  dip(into: { ph: number; msPerCm: number }, at: number): void;
  lift(at: number): void;
  /** in a buffer of a known pH */
  calibrate(at: number): void;
  read(at: number): PenReading;
}

/** @param seed  the same seed trembles and drifts in the same way */
export function simulatedPen(seed: number): SimulatedPen {
  const random = seeded(seed);
  const way = random() < 0.5 ? -1 : 1;
  let from: { ph: number; msPerCm: number } = IN_AIR;
  let to: { ph: number; msPerCm: number } = IN_AIR;
  let since = 0;
  let calibrated = 0;
  const settling = (at: number, a: number, b: number, tau: number) =>
    b + (a - b) * Math.exp(-Math.max(0, at - since) / tau);
  const now = (at: number) => ({
    ph: settling(at, from.ph, to.ph, PH_SETTLES_MS),
    msPerCm: settling(at, from.msPerCm, to.msPerCm, EC_SETTLES_MS),
  });
  const move = (into: { ph: number; msPerCm: number }, at: number) => {
    from = now(at);
    to = into;
    since = at;
  };
  const tremble = () => random() + random() + random() - 1.5;
  const rounded = (value: number, step: number) => Math.round(value / step) * step;
  return {
    dip: move,
    lift: (at) => move(IN_AIR, at),
    calibrate: (at) => void (calibrated = at),
    read(at) {
      const { ph, msPerCm } = now(at);
      const drift = (way * PH_DRIFT_PER_DAY * (at - calibrated)) / DAY_MS;
      return {
        at,
        ph: rounded(ph + drift + NOISE.ph * tremble(), STEPS.ph),
        msPerCm: Math.max(0, rounded(msPerCm + NOISE.msPerCm * tremble(), STEPS.msPerCm)),
      };
    },
  };
}

const STEADY_MS = 4000;
const STEADY_READINGS = 8;
const STEADY_WITHIN = { ph: 0.05, msPerCm: 0.03 } as const;
/** Less than this is air, or pure water. */
const DIPPED_FROM = 0.02;

/**
 * The reading once the pen has come to rest; null while it settles or is in air.
 *
 * @param readings  in the order of time
 */
export function steadyPen(readings: readonly PenReading[]): { ph: number; msPerCm: number } | null {
  const last = readings.at(-1);
  if (!last || last.msPerCm < DIPPED_FROM) return null;
  const late = readings.filter(({ at }) => last.at - at <= STEADY_MS);
  if (late.length < STEADY_READINGS || last.at - late[0]!.at < STEADY_MS * 0.9) return null;
  const mean = (of: 'ph' | 'msPerCm') => {
    const values = late.map((reading) => reading[of]);
    const spread = Math.max(...values) - Math.min(...values);
    if (spread > STEADY_WITHIN[of]) return null;
    return Math.round((values.reduce((a, b) => a + b, 0) / values.length) * 100) / 100;
  };
  const ph = mean('ph');
  const msPerCm = mean('msPerCm');
  return ph === null || msPerCm === null ? null : { ph, msPerCm };
}
