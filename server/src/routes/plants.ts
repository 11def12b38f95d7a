import { isDeepStrictEqual } from 'node:util';
import {
  checkPot,
  resolveTaxon,
  taxonGroup,
  GROWTH_FORMS,
  ROOT_KINDS,
  DRYINGS,
  VIGOURS,
  WINDOWS,
  RHYTHMS,
  SUPPORT_HABITS,
  type Traits,
} from '@fernbank/core';
import { eq, isNotNull, isNull } from 'drizzle-orm';
import Joi from 'joi';
import { notAhead, type Context } from '../context.ts';
import type { Db } from '../db/driver.ts';
import { plants, spots } from '../db/schema.ts';
import { DescribedRouter } from '../http/described.ts';
import { invalid } from '../http/errors.ts';
import {
  firstWaterSchool,
  flushSchool,
  grownSchool,
  isoDate,
  light,
  mediumKind,
  note,
  oldMediumSchool,
  potMaterialId,
  potShape,
  recipeId,
  rotSchool,
  rowId,
  section,
  sizeSchool,
  supportGoal,
  supportKindId,
  supportLength,
  toPebblesSchool,
  weakRootSchool,
  whenSchool,
  winterSchool,
} from '../http/fields.ts';
import { addRows } from '../http/rows.ts';
import { taxonOf, type PlantRow } from '../services/collection.ts';
import { checkRecipe, pantryFor } from '../services/pantry.ts';
import { moveCover } from '../services/repotting.ts';
import { putPotBack, putSupportBack, soakPot } from '../services/shelf.ts';

type PlantInput = Omit<
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
  cautions: Joi.array()
    .items(oneOf(['toxicToPets', 'toxicToPeople', 'irritantSap', 'spines']))
    .unique(),
  bloomMatters: Joi.number().min(0).max(1),
  bloomWeeks: Joi.number().min(0).max(52),
  floorC: Joi.number().min(-40).max(30),
});

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
  stems: Joi.number().integer().min(1).max(20),
  coverId: rowId().allow(null),
  schools: Joi.object({
    when: whenSchool(),
    size: sizeSchool(),
    oldMedium: oldMediumSchool(),
    firstWater: firstWaterSchool(),
    weakRoots: weakRootSchool(),
    rot: rotSchool(),
    toPebbles: toPebblesSchool(),
    flush: flushSchool(),
    winter: winterSchool(),
  }),
  note: note(),
};

const newPlant = Joi.object<PlantInput>({
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
  stems: fields.stems.default(1),
  coverId: fields.coverId.default(null),
  schools: fields.schools.default({}),
  note: fields.note.default(''),
});

const changedPlant = Joi.object<Partial<PlantInput>>(fields).min(1);

export function plantRoutes(context: Context): DescribedRouter {
  const { db } = context;
  const routes = new DescribedRouter();

  addRows(routes, {
    db,
    table: plants,
    address: 'plants',
    name: 'plant',
    what: 'a plant',
    plural: 'plants',
    shown: withTaxon,
    // Those that were lost are asked for by `?gone=1`.
    where: ({ query }) => (query.gone === '1' ? isNotNull(plants.goneOn) : isNull(plants.goneOn)),
    made: {
      body: newPlant,
      values: (tx, input) => {
        checkPlant(context, input);
        return {
          ...input,
          mediumParts: partsNow(tx, input.recipeId),
          coverId: moveCover(tx, { coverId: null }, input.coverId, input.pot),
        };
      },
    },
    changed: {
      body: changedPlant,
      values: (tx, before, changed) => {
        const merged: PlantInput = { ...before, ...changed };
        checkPlant(context, merged);
        // Another pot than the shelf's was measured: the shelf has its own back.
        const sameMaterial = merged.potMaterial === before.potMaterial;
        const samePot = isDeepStrictEqual(merged.pot, before.pot) && sameMaterial;
        if (!samePot) putPotBack(tx, before.potId);
        // Another support than the shelf's likewise.
        const sameSupport =
          merged.supportCm === before.supportCm && merged.supportKind === before.supportKind;
        if (!sameSupport) putSupportBack(tx, before.supportId);
        return {
          ...changed,
          ...(samePot ? {} : { potId: null }),
          ...(sameSupport ? {} : { supportId: null }),
          ...(merged.recipeId === before.recipeId
            ? {}
            : { mediumParts: partsNow(tx, merged.recipeId) }),
          coverId: moveCover(tx, before, changed.coverId, merged.pot),
        };
      },
    },
    removed: {
      check: (tx, row) => {
        soakPot(tx, row.potId, context.today());
        putPotBack(tx, row.coverId);
        putSupportBack(tx, row.supportId);
      },
    },
  });
  return routes;
}

/** A plant stands in its recipe as it is on the day, whatever becomes of the recipe later. */
const partsNow = (db: Db, recipe: string | null) =>
  recipe === null ? null : [...pantryFor(db).recipe(recipe).parts];

/** Adds the catalogue's names, so that lists need no second call. */
function withTaxon(row: PlantRow) {
  const { common, group, groupLabel } = taxonOf(row);
  return { ...row, common, group, groupLabel };
}

/** What no single field shows: unknown taxa, days out of order, impossible pots. */
function checkPlant(context: Context, plant: PlantInput): void {
  checkPot(plant.pot);
  checkTraits(plant);
  checkRecipe(context.db, plant.recipeId);
  checkRecipe(context.db, plant.traits.recipe, 'traits.recipe');
  if (plant.groupId !== null) taxonGroup(plant.groupId);
  else if (!resolveTaxon(plant.taxon)) {
    throw invalid('taxon', `“${plant.taxon}” is not in the catalogue: choose a group for it`);
  }
  if (plant.acquired) notAhead(context, 'acquired', plant.acquired);
  if (plant.apartSince) notAhead(context, 'apartSince', plant.apartSince);
  if (plant.clearedOn) notAhead(context, 'clearedOn', plant.clearedOn);
  if (plant.lastRepot) {
    notAhead(context, 'lastRepot', plant.lastRepot);
    if (plant.acquired && plant.lastRepot < plant.acquired) {
      throw invalid(
        'lastRepot',
        `lastRepot must not be before the plant arrived (${plant.acquired})`,
      );
    }
  }
  const spot = context.db
    .select({ id: spots.id })
    .from(spots)
    .where(eq(spots.id, plant.spotId))
    .get();
  if (!spot) throw invalid('spotId', `spot ${plant.spotId} was not found`);
}

/** Traits that hang together: growth starts below the warmth in which nothing holds it back. */
function checkTraits(plant: PlantInput): void {
  const { growsFromC, growsFullyC } = { ...taxonOf(plant).traits, ...plant.traits };
  if (growsFullyC <= growsFromC) {
    throw invalid(
      'traits.growsFullyC',
      `traits.growsFullyC must be above growsFromC (${growsFromC}), got ${growsFullyC}`,
    );
  }
}
