import { createHash } from 'node:crypto';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { finished } from 'node:stream/promises';
import { crc32 } from 'node:zlib';
import { Ajv2020, type ValidateFunction } from 'ajv/dist/2020.js';
import yauzl, { type Entry, type ZipFile } from 'yauzl';
import { openFile, type Cell, type OpenFile } from '../db/driver.ts';
import { SHAPE, shapeAsOf } from '../db/migrations.ts';
import { HttpError } from '../http/errors.ts';
import { COLLECTION_TABLES, quoted, type RowTable } from '../history/tables.ts';
import { kindOf, LARGEST_PHOTO_BYTES, writeWhole } from '../services/photos.ts';
import { BACKUP_JSON, cellOf, PHOTO_ENTRY } from './backup.ts';
import { partsOfBackup, type Part } from './rows.ts';
import { FORMAT, rowSchema } from './shape.ts';
import { soundness } from './sound.ts';
import { drop } from './drop.ts';
import type { Progress } from './tasks.ts';

/** Unpacked, at most: it goes through row by row, so that only the disk is the limit of sense. */
const LARGEST_JSON_BYTES = 16_000_000_000;
const MOST_PHOTOS = 200_000;
const TELL_EVERY_ROWS = 5000;

/** What came in. */
export interface Brought {
  rows: number;
  photos: number;
}

interface Order {
  /** path of what came in: a ZIP by its content, whatever it is called */
  archive: string;
  /** path of the file to make */
  into: string;
  /** folder for its pictures; where pictures lie they are put only once all of it holds */
  photos: string;
  /** a backup without a single plant is meant */
  empty: boolean;
}

const noBackup = () => refuse(`${BACKUP_JSON} is no backup of Fernbank`);
const refuse = (message: string, code = 'badBackup') => new HttpError(422, code, message, 'body');

/**
 * Reads a backup into an SQLite file of its own, checked from end to end, row by row; nothing of the
 * present collection is touched.
 *
 * @throws HttpError 422 in words when it is no backup, is damaged, empty, or of a newer Fernbank
 */
export async function bring(
  { archive, into, photos: folder, empty }: Order,
  tell: (progress: Progress) => void,
): Promise<Brought> {
  const zip = await open(archive);
  let rows: number | null = null;
  let photos = 0;
  try {
    for await (const entry of zip.eachEntry()) {
      const picture = PHOTO_ENTRY.exec(entry.fileName);
      if (entry.fileName === BACKUP_JSON && rows === null) {
        const size = entry.uncompressedSize;
        rows = await written(await streamOf(zip, entry, LARGEST_JSON_BYTES), size, into, tell);
      } else if (picture && ++photos <= MOST_PHOTOS) {
        const bytes = await unpacked(zip, entry);
        keep(bytes, picture[1]!, picture[2]!, folder);
      } else {
        throw refuse(`the archive holds something that no backup has: ${shortly(entry.fileName)}`);
      }
    }
  } catch (error) {
    throw error instanceof HttpError ? error : refuse(`the archive is damaged: ${wordsOf(error)}`);
  } finally {
    zip.close();
  }
  if (rows === null) throw refuse(`the archive holds no ${BACKUP_JSON}`);
  const state = soundness(into);
  if (!state.sound) throw refuse(`it does not hold together: ${state.why}`);
  if (state.plants === 0 && !empty) {
    throw refuse('this backup holds no plant at all', 'emptyBackup');
  }
  return { rows, photos };
}

async function open(archive: string): Promise<ZipFile> {
  try {
    return await yauzl.openPromise(archive, { autoClose: false, strictFileNames: true });
  } catch (error) {
    throw refuse(`this is no ZIP archive: ${wordsOf(error)}`);
  }
}

/**
 * Counts what really comes out, whatever the archive says of it: a small one can hold a flood. At its
 * end it fails unless every bit is as it was packed: what was damaged may well unpack to something.
 */
async function streamOf(zip: ZipFile, entry: Entry, most: number): Promise<Readable> {
  const tooLarge = () =>
    refuse(`${shortly(entry.fileName)} is larger than any backup’s (${most} bytes)`);
  if (entry.uncompressedSize > most) throw tooLarge();
  const stream: Readable = await zip.openReadStreamPromise(entry);
  let bytes = 0;
  let sum = 0;
  const counted = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      bytes += chunk.length;
      sum = crc32(chunk, sum);
      done(bytes > most ? tooLarge() : null, chunk);
    },
    flush(done) {
      done(sum === entry.crc32 ? null : new Error(`${shortly(entry.fileName)} is not as packed`));
    },
  });
  stream.once('error', (error) => counted.destroy(error));
  counted.once('close', () => stream.destroy());
  return stream.pipe(counted);
}

async function unpacked(zip: ZipFile, entry: Entry): Promise<Buffer> {
  const chunks: Buffer[] = [];
  for await (const chunk of await streamOf(zip, entry, LARGEST_PHOTO_BYTES)) {
    chunks.push(chunk as Buffer);
  }
  return Buffer.concat(chunks);
}

function keep(bytes: Buffer, hash: string, extension: string, folder: string): void {
  const is = createHash('sha256').update(bytes).digest('hex');
  if (is !== hash || kindOf(bytes)?.extension !== extension) {
    throw refuse(`the picture ${hash.slice(0, 12)}… is damaged`);
  }
  writeWhole(join(folder, `${hash}.${extension}`), bytes);
}

