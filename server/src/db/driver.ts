import Database from 'libsql';
import type { BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { BetterSQLiteSession } from 'drizzle-orm/better-sqlite3/session';
import { BaseSQLiteDatabase, SQLiteSyncDialect } from 'drizzle-orm/sqlite-core';
import type * as schema from './schema.ts';

/** The one place that knows which SQLite driver is used. */
export type Db = BetterSQLite3Database<typeof schema>;

export interface OpenFile {
  db: Db;
  exec(sql: string): void;
  /** first column of the first row */
  value(sql: string, ...params: unknown[]): unknown;
  close(): void;
}

/** Opens an SQLite file with the settings that Fernbank relies on. */
export function openFile(path: string): OpenFile {
  const file = new Database(path);
  file.pragma('journal_mode = WAL');
  file.pragma('synchronous = FULL');
  file.pragma('foreign_keys = ON');
  file.pragma('busy_timeout = 4000');
  return {
    db: queryBuilder(file),
    exec: (sql) => void file.exec(sql),
    value: (sql, ...params) => {
      const row = file.prepare(sql).get(...params) as Record<string, unknown> | undefined;
      return row === undefined ? undefined : Object.values(row)[0];
    },
    close: () => void file.close(),
  };
}

/**
 * Drizzle on libsql. Drizzle's own entry point loads the package that it was
 * written for, which compiles at install; its session only needs the same
 * synchronous calls, which libsql has.
 */
function queryBuilder(file: InstanceType<typeof Database>): Db {
  const dialect = new SQLiteSyncDialect();
  const session = new BetterSQLiteSession(file as never, dialect, undefined, {});
  return new BaseSQLiteDatabase('sync', dialect, session as never, undefined) as unknown as Db;
}
