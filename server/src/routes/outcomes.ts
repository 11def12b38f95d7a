import { CHECKPOINT_IDS, GRADES, GROUPS, SEEN_IDS, type Checkpoint } from '@fernbank/core';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { notAhead } from '../http/days.ts';
import { outcomes } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { MOST_ALIKE } from '../http/plantBody.ts';
import { isoDate, note, rowId } from '../http/fields.ts';
import { sendRow, ofPlant } from '../http/resource.ts';
import { addRows } from '../http/rows.ts';
import { check } from '../http/validate.ts';
import {
  changeOutcome,
  keepOutcome,
  whatWorked,
  type ChangedOutcome,
  type NewOutcome,
} from '../services/worked.ts';

const grade = () => Joi.string().valid(...Object.keys(GRADES));
const seen = () =>
  Joi.array()
    .items(Joi.string().valid(...SEEN_IDS))
    .unique();

/** With the repots of other plants of which just the same is said. */
interface Judged extends NewOutcome {
  alike: number[];
}
const newOutcome = Joi.object<Judged, true>({
  repotId: rowId().required(),
  date: isoDate().required(),
  grade: grade().required(),
  seen: seen().default([]),
  photoId: rowId().allow(null).default(null),
  note: note().default(''),
  alike: Joi.array().items(rowId()).unique().max(MOST_ALIKE).default([]),
});
const changedOutcome = Joi.object<ChangedOutcome, true>({
  grade: grade(),
  seen: seen(),
  photoId: rowId().allow(null),
  note: note(),
}).min(1);

/** What became of repots: judged at three weeks, six to eight weeks, a season. */
export function outcomeRoutes(context: Context): DescribedRouter<'/outcomes'> {
  const { db } = context;
  const routes = new DescribedRouter('/outcomes');
  addRows(routes, {
    db,
    table: outcomes,
    name: 'outcome',
    what: 'an outcome',
    plural: 'outcomes',
    where: (request) => ofPlant(request, outcomes),
    changed: {
      body: changedOutcome,
      values: (before, changed) => changeOutcome(context.journal.file, before, changed),
    },
    removed: {},
  });
  routes.post(
    '/',
    { summary: 'judge a repot at the checkpoint of a day', body: newOutcome },
    (_request, response, { alike, ...order }) => {
      notAhead(context, 'date', order.date);
      const row = keepOutcome(db, order);
      // A picture is of one plant.
      for (const repotId of alike) keepOutcome(db, { ...order, repotId, photoId: null });
      sendRow(response.location(`/api/outcomes/${row.id}`), row, 201);
    },
  );
  return routes;
}

const workedQuery = Joi.object<{ group?: string; at?: Checkpoint }, true>({
  group: Joi.string().valid(...GROUPS.map(({ id }) => id)),
  at: Joi.string().valid(...CHECKPOINT_IDS),
});

export function workedRoutes(context: Context): DescribedRouter {
  const routes = new DescribedRouter();
  routes.get(
    '/worked',
    {
      summary: 'what worked: shares that went well by method, season and school',
      query: workedQuery,
    },
    (request, response) => {
      response.json(whatWorked(context.db, check(workedQuery, request.query, true)));
    },
  );
  return routes;
}
