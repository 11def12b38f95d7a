import {
  addDays,
  aftercarePlan,
  exploredAfter,
  fillL,
  freshIn,
  blendOfRecipe,
  insideOfMaterial,
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
  looks,
  measurements,
  plants,
  pots,
  repots,
  spots,
  tasks,
} from '../server/src/db/schema.ts';
import type { Db } from '../server/src/db/driver.ts';
import { stamp } from '../server/src/http/resource.ts';
import { writeSettings } from '../server/src/services/settings.ts';
import { PLANTS, SHELF, SPOTS, spotRow, type GardenPlant } from './garden.ts';

const MONTHS_KEPT = 26;
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
    writeSettings(tx, { collectionName: 'Marrow Quay Winter Garden', demo: true });
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
    for (const [label, rim, trade, material, count] of SHELF) {
      tx.insert(pots)
        .values({ ...stamp(), label, shape: nominalPot(rim, trade), material, count, free: count })
        .run();
    }
    for (const kept of PLANTS) {
      const place = spotIds.get(kept.spot)!;
      plantIn(tx, kept, place.id, place.spot, today, random);
    }
  });
}

function plantIn(
  db: Db,
  kept: GardenPlant,
  spotId: number,
  spot: Spot,
  today: IsoDate,
  random: () => number,
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
  if (kept.weighed && repotted) weigh(db, plantId, kept, recipeId, repotted, today, random);
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
        lastRepot: null,
      },
      after: { ...housing, pot: nominalPot(kept.rimCm, kept.trade) },
      mixedIn: null,
      rootWork: WORK_BY_MEDIUM[kept.medium],
      rootsCut: false,
      verdict: null,
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
    let explored = EXPLORED_AFTER_REPOT;
    let nextLook = 8 + Math.round(4 * random());
    for (let week = 0; week < weeks - 13; week++) {
      explored = exploredAfter(explored, traits.vigour, (activity[week]! * 7) / DAYS_PER_MONTH);
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

/** Weights just before and after a watering, about monthly: it holds less as roots fill it. */
function weigh(
  db: Db,
  plantId: number,
  kept: GardenPlant,
  recipeId: string,
  repotted: IsoDate,
  today: IsoDate,
  random: () => number,
): void {
  const inside = insideOfMaterial(nominalPot(kept.rimCm, kept.trade), kept.material ?? 'plastic');
  const mix = blendOfRecipe(recipeId);
  const { water } = freshIn(mix, inside);
  const litres = fillL(inside);
  const months = Math.floor((kept.repottedMonthsAgo ?? 0) - 0.5);
  for (let month = Math.max(0, months - 14); month <= months; month++) {
    const date = addDays(repotted, Math.round(month * DAYS_PER_MONTH));
    if (date > today) break;
    const held =
      water * litres * (1 - 0.3 * (month / Math.max(1, months))) * (0.97 + 0.06 * random());
    const dry = litres * (mix.dryKgPerL + 0.28);
    const log = (kind: 'weightKg' | 'watered', value: number) =>
      db
        .insert(measurements)
        .values({ ...stamp(), plantId, date, kind, value: Math.round(value * 1000) / 1000 })
        .run();
    log('weightKg', dry + 0.35 * held);
    log('watered', 1);
    log('weightKg', dry + held);
  }
}
