import Joi from 'joi';
import type { Context } from '../context.ts';
import { DescribedRouter } from '../http/described.ts';
import { rowId } from '../http/fields.ts';
import { MOST_MISSED_MS } from '../http/live.ts';
import { idOf } from '../http/resource.ts';
import { check } from '../http/validate.ts';
import { BIN_DAYS, emptyDeed } from '../history/keeping.ts';
import { bin, history } from '../history/reading.ts';
import { takeBack } from '../history/undo.ts';

const historyQuery = Joi.object<{ before?: number; limit: number; plantId?: number }, true>({
  before: rowId(),
  limit: Joi.number().integer().min(1).max(200).default(40),
  plantId: rowId(),
});

const eventsQuery = Joi.object<{ missedMs: number }, true>({
  missedMs: Joi.number().min(0).max(MOST_MISSED_MS).default(0),
});

/** Later deeds that rest on one, which the keeper was shown and takes back with it. */
const MOST_DEPENDENTS = 20_000;
const alsoTakenBack = () => Joi.array().items(rowId()).max(MOST_DEPENDENTS).unique().default([]);
/** What goes with a deed that is taken back. */
export const undoBody = Joi.object<{ also: number[] }, true>({ also: alsoTakenBack() });

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
    {
      summary:
        'take something back, or do what was taken back again; `also` names later deeds that go with it',
      body: undoBody,
      bodyOptional: true,
      status: 200,
    },
    (request, response, { also }) => {
      takeBack(journal.file, [idOf(request)], also);
      response.json({ deed: journal.deedNow() });
    },
  );
  routes.get(
    '/bin',
    {
      summary: `what was taken out, for ${BIN_DAYS} days on which Fernbank ran; undo its entry to put it back`,
    },
    (_request, response) => {
      const items = bin(journal.file);
      response.json({ days: BIN_DAYS, items });
    },
  );
  routes.delete(
    '/bin/:id',
    { summary: 'throw something in the bin away for good', alone: true },
    (request, response) => {
      // While a collection is being brought in, its pictures are nobody's yet.
      const folder = context.copies.working ? null : photoFolder;
      emptyDeed(journal.file, folder, idOf(request), context.today());
      response.status(204).end();
    },
  );
  routes.get(
    '/events',
    {
      summary:
        'what is done from now on, as server-sent events: deed, tables, plantIds, window; what was done in the last `missedMs` first',
      query: eventsQuery,
    },
    (request, response) => {
      const { missedMs } = check(eventsQuery, request.query, true);
      const { deviceId } = response.locals as { deviceId?: number };
      const { door } = context;
      live.open(request, response, () => deviceId === undefined || door.isIn(deviceId), missedMs);
    },
  );
  return routes;
}
