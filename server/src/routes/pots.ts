import { checkPot } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { pots } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { invalid } from '../http/errors.ts';
import { potMaterialId, potShape } from '../http/fields.ts';
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
import { shelfFillL } from '../services/repotting.ts';

type PotRow = typeof pots.$inferSelect;
type PotInput = Omit<PotRow, 'id' | 'rev' | 'createdAt' | 'updatedAt'>;

const fields = {
  label: Joi.string().trim().min(1).max(80),
  shape: potShape(),
  material: potMaterialId(),
  emptyKg: Joi.number().positive().max(200).allow(null),
  count: Joi.number().integer().min(1).max(10_000),
  free: Joi.number().integer().min(0).max(10_000),
};
const newPot = Joi.object<PotInput>({
  ...fields,
  label: fields.label.required(),
  shape: fields.shape.required(),
  material: fields.material.default('plastic'),
  emptyKg: fields.emptyKg.default(null),
  count: fields.count.default(1),
});
const changedPot = Joi.object<Partial<PotInput>>(fields).min(1);

export function potRoutes({ db }: Context): DescribedRouter {
  const routes = new DescribedRouter();

  routes.get('/', { summary: 'list pots of the shelf', query: pageQuery }, (request, response) => {
    const { items, nextCursor } = page(db, pots, request);
    response.json({ items: items.map(withFill), nextCursor });
  });

  routes.get('/:id', { summary: 'one kind of pot on the shelf' }, (request, response) => {
    sendRow(response, withFill(rowOr404(db, pots, idOf(request), 'pot')));
  });

  routes.post(
    '/',
    { summary: 'add a kind of pot on the shelf', body: newPot },
    (_request, response, input) => {
      const pot = { ...input, free: input.free ?? input.count };
      checkCounts(pot);
      checkPot(pot.shape);
      const row = db
        .insert(pots)
        .values({ ...stamp(), ...pot })
        .returning()
        .get();
      sendRow(response.location(`/api/pots/${row.id}`), withFill(row), 201);
    },
  );

  routes.patch(
    '/:id',
    { summary: 'change a kind of pot on the shelf', body: changedPot },
    (request, response, changed) => {
      const row = db.transaction((tx) => {
        const before = rowOr404(tx, pots, idOf(request), 'pot');
        checkFresh(request, before);
        checkCounts({ ...before, ...changed });
        return tx
          .update(pots)
          .set({ ...changed, ...touch(before) })
          .where(eq(pots.id, before.id))
          .returning()
          .get();
      });
      sendRow(response, withFill(row));
    },
  );

  routes.delete('/:id', { summary: 'remove a kind of pot on the shelf' }, (request, response) => {
    db.transaction((tx) => {
      const row = rowOr404(tx, pots, idOf(request), 'pot');
      checkFresh(request, row);
      if (row.free < row.count) throw invalid('id', 'a plant stands in one of these');
      tx.delete(pots).where(eq(pots.id, row.id)).run();
    });
    response.status(204).end();
  });

  return routes;
}

const withFill = (row: PotRow) => ({ ...row, fillL: shelfFillL(row.shape, row.material) });

function checkCounts({ count, free }: { count: number; free: number }): void {
  if (free > count) throw invalid('free', `free must not exceed count (${count}), got ${free}`);
}
