import highsLoader from 'highs';
import { beforeAll, describe, expect, it, vi } from 'vitest';
import { diveByHighs, wholeByHighs } from '../milp/index.ts';
import { trialDay, trialPins } from '../trials/days.ts';
import { bagsFor, worthOf, type Bags } from './account.ts';
import { conflictIn } from './conflicts.ts';
import { ringsIn } from './cycles.ts';
import { greedyPlan } from './greedy.ts';
import {
  CHANGE_MINUTES,
  handsMinutes,
  isShortEnough,
  leavesPot,
  measuresOf,
  readyAfter,
} from './limits.ts';
import { optimiseDay, type DaySolvers } from './optimise.ts';
import type { DayProblem, Move, Pin } from './problem.ts';

// Hundreds of thousands of plans are tried: how long that takes is not what is tested.
vi.setConfig({ testTimeout: 400_000 });

let solvers: DaySolvers;
beforeAll(async () => {
  const highs = await highsLoader();
  solvers = { whole: wholeByHighs(highs), dive: diveByHighs(highs) };
});

/**
 * The worth of the best plan, found by trying every one: each plant in each pot
 * on each date, or nowhere. For small days only; the model is checked by it.
 *
 * @returns null when no plan keeps every pin
 */
function bestByTrying(problem: DayProblem): { worth: number; tried: number } | null {
  const { plants, dates } = problem;
  let best: number | null = null;
  let tried = 0;
  const walk = (at: number, moves: Move[]): void => {
    if (at === plants.length) {
      tried += 1;
      const worth = worthIfPossible(problem, moves);
      if (worth !== null && (best === null || worth > best)) best = worth;
      return;
    }
    walk(at + 1, moves);
    const { id, options } = plants[at]!;
    options.forEach((_, option) => {
      dates.forEach((_day, date) => walk(at + 1, [...moves, { plant: id, option, date }]));
    });
  };
  walk(0, []);
  return best === null ? null : { worth: best, tried };
}

/** Worth of moves that can all be made; null when something forbids them. */
function worthIfPossible(problem: DayProblem, moves: readonly Move[]): number | null {
  const { plants, pots, dates, mixes, stock, overheads, money } = problem;
  const plantOf = (move: Move) => plants.find(({ id }) => id === move.plant)!;
  const optionOf = (move: Move) => plantOf(move).options[move.option]!;
  const potOf = (move: Move) => pots.find(({ id }) => id === optionOf(move).pot)!;
  if (!problem.pins.every((pin) => holds(pin, moves, problem))) return null;
  for (const [date] of dates.entries()) {
    const today = moves.filter((move) => move.date === date);
    if (today.some((move) => !isShortEnough(problem, plantOf(move), optionOf(move), date)))
      return null;
    const made = new Set(
      today.filter((move) => optionOf(move).filledL > 0).map((move) => plantOf(move).mix),
    );
    const minutes = today.reduce((sum, move) => sum + optionOf(move).minutes, 0);
    const tiers = new Set(today.map((move) => plantOf(move).tidiness).filter((t) => t !== 'clean'));
    const changes = tiers.size * CHANGE_MINUTES * problem.hands;
    if (minutes + made.size * overheads.mix + changes > handsMinutes(problem, date) + 1e-9)
      return null;
    for (const pot of pots) {
      const used = moves.filter((move) => potOf(move) === pot && move.date <= date).length;
      if (pot.source === 'shelf' && used > pot.ready![date]!) return null;
      if (pot.source !== 'left') continue;
      const left = moves.filter(
        (move) =>
          move.plant === pot.of &&
          leavesPot(potOf(move), move.plant) &&
          readyAfter(problem, plantOf(move), move.date, date),
      ).length;
      if (used > left) return null;
    }
  }
  if (ringsIn(problem, moves).length > 0) return null;
  const bags = new Map<string, Bags>();
  let paid = moves.reduce(
    (sum, move) => sum + (potOf(move).source === 'toBuy' ? (potOf(move).price ?? 0) : 0),
    0,
  );
  for (const row of stock) {
    const litres = moves.reduce((sum, move) => {
      const mix = mixes.find(({ id }) => id === plantOf(move).mix)!;
      return sum + (measuresOf(mix).get(row.component) ?? 0) * optionOf(move).filledL;
    }, 0);
    const own = bagsFor(litres, row);
    if (!own) return null;
    bags.set(row.component, own);
    paid += own.buys * (row.pricePerBag ?? 0);
  }
  if (money !== null && paid > money + 1e-9) return null;
  return worthOf(problem, moves, bags);
}

function holds(pin: Pin, moves: readonly Move[], { plants, dates }: DayProblem): boolean {
  const move = moves.find(({ plant }) => plant === pin.plant);
  const pot = move && plants.find(({ id }) => id === move.plant)!.options[move.option]!.pot;
  switch (pin.kind) {
    case 'in':
      return move !== undefined;
    case 'out':
      return move === undefined;
    case 'on':
      return move !== undefined && dates[move.date]!.date === pin.date;
    case 'pot':
      return pot === pin.pot;
    case 'notPot':
      return pot !== pin.pot;
  }
}

const DAYS = 300;
const small = (seed: number) => {
  const dates = 1 + (seed % 2);
  const problem = trialDay(seed, {
    plants: dates === 1 ? 5 : 4,
    pots: 3,
    components: 3,
    dates,
    options: 3,
    hands: 1 + (seed % 3 === 0 ? 1 : 0),
  });
  return { ...problem, pins: seed % 3 === 1 ? trialPins(problem, seed) : [] };
};

describe('the choice of a day against every plan there is', () => {
  it(`is worth what the best of all plans is worth, on ${DAYS} small days`, () => {
    let tried = 0;
    let impossible = 0;
    let better = 0;
    let handedDown = 0;
    for (let seed = 1; seed <= DAYS; seed++) {
      const problem = small(seed);
      const byTrying = bestByTrying(problem);
      const contradicts = conflictIn(problem, null);
      const found = contradicts ? null : optimiseDay(problem, solvers, { seconds: 30 });
      if (!byTrying) {
        expect(found, `day ${seed} has no plan`).toBeNull();
        expect(contradicts ?? conflictIn(problem, solvers.whole), `day ${seed}`).not.toBeNull();
        impossible += 1;
        continue;
      }
      tried += byTrying.tried;
      expect(found, `day ${seed} has a plan`).not.toBeNull();
      expect(found!.proven, `day ${seed} is proven`).toBe(true);
      expect(found!.worth, `worth of day ${seed}`).toBeCloseTo(byTrying.worth, 5);
      if (problem.pins.length > 0) continue;
      const greedy = greedyPlan(problem);
      expect(greedy.worth, `greedy of day ${seed}`).toBeLessThanOrEqual(byTrying.worth + 1e-6);
      if (greedy.worth < byTrying.worth - 1e-6) better += 1;
      handedDown += found!.moves.filter(({ plant, option }) => {
        const row = problem.plants.find(({ id }) => id === plant)!;
        return row.options[option]!.pot.startsWith('left-');
      }).length;
    }
    console.log({ tried, impossible, better, handedDown });
    // The days are worth the trouble: some cannot be, some hand pots down, on some the greedy hand errs.
    expect(impossible).toBeGreaterThan(2);
    expect(better).toBeGreaterThan(20);
    expect(handedDown).toBeGreaterThan(20);
  });
});
