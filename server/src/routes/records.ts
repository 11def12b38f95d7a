import { MEASUREMENT_KINDS, type Signals } from '@fernbank/core';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { notAhead } from '../http/days.ts';
import { looks, measurements, overrules, plants, repots, tasks } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { invalid } from '../http/errors.ts';
import {
  drainageLayer,
  pebbleSetup,
  fraction,
  isoDate,
  mediumKind,
  minute,
  note,
  potMaterialId,
  potShape,
  recipeId,
  recipeParts,
  rootCuts,
  rowId,
  section,
  signals,
  supportKindId,
  supportLength,
} from '../http/fields.ts';
import { checkFresh, idOf, ofPlant, rowOr404, sendRow } from '../http/resource.ts';
import { addRows } from '../http/rows.ts';
import { aftercareCalendar } from '../services/calendar.ts';
import { judge } from '../services/judging.ts';
import type { RepotOrder } from '../services/repotOrder.ts';
import { forgetRepot, repot } from '../services/repotting.ts';
import { checkArrived, keepMeasurement, type NewMeasurement } from '../services/seeing.ts';
import { completeTask, moveAfterLook, moveTask, shownTask } from '../services/tasks.ts';

const newLook = Joi.object<{ plantId: number; date: string; signals: Signals; note: string }, true>(
  {
    plantId: rowId().required(),
    date: isoDate().required(),
    signals: signals().required(),
    note: note().default(''),
  },
);
const changedLook = Joi.object<{ signals?: Signals; note?: string }, true>({
  signals: signals(),
  note: note(),
}).min(1);

export function lookRoutes(context: Context): DescribedRouter<'/looks'> {
  const { db } = context;
  const routes = new DescribedRouter('/looks');
  addRows(routes, {
    db,
    table: looks,
    name: 'look',
    what: 'a look',
    plural: 'looks',
    where: (request) => ofPlant(request, looks),
    made: {
      body: newLook,
      values: (input) => {
        notAhead(context, 'date', input.date);
        checkArrived(db, input.plantId, input.date);
        moveAfterLook(db, input.plantId, input.date, input.signals);
        return input;
      },
    },
    changed: { body: changedLook, values: (_before, changed) => changed },
    removed: {},
  });
  return routes;
}

const measured = {
  date: isoDate().required(),
  kind: Joi.string()
    .valid(...MEASUREMENT_KINDS)
    .required(),
  minute: minute().allow(null).default(null),
  value: Joi.number().min(0).max(100_000).required(),
  note: note().default(''),
};
const newMeasurement = Joi.object<NewMeasurement, true>({
  plantId: rowId().required(),
  ...measured,
});
interface MeasuredTogether extends Omit<NewMeasurement, 'plantId'> {
  plantIds: number[];
}
const measuredTogether = Joi.object<MeasuredTogether, true>({
  plantIds: Joi.array().items(rowId()).min(1).max(1000).unique().required(),
  ...measured,
});

export function measurementRoutes(context: Context): DescribedRouter<'/measurements'> {
  const { db } = context;
  const routes = new DescribedRouter('/measurements');
  addRows(routes, {
    db,
    table: measurements,
    name: 'measurement',
    what: 'a measurement',
    plural: 'measurements',
    where: (request) => ofPlant(request, measurements),
    removed: {},
  });
  routes.post(
    '/',
    { summary: 'add a measurement', body: newMeasurement },
    (_request, response, input) => {
      notAhead(context, 'date', input.date);
      checkArrived(db, input.plantId, input.date);
      const { row, isNew } = keepMeasurement(db, input);
      if (isNew) response.location(`/api/measurements/${row.id}`);
      sendRow(response, row, isNew ? 201 : 200);
    },
  );
  routes.post(
    '/together',
    { summary: 'add the same measurement to several plants, as one deed', body: measuredTogether },
    (_request, response, { plantIds, ...input }) => {
      notAhead(context, 'date', input.date);
      for (const plantId of plantIds) {
        checkArrived(db, plantId, input.date);
        keepMeasurement(db, { plantId, ...input });
      }
      response.json({ plants: plantIds.length });
    },
  );
  return routes;
}

const newRepot = Joi.object<RepotOrder, true>({
  plantId: rowId().required(),
  date: isoDate().required(),
  pot: potShape().required(),
  potMaterial: potMaterialId().default('plastic'),
  potId: rowId().allow(null).default(null),
  mediumKind: mediumKind().required(),
  recipeId: recipeId().allow(null).default(null),
  parts: recipeParts(),
  rootsCut: Joi.boolean().default(false),
  support: Joi.object({
    lengthCm: supportLength().required(),
    kind: supportKindId().allow(null).default(null),
    section: section().allow(null).default(null),
    supportId: rowId().allow(null).default(null),
  }).allow(null),
  coverId: rowId().allow(null),
  extensions: Joi.array()
    .items(
      Joi.object({
        on: isoDate().allow(null).required(),
        addsCm: Joi.number().positive().max(600).required(),
        aboveCm: Joi.number().positive().max(1200).required(),
      }),
    )
    .max(12),
  layer: drainageLayer(),
  cuts: rootCuts(),
  liveRoots: fraction().allow(null).default(null),
  water: Joi.object({ kind: pebbleSetup().required() }),
  jar: Joi.boolean().default(false),
  mound: Joi.boolean().default(false),
  scoopL: Joi.number().min(0.01).max(50).allow(null).default(null),
  drawStock: Joi.boolean().default(true),
  note: note().default(''),
});

