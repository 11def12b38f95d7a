import {
  insideOfMaterial,
  placeOf,
  addDays,
  aftercarePlan,
  activityOn,
  firstPot,
  potLikeIts,
  type FirstPot,
  moveOn,
  seasonAhead,
  seasonOf,
  WINDOW_READINESS,
  traitsOf,
  callusDays,
  stumpWatched,
  weeksToRoot,
  type IsoDate,
  type MediumKind,
  type PotMaterialId,
  type PotShape,
  type RecipePart,
  type TrayLook,
  type TrayMedium,
} from '@fernbank/core';
import { eq, inArray, isNotNull, sql } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Db } from '../db/driver.ts';
import { batches, batchLooks, plants, repots, spots, tasks } from '../db/schema.ts';
import { invalid } from '../http/errors.ts';
import { rowOr404, stamp, touch } from '../http/resource.ts';
import { plantFile, spotOf, taxonOf } from './collection.ts';
import { partsOrdered } from './newMedium.ts';
import { settleWater } from './overWater.ts';
import { checkMix } from './pantry.ts';
import { readSettings } from './settings.ts';
import { takePot } from './shelf.ts';

export type BatchRow = typeof batches.$inferSelect;
export type BatchLookRow = typeof batchLooks.$inferSelect;

/** What a start stood in, as the media of pots are named. */
const KIND_OF: Record<TrayMedium, MediumKind> = {
  water: 'moss',
  moss: 'moss',
  mix: 'mix',
  pebbles: 'pebbles',
};

export const livingOf = ({ count, lost, pottedOn }: BatchRow): number => count - lost - pottedOn;

/** Batches with their looks, when they move on and into what, and what became of them. */
function filesOf(db: Db, rows: readonly BatchRow[]) {
  const places = new Map(readable(db, spots).map((spot) => [spot.id, spotOf(spot)]));
  const seen = readable(db, batchLooks).sort((a, b) => b.date.localeCompare(a.date) || b.id - a.id);
  const children = childrenOf(db);
  const stayed = pottedWith(db, rows);
  // What stands in a spot that cannot be read is not judged.
  const placed = rows.filter(({ spotId }) => places.has(spotId));
  return placed.map((batch) => {
    const { method, medium } = batch;
    const looks = seen.filter(({ batchId }) => batchId === batch.id);
    const newest = looks[0] ?? null;
    const taxon = taxonOf(batch);
    const traits = traitsOf(taxon, {});
    const advice = moveOn(method, medium, livingOf(batch), newest);
    const { activity } = activityOn(places.get(batch.spotId)!, traits, batch.date);
    const weeks = weeksToRoot(method, medium, activity);
    const dryDays = callusDays(method, traits.drying);
    return {
      ...batch,
      common: taxon.common,
      living: livingOf(batch),
      looks,
      advice,
      expectedOn: addDays(batch.date, dryDays + weeks * 7),
      /** the cut lies dry until then; null: it need not, or was looked at since */
      callusUntil: dryDays > 0 && !newest ? addDays(batch.date, dryDays) : null,
      lookOn: batch.planned ? null : lookDay(batch, newest, advice.lookInDays, weeks),
      first:
        stayed.get(batch.repotId ?? 0) ?? firstPot(method, medium, newest?.rootCm ?? null, traits),
      children: children.get(batch.id) ?? [],
    };
  });
}
export type BatchFile = ReturnType<typeof filesOf>[number];

/** What the piece that stayed was potted in, by the repot of a division. */
function pottedWith(db: Db, rows: readonly BatchRow[]): Map<number, FirstPot> {
  const ids = rows.flatMap(({ method, repotId }) =>
    method === 'division' && repotId !== null ? [repotId] : [],
  );
  return new Map(
    readable(db, repots, inArray(repots.id, ids)).flatMap(({ id, after }): [number, FirstPot][] => {
      const { pot, recipeId, mediumKind } = after;
      return recipeId ? [[id, potLikeIts({ pot, recipeId, mediumKind })]] : [];
    }),
  );
}

