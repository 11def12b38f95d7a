import type { CutPlan } from '../cuts/index.ts';
import type { Preparation } from '../media/index.ts';
import { preparations } from '../media/index.ts';
import type { RecipePart } from '../media/index.ts';
import { draw } from '../mixing/index.ts';
import type { PotMaterialId, PotShape } from '../pots/index.ts';
import type { SupportKindId } from '../support/index.ts';
import { litresOf, type DayBatch } from './batches.ts';
import type { Chain } from './chains.ts';
import type { LeftOut } from './leftOut.ts';
import type { DayPlan } from './plan.ts';
import type { DayMound, DayPot, DayProblem, DaySupport, DayWater, Tidiness } from './problem.ts';
import type { DaySchedule } from './schedule.ts';
import { USUAL_SCHOOLS, type Schools } from '../schools/index.ts';
import type { Saying } from '../saying/index.ts';

/** One plant of a day that is laid out. */
export interface DayLine {
  plant: number;
  name: string;
  /** index into the dates */
  date: number;
  pot: Pick<DayPot, 'id' | 'label' | 'shape' | 'material' | 'source'> & {
    /** the plant that leaves it, or stays in it */
    of?: number;
    /** the row of the shelf */
    potId?: number;
    price?: number | null;
  };
  mix: string;
  filledL: number;
  minutes: number;
  soakMinutes: number;
  tidiness: Tidiness;
  /** saved against the next chance, less what the pot is worse by */
  gain: number;
  support: DaySupport | null;
  /** absent: potted, not seated on a mound */
  mound?: DayMound;
  /** absent: no pot of pebbles */
  water?: DayWater;
  /** absent: it is not divided */
  pieces?: number;
}

/** One batch of a day, in scoops and litres. */
export interface LaidBatch {
  mix: string;
  label: string;
  recipeId: string;
  parts: RecipePart[];
  date: number;
  pots: { plant: number; name: string; filledL: number; potL: number; mound?: DayMound }[];
  loads: number;
  scoopL: number;
  finer: boolean;
  fitsTub: boolean;
  mixedL: number;
  minutes: number;
  loadKg: { dry: number; damp: number; soaked: number };
  measures: { component: string; label: string; scoops: number; litres: number }[];
  dusty: boolean;
  biohazard: boolean;
}

/** What there is to do about a component: open, buy. */
export interface LaidBag {
  component: string;
  label: string;
  counted: boolean;
  neededL: number;
  fromOpenL: number;
  opens: number;
  buys: number;
  bagL: number | null;
  leftOpenL: number;
  price: number | null;
  /** null: its price is not known */
  toPay: number | null;
}

export interface LaidCuts {
  kind: SupportKindId;
  patterns: CutPlan['patterns'];
  stock: CutPlan['stock'];
  fault: string;
}

/** A chain of pots with names. */
export interface LaidChain {
  first: Pick<DayPot, 'id' | 'label' | 'shape' | 'material' | 'source'>;
  links: {
    plant: number;
    name: string;
    date: number;
    into: Pick<DayPot, 'label' | 'shape' | 'material'>;
    leaves: Pick<DayPot, 'label' | 'shape' | 'material'> | null;
    tidiness: Tidiness;
  }[];
}

/** A potting day as it is shown, printed and kept: plain data with every name in it. */
export interface LaidDay {
  dates: DayProblem['dates'];
  hands: number;
  lines: DayLine[];
  batches: LaidBatch[];
  bags: LaidBag[];
  cuts: LaidCuts[];
  schedules: DaySchedule[];
  over: number[];
  chains: LaidChain[];
  leftOut: (LeftOut & { name: string })[];
  /** what is soaked, rinsed and wetted before, by date */
  ahead: ({ date: number } & Preparation)[];
  worth: number;
  spends: number;
  greedy: { worth: number; plants: number };
  bound: number | null;
  gap: number | null;
  proven: boolean;
}

/**
 * A plan with every name resolved: what a page, a sheet or the record needs
 * without the problem it came from.
 *
 * @param wetting  how the keeper wets what repels water
 */