export function repotRoutes(context: Context): DescribedRouter<'/repots'> {
  const { db } = context;
  const routes = new DescribedRouter('/repots');
  addRows(routes, {
    db,
    table: repots,
    name: 'repot',
    what: 'a repot',
    plural: 'repots',
    where: (request) => ofPlant(request, repots),
    removed: { check: (row) => forgetRepot(db, row) },
  });
  routes.post(
    '/',
    { summary: 'write a repot down: event, new housing, aftercare', body: newRepot },
    (_request, response, order) => {
      notAhead(context, 'date', order.date);
      const written = repot(db, order);
      response
        .location(`/api/repots/${written.repot.id}`)
        .status(201)
        .json({ ...written.repot, tasks: written.tasks.map(shownTask) });
    },
  );
  return routes;
}

const changedTask = Joi.object<{ done?: string | null; due?: string }, true>({
  done: isoDate().allow(null),
  due: isoDate(),
}).xor('done', 'due');

/** The same for several: after a potting day many plants are asked for the same. */
const changedTasks = Joi.object<{ ids: number[]; done?: string; due?: string }, true>({
  ids: Joi.array().items(rowId()).min(1).max(1000).unique().required(),
  done: isoDate(),
  due: isoDate(),
}).xor('done', 'due');

export function taskRoutes(context: Context): DescribedRouter<'/tasks'> {
  const { db } = context;
  const routes = new DescribedRouter('/tasks');
  routes.get(
    '/calendar.ics',
    {
      summary:
        'open tasks and potting days as a calendar (RFC 5545), to be downloaded or subscribed to',
    },
    (request, response) => {
      const address = `${request.protocol}://${request.get('host') ?? 'localhost'}`;
      response
        .type('text/calendar')
        .set('Content-Disposition', 'inline; filename="aftercare.ics"')
        .send(aftercareCalendar(db, context.today(), address));
    },
  );
  addRows(routes, {
    db,
    table: tasks,
    name: 'task',
    what: 'a task',
    plural: 'tasks',
    shown: shownTask,
    where: (request) => ofPlant(request, tasks),
  });
  routes.patch(
    '/:id',
    { summary: 'mark a task done or open again, or move it to another day', body: changedTask },
    (request, response, { done = null, due }) => {
      const row = rowOr404(db, tasks, idOf(request), 'task');
      checkFresh(request, row);
      if (done) notAhead(context, 'done', done);
      sendRow(
        response,
        shownTask(due === undefined ? completeTask(db, row, done) : moveTask(db, row, due)),
      );
    },
  );
  routes.post(
    '/together',
    { summary: 'mark several tasks done, or move them, as one deed', body: changedTasks },
    (_request, response, { ids, done, due }) => {
      if (done) notAhead(context, 'done', done);
      const rows = ids.map((id) => rowOr404(db, tasks, id, 'task'));
      for (const row of rows) {
        if (due !== undefined) moveTask(db, row, due);
        else if (row.done === null) completeTask(db, row, done!);
      }
      response.json({ tasks: ids.length });
    },
  );
  return routes;
}

interface NewOverrule {
  plantId: number;
  date: string;
  instead: 'repotNow' | 'leave';
  until: string;
  reason: string;
}
const newOverrule = Joi.object<NewOverrule, true>({
  plantId: rowId().required(),
  date: isoDate().required(),
  instead: Joi.string().valid('repotNow', 'leave').required(),
  until: isoDate().required(),
  reason: Joi.string().trim().min(1).max(400).required(),
});

/** The keeper's own word against a verdict. What was advised is kept beside it, to be counted. */
export function overruleRoutes(context: Context): DescribedRouter<'/overrules'> {
  const { db } = context;
  const routes = new DescribedRouter('/overrules');
  addRows(routes, {
    db,
    table: overrules,
    name: 'overrule',
    what: 'an overrule: the keeper’s own word until a day, with a reason',
    plural: 'overrules',
    where: (request) => ofPlant(request, overrules),
    made: {
      body: newOverrule,
      values: (input) => {
        notAhead(context, 'date', input.date);
        checkArrived(db, input.plantId, input.date);
        if (input.until <= input.date) {
          throw invalid('until', `until must be after the day it is said (${input.date})`);
        }
        const plant = rowOr404(db, plants, input.plantId, 'plant');
        const { verdict } = judge(db, plant, input.date, { depth: 'brief' }).decision;
        return { ...input, advised: verdict };
      },
    },
    removed: {},
  });
  return routes;
}
