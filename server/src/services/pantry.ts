import {
  blend,
  checkParts,
  componentOf,
  COMPONENTS,
  pantryOf,
  partsOf,
  pricePerL,
  RECIPES,
  type Component,
  type ComponentRecord,
  type Pantry,
  type Part,
  type Recipe,
  type RecipePart,
} from '@fernbank/core';
import { eq } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Db } from '../db/driver.ts';
import { components, recipes } from '../db/schema.ts';
import { versionOf } from '../db/version.ts';
import { HttpError } from '../http/errors.ts';
import { readSettings } from './settings.ts';

export type ComponentRow = typeof components.$inferSelect;
export type RecipeRow = typeof recipes.$inferSelect;

interface Kept {
  version: string;
  pantry: Pantry;
  parts: Map<string, Part<Component>[]>;
}
const kept = new WeakMap<Db, Kept>();

/** A text that differs when what media are made of does; stock, prices and notes are not in it. */
export function mediaFingerprint(db: Db): string {
  const own = readable(db, components);
  const mixes = readable(db, recipes);
  return JSON.stringify([
    own.flatMap((row) => (standsAsShipped(row) ? [] : [[row.key, row.like, row.own, row.removed]])),
    mixes.map(({ key, parts, removed }) => [key, parts, removed]),
  ]);
}

/** A row that is there for its stock alone. */
const standsAsShipped = ({ key, like, own, removed }: ComponentRow) =>
  key === like && !removed && Object.keys(own).length === 0;

/** The keeper's components and recipes; read anew when a row has changed. */
export function pantryFor(db: Db): Pantry {
  return keptFor(db).pantry;
}

function keptFor(db: Db): Kept {
  const version = versionOf(db);
  const before = kept.get(db);
  if (before?.version === version) return before;
  const made = { version, pantry: readPantry(db), parts: new Map() };
  kept.set(db, made);
  return made;
}

function readPantry(db: Db): Pantry {
  const ownComponents = readable(db, components);
  const ownRecipes = readable(db, recipes);
  const present = <T extends { removed: boolean }>(rows: T[], removed: boolean) =>
    rows.filter((row) => row.removed === removed);
  const merged = <T extends { id: string }>(shipped: readonly T[], own: T[], gone: Set<string>) => {
    const byKey = new Map(own.map((row) => [row.id, row]));
    const all = shipped.filter(({ id }) => !gone.has(id)).map((row) => byKey.get(row.id) ?? row);
    const shippedIds = new Set(shipped.map(({ id }) => id));
    return [...all, ...own.filter(({ id }) => !shippedIds.has(id))];
  };
  const keys = (rows: { key: string }[]) => new Set(rows.map(({ key }) => key));
  const gone = {
    components: present(ownComponents, true),
    recipes: present(ownRecipes, true),
  };
  const prices = new Map(ownComponents.map((row) => [row.key, pricePerL(row)]));
  return pantryOf(
    merged(COMPONENTS, present(ownComponents, false).flatMap(componentIn), keys(gone.components)),
    merged(RECIPES, present(ownRecipes, false).map(recipeOf), keys(gone.recipes)),
    readSettings(db).avoided,
    {
      components: gone.components.flatMap(componentIn),
      recipes: gone.recipes.map(recipeOf),
    },
    ({ id }) => prices.get(id) ?? null,
  );
}

/** A component whose numbers cannot be is left out: what is mixed of it says so. */
function componentIn(row: ComponentRow): Component[] {
  try {
    return [componentOf(recordOf(row))];
  } catch {
    return [];
  }
}

/** A row, or one that is still as shipped. */
type Unrowed<Row> = Omit<Row, 'id' | 'createdAt' | 'updatedAt'>;

export function recordOf(row: Unrowed<ComponentRow>): ComponentRecord {
  const { key: id, label, like, own, handling, dusty, biohazard } = row;
  return {
    id,
    label,
    like,
    own,
    handling,
    ...(dusty === null ? {} : { dusty }),
    ...(biohazard === null ? {} : { biohazard }),
  };
}

const OWN = 'the keeper’s own';

export function recipeOf(row: Unrowed<RecipeRow>): Recipe {
  const { key: id, label, use, version, parts, extras } = row;
  return { id, label, use, version, parts, extras, source: OWN };
}

/**
 * What a plant's medium is mixed of: as it was put in, else its recipe as first
 * written; one list for all plants that stand in the same.
 */
export function partsIn(
  db: Db,
  plant: { mediumParts: RecipePart[] | null; recipeId: string | null },
): Part<Component>[] | null {
  const { pantry, parts: known } = keptFor(db);
  const listed =
    plant.mediumParts ??
    RECIPES.find(({ id }) => id === plant.recipeId)?.parts ??
    (plant.recipeId ? pantry.recipe(plant.recipeId).parts : null);
  if (!listed) return null;
  const key = listed.map(({ component, parts }) => `${component}:${parts}`).join();
  let parts = known.get(key);
  if (!parts) {
    parts = partsOf(listed, pantry);
    known.set(key, parts);
  }
  return parts;
}

/** @throws HttpError 400 for a recipe that is not in the pantry, or parts that name unknown components */
export function checkRecipe(db: Db, id: string | null | undefined, field = 'recipeId'): void {
  if (!id) return;
  try {
    pantryFor(db).recipe(id);
  } catch {
    throw new HttpError(
      400,
      'invalid',
      `${field} must be a recipe of the pantry, got ${id}`,
      field,
    );
  }
}

/**
 * A mix as it is ordered: a recipe of the pantry, or parts of its own that stand for it.
 *
 * @throws HttpError 400 for an unknown recipe, 422 for parts that cannot be mixed
 */
export function checkMix(
  db: Db,
  { recipeId, parts }: { recipeId: string | null; parts?: RecipePart[] | undefined },
): void {
  checkRecipe(db, recipeId);
  if (parts) blend(partsOf(checkParts(parts), pantryFor(db)));
}

/** The keeper's row of a component; null: it stands as shipped. */
export function componentRow(db: Db, key: string): ComponentRow | null {
  return db.select().from(components).where(eq(components.key, key)).get() ?? null;
}

/** The keeper's row of a recipe; null: it stands as shipped. */
export function recipeRow(db: Db, key: string): RecipeRow | null {
  return db.select().from(recipes).where(eq(recipes.key, key)).get() ?? null;
}
