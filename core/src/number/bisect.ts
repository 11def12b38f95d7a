import { OutOfRange } from './outOfRange.ts';
/**
 * Root of an increasing or decreasing function by bisection: slower than the
 * clever methods and never wrong, which is what a monotone curve deserves.
 *
 * @param f  continuous, with a change of sign between `low` and `high`
 * @param tolerance  width of the final bracket, in units of x
 * @throws RangeError when f has the same sign at both ends
 */
export function bisect(
  f: (x: number) => number,
  low: number,
  high: number,
  tolerance = 1e-10,
): number {
  let a = low;
  let b = high;
  const fa = f(a);
  const fb = f(b);
  if (fa === 0) return a;
  if (fb === 0) return b;
  if (fa > 0 === fb > 0) {
    throw new OutOfRange(`no change of sign between ${low} and ${high}`);
  }
  const risesFrom = fa < 0;
  while (b - a > tolerance) {
    const middle = (a + b) / 2;
    if (middle === a || middle === b) break;
    if (f(middle) < 0 === risesFrom) a = middle;
    else b = middle;
  }
  return (a + b) / 2;
}
