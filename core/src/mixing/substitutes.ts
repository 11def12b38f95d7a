import { meanWaterInColumn, type Component } from '../media/index.ts';
import { within } from '../number/index.ts';
import { blend, type Part } from './blend.ts';

/** A component put in another's place, and what that changes in the pot. */
export interface Substitute {
  component: Component;
  parts: Part<Component>[];
  /** against the recipe as it is: fractions of volume, kg/L */
  air: number;
  water: number;
  wetKgPerL: number;
  /** change of the half-life of what rots, months; null: one of the two does not rot at all */
  halfLifeMonths: number | null;
  /** how far it is from the recipe as it is: smaller is nearer */
  distance: number;
}

/**
 * What a change of a property weighs when substitutes are ranked.
 *
 * @source common practice, no source: five points of air matter as much as ten of water or 0.3 kg/L
 */
const WEIGHS = { air: 1 / 0.05, water: 1 / 0.1, wetKgPerL: 1 / 0.3, life: 1 } as const;
/** A mix that rots twice as fast, or half as fast, counts as one. */
const LIFE_RATIO = Math.LN2;

/**
 * Substitutes for a component that is out of stock, the nearest first.
 *
 * @param of  index of the component in `parts`
 * @param shelf  what there is instead, without what is avoided
 * @param heightCm  of the medium in this plant's pot
 * @throws RangeError for no such part
 */
export function substitutes(
  parts: readonly Part<Component>[],
  of: number,
  shelf: readonly Component[],
  heightCm: number,
): Substitute[] {
  within('of', of, 0, parts.length - 1);
  const asIs = read(parts, heightCm);
  const present = new Set(parts.map(({ ingredient }) => ingredient.id));
  return shelf
    .filter(({ id }) => !present.has(id))
    .map((component): Substitute => {
      const swapped = parts.map((part, i) =>
        i === of ? { ...part, ingredient: component } : part,
      );
      const then = read(swapped, heightCm);
      const change = {
        air: then.air - asIs.air,
        water: then.water - asIs.water,
        wetKgPerL: then.wetKgPerL - asIs.wetKgPerL,
      };
      return {
        component,
        parts: swapped,
        ...change,
        halfLifeMonths:
          then.halfLife === null || asIs.halfLife === null ? null : then.halfLife - asIs.halfLife,
        distance: Math.hypot(
          change.air * WEIGHS.air,
          change.water * WEIGHS.water,
          change.wetKgPerL * WEIGHS.wetKgPerL,
          (Math.log(then.rots / asIs.rots) / LIFE_RATIO) * WEIGHS.life,
        ),
      };
    })
    .sort((a, b) => a.distance - b.distance || a.component.id.localeCompare(b.component.id));
}

/** Even a mineral mix is not taken as lasting for ever against another, per month. */
const LEAST_ROT = 0.01;

function read(parts: readonly Part<Component>[], heightCm: number) {
  const made = blend(parts);
  const water = meanWaterInColumn(made.water, heightCm);
  const { halfLifeMonths: halfLife, organicShare } = made;
  return {
    air: Math.max(0, made.totalPorosity - water),
    water,
    wetKgPerL: made.dryKgPerL + water,
    halfLife,
    rots: LEAST_ROT + (halfLife === null ? 0 : organicShare / halfLife),
  };
}
