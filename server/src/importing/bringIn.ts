import { lookUp } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import type { Reading } from '../http/days.ts';
import type { Db } from '../db/driver.ts';
import { looks, measurements, plants, spots } from '../db/schema.ts';
import { stamp, touch } from '../http/resource.ts';
import { newSpot } from '../http/spotBody.ts';
import { check } from '../http/validate.ts';
import { pantryFor } from '../services/pantry.ts';
import { changedValues, newValues } from '../services/plants.ts';
import { followFeeding, isFollowedUp } from '../services/feeding.ts';
import { tickTaskOf } from '../services/tasks.ts';
import { outlineCollection, type PlantDeed } from './collection.ts';
import { outlineLog, type LogDeed } from './log.ts';
import type { Mapping, Outline } from './mapping.ts';
import type { Sheet } from './sheet.ts';

/** What becomes of every row. Nothing is written. */
export function outlineOf(context: Reading, sheet: Sheet, mapping: Mapping): Outline {
  return mapping.kind === 'collection'
    ? outlineCollection(context, sheet, mapping)
    : outlineLog(context, sheet, mapping);
}

/** Counts of a run, or of what one would do. */
export interface Counts {
  add: number;
  update: number;
  skip: number;
  refuse: number;
}
export function countsOf({ fates }: Outline): Counts {
  const counts: Counts = { add: 0, update: 0, skip: 0, refuse: 0 };
  for (const { fate } of fates) counts[fate] += 1;
  return counts;
}

/** Writes what the rows come to. Meant to stand within one transaction, as all of it or none. */
export function bringIn(context: Reading, sheet: Sheet, mapping: Mapping): Counts {
  const outline = outlineOf(context, sheet, mapping);
  if (mapping.kind === 'collection') {
    writePlants(context, outline as Outline<PlantDeed>, mapping);
  } else {
    writeLog(context.db, (outline as Outline<LogDeed>).deeds);
  }
  return countsOf(outline);
}

function writePlants(
  context: Reading,
  { deeds, newSpots }: Outline<PlantDeed>,
  mapping: Mapping,
): void {
  const { db } = context;
  const partsOf = new Map<string | null, ReturnType<typeof newValues>['mediumParts']>();
  const { recipe } = pantryFor(db);
  const made = makeSpots(db, newSpots, mapping);
  const spotId = (deed: PlantDeed) => (deed.spot === null ? null : made.get(deed.spot)!);
  for (const deed of deeds) {
    const spot = spotId(deed);
    if (deed.kind === 'add') {
      const { recipeId } = deed.plant;
      if (!partsOf.has(recipeId)) {
        partsOf.set(recipeId, recipeId === null ? null : [...recipe(recipeId).parts]);
      }
      const plant = spot === null ? deed.plant : { ...deed.plant, spotId: spot };
      db.insert(plants)
        .values({ ...stamp(), ...newValues(db, plant, partsOf.get(recipeId)) })
        .run();
    } else {
      const changed = spot === null ? deed.changed : { ...deed.changed, spotId: spot };
      db.update(plants)
        .set({ ...changedValues(context, db, deed.before, changed), ...touch(deed.before) })
        .where(eq(plants.id, deed.before.id))
        .run();
    }
  }
}

/** Spots are made as was said of them, else as an empty form makes them, at the latitude of those that are there. */
function makeSpots(
  db: Db,
  names: readonly string[],
  { latitudeDeg, newSpots }: Mapping,
): Map<string, number> {
  const there = db.select().from(spots).all();
  const latitude = there[0]?.latitudeDeg ?? latitudeDeg ?? 0;
  return new Map(
    names.map((name, i) => {
      const values = check(newSpot, {
        ...lookUp(newSpots, name),
        name,
        latitudeDeg: latitude,
        sortOrder: there.length + i,
      });
      const { id } = db
        .insert(spots)
        .values({ ...stamp(), ...values })
        .returning()
        .get();
      return [name, id];
    }),
  );
}

function writeLog(db: Db, deeds: readonly LogDeed[]): void {
  const heights = new Map<number, { date: string; value: number }>();
  const waterings = new Map<number, string[]>();
  const feeds = new Map<string, Parameters<typeof followFeeding>[1]>();
  for (const { plantId, date, minute, measured, note } of deeds) {
    for (const { kind, value } of measured) {
      db.insert(measurements)
        .values({ ...stamp(), plantId, date, minute, kind, value })
        .run();
      // The newest of each kind is what is asked for again.
      if (isFollowedUp(kind) && date >= (feeds.get(`${plantId} ${kind}`)?.date ?? '')) {
        feeds.set(`${plantId} ${kind}`, { plantId, date, kind, value });
      }
      if (kind === 'watered') waterings.set(plantId, [...(waterings.get(plantId) ?? []), date]);
      if (kind === 'heightCm' && date >= (heights.get(plantId)?.date ?? '')) {
        heights.set(plantId, { date, value });
      }
    }
    if (note !== '')
      db.insert(looks)
        .values({ ...stamp(), plantId, date, signals: {}, note })
        .run();
  }
  for (const [plantId, dates] of waterings) {
    // Only the first after a repot is one that its aftercare waited for.
    const since = db.select().from(plants).where(eq(plants.id, plantId)).get()?.lastRepot ?? '';
    const [first] = dates.filter((date) => date >= since).sort();
    if (first) tickTaskOf(db, plantId, 'watered', first);
  }
  for (const given of feeds.values()) followFeeding(db, given);
  for (const [plantId, { date, value }] of heights) takeHeight(db, plantId, date, value);
}

function takeHeight(db: Db, plantId: number, date: string, heightCm: number): void {
  const later = db
    .select()
    .from(measurements)
    .where(eq(measurements.plantId, plantId))
    .all()
    .some((row) => row.kind === 'heightCm' && row.date > date);
  if (!later) db.update(plants).set({ heightCm }).where(eq(plants.id, plantId)).run();
}
