import {
  DRYINGS,
  GROWTH_FORMS,
  RHYTHMS,
  ROOT_KINDS,
  SUPPORT_HABITS,
  VIGOURS,
  WINDOWS,
  type Traits,
  PLANT_SCHOOLS,
  type IsoDate,
  type Signals,
} from '@fernbank/core';
import Joi from 'joi';
import type { PlantRow } from '../services/collection.ts';
import {
  grownSchool,
  isoDate,
  light,
  mediumKind,
  note,
  potMaterialId,
  potShape,
  recipeId,
  rowId,
  section,
  supportGoal,
  supportKindId,
  supportLength,
  schoolChoices,
  signals,
} from './fields.ts';
import { newSpot, type SpotInput } from './spotBody.ts';

/** A plant as it comes in. */
export type PlantInput = Omit<
  PlantRow,
  | 'id'
  | 'rev'
  | 'createdAt'
  | 'updatedAt'
  | 'potId'
  | 'supportId'
  | 'mediumParts'
  | 'goneOn'
  | 'traits'
  | 'schools'
> & { traits: Partial<Traits>; schools: PlantRow['schools'] };

const oneOf = (values: readonly string[]) => Joi.string().valid(...values);

/** Traits that a keeper may set for one plant. */
const ownTraits = Joi.object({
  growthForm: oneOf(GROWTH_FORMS),
  rootKind: oneOf(ROOT_KINDS),
  snug: Joi.boolean(),
  airNeed: Joi.number().min(0.02).max(0.6).allow(null),
  drying: oneOf(DRYINGS),
  window: oneOf(WINDOWS),
  vigour: oneOf(VIGOURS),
  support: oneOf(SUPPORT_HABITS),
  recipe: recipeId(),
  medium: mediumKind(),
  rhythm: oneOf(Object.keys(RHYTHMS)),
  light: light(),
  humidity: Joi.number().min(0).max(1),
  waterUse: Joi.number().min(0.02).max(5),
  heightInPots: Joi.number().min(0.1).max(30),
  growsFromC: Joi.number().min(-10).max(35),
  growsFullyC: Joi.number().min(-5).max(40),
  hotC: Joi.number().min(10).max(50),
  renewedYearly: Joi.boolean(),
  dryRest: Joi.boolean(),
  fed: Joi.boolean(),
  lengthens: Joi.number().min(0).max(3).allow(null),
  cautions: Joi.array()
    .items(oneOf(['toxicToPets', 'toxicToPeople', 'irritantSap', 'spines']))
    .unique(),
  bloomMatters: Joi.number().min(0).max(1),
  bloomWeeks: Joi.number().min(0).max(52),
  floorC: Joi.number().min(-40).max(30),
});

/** More than a tray of plugs in one pot is a meadow. */
const MOST_TOGETHER = 60;
const fields = {
  name: Joi.string().trim().min(1).max(120),
  taxon: Joi.string().trim().min(1).max(160),
  groupId: Joi.string().max(40).allow(null),
  traits: ownTraits,
  spotId: rowId(),
  acquired: isoDate().allow(null),
  apartSince: isoDate().allow(null),
  clearedOn: isoDate().allow(null),
  pot: potShape(),
  potMaterial: potMaterialId(),
  mediumKind: mediumKind(),
  recipeId: recipeId().allow(null),
  lastRepot: isoDate().allow(null),
  heightCm: Joi.number().positive().max(1000).allow(null),
  supportCm: supportLength().allow(null),
  supportKind: supportKindId().allow(null),
  supportSection: section().allow(null),
  supportWish: Joi.object({
    goal: supportGoal(),
    minutesPerWeek: Joi.number().min(0).max(600).allow(null),
    school: grownSchool(),
    wound: Joi.boolean(),
    internodeCm: Joi.number().min(0.3).max(60),
  }),
  together: Joi.number().integer().min(1).max(MOST_TOGETHER),
  stems: Joi.number().integer().min(1).max(20),
  coverId: rowId().allow(null),
  schools: schoolChoices(PLANT_SCHOOLS),
  note: note(),
};

/** A plant that is added: what is left out gets its default. */
export const newPlant = Joi.object<PlantInput, true>({
  ...fields,
  name: fields.name.required(),
  taxon: fields.taxon.required(),
  groupId: fields.groupId.default(null),
  traits: fields.traits.default({}),
  spotId: fields.spotId.required(),
  acquired: fields.acquired.default(null),
  apartSince: fields.apartSince.default(null),
  clearedOn: fields.clearedOn.default(null),
  pot: fields.pot.required(),
  potMaterial: fields.potMaterial.default('plastic'),
  mediumKind: fields.mediumKind.required(),
  recipeId: fields.recipeId.default(null),
  lastRepot: fields.lastRepot.default(null),
  heightCm: fields.heightCm.default(null),
  supportCm: fields.supportCm.default(null),
  supportKind: fields.supportKind.default(null),
  supportSection: fields.supportSection.default(null),
  supportWish: fields.supportWish.default({}),
  together: fields.together.default(1),
  stems: fields.stems.default(1),
  coverId: fields.coverId.default(null),
  schools: fields.schools.default({}),
  note: fields.note.default(''),
});

/** A tray of one kind; more come in as a file. */
export const MOST_ALIKE = 100;
export interface Alike {
  plant: PlantInput;
  count: number;
}
/** Plants of a kind that came together: each is a plant of its own from then on. */
export const alikePlants = Joi.object<Alike, true>({
  plant: newPlant.required(),
  count: Joi.number().integer().min(2).max(MOST_ALIKE).required(),
});

export const changedPlant = Joi.object<Partial<PlantInput>, true>(fields).min(1);

/** A plant that was asked about in the hand, kept as it was told. */
export interface AskedPlant {
  /** its spot, where that is one there is; else `spot` is made */
  plant: Omit<PlantInput, 'spotId'> & { spotId?: number };
  spot: SpotInput | null;
  date: IsoDate;
  signals: Signals;
}
export const askedPlant = Joi.object<AskedPlant, true>({
  plant: newPlant.fork('spotId', (field) => field.optional()).required(),
  spot: newSpot.allow(null).default(null),
  date: isoDate().required(),
  signals: signals().default({}),
});
