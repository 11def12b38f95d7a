import { OutOfRange } from '../number/outOfRange.ts';
import type {
  Dive,
  Dived,
  LinearModel,
  Progress,
  SolveWhole,
  WholeSolution,
} from '../milp/index.ts';
import { worthOf } from './account.ts';
import { ringsIn } from './cycles.ts';
import { filledUp, greedyPlan, type Found } from './greedy.ts';
import { dayModel, NO_ALLOWANCE, type Allowance, type Cycle, type DayModel } from './model.ts';
import type { DayProblem, Move } from './problem.ts';

/** The best plan that was found, and how good any could be. */
export interface Optimised extends Found {
  /** no plan can be worth more */
  bound: number;
  /** nothing is left between plan and bound */
  proven: boolean;
}

export interface OptimiseOptions {
  seconds?: number;
  /** moves of a plan that is known: a start, as far as they can be made */
  start?: readonly Move[];
  allowance?: Allowance;
  onProgress?: (progress: Progress) => void;
  onBetter?: (found: Found) => void;
}

const SECONDS = 5;
/** Rings are rare: pots go from small plants to smaller ones. */
const MOST_RINGS = 60;
/** Worth that is no more than rounding. */
const HAIR = 1e-6;

/** What searches a day: a tree search with its bound, and a quick way to a first good plan. */
export interface DaySolvers {
  whole: SolveWhole;
  dive: Dive;
}

/**
 * The plan worth most, or the best within the time with its bound.
 *
 * A small day goes straight to the tree search. In a large one the linear
 * relaxation is dived into for a first plan, the tree search then looks near
 * it, and the time that is left goes into the whole.
 *
 * Plants that would hand pots round in a ring on one day are only ruled out
 * when a solution has such a ring; the bound of a round without that rule is a
 * bound of the whole.
 *
 * @returns null when the pins cannot all hold
 * @throws RangeError when the time did not even suffice to find one plan that keeps them
 */
