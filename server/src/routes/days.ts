import { addDays, CLEANINGS, LONGEST_DAY_MINUTES, MOST_DATES, MOST_HANDS } from '@fernbank/core';

import Joi from 'joi';
import type { Context } from '../context.ts';
import type { Db } from '../db/driver.ts';
import { days } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { markOf } from '../history/touched.ts';
import { HttpError } from '../http/errors.ts';
import { isoDate, rowId, supportKindId } from '../http/fields.ts';
import { checkFresh, idOf, rowOr404, sendRow } from '../http/resource.ts';
import { addRows } from '../http/rows.ts';
import { undoBody } from './history.ts';
import { pin } from './pins.ts';
import { dayCsv, DAY_LISTS } from '../services/dayLists.ts';
import { readSettings } from '../services/settings.ts';
import { doneOf, type DayRow } from '../services/dayOfRepot.ts';
import { dayProblemFor } from '../services/dayProblem.ts';
import type { DayAsk } from '../services/dayReach.ts';
import {
  carriedFrom,
  changeDay,
  checkAsk,
  closeDay,
  daysNow,
  onDay,
  reopenDay,
  settleDay,
  takeDayBack,
  type DayEvent,
  type ToldMove,
} from '../services/days.ts';
import { solver } from '../services/solver.ts';

const MOST_PINS = 400;
const potId = () => Joi.string().min(1).max(80);
const ask = {
  dates: Joi.array()
    .items(
      Joi.object({
        date: isoDate().required(),
        minutes: Joi.number().integer().min(1).max(LONGEST_DAY_MINUTES).required(),
      }),
    )
    .min(1)
    .max(MOST_DATES),
  hands: Joi.number().integer().min(1).max(MOST_HANDS),
  money: Joi.number().min(0).max(1e6).allow(null),
  cleaning: Joi.string().valid(...Object.keys(CLEANINGS)),
  nextChance: isoDate(),
  pins: Joi.array().items(pin()).max(MOST_PINS),
};
/** Weeks until the keeper would pot again, where nobody says. @source common practice, no source */
const NEXT_CHANCE_DAYS = 42;
const newDay = Joi.object<DayAsk & { nextChance?: string; carries?: number }, true>({
  ...ask,
  dates: ask.dates.required(),
  hands: ask.hands.default(1),
  money: ask.money.default(null),
  cleaning: ask.cleaning.default('soak'),
  pins: ask.pins.default([]),
  /** the day whose rest this is: what it mixed and cut stands in the tub already */
  carries: rowId(),
});
const changedDay = Joi.object<Partial<DayAsk>, true>(ask).min(1);

const settled = Joi.object<{ moves: ToldMove[]; bound: number | null }, true>({
  moves: Joi.array()
    .items(
      Joi.object({
        plant: rowId().required(),
        pot: potId().required(),
        date: isoDate().required(),
      }),
    )
    .min(1)
    .max(400)
    .required(),
  bound: Joi.number().allow(null).default(null),
});

const mixId = () => Joi.string().min(1).max(2000).required();
const component = () => Joi.string().min(1).max(40).required();
const FARTHEST_MS = 8.64e15;
const EVENTS: Record<DayEvent['kind'], Record<string, Joi.Schema>> = {
  begin: {
    date: isoDate().required(),
    at: Joi.number().integer().positive().max(FARTHEST_MS).required(),
  },
  bought: { component: component() },
  notBought: { component: component() },
  mixed: { mix: mixId(), date: isoDate().required() },
  notMixed: { mix: mixId(), date: isoDate().required() },
  cut: { supportKind: supportKindId().required() },
  notCut: { supportKind: supportKindId().required() },
};
const KINDS = Object.keys(EVENTS) as DayEvent['kind'][];
const dayEvent = KINDS.reduceRight<Joi.Schema>(
  (otherwise, kind) =>
    Joi.alternatives().conditional(Joi.object({ kind: Joi.valid(kind).required() }).unknown(), {
      then: Joi.object({ kind: Joi.string().valid(kind).required(), ...EVENTS[kind] }),
      otherwise,
    }),
  Joi.object({
    kind: Joi.string()
      .valid(...KINDS)
      .required(),
  }).unknown(),
) as Joi.Schema<DayEvent>;

