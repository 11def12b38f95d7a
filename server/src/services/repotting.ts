import {
  aftercarePlan,
  checkPot,
  measuredFor,
  partsOf,
  piecesFault,
  placeOf,
  workFor,
  type AftercareTask,
  type IsoDate,
  type RecipePart,
  type RootWork,
} from '@fernbank/core';
import { and, desc, eq, isNotNull, isNull, ne, or } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { batches, plans, plants, repots, tasks, type MixedIn } from '../db/schema.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { rowOr404, stamp, touch } from '../http/resource.ts';
import { leaveBench } from './benches.ts';
import type { PlantRow } from './collection.ts';
import { dayOfRepot, mixedRecipe } from './dayOfRepot.ts';
import { lastingMonthsOf } from './feeding.ts';
import { asFound, isInBloom, isRotten, liveRootsOf } from './foundAtBench.ts';
import {
  checkHandedDown,
  movePots,
  moveSupport,
  supportColumns,
  supportHoused,
  supportOrdered,
} from './housing.ts';
import { judge, type Judgement } from './judging.ts';
import { newMediumFor, partsOrdered } from './newMedium.ts';
import { checkMix, pantryFor } from './pantry.ts';
import { settleWater } from './overWater.ts';
import { practiceOf } from './practice.ts';
import { quarantineFor } from './quarantine.ts';
import type { RepotOrder } from './repotOrder.ts';
import { drawStock } from './stockDraw.ts';
import { endTasks, noteFilled, type TaskRow } from './tasks.ts';

export type RepotRow = typeof repots.$inferSelect;

/**
 * Writes a repot with everything that follows from it, in one transaction:
 * the event, the plant's new pot and medium, the pots that change hands, and
 * the aftercare.
 */
export function repot(db: Db, order: RepotOrder): { repot: RepotRow; tasks: TaskRow[] } {
  const plant = rowOr404(db, plants, order.plantId, 'plant');
  checkDates(db, plant, order.date);
  checkPot(order.pot);
  checkHandedDown(db, plant, order);
  checkMix(db, order);
  const judgement = asFound(judge(db, plant, order.date), order);
  const mediumParts = partsPut(db, order, judgement);
  checkPieces(judgement, order);
  const work = workFor(judgement.file.situation, {
    ...order.cuts,
    newKind: order.mediumKind,
    mound: order.mound ?? false,
  });
  const mixedIn = mixFor(db, order, judgement);
  const apart = quarantineFor(db, plant, order.date) !== null;
  const coverId = movePots(db, plant, order, apart);
  const day = dayOfRepot(db, plant.id, order.date)?.day ?? null;
  const draws =
    order.drawStock !== false && mixedIn !== null && mixedRecipe(db, order) !== order.recipeId;
  if (draws) drawStock(db, mixedIn.measures);
  settleWater(db, plant, order, judgement.file, coverId);
  const support = moveSupport(db, plant, supportOrdered(db, order));
  const atBench = leaveBench(db, plant.id);
  const inserted = db
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
        mediumParts: plant.mediumParts,
        lastRepot: plant.lastRepot,
        support: supportHoused(plant),
        coverId: plant.coverId,
      },
      after: {
        pot: order.pot,
        potMaterial: order.potMaterial,
        potId: order.potId,
        mediumKind: order.mediumKind,
        recipeId: order.recipeId,
        mediumParts,
        support,
        coverId,
      },
      mixedIn,
      rootWork: work,
      rootsCut: order.rootsCut,
      verdict: judgement.decision.verdict,
      practice: practiceOf(db, { plant, order, judgement, work, mediumParts }),
      liveRoots: liveRootsOf(judgement),
      pieces: order.cuts?.pieces ?? 1,
      dayId: day?.id ?? null,
      timed: atBench.timed,
      note: order.note,
    })
    .returning()
    .get();
  db.update(plants)
    .set({
      ...touch(plant),
      pot: order.pot,
      potMaterial: order.potMaterial,
      potId: order.potId,
      mediumKind: order.mediumKind,
      recipeId: order.recipeId,
      mediumParts,
      together: togetherAfter(plant, order),
      lastRepot: order.date,
      coverId,
      ...supportColumns(support),
    })
    .where(eq(plants.id, plant.id))
    .run();
  // What was planned is done.
  db.delete(plans).where(eq(plans.plantId, plant.id)).run();
  if ((order.cuts?.pieces ?? 1) > 1) divisionsToTray(db, plant, order, inserted.id);
  endFormerCare(db, plant.id, order.date);
  const care = aftercare(plant, order, judgement, work, lastingMonthsOf(mixedIn?.extras));
  const written = care.map((task) =>
    db
      .insert(tasks)
      .values({
        ...stamp(),
        ...task,
        plantId: plant.id,
        repotId: inserted.id,
        ...(task.due <= order.date && atBench.tasks.includes(task.rule)
          ? { done: order.date }
          : {}),
      })
      .returning()
      .get(),
  );
  if (written.some(({ rule, done }) => rule === 'firstWater' && done !== null)) {
    noteFilled(db, plant.id, order.date);
  }
  return { repot: inserted, tasks: written };
}

