import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { logistic, logit, seeded } from '../number/index.ts';
import { TYPICAL_PACE } from '../roots/index.ts';
import { addDays, TYPICAL_SPOT } from '../season/index.ts';
import {
  amountsScore,
  climbsHeld,
  correctedChance,
  correctionBy,
  FEWEST_FINDINGS,
  foundIn,
  fullWhen,
  keepersPace,
  leaningOf,
  missesOf,
  modelsMark,
  newlyFound,
  scoreOf,
  type Pair,
} from './index.ts';

const pairs = (...rows: [said: number, found: number, times?: number][]): Pair[] =>
  rows.flatMap(([said, found, times = 1]) =>
    Array.from({ length: times }, () => ({ said, found })),
  );

/** What is said of many things, where the truth is a line away in log-odds. */
function drawn(count: number, seed: number, a = 0, b = 1): Pair[] {
  const random = seeded(seed);
  return Array.from({ length: count }, () => {
    const said = 0.02 + 0.96 * random();
    return { said, found: Number(random() < logistic(a + b * logit(said))) };
  });
}
const brierOf = (all: readonly Pair[]) => scoreOf(all)!.brier;

describe('what was found', () => {
  // Common practice, no source.
  it.each([
    [{ ballCover: 0.9 }, { crowded: true }],
    [{ ballCover: 0.4, rootsAtHoles: 'every' }, { crowded: false }],
    [{ rootsAtHoles: 'mat' }, { crowded: true }],
    [{ rootsAtHoles: 'none' }, { crowded: false }],
    [{ rootsAtHoles: 'several' }, {}],
    [{ compacted: true }, { mediumFailing: true }],
    [{ smell: 'fresh' }, { mediumFailing: false }],
    [{ smell: 'sour', compacted: false }, { mediumFailing: true }],
    [{ rot: 'roots' }, { danger: true }],
    [{ rot: 'none', liveRoots: 0.3 }, { danger: true }],
    [{ liveRoots: 0.9 }, { danger: false }],
    [{ liveRoots: 0.5 }, {}],
    [{ staysWetLonger: false }, { tooWet: false }],
    [{ growth: 'stalled', brownTips: true }, {}],
  ] as const)('%j settles %j', (signals, found) => {
    expect(foundIn(signals)).toEqual(found);
  });

  it('is told once: what was already known the day before is no prophecy', () => {
    const known = { rootsAtHoles: 'mat', smell: 'fresh' } as const;
    expect(newlyFound({ rootsAtHoles: 'mat', compacted: true, rot: 'roots' }, known)).toEqual({
      danger: true,
    });
    expect(newlyFound({ ballCover: 0.9 }, { rootsAtHoles: 'several' })).toEqual({ crowded: true });
  });
});

describe('the score', () => {
  it('of four pairs is what one reckons by hand', () => {
    // (0.1² + 0.2² + 0.7² + 0.3²) / 4
    const score = scoreOf(pairs([0.9, 1], [0.8, 1], [0.7, 0], [0.3, 0]))!;
    expect(score.brier).toBeCloseTo(0.1575, 12);
    expect(score.uncertainty).toBeCloseTo(0.25, 12);
    expect(score.skill).toBeCloseTo(1 - 0.1575 / 0.25, 12);
    expect(score.rows.map(({ count, said, found }) => [count, said, found])).toEqual([
      [1, 0.3, 0],
      [1, 0.7, 0],
      [2, expect.closeTo(0.85, 12), 2],
    ]);
  });

  it('comes apart without a rest: reliability − resolution + uncertainty, and what differs within a row', () => {
    for (const seed of [1, 2, 3, 4, 5]) {
      const all = drawn(50 + 30 * seed, seed, 0.6, 0.5);
      all.push({ said: 0.5, found: 0.5 }, { said: 1, found: 1 }, { said: 0, found: 0 });
      const { brier, reliability, resolution, uncertainty, withinRows } = scoreOf(all)!;
      expect(reliability - resolution + uncertainty + withinRows).toBeCloseTo(brier, 12);
      expect(Math.min(reliability, resolution, uncertainty)).toBeGreaterThanOrEqual(0);
    }
  });

  it('of chances that are all one in a row is Murphy’s alone', () => {
    const score = scoreOf(pairs([0.1, 0, 8], [0.1, 1, 2], [0.7, 1, 6], [0.7, 0, 4]))!;
    expect(score.withinRows).toBeCloseTo(0, 12);
    // By hand: rows of ten; 2 and 6 found of them, 8 of 20 in all.
    expect(score.reliability).toBeCloseTo(0.5 * 0.1 ** 2 + 0.5 * 0.1 ** 2, 12);
    expect(score.resolution).toBeCloseTo(0.2 ** 2, 12);
    expect(score.uncertainty).toBeCloseTo(0.4 * 0.6, 12);
  });

  it('is nought for the average, one for who knows, and none where nothing could be told apart', () => {
    expect(scoreOf(pairs([0.4, 1, 4], [0.4, 0, 6]))!.skill).toBeCloseTo(0, 12);
    expect(scoreOf(pairs([1, 1, 4], [0, 0, 6]))!.skill).toBe(1);
    expect(scoreOf(pairs([0.1, 0, 9]))!.skill).toBeNull();
    expect(scoreOf([])).toBeNull();
    expect(() => scoreOf(pairs([1.2, 1]))).toThrow(/said must/);
  });

  it('counts how often it leaned the right way, beside who always says the likelier', () => {
    expect(leaningOf(pairs([0.9, 1, 3], [0.6, 0, 2], [0.1, 0, 4], [0.4, 1]))).toEqual({
      count: 10,
      right: 7,
      always: 6,
    });
  });

  it('blames a part where it is plainly off, and no small one', () => {
    const told = [
      ...pairs([0.8, 0, 7], [0.8, 1, 1]).map((pair) => ({ ...pair, medium: 'moss' })),
      ...pairs([0.8, 1, 8], [0.8, 0, 2]).map((pair) => ({ ...pair, medium: 'bark' })),
      ...pairs([0.9, 0, 3]).map((pair) => ({ ...pair, medium: 'loam' })),
    ];
    expect(missesOf(told, ({ medium }) => medium)).toEqual([
      { of: 'moss', count: 8, said: expect.closeTo(6.4, 9), found: 1 },
    ]);
  });
});

