import type { CareKind } from '../decide/index.ts';

/** What a value is: a size in its unit, a share of 1, a plain number, a step of a scale, or just that it was done. */
export type MeasuredAs =
  'kg' | 'cm' | 'L' | 'mS/cm' | 'share' | 'number' | 'months' | 'scale' | 'done';

interface Row {
  label: string;
  as: MeasuredAs;
  /** the range that makes sense, in that unit */
  least: number;
  most: number;
  /** what the steps of a scale are called, from 0 */
  steps?: readonly string[];
  /** other words for it in a log of another's. @source common practice, no source */
  aka?: readonly string[];
}
const done = (label: string, aka: readonly string[] = []) =>
  ({ label, as: 'done', least: 1, most: 1, aka }) as const;

/** What can be noted of a plant on a day beside a look; a kind's name ends on its unit. */
export const MEASUREMENTS = {
  weightKg: { label: 'weight', as: 'kg', least: 0.001, most: 500, aka: ['weight', 'mass'] },
  heightCm: {
    label: 'height',
    as: 'cm',
    least: 0.1,
    most: 2000,
    aka: ['height', 'plant height'],
  },
  watered: done('watered', ['watering']),
  leafCount: {
    label: 'leaves',
    as: 'number',
    least: 0,
    most: 100_000,
    aka: ['leaf count', 'leaves'],
  },
  leafCm: { label: 'newest leaf', as: 'cm', least: 0.1, most: 500, aka: ['leaf length'] },
  reservoirPh: { label: 'reservoir pH', as: 'number', least: 0, most: 14, aka: ['ph'] },
  reservoirEcMsCm: { label: 'reservoir EC', as: 'mS/cm', least: 0, most: 30, aka: ['ec'] },
  /** topped up to its mark */
  reservoirFilledL: { label: 'reservoir filled', as: 'L', least: 0.001, most: 500 },
  reservoirFlushed: done('reservoir flushed'),
  /** of a full one */
  reservoirLeft: { label: 'left in the reservoir', as: 'share', least: 0, most: 1 },
  wickDamp: { label: 'wick', as: 'scale', least: 0, most: 1, steps: ['dry', 'damp'] },
  saltCrust: {
    label: 'salt crust',
    as: 'scale',
    least: 0,
    most: 2,
    steps: ['none', 'some', 'thick'],
  },
  fedLiquid: done('fed, liquid', ['fed', 'fertilised', 'fertilized']),
  fedLastingMonths: {
    label: 'slow-release feed',
    as: 'months',
    least: 1,
    most: 24,
    aka: ['slow release'],
  },
  flush: done('salts flushed out'),
  washSalts: done('crust scraped off, salts washed out'),
  topDress: done('top layer renewed'),
  secure: done('staked, tied or weighted'),
  soak: done('ball soaked through'),
  treatPests: done('treated against pests'),
  reroot: done('head cut off to root again'),
} as const satisfies Record<CareKind, Row> & Record<string, Row>;

export type MeasurementKind = keyof typeof MEASUREMENTS;
export const MEASUREMENT_KINDS = Object.keys(MEASUREMENTS) as MeasurementKind[];
export const measurement = (kind: MeasurementKind): Row => MEASUREMENTS[kind];

/** The step of a scale that a value is nearest to, in words. */
export function stepOf(kind: MeasurementKind, value: number): string {
  const steps = measurement(kind).steps ?? [];
  return steps[Math.min(steps.length - 1, Math.max(0, Math.round(value)))] ?? String(value);
}

/** The kind that a word means, whatever its case; null: nothing that is kept. */
export function kindNamed(word: string): MeasurementKind | null {
  const told = word.trim().toLowerCase();
  const means = (kind: MeasurementKind) =>
    [kind, measurement(kind).label, ...(measurement(kind).aka ?? [])].some(
      (one) => one.toLowerCase() === told,
    );
  return MEASUREMENT_KINDS.find(means) ?? null;
}

/** Why a value makes no sense, in words; null: it does. */
export function valueFault(kind: MeasurementKind, value: number): string | null {
  const { label, as, least, most } = measurement(kind);
  if (value >= least && value <= most) return null;
  const unit = /[A-Z]|kg|cm/.test(as) ? ` ${as}` : '';
  return `must be between ${least} and ${most}${unit} for ${label}, got ${value}`;
}
