import { eq, sql } from 'drizzle-orm';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { plants, spots } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError } from '../http/errors.ts';
import { humidity, latitude, light, temperatures } from '../http/fields.ts';
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
import type { SpotRow } from '../services/collection.ts';

type SpotInput = Omit<SpotRow, 'id' | 'rev' | 'createdAt' | 'updatedAt'>;

const fields = {
  name: Joi.string().trim().min(1).max(80),
  sortOrder: Joi.number().integer().min(0).max(10_000),
  latitudeDeg: latitude(),
  indoors: Joi.boolean(),
  temperatureC: temperatures(),
  relativeHumidity: humidity(),
  light: light(),
  lampHours: Joi.number().min(0).max(24),
};

const newSpot = Joi.object<SpotInput>({
  ...fields,
  name: fields.name.required(),
  sortOrder: fields.sortOrder.default(0),
  latitudeDeg: fields.latitudeDeg.required(),
  indoors: fields.indoors.default(true),
  temperatureC: fields.temperatureC.default(20),
  relativeHumidity: fields.relativeHumidity.default(0.5),
  light: fields.light.default('medium'),
  lampHours: fields.lampHours.default(0),
});
const changedSpot = Joi.object<Partial<SpotInput>>(fields).min(1);

export function spotRoutes({ db }: Context): DescribedRouter {
  const routes = new DescribedRouter();

  routes.get(
    '/',
    { summary: 'list spots', query: pageQuery },
    (request, response) => void response.json(page(db, spots, request)),
  );

  routes.get('/:id', { summary: 'one spot' }, (request, response) => {
    sendRow(response, rowOr404(db, spots, idOf(request), 'spot'));
  });

  routes.post('/', { summary: 'add a spot', body: newSpot }, (_request, response, input) => {
    const row = db
      .insert(spots)
      .values({ ...stamp(), ...input })
      .returning()
      .get();
    sendRow(response.location(`/api/spots/${row.id}`), row, 201);
  });

  routes.patch(
    '/:id',
    { summary: 'change a spot', body: changedSpot },
    (request, response, changed) => {
      const row = db.transaction((tx) => {
        const before = rowOr404(tx, spots, idOf(request), 'spot');
        checkFresh(request, before);
        return tx
          .update(spots)
          .set({ ...changed, ...touch(before) })
          .where(eq(spots.id, before.id))
          .returning()
          .get();
      });
      sendRow(response, row);
    },
  );

  routes.delete('/:id', { summary: 'remove a spot' }, (request, response) => {
    db.transaction((tx) => {
      const row = rowOr404(tx, spots, idOf(request), 'spot');
      checkFresh(request, row);
      const standing = tx
        .select({ count: sql<number>`count(*)` })
        .from(plants)
        .where(eq(plants.spotId, row.id))
        .get()!.count;
      if (standing > 0) {
        throw new HttpError(409, 'inUse', `${standing} plants stand there; move them first`);
      }
      tx.delete(spots).where(eq(spots.id, row.id)).run();
    });
    response.status(204).end();
  });

  return routes;
}
