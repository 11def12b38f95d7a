import { normalTail } from './normal.ts';

/** Whether a series rises or falls, without asking how. */
export interface MannKendall {
  /** pairs that rise less pairs that fall */
  s: number;
  /** chance of an S at least as high in a series without trend */
  pRising: number;
  /** chance of an S at least as low */
  pFalling: number;
}

/** Up to here the exact distribution is used; beyond, the normal one is good to three digits. */
const LARGEST_EXACT = 10;

/**
 * Mann–Kendall test for a trend, one-sided in both directions.
 *
 * Exact for up to ten values without ties, by counting permutations; else by
 * the normal approximation with continuity and tie corrections.
 *
 * @param values  in the order of time
 * @source Mann, Econometrica 13 (1945); Kendall, Rank Correlation Methods (1975)
 */
export function mannKendall(values: readonly number[]): MannKendall {
  let s = 0;
  let ties = false;
  for (let i = 0; i < values.length; i++) {
    for (let j = i + 1; j < values.length; j++) {
      const sign = Math.sign(values[j]! - values[i]!);
      s += sign;
      ties ||= sign === 0;
    }
  }
  if (values.length < 2) return { s: 0, pRising: 1, pFalling: 1 };
  if (values.length <= LARGEST_EXACT && !ties) {
    return { s, pRising: exactTail(values.length, s), pFalling: exactTail(values.length, -s) };
  }
  const sd = Math.sqrt(varianceOfS(values));
  if (sd === 0) return { s, pRising: 1, pFalling: 1 };
  return { s, pRising: normalTail((s - 1) / sd), pFalling: normalTail((-s - 1) / sd) };
}

/** Variance of S in a series without trend, ties taken out. */
export function varianceOfS(values: readonly number[]): number {
  const n = values.length;
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  let variance = n * (n - 1) * (2 * n + 5);
  for (const t of counts.values()) variance -= t * (t - 1) * (2 * t + 5);
  return variance / 18;
}

/** Chance of at least `s` among all orders of n different values. */
function exactTail(n: number, s: number): number {
  // Orders of n values by their number of falling pairs: each further value adds 0 … k of them.
  let orders = [1];
  for (let k = 1; k < n; k++) {
    const next = new Array<number>(orders.length + k).fill(0);
    orders.forEach((count, falling) => {
      for (let more = 0; more <= k; more++) next[falling + more]! += count;
    });
    orders = next;
  }
  const pairs = (n * (n - 1)) / 2;
  const mostFalling = Math.floor((pairs - s) / 2);
  let favourable = 0;
  let all = 0;
  orders.forEach((count, falling) => {
    all += count;
    if (falling <= mostFalling) favourable += count;
  });
  return favourable / all;
}