describe('the correction', () => {
  it('is never claimed from under twelve findings', () => {
    expect(correctionBy(drawn(FEWEST_FINDINGS - 1, 1))).toBeNull();
    expect(correctionBy(drawn(FEWEST_FINDINGS, 1))).not.toBeNull();
  });

  it.each([
    [0.8, 1],
    [-0.7, 0.6],
    [0, 1.4],
    [0.4, 0.8],
  ])('finds again what was set wrong: a = %f, b = %f', (a, b) => {
    let within = 0;
    const all = Array.from({ length: 60 }, (_, seed) => correctionBy(drawn(400, 11 + seed, a, b))!);
    for (const each of all) {
      if (Math.abs(each.a - a) < 1.96 * each.sdA && Math.abs(each.b - b) < 1.96 * each.sdB) {
        within += 1;
      }
    }
    const mean = (of: (one: (typeof all)[number]) => number) =>
      all.reduce((sum, one) => sum + of(one), 0) / all.length;
    expect(mean((one) => one.a)).toBeCloseTo(a, 0.7);
    expect(Math.abs(mean((one) => one.b) - b)).toBeLessThan(0.12);
    // Two bands of 95 % together: nine of ten at least, but for what the prior draws in.
    expect(within).toBeGreaterThanOrEqual(49);
  });

  it('lowers the score on findings that it has not seen, where all was set wrong', () => {
    for (const [a, b] of [
      [1, 1],
      [-1, 0.6],
    ] as const) {
      for (const seed of [3, 4, 5, 6]) {
        const by = correctionBy(drawn(80, seed, a, b))!;
        const held = drawn(4000, 100 + seed, a, b);
        const better = held.map(({ said, found }) => ({ said: correctedChance(said, by), found }));
        expect(brierOf(better)).toBeLessThan(brierOf(held) - 0.005);
      }
    }
  });

  it('costs no more than noise where what was said was right', () => {
    for (const count of [12, 40, 200]) {
      const worse = Array.from({ length: 30 }, (_, seed) => {
        const by = correctionBy(drawn(count, 700 + seed))!;
        const held = drawn(2000, 900 + seed);
        return (
          brierOf(held.map(({ said, found }) => ({ said: correctedChance(said, by), found }))) -
          brierOf(held)
        );
      });
      expect(worse.reduce((sum, one) => sum + one, 0) / worse.length).toBeLessThan(0.004);
      expect(Math.max(...worse)).toBeLessThan(0.02);
    }
  });

  it('is gentle: a dozen surprises turn nothing over', () => {
    const by = correctionBy(pairs([0.8, 0, 12]))!;
    expect(correctedChance(0.8, by)).toBeGreaterThan(0.3);
    expect(correctedChance(0.8, by)).toBeLessThan(0.7);
    // More for it never says less.
    expect(by.b).toBeGreaterThan(0);
  });
});

