import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { decide, HORIZON_WEEKS, SHIFTS, weeksAhead, type Situation } from '../decide/index.ts';
import { nominalPot } from '../pots/index.ts';
import { addDays, TYPICAL_SPOT } from '../season/index.ts';
import { aheadOf, Futures, type AheadPlant, type AheadProblem } from './index.ts';

const FROM = '2026-03-16';
const CERTAIN = { looks: 0, pace: 0, delay: 0, ill: 0 };
const week = (first: number) => SHIFTS.map(() => SHIFTS.map(() => first));
const weeks = (first: number, freshWeeks: number): AheadPlant['weeks'] => ({
  monday: FROM,
  best: week(first),
  freshWeeks,
  open: Array.from({ length: HORIZON_WEEKS + 1 }, () => true),
  actFrom: Array.from({ length: HORIZON_WEEKS + 1 }, (_, at) => at),
});
function plant(id: number, given: Partial<AheadPlant> = {}): AheadPlant {
  return {
    id,
    name: `plant ${id}`,
    spotId: 1 + (id % 2),
    group: 'fern',
    rimCm: 12,
    parts: [
      { component: 'bark', measureL: 0.8 },
      { component: 'perlite', measureL: 0.4 },
    ],
    weeks: weeks(5, 60),
    notBefore: 0,
    danger: 0.02,
    rescue: false,
    repots: [
      { rimCm: 14, newMediumL: 0.5, minutes: 20 },
      { rimCm: 17, newMediumL: 1, minutes: 25 },
    ],
    ...given,
  };
}
/** Forty plants, slow and quick, due and not. */
const garden = (): AheadProblem => ({
  from: FROM,
  plants: Array.from({ length: 40 }, (_, i) =>
    plant(i + 1, {
      rimCm: [9, 12, 14][i % 3]!,
      weeks: weeks([0, 4, 30, 70, 104][i % 5]!, 40 + 3 * (i % 7)),
      danger: i % 8 === 0 ? 0.3 : 0.02,
    }),
  ),
  shelf: [
    { rimCm: 14, count: 3 },
    { rimCm: 17, count: 1 },
  ],
});

describe('a plant whose pace is certain', () => {
  it('is repotted in its best week, and again when a pot so much wider is due: by the closed form', () => {
    const { repots } = new Futures(
      { from: FROM, plants: [plant(1)], shelf: [] },
      1,
      CERTAIN,
    ).next();
    // A wider pot lasts longer by the power of 0.8 of its width (models.md, “Root growth”).
    const second = 5 + Math.round(60 * (14 / 12) ** 0.8);
    expect(repots.map((one) => [one.week, one.rimCm, one.leavesCm])).toEqual([
      [5, 14, 12],
      [second, 17, 14],
    ]);
    const ahead = aheadOf(
      { from: FROM, plants: [plant(1)], shelf: [] },
      { futures: 50, doubt: CERTAIN },
    );
    const month = ahead.months.indexOf(addDays(FROM, 7 * second).slice(0, 7));
    expect(ahead.repots.byMonth[month]).toEqual({ low: 1, middle: 1, high: 1 });
    expect(ahead.repots.upTo.at(-1)).toEqual({ low: 2, middle: 2, high: 2 });
    expect(ahead.minutes.upTo.at(-1)!.middle).toBe(45);
    const litres = ahead.components.map(({ component, litres }) => [
      component,
      litres.upTo.at(-1)!.high,
    ]);
    expect(litres[0]).toEqual(['bark', expect.closeTo(0.8 * 1.5, 9)]);
    expect(litres[1]).toEqual(['perlite', expect.closeTo(0.4 * 1.5, 9)]);
    expect(ahead.room).toEqual([{ spotId: 2, nowCm: 12, yearCm: 14, twoYearsCm: 17 }]);
  });

  it('waits for its season, for its keeper’s word, and is not touched at all when nothing is due', () => {
    const closed = weeks(5, 90);
    closed.open = closed.open.map((_, at) => at >= 9);
    closed.actFrom = closed.actFrom.map((at) => Math.max(9, at));
    const firstOf = (given: Partial<AheadPlant>) =>
      new Futures({ from: FROM, plants: [plant(1, given)], shelf: [] }, 1, CERTAIN).next().repots[0]
        ?.week;
    expect(firstOf({ weeks: closed })).toBe(9);
    expect(firstOf({ notBefore: 12 })).toBe(12);
    expect(firstOf({ weeks: weeks(HORIZON_WEEKS, 90) })).toBeUndefined();
    expect(firstOf({ weeks: weeks(40, 90), rescue: true })).toBe(0);
  });
});

