import {
  checkPot,
  checkSection,
  coverFit,
  insideFillL,
  supportKind,
  type IsoDate,
} from '@fernbank/core';
import { eq, or } from 'drizzle-orm';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { plants, pots, supports } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError, invalid } from '../http/errors.ts';
import {
  potMaterialId,
  potShape,
  potTone,
  section,
  supportKindId,
  supportLength,
} from '../http/fields.ts';
import {
  checkFresh,
  idOf,
  page,
  pageQuery,
  rowOr404,
  sendRow,
  stamp,
  touch,
} from '../http/resource.ts';
import type { PotRow, SupportRow } from '../services/shelf.ts';

type Input<Row> = Omit<Row, 'id' | 'rev' | 'createdAt' | 'updatedAt'>;

/** Thousands of one kind of pot are a shop, not a shelf. */
const MOST = 10_000;
const count = () => Joi.number().integer().min(1).max(MOST);
const free = () => Joi.number().integer().min(0).max(MOST);
const label = () => Joi.string().trim().min(1).max(80);

const potFields = {
  label: label(),
  shape: potShape(),
  material: potMaterialId(),
  emptyKg: Joi.number().positive().max(200).allow(null),
  count: count(),
  free: free(),
  role: Joi.string().valid('pot', 'cover'),
  soaking: free(),
  holes: Joi.number().integer().min(0).max(200).allow(null),
  tone: potTone().allow(null),
  reservoirL: Joi.number().min(0).max(100),
  wicks: Joi.number().integer().min(0).max(20),
  hangs: Joi.boolean(),
};
const newPot = Joi.object<Input<PotRow>>({
  ...potFields,
  label: potFields.label.required(),
  shape: potFields.shape.required(),
  material: potFields.material.default('plastic'),
  emptyKg: potFields.emptyKg.default(null),
  count: potFields.count.default(1),
  role: potFields.role.default('pot'),
  soaking: potFields.soaking.default(0),
  holes: potFields.holes.default(null),
  tone: potFields.tone.default(null),
  reservoirL: potFields.reservoirL.default(0),
  wicks: potFields.wicks.default(0),
  hangs: potFields.hangs.default(false),
});
const changedPot = Joi.object<Partial<Input<PotRow>>>(potFields).min(1);

/** Pots and cover pots, by how many there are and what each is like. */
export function potRoutes({ db, today }: Context): DescribedRouter {
  const routes = new DescribedRouter();
  const what = 'a kind of pot on the shelf';

  routes.get('/', { summary: 'list pots of the shelf', query: pageQuery }, (request, response) => {
    const { items, nextCursor } = page(db, pots, request);
    response.json({ items: items.map(withFill), nextCursor });
  });
  routes.get('/:id', { summary: 'one kind of pot on the shelf' }, (request, response) => {
    sendRow(response, withFill(rowOr404(db, pots, idOf(request), 'pot')));
  });
  routes.post('/', { summary: `add ${what}`, body: newPot }, (_request, response, input) => {
    const pot = { ...input, free: input.free ?? input.count - input.soaking };
    checkPotRow(pot);
    const row = db
      .insert(pots)
      .values({ ...stamp(), ...pot, soakingSince: sinceOf(pot, null, today()) })
      .returning()
      .get();
    sendRow(response.location(`/api/pots/${row.id}`), withFill(row), 201);
  });
  routes.patch(
    '/:id',
    { summary: `change ${what}`, body: changedPot },
    (request, response, changed) => {
      const row = db.transaction((tx) => {
        const before = rowOr404(tx, pots, idOf(request), 'pot');
        checkFresh(request, before);
        const merged = { ...before, ...changed };
        checkPotRow(merged);
        checkUse(before, merged);
        const standing = changed.role && changed.role !== before.role && inUse(before) > 0;
        if (standing) throw invalid('role', 'a plant stands in one of these');
        return tx
          .update(pots)
          .set({
            ...changed,
            soakingSince: sinceOf(merged, before.soakingSince, today()),
            ...touch(before),
          })
          .where(eq(pots.id, before.id))
          .returning()
          .get();
      });
      sendRow(response, withFill(row));
    },
  );
  routes.delete('/:id', { summary: `remove ${what}` }, (request, response) => {
    db.transaction((tx) => {
      const row = rowOr404(tx, pots, idOf(request), 'pot');
      checkFresh(request, row);
      const used = tx
        .select({ id: plants.id })
        .from(plants)
        .where(or(eq(plants.potId, row.id), eq(plants.coverId, row.id)))
        .get();
      if (used || inUse(row) > 0) throw invalid('id', 'a plant stands in one of these');
      tx.delete(pots).where(eq(pots.id, row.id)).run();
    });
    response.status(204).end();
  });
  routes.get(
    '/:id/covers',
    { summary: 'cover pots that a pot of the shelf stands in' },
    (request, response) => {
      const pot = rowOr404(db, pots, idOf(request), 'pot');
      const covers = db.select().from(pots).where(eq(pots.role, 'cover')).all();
      response.json({
        items: covers.map((cover) => ({
          id: cover.id,
          label: cover.label,
          free: cover.free,
          ...coverFit(pot.shape, cover.shape, cover.material),
        })),
        nextCursor: null,
      });
    },
  );
  return routes;
}

