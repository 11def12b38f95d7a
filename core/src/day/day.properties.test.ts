import fc from 'fast-check';
import highsLoader from 'highs';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { diveByHighs, solveByHighs, wholeByHighs } from '../milp/index.ts';
import { trialDay, trialPins } from '../trials/days.ts';
import { greedyPlan } from './greedy.ts';
import { handsMinutes } from './limits.ts';
import { breachesIn, completeDay, planDay, type DaySolvers } from './index.ts';
import type { Solve } from '../milp/index.ts';
import { leftOutWords } from './words.ts';

vi.setConfig({ testTimeout: 400_000 });

let solvers: DaySolvers & { cuts: Solve };
beforeAll(async () => {
  const highs = await highsLoader();
  solvers = {
    whole: wholeByHighs(highs),
    dive: diveByHighs(highs),
    cuts: solveByHighs(highs),
  };
});

const scale = fc.record({
  plants: fc.integer({ min: 1, max: 14 }),
  pots: fc.integer({ min: 1, max: 12 }),
  components: fc.integer({ min: 2, max: 9 }),
  dates: fc.integer({ min: 1, max: 3 }),
  options: fc.integer({ min: 1, max: 5 }),
  hands: fc.integer({ min: 1, max: 3 }),
});
const seeds = fc.integer({ min: 1, max: 1_000_000 });