/** Plants that share a pot come apart with a division: those that stay with this piece. */
const togetherAfter = ({ together }: PlantRow, { cuts }: RepotOrder): number =>
  Math.max(1, Math.round(together / (cuts?.pieces ?? 1)));

/** What was still asked for after its last repot ends with this one. */
function endFormerCare(db: Db, plantId: number, date: IsoDate): void {
  const former = and(
    eq(tasks.plantId, plantId),
    isNull(tasks.done),
    // Feed is asked for without a repot too; a task by hand stays.
    or(isNotNull(tasks.repotId), isNotNull(tasks.rule)),
  );
  endTasks(db, former, { because: 'repotted', on: date });
}

/** What it is potted in, by its parts; null: not mixed of any. */
const partsPut = (
  db: Db,
  { recipeId, parts }: Pick<RepotOrder, 'recipeId' | 'parts'>,
  { file }: Judgement,
): RecipePart[] | null =>
  recipeId === null ? null : partsOrdered(db, { recipeId, parts }, placeOf(file.situation));

function checkPieces({ file }: Judgement, { cuts }: RepotOrder): void {
  const { pieces = 1, counted } = cuts ?? {};
  const fault = counted
    ? piecesFault(pieces, file.situation.traits, counted, file.plant.together)
    : null;
  if (fault) throw invalid('cuts.pieces', fault);
}

/** The other pieces of a division wait in the tray for pots of their own. */
function divisionsToTray(db: Db, plant: PlantRow, order: RepotOrder, repotId: number): void {
  const { name, taxon, groupId, spotId } = plant;
  const medium =
    order.mediumKind === 'moss' || order.mediumKind === 'pebbles' ? order.mediumKind : 'mix';
  db.insert(batches)
    .values({
      ...stamp(),
      method: 'division',
      medium,
      parentId: plant.id,
      name: `${name}, division`,
      taxon,
      groupId,
      spotId,
      date: order.date,
      count: order.cuts!.pieces - 1,
      repotId,
    })
    .run();
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
function mixFor(db: Db, order: RepotOrder, { file }: Judgement): MixedIn | null {
  if (!order.recipeId) return null;
  const needed = newMediumFor(db, file, { ...order, recipeId: order.recipeId });
  const { recipe, parts, rung, extras } = needed;
  const filledL = rung.newMediumL * rung.pots;
  const batch = measuredFor(rung, partsOf(parts, pantryFor(db)), order.scoopL);
  if (!batch) return null;
  return {
    recipeId: recipe.id,
    label: recipe.label,
    version: recipe.version,
    parts,
    extras,
    filledL,
    mixedL: batch.inScoops.mixedL,
    scoopL: batch.scoop.scoopL,
    measures: batch.inScoops.measures.map(({ component, litres }, i) => ({
      component: component.id,
      label: component.label,
      litres,
      scoops: batch.scoop.scoops[i]!,
    })),
  };
}

function aftercare(
  plant: PlantRow,
  order: RepotOrder,
  judgement: Judgement,
  work: RootWork['work'],
  lastingMonths: number | undefined,
): AftercareTask[] {
  const { file } = judgement;
  return aftercarePlan({
    date: order.date,
    traits: file.situation.traits,
    spot: file.situation.spot,
    from: plant.mediumKind,
    to: order.mediumKind,
    roots: { work, rootsCut: order.rootsCut },
    liveRoots: liveRootsOf(judgement) ?? undefined,
    pieces: order.cuts?.pieces,
    rotten: isRotten(judgement),
    inBloom: isInBloom(judgement),
    mound: order.mound,
    jar: order.jar,
    tied: order.support != null,
    school: judgement.file.situation.schools.firstWater,
    extensions: order.extensions ?? [],
    lastingMonths,
  });
}

/** A record that was a mistake goes; what the plant stands in stays. Its newest other repot counts from then on. */
export function forgetRepot(db: Db, row: RepotRow): void {
  if (row.before.fromBatch) {
    throw new HttpError(
      409,
      'fromTray',
      'this is its first pot: take the potting on back in the propagation tray',
    );
  }
  const plant = rowOr404(db, plants, row.plantId, 'plant');
  if (plant.lastRepot !== row.date) return;
  const before = db
    .select({ date: repots.date })
    .from(repots)
    .where(and(eq(repots.plantId, row.plantId), ne(repots.id, row.id)))
    .orderBy(desc(repots.date))
    .get();
  db.update(plants)
    .set({ lastRepot: before?.date ?? row.before.lastRepot, ...touch(plant) })
    .where(eq(plants.id, plant.id))
    .run();
}
