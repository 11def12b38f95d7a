import type { SolveWhole } from '../milp/index.ts';
import { ringsIn } from './cycles.ts';
import { dayModel, NO_ALLOWANCE, type Cycle } from './model.ts';
import { LONGEST_DAY_MINUTES, type DayProblem, type Pin } from './problem.ts';

/** Pins that cannot all hold, or one that a limit forbids. */
export interface PinConflict {
  /** the fewest that conflict: two that contradict each other, or more that want the same */
  pins: Pin[];
  /** what forbids them; null: they contradict each other whatever there is */
  limit: 'time' | 'money' | 'mix' | 'pots' | null;
}

const SECONDS = 2;

/**
 * The fewest pins that cannot hold together, and what they run into.
 *
 * By plain rules first; by the solver, leaving out one pin after the other,
 * where those find nothing.
 *
 * @returns null when nothing stands in their way
 */
export function conflictIn(problem: DayProblem, solve: SolveWhole | null): PinConflict | null {
  const plain = plainConflict(problem);
  if (plain || !solve) return plain;
  const able = (changed: Partial<DayProblem>) => canHold({ ...problem, ...changed }, solve);
  if (able({})) return null;
  // Deletion filter: a pin without which it still cannot be is no part of the conflict.
  let pins = problem.pins;
  for (const pin of problem.pins) {
    const without = pins.filter((one) => one !== pin);
    if (!able({ pins: without })) pins = without;
  }
  return { pins, limit: limitOf(problem, pins, able) };
}

/** Contradictions that need no sums. */
function plainConflict({ pins, plants, pots }: DayProblem): PinConflict | null {
  const clash = (test: (a: Pin, b: Pin) => boolean): PinConflict | null => {
    for (const [i, a] of pins.entries()) {
      const b = pins.slice(i + 1).find((other) => test(a, other) || test(other, a));
      if (b) return { pins: [a, b], limit: null };
    }
    return null;
  };
  const found = clash(
    (a, b) =>
      a.plant === b.plant &&
      ((a.kind === 'out' && b.kind !== 'out' && b.kind !== 'notPot') ||
        (a.kind === 'on' && b.kind === 'on' && a.date !== b.date) ||
        (a.kind === 'pot' && b.kind === 'pot' && a.pot !== b.pot) ||
        (a.kind === 'pot' && b.kind === 'notPot' && a.pot === b.pot)),
  );
  if (found) return found;
  const single = (id: string) => {
    const pot = pots.find((one) => one.id === id);
    return pot?.source === 'left' || (pot?.ready ?? []).at(-1) === 1;
  };
  const same = clash(
    (a, b) => a.kind === 'pot' && b.kind === 'pot' && a.pot === b.pot && single(a.pot),
  );
  if (same) return same;
  // A pot that is left, pinned to one plant, while the plant that stands in it may not move.
  const kept = clash((a, b) => {
    if (a.kind !== 'pot' || b.kind !== 'out') return false;
    const pot = pots.find((one) => one.id === a.pot);
    return pot?.source === 'left' && pot.of === b.plant;
  });
  if (kept) return kept;
  for (const pin of pins) {
    if (pin.kind === 'out' || pin.kind === 'notPot') continue;
    const plant = plants.find(({ id }) => id === pin.plant)!;
    const wanted = pin.kind === 'pot' ? pin.pot : null;
    if (!plant.options.some(({ pot }) => wanted === null || pot === wanted)) {
      return { pins: [pin], limit: 'pots' };
    }
  }
  return null;
}

/** Whether the pins can hold at all: nothing is to be gained, and nobody may wait in a ring. */
function canHold(problem: DayProblem, solve: SolveWhole): boolean {
  const cycles: Cycle[] = [];
  for (let round = 0; round < MOST_RINGS; round++) {
    const { linear, movesOf } = dayModel(problem, NO_ALLOWANCE, cycles);
    const variables = linear.variables.map((variable) => ({ ...variable, cost: 0 }));
    const { status, values } = solve({ ...linear, variables }, { seconds: SECONDS });
    if (status === 'infeasible') return false;
    const rings = values.length > 0 ? ringsIn(problem, movesOf(values)) : [];
    if (rings.length === 0) return true;
    cycles.push(...rings);
  }
  return true;
}
const MOST_RINGS = 60;

/** The limit without which the pins could hold. */
function limitOf(
  problem: DayProblem,
  pins: Pin[],
  able: (changed: Partial<DayProblem>) => boolean,
): PinConflict['limit'] {
  const freed: [NonNullable<PinConflict['limit']>, Partial<DayProblem>][] = [
    [
      'time',
      { dates: problem.dates.map((day) => ({ ...day, minutes: 100 * LONGEST_DAY_MINUTES })) },
    ],
    ['money', { money: null }],
    ['mix', { stock: problem.stock.map((row) => ({ ...row, counted: false })) }],
    ['pots', { pots: problem.pots.map(plenty(problem.dates.length)) }],
  ];
  return freed.find(([, changed]) => able({ pins, ...changed }))?.[0] ?? null;
}

const plenty = (dates: number) => (pot: DayProblem['pots'][number]) =>
  pot.source === 'shelf' || pot.source === 'left'
    ? { ...pot, source: 'shelf' as const, ready: Array.from({ length: dates }, () => 1000) }
    : pot;
