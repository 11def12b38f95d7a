import { MEASUREMENT_KINDS } from '@fernbank/core';
import express from 'express';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { notAhead } from '../http/days.ts';
import { DescribedRouter } from '../http/described.ts';
import { isoDate, minute, note, rowId, signals } from '../http/fields.ts';
import { MOST_ALIKE } from '../http/plantBody.ts';
import { keepVisit, type Visit } from '../services/seeing.ts';

const MOST_PHOTOS = 12;
/** A picture as the browser resizes it, in base64, twelve times over. */
const LARGEST_VISIT = '32mb';

const newVisit = Joi.object<Visit, true>({
  plantId: rowId().required(),
  date: isoDate().required(),
  minute: minute().allow(null).default(null),
  signals: signals().default({}),
  note: note().default(''),
  measurements: Joi.array()
    .items(
      Joi.object({
        kind: Joi.string()
          .valid(...MEASUREMENT_KINDS)
          .required(),
        value: Joi.number().min(0).max(100_000).required(),
      }),
    )
    .max(MEASUREMENT_KINDS.length)
    .unique('kind')
    .default([]),
  photos: Joi.array().items(Joi.string().base64().min(1)).max(MOST_PHOTOS).default([]),
  alike: Joi.array().items(rowId()).unique().max(MOST_ALIKE).default([]),
});

/** A look with all that was measured and photographed on the way: one write, one deed, taken back as one. */
export function visitRoutes(context: Context): DescribedRouter<'/visits'> {
  const { db, photoFolder } = context;
  const routes = new DescribedRouter('/visits');
  routes.router.use(express.json({ limit: LARGEST_VISIT, strict: true }));
  routes.post(
    '/',
    { summary: 'a visit to a plant: look, measurements and pictures at once', body: newVisit },
    (_request, response, visit) => {
      notAhead(context, 'date', visit.date);
      response.status(201).json(keepVisit(db, photoFolder, visit));
    },
  );
  return routes;
}