const withFill = (row: PotRow) => ({ ...row, fillL: insideFillL(row.shape, row.material) });
const inUse = (row: Pick<PotRow, 'count' | 'free' | 'soaking'>) =>
  row.count - row.free - row.soaking;

/** Since when anything soaks. */
function sinceOf({ soaking }: { soaking: number }, before: string | null, today: IsoDate) {
  return soaking > 0 ? (before ?? today) : null;
}

function checkPotRow(pot: Pick<PotRow, 'shape' | 'count' | 'free' | 'soaking'>): void {
  checkPot(pot.shape);
  if (pot.free > pot.count) {
    throw invalid('free', `free must not exceed count (${pot.count}), got ${pot.free}`);
  }
  if (inUse(pot) < 0) {
    throw invalid(
      'soaking',
      `soaking must leave room for what is free: ${pot.free} free and ${pot.soaking} soaking are more than ${pot.count}`,
    );
  }
}

/** What stands with plants is theirs: a change of counts cannot take it. */
function checkUse(before: PotRow, after: Pick<PotRow, 'count' | 'free' | 'soaking'>): void {
  if (inUse(after) < inUse(before) && after.count < before.count) {
    throw invalid(
      'count',
      `count must not be under the ${inUse(before)} in use, got ${after.count}`,
    );
  }
}

const supportFields = {
  label: label(),
  kind: supportKindId(),
  section: section(),
  lengthCm: supportLength(),
  extension: Joi.boolean(),
  count: count(),
  free: free(),
};
const newSupport = Joi.object<Input<SupportRow>>({
  ...supportFields,
  label: supportFields.label.required(),
  kind: supportFields.kind.required(),
  lengthCm: supportFields.lengthCm.required(),
  extension: supportFields.extension.default(false),
  count: supportFields.count.default(1),
});
const changedSupport = Joi.object<Partial<Input<SupportRow>>>(supportFields).min(1);

/** Supports by kind, section and length. */
export function supportRoutes({ db }: Context): DescribedRouter {
  const routes = new DescribedRouter();
  const what = 'a kind of support on the shelf';
  routes.get(
    '/',
    { summary: 'list supports of the shelf', query: pageQuery },
    (request, response) => {
      response.json(page(db, supports, request));
    },
  );
  routes.get('/:id', { summary: 'one kind of support on the shelf' }, (request, response) => {
    sendRow(response, rowOr404(db, supports, idOf(request), 'support'));
  });
  routes.post('/', { summary: `add ${what}`, body: newSupport }, (_request, response, input) => {
    const support = {
      ...input,
      section: checkSection(input.section ?? supportKind(input.kind).section),
      free: input.free ?? input.count,
    };
    checkFree(support);
    const row = db
      .insert(supports)
      .values({ ...stamp(), ...support })
      .returning()
      .get();
    sendRow(response.location(`/api/supports/${row.id}`), row, 201);
  });
  routes.patch(
    '/:id',
    { summary: `change ${what}`, body: changedSupport },
    (request, response, changed) => {
      const row = db.transaction((tx) => {
        const before = rowOr404(tx, supports, idOf(request), 'support');
        checkFresh(request, before);
        checkFree({ ...before, ...changed });
        return tx
          .update(supports)
          .set({ ...changed, ...touch(before) })
          .where(eq(supports.id, before.id))
          .returning()
          .get();
      });
      sendRow(response, row);
    },
  );
  routes.delete('/:id', { summary: `remove ${what}` }, (request, response) => {
    db.transaction((tx) => {
      const row = rowOr404(tx, supports, idOf(request), 'support');
      checkFresh(request, row);
      const used = tx
        .select({ id: plants.id })
        .from(plants)
        .where(eq(plants.supportId, row.id))
        .get();
      if (used) throw new HttpError(409, 'inUse', 'a plant is tied to one of these', 'id');
      tx.delete(supports).where(eq(supports.id, row.id)).run();
    });
    response.status(204).end();
  });
  return routes;
}

function checkFree(row: { count: number; free: number }): void {
  if (row.free > row.count) {
    throw invalid('free', `free must not exceed count (${row.count}), got ${row.free}`);
  }
}
