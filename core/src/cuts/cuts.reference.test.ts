import highsLoader from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { solveByHighs, type Solve } from '../milp/index.ts';
import { seeded } from '../number/index.ts';
import { planCuts, planMesh, type CutPiece, type CutRequest } from './index.ts';

let solve: Solve;
beforeAll(async () => {
  solve = solveByHighs(await highsLoader());
});

/** Paper widths ordered, mm. */
const PAPER: [width: number, rolls: number][] = [
  [1380, 22],
  [1520, 25],
  [1560, 12],
  [1710, 14],
  [1820, 18],
  [1880, 18],
  [1930, 20],
  [2000, 10],
  [2050, 12],
  [2100, 14],
  [2140, 16],
  [2150, 18],
  [2200, 20],
];
const paper: CutRequest = {
  stock: [{ lengthCm: 560 }],
  pieces: PAPER.map(([mm, count]) => ({ lengthCm: mm / 10, count })),
};

describe('published cutting-stock examples', () => {
  it('paper machine, master roll 5600 mm: 73 rolls, 0.401 % waste (Wikipedia, “Cutting stock problem”, from memory)', () => {
    const plan = planCuts(paper, solve);
    expect(plan.stockUsed).toBe(73);
    expect(plan.optimal).toBe(true);
    expect((100 * plan.wasteCm) / (73 * 560)).toBeCloseTo(0.401, 2);
  });

  it('the same by generated patterns: no more than one roll more, and its bound is 73', () => {
    const plan = planCuts(paper, solve, 10);
    expect(plan.boundCm).toBe(73 * 560);
    expect(plan.stockUsed).toBeLessThanOrEqual(74);
  });

  it('raws of 100 in for 97 × 45, 610 × 36, 395 × 31, 211 × 14: 453 (Chvátal, Linear Programming, ch. 13, from memory)', () => {
    const plan = planCuts(
      {
        stock: [{ lengthCm: 100 }],
        pieces: [
          { lengthCm: 45, count: 97 },
          { lengthCm: 36, count: 610 },
          { lengthCm: 31, count: 395 },
          { lengthCm: 14, count: 211 },
        ],
      },
      solve,
    );
    expect(plan.stockUsed).toBe(453);
    expect(plan.optimal).toBe(true);
  });
});

/** Least length by trying every set of bars and every way to put pieces on them. */
function bruteForce(stock: number[], pieces: CutPiece[], kerf: number): number {
  const all = pieces.flatMap(({ lengthCm, count }) => Array<number>(count).fill(lengthCm));
  all.sort((a, b) => b - a);
  let best = Infinity;
  const bars: { room: number; cm: number }[] = [];
  const put = (i: number, used: number): void => {
    if (used >= best) return;
    if (i === all.length) {
      best = used;
      return;
    }
    const need = all[i]! + kerf;
    const tried = new Set<string>();
    for (const bar of bars) {
      const key = `${bar.room.toFixed(6)}`;
      if (bar.room + 1e-9 < need || tried.has(key)) continue;
      tried.add(key);
      bar.room -= need;
      put(i + 1, used);
      bar.room += need;
    }
    for (const cm of stock) {
      if (cm + kerf + 1e-9 < need) continue;
      bars.push({ room: cm + kerf - need, cm });
      put(i + 1, used + cm);
      bars.pop();
    }
  };
  put(0, 0);
  return best;
}

describe('against brute force', () => {
  it('300 small random cases use exactly the least length', () => {
    const random = seeded(300);
    const whole = (low: number, high: number) => low + Math.floor(random() * (high - low + 1));
    for (let run = 0; run < 300; run++) {
      const stock = [...new Set(Array.from({ length: whole(1, 3) }, () => whole(8, 20) * 10))];
      const longest = Math.max(...stock);
      const pieces = Array.from({ length: whole(1, 3) }, () => ({
        lengthCm: Math.min(longest, whole(25, 120)),
        count: whole(1, 3),
      }));
      const kerfCm = random() < 0.5 ? 0 : 0.5;
      const plan = planCuts(
        { stock: stock.map((lengthCm) => ({ lengthCm })), pieces, kerfCm },
        solve,
      );
      const used = plan.stock.reduce((sum, { lengthCm, count }) => sum + lengthCm * count, 0);
      expect(used, JSON.stringify({ stock, pieces, kerfCm })).toBeCloseTo(
        bruteForce(stock, pieces, kerfCm),
        6,
      );
    }
  });
});