describe('a keeper’s pace', () => {
  const plant = (factor: number, findings = 1, sdLog = 0.2) => ({ factor, sdLog, findings });

  it('is drawn to the usual by how little was found', () => {
    expect(keepersPace(Array.from({ length: 11 }, () => plant(0.5)))).toBeNull();
    const few = keepersPace([plant(0.5, 12)])!;
    const many = keepersPace(Array.from({ length: 100 }, () => plant(0.5)))!;
    expect(few.factor).toBeGreaterThan(0.75);
    expect(many.factor).toBeGreaterThan(0.5);
    expect(many.factor).toBeLessThan(0.54);
    expect(many.sdLog).toBeLessThan(few.sdLog);
  });

  it('by hand: precisions add', () => {
    const each = 1 / (0.33 ** 2 + 0.2 ** 2);
    const at = (12 * each * Math.log(1.5)) / (12 * each + 1 / 0.2 ** 2);
    const pace = keepersPace(Array.from({ length: 12 }, () => plant(1.5)))!;
    expect(Math.log(pace.factor)).toBeCloseTo(at, 9);
  });
});

describe('amounts', () => {
  it('are held against what was said by their ratio, and by the band that was said with them', () => {
    const score = amountsScore([
      { said: 10, low: 5, high: 15, found: 10 },
      { said: 10, low: 5, high: 15, found: 12 },
      { said: 10, low: 5, high: 15, found: 20 },
      { said: 8, found: 4 },
    ])!;
    expect(score).toMatchObject({ count: 4, ratio: 1.1, close: 0.5, held: 2 / 3 });
    expect(amountsScore([])).toBeNull();
  });

  const { traits } = resolveTaxon('Cissus rhombifolia')!;
  const heights = (...cms: number[]) =>
    cms.map((cm, i) => ({ date: addDays('2025-04-01', 60 * i), cm }));

  it('of climbs are foretold from what was measured until then, and from nothing later', () => {
    const lamp = { ...TYPICAL_SPOT, lampHours: 14 };
    const all = climbsHeld(heights(40, 60, 82, 100), lamp, traits);
    expect(all.map(({ found }) => found)).toEqual([20, 22, 18]);
    // What came after changes nothing of what was said before.
    const other = climbsHeld(heights(40, 60, 82, 300), lamp, traits);
    expect(other.map(({ said }) => said)).toEqual(all.map(({ said }) => said));
    for (const { low, said, high } of all) {
      expect(said).toBeGreaterThan(low!);
      expect(said).toBeLessThan(high!);
    }
  });

  it('begin anew after a cut, and are not told from a week to the next', () => {
    const cut = climbsHeld(heights(100, 120, 50, 70), { ...TYPICAL_SPOT, lampHours: 14 }, traits);
    expect(cut.map(({ found }) => found)).toEqual([20, 20]);
    const close = [
      { date: '2025-06-01', cm: 50 },
      { date: '2025-06-08', cm: 55 },
    ];
    expect(climbsHeld(close, TYPICAL_SPOT, traits)).toEqual([]);
  });
});

describe('the mark of the models', () => {
  it('is the same as long as they say the same', () => {
    expect(modelsMark()).toMatch(/^[0-9a-f]{8}$/);
    expect(modelsMark()).toBe(modelsMark());
  });
});

describe('when a pot was full', () => {
  // Of a middling plant in 14 cm (18 months, common practice, no source) about 12 to 25 are said.
  const FROM = '2023-03-01';
  const seen = (...looks: [months: number, full: boolean][]) =>
    fullWhen({
      from: FROM,
      snug: false,
      toFill: 18,
      meanActivity: 0.6,
      pace: TYPICAL_PACE,
      looks: looks.map(([months, full]) => ({ date: addDays(FROM, 30.4 * months), full })),
    });

  it.each([
    [[[4, true]], 'sooner'],
    [
      [
        [8, false],
        [18, true],
      ],
      'asSaid',
    ],
    [
      [
        [40, false],
        [46, true],
      ],
      'later',
    ],
    [[[40, false]], 'later'],
    // It may have filled in time, long before anyone looked.
    [[[60, true]], 'asSaid'],
    [[[10, false]], null],
    [[], null],
  ] as const)('looks at %j: %s', (looks, when) => {
    expect(seen(...(looks as readonly [number, boolean][]))).toBe(when);
  });

  it('is not said of a plant that does not grow', () => {
    const still = { from: FROM, snug: false, toFill: 18, meanActivity: 0, pace: TYPICAL_PACE };
    expect(fullWhen({ ...still, looks: [{ date: '2024-03-01', full: true }] })).toBeNull();
  });
});
