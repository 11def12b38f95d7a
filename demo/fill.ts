import {
  addDays,
  aftercarePlan,
  exploredAfter,
  blendOfRecipe,
  daysBetween,
  insideOfMaterial,
  monthsToFill,
  nominalPot,
  recipeOfKind,
  resolveTaxon,
  seasonAhead,
  seeded,
  WORK_BY_MEDIUM,
  type IsoDate,
  type Signals,
  type Spot,
  type Traits,
} from '@fernbank/core';
import {
  days,
  looks,
  measurements,
  overrules,
  plans,
  plants,
  pots,
  repots,
  spots,
  supports,
  tasks,
} from '../server/src/db/schema.ts';
import type { Db } from '../server/src/db/driver.ts';
import { stamp } from '../server/src/http/resource.ts';
import { learnedOn } from '../server/src/track/trackRecord.ts';
import { writeSettings } from '../server/src/services/settings.ts';
import { practised, repotBefore, whatFollowed } from './after.ts';
import { PLANTS, SETTLED, SHELF, SPOTS, spotRow, SUPPORTS, type GardenPlant } from './garden.ts';
import { stockPantry } from './pantry.ts';
import { keepWatering, waterings } from './watering.ts';

const TESTED_DAYS_AGO = 31;
/** So far back goes what is told of the garden. */
export const MONTHS_KEPT = 26;
const DAYS_PER_MONTH = 30.4;
const EXPLORED_AFTER_REPOT = 0.48;

/**
 * Fills an empty collection with Marrow Quay Winter Garden as it would stand
 * on `today`: every plant is grown forward from its last repot with the same
 * models that judge it, and looked at along the way.
 */
export function fillGarden(db: Db, today: IsoDate, seed = 54): void {
  const random = seeded(seed);
  db.transaction((tx) => {
    writeSettings(tx, { collectionName: 'Marrow Quay Winter Garden', potPrice: 4, demo: true });
    const spotIds = new Map<string, { id: number; spot: Spot }>();
    SPOTS.forEach((spot, i) => {
      const row = spotRow(spot, i);
      const { id } = tx
        .insert(spots)
        .values({ ...stamp(), ...row })
        .returning()
        .get();
      spotIds.set(spot.name, { id, spot: row });
    });
    const shelf = stockShelf(tx, today);
    for (const kept of PLANTS) {
      const place = spotIds.get(kept.spot)!;
      plantIn(tx, kept, place.id, place.spot, today, random, shelf);
    }
    settlePlans(tx, shelf, today);
    stockPantry(tx, addDays(today, -TESTED_DAYS_AGO));
    whatFollowed(tx, today);
    planDay(tx, today);
  });
  // Its keeper has had Fernbank for a while: what was found corrects what is said by now.
  writeSettings(db, { ownRecord: learnedOn(db, today, null).record });
}

/** A row of the shelf and what it holds, by its label. */
type Shelf = Map<string, { id: number; row: ShelfKind }>;

/** Pots, covers and supports; what plants stand in is counted with them. */
function stockShelf(db: Db, today: IsoDate): Shelf {
  const shelf: Shelf = new Map();
  for (const row of SHELF) {
    const { label, rimCm: rim, trade, material, free, soaking = 0, ...features } = row;
    const inUse = PLANTS.filter((kept) => standsIn(kept, row) || coveredBy(kept, row)).length;
    const { id } = db
      .insert(pots)
      .values({
        ...stamp(),
        ...features,
        label,
        shape: nominalPot(rim, trade),
        material,
        count: free + soaking + inUse,
        free,
        soaking,
        soakingSince: soaking > 0 ? addDays(today, -1) : null,
      })
      .returning()
      .get();
    shelf.set(label, { id, row });
  }
  for (const { free, ...support } of SUPPORTS) {
    db.insert(supports)
      .values({ ...stamp(), ...support, count: free, free })
      .run();
  }
  return shelf;
}

/** A free Saturday in the middle of April, not settled yet. */
function planDay(db: Db, today: IsoDate): void {
  const date = addDays(today, 33);
  db.insert(days)
    .values({
      ...stamp(),
      dates: [{ date, minutes: 300 }],
      money: 30,
      cleaning: 'rinse',
      nextChance: addDays(date, 42),
    })
    .run();
}

function settlePlans(db: Db, shelf: Shelf, today: IsoDate): void {
  const kept = db.select().from(plants).all();
  for (const { plant, pot, support } of SETTLED) {
    const { id: plantId, taxon } = kept.find(({ name }) => name === plant)!;
    const { id: potId, row } = shelf.get(pot)!;
    db.insert(plans)
      .values({
        ...stamp(),
        plantId,
        date: addDays(today, -2),
        fit: {
          pot: nominalPot(row.rimCm, row.trade),
          potMaterial: row.material,
          potLabel: row.label,
          potId,
          potSource: 'free',
          recipeId: resolveTaxon(taxon)!.traits.recipe,
          size: 'oneUp',
          layer: 'screen',
          cuts: { pieces: 1, rootsPruned: false },
          support: { ...support, stock: null, poles: 1 },
        },
      })
      .run();
  }
}

