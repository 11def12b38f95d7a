import { addDays, type IsoDate } from '@fernbank/core';
import Joi from 'joi';
import type { Context } from '../context.ts';
import type { Demo } from '../demo.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError } from '../http/errors.ts';
import { idOf } from '../http/resource.ts';

/** The clock of a garden made up for trying. */
export interface DemoNow {
  day: IsoDate;
  begins: IsoDate;
  /** the next day on which something falls due; null: nothing does within a year */
  next: IsoDate | null;
}

const STEPS = { day: 1, week: 7 } as const;
type Step = keyof typeof STEPS | 'next';
const goOn = Joi.object<{ to: Step }, true>({
  to: Joi.string()
    .valid(...Object.keys(STEPS), 'next')
    .required(),
});

/** Of the demo alone: its time, and what a look at its plants would find. */
export function demoRoutes(context: Context): DescribedRouter<'/demo'> {
  const { db, reader } = context;
  const routes = new DescribedRouter('/demo');
  const demo = (): Demo => {
    if (!context.demo) {
      throw new HttpError(404, 'noDemo', 'this collection is not made up: its time is its own');
    }
    return context.demo;
  };
  const nextOf = async ({ day }: Demo) => (await reader.ask('comes', { date: day })).date;
  const now = async (): Promise<DemoNow> => {
    const { day, begins } = demo();
    return { day, begins, next: await nextOf(demo()) };
  };
  routes.get('/', { summary: 'what day it is in the demo' }, async (_request, response) => {
    response.json(await now());
  });
  routes.post(
    '/on',
    {
      summary: 'let time go on in the demo',
      body: goOn,
      status: 200,
      ready: async (_request, { to }): Promise<IsoDate> => {
        const { day } = demo();
        if (to !== 'next') return addDays(day, STEPS[to]);
        return (await nextOf(demo())) ?? addDays(day, STEPS.week);
      },
    },
    (_request, response, _body, day) => {
      const garden = demo();
      garden.tend(db, garden.day, day);
      garden.day = day;
      response.json({ day });
    },
  );
  routes.post(
    '/anew',
    { summary: 'begin the demo anew', alone: true, status: 200 },
    async (_request, response) => {
      const garden = demo();
      const device = (response.locals.device as string | undefined) ?? null;
      await context.copies.replaceWith((path) => garden.write(path), device);
      garden.day = garden.begins;
      response.json({ day: garden.day });
    },
  );
  routes.get(
    '/plants/:id/look',
    { summary: 'what a look at this plant of the demo would find today' },
    (request, response) => {
      const garden = demo();
      response.json(garden.look(db, idOf(request), garden.day));
    },
  );
  routes.get(
    '/batches/:id/look',
    { summary: 'what a look at this batch of the demo’s tray would find today' },
    (request, response) => {
      const garden = demo();
      response.json(garden.batch(db, idOf(request), garden.day));
    },
  );
  routes.get(
    '/repots/:id/outcome',
    { summary: 'what is seen today of a repot of the demo' },
    (request, response) => {
      const garden = demo();
      response.json(garden.outcome(db, idOf(request), garden.day));
    },
  );
  return routes;
}
