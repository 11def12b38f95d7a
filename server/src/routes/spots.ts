import { eq } from 'drizzle-orm';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { notAhead } from '../http/days.ts';
import { batches, plants, spots } from '../db/schema.ts';
import { localToday } from '../clock.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError } from '../http/errors.ts';
import { humidity, isoDate } from '../http/fields.ts';
import { changedSpot, newSpot, withYear } from '../http/spotBody.ts';
import { idOf, rowOr404 } from '../http/resource.ts';
import { addRows } from '../http/rows.ts';
import { climateOf, keepReadings } from '../services/climate.ts';
import { allFine } from '../services/rounds.ts';

interface Reading {
  at: string;
  temperatureC: number;
  relativeHumidity: number;
}
const newReadings = Joi.object<{ readings: Reading[] }, true>({
  readings: Joi.array()
    .items(
      Joi.object({
        at: Joi.string().isoDate().required(),
        temperatureC: Joi.number().min(-40).max(60).required(),
        relativeHumidity: humidity().required(),
      }),
    )
    .min(1)
    .max(2000)
    .required(),
});
const fineBody = Joi.object<{ date: string }, true>({ date: isoDate().required() });

export function spotRoutes(context: Context): DescribedRouter<'/spots'> {
  const { db } = context;
  const routes = new DescribedRouter('/spots');

  addRows(routes, {
    db,
    table: spots,
    name: 'spot',
    what: 'a spot',
    plural: 'spots',
    made: { body: newSpot, values: (input) => withYear(input, input) },
    changed: {
      body: changedSpot,
      values: (before, changed) => withYear(changed, { ...before, ...changed }),
    },
    removed: {
      check: (row) => {
        const there = db.select().from(plants).where(eq(plants.spotId, row.id)).all();
        const standing = there.filter(({ goneOn }) => goneOn === null).length;
        if (standing > 0) {
          throw new HttpError(409, 'inUse', `${standing} plants stand there; move them first`);
        }
        const batch = db.select().from(batches).where(eq(batches.spotId, row.id)).get();
        if (batch || there.length > 0) {
          throw new HttpError(
            409,
            'inUse',
            batch
              ? `“${batch.name}” of the tray stands there; move it first`
              : 'lost plants are recorded there; their record needs it',
          );
        }
      },
    },
  });

  routes.post(
    '/:id/fine',
    {
      summary: 'walked past the whole spot: nothing alarming was seen',
      body: fineBody,
      ready: (request, { date }) => {
        notAhead(context, 'date', date);
        const { id: spotId } = rowOr404(db, spots, idOf(request), 'spot');
        return context.reader.ask('toBeNoted', { spotId, date });
      },
    },
    (_request, response, { date }, noted) => {
      response.status(201).json(allFine(context.journal.file, noted, date));
    },
  );

  routes.post(
    '/:id/readings',
    { summary: 'readings of a room sensor; the same moment counts once', body: newReadings },
    (request, response, { readings: given }) => {
      const spot = rowOr404(db, spots, idOf(request), 'spot');
      // The keeper's own day: in the evening of the Americas it is tomorrow already in UTC.
      for (const { at } of given) notAhead(context, 'at', localToday(new Date(at)));
      response.status(201).json({ kept: keepReadings(db, spot.id, given) });
    },
  );

  routes.get(
    '/:id/readings',
    { summary: 'climate of a spot as its sensor read it' },
    (request, response) => {
      const spot = rowOr404(db, spots, idOf(request), 'spot');
      response.json(climateOf(db, spot.id));
    },
  );

  return routes;
}
