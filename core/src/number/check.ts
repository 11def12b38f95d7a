import { OutOfRange } from './outOfRange.ts';
/**
 * Guards that every model uses on its arguments, so that a wrong number is
 * named where it enters instead of surfacing as NaN three models later.
 */

/** @throws RangeError unless `value` is a finite number above 0 */
export function positive(name: string, value: number): number {
  if (!(Number.isFinite(value) && value > 0)) {
    throw new OutOfRange(`${name} must be a number above 0, got ${String(value)}`);
  }
  return value;
}

/** @throws RangeError unless `value` is finite and within `low`…`high`, ends included */
export function within(name: string, value: number, low: number, high: number): number {
  if (!(Number.isFinite(value) && value >= low && value <= high)) {
    throw new OutOfRange(`${name} must be between ${low} and ${high}, got ${String(value)}`);
  }
  return value;
}

/** Share of 1, clipped. NaN is a caller's mistake and is not hidden. */
export function clamp(value: number, low: number, high: number): number {
  return value < low ? low : value > high ? high : value;
}