describe('any day that is planned', () => {
  it('keeps every pot in one place at a time, every bag and litre accounted for, within time and money', () => {
    let planned = 0;
    fc.assert(
      fc.property(seeds, scale, fc.boolean(), fc.boolean(), (seed, size, pinned, ownTub) => {
        const made = trialDay(seed, size);
        const problem = {
          ...made,
          pins: pinned ? trialPins(made, seed) : [],
          ...(ownTub ? { tubL: 12, scoopL: 0.5 } : {}),
        };
        const answer = planDay(problem, solvers, { seconds: 0.4 });
        if (answer.kind === 'conflict') {
          expect(answer.conflict.pins.length).toBeGreaterThan(0);
          return;
        }
        planned += 1;
        const { plan } = answer;
        expect(breachesIn(problem, plan.events)).toEqual([]);
        for (const { date, lasts } of plan.schedules) {
          const over = plan.over[date]!;
          if (problem.pins.length === 0) expect(over).toBeLessThanOrEqual(1e-6);
          expect(lasts).toBeLessThanOrEqual(problem.dates[date]!.minutes + over + 1e-6);
        }
        if (problem.money !== null) expect(plan.spends).toBeLessThanOrEqual(problem.money + 1e-6);
        if (problem.pins.length === 0) {
          expect(plan.worth).toBeGreaterThanOrEqual(plan.greedy.worth - 1e-6);
        }
        expect(plan.bound).toBeGreaterThanOrEqual(plan.worth - 1e-6);
        const potted = new Set(plan.moves.map(({ plant }) => plant));
        expect(potted.size).toBe(plan.moves.length);
        expect(plan.leftOut.length + plan.moves.length).toBe(problem.plants.length);
        expect(plan.leftOut.every(({ about }) => leftOutWords(about).length > 10)).toBe(true);
        const links = plan.chains.flatMap((chain) => chain.links);
        expect(links.map(({ plant }) => plant).sort()).toEqual([...potted].sort());
      }),
      { numRuns: 120 },
    );
    expect(planned).toBeGreaterThan(80);
  });

  it('keeps every pin also with hardly any time, where pots would go round in a ring at first', () => {
    const size = { plants: 12, pots: 4, components: 9, dates: 2, options: 4, hands: 1 };
    const made = trialDay(64457, size);
    const pins = trialPins(made, 64457);
    const problem = { ...made, pins, tubL: 12, scoopL: 0.5 };
    const answer = planDay(problem, solvers, { seconds: 0.02 });
    if (answer.kind === 'conflict') throw new Error('its pins can all hold');
    expect(breachesIn(problem, answer.plan.events)).toEqual([]);
  });

  it('draws from stock exactly what its batches hold, and pours exactly what was mixed', () => {
    fc.assert(
      fc.property(seeds, scale, (seed, size) => {
        const problem = trialDay(seed, size);
        const answer = planDay(problem, solvers, { seconds: 0.3 });
        if (answer.kind === 'conflict') return;
        const { batches, events } = answer.plan;
        for (const { component } of problem.stock) {
          const scooped = batches
            .flatMap(({ litres }) => litres)
            .filter((one) => one.component === component)
            .reduce((sum, { litres }) => sum + litres, 0);
          const drawn = events.reduce(
            (sum, event) =>
              event.kind === 'drawn' && event.component === component ? sum + event.litres : sum,
            0,
          );
          expect(drawn).toBeCloseTo(scooped, 6);
        }
        for (const batch of batches) {
          const poured = events.reduce(
            (sum, event) =>
              event.kind === 'filled' && event.mix === batch.mix && event.date === batch.date
                ? sum + event.litres
                : sum,
            0,
          );
          expect(poured).toBeCloseTo(batch.tub.mixedL, 6);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('comes to the same, laid out again from its moves', () => {
    fc.assert(
      fc.property(seeds, scale, (seed, size) => {
        const problem = trialDay(seed, size);
        const answer = planDay(problem, solvers, { seconds: 0.3 });
        if (answer.kind === 'conflict') return;
        const { moves, bound, worth, schedules } = answer.plan;
        const again = completeDay(problem, moves, bound, solvers.cuts);
        expect(again.worth).toBeCloseTo(worth, 9);
        expect(again.schedules).toEqual(schedules);
      }),
      { numRuns: 25 },
    );
  });

  it('works within the minutes of hands also when planned by hand', () => {
    fc.assert(
      fc.property(seeds, scale, (seed, size) => {
        const problem = trialDay(seed, size);
        const { moves } = greedyPlan(problem);
        problem.dates.forEach((_, date) => {
          const asked = moves
            .filter((move) => move.date === date)
            .reduce((sum, { plant, option }) => {
              const row = problem.plants.find(({ id }) => id === plant)!;
              return sum + row.options[option]!.minutes;
            }, 0);
          expect(asked).toBeLessThanOrEqual(handsMinutes(problem, date) + 1e-6);
        });
      }),
      { numRuns: 200 },
    );
  });
});

describe('a breach is told', () => {
  const problem = trialDay(4, { plants: 6, pots: 4, components: 3, dates: 1, options: 3 });
  const at = { date: 0, minute: 5 };
  it.each([
    [
      'in two places',
      [
        { ...at, kind: 'potLeft' as const, of: 1 },
        { ...at, kind: 'potTaken' as const, pot: 'left-1', plant: 2 },
        { ...at, kind: 'potTaken' as const, pot: 'left-1', plant: 3 },
      ],
    ],
    ['before it was left', [{ ...at, kind: 'potTaken' as const, pot: 'left-1', plant: 2 }]],
    [
      'more bags opened',
      [
        {
          ...at,
          kind: 'bagOpened' as const,
          component: problem.stock[0]!.component,
          count: 9,
          litres: 90,
        },
      ],
    ],
    [
      'more drawn than is open',
      problem.stock
        .filter(({ counted }) => counted)
        .map(({ component, openL }) => ({
          ...at,
          kind: 'drawn' as const,
          component,
          litres: openL + 1,
          mix: 'mix-0',
        })),
    ],
    [
      'more mix used than was made',
      [{ ...at, kind: 'filled' as const, mix: 'mix-0', litres: 1, plant: 1 }],
    ],
    [
      'another plant stands in it',
      [{ ...at, kind: 'potTaken' as const, pot: 'stays-1', plant: 2 }],
    ],
    [
      'was left twice',
      [
        { ...at, kind: 'potLeft' as const, of: 1 },
        { ...at, kind: 'potLeft' as const, of: 1 },
      ],
    ],
  ])('%s', (words, events) => {
    expect(breachesIn(problem, events).join()).toContain(words);
  });
});
