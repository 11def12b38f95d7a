import { index, integer, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

export type DeedKind = 'write' | 'remove' | 'undo' | 'import' | 'restore';

/**
 * One thing that was done: all rows that one request changed. Written by the same transaction as
 * the rows themselves, so that there is no change without its deed and no deed without its change.
 */
export const deeds = sqliteTable(
  'deeds',
  {
    id: integer('id').primaryKey(),
    /** ISO 8601, UTC */
    at: text('at').notNull(),
    /** the operation: `PATCH /plants/:id`; of earlier days in words */
    what: text('what').notNull(),
    /** what it is about beside its rows: the copy that was restored */
    subject: text('subject'),
    kind: text('kind').$type<DeedKind>().notNull().default('write'),
    /** the device that did it; null: the machine that Fernbank runs on */
    device: text('device'),
    /** the deed that this one took back, and the one that took this one back */
    undoes: integer('undoes'),
    undoneBy: integer('undone_by'),
    /** what it took out was thrown away for good on that day */
    emptied: text('emptied'),
  },
  (table) => [index('deeds_by_time').on(table.at)],
);

/** One row that a deed added, changed or removed. */
export const changes = sqliteTable(
  'changes',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    deedId: integer('deed_id')
      .notNull()
      .references(() => deeds.id, { onDelete: 'cascade' }),
    /** the table */
    of: text('of').notNull(),
    /** its key in that table, as text */
    row: text('row').notNull(),
    /** the plant that it belongs to */
    plantId: integer('plant_id'),
    op: text('op').$type<'add' | 'change' | 'remove'>().notNull(),
    /** columns as JSON: the whole row when it was removed, what changed of it otherwise */
    before: text('before'),
    after: text('after'),
  },
  (table) => [
    index('changes_by_deed').on(table.deedId),
    index('changes_by_row').on(table.of, table.row),
    index('changes_by_plant').on(table.plantId),
  ],
);

/** What was answered to a write that carried a key, so that sending it again does nothing. */
export const answers = sqliteTable('answers', {
  key: text('key').primaryKey(),
  /** of method, address and body: a key stands for one request only */
  fingerprint: text('fingerprint').notNull(),
  at: text('at').notNull(),
  status: integer('status').notNull(),
  headers: text('headers', { mode: 'json' }).$type<Record<string, string>>().notNull(),
  body: text('body').notNull(),
});

/** A browser that gave the passphrase. */
export const devices = sqliteTable(
  'devices',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    label: text('label').notNull(),
    /** a calendar program may read the calendar and nothing else */
    scope: text('scope').$type<'all' | 'calendar'>().notNull().default('all'),
    /** SHA-256 of its token: who reads the file cannot sign in with it */
    tokenHash: text('token_hash').notNull(),
    since: text('since').notNull(),
    seen: text('seen').notNull(),
    until: text('until').notNull(),
  },
  (table) => [uniqueIndex('devices_by_token').on(table.tokenHash)],
);

/** Salt and scrypt hash of the passphrase: another passphrase signs every device out. */
export const door = sqliteTable('door', {
  id: integer('id').primaryKey(),
  salt: text('salt').notNull(),
  hash: text('hash').notNull(),
});

/** How the columns of a CSV with these headings were read the last time. */
export const mappings = sqliteTable('mappings', {
  headings: text('headings').primaryKey(),
  mapping: text('mapping', { mode: 'json' }).$type<unknown>().notNull(),
  at: text('at').notNull(),
});

/**
 * Days on which this Fernbank ran: what is kept for so many days is kept for so many of these, so that
 * a clock that jumps years ahead empties nothing.
 */
export const livedDays = sqliteTable('lived_days', { day: text('day').primaryKey() });
