import { isDeepStrictEqual } from 'node:util';
import { coverFit, type PotShape } from '@fernbank/core';
import { and, eq, isNull } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { plans, plants, pots, type HousedSupport } from '../db/schema.ts';
import { HttpError } from '../http/errors.ts';
import { rowOr404 } from '../http/resource.ts';
import type { PlantRow } from './collection.ts';
import { isCut } from './dayOfRepot.ts';
import type { RepotOrder } from './repotOrder.ts';
import { freePot, freeSupport, soakPot, takeCover, takePot, takeSupport } from './shelf.ts';

/**
 * A pot that is handed down is empty first.
 *
 * @throws HttpError 409 while the plant that is to leave it still stands in it
 */
export function checkHandedDown(db: Db, plant: PlantRow, { pot, potMaterial }: RepotOrder): void {
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

/**
 * Pots and covers that change hands: the new pot is taken, the old one goes to
 * its soak, or is kept apart, and a cover that the new pot does not go into is
 * free again.
 *
 * @returns the cover that it then stands in
 */
export function movePots(
  db: Db,
  plant: PlantRow,
  order: RepotOrder,
  apart: boolean,
): number | null {
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
export function supportOrdered(db: Db, order: RepotOrder): RepotOrder['support'] {
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

/** The support that a plant has. */
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
