/**
 * Eight-point Gauss–Legendre nodes and weights on [−1, 1], the positive half.
 *
 * @source Abramowitz & Stegun, Handbook of Mathematical Functions, table 25.4 (n = 8)
 */
const NODES = [0.183434642495649, 0.525532409916328, 0.796666477413627, 0.960289856497536] as const;
const WEIGHTS = [
  0.362683783378361, 0.313706645877887, 0.222381034453374, 0.101228536290376,
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
