import { OutOfRange } from '../number/outOfRange.ts';
import { positive, within } from '../number/index.ts';
import type { Component } from '../media/index.ts';
import type { Constraint, Solve, Variable } from '../milp/index.ts';
import { blend, waterOf, type Blend, type Part } from './blend.ts';
import { meanHeld, type HeldIn } from './held.ts';
import { lossBeside } from './packing.ts';

/**
 * What a mix can be asked for: per mixed litre; organic matter and price per measured one; half-life
 * of what of it rots; acidity as a guide.
 */
export const TARGET_PROPERTIES = [
  'air',
  'water',
  'totalPorosity',
  'dryKgPerL',
  'organic',
  'halfLifeMonths',
  'ph',
  'pricePerL',
] as const;
export type TargetProperty = (typeof TARGET_PROPERTIES)[number];

/** A wished range of one property. */
export interface MixTarget {
  property: TargetProperty;
  low?: number;
  high?: number;
  /** against the other targets, > 0 */
  importance: number;
}

export interface DesignRequest extends HeldIn {
  /** what there is, without what is avoided */
  components: readonly Component[];
  targets: readonly MixTarget[];
  mostComponents: number;
  /** sums of parts that are tried; smaller ones are their divisors */
  totalParts?: readonly number[];
  /** per litre, for a target of price; a component without one cannot be held against it */
  priceOf?: (component: Component) => number | null;
}

/** The closest recipe. */
export interface Design {
  parts: Part<Component>[];
  blend: Blend;
  /** what it comes to, target by target */
  reached: { target: MixTarget; value: number; shortfall: number }[];
  /** sum of shortfall × importance, per measured litre; 0: all targets are met */
  miss: number;
  /** no recipe of so many whole parts comes closer */
  optimal: boolean;
}

/** Twelve parts hold every recipe of 1, 2, 3, 4, 6 or 12 parts, ten those of 5 and 10. */
export const TRIED_PARTS = [7, 8, 9, 10, 11, 12] as const;
const MOST_COMPONENTS = 30;
/** A component more must bring the recipe closer by a hundredth of a point of air. */
export const A_COMPONENT = 1e-4;
/** A target is met within a fifth of a point: no scoop is as exact. */
export const MET_WITHIN = 0.002;
/** Nobody measures closer than this: a solver need not look farther. */
const GAP = 4e-5;
const SECONDS = 20;
const CLOSE = 1e-9;

/**
 * The closest recipe of whole parts to a keeper's targets, by exact mixed-integer
 * programming.
 *
 * The mixed volume of the packing model is the largest of the volumes that
 * each class would ask for if it bore the load, and each of those is linear in
 * the parts: so the whole model is linear but for the choice of the bearing
 * class, which is a whole variable. Shortfalls are told per measured litre,
 * beyond the hair within which a target counts as met.
 *
 * @throws RangeError for no component, no target, or a target whose low is above its high
 * @source de Larrard's linear packing model (packing.ts) written as a mixed-integer program
 */
export function designMix(request: DesignRequest, solve: Solve): Design {
  checkRequest(request);
  const { components, totalParts = TRIED_PARTS } = request;
  const found = totalParts
    .map((total) => solve(modelFor(request, total), { seconds: SECONDS, gap: GAP }))
    .filter(({ values }) => values.length > 0);
  if (found.length === 0) throw new OutOfRange('targets must leave some recipe: none was found');
  const best = found.reduce((a, b) => (b.objective < a.objective - CLOSE ? b : a));
  const counts = simplest(best.values.slice(0, components.length).map(Math.round));
  const parts = counts.flatMap((count, i): Part<Component>[] =>
    count > 0 ? [{ ingredient: components[i]!, parts: count }] : [],
  );
  const reached = reachedBy(parts, request);
  return {
    parts,
    blend: blend(parts),
    reached,
    miss: reached.reduce((sum, r) => sum + r.shortfall * r.target.importance, 0),
    optimal: found.length === totalParts.length && found.every((f) => f.status === 'optimal'),
  };
}

