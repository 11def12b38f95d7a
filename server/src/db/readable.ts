import { eq, type SQL } from 'drizzle-orm';
import type { SQLiteColumn, SQLiteTable } from 'drizzle-orm/sqlite-core';
import type { Db } from './driver.ts';

type Keyed = SQLiteTable & ({ id: SQLiteColumn } | { key: SQLiteColumn });

/**
 * Rows of a table in the order of their keys, without those whose JSON cannot be read: a hand in the
 * file that broke one row does not take all others from every list.
 */
export function readable<T extends Keyed>(db: Db, table: T, where?: SQL): T['$inferSelect'][] {
  const key = 'id' in table ? table.id : table.key;
  const read = (filter?: SQL) => db.select().from(table).where(filter).orderBy(key).all();
  return orEach(
    () => read(where),
    () =>
      db
        .select({ key })
        .from(table)
        .where(where)
        .orderBy(key)
        .all()
        .map((row) => row.key),
    (one) => read(eq(key, one))[0]!,
  );
}

/** Reads all rows at once; where one of them cannot be read, one by one without that one. */
export function orEach<Row, Key>(
  all: () => Row[],
  keys: () => Key[],
  one: (key: Key) => Row,
): Row[] {
  try {
    return all();
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
  }
  return keys().flatMap((key) => {
    try {
      return [one(key)];
    } catch {
      return [];
    }
  });
}
