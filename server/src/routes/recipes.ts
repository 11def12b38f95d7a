import {
  checkParts,
  MOST_FEED_G_PER_L,
  MOST_FEED_MONTHS,
  RECIPES,
  recipe as shippedRecipe,
  partsOf,
  blend,
  type RecipeExtras,
  type RecipePart,
} from '@fernbank/core';
import { isDeepStrictEqual } from 'node:util';
import { desc, eq } from 'drizzle-orm';
import Joi from 'joi';
import type { Context } from '../context.ts';
import type { Db } from '../db/driver.ts';
import { ownKey } from '../db/keys.ts';
import { recipes, recipeVersions } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { invalid, notFound } from '../http/errors.ts';
import { drainageLayer, recipeParts } from '../http/fields.ts';
import { checkFresh, pageQuery, sendRow, stamp, touch } from '../http/resource.ts';
import { pantryFor, recipeOf, recipeRow, type RecipeRow } from '../services/pantry.ts';

const componentId = () => Joi.string().max(40);
const extras = () =>
  Joi.object<RecipeExtras, true>({
    topDressing: Joi.object({
      component: componentId().required(),
      depthMm: Joi.number().min(1).max(60).required(),
    }),
    layer: drainageLayer(),
    feedGPerL: Joi.number().min(0).max(MOST_FEED_G_PER_L),
    feedMonths: Joi.number().min(1).max(MOST_FEED_MONTHS),
    perPot: Joi.object({
      component: componentId().required(),
      litres: Joi.number().min(0.001).max(5).required(),
    }),
  });
interface Input {
  label: string;
  use: string;
  parts: RecipePart[];
  extras: RecipeExtras;
}
const fields = {
  label: Joi.string().trim().min(1).max(60),
  use: Joi.string().trim().allow('').max(160),
  parts: recipeParts(),
  extras: extras(),
};
const newRecipe = Joi.object<Input, true>({
  ...fields,
  label: fields.label.required(),
  use: fields.use.default(''),
  parts: fields.parts.required(),
  extras: fields.extras.default({}),
});
const changedRecipe = Joi.object<Partial<Input> & { removed?: boolean }, true>({
  ...fields,
  removed: Joi.boolean(),
}).min(1);

function asShipped(key: string): Omit<RecipeRow, 'id' | 'createdAt' | 'updatedAt'> {
  const { label, use, parts, extras: more, version } = shippedRecipe(key);
  return { key, rev: 0, label, use, version, parts: [...parts], extras: more, removed: false };
}

/** @throws HttpError 404 */
function rowOf(db: Db, key: string) {
  const row = recipeRow(db, key);
  if (row) return row;
  if (!RECIPES.some(({ id }) => id === key)) throw notFound(`recipe ${key}`);
  return asShipped(key);
}
type Row = ReturnType<typeof rowOf>;

export type ShownRecipe = ReturnType<typeof shown>;
const shown = (row: Row) => ({
  ...recipeOf(row),
  id: row.key,
  rev: row.rev,
  shipped: RECIPES.some(({ id }) => id === row.key),
  removed: row.removed,
});

/** What no single field shows: unknown components, one twice, nothing but zeros, a name that is taken. */
function checkRecipeRow(db: Db, row: Row): void {
  checkParts(row.parts);
  const pantry = pantryFor(db);
  blend(partsOf(row.parts, pantry));
  for (const [name, part] of Object.entries({
    topDressing: row.extras.topDressing,
    perPot: row.extras.perPot,
  })) {
    if (!part) continue;
    try {
      pantry.component(part.component);
    } catch {
      throw invalid(`extras.${name}.component`, `component ${part.component} was not found`);
    }
  }
  const twin = pantry.recipes.find(
    ({ id, label }) => id !== row.key && label.toLowerCase() === row.label.toLowerCase(),
  );
  if (twin && !row.removed)
    throw invalid('label', `there is a recipe called ${twin.label} already`);
}

/** Recipes: shipped ones as the keeper changed them, and the keeper's own; older versions are kept. */
export function recipeRoutes(context: Context): DescribedRouter<'/recipes'> {
  const { db } = context;
  const routes = new DescribedRouter('/recipes');

  routes.get('/', { summary: 'list recipes', query: pageQuery }, (_request, response) => {
    const own = db.select().from(recipes).all();
    const byKey = new Map(own.map((row) => [row.key, row]));
    const keys = new Set(RECIPES.map(({ id }) => id));
    const all = [
      ...RECIPES.map(({ id }) => byKey.get(id) ?? asShipped(id)),
      ...own.filter(({ key }) => !keys.has(key)),
    ];
    response.json({ items: all.map(shown), nextCursor: null });
  });
  routes.get('/:id', { summary: 'one recipe' }, (request, response) => {
    sendRow(response, shown(rowOf(db, request.params.id as string)));
  });
  routes.get(
    '/:id/versions',
    { summary: 'what a recipe was before, newest first' },
    (request, response) => {
      const { key } = rowOf(db, request.params.id as string);
      const items = db
        .select()
        .from(recipeVersions)
        .where(eq(recipeVersions.key, key))
        .orderBy(desc(recipeVersions.version))
        .all();
      response.json({ items, nextCursor: null });
    },
  );
  routes.post('/', { summary: 'add a recipe', body: newRecipe }, (_request, response, input) => {
    const made = { ...input, key: ownKey(db, 'recipes'), rev: 0, version: 1, removed: false };
    checkRecipeRow(db, made);
    const row = db
      .insert(recipes)
      .values({ ...made, ...stamp(), rev: 1 })
      .returning()
      .get();
    sendRow(response.location(`/api/recipes/${row.key}`), shown(row), 201);
  });
  routes.patch(
    '/:id',
    { summary: 'change a recipe; other parts or extras make a new version', body: changedRecipe },
    (request, response, changed) => {
      const before = rowOf(db, request.params.id as string);
      checkFresh(request, before);
      const row = write(db, before, changed, context.today());
      sendRow(response, shown(row));
    },
  );
  routes.delete(
    '/:id',
    { summary: 'take a recipe off the list; plants that stand in it keep it' },
    (request, response) => {
      const before = rowOf(db, request.params.id as string);
      checkFresh(request, before);
      write(db, before, { removed: true }, context.today());
      response.status(204).end();
    },
  );
  return routes;
}

function write(
  db: Db,
  before: Row,
  changed: Partial<Input> & { removed?: boolean },
  today: string,
): RecipeRow {
  const merged = { ...before, ...changed };
  checkRecipeRow(db, merged);
  const same =
    isDeepStrictEqual(merged.parts, before.parts) &&
    isDeepStrictEqual(merged.extras, before.extras);
  const version = same ? before.version : before.version + 1;
  if (!same) {
    const { key, label, parts, extras: more } = before;
    db.insert(recipeVersions)
      .values({ key, version: before.version, label, parts, extras: more, until: today })
      .run();
  }
  if (before.rev === 0) {
    const { key, label, use, parts, extras: more, removed } = merged;
    return db
      .insert(recipes)
      .values({ key, label, use, parts, extras: more, removed, version, ...stamp(), rev: 1 })
      .returning()
      .get();
  }
  return db
    .update(recipes)
    .set({ ...changed, version, ...touch(before) })
    .where(eq(recipes.key, before.key))
    .returning()
    .get();
}
