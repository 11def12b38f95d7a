import { WICKS } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { asOf, dayQuery } from '../http/days.ts';
import { plants, reservoirs } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { note } from '../http/fields.ts';
import { checkFresh, idOf, rowOr404, sendRow, stamp, touch } from '../http/resource.ts';
import { reservoirOfPlant, type ReservoirRow } from '../services/reservoirs.ts';

type ReservoirInput = Pick<ReservoirRow, 'fullL' | 'wick' | 'note'>;
const reservoir = Joi.object<ReservoirInput, true>({
  fullL: Joi.number().min(0.02).max(200).required(),
  wick: Joi.string()
    .valid(...Object.keys(WICKS))
    .allow(null)
    .default(null),
  note: note().default(''),
});

/** Level and wicks were told of what it stood over: with other litres or another wick nobody knows them. */
const stillSo = (before: ReservoirRow, { fullL, wick }: ReservoirInput) => ({
  ...(fullL === before.fullL ? {} : { levelCm: null }),
  ...(wick === before.wick ? {} : { setup: null, gapCm: null, wicks: null, winterWicks: null }),
});

/** Plants that stand over water: how much is left, when to flush, what is wrong. */
export function reservoirRoutes(context: Context): DescribedRouter<'/reservoirs'> {
  const { db } = context;
  const routes = new DescribedRouter('/reservoirs');
  routes.get(
    '/',
    { summary: 'every plant over a reservoir as it stands on a day', query: dayQuery },
    (request, response) =>
      context.reader.send(response, 'reservoirs', { date: asOf(context, request) }),
  );
  routes.get(
    '/:id',
    { summary: 'the reservoir of plant :id as it stands on a day', query: dayQuery },
    (request, response) => {
      const plant = rowOr404(db, plants, idOf(request), 'plant');
      response.json({ reservoir: reservoirOfPlant(db, plant, asOf(context, request)) });
    },
  );
  routes.put(
    '/:id',
    { summary: 'say what plant :id stands over', body: reservoir, status: 200 },
    (request, response, input) => {
      const plant = rowOr404(db, plants, idOf(request), 'plant');
      const before = db.select().from(reservoirs).where(eq(reservoirs.plantId, plant.id)).get();
      if (before) checkFresh(request, before);
      const row = before
        ? db
            .update(reservoirs)
            .set({ ...input, ...stillSo(before, input), ...touch(before) })
            .where(eq(reservoirs.id, before.id))
            .returning()
            .get()
        : db
            .insert(reservoirs)
            .values({ ...stamp(), ...input, plantId: plant.id })
            .returning()
            .get();
      sendRow(response, row);
    },
  );
  routes.delete(
    '/:id',
    { summary: 'plant :id stands over no water any more' },
    (request, response) => {
      const plant = rowOr404(db, plants, idOf(request), 'plant');
      db.delete(reservoirs).where(eq(reservoirs.plantId, plant.id)).run();
      response.status(204).end();
    },
  );
  return routes;
}
