import { component, usualN, type Ingredient, type Part } from '@fernbank/core';
import Joi from 'joi';
import { above0 } from './fields.ts';

const ingredient = Joi.alternatives().conditional(Joi.string(), {
  then: Joi.string(),
  otherwise: Joi.object({
    grainMm: above0(200).required(),
    packing: Joi.number().min(0.05).max(0.99).required(),
    dryKgPerL: above0(5).required(),
    totalPorosity: Joi.number().min(0.05).max(0.99).required(),
    airAt7_6cm: above0(0.99).required(),
    n: Joi.number().min(1.05).max(10),
    halfLifeMonths: above0(10_000).allow(null),
  }).required(),
});

/** A part as it comes in: a shipped component, or one described in full. */
export interface PartBody {
  component: string | (Omit<Ingredient, 'n' | 'halfLifeMonths'> & Partial<Ingredient>);
  parts: number;
}

export const partsBody = () =>
  Joi.array()
    .items(
      Joi.object({
        component: ingredient.required(),
        parts: Joi.number().min(0).max(1e6).required(),
      }),
    )
    .min(1)
    .max(40);

export function partFrom({ component: given, parts }: PartBody): Part {
  if (typeof given === 'string') return { ingredient: component(given), parts };
  return {
    ingredient: {
      ...given,
      n: given.n ?? usualN(given.grainMm),
      halfLifeMonths: given.halfLifeMonths ?? null,
    },
    parts,
  };
}
