import {
  aftercarePlan,
  checkPot,
  fillL,
  insideOfMaterial,
  measureOut,
  partsOf,
  potLadder,
  recipe,
  blendOfRecipe,
  WORK_BY_MEDIUM,
  type AftercareTask,
  type IsoDate,
  type MediumKind,
  type PotMaterialId,
  type PotShape,
} from '@fernbank/core';
import { and, desc, eq, gt, sql } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { plants, pots, repots, tasks, type MixedIn } from '../db/schema.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { rowOr404, stamp, touch } from '../http/resource.ts';
import { heightOf, supportOf, type PlantRow } from './collection.ts';
import { judge, type Judgement } from './judging.ts';
import { readSettings } from './settings.ts';

/** A repot as the keeper confirms it. */
export interface RepotOrder {
  plantId: number;
  date: IsoDate;
  pot: PotShape;
  potMaterial: PotMaterialId;
  /** when it comes from the shelf */
  potId: number | null;
  mediumKind: MediumKind;
  recipeId: string | null;
  rootsCut: boolean;
  scoopL: number | null;
  note: string;
}

export type RepotRow = typeof repots.$inferSelect;
export type TaskRow = typeof tasks.$inferSelect;

/**
 * Writes a repot with everything that follows from it, in one transaction:
 * the event, the plant's new pot and medium, the pots that change hands, and
 * the aftercare.
 */
export function repot(db: Db, order: RepotOrder): { repot: RepotRow; tasks: TaskRow[] } {
  return db.transaction((tx) => {
    const plant = rowOr404(tx, plants, order.plantId, 'plant');
    checkDates(tx, plant, order.date);
    checkPot(order.pot);
    const judgement = judge(tx, plant, order.date);
    const work = WORK_BY_MEDIUM[plant.mediumKind];
    const inserted = tx
      .insert(repots)
      .values({
        ...stamp(),
        plantId: plant.id,
        date: order.date,
        before: {
          pot: plant.pot,
          potMaterial: plant.potMaterial,
          potId: plant.potId,
          mediumKind: plant.mediumKind,
          recipeId: plant.recipeId,
          lastRepot: plant.lastRepot,
        },
        after: {
          pot: order.pot,
          potMaterial: order.potMaterial,
          potId: order.potId,
          mediumKind: order.mediumKind,
          recipeId: order.recipeId,
        },
        mixedIn: mixFor(order, judgement),
        rootWork: work,
        rootsCut: order.rootsCut,
        verdict: judgement.decision.verdict,
        note: order.note,
      })
      .returning()
      .get();
    movePots(tx, plant.potId, order.potId);
    tx.update(plants)
      .set({
        ...touch(plant),
        pot: order.pot,
        potMaterial: order.potMaterial,
        potId: order.potId,
        mediumKind: order.mediumKind,
        recipeId: order.recipeId,
        lastRepot: order.date,
      })
      .where(eq(plants.id, plant.id))
      .run();
    const planned = aftercare(tx, plant, order, judgement, work);
    const written = planned.map((task) =>
      tx
        .insert(tasks)
        .values({ ...stamp(), ...task, plantId: plant.id, repotId: inserted.id })
        .returning()
        .get(),
    );
    return { repot: inserted, tasks: written };
  });
}

function checkDates(db: Db, plant: PlantRow, date: IsoDate): void {
  if (plant.acquired && date < plant.acquired) {
    throw invalid('date', `date must not be before the plant arrived (${plant.acquired})`);
  }
  if (plant.lastRepot && date < plant.lastRepot) {
    throw invalid('date', `date must not be before its last repot (${plant.lastRepot})`);
  }
  const sameDay = db
    .select({ id: repots.id })
    .from(repots)
    .where(and(eq(repots.plantId, plant.id), eq(repots.date, date)))
    .get();
  if (sameDay) {
    throw new HttpError(409, 'alreadyDone', 'a repot of this plant is recorded that day', 'date');
  }
}

