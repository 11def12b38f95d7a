import {
  agedColumn,
  meanWaterInColumn,
  POROMETER_CM,
  type Component,
  type RotConditions,
} from '../media/index.ts';
import { positive, within } from '../number/index.ts';
import { blend, type Blend, type Ingredient, type Part } from '../mixing/index.ts';

/** A medium as it comes out of a pot after some months. */
export interface OldMedium {
  ingredient: Ingredient;
  /** air and water that it would have in the pot, unmixed */
  air: number;
  water: number;
  /** share of its first air that is left */
  airLeft: number;
}

/** Grains break as they rot: to this share of their size when all structure is gone. @source common practice, no source */
const BREAKS_TO = 0.5;
/** Solids that stay between the air and the water of what is known of a medium. */
const LEAST_AIR = 0.005;

/**
 * An old mix as an ingredient of a new one: its porosity and air as rot has
 * left them, its grains broken in proportion.
 *
 * @param parts  as it was when fresh
 * @param heightCm  of the medium in the new pot
 * @param months  since it was fresh
 */
export function oldMedium(
  parts: readonly Part[],
  conditions: RotConditions,
  months: number,
  heightCm: number,
): OldMedium {
  const fresh = blend(parts);
  const aged = (columnCm: number) => {
    const water = meanWaterInColumn(fresh.water, columnCm);
    const medium = {
      air: Math.max(0, fresh.totalPorosity - water),
      organicShare: fresh.organicShare,
      halfLifeMonths: fresh.halfLifeMonths,
    };
    return {
      first: medium.air,
      ...agedColumn(medium, 1 - fresh.totalPorosity, conditions, months),
    };
  };
  const ring = aged(POROMETER_CM);
  const pot = aged(heightCm);
  const total = parts.reduce((sum, part) => sum + part.parts, 0);
  const mean = (of: (ingredient: Ingredient) => number) =>
    parts.reduce((sum, part) => sum + of(part.ingredient) * part.parts, 0) / total;
  const airLeft = pot.first > 0 ? pot.air / pot.first : 1;
  return {
    ingredient: {
      grainMm: mean(({ grainMm }) => grainMm) * (BREAKS_TO + (1 - BREAKS_TO) * airLeft),
      packing: mean(({ packing }) => packing),
      dryKgPerL: fresh.dryKgPerL / (1 - ring.sunk),
      totalPorosity: 1 - ring.solid,
      airAt7_6cm: Math.max(LEAST_AIR, ring.air),
      n: mean(({ n }) => n),
      halfLifeMonths: fresh.halfLifeMonths,
      // What is left of a life: as much as of its air.
      lifeMonths: fresh.lifeMonths === null ? null : fresh.lifeMonths * airLeft,
    },
    air: pot.air,
    water: pot.water,
    airLeft,
  };
}

/** Old medium with something added to it. */
export interface Amendment {
  component: Component;
  /** measured parts */
  old: number;
  added: number;
  air: number;
  water: number;
  blend: Blend;
}

const MOST_PARTS = 10;

/**
 * The least of each component that brings an old medium back to the air a
 * plant needs, in parts that add up to ten at most.
 *
 * @param airWanted  fraction of volume, in a column of `heightCm`
 * @returns those that can, the smallest addition first
 */
export function amendments(
  old: OldMedium,
  airWanted: number,
  heightCm: number,
  shelf: readonly Component[],
): Amendment[] {
  within('airWanted', airWanted, 0, 0.9);
  positive('heightCm', heightCm);
  return shelf
    .map((component) => leastOf(component, old, airWanted, heightCm))
    .filter((found) => found !== null)
    .sort((a, b) => a.added / a.old - b.added / b.old || b.air - a.air);
}

const RATIOS = Array.from({ length: MOST_PARTS - 1 }, (_, i) => i + 1)
  .flatMap((old) =>
    Array.from({ length: MOST_PARTS - old }, (_, i) => ({ old, added: i + 1 })).filter(
      ({ added }) => added <= old * 3,
    ),
  )
  .sort((a, b) => a.added / a.old - b.added / b.old || a.old + a.added - (b.old + b.added));

function leastOf(
  component: Component,
  old: OldMedium,
  airWanted: number,
  heightCm: number,
): Amendment | null {
  for (const { old: oldParts, added } of RATIOS) {
    const made = blend([
      { ingredient: old.ingredient, parts: oldParts },
      { ingredient: component, parts: added },
    ]);
    const water = meanWaterInColumn(made.water, heightCm);
    const air = made.totalPorosity - water;
    if (air >= airWanted) return { component, old: oldParts, added, air, water, blend: made };
  }
  return null;
}
