import { sql } from 'drizzle-orm';
import { stateOf, type Db } from '../db/driver.ts';

/** What a judgement rests on beside the plant's own rows; each is looked at more closely by who judges. */
const SHARED = new Set(['spots', 'settings', 'components', 'recipes', 'recipe_versions']);

/** What was touched since some change of the history. */
export interface Touched {
  plants: Set<number>;
  spots: Set<number>;
  /** settings, components or recipes */
  shared: boolean;
}

/** How far a reader of the history has come. */
export interface Mark {
  change: number;
  restore: number;
  /** changes when another connection wrote: past the journal, for all that is known */
  foreign: number;
}

/**
 * A connection that only reads learns of what others wrote past the journal from the one that writes
 * through it: to itself, every write is another's.
 */
const followed = new WeakMap<Db, number>();
export const followForeign = (db: Db, foreign: number): void => void followed.set(db, foreign);
/** Whether a connection only reads: its transactions are views of one moment that stands. */
export const isReading = (db: Db): boolean => followed.has(db);

/** Changes when a connection other than this one has written. */
export const foreignOf = (db: Db): number => followed.get(db) ?? stateOf(db).foreign();

/** Where the history ends now. */
export function markOf(db: Db): Mark {
  const { change, restore } = db.get<{ change: number; restore: number }>(sql`
    SELECT (SELECT coalesce(max(id), 0) FROM changes) AS change,
      (SELECT coalesce(max(id), 0) FROM deeds WHERE kind = 'restore') AS restore`);
  return { change, restore, foreign: foreignOf(db) };
}

/** More than this is quicker judged as a whole. */
const MOST_CHANGES = 50_000;

/**
 * What was touched between two marks, so that a look at one plant does not have five thousand judged
 * anew; `all` when anything may have been: another file was restored, or somebody wrote past the journal.
 */
export function touchedBetween(db: Db, since: Mark, now: Mark): Touched | 'all' {
  if (since.foreign !== now.foreign || since.restore !== now.restore) return 'all';
  // Fewer than before: what was done last was not kept.
  if (now.change < since.change || now.change - since.change > MOST_CHANGES) return 'all';
  const touched: Touched = { plants: new Set(), spots: new Set(), shared: false };
  if (now.change === since.change) return touched;
  const rows = db.all<{ of: string; row: string; plant: number | null }>(sql`
    SELECT DISTINCT "of", CASE "of" WHEN 'spots' THEN "row" ELSE '' END AS "row", plant_id AS plant
    FROM changes WHERE id > ${since.change} AND id <= ${now.change}`);
  for (const { of, row, plant } of rows) {
    if (plant !== null) touched.plants.add(plant);
    else if (of === 'spots') touched.spots.add(Number(row));
    else if (SHARED.has(of)) touched.shared = true;
  }
  return touched;
}
