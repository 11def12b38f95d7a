import { OutOfRange } from '../number/outOfRange.ts';
import { positive, within } from '../number/index.ts';
import type { Solve } from '../milp/index.ts';
import { generatePatterns } from './generate.ts';
import { A_LENGTH_MORE, modelOf, type Column, type Stock } from './model.ts';
import { maximalPatterns } from './patterns.ts';

/** A length that there is, or that is sold. */
export interface StockLength {
  lengthCm: number;
  /** how many there are; absent: as many as wanted */
  count?: number;
  /** not owned yet: as little of it as can be */
  toBuy?: boolean;
}
export interface CutPiece {
  lengthCm: number;
  count: number;
}

/** One way to cut a length, and how many lengths are cut so. */
export interface CutPattern {
  stockCm: number;
  toBuy: boolean;
  pieces: CutPiece[];
  times: number;
  /** left over of each, cm, saw cuts taken off */
  offcutCm: number;
}

export interface CutPlan {
  patterns: CutPattern[];
  /** lengths used */
  stockUsed: number;
  stock: (CutPiece & { toBuy: boolean })[];
  /** used less what was wanted: offcuts and saw cuts */
  wasteCm: number;
  /** no plan buys less length and, buying that, none uses less */
  optimal: boolean;
  /** total length below which no plan can be, cm */
  boundCm: number;
}

export interface CutRequest {
  stock: readonly StockLength[];
  pieces: readonly CutPiece[];
  /** lost in each cut, cm */
  kerfCm?: number;
}

/** More patterns than this are not enumerated but generated as they are needed. */
const MOST_PATTERNS = 4000;
const MOST_KINDS = 60;
/** A length that must be bought counts as if it were so many times as long: what is owned goes first. */
const BOUGHT = 50;
/** Lengths are told to the millimetre. */
const LENGTH_TOLD_CM = 0.1;
const SECONDS = 15;

/**
 * Cuts pieces from stock lengths with the least length used.
 *
 * A saw cut is lost between two pieces: pieces longer by the cut in a stock
 * longer by the cut are the same problem.
 *
 * @throws RangeError for a piece that no stock is long enough for, or when the stock does not suffice
 * @source cutting stock by patterns: Gilmore & Gomory, Operations Research 9 (1961) 849–859
 */
export function planCuts(request: CutRequest, solve: Solve, mostPatterns = MOST_PATTERNS): CutPlan {
  const kerfCm = within('kerfCm', request.kerfCm ?? 0, 0, 10);
  const pieces = merged(
    request.pieces.map((piece) => ({ ...piece, toBuy: false })),
    'piece',
  );
  const stock = merged(
    request.stock.map(({ lengthCm, count, toBuy }) => ({
      lengthCm,
      count: count ?? Infinity,
      toBuy: toBuy ?? false,
    })),
    'stock',
  );
  positive('number of pieces', pieces.length);
  positive('number of stock lengths', stock.length);
  const longest = Math.max(...stock.map(({ lengthCm }) => lengthCm));
  for (const { lengthCm } of pieces) {
    if (lengthCm > longest + 1e-9) {
      throw new OutOfRange(
        `pieces must fit into the stock: ${lengthCm} cm is longer than its longest, ${longest} cm`,
      );
    }
  }
  const sizes = pieces.map(({ lengthCm }) => lengthCm + kerfCm);
  const wanted = pieces.map(({ count }) => count);
  const enumerated = stock.map(({ lengthCm }) =>
    maximalPatterns(sizes, lengthCm + kerfCm, wanted, mostPatterns),
  );
  const complete = enumerated.every((found) => found !== null);
  const columns = complete
    ? enumerated.flatMap((found, k) => found!.map((counts) => ({ stock: k, counts })))
    : generatePatterns({ sizes, wanted, stock, kerfCm }, solve);
  const model = modelOf(columns, wanted, stock, { whole: true, buying: BOUGHT });
  const solution = solve(model, { seconds: SECONDS });
  if (solution.status === 'infeasible' || solution.values.length === 0) {
    throw new OutOfRange('stockCm must suffice for these pieces: add lengths or cut fewer');
  }
  const times = solution.values.map(Math.round);
  const patterns = patternsOf(columns, times, pieces, stock, kerfCm);
  const usedCm = patterns.reduce((sum, p) => sum + p.stockCm * p.times, 0);
  const wantedCm = pieces.reduce((sum, p) => sum + p.lengthCm * p.count, 0);
  const shortest = Math.min(...stock.map(({ lengthCm }) => lengthCm));
  const relaxed =
    solve(modelOf(columns, wanted, stock, { whole: false, buying: 1 })).objective /
    (1 + A_LENGTH_MORE / shortest);
  const step = stock.length === 1 ? stock[0]!.lengthCm : 0;
  const proven = complete && solution.status === 'optimal';
  const boundCm = proven ? usedCm : step > 0 ? Math.ceil(relaxed / step - 1e-6) * step : relaxed;
  return {
    patterns,
    stockUsed: patterns.reduce((sum, p) => sum + p.times, 0),
    stock: stock.flatMap(({ lengthCm, toBuy }) => {
      const count = patterns
        .filter((p) => p.stockCm === lengthCm && p.toBuy === toBuy)
        .reduce((sum, p) => sum + p.times, 0);
      return count > 0 ? [{ lengthCm, count, toBuy }] : [];
    }),
    wasteCm: usedCm - wantedCm,
    optimal: proven || usedCm <= boundCm + LENGTH_TOLD_CM,
    boundCm,
  };
}

