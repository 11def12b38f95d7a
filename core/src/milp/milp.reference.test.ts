import highsLoader from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  diveByHighs,
  wholeByHighs,
  type Dive,
  type LinearModel,
  type SolveWhole,
} from './index.ts';

let solve: SolveWhole;
let dive: Dive;
beforeAll(async () => {
  const highs = await highsLoader();
  solve = wholeByHighs(highs);
  dive = diveByHighs(highs);
});

const chosen = { upper: 1, whole: true };
/** max Σ value·x, Σ weight·x ≤ room */
const knapsack = (values: number[], weights: number[], room: number): LinearModel => ({
  sense: 'max',
  variables: values.map((cost) => ({ cost, ...chosen })),
  constraints: [{ terms: weights.map((w, i) => [i, w]), sense: '<=', limit: room }],
});

/** Knapsack P08: 24 things, room 6,404,180. */
const P08 = {
  weights: [
    382745, 799601, 909247, 729069, 467902, 44328, 34610, 698150, 823460, 903959, 853665, 551830,
    610856, 670702, 488960, 951111, 323046, 446298, 931161, 31385, 496951, 264724, 224916, 169684,
  ],
  values: [
    825594, 1677009, 1676628, 1523970, 943972, 97426, 69666, 1296457, 1679693, 1902996, 1844992,
    1049289, 1252836, 1319836, 953277, 2067538, 675367, 853655, 1826027, 65731, 901489, 577243,
    466257, 369261,
  ],
  room: 6404180,
  best: 13549094,
};

describe('models with whole variables', () => {
  it('finds the published best of knapsack P08 (Burkardt, KNAPSACK_01 datasets, from memory)', () => {
    const { status, objective, bound, values } = solve(
      knapsack(P08.values, P08.weights, P08.room),
      { seconds: 60 },
    );
    expect(status).toBe('optimal');
    expect(objective).toBeCloseTo(P08.best, 0);
    expect(bound).toBe(objective);
    const weight = values.reduce((sum, x, i) => sum + x * P08.weights[i]!, 0);
    expect(weight).toBeLessThanOrEqual(P08.room);
  });

  it('assigns three to three at the least cost (by hand: 1 + 2 + 2)', () => {
    const costs = [
      [4, 1, 3],
      [2, 0, 5],
      [3, 2, 2],
    ];
    const at = (i: number, j: number) => 3 * i + j;
    const row = (of: number[]) => ({
      terms: of.map((i): [number, number] => [i, 1]),
      sense: '=' as const,
      limit: 1,
    });
    const { objective } = solve({
      sense: 'min',
      variables: costs.flat().map((cost) => ({ cost, ...chosen })),
      constraints: [0, 1, 2].flatMap((i) => [
        row([at(i, 0), at(i, 1), at(i, 2)]),
        row([at(0, i), at(1, i), at(2, i)]),
      ]),
    });
    expect(objective).toBeCloseTo(5, 9);
  });

  it('says when nothing can be, and never bounds below what it found', () => {
    const impossible = knapsack([1], [1], 5);
    impossible.constraints.push({ terms: [[0, 1]], sense: '>=', limit: 2 });
    expect(solve(impossible).status).toBe('infeasible');
    const stopped = solve(knapsack(P08.values, P08.weights, P08.room), {
      seconds: 0.02,
      start: P08.values.map(() => 0),
    });
    if (stopped.values.length > 0) expect(stopped.bound).toBeGreaterThanOrEqual(stopped.objective);
  });

  it('takes a start that is better than nothing and tells of better ones', () => {
    const told: number[] = [];
    const model = knapsack([6, 5, 4], [3, 2, 2], 4);
    const { objective } = solve(model, {
      start: [1, 0, 0],
      onBetter: (_, worth) => told.push(worth),
    });
    expect(objective).toBe(9);
    expect(told.every((worth, i) => i === 0 || worth >= told[i - 1]!)).toBe(true);
  });

  it('dives to a whole solution under the bound of its relaxation (Dantzig 1957: 6 + 5 + a half of 4)', () => {
    const model = knapsack([6, 5, 4], [2, 2, 4], 6);
    const { bound, relaxed, values } = dive(model)!;
    expect(bound).toBeCloseTo(6 + 5 + 2, 9);
    expect(relaxed[2]).toBeCloseTo(0.5, 9);
    expect(values.every((x) => Math.abs(x - Math.round(x)) < 1e-6)).toBe(true);
    expect(values.reduce((sum, x, i) => sum + x * [2, 2, 4][i]!, 0)).toBeLessThanOrEqual(6 + 1e-9);
  });
});