/** What relaxing each target altogether would take off the miss: the ones that bind come first. */
export function relaxing(
  request: DesignRequest,
  solve: Solve,
): { target: MixTarget; buys: number; without: Design }[] {
  const { miss } = designMix(request, solve);
  return request.targets
    .map((target) => {
      const targets = request.targets.filter((other) => other !== target);
      const without = targets.length > 0 ? designMix({ ...request, targets }, solve) : null;
      return without && { target, buys: Math.max(0, miss - without.miss), without };
    })
    .filter((row) => row !== null)
    .sort((a, b) => b.buys - a.buys);
}

function checkRequest(request: DesignRequest): void {
  const { components, targets, heightCm, mostComponents, priceOf } = request;
  within('number of components', components.length, 1, MOST_COMPONENTS);
  positive('number of targets', targets.length);
  within('heightCm', heightCm, 1, 200);
  within('mostComponents', mostComponents, 1, MOST_COMPONENTS);
  for (const { property, low, high, importance } of targets) {
    if (property === 'pricePerL' && components.some((c) => (priceOf?.(c) ?? null) === null)) {
      throw new OutOfRange('pricePerL needs the price of every component that may be used');
    }
    positive('importance', importance);
    if (low === undefined && high === undefined) {
      throw new OutOfRange(`${property} must have a low or a high`);
    }
    if (low !== undefined && high !== undefined && low > high) {
      throw new OutOfRange(`${property} must not have its low (${low}) above its high (${high})`);
    }
  }
}

/** So much for each mixed litre, and so much for each part. */
interface Terms {
  mixed: number;
  part: (component: Component) => number;
}
/** A property as one linear sum over another. */
interface Ratio {
  top: Terms;
  base: Terms;
  /** a shortfall of 1 counts so much: five points of air, 0.05, are the measure */
  counts: number;
}
const MIXED: Terms = { mixed: 1, part: () => 0 };
const MEASURED: Terms = { mixed: 0, part: () => 1 };
const ofParts = (part: Terms['part']): Terms => ({ mixed: 0, part });

/* Weights of the three last: common practice, no source. */
const A_PH = 0.05;
const DOUBLED_LIFE = 0.1;
const A_COIN = 0.05;

type Asked = HeldIn & Pick<DesignRequest, 'priceOf'>;

function ratioOf(property: TargetProperty, asked: Asked): Ratio {
  const { priceOf } = asked;
  const solid = (c: Component) => 1 - c.totalPorosity;
  const water = (c: Component) => meanHeld(waterOf(c), asked);
  const rots = (c: Component) => (c.halfLifeMonths === null ? 0 : 1);
  switch (property) {
    case 'air':
      return { top: { mixed: 1, part: (c) => -solid(c) - water(c) }, base: MIXED, counts: 1 };
    case 'water':
      return { top: ofParts(water), base: MIXED, counts: 1 };
    case 'totalPorosity':
      return { top: { mixed: 1, part: (c) => -solid(c) }, base: MIXED, counts: 1 };
    case 'dryKgPerL':
      return { top: ofParts((c) => c.dryKgPerL), base: MIXED, counts: 1 };
    case 'organic':
      return { top: ofParts(rots), base: MEASURED, counts: 1 };
    case 'halfLifeMonths':
      return {
        top: ofParts(rots),
        base: ofParts((c) => (c.halfLifeMonths === null ? 0 : 1 / c.halfLifeMonths)),
        counts: DOUBLED_LIFE,
      };
    case 'ph':
      return {
        top: ofParts((c) => c.ph * c.buffers),
        base: ofParts((c) => c.buffers),
        counts: A_PH,
      };
    case 'pricePerL':
      return { top: ofParts((c) => priceOf?.(c) ?? 0), base: MEASURED, counts: A_COIN };
  }
}

/**
 * Value and shortfall of each target, per measured litre, of a recipe as it is. The half-life of a
 * mix in which nothing rots is infinite.
 */
