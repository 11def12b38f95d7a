import { measureOut, partsOf, recipe, type Rung } from '@fernbank/core';

/** Below this nothing is mixed: the ball fills the pot, L. */
const LEAST_MIX_L = 0.01;

/** A recipe measured out for a pot of the ladder; null: it takes no new medium. */
export function batchFor(rung: Rung | null, recipeId: string, scoopL: number | null) {
  if (!rung || rung.newMediumL <= LEAST_MIX_L) return null;
  return measureOut(partsOf(recipe(recipeId).parts), rung.newMediumL, scoopL ? { scoopL } : {});
}