type ShelfKind = (typeof SHELF)[number];

/** Whether a plant stands in a pot, or a cover, of this row. */
const standsIn = (kept: GardenPlant, row: ShelfKind): boolean =>
  row.role !== 'cover' &&
  row.rimCm === kept.rimCm &&
  row.trade === (kept.trade ?? 'azalea') &&
  row.material === (kept.material ?? 'plastic');
const coveredBy = (kept: GardenPlant, row: ShelfKind): boolean =>
  row.role === 'cover' && row.label === kept.cover;

const idWhere = (shelf: Shelf, holds: (row: ShelfKind) => boolean): number | null =>
  [...shelf.values()].find(({ row }) => holds(row))?.id ?? null;

function plantIn(
  db: Db,
  kept: GardenPlant,
  spotId: number,
  spot: Spot,
  today: IsoDate,
  random: () => number,
  shelf: Shelf,
): void {
  const { traits } = resolveTaxon(kept.taxon)!;
  const daysAgo = (months: number) =>
    addDays(today, -Math.round(months * DAYS_PER_MONTH + 6 * random()));
  const repotted = kept.repottedMonthsAgo === null ? null : daysAgo(kept.repottedMonthsAgo);
  const material = kept.material ?? 'plastic';
  const pot = nominalPot(kept.rimCm, kept.trade);
  const acquired = daysAgo(Math.max(MONTHS_KEPT, (kept.repottedMonthsAgo ?? 4) + 6));
  const recipeId = kept.recipe ?? recipeOfKind(kept.medium).id;
  const { id: plantId } = db
    .insert(plants)
    .values({
      ...stamp(),
      name: kept.name,
      taxon: kept.taxon,
      groupId: null,
      traits: {},
      spotId,
      acquired: kept.repottedMonthsAgo === null ? daysAgo(3) : acquired,
      pot,
      potMaterial: material,
      potId: idWhere(shelf, (row) => standsIn(kept, row)),
      coverId: idWhere(shelf, (row) => coveredBy(kept, row)),
      supportKind: kept.supportKind ?? null,
      stems: kept.stems ?? 1,
      mediumKind: kept.medium,
      recipeId,
      lastRepot: repotted,
      heightCm: kept.heightCm ?? null,
      supportCm: kept.supportCm ?? null,
      schools: {},
      note: kept.note ?? '',
    })
    .returning()
    .get();
  if (repotted && kept.repottedMonthsAgo! < MONTHS_KEPT) {
    recordRepot(db, plantId, kept, traits, spot, repotted, today);
  }
  lookAlong(db, plantId, kept, traits, spot, repotted, today, random);
  const here = { traits, spot };
  if (kept.weighed && repotted) {
    weigh(db, plantId, kept, here, recipeId, repotted, today, random);
  }
  if (kept.heightAtRepotCm && repotted) {
    measureHeights(db, plantId, kept, here, repotted, today, random);
  }
  if (kept.overruled) {
    db.insert(overrules)
      .values({
        ...stamp(),
        plantId,
        date: addDays(today, -kept.overruled.daysAgo),
        advised: 'repotNow',
        instead: 'leave',
        until: addDays(today, kept.overruled.daysMore),
        reason: kept.overruled.reason,
      })
      .run();
  }
}

/** The last repot, from a pot one size down, with its aftercare done. */
function recordRepot(
  db: Db,
  plantId: number,
  kept: GardenPlant,
  traits: Traits,
  spot: Spot,
  date: IsoDate,
  today: IsoDate,
): void {
  const material = kept.material ?? 'plastic';
  const recipeId = kept.recipe ?? recipeOfKind(kept.medium).id;
  const housing = { potMaterial: material, potId: null, mediumKind: kept.medium, recipeId };
  const { id: repotId } = db
    .insert(repots)
    .values({
      ...stamp(),
      plantId,
      date,
      before: {
        ...housing,
        pot: nominalPot(Math.round(kept.rimCm * 0.82), kept.trade),
        lastRepot: repotBefore(kept.name, date),
      },
      after: { ...housing, pot: nominalPot(kept.rimCm, kept.trade) },
      mixedIn: null,
      rootWork: WORK_BY_MEDIUM[kept.medium],
      rootsCut: false,
      verdict: null,
      practice: practised(kept.taxon, kept.medium, WORK_BY_MEDIUM[kept.medium], spot, date),
      note: '',
    })
    .returning()
    .get();
  const planned = aftercarePlan({
    date,
    traits,
    spot,
    from: kept.medium,
    to: kept.medium,
    roots: { work: WORK_BY_MEDIUM[kept.medium], rootsCut: false },
  });
  for (const task of planned) {
    const done = task.due <= addDays(today, -20) ? task.due : null;
    db.insert(tasks)
      .values({ ...stamp(), ...task, plantId, repotId, done })
      .run();
  }
}

