import { addDays, filledInBatch, partsOf, wantsPot, type IsoDate } from '@fernbank/core';
import { and, eq, isNull, ne } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Db } from '../db/driver.ts';
import { plans, plants, pots, spots, supports } from '../db/schema.ts';
import { plantFile, type PlantRow } from './collection.ts';
import { judgeAll } from './judging.ts';
import { dayOfRepot, doneOf, mixedRecipe } from './dayOfRepot.ts';
import { newMediumFor } from './newMedium.ts';
import { pantryFor } from './pantry.ts';
import { quarantineFor } from './quarantine.ts';
import { readSettings } from './settings.ts';

/** A pot that another plant is about to leave. */
export interface HandDown {
  plantId: number;
  name: string;
  pot: PlantRow['pot'];
  potMaterial: PlantRow['potMaterial'];
  potId: number | null;
  /** the Monday of the week in which it is left, where that is later than it would be wanted */
  leftIn: IsoDate | null;
}

/** A pot is worth waiting for so long. @source common practice, no source */
const HAND_DOWN_WEEKS = 8;

/** What shelf and other plants offer on a day to a plant; null: to one that is not in the collection. */
export type Offered = ReturnType<typeof offeredTo>;
export function offeredTo(db: Db, plant: PlantRow | null, date: IsoDate) {
  const shelf = readable(db, pots);
  return {
    pots: shelf.filter(({ role, free, soaking }) => role === 'pot' && free + soaking > 0),
    covers: shelf.filter(({ role, free }) => role === 'cover' && free > 0),
    promised: promisedToOthers(db, plant?.id ?? null),
    supports: readable(db, supports).filter(({ free }) => free > 0),
    handDowns: handDownsFor(db, plant, date),
  };
}

/** All that a plant could be fitted with. */
export type Fitting = ReturnType<typeof fittingFor>;
export function fittingFor(db: Db, plant: PlantRow, date: IsoDate) {
  const standing = readable(db, pots);
  return {
    ...offeredTo(db, plant, date),
    presentCover: standing.find(({ id }) => id === plant.coverId) ?? null,
    presentPot: standing.find(({ id }) => id === plant.potId) ?? null,
    headroomCm: db.select().from(spots).where(eq(spots.id, plant.spotId)).get()!.headroomCm,
    day: dayFor(db, plant),
    plan: db.select().from(plans).where(eq(plans.plantId, plant.id)).get() ?? null,
  };
}

/** Pots and covers of the shelf that other plants are settled on: for each its plants, by name. */
function promisedToOthers(db: Db, plantId: number | null): { potId: number; to: string[] }[] {
  const promises = new Map<number, string[]>();
  const settled = db
    .select({ name: plants.name, fit: plans.fit })
    .from(plans)
    .innerJoin(plants, eq(plans.plantId, plants.id))
    .where(
      plantId === null
        ? isNull(plants.goneOn)
        : and(ne(plans.plantId, plantId), isNull(plants.goneOn)),
    )
    .orderBy(plants.id)
    .all();
  for (const { name, fit } of settled) {
    // What it stands in already is not of the shelf.
    const pot = fit.potSource === 'free' || fit.potSource === 'soaking' ? fit.potId : null;
    for (const id of [pot, fit.water?.coverId ?? null]) {
      if (id !== null) promises.set(id, [...(promises.get(id) ?? []), name]);
    }
  }
  return [...promises].map(([potId, to]) => ({ potId, to }));
}

/** The settled day that a plant is part of, in short. */
function dayFor(db: Db, plant: PlantRow) {
  const found = dayOfRepot(db, plant.id);
  return (
    found && {
      id: found.day.id,
      date: found.laid.dates[found.line.date]!.date,
      mixedRecipe: mixedRecipe(db, { plantId: plant.id }),
    }
  );
}

/** The pot that a settled day hands down to a plant, whether it is left already or not. */
function handedDownByDay(db: Db, plant: PlantRow): HandDown[] {
  const found = dayOfRepot(db, plant.id);
  if (!found || found.line.pot.source !== 'left') return [];
  const { line, day } = found;
  const { of, shape, material } = line.pot;
  const giver = db.select().from(plants).where(eq(plants.id, of!)).get();
  if (!giver) return [];
  const left = doneOf(db, day.id).find(({ plantId }) => plantId === of);
  return [
    {
      plantId: giver.id,
      name: giver.name,
      pot: shape,
      potMaterial: material,
      potId: left ? left.before.potId : giver.potId,
      leftIn: null,
    },
  ];
}

/** Pots of plants that want another themselves, now or soon, and those that a day hands down. */
function handDownsFor(db: Db, plant: PlantRow | null, date: IsoDate): HandDown[] {
  const soon = addDays(date, HAND_DOWN_WEEKS * 7);
  const byDay = plant ? handedDownByDay(db, plant) : [];
  const all = judgeAll(db, date);
  const wantedIn = all.find(({ file }) => file.plant.id === plant?.id)?.decision.week ?? date;
  const others = all
    .filter(({ file }) => !byDay.some(({ plantId }) => plantId === file.plant.id))
    .filter(({ file }) => file.plant.id !== plant?.id)
    .filter(({ file }) => quarantineFor(db, file.plant, date) === null)
    .filter((judgement) => wantsPot(judgement, soon))
    .map(({ file, decision }) => ({
      plantId: file.plant.id,
      name: file.plant.name,
      pot: file.plant.pot,
      potMaterial: file.plant.potMaterial,
      potId: file.plant.potId,
      leftIn: decision.week !== null && decision.week > wantedIn ? decision.week : null,
    }));
  return [...byDay, ...others];
}

/** Every plan with the name of its plant, the litres that it asks for and what goes in beside them. */
export type PlanWithPlant = ReturnType<typeof plansWithPlants>[number];
export function plansWithPlants(db: Db, date: IsoDate) {
  const settings = readSettings(db);
  const pantry = pantryFor(db);
  return db
    .select({ plan: plans, plant: plants })
    .from(plans)
    .innerJoin(plants, eq(plans.plantId, plants.id))
    .where(isNull(plants.goneOn))
    .all()
    .map(({ plan, plant }) => {
      const { support, ...fit } = plan.fit;
      const { rung, extras, parts } = newMediumFor(db, plantFile(db, plant, date, settings), {
        ...fit,
        ...(support ? { support: { ...support, supportId: support.stock?.id ?? null } } : {}),
      });
      const filledL = filledInBatch(rung, partsOf(parts, pantry));
      return { ...plan, name: plant.name, taxon: plant.taxon, parts, filledL, extras };
    });
}