/** Writes what is read, as it comes. @returns how many rows */
async function written(
  json: Readable,
  size: number,
  into: string,
  tell: (progress: Progress) => void,
): Promise<number> {
  drop(into);
  let bytes = 0;
  json.on('data', (chunk: Buffer) => (bytes += chunk.length));
  json.pause();
  const file = openFile(into);
  const writer = new Writer(file);
  try {
    file.exec('PRAGMA synchronous = OFF');
    for await (const part of readably(json)) {
      writer.take(part);
      if (writer.rows % TELL_EVERY_ROWS === 0) {
        tell({ share: size > 0 ? Math.min(1, bytes / size) : null, rows: writer.rows });
      }
    }
    writer.end();
  } catch (error) {
    await wholly(json);
    throw error;
  } finally {
    file.close();
  }
  return writer.rows;
}

/** Rows are found fault with only if they came as they were packed. @throws Error what befell them */
async function wholly(json: Readable): Promise<void> {
  json.unpipe();
  json.resume();
  await finished(json, { writable: false });
}

async function* readably(json: Readable): AsyncGenerator<Part> {
  try {
    yield* partsOfBackup(json);
  } catch (error) {
    if (error instanceof HttpError) throw error;
    throw refuse(`${BACKUP_JSON} cannot be read: ${wordsOf(error)}`);
  }
}

/** An id may be so far beyond those that are there: more, and it is no count of rows that were. */
const FARTHEST_SEQUENCE = 1_000_000_000;

/** Takes a backup part by part into a file of the shape that it says it has. */
class Writer {
  rows = 0;
  #shape: number | null = null;
  #format: unknown = null;
  #sequences: Record<string, unknown> = {};
  #inserts = new Map<string, (row: Record<string, unknown>) => void>();
  readonly #ajv = new Ajv2020({ strict: false });

  constructor(private readonly file: OpenFile) {}

  take(part: Part): void {
    if (part.kind === 'row') {
      this.#inserting(part.table)(part.row);
      this.rows += 1;
      return;
    }
    const { name, value } = part;
    if (name === 'format') this.#format = value;
    else if (name === 'shape') this.#open(value);
    else if (name === 'sequences') this.#sequences = (value ?? {}) as Record<string, unknown>;
    else if (!['made', 'version', 'missing'].includes(name)) {
      if (this.#format !== FORMAT) throw noBackup();
      throw refuse(`${BACKUP_JSON} has a field that no backup has: ${shortly(name)}`);
    }
  }

  end(): void {
    const { file } = this;
    if (this.#shape === null) this.#open(null);
    file.exec('DELETE FROM sqlite_sequence');
    for (const { name, key } of COLLECTION_TABLES) {
      const given = this.#sequences[name];
      if (given === undefined) continue;
      const highest = Number(
        key === 'id' ? (file.value(`SELECT coalesce(max(id), 0) FROM ${quoted(name)}`) ?? 0) : 0,
      );
      const sequence = Number(given);
      if (!Number.isInteger(given) || sequence < 0 || sequence > highest + FARTHEST_SEQUENCE) {
        throw refuse(`its count of ${name} is beyond all sense: ${shortly(String(given))}`);
      }
      file.run(
        'INSERT INTO sqlite_sequence (name, seq) VALUES (?, ?)',
        name,
        Math.max(sequence, highest),
      );
    }
    this.#held(() => file.exec('COMMIT'));
    file.exec('PRAGMA wal_checkpoint(TRUNCATE)');
  }

  #open(shape: unknown): void {
    if (this.#format !== FORMAT) throw noBackup();
    if (!(Number.isInteger(shape) && Number(shape) >= 1)) {
      throw refuse(`${BACKUP_JSON} does not say which shape it has`);
    }
    if (Number(shape) > SHAPE) {
      throw refuse('this backup was made by a newer Fernbank; use that one');
    }
    this.#shape = Number(shape);
    shapeAsOf(this.file, this.#shape);
    this.file.exec('BEGIN');
    this.file.exec('PRAGMA defer_foreign_keys = ON');
  }

  #inserting(table: string) {
    let insert = this.#inserts.get(table);
    if (!insert) this.#inserts.set(table, (insert = this.#insertInto(table)));
    return insert;
  }

  #insertInto(name: string) {
    if (this.#shape === null) throw refuse(`${BACKUP_JSON} has rows before it says what it is`);
    const table = COLLECTION_TABLES.find((one) => one.name === name);
    if (!table) throw refuse(`${BACKUP_JSON} has a table that no backup has: ${shortly(name)}`);
    const there = new Set(
      this.file.rows(`PRAGMA table_info(${quoted(name)})`).map((row) => row.name),
    );
    const known = table.columns.filter((column) => there.has(column.name));
    const run = this.file.prepared(
      `INSERT INTO ${quoted(name)} (${known.map((column) => quoted(column.name)).join(', ')})
       VALUES (${known.map(() => '?').join(', ')})`,
    );
    const check = this.#checkOf(table);
    return (row: Record<string, unknown>) => {
      check(row);
      const cells = known.map((column): Cell => cellOf(column, row[column.field]));
      this.#held(() => run(...cells));
    };
  }

  /** An older one has fewer fields; SQLite and its own tables check those. */
  #checkOf(table: RowTable): (row: object) => void {
    if (this.#shape !== SHAPE) return () => undefined;
    const validate: ValidateFunction = this.#ajv.compile(rowSchema(table));
    return (row) => {
      if (validate(row)) return;
      const [first] = validate.errors ?? [];
      const id = JSON.stringify((row as Record<string, unknown>)[table.key] ?? null);
      throw refuse(
        `${BACKUP_JSON}: ${table.name} ${shortly(id)}${first?.instancePath ?? ''} ${first?.message ?? 'is malformed'}`,
      );
    };
  }

  #held(run: () => void): void {
    try {
      run();
    } catch (error) {
      throw refuse(`its rows do not hold: ${wordsOf(error)}`);
    }
  }
}

const wordsOf = (error: unknown) => (error instanceof Error ? error.message : String(error));
const shortly = (name: string) => JSON.stringify(name.slice(0, 60));
