import { leavesPot } from './limits.ts';
import type { DayPot, DayProblem, Move } from './problem.ts';

/** One plant of a chain: the pot it leaves, and the one it moves into. */
export interface Link {
  plant: number;
  date: number;
  /** id of the pot that it moves into */
  into: string;
  /** the pot that it leaves; null: it stays in its own */
  leaves: number | null;
}

/** Pots that go from plant to plant: from one of the shelf or of the shop to one that ends free. */
export interface Chain {
  /** where the first pot comes from */
  first: DayPot;
  links: Link[];
  /** the plant whose pot nobody takes; null: the last plant stayed in its own */
  endsWith: number | null;
}

/** The chains of a plan, the longest first. */
export function chainsOf({ plants, pots }: DayProblem, moves: readonly Move[]): Chain[] {
  const potOf = new Map(pots.map((pot) => [pot.id, pot]));
  const rows = new Map(plants.map((plant) => [plant.id, plant]));
  const into = (move: Move) => potOf.get(rows.get(move.plant)!.options[move.option]!.pot)!;
  const byLeft = new Map<number, Move>();
  for (const move of moves) {
    const pot = into(move);
    if (pot.source === 'left') byLeft.set(pot.of!, move);
  }
  return moves
    .filter((move) => into(move).source !== 'left')
    .map((start): Chain => {
      const links: Link[] = [];
      for (let move: Move | undefined = start; move; move = byLeft.get(move.plant)) {
        const pot = into(move);
        links.push({
          plant: move.plant,
          date: move.date,
          into: pot.id,
          leaves: leavesPot(pot, move.plant) ? move.plant : null,
        });
        if (!leavesPot(pot, move.plant)) break;
      }
      return { first: into(start), links, endsWith: links[links.length - 1]!.leaves };
    })
    .sort((a, b) => b.links.length - a.links.length || a.links[0]!.plant - b.links[0]!.plant);
}
