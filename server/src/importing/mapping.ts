import {
  type LightClass,
  DATE_ORDERS,
  fieldsOf,
  GROUPS,
  LENGTH_UNITS,
  MASS_UNITS,
  type ColumnUse,
  type Decimal,
  type ImportKind,
  type Saying,
} from '@fernbank/core';
import Joi from 'joi';
import { latitude, light, mediumKind, rowId } from '../http/fields.ts';

/** How a file is to be read: what each column means, and what is done where it leaves things open. */
export interface Mapping {
  kind: ImportKind;
  decimal: Decimal;
  columns: ColumnUse[];
  /** a row that is a plant there is already */
  same: 'skip' | 'update' | 'add';
  /** the group of a species that is not in the catalogue, and of all others of those */
  groups: Record<string, string>;
  elseGroup: string | null;
  /** the spot of rows that name none */
  spotId: number | null;
  /** latitude of spots that are made, where there is none to take it from */
  latitudeDeg: number | null;
  /** of spots that are made, by their names: what is said of them; the others are common rooms */
  newSpots: Record<string, { indoors: boolean; light: LightClass }>;
  /** width of pots that are not told, cm */
  potCm: number | null;
  medium: string | null;
}

const group = () => Joi.string().valid(...GROUPS.map(({ id }) => id));
const fieldIds = [
  ...new Set(
    (['collection', 'log'] as const).flatMap((kind) => fieldsOf(kind).map(({ id }) => id)),
  ),
];

export const mappingBody = Joi.object<Mapping, true>({
  kind: Joi.string().valid('collection', 'log').required(),
  decimal: Joi.string().valid('.', ',').required(),
  columns: Joi.array()
    .items(
      Joi.object({
        field: Joi.string()
          .valid(...fieldIds)
          .allow(null)
          .required(),
        unit: Joi.string().valid(...Object.keys(LENGTH_UNITS), ...Object.keys(MASS_UNITS)),
        order: Joi.string().valid(...DATE_ORDERS),
      }),
    )
    .max(200)
    .required(),
  same: Joi.string().valid('skip', 'update', 'add').default('skip'),
  groups: Joi.object().pattern(Joi.string().max(160), group()).default({}),
  elseGroup: group().allow(null).default(null),
  spotId: rowId().allow(null).default(null),
  latitudeDeg: latitude().allow(null).default(null),
  newSpots: Joi.object()
    .pattern(
      Joi.string().max(80),
      Joi.object({ indoors: Joi.boolean().required(), light: light().required() }),
    )
    .default({}),
  potCm: Joi.number().min(1).max(200).allow(null).default(null),
  medium: mediumKind().allow(null).default(null),
});

/** What becomes of a row. */
export interface Fate {
  /** line in the file */
  line: number;
  fate: 'add' | 'update' | 'skip' | 'refuse';
  /** what it is about, for the eye */
  name: string;
  /** why it is refused, each by its column where one is to blame */
  problems: { column: string | null; message: string }[];
  /** what was assumed, or is new with it */
  notes: Saying[];
}

/** Fates of all rows, and what carries them out. */
export interface Outline<Deed = unknown> {
  fates: Fate[];
  /** of the rows that are not refused or skipped, in order */
  deeds: Deed[];
  /** names of spots that are made */
  newSpots: string[];
  /** species that are not in the catalogue and have no group yet */
  unknownTaxa: string[];
}