describe('mesh', () => {
  it('six pieces of 30 × 80 off a roll 100 wide: three beside each other, 160 cm (by hand)', () => {
    const plan = planMesh(
      { kind: 'roll', widthCm: 100 },
      [{ widthCm: 30, lengthCm: 80, count: 6 }],
      solve,
    );
    expect(plan.usedCm).toBe(160);
    expect(plan.wasteCm2).toBeCloseTo(160 * 100 - 6 * 30 * 80, 9);
    expect(plan.optimal).toBe(true);
  });

  it('turned where that is better: 30 × 95 off a roll 100 wide, four take 120 cm, not 190 (by hand)', () => {
    const plan = planMesh(
      { kind: 'roll', widthCm: 100 },
      [{ widthCm: 30, lengthCm: 95, count: 4 }],
      solve,
    );
    expect(plan.usedCm).toBe(120);
  });

  it('sheets of 60 × 90: two of 28 × 88 in one, three ask for two (by hand)', () => {
    const sheets = { kind: 'sheets' as const, widthCm: 60, lengthCm: 90 };
    const of = (count: number) => planMesh(sheets, [{ widthCm: 28, lengthCm: 88, count }], solve);
    expect([of(2).sheets, of(3).sheets]).toEqual([1, 2]);
  });
});

describe('what cannot be cut', () => {
  const stock = [{ lengthCm: 100 }];
  it.each([
    [
      'a piece longer than the stock',
      { stock, pieces: [{ lengthCm: 120, count: 1 }] },
      /pieces must fit/,
    ],
    [
      'more than there is',
      { stock: [{ lengthCm: 100, count: 1 }], pieces: [{ lengthCm: 60, count: 2 }] },
      /stockCm must suffice/,
    ],
    ['no pieces', { stock, pieces: [] }, /number of pieces/],
    ['half a piece', { stock, pieces: [{ lengthCm: 60, count: 0.5 }] }, /count of a piece/],
    [
      'a saw wider than a hand',
      { stock, pieces: [{ lengthCm: 60, count: 1 }], kerfCm: 11 },
      /kerfCm/,
    ],
  ])('%s is said so', (_what, request, words) => {
    expect(() => planCuts(request, solve)).toThrow(words);
  });

  it('a saw cut counts between two pieces, not after the last', () => {
    const two = (kerfCm: number) =>
      planCuts({ stock, pieces: [{ lengthCm: 50, count: 2 }], kerfCm }, solve).stockUsed;
    expect([two(0), two(0.2)]).toEqual([1, 2]);
    const exact = planCuts({ stock, pieces: [{ lengthCm: 49.9, count: 2 }], kerfCm: 0.2 }, solve);
    expect(exact.stockUsed).toBe(1);
  });

  it('what is owned goes first, though a bought length would waste less (by hand)', () => {
    const plan = planCuts(
      {
        stock: [
          { lengthCm: 120, count: 2 },
          { lengthCm: 150, toBuy: true },
        ],
        pieces: [
          { lengthCm: 85, count: 2 },
          { lengthCm: 135, count: 1 },
        ],
      },
      solve,
    );
    expect(plan.stock).toEqual([
      { lengthCm: 120, count: 2, toBuy: false },
      { lengthCm: 150, count: 1, toBuy: true },
    ]);
    expect(plan.optimal).toBe(true);
  });

  it('mesh that is wider than roll and long is refused; limited sheets too', () => {
    const roll = { kind: 'roll' as const, widthCm: 50 };
    expect(() => planMesh(roll, [{ widthCm: 60, lengthCm: 80, count: 1 }], solve)).toThrow(
      /neither way/,
    );
    const sheets = { kind: 'sheets' as const, widthCm: 60, lengthCm: 90, count: 1 };
    expect(() => planMesh(sheets, [{ widthCm: 28, lengthCm: 88, count: 3 }], solve)).toThrow(
      /sheets must/,
    );
  });

  it('what is cut is what was wanted, and lengths add up, on any stock (250 random cases)', () => {
    const random = seeded(8);
    for (let run = 0; run < 250; run++) {
      const pieces = Array.from({ length: 1 + Math.floor(random() * 5) }, (_, i) => ({
        lengthCm: 20 + i * 13 + Math.floor(random() * 10),
        count: 1 + Math.floor(random() * 6),
      }));
      const plan = planCuts(
        { stock: [{ lengthCm: 120 }, { lengthCm: 200 }], pieces, kerfCm: 0.3 },
        solve,
        run % 2 ? 3 : undefined,
      );
      for (const { lengthCm, count } of pieces) {
        const cut = plan.patterns.reduce(
          (sum, pattern) =>
            sum +
            pattern.times *
              pattern.pieces.reduce((n, p) => n + (p.lengthCm === lengthCm ? p.count : 0), 0),
          0,
        );
        expect(cut).toBe(count);
      }
      for (const { stockCm, pieces: cut, offcutCm } of plan.patterns) {
        const length = cut.reduce((sum, p) => sum + p.lengthCm * p.count, 0);
        expect(length + offcutCm).toBeLessThanOrEqual(stockCm + 1e-9);
      }
      expect(plan.boundCm).toBeLessThanOrEqual(
        plan.stock.reduce((s, p) => s + p.lengthCm * p.count, 0) + 1e-6,
      );
    }
  });
});