export function laidDay(
  problem: DayProblem,
  plan: DayPlan,
  wetting: Schools['wetting'] = USUAL_SCHOOLS.wetting,
): LaidDay {
  const { plants, pots, stock } = problem;
  const rows = new Map(plants.map((plant) => [plant.id, plant]));
  const potOf = new Map(pots.map((pot) => [pot.id, pot]));
  const nameOf = (plant: number) => rows.get(plant)!.name;
  const ordered = plan.schedules.flatMap(({ order }) => order);
  const lines = plan.moves
    .map(({ plant, option: at, date }): DayLine => {
      const row = rows.get(plant)!;
      const option = row.options[at]!;
      const { ready: _ready, ...pot } = potOf.get(option.pot)!;
      return {
        plant,
        name: row.name,
        date,
        pot,
        mix: row.mix,
        filledL: option.filledL,
        minutes: option.minutes,
        soakMinutes: row.soakMinutes,
        tidiness: row.tidiness,
        gain: row.gain[date]! - option.penalty,
        support: row.support,
        ...(option.mound ? { mound: option.mound } : {}),
        ...(option.water ? { water: option.water } : {}),
        ...(option.pieces ? { pieces: option.pieces } : {}),
      };
    })
    .sort((a, b) => a.date - b.date || ordered.indexOf(a.plant) - ordered.indexOf(b.plant));
  const moundOf = (plant: number) => lines.find((line) => line.plant === plant)?.mound;
  const needed = litresOf(plan.batches);
  return {
    dates: problem.dates,
    hands: problem.hands,
    lines,
    batches: plan.batches.map((batch) => laidBatch(problem, batch, nameOf, moundOf)),
    bags: [...needed].map(([component, neededL]): LaidBag => {
      const row = stock.find((one) => one.component === component);
      if (!row?.counted) {
        const label = row?.label ?? component;
        return { ...UNCOUNTED, component, label, neededL };
      }
      const { bagL, bags, openL, pricePerBag } = row;
      // Less than dust over a bag is no bag.
      const drawn = draw(Math.max(0, neededL - 1e-6), { bagL, bags, openL, pricePerBag });
      return {
        component,
        label: row.label,
        counted: true,
        neededL,
        fromOpenL: drawn.fromOpenL,
        opens: drawn.opens,
        buys: drawn.buys ?? 0,
        bagL,
        leftOpenL: drawn.leftOpenL,
        price: pricePerBag,
        toPay: drawn.toPay,
      };
    }),
    cuts: plan.cuts.map(({ kind, plan: cut, fault }) => ({
      kind,
      patterns: cut?.patterns ?? [],
      stock: cut?.stock ?? [],
      fault,
    })),
    schedules: plan.schedules,
    over: plan.over,
    chains: plan.chains.map((chain) => laidChain(chain, potOf, rows)),
    leftOut: plan.leftOut.map((left) => ({ ...left, name: nameOf(left.plant) })),
    ahead: aheadOf(problem, plan, wetting),
    worth: plan.worth,
    spends: plan.spends,
    greedy: { worth: plan.greedy.worth, plants: plan.greedy.plants },
    bound: Number.isFinite(plan.bound) ? plan.bound : null,
    gap: Number.isFinite(plan.bound) ? plan.gap : null,
    proven: plan.proven,
  };
}

const UNCOUNTED = {
  counted: false,
  fromOpenL: 0,
  opens: 0,
  buys: 0,
  bagL: null,
  leftOpenL: 0,
  price: null,
  toPay: 0,
};

function laidBatch(
  { mixes }: DayProblem,
  { tub, ...batch }: DayBatch,
  nameOf: (plant: number) => string,
  moundOf: (plant: number) => DayMound | undefined,
): LaidBatch {
  const { parts } = mixes.find(({ id }) => id === batch.mix)!;
  const perL = tub.mixedL / tub.batch.filledL;
  return {
    mix: batch.mix,
    label: batch.label,
    recipeId: batch.recipeId,
    parts: parts.map(({ ingredient, parts: amount }) => ({
      component: ingredient.id,
      parts: amount,
    })),
    date: batch.date,
    pots: batch.pots.map(({ plant, filledL }) => {
      const mound = moundOf(plant);
      const potL = filledL * perL;
      return { plant, name: nameOf(plant), filledL, potL, ...(mound ? { mound } : {}) };
    }),
    loads: tub.loads,
    scoopL: tub.scoop.scoopL,
    finer: batch.finer,
    fitsTub: tub.fitsTub,
    mixedL: tub.mixedL,
    minutes: batch.minutes,
    loadKg: tub.loadKg,
    measures: parts.map(({ ingredient }, i) => ({
      component: ingredient.id,
      label: ingredient.label,
      scoops: tub.scoop.scoops[i]!,
      litres: tub.measuredL[i]!,
    })),
    dusty: parts.some(({ ingredient }) => ingredient.dusty),
    biohazard: parts.some(({ ingredient }) => ingredient.biohazard),
  };
}

function laidChain(
  { first, links }: Chain,
  potOf: ReadonlyMap<string, DayPot>,
  rows: ReadonlyMap<number, DayProblem['plants'][number]>,
): LaidChain {
  const plain = ({
    label,
    shape,
    material,
  }: DayPot): { label: Saying; shape: PotShape; material: PotMaterialId } => ({
    label,
    shape,
    material,
  });
  return {
    first: { ...plain(first), id: first.id, source: first.source },
    links: links.map(({ plant, date, into, leaves }) => {
      const left = leaves === null ? undefined : ownPotOf(plant, potOf);
      return {
        plant,
        name: rows.get(plant)!.name,
        date,
        into: plain(potOf.get(into)!),
        leaves: left ? plain(left) : null,
        tidiness: rows.get(plant)!.tidiness,
      };
    }),
  };
}

/** The pot that a plant stands in before the day, as one that it leaves or stays in. */
function ownPotOf(plant: number, potOf: ReadonlyMap<string, DayPot>): DayPot | undefined {
  return [...potOf.values()].find(
    ({ source, of }) => of === plant && (source === 'left' || source === 'stays'),
  );
}

function aheadOf(
  { mixes }: DayProblem,
  { batches }: DayPlan,
  wetting: 'preWet' | 'dryFill',
): LaidDay['ahead'] {
  const seen = new Set<string>();
  const all = batches.flatMap(({ mix, date }) => {
    const components = mixes.find(({ id }) => id === mix)!.parts.map((part) => part.ingredient);
    return preparations(components, () => wetting).flatMap((preparation) => {
      const key = `${date}|${preparation.component}|${preparation.does}`;
      if (seen.has(key)) return [];
      seen.add(key);
      return [{ date, ...preparation }];
    });
  });
  // The longest soaks are begun first.
  return all.sort((a, b) => a.date - b.date || b.minutes - a.minutes);
}