/** What was measured for it: litres round the ball, through shrink, to scoops. */
function mixFor(order: RepotOrder, { file }: Judgement): MixedIn | null {
  if (!order.recipeId) return null;
  const { label, parts } = recipe(order.recipeId);
  const support = supportOf(file.plant);
  const ladder = potLadder({
    situation: file.situation,
    options: [
      { id: 'new', label: '', outside: order.pot, material: order.potMaterial, owned: true },
    ],
    mix: blendOfRecipe(order.recipeId),
    plantHeightCm: heightOf(file).cm,
    ...(support ? { support } : {}),
  });
  const filledL = ladder.rungs[0]!.newMediumL;
  if (filledL <= 0) return null;
  const batch = measureOut(partsOf(parts), filledL, order.scoopL ? { scoopL: order.scoopL } : {});
  return {
    recipeId: order.recipeId,
    label,
    filledL,
    mixedL: batch.mixedL,
    scoopL: batch.scoop.scoopL,
    measures: batch.measures.map(({ component, litres }, i) => ({
      component: component.id,
      label: component.label,
      litres,
      scoops: batch.scoop.scoops[i]!,
    })),
  };
}

/** A pot of the shelf is taken; the one it left, if it was the shelf's, is free again. */
function movePots(db: Db, from: number | null, to: number | null): void {
  if (from === to) return;
  if (to !== null) {
    const shelf = rowOr404(db, pots, to, 'pot');
    if (shelf.free < 1) throw new HttpError(409, 'potTaken', 'no such pot is free', 'potId');
    db.update(pots)
      .set({ ...touch(shelf), free: shelf.free - 1 })
      .where(eq(pots.id, to))
      .run();
  }
  freeOnShelf(db, from);
}

/** One more of these stands free; nothing to do for a pot that was never the shelf's. */
export function freeOnShelf(db: Db, potId: number | null): void {
  if (potId === null) return;
  db.update(pots)
    .set({ free: sql`min(${pots.count}, ${pots.free} + 1)`, rev: sql`${pots.rev} + 1` })
    .where(eq(pots.id, potId))
    .run();
}

function aftercare(
  db: Db,
  plant: PlantRow,
  order: RepotOrder,
  { file }: Judgement,
  work: 'ballKept' | 'mostOff' | 'bareRoot',
): AftercareTask[] {
  return aftercarePlan({
    date: order.date,
    traits: file.situation.traits,
    spot: file.situation.spot,
    from: plant.mediumKind,
    to: order.mediumKind,
    roots: { work, rootsCut: order.rootsCut },
    school: plant.schools.firstWater ?? readSettings(db).firstWaterSchool,
  });
}

/**
 * Takes the newest repot of a plant back: pot, medium and last repot return
 * to what they were, its tasks go, pots change hands again.
 *
 * @throws HttpError 409 when a newer repot builds on it
 */
export function undoRepot(db: Db, row: RepotRow): void {
  db.transaction((tx) => {
    const newer = tx
      .select({ id: repots.id })
      .from(repots)
      .where(and(eq(repots.plantId, row.plantId), gt(repots.id, row.id)))
      .orderBy(desc(repots.id))
      .get();
    if (newer) {
      throw new HttpError(409, 'notNewest', 'a later repot builds on this one; undo that first');
    }
    const plant = rowOr404(tx, plants, row.plantId, 'plant');
    movePots(tx, plant.potId, row.before.potId);
    const { pot, potMaterial, potId, mediumKind, recipeId, lastRepot } = row.before;
    tx.update(plants)
      .set({ ...touch(plant), pot, potMaterial, potId, mediumKind, recipeId, lastRepot })
      .where(eq(plants.id, plant.id))
      .run();
    tx.delete(repots).where(eq(repots.id, row.id)).run();
  });
}

/** Litres that a pot of the shelf holds when filled, for lists. */
export function shelfFillL(shape: PotShape, material: PotMaterialId): number {
  return fillL(insideOfMaterial(shape, material));
}
