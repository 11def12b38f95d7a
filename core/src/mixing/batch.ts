import { positive, within } from '../number/index.ts';
import { SHIPPED, type Component, type Pantry, type RecipePart } from '../media/index.ts';
import { blend, type Blend, type Part } from './blend.ts';
import { measuredOf, scaledScoops, suggestScoop, type ScoopPlan } from './scoops.ts';

/** How much goes missing between the tub and the pot. */
export interface BatchMargins {
  /** share by which the mix settles when tapped and watered */
  settling: number;
  /** share mixed in addition, for gaps and spills */
  spare: number;
}

/** Share by which a mix settles. @source common practice, no source: 5–15 % */
const SETTLING_SOFT = 0.12;
const SETTLING_FIRM = 0.06;
const SPARE = 0.05;

/** Settling by how much of the mix can be pressed together, plus a little spare. */
export function usualMargins(mix: Pick<Blend, 'organicShare'>): BatchMargins {
  return {
    settling: SETTLING_FIRM + (SETTLING_SOFT - SETTLING_FIRM) * mix.organicShare,
    spare: SPARE,
  };
}

/** A mix measured out for a job. */
export interface Batch {
  /** what must fit round the root ball, L */
  filledL: number;
  /** mixed, before settling and with the spare, L */
  mixedL: number;
  /** measured loose, before mixing, L */
  measuredL: number;
  margins: BatchMargins;
  measures: Measure[];
  scoop: ScoopPlan;
  /** what a hand makes of it in whole scoops: as much, or a little more */
  inScoops: { mixedL: number; measuredL: number; measures: Measure[] };
}

export interface Measure {
  component: Component;
  litres: number;
  dryKg: number;
}

/** Resolves the ids of parts to components of a pantry. @throws RangeError for an unknown id */
export function partsOf(parts: readonly RecipePart[], pantry: Pantry = SHIPPED): Part<Component>[] {
  return parts.map(({ component: id, parts: amount }) => ({
    ingredient: pantry.component(id),
    parts: amount,
  }));
}

/** A recipe of a pantry, mixed; worked out once. @throws RangeError for an unknown id */
export function blendOfRecipe(id: string, pantry: Pantry = SHIPPED): Blend {
  const { parts } = pantry.recipe(id);
  let blends = recipeBlends.get(pantry);
  if (!blends) {
    blends = new Map();
    recipeBlends.set(pantry, blends);
  }
  let mix = blends.get(id);
  if (!mix) {
    mix = blend(partsOf(parts, pantry));
    blends.set(id, mix);
  }
  return mix;
}
const recipeBlends = new WeakMap<Pantry, Map<string, Blend>>();

/**
 * From litres wanted in the pot back to litres of each component in the scoop.
 *
 * @param filledL  new medium wanted round the ball, > 0
 * @param scoopL  the keeper's own scoop; without it the handiest is suggested
 */
export function measureOut(
  parts: readonly Part<Component>[],
  filledL: number,
  options: { margins?: BatchMargins; scoopL?: number } = {},
): Batch {
  positive('filledL', filledL);
  const mix = blend(parts);
  const margins = options.margins ?? usualMargins(mix);
  within('settling', margins.settling, 0, 0.5);
  within('spare', margins.spare, 0, 1);
  const mixedL = (filledL / (1 - margins.settling)) * (1 + margins.spare);
  const measured = (amountsL: readonly number[]): Measure[] =>
    parts.map(({ ingredient: component }, i) => {
      const litres = amountsL[i]!;
      return { component, litres, dryKg: litres * component.dryKgPerL };
    });
  const litres = parts.map((_, i) => mixedL * mix.measuredPerMixed[i]!);
  const scoop = options.scoopL ? scaledScoops(litres, options.scoopL) : suggestScoop(litres);
  const scoopedL = measuredOf(scoop);
  return {
    filledL,
    mixedL,
    measuredL: mixedL / (1 - mix.shrink),
    margins,
    measures: measured(litres),
    scoop,
    inScoops: {
      mixedL: scoopedL * (1 - mix.shrink),
      measuredL: scoopedL,
      measures: measured(scoop.scoops.map((count) => count * scoop.scoopL)),
    },
  };
}
