import { permitted, whyAvoided, type Component, type Pantry } from '../media/index.ts';
import { within } from '../number/index.ts';
import { mixPh } from './acidity.ts';
import { blend, type Blend, type Part } from './blend.ts';
import { meanHeld, type HeldIn } from './held.ts';

/** What a mix is in one pot, as far as substitutes are told by it. */
export interface MixFigures {
  /** fractions of volume, drained */
  air: number;
  water: number;
  wetKgPerL: number;
  ph: number;
  /** null: it does not age, or no plant is named */
  lifeMonths: number | null;
  /** per measured litre; null: a price is missing */
  pricePerL: number | null;
}

/** A component put in another's place, and what that changes in the pot. */
export interface Substitute {
  component: Component;
  parts: Part<Component>[];
  figures: MixFigures;
  /** against the mix as it is */
  air: number;
  water: number;
  wetKgPerL: number;
  ph: number;
  /** null: one of the two does not age */
  lifeMonths: number | null;
  pricePerL: number | null;
  /** how far it is from the mix as it is: smaller is nearer */
  distance: number;
}

/** The pot and the plant that substitutes are judged in. */
export interface MixPlace extends HeldIn {
  /** how long a mix serves this plant in this pot, months; null: without end */
  lifeOf?: (mix: Blend) => number | null;
  /** per litre; null: not known */
  priceOf?: (component: Component) => number | null;
}

/**
 * What a change of a property weighs when substitutes are ranked.
 *
 * @source common practice, no source: five points of air matter as much as ten of water,
 * 0.3 kg/L, one unit of pH, half or double the life, or four times the price
 */
const WEIGHS = { air: 1 / 0.05, water: 1 / 0.1, wetKgPerL: 1 / 0.3, ph: 1 } as const;
const LIFE_RATIO = Math.LN2;
const PRICE_RATIO = 2 * Math.LN2;
/** Even a mineral mix is not taken as lasting for ever against another, per month. */
const LEAST_ROT = 0.01;

/** Figures of a mix in its place. */
export function mixFigures(parts: readonly Part<Component>[], place: MixPlace): MixFigures {
  const made = blend(parts);
  const water = meanHeld(made.water, place);
  return {
    air: Math.max(0, made.totalPorosity - water),
    water,
    wetKgPerL: made.dryKgPerL + water,
    ph: mixPh(parts),
    lifeMonths: place.lifeOf?.(made) ?? null,
    pricePerL: priceOf(parts, place.priceOf),
  };
}

/**
 * Substitutes for a component that is out of stock or avoided, the nearest first: other components, or
 * more of what is in the mix already.
 *
 * @param of  index of the component in `parts`
 * @param shelf  what there is instead, without what is avoided
 * @throws RangeError for no such part
 */
export function substitutes(
  parts: readonly Part<Component>[],
  of: number,
  shelf: readonly Component[],
  place: MixPlace,
): Substitute[] {
  within('of', of, 0, parts.length - 1);
  const asIs = mixFigures(parts, place);
  const rotAsIs = rotPerMonth(parts);
  return shelf
    .filter(({ id }) => id !== parts[of]!.ingredient.id)
    .map((component): Substitute => {
      const swapped = swap(parts, of, component);
      const figures = mixFigures(swapped, place);
      const change = {
        air: figures.air - asIs.air,
        water: figures.water - asIs.water,
        wetKgPerL: figures.wetKgPerL - asIs.wetKgPerL,
        ph: figures.ph - asIs.ph,
      };
      return {
        component,
        parts: swapped,
        figures,
        ...change,
        lifeMonths: between(asIs.lifeMonths, figures.lifeMonths),
        pricePerL: between(asIs.pricePerL, figures.pricePerL),
        distance: Math.hypot(
          change.air * WEIGHS.air,
          change.water * WEIGHS.water,
          change.wetKgPerL * WEIGHS.wetKgPerL,
          change.ph * WEIGHS.ph,
          Math.log(rotPerMonth(swapped) / rotAsIs) / LIFE_RATIO,
          asIs.pricePerL && figures.pricePerL
            ? Math.log(figures.pricePerL / asIs.pricePerL) / PRICE_RATIO
            : 0,
        ),
      };
    })
    .sort((a, b) => a.distance - b.distance || a.component.id.localeCompare(b.component.id));
}

/** What is in the mix already takes the part's share on top of its own. */
function swap(
  parts: readonly Part<Component>[],
  of: number,
  component: Component,
): Part<Component>[] {
  const { parts: share } = parts[of]!;
  const there = parts.findIndex(({ ingredient }) => ingredient.id === component.id);
  if (there < 0) {
    return parts.map((part, i) => (i === of ? { ...part, ingredient: component } : part));
  }
  return parts.flatMap((part, i) => {
    if (i === of) return [];
    return i === there ? [{ ...part, parts: part.parts + share }] : [part];
  });
}

const between = (before: number | null, after: number | null) =>
  before === null || after === null ? null : after - before;

function priceOf(parts: readonly Part<Component>[], of: MixPlace['priceOf']): number | null {
  if (!of) return null;
  let sum = 0;
  let total = 0;
  for (const { ingredient, parts: amount } of parts) {
    const price = of(ingredient);
    if (price === null) return null;
    sum += price * amount;
    total += amount;
  }
  return total > 0 ? sum / total : null;
}

function rotPerMonth(parts: readonly Part<Component>[]): number {
  const { halfLifeMonths, organicShare } = blend(parts);
  return LEAST_ROT + (halfLifeMonths === null ? 0 : organicShare / halfLifeMonths);
}

/** A component that another stands in for. */
export interface StandIn {
  instead: Component;
  uses: Component;
  change: Substitute;
}

/**
 * The same mix without what may not or cannot be used: each such part replaced
 * by its nearest substitute, in the order of the parts.
 *
 * @param unusable  parts that must go
 * @param shelf  what may take their place
 * @returns the parts, and what stands in for what; a part without any substitute stays out
 */
export function withStandIns(
  parts: readonly Part<Component>[],
  unusable: (component: Component) => boolean,
  shelf: readonly Component[],
  place: MixPlace,
): { parts: Part<Component>[]; standIns: StandIn[] } {
  let now = [...parts];
  const standIns: StandIn[] = [];
  const usable = shelf.filter((candidate) => !unusable(candidate));
  for (const { ingredient: instead } of parts.filter(({ ingredient }) => unusable(ingredient))) {
    const of = now.findIndex(({ ingredient }) => ingredient.id === instead.id);
    // What takes its place unasked keeps the mix as manifold as it was.
    const others = usable.filter(({ id }) => !now.some(({ ingredient }) => ingredient.id === id));
    const best = substitutes(now, of, others, place)[0];
    if (best) {
      now = best.parts;
      standIns.push({ instead, uses: best.component, change: best });
    } else if (now.length > 1) {
      now = now.filter((_, i) => i !== of);
    }
  }
  return { parts: now, standIns };
}

/** The same mix without what its keeper avoids. */
export const withoutAvoided = (
  parts: readonly Part<Component>[],
  pantry: Pantry,
  place: MixPlace,
): ReturnType<typeof withStandIns> =>
  withStandIns(
    parts,
    (component) => whyAvoided(component, pantry.avoided) !== null,
    permitted(pantry),
    place,
  );
