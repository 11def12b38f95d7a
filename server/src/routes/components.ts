import {
  component,
  componentOf,
  COMPONENTS,
  COMPONENT_NUMBER_IDS,
  CONTENTS,
  kitchenTest,
  ownFromKitchenTest,
  REWETTING,
  type ComponentNumber,
  type IsoDate,
  type KitchenReading,
  type OwnNumber,
  SCHOOLS,
} from '@fernbank/core';
import { eq } from 'drizzle-orm';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { notAhead } from '../http/days.ts';
import type { Db } from '../db/driver.ts';
import { ownKey } from '../db/keys.ts';
import { components } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError, invalid, notFound } from '../http/errors.ts';
import { above0, isoDate, note } from '../http/fields.ts';
import { checkFresh, pageQuery, sendRow, stamp, touch } from '../http/resource.ts';
import { componentRow, pantryFor, recordOf, type ComponentRow } from '../services/pantry.ts';

const oneOf = (names: object) => Joi.string().valid(...Object.keys(names));
const ownNumber = Joi.object({
  value: Joi.number().allow(null).required(),
  from: Joi.string().valid('typed', 'kitchenTest').default('typed'),
  on: isoDate().required(),
  error: Joi.number().min(0).max(1000),
});
const fields = {
  label: Joi.string().trim().min(1).max(80),
  /** a number of null goes back to what it is like */
  own: Joi.object(
    Object.fromEntries(COMPONENT_NUMBER_IDS.map((id) => [id, ownNumber.allow(null)])),
  ),
  handling: Joi.object({
    rinseMinutes: Joi.number().min(0).max(10_000),
    soakMinutes: Joi.number().min(0).max(10_000),
    rewets: oneOf(REWETTING),
    contains: Joi.array().items(oneOf(CONTENTS)).unique(),
  }),
  dusty: Joi.boolean().allow(null),
  biohazard: Joi.boolean().allow(null),
  wetting: oneOf(SCHOOLS.wetting.options).allow(null),
  grade: Joi.string().trim().allow('').max(60),
  note: note(),
  bagL: above0(2000).allow(null),
  pricePerBag: Joi.number().min(0).max(100_000).allow(null),
  bags: Joi.number().integer().min(0).max(10_000),
  openL: Joi.number().min(0).max(20_000),
};
type Own = Partial<Record<ComponentNumber, OwnNumber | null>>;
type Input = Partial<
  Omit<
    ComponentRow,
    'id' | 'rev' | 'key' | 'like' | 'own' | 'kitchen' | 'removed' | 'createdAt' | 'updatedAt'
  >
> & {
  own?: Own;
};
const newComponent = Joi.object<Input & { label: string; like: string }, true>({
  ...fields,
  label: fields.label.required(),
  like: Joi.string()
    .valid(...COMPONENTS.map(({ id }) => id))
    .required(),
});
const changedComponent = Joi.object<Input & { removed?: boolean }, true>({
  ...fields,
  removed: Joi.boolean(),
}).min(1);

interface KitchenBody extends KitchenReading {
  date?: IsoDate;
}
const kitchenBody = Joi.object<KitchenBody, true>({
  date: isoDate(),
  mediumL: above0(100).required(),
  pouredL: above0(100).required(),
  drainedL: Joi.number().min(0).max(100).required(),
  heightCm: above0(100).required(),
  dryKg: above0(200),
  readToL: above0(1),
});

interface StockChange {
  id: string;
  bags: number;
  openL: number;
  /** revision that the change builds on */
  rev: number;
}
const stockBody = Joi.object<{ changes: StockChange[] }, true>({
  changes: Joi.array()
    .items(
      Joi.object({
        id: Joi.string().max(40).required(),
        bags: fields.bags.required(),
        openL: fields.openL.required(),
        rev: Joi.number().integer().min(0).required(),
      }),
    )
    .min(1)
    .max(60)
    .unique('id')
    .required(),
});

/** What a component's row begins with when nothing of it was changed yet. */
function asShipped(key: string): Omit<ComponentRow, 'id' | 'createdAt' | 'updatedAt'> {
  const { label } = component(key);
  return {
    key,
    rev: 0,
    label,
    like: key,
    own: {},
    handling: {},
    dusty: null,
    biohazard: null,
    wetting: null,
    grade: '',
    note: '',
    bagL: null,
    pricePerBag: null,
    bags: 0,
    openL: 0,
    kitchen: null,
    removed: false,
  };
}

/** @throws HttpError 404 */
function rowOf(db: Db, key: string) {
  const row = componentRow(db, key);
  if (row) return row;
  if (!COMPONENTS.some(({ id }) => id === key)) throw notFound(`component ${key}`);
  return asShipped(key);
}
type Row = ReturnType<typeof rowOf>;

export type ShownComponent = ReturnType<typeof shown>;
/** A component with its numbers as they count, whence they come, and what there is of it. */
function shown(row: Row) {
  const { key, like, own, wetting, grade, note: text, bagL, pricePerBag, bags, openL } = row;
  return {
    ...componentOf(recordOf(row)),
    id: key,
    rev: row.rev,
    shipped: key === like,
    own,
    handling: row.handling,
    wetting,
    grade,
    note: text,
    bagL,
    pricePerBag,
    bags,
    openL,
    kitchen: row.kitchen,
    removed: row.removed,
  };
}

