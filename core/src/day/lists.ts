import type { LaidDay } from './laid.ts';
import { supportKind, type SupportKindId } from '../support/index.ts';
import type { Saying } from '../saying/index.ts';

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
  | { kind: 'pole'; label: string; lengthCm: number; count: number };

/** What a day asks to be fetched: plants, pots of the shelf, litres, poles. */
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
  ];
}
