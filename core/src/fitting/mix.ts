import { swapPlace, type PottedPlace } from '../fit/index.ts';
import {
  kindOfRecipe,
  type Component,
  type MediumKind,
  type Pantry,
  type RecipePart,
} from '../media/index.ts';
import { partsOf, withoutAvoided, type Part, type StandIn } from '../mixing/index.ts';
import type { FitChoices } from './choices.ts';
import type { FitSubject } from './subject.ts';

/** A mix as it goes into a pot, and what stands in for what is avoided. */
export interface FittedMix {
  parts: Part<Component>[];
  standIns: StandIn[];
}

/** Parts as listed, never with what is avoided: the one rule of fit, day, batch and record. */
export const mixFor = (
  listed: readonly RecipePart[],
  pantry: Pantry,
  place: PottedPlace,
): FittedMix => withoutAvoided(partsOf(listed, pantry), pantry, swapPlace(place, pantry.priceOf));

/** Parts as they are kept: by id. */
export const listedParts = (parts: readonly Part<Component>[]): RecipePart[] =>
  parts.map(({ ingredient, parts: amount }) => ({ component: ingredient.id, parts: amount }));

/** What the new medium is: what the plant stands in, where its recipe stays. */
export const newKindOf = (
  { recipeId, mediumKind }: Pick<FitSubject, 'recipeId' | 'mediumKind'>,
  choices: Pick<FitChoices, 'recipeId'>,
  parts: readonly Part<Component>[],
  pantry: Pantry,
): MediumKind =>
  choices.recipeId === recipeId
    ? mediumKind
    : kindOfRecipe(choices.recipeId, listedParts(parts), pantry);

/** Parts that differ from what the recipe says, by id; null: they are its own. */
export function ownPartsOf(
  { recipeId }: Pick<FitChoices, 'recipeId'>,
  parts: readonly Part<Component>[],
  pantry: Pick<Pantry, 'recipe'>,
): RecipePart[] | null {
  const now = listedParts(parts);
  return JSON.stringify(now) === JSON.stringify(pantry.recipe(recipeId).parts) ? null : now;
}