/** Writes a component's row, made where it had none. @throws RangeError for numbers that cannot be */
function write(db: Db, before: Row, changed: Partial<ComponentRow>): ComponentRow {
  const { id: _id, ...merged } = { id: 0, ...before, ...changed };
  componentOf(recordOf(merged));
  if (before.rev === 0) {
    return db
      .insert(components)
      .values({ ...merged, ...stamp(), rev: 1 })
      .returning()
      .get();
  }
  return db
    .update(components)
    .set({ ...changed, ...touch(before) })
    .where(eq(components.key, before.key))
    .returning()
    .get();
}

function mergedOwn(before: ComponentRow['own'], changed: Own = {}): ComponentRow['own'] {
  const all = Object.entries({ ...before, ...changed });
  return Object.fromEntries(all.filter(([, number]) => number !== null)) as ComponentRow['own'];
}

/** Components of media: the shipped ones as the keeper has them, and the keeper's own. */
export function componentRoutes(context: Context): DescribedRouter<'/components'> {
  const { db } = context;
  const routes = new DescribedRouter('/components');

  routes.get(
    '/',
    { summary: 'list components of media', query: pageQuery },
    (_request, response) => {
      const own = db.select().from(components).all();
      const byKey = new Map(own.map((row) => [row.key, row]));
      const shipped = COMPONENTS.map(({ id }) => byKey.get(id) ?? asShipped(id));
      const keys = new Set(COMPONENTS.map(({ id }) => id));
      const items = [...shipped, ...own.filter(({ key }) => !keys.has(key))].map(shown);
      response.json({ items, nextCursor: null });
    },
  );
  routes.get('/:id', { summary: 'one component' }, (request, response) => {
    sendRow(response, shown(rowOf(db, request.params.id as string)));
  });
  routes.post(
    '/',
    { summary: 'add a component of your own', body: newComponent },
    (_request, response, { own, ...input }) => {
      const key = ownKey(db, 'components');
      const fresh = { ...asShipped(input.like), key, rev: 0 };
      const row = write(db, fresh, { ...input, own: mergedOwn({}, own) });
      sendRow(response.location(`/api/components/${row.key}`), shown(row), 201);
    },
  );
  routes.patch(
    '/:id',
    { summary: 'change a component; a shipped one too', body: changedComponent },
    (request, response, { own, handling, ...input }) => {
      const before = rowOf(db, request.params.id as string);
      checkFresh(request, before);
      if (input.removed) checkUnused(db, before);
      const row = write(db, before, {
        ...input,
        ...(own ? { own: mergedOwn(before.own, own) } : {}),
        ...(handling ? { handling: { ...before.handling, ...handling } } : {}),
      });
      sendRow(response, shown(row));
    },
  );
  routes.delete(
    '/:id',
    { summary: 'remove a component of your own; plants that stand in it keep it' },
    (request, response) => {
      const before = rowOf(db, request.params.id as string);
      checkFresh(request, before);
      checkUnused(db, before);
      write(db, before, { removed: true });
      response.status(204).end();
    },
  );
  routes.post(
    '/:id/kitchen-test',
    {
      summary: 'a kitchen test: its results replace the typical values',
      body: kitchenBody,
      status: 200,
    },
    (request, response, { date = context.today(), ...reading }) => {
      const on = notAhead(context, 'date', date);
      const before = rowOf(db, request.params.id as string);
      checkFresh(request, before);
      const { n } = componentOf(recordOf(before));
      const own = ownFromKitchenTest(kitchenTest(reading, n), on);
      const row = write(db, before, {
        own: mergedOwn(before.own, own),
        kitchen: { on, reading },
      });
      sendRow(response, shown(row));
    },
  );
  routes.post(
    '/stock',
    { summary: 'set what there is of several components at once', body: stockBody, status: 200 },
    (_request, response, { changes }) => {
      const rows = changes.map(({ id, bags, openL, rev }, i) => {
        const before = rowOf(db, id);
        if (before.rev !== rev) {
          throw new HttpError(
            412,
            'stale',
            `the stock of ${before.label} was changed elsewhere meanwhile; load it again first`,
            `changes.${i}`,
          );
        }
        return write(db, before, { bags, openL });
      });
      response.json({ items: rows.map(shown) });
    },
  );
  return routes;
}

/** A recipe must not lose one of its parts; a shipped component is avoided, not removed. */
function checkUnused(db: Db, { key, like, label }: Row): void {
  if (key === like) {
    throw new HttpError(
      409,
      'shipped',
      `${label} ships with Fernbank: put it on your avoid-list instead`,
    );
  }
  const inRecipes = pantryFor(db)
    .recipes.filter(({ parts }) => parts.some(({ component: id }) => id === key))
    .map((recipe) => recipe.label);
  if (inRecipes.length > 0) {
    throw invalid('removed', `${label} is a part of ${inRecipes.join(', ')}: change that first`);
  }
}
