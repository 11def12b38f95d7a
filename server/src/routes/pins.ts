import type { Pin } from '@fernbank/core';
import Joi from 'joi';
import { isoDate, rowId } from '../http/fields.ts';

const potId = () => Joi.string().min(1).max(80);
const FIELDS: Record<Pin['kind'], Record<string, Joi.Schema>> = {
  in: {},
  out: {},
  on: { date: isoDate().required() },
  pot: { pot: potId().required() },
  notPot: { pot: potId().required() },
};

/** The keeper's own word on one plant of a day. */
export const pin = () =>
  Joi.alternatives()
    .try(
      ...(Object.keys(FIELDS) as Pin['kind'][]).map((kind) =>
        Joi.object({
          kind: Joi.string().valid(kind).required(),
          plant: rowId().required(),
          ...FIELDS[kind],
        }),
      ),
    )
    .messages({ 'alternatives.match': '{{#label}} must be a pin: in, out, on, pot or notPot' });
