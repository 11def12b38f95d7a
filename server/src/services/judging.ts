import { addDays, decide, seasonAhead, signal, type Decision, type IsoDate } from '@fernbank/core';
import { asc, sql } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { plants, spots } from '../db/schema.ts';
import { plantFile, type PlantFile, type PlantRow, type SpotRow } from './collection.ts';
import { readSettings, type Settings } from './settings.ts';

/** A plant with its verdict of the day. */
export interface Judgement {
  file: PlantFile;
  decision: Decision;
  /** when it should be looked at: computed as of the last look, so that it can fall due */
  lookDue: { date: IsoDate; why: string };
}

interface Remembered {
  version: string;
  judgements: Judgement[];
}
const remembered = new WeakMap<Db, Remembered>();

/**
 * The whole collection judged as of a date, in the order of spots. The answer
 * is kept until a row changes, here or by another process.
 */
export function judgeAll(db: Db, date: IsoDate): Judgement[] {
  const version = [date, versionOf(db)].join('/');
  const kept = remembered.get(db);
  if (kept?.version === version) return kept.judgements;
  const judgements = judgeEach(db, date);
  remembered.set(db, { version, judgements });
  return judgements;
}

/** Changes with every written row: by this connection, and by any other. */
function versionOf(db: Db): string {
  const own = db.get<{ n: number }>(sql`select total_changes() as n`).n;
  const others = db.get<{ data_version: number }>(sql`pragma data_version`).data_version;
  return `${own}.${others}`;
}

function judgeEach(db: Db, date: IsoDate): Judgement[] {
  const settings = readSettings(db);
  const bySpot = new Map<number, SpotRow>();
  for (const row of db.select().from(spots).orderBy(asc(spots.sortOrder), asc(spots.id)).all()) {
    bySpot.set(row.id, row);
  }
  const order = [...bySpot.keys()];
  return db
    .select()
    .from(plants)
    .all()
    .sort((a, b) => order.indexOf(a.spotId) - order.indexOf(b.spotId) || a.id - b.id)
    .map((plant) =>
      judge(db, plant, date, { settings, depth: 'brief', spot: bySpot.get(plant.spotId) }),
    );
}

/** One plant judged as of a date. */
export function judge(
  db: Db,
  plant: PlantRow,
  date: IsoDate,
  {
    settings = readSettings(db),
    spot,
    depth = 'full',
  }: { settings?: Settings; spot?: SpotRow | undefined; depth?: 'full' | 'brief' } = {},
): Judgement {
  const file = plantFile(db, plant, date, settings, spot);
  const decision = decide(file.situation, depth);
  return { file, decision, lookDue: lookDue(db, file, decision, date, settings) };
}

/**
 * The look that the plant's last look or repot asked for. A verdict of today
 * always looks ahead; what falls due today was set then.
 */
function lookDue(
  db: Db,
  file: PlantFile,
  today: Decision,
  date: IsoDate,
  settings: Settings,
): { date: IsoDate; why: string } {
  const { plant, looks } = file;
  const last = looks[0]?.date ?? plant.lastRepot;
  if (today.lookFirst || last === null) {
    return { date, why: 'never looked at, and nobody knows when it was last repotted' };
  }
  if (last === date) return { date: today.lookAgain ?? date, why: 'looked at today' };
  const then = decide(plantFile(db, plant, last, settings, file.spot).situation, 'brief');
  const due = then.lookAgain ?? addDays(last, 21);
  if (due > date) return { date: due, why: '' };
  // What would help most is only worked out for a look that is due.
  const [best] = decide(file.situation).notLooked;
  const why =
    best && best.worth > 0
      ? `what would help most: ${signal(best.signal).label.toLowerCase()}`
      : 'the verdict may have changed since';
  return { date: due, why };
}

/** Readiness of the next 52 weeks, 0 … 1: the ribbon under a verdict. */
export function readinessAhead({ file }: Judgement): number[] {
  const { spot, traits, date } = file.situation;
  return seasonAhead(spot, traits, date, 52).readiness;
}
