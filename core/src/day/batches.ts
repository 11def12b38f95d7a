import { planTub, SCOOPS_L, usualMargins, blend, type TubPlan } from '../mixing/index.ts';
import { bagsFor, DUST_L, type Bags } from './account.ts';
import { measuresOf } from './limits.ts';
import { groupBy } from './model.ts';
import type { DayMix, DayProblem, Move } from './problem.ts';

/** One mix made on one date for the plants that want it. */
export interface DayBatch {
  mix: string;
  label: string;
  recipeId: string;
  date: number;
  pots: { plant: number; filledL: number }[];
  /** loads, whole scoops and litres */
  tub: TubPlan;
  /** a smaller scoop than the handiest, so that no further bag is opened */
  finer: boolean;
  /** loosened litres of each component that go in, as scooped */
  litres: { component: string; litres: number }[];
  /** hands, minutes */
  minutes: number;
}

interface Wanted {
  mix: DayMix;
  date: number;
  pots: { plant: number; filledL: number }[];
}

/**
 * The mixes of a plan, date by date in the order of most pots first.
 *
 * Whole scoops round litres up and down. Where that would take a bag that the
 * litres alone do not ask for, the batch is measured with a smaller scoop;
 * where even that is a hair too much, with less to spare.
 */
export function batchesFor(problem: DayProblem, moves: readonly Move[]): DayBatch[] {
  const wanted = wantedOf(problem, moves);
  const left = litresInBags(problem, wanted);
  const take = (litres: ReadonlyMap<string, number>, sign: 1 | -1) => {
    for (const [component, l] of litres) left.set(component, left.get(component)! + sign * l);
  };
  for (const one of wanted) take(litresAsked(one), -1);
  return wanted.map((one): DayBatch => {
    take(litresAsked(one), 1);
    const { tub, finer } = measured(problem, one, left);
    const litres = one.mix.parts.map(({ ingredient }, i) => ({
      component: ingredient.id,
      litres: tub.measuredL[i]!,
    }));
    take(new Map(litres.map(({ component, litres: l }) => [component, l])), -1);
    const { overheads } = problem;
    return {
      mix: one.mix.id,
      label: one.mix.label,
      recipeId: one.mix.recipeId,
      date: one.date,
      pots: one.pots,
      tub,
      finer,
      litres,
      minutes: overheads.mix + overheads.load * (tub.loads - 1),
    };
  });
}

function wantedOf(problem: DayProblem, moves: readonly Move[]): Wanted[] {
  const rows = new Map(problem.plants.map((plant) => [plant.id, plant]));
  const each = moves.flatMap(({ plant, option, date }) => {
    const { mix, options } = rows.get(plant)!;
    const { filledL } = options[option]!;
    return filledL > 0 ? [{ plant, date, mix, filledL }] : [];
  });
  return [...groupBy(each, ({ mix, date }) => `${mix}|${date}`).values()]
    .map((group) => ({
      mix: problem.mixes.find(({ id }) => id === group[0]!.mix)!,
      date: group[0]!.date,
      pots: group.map(({ plant, filledL }) => ({ plant, filledL })),
    }))
    .sort(
      (a, b) => a.date - b.date || b.pots.length - a.pots.length || (a.mix.id < b.mix.id ? -1 : 1),
    );
}

/** Litres of each component before they are rounded to scoops. */
function litresAsked({ mix, pots }: Wanted): Map<string, number> {
  const filledL = pots.reduce((sum, pot) => sum + pot.filledL, 0);
  return new Map([...measuresOf(mix)].map(([component, perL]) => [component, perL * filledL]));
}

/** Litres in the bags that the litres asked for open or buy. */
function litresInBags({ stock }: DayProblem, wanted: readonly Wanted[]): Map<string, number> {
  const asked = new Map<string, number>();
  for (const one of wanted) {
    for (const [component, l] of litresAsked(one)) {
      asked.set(component, (asked.get(component) ?? 0) + l);
    }
  }
  for (const [component, litres] of asked) {
    const row = stock.find((one) => one.component === component);
    const bags = row?.counted ? bagsFor(litres, row) : null;
    const there = row && bags ? row.openL + (bags.opens + bags.buys) * (row.bagL ?? 0) : Infinity;
    asked.set(component, there);
  }
  return asked;
}

/** For the last few litres of a bag: jugs with marks. */
const FINEST_L = [0.02, 0.01];
/** Mixed in addition where a bag is only just enough. @source common practice, no source */
const LESS_SPARE = 0.02;

function measured(
  { scoopL, tubL }: DayProblem,
  { mix, pots }: Wanted,
  left: ReadonlyMap<string, number>,
): { tub: TubPlan; finer: boolean } {
  const request = {
    parts: mix.parts,
    filledL: pots.map(({ filledL }) => filledL),
    ...(tubL ? { tubL } : {}),
  };
  const fits = (tub: TubPlan) =>
    mix.parts.every(({ ingredient }, i) => tub.measuredL[i]! <= left.get(ingredient.id)! + DUST_L);
  const handy = planTub({ ...request, ...(scoopL ? { scoopL } : {}) });
  if (fits(handy)) return { tub: handy, finer: false };
  const smaller = [...FINEST_L, ...SCOOPS_L]
    .filter((litres) => litres < handy.scoop.scoopL)
    .sort((a, b) => b - a);
  const margins = { ...usualMargins(blend(mix.parts)), spare: LESS_SPARE };
  for (const tight of [{}, { margins }]) {
    for (const litres of smaller) {
      const tub = planTub({ ...request, ...tight, scoopL: litres });
      if (fits(tub)) return { tub, finer: true };
    }
  }
  return { tub: handy, finer: false };
}

/** Litres of each component that all batches take. */
export function litresOf(batches: readonly DayBatch[]): Map<string, number> {
  const sums = new Map<string, number>();
  for (const { litres } of batches) {
    for (const { component, litres: l } of litres) {
      sums.set(component, (sums.get(component) ?? 0) + l);
    }
  }
  return sums;
}

/** Bags for what is scooped; `short`: what cannot be had. */
export function bagsForBatches(
  problem: DayProblem,
  batches: readonly DayBatch[],
): { bags: Map<string, Bags>; short: string[] } {
  const litres = litresOf(batches);
  const bags = new Map<string, Bags>();
  const short: string[] = [];
  for (const row of problem.stock) {
    const own = bagsFor(Math.max(0, (litres.get(row.component) ?? 0) - DUST_L), row);
    if (own) bags.set(row.component, own);
    else short.push(row.component);
  }
  return { bags, short };
}

/** What the bags and pots to buy come to; what has no known price counts nothing. */
export function priceOf(
  { stock, pots, plants }: DayProblem,
  moves: readonly Move[],
  bags: ReadonlyMap<string, Bags>,
): number {
  const ofBags = stock.reduce(
    (sum, row) => sum + (bags.get(row.component)?.buys ?? 0) * (row.pricePerBag ?? 0),
    0,
  );
  return moves.reduce((sum, { plant, option }) => {
    const id = plants.find((row) => row.id === plant)!.options[option]!.pot;
    const pot = pots.find((one) => one.id === id)!;
    return sum + (pot.source === 'toBuy' ? (pot.price ?? 0) : 0);
  }, ofBags);
}
