import type { OpenFile } from '../db/driver.ts';
import { quoted, REMEMBERED_TABLES, type Column, type RowTable } from './tables.ts';

/** A stamp of the row says nothing of what was changed. */
export const STAMPS = new Set(['rev', 'updated_at']);
/** A sensor writes by itself, day and night: what it reads is kept, not remembered as a deed. */
const BY_ITSELF = new Set(['readings']);

/**
 * Makes every change of a row leave its trace, whoever makes it and through whatever service.
 *
 * The triggers are temporary: they live with this connection, so that the file stays an ordinary
 * one and migrations find nothing in their way. A change without a deed at hand leaves none.
 */
export function watchRows(file: OpenFile): void {
  file.exec(WATCH);
}

/** Written once: it is long, and every connection needs it. */
const WATCH = [
  'CREATE TEMP TABLE IF NOT EXISTS deed_now (id INTEGER, at TEXT, what TEXT, kind TEXT, device TEXT, undoes INTEGER)',
  ...REMEMBERED_TABLES.flatMap(triggersOf),
].join(';\n');

function triggersOf(table: RowTable): string[] {
  const add = trace(table, 'add', 'new', 'NULL', whole(table, 'new'));
  const change = trace(table, 'change', 'new', changed(table, 'old'), changed(table, 'new'));
  const remove = trace(table, 'remove', 'old', whole(table, 'old'), 'NULL');
  const differs = table.columns
    .filter(({ name }) => !STAMPS.has(name))
    .map(({ name }) => `old.${quoted(name)} IS NOT new.${quoted(name)}`)
    .join(' OR ');
  const written = [
    trigger(table, 'add', 'INSERT', '1', add),
    trigger(table, 'change', 'UPDATE', differs, change),
  ];
  return [
    ...(BY_ITSELF.has(table.name) ? [] : written),
    trigger(table, 'remove', 'DELETE', '1', remove),
  ];
}

function trigger(table: RowTable, op: string, on: string, when: string, body: string): string {
  return `CREATE TEMP TRIGGER IF NOT EXISTS ${quoted(`${table.name}_${op}`)}
    AFTER ${on} ON main.${quoted(table.name)} WHEN ${when} BEGIN ${body} END`;
}

function trace(table: RowTable, op: string, row: string, before: string, after: string): string {
  const has = (name: string) => table.columns.some((column) => column.name === name);
  const plant =
    table.name === 'plants' ? `${row}.id` : has('plant_id') ? `${row}.plant_id` : 'NULL';
  return `
    INSERT INTO deeds (id, at, what, kind, device, undoes)
      SELECT id, at, what, kind, device, undoes FROM deed_now
      WHERE id NOT IN (SELECT id FROM deeds);
    INSERT INTO changes (deed_id, "of", "row", plant_id, op, before, after)
      SELECT id, '${table.name}', CAST(${row}.${quoted(table.key)} AS TEXT), ${plant}, '${op}',
        ${before}, ${after} FROM deed_now;`;
}

/** A row as a JSON object of its columns. */
function whole({ columns }: RowTable, row: string): string {
  const pairs = columns.map((column) => `'${column.name}', json(${cell(column, row)})`);
  return `json_object(${pairs.join(', ')})`;
}

/** Only the columns that differ: a plan of a hundred plants is not written twice for one tick. */
function changed({ columns }: RowTable, row: string): string {
  const each = columns.map(
    (column) =>
      `SELECT '${column.name}' AS k, ${cell(column, row)} AS v
       WHERE old.${quoted(column.name)} IS NOT new.${quoted(column.name)}`,
  );
  return `(SELECT json_group_object(k, json(v)) FROM (${each.join(' UNION ALL ')}))`;
}

/** 17 digits bring a real back to the last bit; SQLite writes 15 by itself. */
function cell({ name, kind }: Column, row: string): string {
  const value = `${row}.${quoted(name)}`;
  return kind === 'real'
    ? `CASE WHEN ${value} IS NULL THEN 'null' ELSE printf('%!.17g', ${value}) END`
    : `json_quote(${value})`;
}
