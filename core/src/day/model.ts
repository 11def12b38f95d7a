import type { Constraint, LinearModel, Variable } from '../milp/index.ts';
import { TUB_SHARE } from '../mixing/index.ts';
import { bagCost, potCost, WEIGHTS, type Bags } from './account.ts';
import {
  CHANGE_MINUTES,
  handsMinutes,
  isShortEnough,
  leavesPot,
  measuresOf,
  readyAfter,
} from './limits.ts';
import type { DayOption, DayPlant, DayPot, DayProblem, Move, Pin, Tidiness } from './problem.ts';

/** What waits take beside the plain sums, found by laying a plan out in full: minutes of hands that each date loses. */
export type Allowance = readonly number[];
export const NO_ALLOWANCE: Allowance = [];

const DOUBTFUL: readonly Tidiness[] = ['suspect', 'quarantine'];

/** Sets of plants of which not all may hand their pots round in one day. */
export type Cycle = readonly { plant: number; option: number; date: number }[];

/** The model of a day with the way back from its variables. */
export interface DayModel {
  linear: LinearModel;
  movesOf(values: readonly number[]): Move[];
  bagsOf(values: readonly number[]): Map<string, Bags>;
  /** variables of a plan that is known; null when one of its moves is not in the model */
  startFrom(moves: readonly Move[], bags: ReadonlyMap<string, Bags>): number[] | null;
}

/**
 * The potting day as a mixed-integer program: which plant moves into which pot
 * on which date, which mixes are made, which bags are opened or bought.
 *
 * @source assignment with knapsack and set-up rows; formulation: Fernbank's own
 */
