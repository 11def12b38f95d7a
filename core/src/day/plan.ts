import { OutOfRange } from '../number/outOfRange.ts';
import { planCuts, type CutPlan } from '../cuts/index.ts';
import type { Progress, Solve } from '../milp/index.ts';
import type { SupportKindId } from '../support/index.ts';
import { worthOf, type Bags } from './account.ts';
import { bagsForBatches, batchesFor, priceOf, type DayBatch } from './batches.ts';
import { chainsOf, type Chain } from './chains.ts';
import { conflictIn, type PinConflict } from './conflicts.ts';
import { breachesIn, eventsOf, type DayEvent } from './events.ts';
import { filledUp, greedyPlan, type Found } from './greedy.ts';
import { leftOutOf, type LeftOut } from './leftOut.ts';
import type { Allowance } from './model.ts';
import { optimiseDay, type DaySolvers } from './optimise.ts';
import { checkProblem, type DayProblem, type Move } from './problem.ts';
import { scheduleDate, type DaySchedule } from './schedule.ts';

/** Poles of one kind, cut from what there is. */
export interface DayCuts {
  kind: SupportKindId;
  /** null: the pieces do not fit into what there is or is sold */
  plan: CutPlan | null;
  fault: string;
}

/** A potting day laid out in full. */
export interface DayPlan {
  moves: Move[];
  batches: DayBatch[];
  /** whole bags, component by component */
  bags: { component: string; opens: number; buys: number }[];
  cuts: DayCuts[];
  schedules: DaySchedule[];
  /** minutes that a date runs over: only where pins ask for more than several hands can share out */
  over: number[];
  chains: Chain[];
  leftOut: LeftOut[];
  events: DayEvent[];
  /** what it saves, with what it costs taken off; units of a badly timed repot */
  worth: number;
  /** bags and pots to buy, where a price is known */
  spends: number;
  /** the same day planned by hand */
  greedy: { worth: number; plants: number; moves: Move[] };
  /** no plan is worth more */
  bound: number;
  /** share of the bound that may be left, 0 … 1 */
  gap: number;
  proven: boolean;
}

/** A plan that was laid out again, with what no longer holds of it. */
export interface CompletedDay extends DayPlan {
  /** components that cannot be had */
  short: string[];
  /** in words: pots in two places, litres that are not there, money that does not suffice */
  overdrawn: string[];
}

/** Either the day, or what of the keeper's own word cannot be. */
export type DayAnswer =
  { kind: 'plan'; plan: DayPlan } | { kind: 'conflict'; conflict: PinConflict };

export interface PlanOptions {
  /** for the choice of plants and pots; a little more goes into what follows */
  seconds?: number;
  onProgress?: (progress: Progress) => void;
  /** a better plan, laid out in full: what stays when the search is stopped */
  onPlan?: (plan: DayPlan) => void;
}

/** Waits are known only of a plan that is laid out: so often it is planned anew. */
const MOST_ROUNDS = 8;
/** Of the time, for the first choice; the rest is for what comes to light when it is laid out. */
const FIRST_SHARE = 0.82;
const LEAST_SECONDS = 0.15;
const SECONDS = 5;
const HAIR = 1e-6;

/**
 * Plans one potting day or several: plants, pots, mixes, bags, poles, order.
 *
 * The choice is a mixed-integer program over litres and minutes. Laid out, a
 * plan can take longer: a plant that waits for a pot leaves hands idle. What it
 * takes more is allowed for, and the choice is made again, until it holds. A
 * plan is never worth less than the one made by hand, to which the same is done.
 *
 * @param solvers  `cuts` for the cutting of poles
 * @throws RangeError naming what is impossible in the problem
 */
