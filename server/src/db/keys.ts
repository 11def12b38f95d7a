import { sql } from 'drizzle-orm';
import type { Db } from './driver.ts';

/**
 * A key for a component or recipe of the keeper's own. It counts rows ever made, not rows that are
 * there: what was taken back, or is in the bin, keeps its key, so that nothing that names it comes to
 * mean another.
 */
export function ownKey(db: Db, table: 'components' | 'recipes'): string {
  const made = db.get<{ seq: number } | undefined>(
    sql`SELECT seq FROM sqlite_sequence WHERE name = ${table}`,
  );
  return `own-${(made?.seq ?? 0) + 1}`;
}
