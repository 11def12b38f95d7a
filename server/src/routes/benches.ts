import { STEP_IDS, type BenchEvent } from '@fernbank/core';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { DescribedRouter } from '../http/described.ts';
import { fraction, recipeId, rowId } from '../http/fields.ts';
import { idOf, sendRow } from '../http/resource.ts';
import { benchesNow, leaveBench, onBench } from '../services/benches.ts';

const step = () =>
  Joi.string()
    .valid(...STEP_IDS)
    .required();
const kind = (name: BenchEvent['kind']) => Joi.string().valid(name).required();

/** Longest label of a timer, and farthest end: a callus takes days, water roots weeks. */
const LONGEST_LABEL = 120;
const FARTHEST_MS = 8.64e15;

const instant = () => Joi.number().integer().positive().max(FARTHEST_MS);

const BODIES: Record<BenchEvent['kind'], Record<string, Joi.Schema>> = {
  start: { at: instant() },
  done: { step: step(), at: instant() },
  undone: { step: step() },
  note: { step: step(), text: Joi.string().allow('').max(2000).required() },
  timer: {
    step: step(),
    label: Joi.string().trim().min(1).max(LONGEST_LABEL).required(),
    until: Joi.number().integer().positive().max(FARTHEST_MS).required(),
  },
  stopTimer: { step: step() },
  found: {
    found: Joi.object({
      liveRoots: fraction(),
      rootsPruned: Joi.boolean(),
      pieces: Joi.number().integer().min(1).max(20),
      recipeId: recipeId(),
      potOption: Joi.string().max(80),
    }).required(),
  },
  photo: { step: step(), photoId: rowId().required() },
};
const KINDS = Object.keys(BODIES) as BenchEvent['kind'][];

/** One of the events by its kind; an unknown kind is refused by name. */
const benchEvent = KINDS.reduceRight<Joi.Schema>(
  (otherwise, name) =>
    Joi.alternatives().conditional(Joi.object({ kind: Joi.valid(name).required() }).unknown(), {
      then: Joi.object({ kind: kind(name), ...BODIES[name] }),
      otherwise,
    }),
  Joi.object({
    kind: Joi.string()
      .valid(...KINDS)
      .required(),
  }).unknown(),
) as Joi.Schema<BenchEvent>;

/** Plants on the bench, the same on every device. */
export function benchRoutes({ db }: Context): DescribedRouter<'/benches'> {
  const routes = new DescribedRouter('/benches');
  routes.get(
    '/',
    { summary: 'plants on the bench, with steps done and timers' },
    (_request, response) => {
      response.json({ items: benchesNow(db), nextCursor: null });
    },
  );
  routes.post(
    '/:id/events',
    {
      summary: 'report from the bench of plant :id: what is done, noted, found',
      body: benchEvent,
      status: 200,
    },
    (request, response, event) => {
      sendRow(response, onBench(db, idOf(request), event));
    },
  );
  routes.delete('/:id', { summary: 'take plant :id off the bench' }, (request, response) => {
    leaveBench(db, idOf(request));
    response.status(204).end();
  });
  return routes;
}
