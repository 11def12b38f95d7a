import {
  checkLabelSheet,
  dayNumber,
  LARGEST_POT_CM,
  LIGHT_CLASSES,
  MEDIUM_KINDS,
  PAPERS,
  PEBBLE_SETUPS,
  POT_MATERIALS,
  POT_SHAPES,
  RECIPES,
  SIZES_OF_SHAPE,
  ALL_SIGNALS,
  DRAINAGE_LAYERS,
  GROWN_SCHOOLS,
  POT_TONES,
  SUPPORT_GOALS,
  SUPPORT_KIND_IDS,
  type IsoDate,
  type LabelSheet,
  type PotShape,
  type Signals,
  type Told,
  optionsOf,
  type School,
} from '@fernbank/core';
import Joi from 'joi';

/** Joi schemas of what the core knows, made from the core's own lists. */

const SMALLEST_CM = 1;
export const cm = () => Joi.number().min(SMALLEST_CM).max(LARGEST_POT_CM);

const DAY_MESSAGE = '{{#label}} must be a real day as YYYY-MM-DD';
export const isoDate = () =>
  Joi.string()
    .pattern(/^\d{4}-\d{2}-\d{2}$/)
    .messages({ 'string.pattern.base': DAY_MESSAGE })
    .custom((value: string, helpers) => {
      try {
        dayNumber(value as IsoDate);
        return value;
      } catch {
        return helpers.message({ custom: DAY_MESSAGE });
      }
    });

const quantity = Joi.object({
  cm: Joi.number(),
  litres: Joi.number(),
  kg: Joi.number(),
  celsius: Joi.number(),
  day: isoDate(),
}).length(1);
/** A short sentence of the core, with its quantities apart. */
export const saying = () =>
  Joi.alternatives(
    Joi.string().trim().max(120).allow(''),
    Joi.object<Told, true>({
      told: Joi.array().items(Joi.string().max(120), quantity).max(20).required(),
    }),
  );

const ids = (rows: readonly { id: string }[]) => rows.map(({ id }) => id);
/** A recipe that ships: what stateless sums can know. */
export const shippedRecipeId = () => Joi.string().valid(...ids(RECIPES));
/** A recipe of the pantry: whether it exists is for the pantry to say. */
export const recipeId = () => Joi.string().min(1).max(40);

/** So many measured parts of each component, by id. */
export const recipeParts = () =>
  Joi.array()
    .items(
      Joi.object({
        component: Joi.string().min(1).max(40).required(),
        parts: Joi.number().min(0).max(1000).required(),
      }),
    )
    .min(1)
    .max(24);
export const mediumKind = () => Joi.string().valid(...ids(MEDIUM_KINDS));
export const potMaterialId = () => Joi.string().valid(...ids(POT_MATERIALS));
export const potTone = () => Joi.string().valid(...ids(POT_TONES));
export const supportKindId = () => Joi.string().valid(...SUPPORT_KIND_IDS);
export const supportGoal = () => Joi.string().valid(...ids(SUPPORT_GOALS));
export const grownSchool = () => Joi.string().valid(...Object.keys(GROWN_SCHOOLS));
export const drainageLayer = () => Joi.string().valid(...Object.keys(DRAINAGE_LAYERS));
export const pebbleSetup = () => Joi.string().valid(...Object.keys(PEBBLE_SETUPS));
export const light = () => Joi.string().valid(...ids(LIGHT_CLASSES));
/** One's own choice among schools, of the questions named. */
export const schoolChoices = (ids: readonly School[]) =>
  Joi.object(Object.fromEntries(ids.map((id) => [id, schoolChoice(id)])));
export const schoolChoice = (id: School) => Joi.string().valid(...Object.keys(optionsOf(id)));

export const latitude = () => Joi.number().min(-90).max(90);
export const humidity = () => Joi.number().min(0).max(1);
export const temperatures = () =>
  Joi.alternatives().try(
    Joi.number().min(-30).max(50),
    Joi.array().items(Joi.number().min(-30).max(50)).length(12),
  );

