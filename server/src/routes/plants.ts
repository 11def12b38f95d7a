import { isNotNull, isNull } from 'drizzle-orm';
import type { Context } from '../context.ts';
import { plants } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { alikePlants, askedPlant, changedPlant, newPlant } from '../http/plantBody.ts';
import { addRows } from '../http/rows.ts';
import { withTaxon } from '../services/collection.ts';
import {
  addAlike,
  changedValues,
  checkPlant,
  checkSpot,
  keepAsked,
  newValues,
} from '../services/plants.ts';
import { freePot, freeSupport, soakPot } from '../services/shelf.ts';

const GONE = { key: 'gone', sql: isNotNull(plants.goneOn) };
const PRESENT = { key: 'present', sql: isNull(plants.goneOn) };

export function plantRoutes(context: Context): DescribedRouter<'/plants'> {
  const { db } = context;
  const routes = new DescribedRouter('/plants');

  addRows(routes, {
    db,
    table: plants,
    name: 'plant',
    what: 'a plant',
    plural: 'plants',
    shown: withTaxon,
    // Those that were lost are asked for by `?gone=1`.
    where: ({ query }) => (query.gone === '1' ? GONE : PRESENT),
    made: {
      body: newPlant,
      values: (input) => {
        checkPlant(context, input);
        checkSpot(context, input.spotId);
        return newValues(db, input);
      },
    },
    changed: {
      body: changedPlant,
      values: (before, changed) => changedValues(context, db, before, changed),
    },
    removed: {
      check: (row) => {
        soakPot(db, row.potId, context.today());
        freePot(db, row.coverId);
        freeSupport(db, row.supportId);
      },
    },
  });
  routes.post(
    '/alike',
    { summary: 'add so many plants alike', body: alikePlants, status: 201 },
    (_request, response, given) => {
      response.status(201).json({ items: addAlike(context, db, given).map(withTaxon) });
    },
  );
  routes.post(
    '/asked',
    {
      summary: 'keep a plant that was asked about: itself, its spot if that is new, what was seen',
      body: askedPlant,
      status: 201,
    },
    (_request, response, given) => {
      response.status(201).json(withTaxon(keepAsked(context, db, given)));
    },
  );
  return routes;
}