export function dayModel(
  problem: DayProblem,
  allowance: Allowance = NO_ALLOWANCE,
  cycles: readonly Cycle[] = [],
): DayModel {
  const { plants, pots, mixes, stock, dates, overheads, money, tubL } = problem;
  const variables: Variable[] = [];
  const constraints: Constraint[] = [];
  const add = (variable: Variable) => variables.push(variable) - 1;
  const potOf = new Map(pots.map((pot) => [pot.id, pot]));
  const mixOf = new Map(mixes.map((mix) => [mix.id, mix]));
  const perL = new Map(mixes.map((mix) => [mix.id, measuresOf(mix)]));

  const moves: (Move & { variable: number; pot: DayPot; row: DayPlant; with: DayOption })[] = [];
  for (const row of plants) {
    const allowed = allowedFor(row, problem.pins);
    row.options.forEach((option, at) => {
      const pot = potOf.get(option.pot)!;
      dates.forEach((day, date) => {
        if (!allowed(option, day.date) || !isShortEnough(problem, row, option, date)) return;
        const variable = add({
          cost: row.gain[date]! - option.penalty - potCost(pot),
          upper: 1,
          whole: true,
        });
        moves.push({ plant: row.id, option: at, date, variable, pot, row, with: option });
      });
    });
  }
  const made = new Map<string, number>();
  for (const { id } of mixes) {
    dates.forEach((_, date) => made.set(`${id}|${date}`, add({ cost: 0, upper: 1, whole: true })));
  }
  /** tools are changed once before the doubtful and once before the quarantined of a date */
  const changed = new Map<string, number>();
  for (const tier of DOUBTFUL) {
    dates.forEach((_, date) =>
      changed.set(`${tier}|${date}`, add({ cost: 0, upper: 1, whole: true })),
    );
  }
  const bags = new Map<string, { opens: number; buys: number }>();
  for (const row of stock) {
    if (!row.counted) continue;
    bags.set(row.component, {
      opens: add({ cost: -WEIGHTS.opening, upper: row.bagL === null ? 0 : row.bags, whole: true }),
      buys: add({
        cost: -bagCost(row),
        upper: row.bagL === null ? 0 : mostBags(problem, row.bagL),
        whole: true,
      }),
    });
  }
  const variablesOf = <T>(of: readonly T[], term: (one: T) => [number, number]) => of.map(term);
  const byPlant = groupBy(moves, ({ plant }) => plant);
  const mustMove = new Set(
    problem.pins.flatMap((pin) =>
      pin.kind === 'in' || pin.kind === 'on' || pin.kind === 'pot' ? [pin.plant] : [],
    ),
  );

  for (const { id } of plants) {
    const own = byPlant.get(id) ?? [];
    if (own.length === 0 && !mustMove.has(id)) continue;
    constraints.push({
      terms: variablesOf(own, ({ variable }) => [variable, 1]),
      sense: mustMove.has(id) ? '=' : '<=',
      limit: 1,
    });
  }
  dates.forEach((_, date) => {
    const there = moves.filter((move) => move.date === date);
    const loadMinutes = (litres: number, mix: string) => {
      if (!tubL) return 0;
      const measured = [...perL.get(mix)!.values()].reduce((sum, l) => sum + l, 0) * litres;
      return (overheads.load * measured) / (tubL * TUB_SHARE);
    };
    constraints.push({
      terms: [
        ...variablesOf(there, ({ variable, with: { minutes, filledL }, row }) => [
          variable,
          minutes + loadMinutes(filledL, row.mix),
        ]),
        ...mixes.map(({ id }): [number, number] => [made.get(`${id}|${date}`)!, overheads.mix]),
        ...DOUBTFUL.map((tier): [number, number] => [
          changed.get(`${tier}|${date}`)!,
          CHANGE_MINUTES * problem.hands,
        ]),
      ],
      sense: '<=',
      limit: handsMinutes(problem, date) - (allowance[date] ?? 0),
    });
    for (const tier of DOUBTFUL) {
      for (const [, own] of groupBy(
        there.filter(({ row }) => row.tidiness === tier),
        ({ plant }) => plant,
      )) {
        constraints.push({
          terms: [
            ...variablesOf(own, ({ variable }): [number, number] => [variable, 1]),
            [changed.get(`${tier}|${date}`)!, -1],
          ],
          sense: '<=',
          limit: 0,
        });
      }
    }
    // A mix is made on every date on which a plant wants it.
    for (const [, own] of groupBy(
      there.filter(({ with: { filledL } }) => filledL > 0),
      ({ plant }) => plant,
    )) {
      constraints.push({
        terms: [
          ...variablesOf(own, ({ variable }): [number, number] => [variable, 1]),
          [made.get(`${own[0]!.row.mix}|${date}`)!, -1],
        ],
        sense: '<=',
        limit: 0,
      });
    }
  });
  for (const [, used] of groupBy(moves, ({ with: { pot } }) => pot)) {
    const { pot } = used[0]!;
    if (pot.source !== 'shelf' && pot.source !== 'left') continue;
    dates.forEach((_, date) => {
      const until = used.filter((move) => move.date <= date);
      if (until.length === 0) return;
      const left =
        pot.source === 'left'
          ? (byPlant.get(pot.of!) ?? []).filter(
              (move) =>
                readyAfter(problem, move.row, move.date, date) && leavesPot(move.pot, move.plant),
            )
          : [];
      constraints.push({
        terms: [
          ...variablesOf(until, ({ variable }): [number, number] => [variable, 1]),
          ...variablesOf(left, ({ variable }): [number, number] => [variable, -1]),
        ],
        sense: '<=',
        limit: pot.source === 'shelf' ? pot.ready![date]! : 0,
      });
    });
  }
  for (const row of stock) {
    const own = bags.get(row.component);
    if (!own) continue;
    const terms = moves.flatMap(({ variable, with: { filledL }, row: { mix } }) => {
      const litres = (perL.get(mix)!.get(row.component) ?? 0) * filledL;
      return litres > 0 ? [[variable, litres] as [number, number]] : [];
    });
    if (terms.length === 0) continue;
    const bagL = row.bagL ?? 0;
    constraints.push({
      terms: [...terms, [own.opens, -bagL], [own.buys, -bagL]],
      sense: '<=',
      limit: row.openL,
    });
  }
  if (money !== null) {
    constraints.push({
      terms: [
        ...stock.flatMap((row) => {
          const own = bags.get(row.component);
          return own ? [[own.buys, row.pricePerBag ?? 0] as [number, number]] : [];
        }),
        ...moves.flatMap(({ variable, pot }) =>
          pot.source === 'toBuy' ? [[variable, pot.price ?? 0] as [number, number]] : [],
        ),
      ],
      sense: '<=',
      limit: money,
    });
  }
  const variableOf = (move: Move) =>
    moves.find(
      ({ plant, option, date }) =>
        plant === move.plant && option === move.option && date === move.date,
    )?.variable;
  for (const cycle of cycles) {
    constraints.push({
      terms: cycle.flatMap((move) => {
        const variable = variableOf(move);
        return variable === undefined ? [] : [[variable, 1] as [number, number]];
      }),
      sense: '<=',
      limit: cycle.length - 1,
    });
  }

  const isOn = (values: readonly number[], variable: number) => values[variable]! > 0.5;
  return {
    linear: { sense: 'max', variables, constraints },
    movesOf: (values) =>
      moves
        .filter(({ variable }) => isOn(values, variable))
        .map(({ plant, option, date }) => ({ plant, option, date })),
    bagsOf: (values) =>
      new Map(
        [...bags].map(([component, { opens, buys }]) => [
          component,
          { opens: Math.round(values[opens]!), buys: Math.round(values[buys]!) },
        ]),
      ),
    startFrom(known, knownBags) {
      const values = variables.map(() => 0);
      for (const move of known) {
        const variable = variableOf(move);
        if (variable === undefined) return null;
        values[variable] = 1;
        const { mix, tidiness } = plants.find(({ id }) => id === move.plant)!;
        const tier = changed.get(`${tidiness}|${move.date}`);
        if (tier !== undefined) values[tier] = 1;
        if (mixOf.has(mix)) values[made.get(`${mix}|${move.date}`)!] = 1;
      }
      for (const [component, { opens, buys }] of knownBags) {
        const own = bags.get(component);
        if (!own) continue;
        values[own.opens] = opens;
        values[own.buys] = buys;
      }
      return values;
    },
  };
}

/** Bags that a whole day could ever use, so that the search is bounded. */
function mostBags({ plants }: DayProblem, bagL: number): number {
  const litres = plants.reduce(
    (sum, { options }) => sum + Math.max(0, ...options.map(({ filledL }) => filledL)),
    0,
  );
  return Math.ceil((3 * litres) / bagL) + 1;
}

/** Which pots and dates the keeper's word leaves a plant. */
export function allowedFor({ id }: Pick<DayPlant, 'id'>, pins: readonly Pin[]) {
  const own = pins.filter(({ plant }) => plant === id);
  return ({ pot }: Pick<DayOption, 'pot'>, date: string): boolean =>
    own.every((pin) => {
      switch (pin.kind) {
        case 'in':
          return true;
        case 'out':
          return false;
        case 'on':
          return pin.date === date;
        case 'pot':
          return pin.pot === pot;
        case 'notPot':
          return pin.pot !== pot;
      }
    });
}

export function groupBy<T, K>(of: readonly T[], key: (one: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const one of of) {
    const k = key(one);
    const group = groups.get(k);
    if (group) group.push(one);
    else groups.set(k, [one]);
  }
  return groups;
}