export function reachedBy(
  parts: readonly Part<Component>[],
  request: Asked & Pick<DesignRequest, 'targets'>,
): Design['reached'] {
  const measured = parts.reduce((sum, part) => sum + part.parts, 0);
  const mixed = measured * (1 - blend(parts).shrink);
  const sumOf = ({ mixed: perMixed, part }: Terms) =>
    perMixed * mixed +
    parts.reduce((sum, { ingredient, parts: n }) => sum + n * part(ingredient), 0);
  return request.targets.map((target) => {
    const { top, base, counts } = ratioOf(target.property, request);
    const [quantity, of] = [sumOf(top), sumOf(base)];
    const short = Math.max(
      0,
      target.low === undefined ? 0 : target.low * of - quantity,
      target.high === undefined ? 0 : quantity - target.high * of,
    );
    return {
      target,
      value: of === 0 ? Infinity : quantity / of,
      shortfall: Math.max(0, (counts * short) / measured - MET_WITHIN),
    };
  });
}

/**
 * Variables: parts, whether each is used, which bears the load, the mixed
 * volume, the shortfalls.
 */
function modelFor(request: DesignRequest, total: number) {
  const { components, targets, mostComponents } = request;
  const n = components.length;
  const part = (i: number) => i;
  const used = (i: number) => n + i;
  const bears = (i: number) => 2 * n + i;
  const mixed = 3 * n;
  const short = (t: number) => 3 * n + 1 + t;
  const variables: Variable[] = [
    ...components.map((): Variable => ({ cost: 0, upper: total, whole: true })),
    ...components.map((): Variable => ({ cost: A_COMPONENT, upper: 1, whole: true })),
    ...components.map((): Variable => ({ cost: 0, upper: 1, whole: true })),
    { cost: 0, upper: total },
    ...targets.map(({ importance }): Variable => ({ cost: importance / total })),
  ];
  const all = components.map((_, i) => i);
  const constraints: Constraint[] = [
    { terms: all.map((i) => [part(i), 1]), sense: '=', limit: total },
    { terms: all.map((i) => [used(i), 1]), sense: '<=', limit: mostComponents },
    { terms: all.map((i) => [bears(i), 1]), sense: '=', limit: 1 },
  ];
  components.forEach((bearing, i) => {
    // Mixed volume if this class bore the load, per part of each component.
    const asked = components.map(
      (other) => ((1 - lossBeside(bearing, other)) * other.packing) / bearing.packing,
    );
    const most = total * Math.max(1, ...asked.map(Math.abs));
    const volume = (sign: number) => asked.map((v, j): [number, number] => [part(j), sign * v]);
    constraints.push(
      {
        terms: [
          [part(i), 1],
          [used(i), -total],
        ],
        sense: '<=',
        limit: 0,
      },
      {
        terms: [
          [part(i), 1],
          [used(i), -1],
        ],
        sense: '>=',
        limit: 0,
      },
      {
        terms: [
          [bears(i), 1],
          [used(i), -1],
        ],
        sense: '<=',
        limit: 0,
      },
      // At least as large as each class asks for …
      { terms: [[mixed, 1], ...volume(-1), [used(i), -most]], sense: '>=', limit: -most },
      // … and no larger than the one that bears.
      { terms: [[mixed, 1], ...volume(-1), [bears(i), 2 * most]], sense: '<=', limit: 2 * most },
    );
  });
  targets.forEach(({ property, low, high }, t) => {
    const { top, base, counts } = ratioOf(property, request);
    const against = (bound: number, sign: number): Constraint => ({
      terms: [
        ...components.map((c, i): [number, number] => [
          part(i),
          sign * counts * (top.part(c) - bound * base.part(c)),
        ]),
        [mixed, sign * counts * (top.mixed - bound * base.mixed)],
        [short(t), 1],
      ],
      sense: '>=',
      limit: -MET_WITHIN * total,
    });
    if (low !== undefined) constraints.push(against(low, 1));
    if (high !== undefined) constraints.push(against(high, -1));
  });
  return { sense: 'min' as const, variables, constraints };
}

/** Parts without a common divisor: 6 : 3 is 2 : 1. */
function simplest(parts: readonly number[]): number[] {
  const divisor = (a: number, b: number): number => (b === 0 ? a : divisor(b, a % b));
  const common = parts.reduce(divisor, 0);
  return parts.map((count) => count / (common || 1));
}
