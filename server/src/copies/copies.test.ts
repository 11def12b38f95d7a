import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { createServer, request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { Ajv2020 } from 'ajv/dist/2020.js';
import Papa from 'papaparse';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import yazl from 'yazl';
import type { OpenFile } from '../db/driver.ts';
import { sweep } from '../history/keeping.ts';
import { COLLECTION_TABLES, quoted } from '../history/tables.ts';
import { photoFolderOf } from '../place.ts';
import { openedOrWhy } from '../start.ts';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';
import { copyFolderOf } from './copies.ts';
import { backupSchema } from './shape.ts';

let app: TestApp;
beforeEach(() => (app = testApp({ garden: true })));
afterEach(() => app.close());
const { get, addPlant } = handsOf(() => app);

const PNG = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');

/** Every value of every table, with the type that SQLite keeps it in. */
function values(of: TestApp, ...without: string[]) {
  return Object.fromEntries(
    COLLECTION_TABLES.filter(({ name }) => !without.includes(name)).map(
      ({ name, key, columns }) => [
        name,
        of.file.rows(
          `SELECT ${columns
            .flatMap((column) => [
              `typeof(${quoted(column.name)}) AS ${quoted(`type of ${column.name}`)}`,
              quoted(column.name),
            ])
            .join(', ')} FROM ${quoted(name)} ORDER BY ${quoted(key)}`,
        ),
      ],
    ),
  );
}
const download = async (of: TestApp) =>
  (
    await of.call
      .get('/api/backup')
      .buffer(true)
      .parse(binary as never)
      .expect(200)
  ).body as Buffer;
function binary(
  response: NodeJS.ReadableStream,
  done: (error: Error | null, body: Buffer) => void,
) {
  const chunks: Buffer[] = [];
  response.on('data', (chunk: Buffer) => chunks.push(chunk));
  response.on('end', () => done(null, Buffer.concat(chunks)));
}
const bringIn = (of: TestApp, archive: Buffer) =>
  of.call.post('/api/backup').set('Content-Type', 'application/octet-stream').send(archive);

it('a backup that is let go of half-way harms nothing and leaves nothing behind', async () => {
  const server = createServer(app.app).listen(0);
  const { port } = server.address() as AddressInfo;
  const letGo = (afterMs: number) =>
    new Promise<void>((done) => {
      const asked = request({ port, path: '/api/backup', host: '127.0.0.1' });
      asked.on('error', () => undefined);
      asked.on('response', (answer) => answer.on('error', () => undefined).resume());
      asked.once('close', done);
      asked.end();
      setTimeout(() => asked.destroy(), afterMs);
    });
  try {
    for (let ms = 0; ms <= 60; ms += 3) await letGo(ms);
    const leftovers = () =>
      existsSync(copyFolderOf(app.path))
        ? readdirSync(copyFolderOf(app.path)).filter((name) => name.startsWith('.backup-'))
        : [];
    await vi.waitFor(() => expect(leftovers()).toEqual([]), { timeout: 10_000 });
    expect((await download(app)).length).toBeGreaterThan(1000);
  } finally {
    server.closeAllConnections();
    server.close();
  }
});

describe('a backup', () => {
  async function livedIn() {
    await app.call.post(`/api/photos?plantId=1&date=${TODAY}`).send(PNG).expect(201);
    await app.call
      .patch('/api/plants/2')
      .send({ note: 'ünïcode “quoted”\r\nline, =1+1' })
      .expect(200);
    await app.call.delete('/api/plants/3').expect(204);
    await app.call
      .post('/api/measurements')
      .send({ plantId: 1, date: TODAY, kind: 'weightKg', value: 1 / 3 });
  }

  it('restored into an empty Fernbank is the same, value for value, with pictures, bin and history', async () => {
    await livedIn();
    const archive = await download(app);
    const empty = testApp();
    try {
      await bringIn(empty, archive).expect(200);
      expect(values(empty, 'deeds')).toEqual(values(app, 'deeds'));
      const told = empty.file.rows("SELECT * FROM deeds WHERE kind <> 'restore'");
      expect(told).toEqual(app.file.rows('SELECT * FROM deeds'));
      expect(empty.file.rows('SELECT * FROM sqlite_sequence WHERE name = ?', 'plants')).toEqual(
        app.file.rows('SELECT * FROM sqlite_sequence WHERE name = ?', 'plants'),
      );
      const [name] = readdirSync(photoFolderOf(empty.path));
      expect(readFileSync(join(photoFolderOf(empty.path), name!)).equals(PNG)).toBe(true);
      // What was in the bin can still be put back there.
      const [gone] = (await empty.call.get('/api/bin')).body.items;
      await empty.call.post(`/api/history/${gone.id}/undo`).expect(200);
      await empty.call.get('/api/plants/3').expect(200);
    } finally {
      empty.close();
    }
  });

  it('is described by its published schema, which refuses what it does not describe', async () => {
    await livedIn();
    const schema = await get('/api/backup/schema.json');
    const validate = new Ajv2020({ strict: false }).compile(schema);
    const backup = JSON.parse(await unzipped(await download(app)));
    expect(validate(backup), JSON.stringify(validate.errors?.[0])).toBe(true);
    backup.tables.plants[0].name = 7;
    expect(validate(backup)).toBe(false);
  });

  it('takes the place of what was there, which is kept and can be restored in turn', async () => {
    const archive = await download(app);
    const before = values(app);
    await app.call.delete('/api/plants/1').expect(204);
    const { body } = await bringIn(app, archive).expect(200);
    expect(values(app, 'deeds')).toEqual({ ...before, deeds: undefined });
    await app.call.post(`/api/copies/${body.before}/restore`).expect(200);
    await app.call.get('/api/plants/1').expect(404);
  });

  const refused: [string, (sound: Buffer) => Buffer | Promise<Buffer>, RegExp][] = [
    ['what is no archive', () => Buffer.from('plants;spots\r\n1;2'), /no ZIP archive/],
    [
      'an archive cut short',
      (sound) => sound.subarray(0, sound.length - 200),
      /no ZIP archive|damaged/,
    ],
    ['an archive with a flipped byte', (sound) => flipped(sound), /damaged|cannot be read/],
    [
      'one whose flipped byte still makes a row',
      async (sound) => misspelt(await unzipped(sound), '"Ticket', '"Picket'),
      /damaged.*fernbank\.json.*not as packed/,
    ],
    [
      'one whose flipped byte makes a row that is none',
      async (sound) => misspelt(await unzipped(sound), '"date"', '"dale"'),
      /damaged.*fernbank\.json.*not as packed/,
    ],
    [
      'an archive of something else',
      () => zipped({ 'readme.txt': 'hello' }),
      /something that no backup has/,
    ],
    [
      'a name that leads elsewhere',
      () => zipped({ 'photos/aa.png': 'x' }),
      /something that no backup has/,
    ],
    ['no JSON', () => zipped({ 'fernbank.json': '{' }), /cannot be read|no backup of Fernbank/],
    ['JSON that is no object', () => zipped({ 'fernbank.json': '[1]' }), /cannot be read/],
    [
      'JSON nested without end',
      () => zipped({ 'fernbank.json': `{"a":${'['.repeat(100_000)}` }),
      /cannot be read/,
    ],
    [
      'JSON of something else',
      () => zipped({ 'fernbank.json': '{"a":1}' }),
      /no backup of Fernbank/,
    ],
    [
      'one by a newer Fernbank',
      () =>
        zipped({ 'fernbank.json': JSON.stringify({ format: 'fernbank-collection', shape: 999 }) }),
      /newer Fernbank/,
    ],
    [
      'a picture that is another',
      () => zipped({ [`photos/${'a'.repeat(64)}.png`]: PNG }),
      /is damaged/,
    ],
    [
      'rows that point nowhere',
      async (sound) => {
        const backup = JSON.parse(await unzipped(sound));
        backup.tables.spots = [];
        return zipped({ 'fernbank.json': JSON.stringify(backup) });
      },
      /do not hold|hold together/,
    ],
    ['nothing but blanks', () => zipped({ 'fernbank.json': ' '.repeat(9e6) }), /no backup|read/],
    [
      'rows before it says what it is',
      () => zipped({ 'fernbank.json': '{"tables":{"spots":[{"id":1}]}}' }),
      /before it says what it is/,
    ],
    [
      'a day that is none',
      (sound) => altered(sound, ({ plants }) => (plants![0]!.lastRepot = '16/3/26')),
      /plants "1"/,
    ],
    [
      'text with a NUL',
      (sound) => altered(sound, ({ plants }) => (plants![0]!.name = 'a\u0000b')),
      /plants/,
    ],
    [
      'a number beyond all',
      (sound) => altered(sound, ({ measurements }) => (measurements![0]!.value = 1e300)),
      /measurements/,
    ],
    [
      'a field of its own',
      (sound) => altered(sound, ({ spots }) => (spots![0]!.wifi = 'secret')),
      /spots/,
    ],
    [
      'a count that leaves no room for another row',
      async (sound) => {
        const backup = JSON.parse(await unzipped(sound));
        backup.sequences.plants = Number.MAX_SAFE_INTEGER;
        return zipped({ 'fernbank.json': JSON.stringify(backup) });
      },
      /beyond all sense/,
    ],
  ];
  async function altered(
    sound: Buffer,
    alter: (tables: Record<string, Record<string, unknown>[]>) => unknown,
  ) {
    const backup = JSON.parse(await unzipped(sound));
    alter(backup.tables);
    return zipped({ 'fernbank.json': JSON.stringify(backup) });
  }
  it.each(refused)('%s is refused and changes nothing', async (_what, made, why) => {
    const before = values(app);
    const { status, body } = await bringIn(app, await made(await download(app)));
    expect([status, body.error.code]).toEqual([422, 'badBackup']);
    expect(body.error.message).toMatch(why);
    expect(values(app)).toEqual(before);
    expect(readdirSync(copyFolderOf(app.path)).filter((name) => name.startsWith('.'))).toEqual([]);
  });

  it('laid out anew by another program is the same', async () => {
    await livedIn();
    const pretty = JSON.stringify(JSON.parse(await unzipped(await download(app))), null, 4);
    const empty = testApp();
    try {
      await bringIn(empty, await zipped({ 'fernbank.json': pretty })).expect(200);
      expect(values(empty, 'deeds')).toEqual(values(app, 'deeds'));
    } finally {
      empty.close();
    }
  });

  it('without a plant is brought in only where that is meant', async () => {
    const empty = testApp();
    const archive = await download(empty);
    empty.close();
    const { status, body } = await bringIn(app, archive);
    expect([status, body.error.code]).toEqual([422, 'emptyBackup']);
    await app.call
      .post('/api/backup?empty=1')
      .set('Content-Type', 'application/octet-stream')
      .send(archive)
      .expect(200);
    expect((await get('/api/plants')).items).toEqual([]);
  });

  it('that is refused leaves none of its pictures behind', async () => {
    const hash = createHash('sha256').update(PNG).digest('hex');
    await bringIn(app, await zipped({ [`photos/${hash}.png`]: PNG })).expect(422);
    const folder = photoFolderOf(app.path);
    expect(existsSync(folder) ? readdirSync(folder) : []).toEqual([]);
  });

  it('keeps its pictures whatever is swept and emptied while it is brought in', async () => {
    await livedIn();
    const archive = await download(app);
    const other = testApp({ garden: true });
    try {
      const photoFolder = photoFolderOf(other.path);
      let over = false;
      const brought = bringIn(other, archive).expect(200);
      const sweeping = (async () => {
        while (!over) {
          sweep(other.file, other.context.copies.working ? null : photoFolder, TODAY);
          await new Promise((go) => setImmediate(go));
        }
      })();
      await brought.then(() => (over = true));
      await sweeping;
      expect(readdirSync(photoFolder)).toHaveLength(1);
    } finally {
      other.close();
    }
  });

  it('is made although a picture cannot be read, and says which', async () => {
    await livedIn();
    const folder = photoFolderOf(app.path);
    mkdirSync(join(folder, `${'b'.repeat(64)}.jpg`));
    const backup = JSON.parse(await unzipped(await download(app)));
    expect(backup.missing).toEqual([`${'b'.repeat(64)}.jpg`]);
    expect(new Ajv2020({ strict: false }).validate(backupSchema(), backup)).toBe(true);
  });

  it('that lies about its size is stopped when it comes to more', async () => {
    const archive = await zipped({ 'fernbank.json': Buffer.alloc(20_000_000, ' ') });
    // The size that the directory tells, 24 bytes into its entry.
    const at = archive.lastIndexOf(Buffer.from('504b0102', 'hex')) + 24;
    archive.writeUInt32LE(100, at);
    const { status, body } = await bringIn(app, archive);
    expect([status, body.error.code]).toEqual([422, 'badBackup']);
  });
});

describe('copies', () => {
  const folder = () => copyFolderOf(app.path);
  const now = () => app.call.post('/api/copies').expect(201);

  it('are sound, and restored value for value', async () => {
    await app.call.post(`/api/photos?plantId=1&date=${TODAY}`).send(PNG).expect(201);
    const { body } = await now();
    expect(body.items).toMatchObject([{ kind: 'daily', date: TODAY, state: { sound: true } }]);
    const before = values(app);
    await app.call.delete('/api/plants/1').expect(204);
    rmSync(photoFolderOf(app.path), { recursive: true });
    await app.call.post(`/api/copies/${body.items[0].name}/restore`).expect(200);
    expect(values(app, 'deeds')).toEqual({ ...before, deeds: undefined });
    // Its picture comes back with it.
    expect(readdirSync(photoFolderOf(app.path))).toHaveLength(1);
    const { items } = await get('/api/copies');
    expect(items.map(({ kind }: { kind: string }) => kind).sort()).toEqual([
      'beforeRestore',
      'daily',
    ]);
  });

  it('that are damaged are told as such and not restored', async () => {
    const { body } = await now();
    const [{ name }] = body.items;
    const path = join(folder(), name);
    const bytes = readFileSync(path);
    bytes.fill(0xa5, 4096 * 3, 4096 * 9);
    writeFileSync(path, bytes);
    const { items } = await get('/api/copies');
    expect(items[0].state.sound).toBe(false);
    const before = values(app);
    const answer = await app.call.post(`/api/copies/${name}/restore`);
    expect([answer.status, answer.body.error.code]).toEqual([409, 'damaged']);
    expect(values(app)).toEqual(before);
  });

  it.each(['..%2f..%2fetc%2fpasswd', 'collection.sqlite', '%00', 'daily-2020-01-01.sqlite'])(
    'are found by name alone, never by path: %s',
    async (name) => {
      await now();
      await app.call.post(`/api/copies/${name}/restore`).expect(404);
    },
  );

  it('keep a picture for as long as one of them shows it', async () => {
    const { body: photo } = await app.call.post(`/api/photos?plantId=1&date=${TODAY}`).send(PNG);
    await now();
    const kept = () => readdirSync(join(folder(), 'photos'));
    expect(kept()).toHaveLength(1);
    await app.call.delete(`/api/photos/${photo.id}`).expect(204);
    const [gone] = (await get('/api/bin')).items;
    await app.call.delete(`/api/bin/${gone.id}`).expect(204);
    expect(readdirSync(photoFolderOf(app.path))).toEqual([]);
    expect(kept()).toHaveLength(1);
    await now();
    expect(kept()).toEqual([]);
  });
});

describe('a start', () => {
  it('with a damaged file says so and names the newest sound copy; asked to, it goes on with it', async () => {
    const plant = await addPlant({ name: 'Keepsake' });
    await app.call.post('/api/copies').expect(201);
    const folder = copyFolderOf(app.path);
    writeFileSync(join(folder, 'daily-2027-01-01.sqlite'), 'not a database at all');
    app.file.exec('PRAGMA wal_checkpoint(TRUNCATE)');
    app.file.close();
    truncateSync(app.path, Math.floor(statSync(app.path).size / 2 / 4096) * 4096);
    const refused = openedOrWhy(app.path);
    expect('why' in refused && refused.why).toMatch(
      /is damaged [^]*daily-2026-03-16[^]*FERNBANK_RESTORE=newest/,
    );
    const opened = openedOrWhy(app.path, 'newest');
    if ('why' in opened) throw new Error(opened.why);
    expect(opened.file.value('SELECT name FROM plants WHERE id = ?', plant.id)).toBe('Keepsake');
    expect(existsSync(app.path.replace('.sqlite', '.damaged-1.sqlite'))).toBe(true);
    app.file = opened.file;
  });

  it('goes on with the copy that knows most, whatever day its clock said, or with the one that is named', async () => {
    await addPlant({ name: 'Early' });
    await app.call.post('/api/copies').expect(201);
    const folder = copyFolderOf(app.path);
    // Made on a day that the clock had wrong, and long before the other in truth.
    renameSync(join(folder, `daily-${TODAY}.sqlite`), join(folder, 'daily-2031-05-05.sqlite'));
    await addPlant({ name: 'Late' });
    await app.call.post('/api/copies').expect(201);
    app.file.exec('PRAGMA wal_checkpoint(TRUNCATE)');
    app.file.close();
    truncateSync(app.path, Math.floor(statSync(app.path).size / 2 / 4096) * 4096);
    const refused = openedOrWhy(app.path);
    expect('why' in refused && refused.why).toMatch(/daily-2026-03-16[^]*daily-2031-05-05/);
    const unknown = openedOrWhy(app.path, 'daily-1999-01-01.sqlite');
    expect('why' in unknown && unknown.why).toMatch(/no sound copy daily-1999/);
    const opened = openedOrWhy(app.path, 'newest');
    if ('why' in opened) throw new Error(opened.why);
    const late = (of: OpenFile) => of.value("SELECT count(*) FROM plants WHERE name = 'Late'");
    expect(late(opened.file)).toBe(1);
    opened.file.close();
    truncateSync(app.path, 4096);
    const named = openedOrWhy(app.path, 'daily-2031-05-05.sqlite');
    if ('why' in named) throw new Error(named.why);
    expect(late(named.file)).toBe(0);
    app.file = named.file;
  });

  it('with a file of a newer Fernbank says so', () => {
    app.file.exec(
      "INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('x', 9999999999999)",
    );
    const opened = openedOrWhy(app.path, 'newest');
    expect('why' in opened && opened.why).toMatch(/newer Fernbank/);
  });

  it('with what is no database and no copy says how to go on', () => {
    const path = join(app.path, '..', 'other.sqlite');
    writeFileSync(path, Buffer.alloc(8192, 7));
    const opened = openedOrWhy(path, 'newest');
    expect('why' in opened && opened.why).toMatch(/no sound copy[^]*Restore a backup/);
  });
});

describe('tables as CSV', () => {
  it('hold every row, nested fields by their path, and names beside references', async () => {
    const { text, headers } = await app.call.get('/api/tables/plants.csv').expect(200);
    expect(headers['content-disposition']).toContain('plants.csv');
    const { data, errors } = Papa.parse<Record<string, string>>(text.trim(), { header: true });
    expect(errors).toEqual([]);
    const rows = app.file.rows('SELECT * FROM plants ORDER BY id');
    expect(data).toHaveLength(rows.length);
    const [first] = data;
    expect(first!['pot.topDiameterCm']).toBe(
      String(JSON.parse(String(rows[0]!.pot)).topDiameterCm),
    );
    expect(first!.spot).toBe(
      app.file.value('SELECT name FROM spots WHERE id = ?', rows[0]!.spot_id!),
    );
  });

  it('mark text that a spreadsheet would take for a formula', async () => {
    await app.call
      .patch('/api/plants/1')
      .send({ name: '=HYPERLINK("x")', note: '@SUM(A1)' })
      .expect(200);
    const { text } = await app.call.get('/api/tables/plants.csv');
    const { data } = Papa.parse<Record<string, string>>(text.trim(), { header: true });
    expect([data[0]!.name, data[0]!.note]).toEqual(['\'=HYPERLINK("x")', "'@SUM(A1)"]);
  });

  it('are there for every table, empty ones too', async () => {
    for (const { name } of (await get('/api/tables')).items) {
      const { text } = await app.call.get(`/api/tables/${name}.csv`).expect(200);
      expect(text.split('\r\n')[0]).not.toBe('');
    }
  });
});

function zipped(entries: Record<string, string | Buffer>): Promise<Buffer> {
  const zip = new yazl.ZipFile();
  for (const [name, body] of Object.entries(entries)) zip.addBuffer(Buffer.from(body), name);
  zip.end();
  return new Promise((resolve) => binary(zip.outputStream, (_error, body) => resolve(body)));
}
async function unzipped(archive: Buffer): Promise<string> {
  const { fromBufferPromise } = await import('yauzl');
  const zip = await fromBufferPromise(archive);
  for await (const entry of zip.eachEntry()) {
    if (entry.fileName !== 'fernbank.json') continue;
    const stream = await zip.openReadStreamPromise(entry);
    return new Promise((resolve) => binary(stream, (_error, body) => resolve(body.toString())));
  }
  throw new Error('no fernbank.json');
}
/** Packed as it was, with a byte of it changed afterwards. */
async function misspelt(text: string, from: string, to: string): Promise<Buffer> {
  const zip = new yazl.ZipFile();
  zip.addBuffer(Buffer.from(text), 'fernbank.json', { compress: false });
  zip.end();
  const archive: Buffer = await new Promise((resolve) =>
    binary(zip.outputStream, (_error, body) => resolve(body)),
  );
  const at = archive.indexOf(from);
  expect(at).toBeGreaterThan(0);
  archive.write(to, at);
  return archive;
}
function flipped(archive: Buffer): Buffer {
  const copy = Buffer.from(archive);
  const at = Math.floor(copy.length / 2);
  copy[at] = copy[at]! ^ 0xff;
  return copy;
}
