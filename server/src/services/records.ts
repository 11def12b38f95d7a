import type { IsoDate, Moment } from '@fernbank/core';
import { asc, inArray } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { looks, measurements, outcomes, overrules, repots } from '../db/schema.ts';

export type LookRow = typeof looks.$inferSelect;
export type MeasurementRow = typeof measurements.$inferSelect;
export type RepotRow = typeof repots.$inferSelect;
export type OutcomeRow = typeof outcomes.$inferSelect;
export type OverruleRow = typeof overrules.$inferSelect;

/** When a row happened: within a day records follow each other as they were written. */
export const momentOf = ({
  date,
  createdAt: at,
}: {
  date: IsoDate;
  createdAt: string;
}): Moment => ({
  date,
  at,
});

/** What was written down of a plant, each the oldest first. */
export interface PlantRecords {
  looks: LookRow[];
  measurements: MeasurementRow[];
  repots: RepotRow[];
  overrules: OverruleRow[];
  outcomes: OutcomeRow[];
}

/**
 * The records of some plants, in one query a table: to ask for each plant alone takes longer than to
 * judge it.
 */
export function recordsOf(db: Db, ids: readonly number[]): Map<number, PlantRecords> {
  const of = new Map(
    ids.map((id): [number, PlantRecords] => [
      id,
      { looks: [], measurements: [], repots: [], overrules: [], outcomes: [] },
    ]),
  );
  const those = [...ids];
  const add = <K extends keyof PlantRecords>(kind: K, rows: PlantRecords[K]) => {
    for (const row of rows) (of.get(row.plantId)![kind] as (typeof row)[]).push(row);
  };
  add(
    'looks',
    db
      .select()
      .from(looks)
      .where(inArray(looks.plantId, those))
      .orderBy(asc(looks.date), asc(looks.id))
      .all(),
  );
  add(
    'measurements',
    db
      .select()
      .from(measurements)
      .where(inArray(measurements.plantId, those))
      .orderBy(asc(measurements.id))
      .all(),
  );
  add(
    'repots',
    db
      .select()
      .from(repots)
      .where(inArray(repots.plantId, those))
      .orderBy(asc(repots.date), asc(repots.id))
      .all(),
  );
  add(
    'overrules',
    db
      .select()
      .from(overrules)
      .where(inArray(overrules.plantId, those))
      .orderBy(asc(overrules.id))
      .all(),
  );
  add(
    'outcomes',
    db
      .select()
      .from(outcomes)
      .where(inArray(outcomes.plantId, those))
      .orderBy(asc(outcomes.date), asc(outcomes.id))
      .all(),
  );
  return of;
}
