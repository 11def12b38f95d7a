import { and, eq, gt, isNull } from 'drizzle-orm';
import Joi from 'joi';
import { notAhead, type Context } from '../context.ts';
import {
  looks,
  measurements,
  MEASUREMENT_KINDS,
  MEASUREMENTS,
  overrules,
  plants,
  repots,
  tasks,
  type MeasurementKind,
} from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { invalid } from '../http/errors.ts';
import {
  drainageLayer,
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
import { checkFresh, idOf, ofPlant, rowOr404, sendRow, stamp } from '../http/resource.ts';
import { addRows } from '../http/rows.ts';
import { aftercareCalendar } from '../services/calendar.ts';
import { judge } from '../services/judging.ts';
import { forgetRepot, repot, type RepotOrder } from '../services/repotting.ts';
import { completeTask, moveAfterLook, moveAfterWatering, moveTask } from '../services/tasks.ts';

/** A plant cannot be seen, weighed or repotted before it came. */
function checkArrived({ db }: Context, plantId: number, date: string): void {
  const plant = db.select().from(plants).where(eq(plants.id, plantId)).get();
  if (!plant) throw invalid('plantId', `plant ${plantId} was not found`);
  if (plant.acquired && date < plant.acquired) {
    throw invalid('date', `date must not be before the plant arrived (${plant.acquired})`);
  }
}

const newLook = Joi.object<{
  plantId: number;
  date: string;
  signals: Record<string, string | number | boolean>;
  note: string;
}>({
  plantId: rowId().required(),
  date: isoDate().required(),
  signals: signals().required(),
  note: note().default(''),
});
const changedLook = Joi.object<{ signals?: Record<string, string>; note?: string }>({
  signals: signals(),
  note: note(),
}).min(1);

export function lookRoutes(context: Context): DescribedRouter {
  const { db } = context;
  const routes = new DescribedRouter();
  addRows(routes, {
    db,
    table: looks,
    address: 'looks',
    name: 'look',
    what: 'a look',
    plural: 'looks',
    where: (request) => ofPlant(request, looks),
    made: {
      body: newLook,
      values: (input) => {
        notAhead(context, 'date', input.date);
        checkArrived(context, input.plantId, input.date);
        moveAfterLook(db, input.plantId, input.date, input.signals);
        return input;
      },
    },
    changed: { body: changedLook, values: (_before, changed) => changed },
    removed: {},
  });
  return routes;
}

type NewMeasurement = Omit<typeof measurements.$inferInsert, 'createdAt' | 'updatedAt'>;
const newMeasurement = Joi.object<NewMeasurement>({
  plantId: rowId().required(),
  date: isoDate().required(),
  kind: Joi.string()
    .valid(...MEASUREMENT_KINDS)
    .required(),
  minute: minute().allow(null).default(null),
  value: Joi.number().min(0).max(100_000).required(),
  note: note().default(''),
});

/** Each kind has its own range: a weight of 0, a pH of 20 are slips of the hand. */
function checkRange(kind: MeasurementKind, value: number): void {
  const { least, most } = MEASUREMENTS[kind];
  if (value < least || value > most) {
    throw invalid('value', `value must be between ${least} and ${most} for ${kind}, got ${value}`);
  }
}

/** The same reading once more: a scale that sent twice, a form that was sent again. */
function sameReading(db: Context['db'], input: NewMeasurement) {
  const { plantId, date, kind, value, minute: at } = input;
  return db
    .select()
    .from(measurements)
    .where(
      and(
        eq(measurements.plantId, plantId),
        eq(measurements.date, date),
        eq(measurements.kind, kind),
        eq(measurements.value, value),
        at == null ? isNull(measurements.minute) : eq(measurements.minute, at),
      ),
    )
    .get();
}

/** A height that is entered late does not undo one measured since. */
function isNewestHeight(db: Context['db'], { plantId, date }: { plantId: number; date: string }) {
  const later = db
    .select({ id: measurements.id })
    .from(measurements)
    .where(
      and(
        eq(measurements.plantId, plantId),
        eq(measurements.kind, 'heightCm'),
        gt(measurements.date, date),
      ),
    )
    .get();
  return later === undefined;
}

export function measurementRoutes(context: Context): DescribedRouter {
  const { db } = context;
  const routes = new DescribedRouter();
  addRows(routes, {
    db,
    table: measurements,
    address: 'measurements',
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
      checkArrived(context, input.plantId, input.date);
      checkRange(input.kind, input.value);
      const same = input.minute == null ? undefined : sameReading(db, input);
      if (same) return sendRow(response, same);
      if (input.kind === 'heightCm' && isNewestHeight(db, input)) {
        db.update(plants).set({ heightCm: input.value }).where(eq(plants.id, input.plantId)).run();
      }
      if (input.kind === 'watered') moveAfterWatering(db, input.plantId, input.date);
      const row = db
        .insert(measurements)
        .values({ ...stamp(), ...input })
        .returning()
        .get();
      sendRow(response.location(`/api/measurements/${row.id}`), row, 201);
    },
  );
  return routes;
}

const newRepot = Joi.object<RepotOrder>({
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
  mound: Joi.boolean().default(false),
  scoopL: Joi.number().min(0.01).max(50).allow(null).default(null),
  drawStock: Joi.boolean().default(true),
  note: note().default(''),
});

export function repotRoutes(context: Context): DescribedRouter {
  const { db } = context;
  const routes = new DescribedRouter();
  addRows(routes, {
    db,
    table: repots,
    address: 'repots',
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
        .json({ ...written.repot, tasks: written.tasks });
    },
  );
  return routes;
}

const changedTask = Joi.object<{ done?: string | null; due?: string }>({
  done: isoDate().allow(null),
  due: isoDate(),
}).xor('done', 'due');

export function taskRoutes(context: Context): DescribedRouter {
  const { db } = context;
  const routes = new DescribedRouter();
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
    address: 'tasks',
    name: 'task',
    what: 'a task',
    plural: 'tasks',
    where: (request) => ofPlant(request, tasks),
  });
  routes.patch(
    '/:id',
    { summary: 'mark a task done or open again, or move it to another day', body: changedTask },
    (request, response, { done = null, due }) => {
      const row = rowOr404(db, tasks, idOf(request), 'task');
      checkFresh(request, row);
      if (done) notAhead(context, 'done', done);
      sendRow(response, due === undefined ? completeTask(db, row, done) : moveTask(db, row, due));
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
const newOverrule = Joi.object<NewOverrule>({
  plantId: rowId().required(),
  date: isoDate().required(),
  instead: Joi.string().valid('repotNow', 'leave').required(),
  until: isoDate().required(),
  reason: Joi.string().trim().min(1).max(400).required(),
});

/** The keeper's own word against a verdict. What was advised is kept beside it, to be counted. */
export function overruleRoutes(context: Context): DescribedRouter {
  const { db } = context;
  const routes = new DescribedRouter();
  addRows(routes, {
    db,
    table: overrules,
    address: 'overrules',
    name: 'overrule',
    what: 'an overrule: the keeper’s own word until a day, with a reason',
    plural: 'overrules',
    where: (request) => ofPlant(request, overrules),
    made: {
      body: newOverrule,
      values: (input) => {
        notAhead(context, 'date', input.date);
        checkArrived(context, input.plantId, input.date);
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
