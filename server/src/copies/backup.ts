import { existsSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import yazl from 'yazl';
import { openFile, type Cell, type Cells, type OpenFile } from '../db/driver.ts';
import { SHAPE } from '../db/migrations.ts';
import { COLLECTION_TABLES, quoted, type Column, type RowTable } from '../history/tables.ts';
import { FORMAT } from './shape.ts';

export const BACKUP_JSON = 'fernbank.json';
export const PHOTO_ENTRY = /^photos\/([0-9a-f]{64})\.(jpg|png|webp)$/;
/** Rows read at a time: a long record is never in memory as a whole. */
const ROWS_AT_ONCE = 2000;

/**
 * The whole collection as one ZIP: `fernbank.json` with every table, and the pictures beside it.
 *
 * It shows one moment: it is written from a copy that is taken first and dropped when it is done.
 *
 * @param scratch  a file that does not exist yet, on the collection's own disk
 */
export function backup(
  file: OpenFile,
  photoFolder: string,
  { scratch, version, made }: { scratch: string; version: string; made: string },
): Readable {
  rmSync(scratch, { force: true });
  file.exec(`VACUUM INTO '${scratch.replaceAll("'", "''")}'`);
  const copy = openFile(scratch);
  const drop = () => {
    copy.close();
    for (const suffix of ['', '-wal', '-shm']) rmSync(scratch + suffix, { force: true });
  };
  const zip = new yazl.ZipFile();
  const mtime = new Date(made);
  const head = { format: FORMAT, shape: SHAPE, made, version, sequences: sequencesOf(copy) };
  const rows = Readable.from(json(copy, head));
  zip.addReadStream(rows, BACKUP_JSON, { mtime });
  for (const name of existsSync(photoFolder) ? readdirSync(photoFolder) : []) {
    // Pictures are packed already.
    const entry = `photos/${name}`;
    if (PHOTO_ENTRY.test(entry)) {
      zip.addFile(join(photoFolder, name), entry, { compress: false });
    }
  }
  zip.end();
  const out = zip.outputStream as Readable;
  const failed = (error: Error) => void out.destroy(error);
  zip.on('error', failed);
  rows.on('error', failed);
  // Who asked may go away half-way: what reads the copy ends before the copy does.
  out.once('close', () => {
    if (rows.closed) return drop();
    rows.once('close', drop);
    rows.destroy();
  });
  return out;
}

/** The highest id that each table ever gave: an id that was given once is never given again. */
function sequencesOf(file: OpenFile): Record<string, number> {
  const known = new Set(COLLECTION_TABLES.map(({ name }) => name));
  return Object.fromEntries(
    file
      .rows('SELECT name, seq FROM sqlite_sequence ORDER BY name')
      .map(({ name, seq }) => [String(name), Number(seq)] as const)
      .filter(([name]) => known.has(name)),
  );
}

function* json(file: OpenFile, head: object): Generator<string> {
  yield `${JSON.stringify(head).slice(0, -1)},"tables":{`;
  for (const [i, table] of COLLECTION_TABLES.entries()) {
    yield `${i > 0 ? ',' : ''}\n${JSON.stringify(table.name)}:[`;
    let first = true;
    for (let at = 0; ; at += ROWS_AT_ONCE) {
      const rows = rowsFrom(file, table, at);
      if (rows.length === 0) break;
      yield (first ? '' : ',\n') + rows.map((row) => JSON.stringify(shown(table, row))).join(',\n');
      first = false;
    }
    yield ']';
  }
  yield '\n}}\n';
}

const rowsFrom = (file: OpenFile, { name, key }: RowTable, at: number) =>
  file.rows(
    `SELECT * FROM ${quoted(name)} ORDER BY ${quoted(key)} LIMIT ${ROWS_AT_ONCE} OFFSET ?`,
    at,
  );

/** A row as the backup has it: fields as the API names them, JSON as JSON. */
export function shown({ columns }: RowTable, row: Cells): Record<string, unknown> {
  return Object.fromEntries(columns.map((column) => [column.field, out(column, row[column.name])]));
}

/** And back. */
export function cellOf({ kind }: Column, value: unknown): Cell {
  if (value === null || value === undefined) return null;
  if (kind === 'json') return JSON.stringify(value);
  if (kind === 'boolean') return value ? 1 : 0;
  return value as Cell;
}

function out({ kind }: Column, cell: Cell | undefined): unknown {
  if (cell === null || cell === undefined) return null;
  if (kind === 'json') return JSON.parse(String(cell)) as unknown;
  return kind === 'boolean' ? cell === 1 : cell;
}
