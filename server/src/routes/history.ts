import Joi from 'joi';
import type { Context } from '../context.ts';
import { whoAsks } from '../http/answered.ts';
import { DescribedRouter } from '../http/described.ts';
import { rowId } from '../http/fields.ts';
import { idOf } from '../http/resource.ts';
import { check } from '../http/validate.ts';
import { BIN_DAYS, emptyDeed, sinceDay } from '../history/keeping.ts';
import { bin, history } from '../history/reading.ts';
import { undoDeed } from '../history/undo.ts';

const historyQuery = Joi.object<{ before?: number; limit: number; plantId?: number }>({
  before: rowId(),
  limit: Joi.number().integer().min(1).max(200).default(40),
  plantId: rowId(),
});

/** Everything that was done, readable and to be taken back; and what was taken out. */
export function historyRoutes(context: Context): DescribedRouter {
  const { journal, photoFolder, live } = context;
  const routes = new DescribedRouter();
  routes.get(
    '/history',
    { summary: 'what was done, newest first, with the fields that changed', query: historyQuery },
    (request, response) => {
      const { before = null, limit, plantId = null } = check(historyQuery, request.query, true);
      response.json(history(journal.file, { before, limit, plantId }));
    },
  );
  routes.post(
    '/history/:id/undo',
    { summary: 'take something back, or do what was taken back again', status: 200, alone: true },
    (request, response) => {
      const deed = undoDeed(journal, idOf(request), whoAsks(request, response));
      response.json({ deed });
    },
  );
  routes.get(
    '/bin',
    { summary: `what was taken out in the last ${BIN_DAYS} days; undo its entry to put it back` },
    (_request, response) => {
      const items = bin(journal.file, sinceDay(context.today(), BIN_DAYS));
      response.json({ days: BIN_DAYS, items });
    },
  );
  routes.delete(
    '/bin/:id',
    { summary: 'throw something in the bin away for good', alone: true },
    (request, response) => {
      emptyDeed(journal.file, photoFolder, idOf(request), context.today());
      response.status(204).end();
    },
  );
  routes.get(
    '/events',
    { summary: 'what is done from now on, as server-sent events: deed, tables, plantIds, window' },
    (request, response) => {
      const { deviceId } = response.locals as { deviceId?: number };
      const { door } = context;
      live.open(request, response, () => door === null || door.isIn(deviceId ?? 0));
    },
  );
  return routes;
}
