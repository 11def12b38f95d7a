/**
 * Eight-point Gauss–Legendre nodes and weights on [−1, 1], the positive half.
 *
 * @source Abramowitz & Stegun, Handbook of Mathematical Functions, table 25.4 (n = 8)
 */
const NODES = [
  0.183434642495649805, 0.525532409916328986, 0.79666647741362674, 0.960289856497536232,
] as const;
const WEIGHTS = [
  0.362683783378361983, 0.313706645877887287, 0.222381034453374471, 0.101228536290376259,
] as const;

/** Integral of `f` over [from, to] by one eight-point Gauss–Legendre rule. */
export function gaussLegendre8(f: (x: number) => number, from: number, to: number): number {
  const middle = (from + to) / 2;
  const half = (to - from) / 2;
  let sum = 0;
  for (let i = 0; i < NODES.length; i++) {
    const step = half * NODES[i]!;
    sum += WEIGHTS[i]! * (f(middle - step) + f(middle + step));
  }
  return sum * half;
}
