import { OutOfRange } from '../number/outOfRange.ts';
import { positive, within } from '../number/index.ts';
import type { Constraint, Solve, Variable } from '../milp/index.ts';
import { maximalPatterns, type Counts } from './patterns.ts';

/** A flat piece of mesh or sheet. */
export interface MeshPiece {
  widthCm: number;
  lengthCm: number;
  count: number;
}

/** Off a roll of some width, or from sheets. */
export type MeshStock =
  | { kind: 'roll'; widthCm: number }
  | { kind: 'sheets'; widthCm: number; lengthCm: number; count?: number };

/** A cut right across, and what is cut out of the strip beside each other. */
export interface MeshStrip {
  /** length of the strip along roll or sheet */
  deepCm: number;
  /** width across, depth along, of each piece in it */
  pieces: { acrossCm: number; alongCm: number; count: number }[];
  times: number;
}

export interface MeshPlan {
  strips: MeshStrip[];
  /** off the roll; for sheets, whole sheets times their length */
  usedCm: number;
  sheets: number | null;
  wasteCm2: number;
  wasteShare: number;
  optimal: boolean;
}

const MOST_PATTERNS = 6000;
const MOST_KINDS = 12;
const SECONDS = 15;

interface Placed {
  piece: number;
  acrossCm: number;
  alongCm: number;
}
interface Strip {
  deepCm: number;
  placed: readonly Placed[];
  counts: Counts;
}

/**
 * Cuts flat pieces from a roll or from sheets: first strips right across, then
 * pieces out of each strip, as scissors and knife do. Pieces may be turned.
 * Best among all plans of such two cuts.
 *
 * @throws RangeError for a piece that goes in neither way round, or too many different ones
 * @source two-stage guillotine patterns: Gilmore & Gomory, Operations Research 13 (1965) 94–120
 */
export function planMesh(stock: MeshStock, pieces: readonly MeshPiece[], solve: Solve): MeshPlan {
  positive('number of pieces', pieces.length);
  within('number of different pieces', pieces.length, 1, MOST_KINDS);
  within('widthCm of the stock', stock.widthCm, 1, 1000);
  const mostDeep = stock.kind === 'sheets' ? within('lengthCm', stock.lengthCm, 1, 5000) : Infinity;
  for (const { widthCm, lengthCm, count } of pieces) {
    within('widthCm', widthCm, 0.5, 2000);
    within('lengthCm', lengthCm, 0.5, 2000);
    within('count', count, 1, 1000);
    const goes = (across: number, along: number) => across <= stock.widthCm && along <= mostDeep;
    if (!goes(widthCm, lengthCm) && !goes(lengthCm, widthCm)) {
      throw new OutOfRange(
        `pieces must fit into the stock: ${widthCm} × ${lengthCm} cm goes in neither way round`,
      );
    }
  }
  const strips = stripsOf(stock.widthCm, mostDeep, pieces);
  const solution =
    stock.kind === 'roll'
      ? solveRoll(strips, pieces, solve)
      : solveSheets(strips, pieces, stock, solve);
  const chosen = takeWanted(strips, solution.times, pieces);
  const usedCm =
    stock.kind === 'roll'
      ? chosen.reduce((sum, strip) => sum + strip.deepCm * strip.times, 0)
      : solution.sheets! * stock.lengthCm;
  const wantedCm2 = pieces.reduce((sum, p) => sum + p.widthCm * p.lengthCm * p.count, 0);
  const wasteCm2 = usedCm * stock.widthCm - wantedCm2;
  return {
    strips: chosen,
    usedCm,
    sheets: solution.sheets,
    wasteCm2,
    wasteShare: wasteCm2 / (usedCm * stock.widthCm),
    optimal: solution.optimal,
  };
}

/** Every depth that a strip can have, with what then goes beside each other. */
function stripsOf(widthCm: number, mostDeep: number, pieces: readonly MeshPiece[]): Strip[] {
  const ways = pieces
    .flatMap(({ widthCm: w, lengthCm: l }, piece): Placed[] =>
      w === l
        ? [{ piece, acrossCm: w, alongCm: l }]
        : [
            { piece, acrossCm: w, alongCm: l },
            { piece, acrossCm: l, alongCm: w },
          ],
    )
    .filter(({ acrossCm, alongCm }) => acrossCm <= widthCm && alongCm <= mostDeep);
  const depths = [...new Set(ways.map(({ alongCm }) => alongCm))].sort((a, b) => a - b);
  return depths.flatMap((deepCm) => {
    const placed = ways.filter(({ alongCm }) => alongCm <= deepCm);
    const patterns = maximalPatterns(
      placed.map(({ acrossCm }) => acrossCm),
      widthCm,
      placed.map(({ piece }) => pieces[piece]!.count),
      MOST_PATTERNS,
    );
    if (!patterns) throw new OutOfRange('too many different pieces: cut them in two batches');
    return patterns.map((counts) => ({ deepCm, placed, counts }));
  });
}

