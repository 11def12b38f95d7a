import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { Ajv2020 } from 'ajv/dist/2020.js';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { openFile, type OpenFile } from '../db/driver.ts';
import { SHAPE, shapeAsOf } from '../db/migrations.ts';
import { HttpError } from '../http/errors.ts';
import { COLLECTION_TABLES, quoted } from '../history/tables.ts';
import { kindOf, LARGEST_PHOTO_BYTES } from '../services/photos.ts';
import { BACKUP_JSON, cellOf, PHOTO_ENTRY } from './backup.ts';
import { backupSchema, FORMAT } from './shape.ts';
import { soundness } from './sound.ts';

/** Unpacked, at most: a collection of 5,000 plants with 100,000 measurements has a tenth of it. */
const LARGEST_JSON_BYTES = 300_000_000;
const MOST_PHOTOS = 50_000;

interface Backup {
  format: string;
  shape: number;
  sequences?: Record<string, number>;
  tables: Record<string, Record<string, unknown>[]>;
}

const refuse = (message: string) => new HttpError(422, 'badBackup', message, 'body');

/**
 * Reads a backup into an SQLite file of its own, checked from end to end; nothing of the present
 * collection is touched. Pictures are put where pictures lie: their name is their hash, so that they
 * can be in nobody's way.
 *
 * @param archive  path of what came in: a ZIP by its content, whatever it is called
 * @param into  path of the file to make
 * @throws HttpError 422 in words when it is no backup, is damaged, too large, or of a newer Fernbank
 */
export async function bring(archive: string, into: string, photoFolder: string): Promise<void> {
  const zip = await open(archive);
  let backup: Backup | null = null;
  let photos = 0;
  try {
    for await (const entry of zip.eachEntry()) {
      const picture = PHOTO_ENTRY.exec(entry.fileName);
      if (entry.fileName === BACKUP_JSON && !backup) {
        backup = parsed(await unpacked(zip, entry, LARGEST_JSON_BYTES));
      } else if (picture && ++photos <= MOST_PHOTOS) {
        const bytes = await unpacked(zip, entry, LARGEST_PHOTO_BYTES);
        keep(bytes, picture[1]!, picture[2]!, photoFolder);
      } else {
        throw refuse(`the archive holds something that no backup has: ${shortly(entry.fileName)}`);
      }
    }
  } catch (error) {
    throw error instanceof HttpError ? error : refuse(`the archive is damaged: ${wordsOf(error)}`);
  } finally {
    zip.close();
  }
  if (!backup) throw refuse(`the archive holds no ${BACKUP_JSON}`);
  write(backup, into);
}

async function open(archive: string): Promise<ZipFile> {
  try {
    return await yauzl.openPromise(archive, { autoClose: false, strictFileNames: true });
  } catch (error) {
    throw refuse(`this is no ZIP archive: ${wordsOf(error)}`);
  }
}

/** Counts what really comes out, whatever the archive says of it: a small one can hold a flood. */
async function unpacked(zip: ZipFile, entry: Entry, most: number): Promise<Buffer> {
  const tooLarge = () =>
    refuse(`${shortly(entry.fileName)} is larger than any backup’s (${most} bytes)`);
  if (entry.uncompressedSize > most) throw tooLarge();
  const stream: Readable = await zip.openReadStreamPromise(entry);
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of stream as AsyncIterable<Buffer>) {
    bytes += chunk.length;
    if (bytes > most) {
      stream.destroy();
      throw tooLarge();
    }
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

function keep(bytes: Buffer, hash: string, extension: string, folder: string): void {
  const is = createHash('sha256').update(bytes).digest('hex');
  if (is !== hash || kindOf(bytes)?.extension !== extension) {
    throw refuse(`the picture ${hash.slice(0, 12)}… is damaged`);
  }
  const path = join(folder, `${hash}.${extension}`);
  if (existsSync(path)) return;
  mkdirSync(folder, { recursive: true });
  writeFileSync(`${path}.part`, bytes);
  renameSync(`${path}.part`, path);
}

function parsed(bytes: Buffer): Backup {
  let backup: Backup;
  try {
    backup = JSON.parse(bytes.toString('utf8')) as Backup;
  } catch {
    throw refuse(`${BACKUP_JSON} is no JSON`);
  }
  if (backup?.format !== FORMAT) throw refuse(`${BACKUP_JSON} is no backup of Fernbank`);
  if (!(Number.isInteger(backup.shape) && backup.shape >= 1)) {
    throw refuse(`${BACKUP_JSON} does not say which shape it has`);
  }
  if (backup.shape > SHAPE) throw refuse('this backup was made by a newer Fernbank; use that one');
  // An older one has fewer fields; SQLite and its own tables check those.
  if (backup.shape === SHAPE) {
    const validate = new Ajv2020({ strict: false }).compile(backupSchema());
    if (!validate(backup)) {
      const [first] = validate.errors ?? [];
      throw refuse(
        `${BACKUP_JSON}${first?.instancePath ?? ''} ${first?.message ?? 'is malformed'}`,
      );
    }
  }
  return backup;
}

function write({ shape, tables, sequences = {} }: Backup, into: string): void {
  for (const suffix of ['', '-wal', '-shm']) rmSync(into + suffix, { force: true });
  const file = openFile(into);
  try {
    shapeAsOf(file, shape);
    file.db.transaction(() => {
      file.exec('PRAGMA defer_foreign_keys = ON');
      for (const table of COLLECTION_TABLES) insertAll(file, table, tables[table.name] ?? []);
      file.exec('DELETE FROM sqlite_sequence');
      for (const [name, seq] of Object.entries(sequences)) {
        file.run('INSERT INTO sqlite_sequence (name, seq) VALUES (?, ?)', name, seq);
      }
    });
    file.exec('PRAGMA wal_checkpoint(TRUNCATE)');
  } catch (error) {
    throw error instanceof HttpError ? error : refuse(`its rows do not hold: ${wordsOf(error)}`);
  } finally {
    file.close();
  }
  const state = soundness(into);
  if (!state.sound) throw refuse(`it does not hold together: ${state.why}`);
}

/** An older backup has only the columns that there were. */
function insertAll(
  file: OpenFile,
  { name, columns }: (typeof COLLECTION_TABLES)[number],
  rows: readonly Record<string, unknown>[],
): void {
  if (rows.length === 0) return;
  const there = new Set(file.rows(`PRAGMA table_info(${quoted(name)})`).map((row) => row.name));
  const known = columns.filter((column) => there.has(column.name));
  const sql = `INSERT INTO ${quoted(name)} (${known.map((column) => quoted(column.name)).join(', ')})
    VALUES (${known.map(() => '?').join(', ')})`;
  const insert = file.prepared(sql);
  for (const row of rows) insert(...known.map((column) => cellOf(column, row[column.field])));
}

const wordsOf = (error: unknown) => (error instanceof Error ? error.message : String(error));
const shortly = (name: string) => JSON.stringify(name.slice(0, 60));