export function planDay(
  given: DayProblem,
  solvers: DaySolvers & { cuts: Solve },
  { seconds = SECONDS, onProgress, onPlan }: PlanOptions = {},
): DayAnswer {
  const problem = checkProblem(given);
  const early = conflictIn(problem, null);
  if (early) return { kind: 'conflict', conflict: early };
  const byHand = laidOut(problem, (allowance) => greedyPlan(problem, allowance));
  const greedy = {
    worth: byHand.worth,
    plants: byHand.found.moves.length,
    moves: byHand.found.moves,
  };
  const complete = (laid: Laid, cuts: DayCuts[], bound: number, proven: boolean): DayPlan => ({
    ...inFull(problem, laid, cuts),
    greedy,
    bound,
    gap: gapOf(laid.worth, bound),
    proven,
  });
  onPlan?.(complete(byHand, [], Infinity, false));
  const until = Date.now() + seconds * 1000;
  /** of the first round, which allows for nothing: a bound of every plan */
  let bound = Infinity;
  let proven = false;
  let conflict = false;
  let first = true;
  const best = laidOut(problem, (allowance, before) => {
    const left = (until - Date.now()) / 1000;
    if (left < LEAST_SECONDS && !first) return before && filledUp(problem, before.moves, allowance);
    const found = optimiseDay(problem, solvers, {
      seconds: Math.max(LEAST_SECONDS, first ? FIRST_SHARE * left : left / 2),
      allowance,
      ...(before ? { start: before.moves } : {}),
      ...(onProgress ? { onProgress } : {}),
      onBetter: (better) => {
        const laid = layOut(problem, better);
        if (!onPlan || laid.worth <= byHand.worth || takesMore(problem, laid)) return;
        onPlan(complete({ ...laid, holds: true }, [], Infinity, false));
      },
    });
    if (!found) conflict ||= first;
    else if (first) bound = found.bound;
    proven = found?.proven ?? false;
    first = false;
    return found;
  });
  if (conflict) {
    const named = conflictIn(problem, solvers.whole);
    return { kind: 'conflict', conflict: named ?? { pins: problem.pins, limit: null } };
  }
  const keeps = holds(problem, byHand.found);
  const better = !keeps || (best.holds && best.worth >= byHand.worth - HAIR) ? best : byHand;
  const top = Math.max(bound, better.worth);
  return {
    kind: 'plan',
    plan: complete(
      better,
      cutsFor(problem, better.found.moves, solvers.cuts),
      top,
      proven && top - better.worth < HAIR,
    ),
  };
}

/**
 * Moves that were chosen before, laid out in full: what stays of a search that
 * was stopped.
 *
 * @param bound  as far as the search had come
 */
export function completeDay(
  given: DayProblem,
  moves: readonly Move[],
  bound: number,
  solve: Solve,
): CompletedDay {
  const problem = checkProblem(given);
  const byHand = laidOut(problem, (allowance) => greedyPlan(problem, allowance));
  const laid = layOut(problem, { moves: [...moves], bags: new Map(), worth: 0 });
  const top = Math.max(bound, laid.worth);
  const full = inFull(problem, { ...laid, holds: true }, cutsFor(problem, moves, solve));
  const { money } = problem;
  return {
    ...full,
    short: bagsForBatches(problem, laid.batches).short,
    overdrawn: [
      ...breachesIn(problem, full.events),
      ...(money !== null && full.spends > money + HAIR
        ? [`it would cost ${full.spends.toFixed(2)}, more than ${money}`]
        : []),
    ],
    greedy: {
      worth: byHand.worth,
      plants: byHand.found.moves.length,
      moves: byHand.found.moves,
    },
    bound: top,
    gap: gapOf(laid.worth, top),
    proven: top - laid.worth < HAIR,
  };
}

function inFull(problem: DayProblem, laid: Laid, cuts: DayCuts[]) {
  const { found, batches, bags, schedules, worth } = laid;
  const { moves } = found;
  return {
    moves,
    batches,
    bags: [...bags].map(([component, own]) => ({ component, ...own })),
    cuts,
    schedules,
    over: schedules.map(({ date, lasts }) => Math.max(0, lasts - problem.dates[date]!.minutes)),
    chains: chainsOf(problem, moves),
    leftOut: leftOutOf(problem, { moves, batches, bags, schedules }),
    events: eventsOf(problem, moves, batches, bags, schedules),
    worth,
    spends: priceOf(problem, moves, bags),
  };
}

export const gapOf = (worth: number, bound: number): number =>
  bound - worth <= HAIR ? 0 : (bound - worth) / Math.max(Math.abs(bound), HAIR);

function holds({ pins }: DayProblem, { moves }: Found): boolean {
  return pins.every(
    ({ kind, plant }) =>
      kind === 'out' || kind === 'notPot' || moves.some((move) => move.plant === plant),
  );
}

interface Laid {
  found: Found;
  batches: DayBatch[];
  bags: Map<string, Bags>;
  schedules: DaySchedule[];
  worth: number;
  /** within minutes, bags and money as laid out */
  holds: boolean;
}

