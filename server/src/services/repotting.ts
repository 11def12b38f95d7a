import { isDeepStrictEqual } from 'node:util';
import {
  aftercarePlan,
  checkPot,
  coverFit,
  measureOut,
  methodOf,
  partsOf,
  placeOf,
  piecesFault,
  seasonAhead,
  seasonOf,
  WINDOW_READINESS,
  workFor,
  type AftercareTask,
  type Countable,
  type DrainageLayer,
  type IsoDate,
  type MediumKind,
  type PotMaterialId,
  type PotShape,
  type RecipePart,
  type Practice,
  type RootCuts,
  type RootWork,
} from '@fernbank/core';
import { and, desc, eq, isNotNull, isNull, ne } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import {
  batches,
  plans,
  plants,
  pots,
  repots,
  tasks,
  type HousedSupport,
  type MixedIn,
} from '../db/schema.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { rowOr404, stamp, touch } from '../http/resource.ts';
import { leaveBench } from './benches.ts';
import { dayOfRepot, isCut, mixedRecipe } from './dayOfRepot.ts';
import { quarantineFor } from './quarantine.ts';
import { drawStock } from './stockDraw.ts';
import type { PlantRow } from './collection.ts';
import { judge, type Judgement } from './judging.ts';
import { newMediumFor, partsOrdered } from './newMedium.ts';
import { checkMix, pantryFor } from './pantry.ts';
import type { TaskRow } from './tasks.ts';
import { freePot, freeSupport, soakPot, takeCover, takePot, takeSupport } from './shelf.ts';

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
  /** as it is mixed, where that is not the recipe's own */
  parts?: RecipePart[];
  rootsCut: boolean;
  /** absent: the one it has */
  support?: HousedSupport | null;
  /** absent: the cover it stands in, where the new pot goes into it */
  coverId?: number | null;
  layer?: DrainageLayer;
  cuts?: RootCuts & { counted?: Countable | undefined };
  /** when its support is to be made longer, and by how much */
  extensions?: { on: IsoDate | null; addsCm: number; aboveCm: number }[];
  /** share of the roots found alive at the bench; null: as last seen */
  liveRoots?: number | null;
  /** seated on a moss mound */
  mound?: boolean;
  scoopL: number | null;
  /** what was mixed comes off the stock, where no batch of its day did; absent: yes */
  drawStock?: boolean;
  note: string;
}

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
  checkLeft(db, plant, order);
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
      practice: practiceOf(db, plant, order, judgement, work),
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
  const care = aftercare(plant, order, judgement, work);
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
  return { repot: inserted, tasks: written };
}

/**
 * A pot that is handed down is empty first.
 *
 * @throws HttpError 409 while the plant that is to leave it still stands in it
 */
function checkLeft(db: Db, plant: PlantRow, { pot, potMaterial }: RepotOrder): void {
  const settled = db.select().from(plans).where(eq(plans.plantId, plant.id)).get();
  const takesIt =
    settled?.fit.potSource === 'handedDown' &&
    settled.fit.potMaterial === potMaterial &&
    isDeepStrictEqual(settled.fit.pot, pot);
  if (!takesIt) return;
  const giver = db
    .select()
    .from(plants)
    .where(and(eq(plants.name, settled.fit.leftBy ?? ''), isNull(plants.goneOn)))
    .all()
    .find((one) => one.id !== plant.id && isDeepStrictEqual(one.pot, pot));
  const moved = giver?.lastRepot != null && giver.lastRepot >= settled.date;
  if (giver && !moved) {
    throw new HttpError(
      409,
      'potTaken',
      `${giver.name} still stands in that pot: repot it first`,
      'potId',
    );
  }
}

/** What was still asked for after its last repot ends with this one. */
function endFormerCare(db: Db, plantId: number, date: IsoDate): void {
  db.update(tasks)
    .set({ done: date, moved: { because: 'repotted', on: date } })
    .where(and(eq(tasks.plantId, plantId), isNull(tasks.done), isNotNull(tasks.repotId)))
    .run();
}

/** What was found at the bench replaces what was last seen. */
function asFound(judgement: Judgement, { liveRoots }: RepotOrder): Judgement {
  if (liveRoots == null) return judgement;
  const { file } = judgement;
  const signals = { ...file.situation.signals, liveRoots };
  return { ...judgement, file: { ...file, situation: { ...file.situation, signals } } };
}

const liveRootsOf = ({ file }: Judgement): number | null => {
  const { liveRoots } = file.situation.signals;
  return typeof liveRoots === 'number' ? liveRoots : null;
};

const isRotten = ({ file }: Judgement): boolean =>
  file.situation.signals.rot === 'roots' || file.situation.signals.rot === 'stem';

const isInBloom = ({ file }: Judgement): boolean =>
  file.situation.signals.bloom === 'bud' || file.situation.signals.bloom === 'open';

/** What it is potted in, by its parts; null: not mixed of any. */
const partsPut = (
  db: Db,
  { recipeId, parts }: Pick<RepotOrder, 'recipeId' | 'parts'>,
  { file }: Judgement,
): RecipePart[] | null =>
  recipeId === null ? null : partsOrdered(db, { recipeId, parts }, placeOf(file.situation));

