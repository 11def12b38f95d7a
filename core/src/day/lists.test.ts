import { rimCm } from '../pots/index.ts';
import highsLoader from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { diveByHighs, solveByHighs, wholeByHighs, type Solve } from '../milp/index.ts';
import { trialDay } from '../trials/days.ts';
import {
  laidDay,
  pickList,
  planDay,
  shoppingList,
  type DayPlan,
  type DayProblem,
  type DaySolvers,
  type LaidDay,
} from './index.ts';
import { preparationWords } from '../media/index.ts';

let solvers: DaySolvers & { cuts: Solve };
beforeAll(async () => {
  const highs = await highsLoader();
  solvers = { whole: wholeByHighs(highs), dive: diveByHighs(highs), cuts: solveByHighs(highs) };
});
interface Planned {
  problem: DayProblem;
  plan: DayPlan;
  laid: LaidDay;
}
function planned(problem: DayProblem): Planned {
  const answer = planDay(problem, solvers, { seconds: 2 });
  if (answer.kind === 'conflict') throw new Error('no plan');
  return { problem, plan: answer.plan, laid: laidDay(problem, answer.plan) };
}
const SIZE = { plants: 12, pots: 8, components: 6, dates: 2, options: 5 };
/** Days of every kind, with pots to buy, bags to buy, poles: planned once, read by all. */
let days: readonly Planned[];
beforeAll(() => {
  days = [3, 8, 21, 34, 55].map((seed) => planned(trialDay(seed, SIZE)));
});

describe('a day as it is shown and kept', () => {
  it('is plain data: through JSON and back it is the same', () => {
    for (const { laid } of days) {
      expect(JSON.parse(JSON.stringify(laid))).toEqual(laid);
    }
  });

  it('names every plant once, in the order of the time line', () => {
    for (const { problem, plan, laid } of days) {
      expect(laid.lines.map(({ plant }) => plant)).toEqual(
        plan.schedules.flatMap(({ order }) => order),
      );
      expect(laid.leftOut.length + laid.lines.length).toBe(problem.plants.length);
      expect(laid.lines.every(({ name, pot }) => name !== '' && pot.label !== '')).toBe(true);
    }
  });

  it('fetches net pots by size and all strands at once for what is seated on mounds', () => {
    const [{ problem, plan }] = days as [Planned];
    const seated = plan.moves.slice(0, 3).map(({ plant }) => plant);
    const mound = (i: number) => ({ netPotCm: i === 2 ? 10 : 6, dryG: 40 + 10 * i });
    const plants = problem.plants.map((row) => {
      const i = seated.indexOf(row.id);
      const options = row.options.map((option) => ({ ...option, mound: mound(i) }));
      return i < 0 ? row : { ...row, options };
    });
    const laid = laidDay({ ...problem, plants }, plan);
    const nameOf = (id: number) => problem.plants.find((row) => row.id === id)!.name;
    const fetched = pickList(laid).filter(({ kind }) => kind === 'netPot' || kind === 'strands');
    expect(fetched).toMatchObject([
      { kind: 'netPot', widthCm: 6, count: 2 },
      { kind: 'netPot', widthCm: 10, count: 1, for: [nameOf(seated[2]!)] },
      { kind: 'strands', dryG: 40 + 50 + 60, count: 3 },
    ]);
    const told = laid.batches.flatMap(({ pots }) => pots.filter((pot) => pot.mound));
    expect(told.every(({ plant }) => seated.includes(plant))).toBe(true);
    expect(pickList(laidDay(problem, plan)).some(({ kind }) => kind === 'strands')).toBe(false);
  });

  it('fetches a pot for every piece of what is divided, of the size that the one that stays has', () => {
    const [{ problem, plan }] = days as [Planned];
    const { plant } = plan.moves[0]!;
    const inPieces = (pieces: number) => {
      const plants = problem.plants.map((row) =>
        row.id === plant
          ? { ...row, options: row.options.map((option) => ({ ...option, pieces })) }
          : row,
      );
      const laid = laidDay({ ...problem, plants }, plan);
      const { name, pot } = laid.lines.find((line) => line.plant === plant)!;
      const picks = pickList(laid).filter((one) => one.kind === 'pot');
      return { name, rim: rimCm(pot.shape), picks };
    };
    const whole = inPieces(1);
    const { name, rim, picks } = inPieces(3);
    const more = picks.slice(whole.picks.length);
    expect(more).toMatchObject([{ count: 2, for: [name] }]);
    expect(JSON.stringify(more[0]!.label)).toContain(String(rim));
  });

  it('fetches vessel, wicks and water for each pot of pebbles, and the solution of all at once', () => {
    const [{ problem, plan }] = days as [Planned];
    const over = plan.moves.slice(0, 3).map(({ plant }) => plant);
    const water = (i: number) => ({
      vessel: `bucket ${i}`,
      litres: 0.5 + i,
      fed: i !== 2,
      wicks: i === 0 ? null : { label: 'cord', count: i, lengthCm: 12 },
    });
    const plants = problem.plants.map((row) => {
      const i = over.indexOf(row.id);
      const options = row.options.map((option) => ({ ...option, water: water(i) }));
      return i < 0 ? row : { ...row, options };
    });
    const fetched = pickList(laidDay({ ...problem, plants }, plan));
    const vessels = fetched.filter(({ kind }) => kind === 'overWater');
    expect(vessels.map((one) => one.label).sort()).toEqual(
      over.map((id) => problem.plants.find((row) => row.id === id)!.name).sort(),
    );
    // Rain water is no solution.
    expect(fetched.find(({ kind }) => kind === 'solution')).toMatchObject({ litres: 2, count: 2 });
  });

  it('takes off what it saves what its bags and pots cost', () => {
    for (const { laid } of days) {
      const saved = laid.lines.reduce((sum, { gain }) => sum + gain, 0);
      expect(laid.worth).toBeLessThanOrEqual(saved + 1e-9);
    }
  });

  it('begins the longest soaks of a date first, each once', () => {
    for (const { problem, laid } of days) {
      problem.dates.forEach((_, date) => {
        const own = laid.ahead.filter((one) => one.date === date);
        const minutes = own.map((one) => one.minutes);
        expect(minutes).toEqual([...minutes].sort((a, b) => b - a));
        expect(new Set(own.map(preparationWords)).size).toBe(own.length);
      });
    }
  });
});

