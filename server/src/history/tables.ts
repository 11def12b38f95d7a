import { OutOfRange } from '@fernbank/core';
import { getTableColumns, getTableName, is } from 'drizzle-orm';
import { SQLiteTable } from 'drizzle-orm/sqlite-core';
import * as schema from '../db/schema.ts';

/** A table of the collection, as history, backups and copies see it. */
export interface RowTable {
  name: string;
  key: 'id' | 'key' | 'headings';
  columns: Column[];
}
export interface Column {
  name: string;
  /** as in the code and the API: `topDiameterCm` for `top_diameter_cm` */
  field: string;
  kind: 'integer' | 'real' | 'text' | 'json' | 'boolean';
  nullable: boolean;
}

/** What belongs to this machine or this program and not to the collection. */
const NOT_OF_COLLECTION = new Set(['answers', 'devices', 'door', 'lived_days']);
/** What keeps the history is not itself in it; nor is how a CSV was read. */
const NOT_IN_HISTORY = new Set(['deeds', 'changes', 'mappings']);

const all: RowTable[] = Object.values(schema)
  .filter((exported) => is(exported, SQLiteTable))
  .map((table) => {
    const columns = Object.entries(getTableColumns(table)).map(([field, column]): Column => {
      const json = column.columnType === 'SQLiteTextJson';
      const boolean = column.columnType === 'SQLiteBoolean';
      return {
        name: column.name,
        field,
        kind: json ? 'json' : boolean ? 'boolean' : (column.getSQLType() as Column['kind']),
        nullable: !column.notNull,
      };
    });
    const key = (['id', 'key', 'headings'] as const).find((name) =>
      columns.some((column) => column.name === name),
    )!;
    return { name: getTableName(table), key, columns };
  })
  // Loaders list what a module exports in orders of their own.
  .sort((a, b) => (a.name < b.name ? -1 : 1));

/** Every table that a backup holds. */
export const COLLECTION_TABLES: readonly RowTable[] = all.filter(
  ({ name }) => !NOT_OF_COLLECTION.has(name),
);
/** Every table whose changes are remembered. */
export const REMEMBERED_TABLES: readonly RowTable[] = COLLECTION_TABLES.filter(
  ({ name }) => !NOT_IN_HISTORY.has(name),
);

/** @throws RangeError when there is no such table */
export function tableNamed(name: string): RowTable {
  const table = COLLECTION_TABLES.find((one) => one.name === name);
  if (!table) throw new OutOfRange(`table must be one of the collection's, got ${name}`);
  return table;
}

/** An SQL identifier. Names come from the schema; quoting keeps words such as `of` apart. */
export const quoted = (name: string) => `"${name.replaceAll('"', '""')}"`;
