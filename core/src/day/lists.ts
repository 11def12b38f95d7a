import type { LaidDay } from './laid.ts';
import type { DayWater } from './problem.ts';
import { component } from '../media/index.ts';
import { rimCm } from '../pots/index.ts';
import { say, type Saying } from '../saying/index.ts';
import { supportKind, type SupportKindId } from '../support/index.ts';

/** Something to buy before the day. */
export type Purchase =
  | {
      kind: 'bag';
      component: string;
      label: string;
      count: number;
      bagL: number;
      price: number | null;
    }
  | { kind: 'pot'; label: Saying; count: number; price: number | null; for: string[] }
  | { kind: 'pole'; support: SupportKindId; label: string; lengthCm: number; count: number }
  /** no stock of it is kept: the keeper looks what is there */
  | { kind: 'check'; component: string; label: string; litres: number; count: 1 };

/** What a day asks to be bought: whole bags, pots, poles; and what nobody has counted. */
export function shoppingList({ bags, lines, cuts }: LaidDay): Purchase[] {
  const pots = new Map<string, Extract<Purchase, { kind: 'pot' }>>();
  for (const { pot, name } of lines) {
    if (pot.source !== 'toBuy') continue;
    const before = pots.get(pot.id);
    pots.set(pot.id, {
      kind: 'pot',
      label: pot.label,
      price: pot.price ?? null,
      count: (before?.count ?? 0) + 1,
      for: [...(before?.for ?? []), name],
    });
  }
  return [
    ...bags.flatMap(({ component, label, buys, bagL, price }): Purchase[] =>
      buys > 0 && bagL !== null
        ? [{ kind: 'bag', component, label, count: buys, bagL, price }]
        : [],
    ),
    ...pots.values(),
    ...cuts.flatMap(({ kind, stock }) =>
      stock
        .filter(({ toBuy }) => toBuy)
        .map(({ lengthCm, count }): Purchase => ({
          kind: 'pole',
          support: kind,
          label: supportKind(kind).label,
          lengthCm,
          count,
        })),
    ),
    ...bags
      .filter(({ counted, neededL }) => !counted && neededL > 0)
      .map(({ component, label, neededL }): Purchase => ({
        kind: 'check',
        component,
        label,
        litres: neededL,
        count: 1,
      })),
  ];
}

/** What is fetched to the bench before the day begins. */
export type Fetched =
  | { kind: 'plant'; label: string; count: 1; date: number; apart: boolean }
  | { kind: 'pot'; label: Saying; count: number; for: string[] }
  | { kind: 'component'; label: string; litres: number; opens: number; counted: boolean }
  | { kind: 'pole'; label: string; lengthCm: number; count: number }
  | { kind: 'netPot'; label: Saying; widthCm: number; count: number; for: string[] }
  /** for all mounds together: one soak */
  | { kind: 'strands'; label: string; dryG: number; count: number }
  /** what one pot of pebbles stands over */
  | ({ kind: 'overWater'; label: string; count: 1 } & DayWater)
  /** for all of them together */
  | { kind: 'solution'; label: string; litres: number; count: number };

/** What the mounds of a day take beside their pots: net pots by size, long strands by weight. */
function forMounds(lines: LaidDay['lines']): Fetched[] {
  const seated = lines.flatMap(({ name, mound }) => (mound ? [{ name, ...mound }] : []));
  const widths = [...new Set(seated.map(({ netPotCm }) => netPotCm))].sort((a, b) => a - b);
  return [
    ...widths.map((widthCm): Fetched => {
      const names = seated.filter((one) => one.netPotCm === widthCm).map(({ name }) => name);
      const label = say`net pot of ${{ cm: widthCm }}`;
      return { kind: 'netPot', label, widthCm, count: names.length, for: names };
    }),
    ...(seated.length > 0
      ? [
          {
            kind: 'strands' as const,
            label: component('longMoss').label,
            dryG: seated.reduce((sum, { dryG }) => sum + dryG, 0),
            count: seated.length,
          },
        ]
      : []),
  ];
}

/** Pots for the pieces of what is divided, beside that of the one that stays: of its size. */
const forPieces = (lines: LaidDay['lines']): Fetched[] =>
  lines.flatMap(({ name, pot, pieces = 1 }): Fetched[] =>
    pieces > 1
      ? [
          {
            kind: 'pot',
            label: say`pot of ${{ cm: rimCm(pot.shape) }} for each other piece`,
            count: pieces - 1,
            for: [name],
          },
        ]
      : [],
  );

/** Vessels, wicks and water of a day's pots of pebbles, and all nutrient solution at once. */
function forWater(lines: LaidDay['lines']): Fetched[] {
  const over = lines.flatMap(({ name, water }) => (water ? [{ name, ...water }] : []));
  const fed = over.filter((one) => one.fed);
  return [
    ...over.map(({ name, ...water }): Fetched => ({
      kind: 'overWater',
      label: name,
      count: 1,
      ...water,
    })),
    ...(fed.length > 0
      ? [
          {
            kind: 'solution' as const,
            label: 'nutrient solution, weak, pH about 6',
            litres: fed.reduce((sum, { litres }) => sum + litres, 0),
            count: fed.length,
          },
        ]
      : []),
  ];
}

/** What a day asks to be fetched: plants, pots of the shelf, litres, poles, what mounds take. */
export function pickList({ lines, bags, cuts }: LaidDay): Fetched[] {
  const pots = new Map<string, Extract<Fetched, { kind: 'pot' }>>();
  for (const { pot, name } of lines) {
    if (pot.source !== 'shelf' && pot.source !== 'toBuy') continue;
    const before = pots.get(pot.id);
    pots.set(pot.id, {
      kind: 'pot',
      label: pot.label,
      count: (before?.count ?? 0) + 1,
      for: [...(before?.for ?? []), name],
    });
  }
  return [
    ...lines.map(({ name, date, tidiness }): Fetched => ({
      kind: 'plant',
      label: name,
      count: 1,
      date,
      apart: tidiness === 'quarantine',
    })),
    ...pots.values(),
    ...forPieces(lines),
    ...bags.map(({ label, neededL, opens, buys, counted }): Fetched => ({
      kind: 'component',
      label,
      litres: neededL,
      opens: opens + buys,
      counted,
    })),
    ...cuts.flatMap(({ kind, stock }) =>
      stock.map(({ lengthCm, count }): Fetched => ({
        kind: 'pole',
        label: supportKind(kind).label,
        lengthCm,
        count,
      })),
    ),
    ...forMounds(lines),
    ...forWater(lines),
  ];
}