interface Found {
  times: number[];
  sheets: number | null;
  optimal: boolean;
}

/** Each piece as often as it is wanted, by strips with index 0 … */
function wantedRows(strips: readonly Strip[], pieces: readonly MeshPiece[]): Constraint[] {
  return pieces.map(({ count }, piece) => ({
    terms: strips.flatMap(({ placed, counts }, i): [number, number][] => {
      const of = counts.reduce((sum, n, j) => sum + (placed[j]!.piece === piece ? n : 0), 0);
      return of > 0 ? [[i, of]] : [];
    }),
    sense: '>=',
    limit: count,
  }));
}

function solveRoll(strips: Strip[], pieces: readonly MeshPiece[], solve: Solve): Found {
  const variables = strips.map(({ deepCm }): Variable => ({ cost: deepCm, whole: true }));
  const { values, status } = solve(
    { sense: 'min', variables, constraints: wantedRows(strips, pieces) },
    { seconds: SECONDS },
  );
  return { times: values.map(Math.round), sheets: null, optimal: status === 'optimal' };
}

/** Strips of each depth come out of sheets; the fewest sheets. */
function solveSheets(
  strips: Strip[],
  pieces: readonly MeshPiece[],
  stock: Extract<MeshStock, { kind: 'sheets' }>,
  solve: Solve,
): Found {
  const depths = [...new Set(strips.map(({ deepCm }) => deepCm))];
  const total = pieces.reduce((sum, { count }) => sum + count, 0);
  const sheetPatterns = maximalPatterns(
    depths,
    stock.lengthCm,
    depths.map(() => total),
    MOST_PATTERNS,
  );
  if (!sheetPatterns) throw new OutOfRange('too many different pieces: cut them in two batches');
  const first = strips.length;
  const variables: Variable[] = [
    ...strips.map((): Variable => ({ cost: 0, whole: true })),
    ...sheetPatterns.map((): Variable => ({ cost: 1, whole: true })),
  ];
  const supply = depths.map((deep, d): Constraint => ({
    terms: [
      ...strips.flatMap(({ deepCm }, i): [number, number][] => (deepCm === deep ? [[i, 1]] : [])),
      ...sheetPatterns.flatMap((counts, p): [number, number][] =>
        counts[d]! > 0 ? [[first + p, -counts[d]!]] : [],
      ),
    ],
    sense: '<=',
    limit: 0,
  }));
  const limit: Constraint[] =
    stock.count === undefined
      ? []
      : [
          {
            terms: sheetPatterns.map((_, p): [number, number] => [first + p, 1]),
            sense: '<=',
            limit: stock.count,
          },
        ];
  const { values, status, objective } = solve(
    {
      sense: 'min',
      variables,
      constraints: [...wantedRows(strips, pieces), ...supply, ...limit],
    },
    { seconds: SECONDS },
  );
  if (values.length === 0 || status === 'infeasible') {
    throw new OutOfRange('sheets must suffice for these pieces: add sheets or cut fewer');
  }
  return {
    times: values.slice(0, first).map(Math.round),
    sheets: Math.round(objective),
    optimal: status === 'optimal',
  };
}

/** What is cut beyond what is wanted is left on the strip. */
function takeWanted(
  strips: readonly Strip[],
  times: readonly number[],
  pieces: readonly MeshPiece[],
): MeshStrip[] {
  const left = pieces.map(({ count }) => count);
  const cut = new Map<string, MeshStrip>();
  strips.forEach(({ deepCm, placed, counts }, i) => {
    for (let t = 0; t < (times[i] ?? 0); t++) {
      const taken = counts.flatMap((count, j) => {
        const { piece, acrossCm, alongCm } = placed[j]!;
        const n = Math.min(count, left[piece]!);
        left[piece]! -= n;
        return n > 0 ? [{ acrossCm, alongCm, count: n }] : [];
      });
      if (taken.length === 0) continue;
      const key = JSON.stringify([deepCm, taken]);
      const same = cut.get(key);
      if (same) same.times += 1;
      else cut.set(key, { deepCm, pieces: taken, times: 1 });
    }
  });
  return [...cut.values()].sort((a, b) => b.deepCm - a.deepCm);
}
