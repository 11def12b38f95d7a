import type { LinearModel } from '../milp/index.ts';
import type { Counts } from './patterns.ts';

/** Of two plans of equal length, the one with fewer pieces of stock. */
export const A_LENGTH_MORE = 1e-4;

/** A pattern of one stock length. */
export interface Column {
  stock: number;
  counts: Counts;
}

export interface Stock {
  lengthCm: number;
  count: number;
  toBuy: boolean;
}

/** Least length that covers what is wanted; what is to be bought counts `buying` times. */
export function modelOf(
  columns: readonly Column[],
  wanted: readonly number[],
  stock: readonly Stock[],
  { whole, buying }: { whole: boolean; buying: number },
): LinearModel {
  const limited = stock.flatMap(({ count }, k) => (Number.isFinite(count) ? [{ k, count }] : []));
  return {
    sense: 'min',
    variables: columns.map(({ stock: k }) => ({
      cost: stock[k]!.lengthCm * (stock[k]!.toBuy ? buying : 1) + A_LENGTH_MORE,
      whole,
    })),
    constraints: [
      ...wanted.map((limit, piece) => ({
        terms: columns.flatMap(({ counts }, i): [number, number][] =>
          counts[piece]! > 0 ? [[i, counts[piece]!]] : [],
        ),
        sense: '>=' as const,
        limit,
      })),
      ...limited.map(({ k, count }) => ({
        terms: columns.flatMap(({ stock: of }, i): [number, number][] =>
          of === k ? [[i, 1]] : [],
        ),
        sense: '<=' as const,
        limit: count,
      })),
    ],
  };
}
