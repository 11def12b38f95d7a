import type { Solve } from '../milp/index.ts';
import { modelOf, type Column } from './model.ts';

const MOST_ROUNDS = 400;
/** Grid of the knapsack, cm: a millimetre. */
const GRID_CM = 0.1;
const WORTH_MORE = 1e-7;

/**
 * Patterns as the linear relaxation asks for them: each round solves it, and
 * adds the pattern of each stock length that its prices make most worth.
 *
 * @source column generation: Gilmore & Gomory, Operations Research 9 (1961) 849–859
 */
export function generatePatterns(
  {
    sizes,
    wanted,
    stock,
    kerfCm,
  }: {
    sizes: readonly number[];
    wanted: readonly number[];
    stock: readonly { lengthCm: number; count: number; toBuy: boolean }[];
    kerfCm: number;
  },
  solve: Solve,
): Column[] {
  const columns: Column[] = [];
  const known = new Set<string>();
  const add = (column: Column) => {
    const key = `${column.stock}|${column.counts.join()}`;
    if (known.has(key) || !column.counts.some((count) => count > 0)) return false;
    known.add(key);
    columns.push(column);
    return true;
  };
  stock.forEach(({ lengthCm }, k) => {
    sizes.forEach((size, piece) => {
      const fit = Math.min(wanted[piece]!, Math.floor((lengthCm + kerfCm + 1e-9) / size));
      add({ stock: k, counts: sizes.map((_, i) => (i === piece ? fit : 0)) });
    });
  });
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const { duals, status } = solve(modelOf(columns, wanted, stock, { whole: false, buying: 1 }));
    if (status !== 'optimal') break;
    const prices = duals.slice(0, sizes.length);
    const limits = stock.flatMap(({ count }, k) => (Number.isFinite(count) ? [k] : []));
    let added = false;
    stock.forEach(({ lengthCm }, k) => {
      const { counts, worth } = knapsack(sizes, prices, lengthCm + kerfCm, wanted);
      const place = limits.indexOf(k);
      const rent = place < 0 ? 0 : duals[sizes.length + place]!;
      if (worth + rent > lengthCm + WORTH_MORE) added = add({ stock: k, counts }) || added;
    });
    if (!added) break;
  }
  return columns;
}

/** The most that a length can be worth at given prices, each piece as often as it is wanted. */
function knapsack(
  sizes: readonly number[],
  prices: readonly number[],
  length: number,
  most: readonly number[],
): { counts: number[]; worth: number } {
  const cells = Math.floor(length / GRID_CM + 1e-6);
  const steps = sizes.map((size) => Math.ceil(size / GRID_CM - 1e-6));
  const best = new Float64Array(cells + 1);
  const taken = sizes.map(() => new Uint16Array(cells + 1));
  steps.forEach((step, piece) => {
    const price = prices[piece]!;
    const before = best.slice();
    for (let room = 0; room <= cells; room++) {
      const times = Math.min(most[piece]!, Math.floor(room / step));
      for (let count = 1; count <= times; count++) {
        const worth = before[room - count * step]! + count * price;
        if (worth > best[room]! + 1e-12) {
          best[room] = worth;
          taken[piece]![room] = count;
        }
      }
    }
  });
  const counts = sizes.map(() => 0);
  let room = cells;
  for (let piece = sizes.length - 1; piece >= 0; piece--) {
    counts[piece] = taken[piece]![room]!;
    room -= counts[piece]! * steps[piece]!;
  }
  return { counts, worth: best[cells]! };
}
