import {
  blend,
  blendOfRecipe,
  component,
  COMPONENT_NUMBERS,
  usualN,
  type Blend,
  type ComponentNumber,
  type Ingredient,
  type Part,
} from '@fernbank/core';
import Joi from 'joi';
import { shippedRecipeId } from './fields.ts';

/** A number of a component within the range that makes sense of it. */
const number = (id: ComponentNumber) => {
  const { least, most } = COMPONENT_NUMBERS[id];
  return Joi.number().min(least).max(most);
};
const ingredient = Joi.alternatives().conditional(Joi.string(), {
  then: Joi.string(),
  otherwise: Joi.object({
    grainMm: number('grainMm').required(),
    packing: number('packing').required(),
    dryKgPerL: number('dryKgPerL').required(),
    totalPorosity: number('totalPorosity').required(),
    airAt7_6cm: number('airAt7_6cm').required(),
    n: number('n'),
    halfLifeMonths: number('halfLifeMonths').allow(null),
  }).required(),
});

/** A part as it comes in: a shipped component, or one described in full. */
export interface PartBody {
  component:
    string | (Omit<Ingredient, 'n' | 'halfLifeMonths' | 'lifeMonths'> & Partial<Ingredient>);
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

/** What is known by its half-life alone serves so many of them. @source common practice, no source: as bark does */
const LIFE_BY_HALF_LIFE = 1.3;

/** @throws RangeError for a component that is not shipped */
export function partFrom({ component: given, parts }: PartBody): Part {
  if (typeof given === 'string') return { ingredient: component(given), parts };
  const { halfLifeMonths = null } = given;
  return {
    ingredient: {
      ...given,
      n: given.n ?? usualN(given.grainMm),
      halfLifeMonths,
      lifeMonths: halfLifeMonths === null ? null : halfLifeMonths * LIFE_BY_HALF_LIFE,
    },
    parts,
  };
}

/** A mix as it comes in: the id of a shipped recipe, or its parts. */
export type GivenMix = string | PartBody[];

export const mixBody = () =>
  Joi.alternatives().conditional(Joi.string(), {
    then: shippedRecipeId(),
    otherwise: partsBody(),
  });

/** @throws RangeError for a recipe or component that is not shipped */
export const mixFrom = (given: GivenMix): Blend =>
  typeof given === 'string' ? blendOfRecipe(given) : blend(given.map(partFrom));