describe('what is bought and fetched', () => {
  it('buys exactly the bags and pots of the plan, at its price', () => {
    let bags = 0;
    let pots = 0;
    for (const { plan, laid } of days) {
      const list = shoppingList(laid);
      const paid = list.reduce(
        (sum, bought) => sum + ('price' in bought ? bought.count * (bought.price ?? 0) : 0),
        0,
      );
      expect(paid).toBeCloseTo(plan.spends, 9);
      for (const bought of list) {
        if (bought.kind === 'bag') {
          bags += bought.count;
          const own = plan.bags.find(({ component }) => component === bought.component)!;
          expect(bought.count).toBe(own.buys);
        }
        if (bought.kind === 'pot') {
          pots += bought.count;
          expect(bought.for).toHaveLength(bought.count);
        }
      }
      expect(list.some(({ count }) => count < 1 || !Number.isInteger(count))).toBe(false);
    }
    expect(bags).toBeGreaterThan(0);
    expect(pots).toBeGreaterThan(0);
  });

  it('has what no stock is kept of looked for, by its litres', () => {
    for (const { laid } of days) {
      const [first, ...rest] = laid.bags;
      const uncounted = { ...first!, counted: false, buys: 0, bagL: null };
      const list = shoppingList({ ...laid, bags: [uncounted, ...rest] });
      expect(
        list.filter((one) => one.kind === 'check' && one.litres === first!.neededL),
      ).toHaveLength(first!.neededL > 0 ? 1 : 0);
      expect(
        list.filter((one) => one.kind === 'bag').map(({ component }) => component),
      ).not.toContain(first!.component);
    }
  });

  it('fetches every plant, every pot that no other plant leaves, and every litre that is scooped', () => {
    for (const { laid } of days) {
      const picks = pickList(laid);
      const plants = picks.filter(({ kind }) => kind === 'plant').map(({ label }) => label);
      expect(plants).toEqual(laid.lines.map(({ name }) => name));
      const fetched = picks.reduce((sum, one) => (one.kind === 'pot' ? sum + one.count : sum), 0);
      expect(fetched).toBe(
        laid.lines.filter(({ pot }) => pot.source === 'shelf' || pot.source === 'toBuy').length,
      );
      const litres = picks.reduce(
        (sum, one) => (one.kind === 'component' ? sum + one.litres : sum),
        0,
      );
      const scooped = laid.batches
        .flatMap(({ measures }) => measures)
        .reduce((sum, measure) => sum + measure.litres, 0);
      expect(litres).toBeCloseTo(scooped, 6);
      const apart = picks.filter((one) => one.kind === 'plant' && one.apart).length;
      expect(apart).toBe(laid.lines.filter(({ tidiness }) => tidiness === 'quarantine').length);
    }
  });
});
