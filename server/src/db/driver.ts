import Database from 'libsql';
import type { BetterSQLite3Database } from 'drizzle-orm/better-sqlite3';
import { BetterSQLiteSession } from 'drizzle-orm/better-sqlite3/session';
import { BaseSQLiteDatabase, SQLiteSyncDialect } from 'drizzle-orm/sqlite-core';
import type * as schema from './schema.ts';

/** The one place that knows which SQLite driver is used. */
export type Db = BetterSQLite3Database<typeof schema>;

/** What a column can hold and a driver can bind. */
export type Cell = string | number | null;
export type Cells = Record<string, Cell>;

export interface OpenFile {
  db: Db;
  exec(sql: string): void;
  /** first column of the first row */
  value(sql: string, ...params: Cell[]): unknown;
  rows(sql: string, ...params: Cell[]): Cells[];
  run(sql: string, ...params: Cell[]): void;
  /** a query to be asked again and again */
  reader(sql: string): (...params: Cell[]) => Cells[];
  /** a statement to be run again and again */
  prepared(sql: string): (...params: Cell[]) => void;
  close(): void;
}

type Sqlite = InstanceType<typeof Database>;

/** So long the thread stands still for a lock that another program holds; who needs longer asks again later. */
const LOCK_WAIT_MS = 60;

/**
 * Opens an SQLite file with the settings that Fernbank relies on.
 *
 * @throws Error of SQLite when it is no database, or cannot be read or written
 */
export function openFile(path: string): OpenFile {
  const file = new Database(path);
  try {
    file.pragma(`busy_timeout = ${LOCK_WAIT_MS}`);
    file.pragma('journal_mode = WAL');
    file.pragma('synchronous = FULL');
    file.pragma('foreign_keys = ON');
    // What is traced passes through a table of its own, which needs no disk.
    file.pragma('temp_store = MEMORY');
  } catch (error) {
    file.close();
    throw error;
  }
  return {
    db: queryBuilder(file),
    exec: (sql) => void file.exec(sql),
    value: (sql, ...params) => {
      const row = file.prepare(sql).get(...params) as Record<string, unknown> | undefined;
      return row === undefined ? undefined : Object.values(row)[0];
    },
    rows: (sql, ...params) => file.prepare(sql).all(...params) as Cells[],
    run: (sql, ...params) => void file.prepare(sql).run(...params),
    reader: (sql) => {
      const statement = file.prepare(sql);
      return (...params) => statement.all(...params) as Cells[];
    },
    prepared: (sql) => {
      const statement = file.prepare(sql);
      return (...params) => void statement.run(...params);
    },
    close: () => void file.close(),
  };
}

/** Opens a collection to read it only, beside the connection that writes. @throws Error of SQLite */
export function openReader(path: string): OpenFile {
  const file = openFile(path);
  file.exec('PRAGMA query_only = ON');
  return file;
}

/**
 * Drizzle on libsql. Drizzle's own entry point loads the package that it was
 * written for, which compiles at install; its session only needs the same
 * synchronous calls, which libsql has.
 */
function queryBuilder(file: Sqlite): Db {
  const dialect = new SQLiteSyncDialect();
  const session = new BetterSQLiteSession(nesting(file) as never, dialect, undefined, {});
  const db = new BaseSQLiteDatabase('sync', dialect, session as never, undefined) as unknown as Db;
  const own = file.prepare('SELECT total_changes()').raw();
  const others = file.prepare('PRAGMA data_version').raw();
  const first = (statement: typeof own) => (statement.get() as unknown as [number])[0];
  states.set(db, {
    inTransaction: () => file.inTransaction,
    written: () => first(own),
    foreign: () => first(others),
  });
  return db;
}

/** How a connection stands. */
interface State {
  inTransaction(): boolean;
  /** rows that it has written so far */
  written(): number;
  /** changes when another connection has written */
  foreign(): number;
}
const states = new WeakMap<Db, State>();
export const stateOf = (db: Db): State => states.get(db)!;

/**
 * The same file, whose transactions may stand within each other: one that is begun while another
 * is open becomes part of it, so that a request is one transaction whatever its services begin.
 */
function nesting(file: Sqlite): Pick<Sqlite, 'prepare' | 'transaction'> {
  let depth = 0;
  function within<Given extends unknown[], Result>(
    run: (...given: Given) => Result,
    ...given: Given
  ) {
    const mark = `nested_${depth}`;
    const [begin, keep, drop] =
      depth === 0
        ? ['BEGIN IMMEDIATE', 'COMMIT', 'ROLLBACK']
        : [`SAVEPOINT ${mark}`, `RELEASE ${mark}`, `ROLLBACK TO ${mark}; RELEASE ${mark}`];
    file.exec(begin);
    depth += 1;
    try {
      const result = run(...given);
      file.exec(keep);
      return result;
    } catch (error) {
      // A full disk may have rolled the whole back already.
      if (file.inTransaction) file.exec(drop);
      throw error;
    } finally {
      depth -= 1;
    }
  }
  const transaction = (run: (...given: unknown[]) => unknown) => {
    const begun = (...given: unknown[]) => within(run, ...given);
    return Object.assign(begun, { deferred: begun, immediate: begun, exclusive: begun });
  };
  return { prepare: prepareOnce(file), transaction } as never;
}

/** Statements that are kept: an application asks the same few hundred. */
const MOST_STATEMENTS = 400;

/**
 * Prepares each statement once. Rows as lists and rows as objects are two statements, since which of
 * them one gives is a state of it.
 */
function prepareOnce(file: Sqlite) {
  const kept = new Map<string, object>();
  return (sql: string): object => {
    const before = kept.get(sql);
    if (before) return before;
    if (kept.size >= MOST_STATEMENTS) kept.clear();
    const plain = file.prepare(sql);
    let lists: unknown = null;
    const made = {
      run: (...params: Cell[]) => plain.run(...params),
      get: (...params: Cell[]) => plain.get(...params),
      all: (...params: Cell[]) => plain.all(...params),
      raw: () => (lists ??= file.prepare(sql).raw()),
    };
    kept.set(sql, made);
    return made;
  };
}