/** Sizes that each shape has. */
const sizesOf = (shape: PotShape['shape']): Record<string, Joi.Schema> =>
  Object.fromEntries(SIZES_OF_SHAPE[shape].map((name) => [name, cm().required()]));

const shapeName = () =>
  Joi.string()
    .valid(...POT_SHAPES)
    .required();

/**
 * A pot of any shape, with `more` fields beside its sizes. A shape that does not
 * exist falls to the round pot, which refuses it by name.
 */
export function potShape(more: Record<string, Joi.Schema> = {}): Joi.AlternativesSchema {
  const others = POT_SHAPES.filter((shape) => shape !== 'round');
  const asked = others.reduceRight<Joi.Schema>(
    (otherwise, shape) =>
      Joi.alternatives().conditional(Joi.object({ shape: Joi.valid(shape).required() }).unknown(), {
        then: Joi.object({
          shape: Joi.string().valid(shape).required(),
          ...sizesOf(shape),
          ...more,
        }),
        otherwise,
      }),
    Joi.object({ shape: shapeName(), ...sizesOf('round'), ...more }),
  );
  // There are other shapes than round ones: what is asked is always one of several.
  return asked as Joi.AlternativesSchema;
}

const thickness = () => Joi.number().min(0.05).max(60).required();
/** Cross-section of a support. */
export const section = () =>
  Joi.alternatives().conditional(Joi.object({ form: Joi.valid('round') }).unknown(), {
    then: Joi.object({ form: Joi.string().valid('round').required(), diameterCm: thickness() }),
    otherwise: Joi.alternatives().conditional(Joi.object({ form: Joi.valid('d') }).unknown(), {
      then: Joi.object({ form: Joi.string().valid('d').required(), widthCm: thickness() }),
      otherwise: Joi.object({
        form: Joi.string().valid('round', 'd', 'flat').required(),
        widthCm: thickness(),
        thicknessCm: thickness(),
      }),
    }),
  });

/** What is done to roots beside taking off old medium. */
export const rootCuts = () =>
  Joi.object({
    pieces: Joi.number().integer().min(1).max(20).default(1),
    rootsPruned: Joi.boolean().default(false),
    /** what there is to divide: sets how many pieces are allowed */
    counted: Joi.object({
      growths: Joi.number().integer().min(0).max(1000).allow(null).required(),
      roots: Joi.number().integer().min(0).max(10_000).allow(null).required(),
    }),
  });

const mm = (most: number) => Joi.number().min(0).max(most).required();
/** A sheet of labels by the ruler; whether it fits its paper is for the core to say. */
export const labelSheet = () =>
  Joi.object<LabelSheet, true>({
    paper: Joi.string()
      .valid(...Object.keys(PAPERS))
      .required(),
    columns: Joi.number().integer().min(1).max(20).required(),
    rows: Joi.number().integer().min(1).max(60).required(),
    widthMm: mm(300),
    heightMm: mm(300),
    leftMm: mm(300),
    topMm: mm(300),
    pitchXMm: mm(300),
    pitchYMm: mm(300),
  }).custom((sheet: LabelSheet, helpers) => {
    try {
      return checkLabelSheet(sheet);
    } catch (error) {
      return helpers.message({ custom: (error as Error).message });
    }
  });

/** Length of a support, cm. */
export const supportLength = () => Joi.number().min(5).max(600);

/** What a look found: every signal optional, null meaning "not looked". */
export const signals = (): Joi.ObjectSchema<Signals> =>
  Joi.object(
    Object.fromEntries(
      ALL_SIGNALS.map((definition) => [
        definition.id,
        definition.kind === 'share'
          ? Joi.number().min(0).max(1)
          : typeof definition.choices[0]!.value === 'boolean'
            ? Joi.boolean()
            : Joi.string().valid(...definition.choices.map(({ value }) => value)),
      ]),
    ),
  );

/** Minutes since midnight. */
export const minute = () => Joi.number().integer().min(0).max(1439);
export const fraction = () => Joi.number().min(0).max(1);
export const above0 = (most: number) => Joi.number().positive().max(most);
export const note = () => Joi.string().allow('').max(4000);
export const rowId = () => Joi.number().integer().positive().max(Number.MAX_SAFE_INTEGER);
