import { isDeepStrictEqual } from 'node:util';
import { checkpointOn, type Checkpoint, type FitPlan, type IsoDate } from '@fernbank/core';
import { and, desc, eq, inArray, isNull } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { outcomes, plans, plants, pots, repots } from '../db/schema.ts';
import { invalid } from '../http/errors.ts';
import { MOST_ALIKE } from '../http/plantBody.ts';
import { rowOr404, stamp, touch } from '../http/resource.ts';
import type { PlantRow } from './collection.ts';

/** A plant of the same kind that stands beside one in the same. */
export interface AlikePlant {
  id: number;
  name: string;
  /** its repot, where the question how that went is open on the day; null: nothing is to be judged */
  toJudge: { repotId: number; at: Checkpoint } | null;
}

/** Plants of its kind that stand beside it in the same: what is seen, planned or judged of one is mostly so of all. */
export function alikeTo(
  db: Db,
  { id, taxon, spotId, mediumKind, pot }: PlantRow,
  date: IsoDate,
): AlikePlant[] {
  const { goneOn, taxon: kind, spotId: spot, mediumKind: medium } = plants;
  const others = db
    .select({ id: plants.id, name: plants.name, pot: plants.pot })
    .from(plants)
    .where(and(eq(kind, taxon), eq(spot, spotId), eq(medium, mediumKind), isNull(goneOn)))
    .orderBy(plants.id)
    .all()
    .filter((other) => other.id !== id && isDeepStrictEqual(other.pot, pot))
    .slice(0, MOST_ALIKE);
  const open = openQuestions(
    db,
    others.map((other) => other.id),
    date,
  );
  return others.map(({ id: other, name }) => ({
    id: other,
    name,
    toJudge: open.get(other) ?? null,
  }));
}

/** The newest repot of each plant whose question of that day nobody has answered yet. */
function openQuestions(db: Db, plantIds: readonly number[], date: IsoDate) {
  const open = new Map<number, { repotId: number; at: Checkpoint }>();
  if (plantIds.length === 0) return open;
  const newest = new Map<number, { id: number; date: IsoDate }>();
  for (const row of db
    .select({ id: repots.id, plantId: repots.plantId, date: repots.date })
    .from(repots)
    .where(inArray(repots.plantId, [...plantIds]))
    .orderBy(desc(repots.date), desc(repots.id))
    .all()) {
    if (!newest.has(row.plantId)) newest.set(row.plantId, row);
  }
  const judged = new Set(
    db
      .select({ repotId: outcomes.repotId, at: outcomes.at })
      .from(outcomes)
      .where(inArray(outcomes.plantId, [...plantIds]))
      .all()
      .map(({ repotId, at }) => `${repotId} ${at}`),
  );
  for (const [plantId, repot] of newest) {
    const at = checkpointOn(repot.date, date);
    if (at && !judged.has(`${repot.id} ${at}`)) open.set(plantId, { repotId: repot.id, at });
  }
  return open;
}

/** Keeps what a plant was fitted with. */
export function keepPlan(db: Db, plantId: number, fit: FitPlan, date: IsoDate) {
  const before = db.select().from(plans).where(eq(plans.plantId, plantId)).get();
  return before
    ? db
        .update(plans)
        .set({ fit, date, ...touch(before) })
        .where(eq(plans.id, before.id))
        .returning()
        .get()
    : db
        .insert(plans)
        .values({ ...stamp(), plantId, date, fit })
        .returning()
        .get();
}

/**
 * The same for others that are alike, each with a plan of its own: its own pot where that is kept, a pot
 * of the shelf where there are so many.
 *
 * @throws HttpError 422 by `alike` where there are too few pots or vessels, or one is handed down
 */
export function settleAlike(
  db: Db,
  plantId: number,
  fit: FitPlan,
  alike: readonly number[],
  date: IsoDate,
): void {
  const others = alike.filter((id) => id !== plantId);
  if (others.length === 0) return;
  if (fit.potSource === 'handedDown') {
    throw invalid('alike', 'a pot that is handed down is there for one plant');
  }
  const needed = others.length + 1;
  if (fit.potSource !== 'present') enough(db, fit.potId, needed);
  enough(db, fit.water?.coverId ?? null, needed);
  for (const id of others) {
    const { potId } = rowOr404(db, plants, id, 'plant');
    keepPlan(db, id, { ...fit, potId: fit.potSource === 'present' ? potId : fit.potId }, date);
  }
}

function enough(db: Db, potId: number | null, needed: number): void {
  if (potId === null) return;
  const { label, free, soaking } = rowOr404(db, pots, potId, 'pot');
  if (free + soaking < needed) {
    throw invalid('alike', `${needed} × ${label} are asked for, ${free + soaking} are there`);
  }
}