export function optimiseDay(
  problem: DayProblem,
  solvers: DaySolvers,
  {
    seconds = SECONDS,
    start,
    allowance = NO_ALLOWANCE,
    onProgress,
    onBetter,
  }: OptimiseOptions = {},
): Optimised | null {
  const until = Date.now() + seconds * 1000;
  const left = () => Math.max(0.05, (until - Date.now()) / 1000);
  const greedy = greedyPlan(problem, allowance);
  let best: Found | null = keepsPins(problem, greedy) ? greedy : null;
  const offer = (found: Found): void => {
    if (ringsIn(problem, found.moves).length > 0 || !keepsPins(problem, found)) return;
    if (best && found.worth <= best.worth + HAIR) return;
    best = found;
    onBetter?.(found);
  };
  if (start) offer(filledUp(problem, start, allowance));
  const cycles: Cycle[] = [];
  let bound = Infinity;
  for (let round = 0; round <= MOST_RINGS; round++) {
    const model = dayModel(problem, allowance, cycles);
    const foundIn = (values: readonly number[]): Found => {
      const moves = model.movesOf(values);
      const bags = model.bagsOf(values);
      return { moves, bags, worth: worthOf(problem, moves, bags) };
    };
    const search = (linear: LinearModel, forSeconds: number, presolve = true): WholeSolution => {
      const from = best ? model.startFrom(best.moves, best.bags) : null;
      return solvers.whole(linear, {
        seconds: forSeconds,
        presolve,
        ...(from ? { start: from } : {}),
        ...(onProgress ? { onProgress: (at) => onProgress(boundedBy(at, bound)) } : {}),
        onBetter: (values) => offer(foundIn(values)),
      });
    };
    const lookNear = ({ linear, startFrom }: DayModel, dived: Dived): void => {
      for (const { share, cost, presolve } of NEAR) {
        const from: Found | null = best;
        const chosen = from && startFrom(from.moves, from.bags);
        if (!chosen) return;
        const near = search(nearTo(linear, chosen, dived, cost), share * left(), presolve);
        if (near.values.length > 0) offer(foundIn(near.values));
      }
    };
    if (model.linear.variables.length > SMALL && round === 0 && !start) {
      // Without a relaxation in time, or with none at all, the tree search has the word.
      const dived = solvers.dive(model.linear, { seconds: DIVE_SHARE * seconds });
      if (dived) {
        bound = Math.min(bound, dived.bound);
        offer(filledUp(problem, model.movesOf(dived.values), allowance));
        onProgress?.({ seconds: seconds - left(), objective: best?.worth ?? null, bound });
        lookNear(model, dived);
      }
    }
    const solved = search(model.linear, left());
    if (solved.status === 'infeasible') return null;
    const found = solved.values.length > 0 ? foundIn(solved.values) : null;
    const rings = found ? ringsIn(problem, found.moves) : [];
    if (found) offer(found);
    if (Number.isFinite(solved.bound)) bound = Math.min(bound, solved.bound);
    if (rings.length > 0 && Date.now() < until) {
      cycles.push(...rings);
      continue;
    }
    if (!best) {
      // Any plan that keeps the pins is easier to find than a good one.
      const any = solvers.whole(withoutWorth(model.linear), { seconds: ANY_SECONDS });
      if (any.status === 'infeasible') return null;
      if (any.values.length > 0) {
        const plan = foundIn(any.values);
        const itsRings = ringsIn(problem, plan.moves);
        // However little time there was: without those rings the next one is as easy to find.
        if (itsRings.length > 0) {
          cycles.push(...itsRings);
          continue;
        }
        offer(plan);
      }
    }
    if (!best) throw new OutOfRange(TOO_SHORT);
    const proven = solved.status === 'optimal' && rings.length === 0;
    return { ...best, bound: proven ? best.worth : Math.max(bound, best.worth), proven };
  }
  if (!best) throw new OutOfRange(TOO_SHORT);
  return { ...(best as Found), bound, proven: false };
}

const TOO_SHORT = 'seconds must suffice to find a plan that keeps every pin';

const ANY_SECONDS = 2;
const withoutWorth = (linear: LinearModel): LinearModel => ({
  ...linear,
  variables: linear.variables.map((variable) => ({ ...variable, cost: 0 })),
});

/** So many ways are searched at once. */
const SMALL = 500;
/** Of the time, for a first good plan. */
const DIVE_SHARE = 0.25;
/**
 * Then two looks near it, each for its share of what is left: a narrow one that
 * begins at once, and a wider one. Ways that cost so much more than the
 * relaxation's own are left out, units of gain.
 */
const NEAR = [
  { share: 0.35, cost: 0.001, presolve: false },
  { share: 0.65, cost: 0.004, presolve: true },
] as const;

/** The model without the ways that neither a plan nor the relaxation takes, nor comes near to. */
function nearTo(
  linear: LinearModel,
  chosen: readonly number[],
  { relaxed, reducedCosts }: Dived,
  cost: number,
): LinearModel {
  const isFar = (i: number) => chosen[i]! < 0.5 && relaxed[i]! < HAIR && reducedCosts[i]! < -cost;
  return {
    ...linear,
    variables: linear.variables.map((variable, i) =>
      variable.upper === 1 && variable.cost !== 0 && isFar(i)
        ? { ...variable, upper: 0 }
        : variable,
    ),
  };
}

const boundedBy = (at: Progress, bound: number): Progress => ({
  ...at,
  bound: Number.isFinite(at.bound) ? Math.min(at.bound, bound) : bound,
});

/** The greedy hand may fail a pin that a cleverer plan can keep. */
function keepsPins({ pins }: DayProblem, { moves }: Found): boolean {
  return pins.every(
    (pin) =>
      pin.kind === 'out' || pin.kind === 'notPot' || moves.some(({ plant }) => plant === pin.plant),
  );
}
