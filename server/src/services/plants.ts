import { isDeepStrictEqual } from 'node:util';
import { checkPot, resolveTaxon, taxonGroup } from '@fernbank/core';
import { eq, sql } from 'drizzle-orm';
import { notAhead, type Reading } from '../http/days.ts';
import type { Db } from '../db/driver.ts';
import { looks, plants, spots } from '../db/schema.ts';
import { invalid } from '../http/errors.ts';
import type { Alike, AskedPlant, PlantInput } from '../http/plantBody.ts';
import { withYear } from '../http/spotBody.ts';
import { stamp } from '../http/resource.ts';
import { taxonOf, type PlantRow } from './collection.ts';
import { checkRecipe, pantryFor } from './pantry.ts';
import { moveCover } from './housing.ts';
import { keepMeasurement } from './seeing.ts';
import { freePot, freeSupport } from './shelf.ts';

/** Columns of a plant that is added. */
export function newValues(db: Db, input: PlantInput, parts = partsNow(db, input.recipeId)) {
  return {
    ...input,
    mediumParts: parts,
    coverId: moveCover(db, { coverId: null }, input.coverId, input.pot),
  };
}

/**
 * Plants alike, named one after the other: `Bollard 1`, `Bollard 2`; of more that come later the numbers go on.
 *
 * @throws HttpError 422 as for one plant, and for a cover, which holds one pot
 */
export function addAlike(context: Reading, db: Db, { plant, count }: Alike): PlantRow[] {
  if (plant.coverId !== null)
    throw invalid('plant.coverId', 'coverId must be null: a cover holds one pot');
  checkPlant(context, plant);
  checkSpot(context, plant.spotId);
  const stem = `${plant.name} `;
  const numbers = db
    .select({ name: plants.name })
    .from(plants)
    .where(sql`substr(${plants.name}, 1, ${stem.length}) = ${stem}`)
    .all()
    .map(({ name }) => name.slice(stem.length))
    .filter((rest) => /^\d{1,6}$/.test(rest));
  const last = Math.max(0, ...numbers.map(Number));
  const parts = partsNow(db, plant.recipeId);
  return Array.from({ length: count }, (_, i) =>
    db
      .insert(plants)
      .values({ ...stamp(), ...newValues(db, plant, parts), name: `${stem}${last + i + 1}` })
      .returning()
      .get(),
  );
}

/** A plant in the hand becomes one of the collection, with its spot where that is new, and what was seen of it. */
export function keepAsked(
  context: Reading,
  db: Db,
  { plant, spot, date, signals }: AskedPlant,
): PlantRow {
  if ((plant.spotId === undefined) === (spot === null)) {
    throw invalid('plant.spotId', 'either spotId names its spot, or spot is that to make');
  }
  const spotId =
    plant.spotId ??
    db
      .insert(spots)
      .values({ ...stamp(), ...withYear(spot!, spot!) })
      .returning()
      .get().id;
  const input = { ...plant, spotId };
  checkPlant(context, input);
  checkSpot(context, spotId);
  notAhead(context, 'date', date);
  const row = db
    .insert(plants)
    .values({ ...stamp(), ...newValues(db, input) })
    .returning()
    .get();
  if (Object.keys(signals).length > 0) {
    db.insert(looks)
      .values({ ...stamp(), plantId: row.id, date, signals, note: '' })
      .run();
  }
  return row;
}

/** Columns of a plant that is changed, checked against what it was; the shelf gets back what it leaves. */
export function changedValues(
  context: Reading,
  db: Db,
  before: PlantRow,
  changed: Partial<PlantInput>,
): Partial<PlantRow> {
  const merged: PlantInput = { ...before, ...changed };
  checkPlant(context, merged);
  checkSpot(context, merged.spotId);
  // Another pot than the shelf's was measured: the shelf has its own back.
  const sameMaterial = merged.potMaterial === before.potMaterial;
  const samePot = isDeepStrictEqual(merged.pot, before.pot) && sameMaterial;
  if (!samePot) freePot(db, before.potId);
  // Another support than the shelf's likewise.
  const sameSupport =
    merged.supportCm === before.supportCm && merged.supportKind === before.supportKind;
  if (!sameSupport) freeSupport(db, before.supportId);
  // What rocked, or climbed beyond its old one, stands again.
  if (!sameSupport && merged.supportCm !== null) {
    keepMeasurement(db, {
      plantId: before.id,
      date: context.today(),
      minute: null,
      kind: 'secure',
      value: 1,
    });
  }
  return {
    ...changed,
    ...(samePot ? {} : { potId: null }),
    ...(sameSupport ? {} : { supportId: null }),
    ...(merged.recipeId === before.recipeId ? {} : { mediumParts: partsNow(db, merged.recipeId) }),
    coverId: moveCover(db, before, changed.coverId, merged.pot),
  };
}

/** A plant stands in its recipe as it is on the day, whatever becomes of the recipe later. */
const partsNow = (db: Db, recipe: string | null) =>
  recipe === null ? null : [...pantryFor(db).recipe(recipe).parts];

/** What no single field shows: unknown taxa, days out of order, impossible pots. */
export function checkPlant(context: Reading, plant: PlantInput): void {
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
}

/** @throws HttpError 422 when there is no such spot */
export function checkSpot({ db }: Reading, spotId: number): void {
  const spot = db.select({ id: spots.id }).from(spots).where(eq(spots.id, spotId)).get();
  if (!spot) throw invalid('spotId', `spot ${spotId} was not found`);
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
