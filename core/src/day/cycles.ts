import { leavesPot } from './limits.ts';
import { groupBy, type Cycle } from './model.ts';
import { CLEANINGS, type DayProblem, type Move } from './problem.ts';

/**
 * Rings of plants that would each wait for the other's pot on one day: nobody
 * could begin. Only where a pot is ready the same day.
 *
 * @returns each ring once, as the moves that make it
 */
export function ringsIn(problem: DayProblem, moves: readonly Move[]): Cycle[] {
  if (CLEANINGS[problem.cleaning].lagDays > 0) return [];
  const rings: Cycle[] = [];
  for (const [, sameDay] of groupBy(moves, ({ date }) => date)) {
    const byPlant = new Map(sameDay.map((move) => [move.plant, move]));
    const waitsFor = waiting(problem, byPlant);
    const seen = new Set<number>();
    for (const start of byPlant.keys()) {
      const path: number[] = [];
      let at: number | undefined = start;
      while (at !== undefined && !seen.has(at)) {
        seen.add(at);
        path.push(at);
        at = waitsFor.get(at);
      }
      const from = at === undefined ? -1 : path.indexOf(at);
      if (from >= 0) rings.push(path.slice(from).map((plant) => byPlant.get(plant)!));
    }
  }
  return rings;
}

/** For each plant the one whose pot it moves into, where that one moves too. */
export function waiting(
  { plants, pots }: DayProblem,
  moves: ReadonlyMap<number, Move>,
): Map<number, number> {
  const potOf = new Map(pots.map((pot) => [pot.id, pot]));
  const rows = new Map(plants.map((plant) => [plant.id, plant]));
  const waits = new Map<number, number>();
  for (const { plant, option } of moves.values()) {
    const pot = potOf.get(rows.get(plant)!.options[option]!.pot)!;
    if (pot.source === 'left' && leavesPot(pot, plant) && moves.has(pot.of!)) {
      waits.set(plant, pot.of!);
    }
  }
  return waits;
}
