import { OutOfRange } from '../number/outOfRange.ts';
import { COMPONENTS, type Component } from './components.ts';
import type { Content } from './handling.ts';
import {
  kindOfParts,
  MEDIUM_KINDS,
  RECIPES,
  type MediumKind,
  type Recipe,
  type RecipePart,
} from './recipes.ts';

/** What a keeper never wants in a mix: kinds of matter, or single components by id. */
export interface Avoided {
  contents: readonly Content[];
  components: readonly string[];
}
export const AVOID_NOTHING: Avoided = { contents: [], components: [] };

/** The components and recipes of one keeper: the shipped ones, changed and added to. */
export interface Pantry {
  components: readonly Component[];
  recipes: readonly Recipe[];
  avoided: Avoided;
  /** per litre; null: not known */
  priceOf: (component: Pick<Component, 'id'>) => number | null;
  /** @throws RangeError for an id that is not here */
  component: (id: string) => Component;
  /** @throws RangeError for an id that is not here */
  recipe: (id: string) => Recipe;
}

/** Price of a litre, from that of a bag; null: no price or bag is known. */
export const pricePerL = ({
  pricePerBag,
  bagL,
}: {
  pricePerBag: number | null;
  bagL: number | null;
}): number | null => (pricePerBag === null || bagL === null ? null : pricePerBag / bagL);

/** What was removed, but is still named by plants and old mixes. */
export interface Retired {
  components: readonly Component[];
  recipes: readonly Recipe[];
}

/**
 * @param retired  found by id, in no list
 * @throws RangeError for an id that stands twice
 */
export function pantryOf(
  components: readonly Component[],
  recipes: readonly Recipe[],
  avoided: Avoided = AVOID_NOTHING,
  retired: Retired = { components: [], recipes: [] },
  priceOf: Pantry['priceOf'] = () => null,
): Pantry {
  return {
    components,
    recipes,
    avoided,
    priceOf,
    component: finder('component', [...components, ...retired.components]),
    recipe: finder('recipe', [...recipes, ...retired.recipes]),
  };
}

function finder<T extends { id: string }>(what: string, rows: readonly T[]): (id: string) => T {
  const byId = new Map(rows.map((row) => [row.id, row]));
  if (byId.size < rows.length) throw new OutOfRange(`${what} must not stand twice in a pantry`);
  return (id) => {
    const found = byId.get(id);
    if (!found) throw new OutOfRange(`${what} must be a known one, got ${id}`);
    return found;
  };
}

/** As Fernbank is shipped. */
export const SHIPPED: Pantry = pantryOf(COMPONENTS, RECIPES);

/** Why a keeper does not want a component; null: nothing against it. */
export function whyAvoided(
  { id, contains }: Pick<Component, 'id' | 'contains'>,
  { contents, components }: Avoided,
): Content | 'component' | null {
  if (components.includes(id)) return 'component';
  return contains.find((content) => contents.includes(content)) ?? null;
}

/** What there is to mix with, without what is avoided. */
export function permitted({ components, avoided }: Pantry): Component[] {
  return components.filter((candidate) => whyAvoided(candidate, avoided) === null);
}

/**
 * A list of parts as it may be mixed.
 *
 * @throws RangeError naming what is wrong: no part, one that is not above 0, a component twice
 */
export function checkParts(parts: readonly RecipePart[]): readonly RecipePart[] {
  if (parts.length === 0) throw new OutOfRange('parts must name at least one component');
  const seen = new Set<string>();
  for (const { component: id, parts: amount } of parts) {
    if (!(Number.isFinite(amount) && amount >= 0)) {
      throw new OutOfRange(`parts must be 0 or more, got ${String(amount)} of ${id}`);
    }
    if (seen.has(id)) {
      throw new OutOfRange(`parts must name a component once, got ${id} twice: add its parts up`);
    }
    seen.add(id);
  }
  if (!parts.some(({ parts: amount }) => amount > 0)) {
    throw new OutOfRange('parts must not all be 0');
  }
  return parts;
}

/** The kind of medium that a recipe makes: the one it stands for, else by its main part. */
export function kindOfRecipe(
  recipeId: string,
  parts: readonly RecipePart[],
  pantry: Pick<Pantry, 'component'> = SHIPPED,
): MediumKind {
  const named = MEDIUM_KINDS.find((kind) => kind.recipe === recipeId);
  return named?.id ?? kindOfParts(parts, (id) => pantry.component(id).like);
}
