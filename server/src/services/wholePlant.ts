import { desc, eq } from 'drizzle-orm';
import type { IsoDate } from '@fernbank/core';
import type { OpenFile } from '../db/driver.ts';
import {
  looks,
  measurements,
  outcomes,
  overrules,
  photos,
  pots,
  repots,
  tasks,
} from '../db/schema.ts';
import { deedThatBrought } from '../history/dependents.ts';
import { heightOf, supportOf, withTaxon, type PlantRow } from './collection.ts';
import { judge } from './judging.ts';
import { quarantineFor } from './quarantine.ts';
import { reservoirOf } from './reservoirs.ts';
import { alikeTo } from './alike.ts';
import { shownTask } from './tasks.ts';
import { workedLike } from './worked.ts';

type OfPlant =
  | typeof looks
  | typeof overrules
  | typeof photos
  | typeof outcomes
  | typeof repots
  | typeof measurements
  | typeof tasks;

export type WholePlant = ReturnType<typeof wholePlant>;
/** All that is known of a plant, with its verdict of a day. */
export function wholePlant(opened: OpenFile, plant: PlantRow, date: IsoDate) {
  const { db } = opened;
  /** Rows with the deed that brought each, by which it is taken back. */
  const withDeed = <T extends { id: number }>(of: string, rows: readonly T[]) =>
    rows.map((row) => ({ ...row, deed: deedThatBrought(opened, of, row.id) }));
  const judgement = judge(db, plant, date);
  const ofThis = <T extends OfPlant>(table: T) =>
    db.select().from(table).where(eq(table.plantId, plant.id)).$dynamic();
  const { file, decision, lookDue, overrule } = judgement;
  return {
    plant: withTaxon(plant),
    alike: alikeTo(db, plant, date),
    taxon: file.taxon,
    spot: file.spot,
    situation: file.situation,
    decision,
    lookDue,
    overrule,
    overrules: ofThis(overrules).orderBy(desc(overrules.date)).all(),
    learned: file.learned,
    quarantine: quarantineFor(db, plant, file.situation.date),
    outcomes: withDeed('outcomes', ofThis(outcomes).orderBy(desc(outcomes.date)).all()),
    worked: workedLike(db, plant.id),
    reservoir: reservoirOf(db, file, judgement.file.situation.date),
    water: file.logs.water,
    growth: file.logs.growth,
    photos: ofThis(photos).orderBy(desc(photos.date), desc(photos.id)).all(),
    height: heightOf(file),
    support: supportOf(plant) ?? null,
    cover: plant.coverId
      ? (db.select().from(pots).where(eq(pots.id, plant.coverId)).get() ?? null)
      : null,
    looks: ofThis(looks).orderBy(desc(looks.date), desc(looks.id)).all(),
    // A first pot is taken back with its whole batch, in the tray.
    repots: withDeed('repots', ofThis(repots).orderBy(desc(repots.date)).all()).map((row) =>
      row.before.fromBatch ? { ...row, deed: null } : row,
    ),
    measurements: ofThis(measurements).orderBy(desc(measurements.date)).all(),
    tasks: ofThis(tasks).orderBy(tasks.due).all().map(shownTask),
  };
}
