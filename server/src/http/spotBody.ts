import { OUTDOOR_HUMIDITY, typicalYear } from '@fernbank/core';
import Joi from 'joi';
import type { SpotRow } from '../services/collection.ts';
import { invalid } from './errors.ts';
import { humidity, latitude, light, temperatures } from './fields.ts';

export type SpotInput = Omit<SpotRow, 'id' | 'rev' | 'createdAt' | 'updatedAt'>;

const isLatitude = (deg: unknown): deg is number => typeof deg === 'number' && Math.abs(deg) <= 90;
const fields = {
  name: Joi.string().trim().min(1).max(80),
  sortOrder: Joi.number().integer().min(0).max(10_000),
  latitudeDeg: latitude(),
  indoors: Joi.boolean(),
  temperatureC: temperatures(),
  relativeHumidity: humidity(),
  light: light(),
  lampHours: Joi.number().min(0).max(24),
  headroomCm: Joi.number().min(5).max(2000).allow(null),
};

/** A spot that is added: what is left out is that of a common room, or of a typical year outdoors at its latitude. */
export const newSpot = Joi.object<SpotInput, true>({
  ...fields,
  name: fields.name.required(),
  sortOrder: fields.sortOrder.default(0),
  latitudeDeg: fields.latitudeDeg.required(),
  indoors: fields.indoors.default(true),
  temperatureC: fields.temperatureC.default(({ indoors, latitudeDeg }: Partial<SpotInput>) =>
    indoors === false && isLatitude(latitudeDeg) ? typicalYear(latitudeDeg) : 20,
  ),
  relativeHumidity: fields.relativeHumidity.default(({ indoors }: Partial<SpotInput>) =>
    indoors === false ? OUTDOOR_HUMIDITY : 0.5,
  ),
  light: fields.light.default('medium'),
  lampHours: fields.lampHours.default(0),
  headroomCm: fields.headroomCm.default(null),
});
export const changedSpot = Joi.object<Partial<SpotInput>, true>(fields).min(1);

/** Outdoors no year is one mean: whoever says so has not said what it is like there. */
export function withYear<Given extends { temperatureC?: SpotRow['temperatureC'] }>(
  given: Given,
  { indoors, temperatureC }: Pick<SpotRow, 'indoors' | 'temperatureC'>,
): Given {
  const says = given.temperatureC !== undefined || ('indoors' in given && given.indoors === false);
  if (says && !indoors && typeof temperatureC === 'number') {
    throw invalid(
      'temperatureC',
      'temperatureC of a spot outdoors must be twelve months, January first: no year outdoors is one mean',
    );
  }
  return given;
}