/** Potting days: what is asked of them, the plan that was settled on, and how far they have come. */
export function dayRoutes(context: Context): DescribedRouter<'/days'> {
  const { db, reader } = context;
  const routes = new DescribedRouter('/days');
  const shown = (row: DayRow) => withProgress(db, row);

  routes.get('/now', { summary: 'days that are not over, then those that are' }, (_q, response) => {
    response.json({ items: daysNow(db).map(shown), nextCursor: null });
  });
  addRows(routes, {
    db,
    table: days,
    name: 'day',
    what: 'a potting day',
    plural: 'potting days',
    shown,
    made: {
      body: newDay,
      values: ({ carries, ...input }) => {
        const last = input.dates[input.dates.length - 1]!.date;
        const made = { ...input, nextChance: input.nextChance ?? addDays(last, NEXT_CHANCE_DAYS) };
        checkAsk(made);
        return { ...made, ...(carries === undefined ? {} : carriedFrom(db, carries)) };
      },
    },
    changed: { body: changedDay, values: (before, changed) => changeDay(before, changed) },
    removed: {
      check: (row) => {
        if (doneOf(db, row.id).length > 0 || row.mixed.length > 0) {
          throw new HttpError(409, 'inUse', 'something was done on this day: take it back first');
        }
        if (row.state === 'settled') reopenDay(db, row.id, context.today());
      },
    },
  });
  routes.get(
    '/:id/problem',
    { summary: 'all that a day is chosen from: plants, pots, mixes, stock, poles' },
    (request, response) =>
      reader.send(response, 'dayProblem', { id: idOf(request), today: context.today() }),
  );
  routes.post(
    '/:id/settle',
    {
      summary: 'settle a day on the moves that were chosen',
      body: settled,
      status: 200,
      ready: async (request) => {
        await solver();
        return reader.ask('dayProblem', { id: idOf(request), today: context.today() });
      },
    },
    (request, response, { moves, bound }, read) => {
      const id = idOf(request);
      checkFresh(request, rowOr404(db, days, id, 'day'));
      const today = context.today();
      // What was done since it was read counts too.
      const problem =
        markOf(db).change === read.asOf
          ? read.problem
          : dayProblemFor(db, rowOr404(db, days, id, 'day'), today).problem;
      sendRow(response, shown(settleDay(db, id, { problem, moves, bound, today })));
    },
  );
  routes.post(
    '/:id/reopen',
    {
      summary: 'open a settled day again; plants go back to what they had settled on',
      status: 200,
    },
    (request, response) => {
      sendRow(response, shown(reopenDay(db, idOf(request), context.today())));
    },
  );
  routes.post(
    '/:id/events',
    { summary: 'report of a day: bought, mixed, cut', body: dayEvent, status: 200 },
    (request, response, event) => {
      sendRow(response, shown(onDay(context.journal.file, idOf(request), event)));
    },
  );
  routes.post('/:id/close', { summary: 'a day is over', status: 200 }, (request, response) => {
    sendRow(response, shown(closeDay(db, idOf(request))));
  });
  routes.post(
    '/:id/undo',
    {
      summary: 'take a whole day back: repots, batches, cuts and bags',
      body: undoBody,
      bodyOptional: true,
      status: 200,
    },
    (request, response, { also }) => {
      const row = rowOr404(db, days, idOf(request), 'day');
      checkFresh(request, row);
      sendRow(response, shown(takeDayBack(context.journal.file, row.id, also)));
    },
  );
  for (const list of DAY_LISTS) {
    routes.get(
      `/:id/${list}.csv`,
      { summary: `the ${list} list of a settled day as CSV (RFC 4180)` },
      (request, response) => {
        const row = rowOr404(db, days, idOf(request), 'day');
        if (!row.plan) throw new HttpError(409, 'notSettled', 'settle the day first');
        response
          .type('text/csv')
          .set('Content-Disposition', `attachment; filename="day-${row.id}-${list}.csv"`)
          .send(dayCsv(row.plan, list, readSettings(db).units));
      },
    );
  }
  return routes;
}

export type ShownDay = ReturnType<typeof withProgress>;
/** A day with how far it has come. */
function withProgress(db: Db, row: DayRow) {
  return {
    ...row,
    done: doneOf(db, row.id).map(({ plantId, id, timed, createdAt }) => ({
      plantId,
      repotId: id,
      minutes: timed?.reduce((sum, { minutes }) => sum + minutes, 0) ?? null,
      at: createdAt,
    })),
  };
}
