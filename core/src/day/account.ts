import type { Move, DayProblem } from './problem.ts';

/**
 * Weights beside the gain, in its units.
 *
 * @source common practice, no source
 */
export const WEIGHTS = {
  /** one unit of money: a bag of twenty is worth a twentieth of a badly timed repot */
  money: 0.0025,
  /** a bag more that stands open and dries */
  opening: 0.004,
  /** an errand for one more thing */
  buying: 0.008,
} as const;

/** Whole bags of one component. */
export interface Bags {
  opens: number;
  buys: number;
}

/**
 * Fewest bags for so many litres, own ones first.
 *
 * @returns null when they cannot be had: its bag is not known, or what is there does not suffice
 */
export function bagsFor(
  litres: number,
  { counted, openL, bagL, bags }: DayProblem['stock'][number],
): Bags | null {
  const beyond = litres - openL;
  if (!counted || beyond <= DUST_L) return { opens: 0, buys: 0 };
  if (bagL === null) return null;
  const wanted = Math.ceil(beyond / bagL - DUST_L);
  const opens = Math.min(bags, wanted);
  return { opens, buys: wanted - opens };
}
/** Less than this is the dust at the bottom of a bag, L. */
export const DUST_L = 1e-6;

/** Worth of a set of moves with the bags that they take: what plans are compared by. */
export function worthOf(
  { plants, pots, stock }: DayProblem,
  moves: readonly Move[],
  bags: ReadonlyMap<string, Bags>,
): number {
  const byId = new Map(plants.map((plant) => [plant.id, plant]));
  const potOf = new Map(pots.map((pot) => [pot.id, pot]));
  let worth = 0;
  for (const { plant: id, option: at, date } of moves) {
    const plant = byId.get(id)!;
    const option = plant.options[at]!;
    const pot = potOf.get(option.pot)!;
    worth += plant.gain[date]! - option.penalty - potCost(pot);
  }
  for (const row of stock) {
    const { opens, buys } = bags.get(row.component) ?? { opens: 0, buys: 0 };
    worth -= opens * WEIGHTS.opening + buys * bagCost(row);
  }
  return worth;
}

/** What buying a pot takes off the worth. */
export const potCost = ({ source, price }: DayProblem['pots'][number]): number =>
  source === 'toBuy' ? WEIGHTS.buying + WEIGHTS.money * (price ?? 0) : 0;
/** What buying a bag takes off the worth: it is opened too. */
export const bagCost = ({ pricePerBag }: DayProblem['stock'][number]): number =>
  WEIGHTS.buying + WEIGHTS.opening + WEIGHTS.money * (pricePerBag ?? 0);