/** One batch as `trayOn` has them all. */
export const batchFile = (db: Db, batch: BatchRow): BatchFile => filesOf(db, [batch])[0]!;

/** Plants that came out of batches, by the batch. */
function childrenOf(db: Db): Map<number, { id: number; name: string }[]> {
  const batchId = sql<number>`CASE WHEN json_valid(${repots.before})
    THEN json_extract(${repots.before}, '$.fromBatch.id') END`;
  const rows = db
    .select({ id: plants.id, name: plants.name, batchId })
    .from(repots)
    .innerJoin(plants, eq(plants.id, repots.plantId))
    .where(isNotNull(batchId))
    .all();
  const byBatch = new Map<number, { id: number; name: string }[]>();
  for (const { batchId: of, ...child } of rows) {
    byBatch.set(of, [...(byBatch.get(of) ?? []), child]);
  }
  return byBatch;
}

/** A first look half-way to the day on which roots are expected. */
function lookDay(
  { date }: BatchRow,
  newest: BatchLookRow | null,
  inDays: number | null,
  weeks: number,
): IsoDate | null {
  if (inDays === null) return null;
  return newest ? addDays(newest.date, inDays) : addDays(date, Math.ceil((weeks * 7) / 2));
}

/** Every batch that still holds something, those that ask for something first. */
export function trayOn(db: Db) {
  const rows = readable(db, batches).sort((a, b) => a.date.localeCompare(b.date) || a.id - b.id);
  return filesOf(db, rows).sort((a, b) => turn(a) - turn(b));
}
const TURN = { late: 0, ready: 1, wait: 2, lost: 4 } as const;
const turn = ({ advice, planned }: BatchFile): number => (planned ? 3 : TURN[advice.when]);

/** A look at a batch, as the keeper sends it. */
export interface NewBatchLook extends TrayLook {
  date: IsoDate;
  lost: number;
  note: string;
}

/** @throws HttpError 422 when more are rooted or lost than live */
export function lookAtBatch(db: Db, batchId: number, look: NewBatchLook): BatchLookRow {
  const batch = rowOr404(db, batches, batchId, 'batch');
  if (batch.planned) throw invalid('date', 'this batch is only planned: start it first');
  if (look.date < batch.date) {
    throw invalid('date', `date must not be before the batch was started (${batch.date})`);
  }
  const living = livingOf(batch);
  if (look.lost > living) throw invalid('lost', `lost must be at most ${living}, got ${look.lost}`);
  if (look.rooted > living - look.lost) {
    throw invalid(
      'rooted',
      `rooted must be at most the ${living - look.lost} that live, got ${look.rooted}`,
    );
  }
  if (look.rooted === 0 && (look.rootCm ?? 0) > 0) {
    throw invalid('rootCm', 'rootCm must be left out while none is rooted');
  }
  db.update(batches)
    .set({ lost: batch.lost + look.lost, ...touch(batch) })
    .where(eq(batches.id, batch.id))
    .run();
  return db
    .insert(batchLooks)
    .values({ ...stamp(), batchId, ...look })
    .returning()
    .get();
}

/** A head was cut: the stump that it left is watched for pups. */
export function watchStump(
  db: Db,
  { method, parentId, planned, date }: Pick<BatchRow, 'method' | 'parentId' | 'planned' | 'date'>,
): void {
  if (method !== 'head' || parentId === null || planned) return;
  db.insert(tasks)
    .values({ ...stamp(), ...stumpWatched(date), plantId: parentId, repotId: null })
    .run();
}

/** How many of a batch go into pots of their own, and which. */
export interface PotOnOrder {
  date: IsoDate;
  count: number;
  pot: PotShape;
  potMaterial: PotMaterialId;
  /** when it comes from the shelf; one alone */
  potId: number | null;
  recipeId: string;
  mediumKind: MediumKind;
  parts?: RecipePart[];
  spotId: number;
  /** pots hold one start each, or all of them together */
  together: boolean;
}