/** Looks every few months, finding what roots and medium would show by then. */
function lookAlong(
  db: Db,
  plantId: number,
  kept: GardenPlant,
  traits: Traits,
  spot: Spot,
  repotted: IsoDate | null,
  today: IsoDate,
  random: () => number,
): void {
  const every = kept.looksEvery ?? 3;
  const write = (date: IsoDate, signals: Signals) =>
    db
      .insert(looks)
      .values({ ...stamp(), plantId, date, signals })
      .run();
  if (every > 0 && repotted) {
    const weeks = Math.floor(((kept.repottedMonthsAgo ?? 0) * DAYS_PER_MONTH) / 7);
    const { activity } = seasonAhead(spot, traits, repotted, Math.max(1, weeks));
    const toFill = monthsToFill(traits.vigour, kept.rimCm);
    let explored = EXPLORED_AFTER_REPOT;
    let nextLook = 8 + Math.round(4 * random());
    for (let week = 0; week < weeks - 13; week++) {
      explored = exploredAfter(explored, toFill, (activity[week]! * 7) / DAYS_PER_MONTH);
      if (week !== nextLook) continue;
      write(addDays(repotted, week * 7), outsideSigns(explored, activity[week]!, random));
      nextLook += Math.round(every * 4.3 + 4 * random());
    }
  }
  if (kept.now) write(addDays(today, -(kept.lookedDaysAgo ?? 10)), kept.now);
}

function outsideSigns(explored: number, activity: number, random: () => number): Signals {
  const seen = explored + 0.1 * (random() - 0.5);
  const rootsAtHoles =
    seen > 0.97 ? 'every' : seen > 0.85 ? 'several' : seen > 0.7 ? 'one' : 'none';
  return {
    rootsAtHoles,
    growth: activity > 0.75 ? 'vigorous' : activity > 0.4 ? 'normal' : 'slow',
    ...(random() > 0.5 ? { smell: 'fresh' } : {}),
    ...(random() > 0.7 ? { pests: 'none' } : {}),
  };
}

/** A log goes back this far. */
const LOGGED_MONTHS = 11;

/** A log of weights, before and after each watering, up to today. */
function weigh(
  db: Db,
  plantId: number,
  kept: GardenPlant,
  place: { traits: Traits; spot: Spot },
  recipeId: string,
  repotted: IsoDate,
  today: IsoDate,
  random: () => number,
): void {
  const start = addDays(today, -Math.round(LOGGED_MONTHS * DAYS_PER_MONTH));
  const from = start > repotted ? start : addDays(repotted, 2);
  const days = Math.max(1, daysBetween(from, today));
  const pot = insideOfMaterial(nominalPot(kept.rimCm, kept.trade), kept.material ?? 'plastic');
  const logged = waterings({
    ...place,
    pot,
    mix: blendOfRecipe(recipeId),
    habit: kept.weighed!,
    from,
    until: today,
    through: (date) => 1 - daysBetween(date, today) / days,
    chance: () => random,
  });
  for (const watering of logged) keepWatering(db, plantId, watering);
}

/** Heights of a plant that is measured along its pole, every five weeks. */
function measureHeights(
  db: Db,
  plantId: number,
  kept: GardenPlant,
  { traits, spot }: { traits: Traits; spot: Spot },
  repotted: IsoDate,
  today: IsoDate,
  random: () => number,
): void {
  const EVERY_DAYS = 35;
  const weeks = Math.max(1, Math.floor(daysBetween(repotted, today) / 7));
  const { activity } = seasonAhead(spot, traits, repotted, weeks);
  const total = activity.reduce((sum, active) => sum + active, 0);
  const grown = kept.heightCm! - kept.heightAtRepotCm!;
  let through = 0;
  for (let week = 0; week < weeks; week++) {
    through += activity[week]! / total;
    if ((week * 7) % EVERY_DAYS !== 0) continue;
    const value = kept.heightAtRepotCm! + grown * through + 1.5 * (random() - 0.5);
    db.insert(measurements)
      .values({
        ...stamp(),
        plantId,
        date: addDays(repotted, week * 7),
        kind: 'heightCm',
        value: Math.round(value * 2) / 2,
      })
      .run();
  }
}