/** Chooses, lays out, allows for what that takes, and chooses again until it holds. */
function laidOut(
  problem: DayProblem,
  choose: (allowance: Allowance, before: Found | null) => Found | null,
): Laid {
  const off = problem.dates.map(() => 0);
  let last: Laid | null = null;
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const found = choose(off, last?.found ?? null);
    if (!found) break;
    const laid = layOut(problem, found);
    const more = takesMore(problem, laid);
    last = { ...laid, holds: !more };
    if (!more) return last;
    for (const { date, lasts } of laid.schedules) {
      const late = lasts - problem.dates[date]!.minutes;
      if (late > HAIR) off[date]! += late * problem.hands * SHARE_OF_OVERRUN + LEAST_OFF;
    }
  }
  return fitted(problem, last ?? { ...layOut(problem, NOTHING), holds: true });
}
const NOTHING: Found = { moves: [], bags: new Map(), worth: 0 };

/** Where the rounds did not settle it: the least gainful plants are taken out until the rest holds. */
function fitted(problem: DayProblem, laid: Laid): Laid {
  let now = laid;
  const rows = new Map(problem.plants.map((plant) => [plant.id, plant]));
  const gain = ({ plant, date }: Move) => rows.get(plant)!.gain[date]!;
  const pinned = new Set(
    problem.pins
      .filter(({ kind }) => kind === 'in' || kind === 'on' || kind === 'pot')
      .map(({ plant }) => plant),
  );
  while (!now.holds) {
    const givers = new Set(
      now.found.moves.flatMap(({ plant, option }) => {
        const id = rows.get(plant)!.options[option]!.pot;
        const pot = problem.pots.find((one) => one.id === id)!;
        return pot.source === 'left' ? [pot.of] : [];
      }),
    );
    const out = [...now.found.moves]
      .filter(({ plant }) => !pinned.has(plant) && !givers.has(plant))
      .sort((a, b) => gain(a) - gain(b))[0];
    if (!out) return now;
    const moves = now.found.moves.filter((move) => move !== out);
    const next = layOut(problem, { ...now.found, moves });
    now = { ...next, holds: !takesMore(problem, next) };
  }
  return now;
}

function layOut(problem: DayProblem, found: Found): Omit<Laid, 'holds'> {
  const batches = batchesFor(problem, found.moves);
  const { bags } = bagsForBatches(problem, batches);
  const schedules = problem.dates.map((_, date) =>
    scheduleDate(problem, date, found.moves, batches),
  );
  return { found, batches, bags, schedules, worth: worthOf(problem, found.moves, bags) };
}

/** Whether a plan laid out takes more minutes, bags or money than there are. */
function takesMore(
  problem: DayProblem,
  { found, batches, schedules, bags }: Omit<Laid, 'holds'>,
): boolean {
  const { money, dates } = problem;
  return (
    schedules.some(({ date, lasts }) => lasts > dates[date]!.minutes + HAIR) ||
    bagsForBatches(problem, batches).short.length > 0 ||
    (money !== null && priceOf(problem, found.moves, bags) > money + HAIR)
  );
}
/** One pair of hands of several waits; the others go on. */
const SHARE_OF_OVERRUN = 0.8;
const LEAST_OFF = 1;

/** Poles of all plants together, kind by kind. */
function cutsFor({ plants, poles }: DayProblem, moves: readonly Move[], solve: Solve): DayCuts[] {
  const wanted = moves.flatMap(({ plant }) => {
    const { support } = plants.find(({ id }) => id === plant)!;
    return support ? [support] : [];
  });
  return [...new Set(wanted.map(({ kind }) => kind))].map((kind): DayCuts => {
    try {
      const plan = planCuts(
        {
          stock: poles
            .filter((pole) => pole.kind === kind)
            .map(({ lengthCm, count }) =>
              count === null ? { lengthCm, toBuy: true } : { lengthCm, count },
            ),
          pieces: wanted
            .filter((support) => support.kind === kind)
            .map(({ lengthCm, poles: count }) => ({ lengthCm, count })),
          kerfCm: KERF_CM,
        },
        solve,
      );
      return { kind, plan, fault: '' };
    } catch (error) {
      if (error instanceof OutOfRange) return { kind, plan: null, fault: error.message };
      throw error;
    }
  });
}
/** A saw or shears take so much, cm. @source common practice, no source */
const KERF_CM = 0.2;