/** Same lengths together, sizes and counts checked. */
function merged(lengths: readonly Stock[], what: string): Stock[] {
  const byLength = new Map<string, Stock>();
  for (const { lengthCm, count, toBuy } of lengths) {
    within(`lengthCm of a ${what}`, lengthCm, 0.1, 10_000);
    if (!(count >= 1) || (Number.isFinite(count) && !Number.isInteger(count))) {
      throw new OutOfRange(`count of a ${what} must be a whole number above 0, got ${count}`);
    }
    const key = `${lengthCm}|${toBuy}`;
    const before = byLength.get(key)?.count ?? 0;
    byLength.set(key, { lengthCm, count: before + count, toBuy });
  }
  within(`number of different lengths of ${what}`, byLength.size, 0, MOST_KINDS);
  return [...byLength.values()];
}

interface Bar {
  stockCm: number;
  toBuy: boolean;
  counts: number[];
}

/** Patterns as cut: what would be cut beyond what is wanted stays on the stock. */
function patternsOf(
  columns: readonly Column[],
  times: readonly number[],
  pieces: readonly CutPiece[],
  stock: readonly Stock[],
  kerfCm: number,
): CutPattern[] {
  const left = pieces.map(({ count }) => count);
  const bars: Bar[] = [];
  columns.forEach(({ stock: k, counts }, i) => {
    for (let t = 0; t < times[i]!; t++) {
      const cut = counts.map((count, piece) => Math.min(count, left[piece]!));
      cut.forEach((count, piece) => (left[piece]! -= count));
      if (cut.some((count) => count > 0)) {
        bars.push({ stockCm: stock[k]!.lengthCm, toBuy: stock[k]!.toBuy, counts: cut });
      }
    }
  });
  const same = new Map<string, Bar & { times: number }>();
  for (const bar of bars) {
    const key = `${bar.stockCm}|${bar.toBuy}|${bar.counts.join()}`;
    const found = same.get(key);
    if (found) found.times += 1;
    else same.set(key, { ...bar, times: 1 });
  }
  return [...same.values()]
    .map(({ stockCm, toBuy, counts, times: count }) => {
      const cut = counts.reduce((sum, n) => sum + n, 0);
      const length = counts.reduce((sum, n, piece) => sum + n * pieces[piece]!.lengthCm, 0);
      return {
        stockCm,
        toBuy,
        times: count,
        pieces: counts.flatMap((n, piece) =>
          n > 0 ? [{ lengthCm: pieces[piece]!.lengthCm, count: n }] : [],
        ),
        // The last cut is not made where nothing is left.
        offcutCm: Math.max(0, stockCm - length - kerfCm * cut),
      };
    })
    .sort((a, b) => b.times - a.times || a.offcutCm - b.offcutCm);
}
