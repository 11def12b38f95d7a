import { closeSync, existsSync, fstatSync, openSync, readdirSync, readSync } from 'node:fs';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import yazl from 'yazl';
import { openFile, type Cell, type Cells, type OpenFile } from '../db/driver.ts';
import { SHAPE } from '../db/migrations.ts';
import { COLLECTION_TABLES, quoted, type Column, type RowTable } from '../history/tables.ts';
import { FORMAT } from './shape.ts';
import { drop } from './drop.ts';

export const BACKUP_JSON = 'fernbank.json';
export const PHOTO_ENTRY = /^photos\/([0-9a-f]{64})\.(jpg|png|webp)$/;
/** Rows read at a time: a long record is never in memory as a whole, and nobody waits for one. */
const ROWS_AT_ONCE = 200;

/**
 * The whole collection as one ZIP: `fernbank.json` with every table, and the pictures beside it. A
 * picture that cannot be read is named in it and left out: one bad sector does not cost all others.
 *
 * @param moment  path of a copy of the moment that it is to show; dropped when it is done
 */
export function backup(
  moment: string,
  photoFolder: string,
  { version, made }: { version: string; made: string },
): Readable {
  const copy = openFile(moment);
  const zip = new yazl.ZipFile();
  const mtime = new Date(made);
  const { whole, missing } = picturesIn(photoFolder);
  const sequences = sequencesOf(copy);
  const head = { format: FORMAT, shape: SHAPE, made, version, sequences };
  const rows = Readable.from(json(copy, missing.length > 0 ? { ...head, missing } : head));
  zip.addReadStream(rows, BACKUP_JSON, { mtime });
  // Pictures are packed already.
  for (const name of whole) {
    zip.addFile(join(photoFolder, name), `photos/${name}`, { compress: false });
  }
  zip.end();
  const out = zip.outputStream as Readable;
  const failed = (error: Error) => void out.destroy(error);
  zip.on('error', failed);
  rows.on('error', failed);
  const close = () => {
    copy.close();
    drop(moment);
  };
  // Who asked may go away half-way: what reads the copy ends before the copy does.
  out.once('close', () => {
    if (rows.closed) return close();
    rows.once('close', close);
    rows.destroy();
  });
  return out;
}

/** Pictures of a folder that can be read, and those that cannot. */
function picturesIn(folder: string): { whole: string[]; missing: string[] } {
  const names = (existsSync(folder) ? readdirSync(folder) : []).filter((name) =>
    PHOTO_ENTRY.test(`photos/${name}`),
  );
  const missing = names.filter((name) => !canBeRead(join(folder, name)));
  return { whole: names.filter((name) => !missing.includes(name)), missing };
}

function canBeRead(path: string): boolean {
  try {
    const file = openSync(path, 'r');
    try {
      return fstatSync(file).isFile() && readSync(file, Buffer.alloc(1)) === 1;
    } finally {
      closeSync(file);
    }
  } catch {
    return false;
  }
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
    for (let after: Cell | undefined; ;) {
      const rows = rowsAfter(file, table, after);
      if (rows.length === 0) break;
      yield (first ? '' : ',\n') + rows.map((row) => JSON.stringify(shown(table, row))).join(',\n');
      first = false;
      after = rows[rows.length - 1]![table.key];
    }
    yield ']';
  }
  yield '\n}}\n';
}

const rowsAfter = (file: OpenFile, { name, key }: RowTable, after: Cell | undefined) =>
  file.rows(
    `SELECT * FROM ${quoted(name)} ${after === undefined ? '' : `WHERE ${quoted(key)} > ?`}
     ORDER BY ${quoted(key)} LIMIT ${ROWS_AT_ONCE}`,
    ...(after === undefined ? [] : [after]),
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