/**
 * Potted on: plants of the collection with their first pot, mix and aftercare,
 * one for each start or one for all that go into a pot together.
 */
export function potOn(db: Db, batchId: number, order: PotOnOrder): { plantIds: number[] } {
  const batch = rowOr404(db, batches, batchId, 'batch');
  checkPotOn(db, batch, order);
  const many = order.together ? 1 : order.count;
  const plantIds = Array.from({ length: many }, (_, i) =>
    onePotted(db, batch, order, batch.pottedOn + i + 1, order.together ? order.count : 1),
  );
  db.update(batches)
    .set({ pottedOn: batch.pottedOn + order.count, ...touch(batch) })
    .where(eq(batches.id, batch.id))
    .run();
  return { plantIds };
}

function checkPotOn(db: Db, batch: BatchRow, { count, date, potId, together, ...mix }: PotOnOrder) {
  if (batch.planned) throw invalid('count', 'this batch is only planned: start it first');
  if (date < batch.date) {
    throw invalid('date', `date must not be before the batch was started (${batch.date})`);
  }
  if (count > livingOf(batch)) {
    throw invalid('count', `count must be at most the ${livingOf(batch)} that live, got ${count}`);
  }
  if (potId !== null && count > 1 && !together) {
    throw invalid('potId', 'a pot of the shelf takes one: pot them on one by one');
  }
  rowOr404(db, spots, mix.spotId, 'spot');
  checkMix(db, mix);
}

function onePotted(
  db: Db,
  batch: BatchRow,
  order: PotOnOrder,
  number: number,
  starts: number,
): number {
  const { date, pot, potMaterial, potId, recipeId, mediumKind, spotId } = order;
  const taxon = taxonOf(batch);
  const traits = traitsOf(taxon, {});
  const spot = spotOf(rowOr404(db, spots, spotId, 'spot'));
  const inside = insideOfMaterial(pot, potMaterial);
  const mediumParts = partsOrdered(db, order, placeOf({ pot: inside, traits, spot }));
  if (potId !== null) takePot(db, potId);
  const housing = { pot, potMaterial, potId, mediumKind, recipeId, mediumParts };
  const plant = db
    .insert(plants)
    .values({
      ...stamp(),
      ...housing,
      name: number === 1 && batch.count === 1 ? batch.name : `${batch.name} ${number}`,
      taxon: batch.taxon,
      groupId: batch.groupId,
      together: starts,
      traits: {},
      spotId,
      acquired: date,
      lastRepot: date,
      schools: {},
    })
    .returning()
    .get();
  const plantId = plant.id;
  const from = KIND_OF[batch.medium];
  const settings = readSettings(db);
  const file = plantFile(db, plant, date, settings);
  // Its roots are those of the tray yet.
  file.situation.medium = { kind: from };
  settleWater(db, plant, order, file, null);
  const repotId = db
    .insert(repots)
    .values({
      ...stamp(),
      plantId,
      date,
      before: {
        ...housing,
        potId: null,
        mediumKind: from,
        lastRepot: null,
        fromBatch: { id: batch.id, starts },
      },
      after: housing,
      mixedIn: null,
      rootWork: 'bareRoot',
      rootsCut: false,
      verdict: null,
      practice: {
        method: batch.method,
        schools: { firstWater: settings.firstWaterSchool },
        medium: mediumKind,
        season: seasonOf(date, spot.latitudeDeg),
        inWindow: seasonAhead(spot, traits, date, 1).readiness[0]! >= WINDOW_READINESS,
        group: taxon.group,
        rootedIn: batch.medium,
      },
    })
    .returning()
    .get().id;
  const care = aftercarePlan({
    date,
    traits,
    spot,
    from,
    to: mediumKind,
    roots: { work: 'bareRoot', rootsCut: false },
    school: settings.firstWaterSchool,
  });
  for (const task of care) {
    db.insert(tasks)
      .values({ ...stamp(), ...task, plantId, repotId })
      .run();
  }
  return plantId;
}