function checkPieces({ file }: Judgement, { cuts }: RepotOrder): void {
  const { pieces = 1, counted } = cuts ?? {};
  const fault = counted ? piecesFault(pieces, file.situation.traits, counted) : null;
  if (fault) throw invalid('cuts.pieces', fault);
}

/** How it was done, for what worked: only the schools that had a say. */
function practiceOf(
  db: Db,
  plant: PlantRow,
  order: RepotOrder,
  judgement: Judgement,
  work: RootWork['work'],
): Practice {
  const { situation, taxon, spot } = judgement.file;
  const { when, size, oldMedium, firstWater, weakRoots, rot, wetting, toPebbles } =
    situation.schools;
  const rotten = isRotten(judgement);
  const { pieces = 1, rootsPruned = false } = order.cuts ?? {};
  const [from, to] = [plant.mediumKind, order.mediumKind];
  const repels = partsOf(partsPut(db, order, judgement) ?? [], pantryFor(db)).some(
    ({ ingredient }) => ingredient.rewets === 'repels',
  );
  const { readiness } = seasonAhead(situation.spot, situation.traits, order.date, 1);
  return {
    method: methodOf({
      from,
      to,
      pieces,
      rootsPruned,
      rotten,
      work,
      rootsCut: order.rootsCut,
      mound: order.mound ?? false,
    }),
    schools: {
      when,
      size,
      oldMedium,
      firstWater,
      ...(work !== 'ballKept' || rotten ? { weakRoots } : {}),
      ...(rotten ? { rot } : {}),
      ...(repels ? { wetting } : {}),
      ...(to === 'pebbles' && from !== 'pebbles' ? { toPebbles } : {}),
    },
    medium: to,
    season: seasonOf(order.date, spot.latitudeDeg),
    inWindow: readiness[0]! >= WINDOW_READINESS,
    group: taxon.group,
  };
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
  const { recipe, parts, filledL, extras } = needed;
  if (filledL <= 0) return null;
  const resolved = partsOf(parts, pantryFor(db));
  const batch = measureOut(resolved, filledL, order.scoopL ? { scoopL: order.scoopL } : {});
  return {
    recipeId: recipe.id,
    label: recipe.label,
    version: recipe.version,
    parts,
    extras,
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

/**
 * Pots and covers that change hands: the new pot is taken, the old one goes to
 * its soak, or is kept apart, and a cover that the new pot does not go into is
 * free again.
 *
 * @returns the cover that it then stands in
 */
function movePots(db: Db, plant: PlantRow, order: RepotOrder, apart: boolean): number | null {
  if (order.potId !== plant.potId) {
    if (order.potId !== null) takePot(db, order.potId);
    soakPot(db, plant.potId, order.date, apart);
  }
  return moveCover(db, plant, order.coverId, order.pot);
}

/** The cover that a plant then stands in; `wanted` undefined: its own, where the new pot goes into it. */
export function moveCover(
  db: Db,
  plant: Pick<PlantRow, 'coverId'>,
  wanted: number | null | undefined,
  pot: PotShape,
): number | null {
  const before = plant.coverId;
  const cover = before === null ? null : rowOr404(db, pots, before, 'pot');
  const stays = cover !== null && coverFit(pot, cover.shape, cover.material).fits;
  const coverId = wanted === undefined ? (stays ? before : null) : wanted;
  if (coverId === before && (coverId === null || stays)) return before;
  freePot(db, before);
  if (coverId !== null) takeCover(db, coverId, pot);
  return coverId;
}

/** A pole that was cut for its day is no bar of the shelf any more. */
function supportOrdered(db: Db, order: RepotOrder): RepotOrder['support'] {
  const { support } = order;
  return support && isCut(db, order) ? { ...support, supportId: null } : support;
}

/** The support that a plant then has; `wanted` undefined: the one it has. */
export function moveSupport(
  db: Db,
  plant: PlantRow,
  wanted: HousedSupport | null | undefined,
): HousedSupport | null {
  const before = supportHoused(plant);
  if (wanted === undefined) return before;
  if ((wanted?.supportId ?? null) !== plant.supportId) {
    if (wanted?.supportId) takeSupport(db, wanted.supportId);
    freeSupport(db, plant.supportId);
  }
  return wanted;
}

export function supportHoused(plant: PlantRow): HousedSupport | null {
  if (plant.supportCm === null) return null;
  const { supportCm: lengthCm, supportKind: kind, supportSection, supportId } = plant;
  return { lengthCm, kind, section: supportSection ?? null, supportId };
}

/** A plant's columns for a support. */
export const supportColumns = (support: HousedSupport | null) => ({
  supportCm: support?.lengthCm ?? null,
  supportKind: support?.kind ?? null,
  supportSection: support?.section ?? null,
  supportId: support?.supportId ?? null,
});

function aftercare(
  plant: PlantRow,
  order: RepotOrder,
  judgement: Judgement,
  work: RootWork['work'],
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
    tied: order.support != null,
    school: judgement.file.situation.schools.firstWater,
    extensions: order.extensions ?? [],
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