describe('every future', () => {
  it('keeps its books: pots, plants and litres are neither made nor lost', () => {
    const problem = garden();
    const futures = new Futures(problem, 7);
    const free = problem.shelf.reduce((sum, { count }) => sum + count, 0);
    let lostInAll = 0;
    let staysInAll = 0;
    for (let drawn = 0; drawn < 300; drawn++) {
      const { repots, lost, left } = futures.next();
      const bought = repots.filter(({ source }) => source === 'toBuy').length;
      const standing = problem.plants.length - lost.length;
      const freeAtEnd = [...left.values()].reduce((sum, count) => sum + count, 0);
      expect(free + problem.plants.length + bought).toBe(standing + freeAtEnd);
      expect(Math.min(0, ...left.values())).toBe(0);
      // Nobody is repotted after it was lost, nor out of a pot that it does not stand in.
      const stands = new Map(problem.plants.map(({ rimCm }, index) => [index, rimCm]));
      for (const { plant: index, rimCm, leavesCm } of repots) {
        expect(stands.get(index)).toBe(leavesCm);
        stands.set(index, rimCm);
      }
      for (const one of lost) {
        const after = repots.filter(
          ({ plant: index, week: at }) => index === one.plant && at > one.week,
        );
        expect(after).toEqual([]);
      }
      lostInAll += lost.length;
      staysInAll += repots.filter(({ source }) => source === 'stays').length;
    }
    expect(lostInAll).toBeGreaterThan(20);
    // What falls ill goes back into its own pot: nobody buys another one as wide.
    expect(staysInAll).toBeGreaterThan(100);
  });

  it('is drawn alike on every machine, and otherwise from another seed', () => {
    const drawn = (seed: number) => aheadOf(garden(), { futures: 60, seed });
    expect(drawn(3)).toEqual(drawn(3));
    expect(drawn(4)).not.toEqual(drawn(3));
  });

  it('has the same luck for those who stay when others are given away', () => {
    const all = garden();
    const without = { ...all, plants: all.plants.filter(({ id }) => id % 4 !== 0) };
    const of = (problem: AheadProblem) => {
      const futures = new Futures(problem, 5);
      return Array.from({ length: 40 }, () =>
        futures
          .next()
          .repots.map(({ plant: index, week: at }) => [problem.plants[index]!.id, at] as const)
          .filter(([id]) => id % 4 !== 0)
          .sort((a, b) => a[0] - b[0] || a[1] - b[1]),
      );
    };
    expect(of(without)).toEqual(of(all));
  });
});

describe('bands', () => {
  it('hold four of five futures that were not used to make them', () => {
    const problem = garden();
    const { upTo } = aheadOf(problem, { futures: 1000, seed: 1 }).repots;
    const fresh = new Futures(problem, 99);
    const year = 12;
    const { months } = aheadOf(problem, { futures: 1 });
    let within = 0;
    for (let drawn = 0; drawn < 400; drawn++) {
      const count = fresh
        .next()
        .repots.filter(({ week: at }) => addDays(FROM, 7 * at).slice(0, 7) <= months[year]!).length;
      if (count >= upTo[year]!.low && count <= upTo[year]!.high) within += 1;
    }
    // Whole numbers: the band may hold a little more than its share.
    expect(within / 400).toBeGreaterThan(0.77);
    expect(within / 400).toBeLessThan(0.93);
  });

  it('widen with what is not known, and close where all is certain', () => {
    const width = (doubt?: typeof CERTAIN) => {
      const { high, low } = aheadOf(garden(), { futures: 400, ...(doubt ? { doubt } : {}) }).repots
        .upTo[18]!;
      return high - low;
    };
    expect(width(CERTAIN)).toBe(0);
    expect(width()).toBeGreaterThan(3);
  });

  it('stop when they are told to, with what was drawn until then', () => {
    const told: number[] = [];
    const ahead = aheadOf(garden(), {
      futures: 1000,
      onProgress: (share) => {
        told.push(share);
        return share < 0.1;
      },
    });
    expect(ahead.futures).toBe(100);
    expect(told.at(-1)).toBe(0.1);
  });

  it('of an empty collection are nothing at all, and a thousand of one kind are no trouble', () => {
    const empty = aheadOf({ from: FROM, plants: [], shelf: [] }, { futures: 20 });
    expect(empty.repots.upTo.at(-1)).toEqual({ low: 0, middle: 0, high: 0 });
    expect([empty.components, empty.toBuy, empty.room]).toEqual([[], [], []]);
    const many = Array.from({ length: 1000 }, (_, i) => plant(i + 1));
    const { repots } = aheadOf({ from: FROM, plants: many, shelf: [] }, { futures: 5 });
    expect(repots.upTo.at(-1)!.low).toBeGreaterThan(1000);
  });
});

describe('weeks ahead of a verdict', () => {
  const situation = (given: Partial<Situation>): Situation => ({
    traits: resolveTaxon('Nephrolepis exaltata')!.traits,
    date: FROM,
    spot: { ...TYPICAL_SPOT, latitudeDeg: 54 },
    pot: nominalPot(15),
    medium: { kind: 'peatSoil' },
    lastRepot: '2025-03-01',
    signals: {},
    ...given,
  });

  it('are those of the verdict where nothing more is told', () => {
    for (const lastRepot of ['2023-03-01', '2024-09-01', '2025-03-01', '2025-12-01']) {
      for (const rootsAtHoles of ['none', 'several', 'every']) {
        const asked = situation({ lastRepot, signals: { rootsAtHoles } });
        const { window, verdict } = decide(asked);
        const ahead = weeksAhead(asked);
        const best = ahead.best[SHIFTS.length >> 1]![SHIFTS.length >> 1]!;
        if (window) expect(addDays(ahead.monday, 7 * best)).toBe(window.best);
        else expect([verdict, best > 8]).toEqual([verdict, true]);
      }
    }
  });

  it('come sooner the fuller looks find it, never later', () => {
    const { best } = weeksAhead(situation({ lastRepot: '2025-06-01' }));
    for (const column of SHIFTS.keys()) {
      const down = best.map((row) => row[column]!);
      expect([...down].sort((a, b) => b - a)).toEqual(down);
    }
    expect(best[0]![3]!).toBeGreaterThan(best[6]![3]!);
  });

  it('act only when the plant may be disturbed', () => {
    const { actFrom, open } = weeksAhead(situation({}));
    for (const [due, at] of actFrom.entries()) {
      expect(at).toBeGreaterThanOrEqual(due);
      if (at > due) expect(open[at]).toBe(true);
    }
  });
});
