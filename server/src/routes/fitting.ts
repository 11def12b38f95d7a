import { checkPot, checkSection, piecesFault, POT_SOURCES, type FitPlan } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { asOf, dayQuery } from '../http/days.ts';
import { plans, plants } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import {
  drainageLayer,
  pebbleSetup,
  potMaterialId,
  potShape,
  recipeId,
  recipeParts,
  rootCuts,
  rowId,
  section,
  schoolChoice,
  supportKindId,
  supportLength,
  saying,
} from '../http/fields.ts';
import { checkFresh, idOf, rowOr404, sendRow } from '../http/resource.ts';
import { MOST_ALIKE } from '../http/plantBody.ts';
import { invalid } from '../http/errors.ts';
import { plantFile } from '../services/collection.ts';
import { keepPlan, settleAlike } from '../services/alike.ts';
import { checkMix } from '../services/pantry.ts';
import { readSettings } from '../services/settings.ts';

interface Settled extends FitPlan {
  /** other plants for which the same is settled, each with a plan of its own */
  alike?: number[] | undefined;
}
const fitPlan = Joi.object<Settled, true>({
  pot: potShape().required(),
  potMaterial: potMaterialId().required(),
  potLabel: saying().required(),
  potId: rowId().allow(null).default(null),
  potSource: Joi.string()
    .valid(...POT_SOURCES)
    .required(),
  leftBy: Joi.string().max(120),
  recipeId: recipeId().required(),
  parts: recipeParts(),
  size: schoolChoice('size').required(),
  layer: drainageLayer().default('screen'),
  cuts: rootCuts().default({ pieces: 1, rootsPruned: false }),
  alike: Joi.array().items(rowId()).unique().max(MOST_ALIKE),
  mound: Joi.boolean(),
  water: Joi.object({
    kind: pebbleSetup().required(),
    coverId: rowId().allow(null).default(null),
  }),
  support: Joi.object({
    kind: supportKindId().required(),
    section: section().required(),
    lengthCm: supportLength().required(),
    stock: Joi.object({
      id: rowId().allow(null).required(),
      lengthCm: supportLength().required(),
    })
      .allow(null)
      .default(null),
    poles: Joi.number().integer().min(1).max(20).default(1),
  })
    .allow(null)
    .default(null),
});

/** What a plant could move into, and what was settled on. */
export function fittingRoutes(context: Context): DescribedRouter {
  const { db, reader } = context;
  const routes = new DescribedRouter();

  routes.get(
    '/plants/:id/fitting',
    {
      summary: 'pots, covers and supports that a plant could have, and its plan',
      query: dayQuery,
    },
    (request, response) =>
      reader.send(response, 'fitting', { plantId: idOf(request), date: asOf(context, request) }),
  );
  routes.get(
    '/fitting',
    {
      summary: 'pots, covers and supports that a plant could have which is not in the collection',
      query: dayQuery,
    },
    (request, response) => reader.send(response, 'offered', { date: asOf(context, request) }),
  );
  routes.get('/plans', { summary: 'what was settled on, plant by plant' }, (_request, response) =>
    reader.send(response, 'plans', { date: context.today() }),
  );
  routes.put(
    '/plants/:id/plan',
    { summary: 'settle on a pot, a mix and a support', body: fitPlan, status: 200 },
    (request, response, { alike = [], ...fit }) => {
      checkPot(fit.pot);
      checkMix(db, fit);
      if (fit.support) checkSection(fit.support.section);
      const plant = rowOr404(db, plants, idOf(request), 'plant');
      const before = db.select().from(plans).where(eq(plans.plantId, plant.id)).get();
      if (before) checkFresh(request, before);
      const date = context.today();
      const { pieces, counted } = fit.cuts;
      const { traits } = plantFile(db, plant, date, readSettings(db)).situation;
      const fault = counted ? piecesFault(pieces, traits, counted, plant.together) : null;
      if (fault) throw invalid('cuts.pieces', fault);
      settleAlike(db, plant.id, fit, alike, date);
      sendRow(response, keepPlan(db, plant.id, fit, date));
    },
  );
  routes.delete(
    '/plants/:id/plan',
    { summary: 'drop what was settled on' },
    (request, response) => {
      const plant = rowOr404(db, plants, idOf(request), 'plant');
      db.delete(plans).where(eq(plans.plantId, plant.id)).run();
      response.status(204).end();
    },
  );
  return routes;
}
