import { existsSync, readdirSync } from 'node:fs';
import { addDays } from '@fernbank/core';
import fc from 'fast-check';
import { openFile } from '../db/driver.ts';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { photoFolderOf } from '../place.ts';
import { handsOf, ROUND_POT, testApp, TODAY, type TestApp } from '../testApp.ts';
import { sweep } from './keeping.ts';
import { COLLECTION_TABLES, quoted, REMEMBERED_TABLES } from './tables.ts';
import { STAMPS } from './triggers.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());
const { get, add, addPlant, repot, deedOf } = handsOf(() => app);

const newest = async () => (await get('/api/history')).items[0];
const undo = (id: number, body: object = {}) => app.call.post(`/api/history/${id}/undo`).send(body);

/** All rows of the collection without what a change only stamps. */
function rows(of = app) {
  return Object.fromEntries(
    REMEMBERED_TABLES.map(({ name, key, columns }) => [
      name,
      of.file.rows(
        `SELECT ${columns
          .filter((column) => !STAMPS.has(column.name))
          .map((column) => quoted(column.name))
          .join(', ')} FROM ${quoted(name)} ORDER BY ${quoted(key)}`,
      ),
    ]),
  );
}

describe('the history', () => {
  it('tells what a change changed, field by field', async () => {
    const plant = await addPlant();
    await app.call.patch(`/api/plants/${plant.id}`).send({ name: 'Bollard', note: 'by the door' });
    const { what, kind, entries } = await newest();
    expect([what, kind]).toEqual(['change a plant', 'write']);
    expect(entries).toMatchObject([{ of: 'plants', op: 'change', name: 'Bollard' }]);
    expect(entries[0].fields).toEqual([
      { field: 'name', before: 'Gangway', after: 'Bollard' },
      { field: 'note', before: '', after: 'by the door' },
    ]);
  });

  it('calls settings and schools as their page does, and tells choices in their words', async () => {
    await app.call.patch('/api/settings').send({ whenSchool: 'need', potPrice: 4 }).expect(200);
    const { entries } = await newest();
    const told = entries.map(({ name, fields }: { name: string; fields: object[] }) => [
      name,
      fields[fields.length - 1],
    ]);
    expect(told).toEqual([
      ['When to repot', { field: 'value', before: null, after: 'whenever it needs it' }],
      ['price of a pot', { field: 'value', before: null, after: 4 }],
    ]);
  });

  it('has nothing to say of what was refused, and of what changed nothing', async () => {
    const plant = await addPlant();
    const { id } = await newest();
    await app.call.patch(`/api/plants/${plant.id}`).send({ spotId: 99 }).expect(422);
    await app.call.patch(`/api/plants/${plant.id}`).send({ name: 'Gangway' }).expect(200);
    expect((await newest()).id).toBe(id);
  });

  it('is told a page at a time, and for one plant', async () => {
    const first = await addPlant();
    const second = await addPlant({ name: 'Bollard' });
    for (let i = 0; i < 5; i++) {
      await add('/api/measurements', {
        plantId: i % 2 ? first.id : second.id,
        date: TODAY,
        kind: 'heightCm',
        value: 30 + i,
      });
    }
    const page = await get('/api/history?limit=2');
    expect(page.items).toHaveLength(2);
    const rest = await get(`/api/history?limit=200&before=${page.next}`);
    expect(rest.items.length + 2).toBe(8);
    const ofFirst = (await get(`/api/history?plantId=${first.id}`)).items;
    expect(ofFirst).toHaveLength(3);
  });

  it('puts a plant back with all that hung on it, to the last bit', async () => {
    const plant = await addPlant({ heightCm: 0.1 + 0.2, note: 'q"uote, ü\n' });
    await add('/api/looks', { plantId: plant.id, date: TODAY, signals: { smell: 'sour' } });
    for (const value of [1 / 3, 1e-3 + Number.EPSILON, 12345.678901234567 / 100]) {
      await add('/api/measurements', { plantId: plant.id, date: TODAY, kind: 'weightKg', value });
    }
    await repot(plant.id);
    const before = rows();
    await app.call.delete(`/api/plants/${plant.id}`).expect(204);
    expect(rows().looks).toEqual([]);
    const deed = await newest();
    expect(deed).toMatchObject({ kind: 'remove', counts: { plants: 1, looks: 1, repots: 1 } });
    await undo(deed.id).expect(200);
    expect(rows()).toEqual(before);
  });

  it('makes a row that came back newer than any copy of it', async () => {
    const plant = await addPlant();
    await app.call.delete(`/api/plants/${plant.id}`).expect(204);
    await undo((await newest()).id).expect(200);
    const stale = await app.call
      .patch(`/api/plants/${plant.id}`)
      .set('If-Match', `"${plant.rev}"`)
      .send({ name: 'Old copy' });
    expect(stale.status).toBe(412);
  });

  it('leaves what else happened to a row since', async () => {
    const plant = await addPlant();
    const patch = (body: object) => app.call.patch(`/api/plants/${plant.id}`).send(body);
    await patch({ name: 'Bollard' });
    const renamed = await newest();
    await patch({ note: 'later' });
    await undo(renamed.id).expect(200);
    expect(await get(`/api/plants/${plant.id}`)).toMatchObject({ name: 'Gangway', note: 'later' });
  });

  it('refuses where the same was changed later, and says by what', async () => {
    const plant = await addPlant();
    const patch = (body: object) => app.call.patch(`/api/plants/${plant.id}`).send(body);
    await patch({ name: 'Bollard' });
    const first = await newest();
    await patch({ name: 'Capstan' });
    const before = rows();
    const { status, body } = await undo(first.id);
    expect(status).toBe(409);
    expect(body.error.message).toMatch(/rests on this: change a plant/);
    expect(rows()).toEqual(before);
  });

  it('never takes away what was added to something later', async () => {
    const plant = await addPlant();
    const added = await newest();
    await add('/api/looks', { plantId: plant.id, date: TODAY, signals: { smell: 'sour' } });
    const { status, body } = await undo(added.id);
    expect([status, body.error.code]).toEqual([409, 'dependents']);
    expect(body.error.message).toContain('add a look');
    expect((await get('/api/looks')).items).toHaveLength(1);
  });

  it('takes back what rests on a deed with it when the keeper says so, as one deed', async () => {
    const plant = await addPlant();
    const before = rows();
    const repotted = await app.call.post('/api/repots').send({
      plantId: plant.id,
      date: TODAY,
      pot: ROUND_POT,
      mediumKind: 'peatSoil',
      recipeId: 'everyday',
    });
    const { tasks } = repotted.body as { tasks: { id: number }[] };
    const done = await app.call.patch(`/api/tasks/${tasks[0]!.id}`).send({ done: TODAY });
    const moved = await app.call.patch(`/api/tasks/${tasks[0]!.id}`).send({ done: null });
    await app.call.patch(`/api/plants/${plant.id}`).send({ note: 'stays' });
    const patched = rows();
    // Opened again it is as the repot left it: nothing stands in the way of that.
    await undo(deedOf(repotted)).expect(200);
    expect({ ...rows(), plants: [] }).toEqual({ ...before, plants: [] });
    const again = await newest();
    await undo(again.id).expect(200);
    expect(rows()).toEqual(patched);
    await app.call.patch(`/api/tasks/${tasks[0]!.id}`).send({ done: TODAY });
    const last = await newest();
    const refused = await undo(deedOf(repotted)).expect(409);
    const dependents = refused.body.error.dependents.map((deed: { id: number }) => deed.id);
    expect(dependents).toContain(last.id);
    expect(dependents).not.toContain(deedOf(await app.call.get('/api/health')));
    // Told of some only, the others are still asked about.
    await undo(deedOf(repotted), { also: dependents.slice(1) }).expect(409);
    await undo(deedOf(repotted), { also: dependents }).expect(200);
    expect(rows().tasks).toEqual([]);
    expect((await get(`/api/plants/${plant.id}`)).note).toBe('stays');
    const withIt = await newest();
    await undo(withIt.id).expect(200);
    const told = (await get('/api/history?limit=50')).items as { id: number; undoneBy: number }[];
    const standing = [deedOf(repotted), deedOf(done), deedOf(moved), last.id];
    expect(standing.map((id) => told.find((deed) => deed.id === id)!.undoneBy)).toEqual(
      standing.map(() => null),
    );
  });

  it('knows what hangs on a component or a recipe by its key', async () => {
    const made = await app.call.post('/api/components').send({ label: 'Husk', like: 'coir' });
    const key = made.body.id as string;
    const parts = [
      { component: key, parts: 1 },
      { component: 'perlite', parts: 1 },
    ];
    const recipe = await app.call.post('/api/recipes').send({ label: 'Husky', parts });
    expect(recipe.status).toBe(201);
    const plant = await addPlant({ recipeId: recipe.body.id, mediumKind: 'mix' });
    const { body } = await undo(deedOf(made)).expect(409);
    expect(body.error.dependents.map((deed: { what: string }) => deed.what)).toEqual(
      expect.arrayContaining(['add a plant']),
    );
    expect(body.error.dependents).toHaveLength(2);
    await get('/api/verdicts');
    const also = body.error.dependents.map((deed: { id: number }) => deed.id);
    await undo(deedOf(made), { also }).expect(200);
    expect((await app.call.get(`/api/plants/${plant.id}`)).status).toBe(404);
    expect((await get('/api/verdicts')).items).toEqual([]);
  });

  it('never gives a key to another component or recipe, even once the first is gone', async () => {
    for (const [path, body] of [
      ['/api/components', { label: 'Husk', like: 'coir' }],
      ['/api/recipes', { label: 'Husky', parts: [{ component: 'perlite', parts: 1 }] }],
    ] as const) {
      const first = await app.call.post(path).send(body).expect(201);
      await undo(deedOf(first)).expect(200);
      const second = await app.call.post(path).send(body).expect(201);
      expect(second.body.id).not.toBe(first.body.id);
    }
  });

  it('can do again what was taken back, and only once', async () => {
    const plant = await addPlant();
    await app.call.patch(`/api/plants/${plant.id}`).send({ name: 'Bollard' });
    const changed = await newest();
    const { body } = await undo(changed.id).expect(200);
    expect((await undo(changed.id)).status).toBe(409);
    await undo(body.deed).expect(200);
    expect((await get(`/api/plants/${plant.id}`)).name).toBe('Bollard');
    expect(
      (await get('/api/history')).items.find((d: { id: number }) => d.id === changed.id),
    ).toMatchObject({
      undoneBy: null,
    });
  });

  it('gives back what it took from the shelf, whatever was taken since', async () => {
    const pot = await add('/api/pots', {
      label: 'clay',
      shape: ROUND_POT,
      material: 'terracotta',
      count: 5,
    });
    const [one, two] = [await addPlant(), await addPlant({ name: 'Bollard' })];
    const into = { potId: pot.id, pot: ROUND_POT, potMaterial: 'terracotta' };
    await repot(one.id, into);
    const first = await newest();
    await repot(two.id, into);
    expect((await get(`/api/pots/${pot.id}`)).free).toBe(3);
    await undo(first.id).expect(200);
    expect((await get(`/api/pots/${pot.id}`)).free).toBe(4);
    expect((await get('/api/repots')).items).toHaveLength(1);
  });

  it('takes back whatever a day in the garden brought, in reverse, to the row', async () => {
    const garden = testApp({ garden: true });
    try {
      const before = rows(garden);
      const plants = (await garden.call.get('/api/plants')).body.items as { id: number }[];
      const doings = [
        (id: number, n: number) => garden.call.patch(`/api/plants/${id}`).send({ note: `n${n}` }),
        (id: number) => garden.call.delete(`/api/plants/${id}`),
        (id: number, n: number) =>
          garden.call
            .post('/api/measurements')
            .send({ plantId: id, date: TODAY, kind: 'weightKg', value: 1 + n / 7 }),
        (id: number) =>
          garden.call
            .post('/api/looks')
            .send({ plantId: id, date: TODAY, signals: { smell: 'sour' } }),
        (id: number) =>
          garden.call.post('/api/repots').send({
            plantId: id,
            date: TODAY,
            pot: ROUND_POT,
            mediumKind: 'peatSoil',
            recipeId: 'everyday',
          }),
        (_id: number, n: number) =>
          garden.call.patch('/api/settings').send({ scoopL: 0.1 + n / 10 }),
        (_id: number, n: number) =>
          garden.call.post('/api/spots').send({ name: `s${n}`, latitudeDeg: 54 }),
      ];
      await fc.assert(
        fc.asyncProperty(
          fc.array(fc.tuple(fc.nat(doings.length - 1), fc.nat(plants.length - 1), fc.nat(9)), {
            maxLength: 8,
          }),
          async (script) => {
            const [{ id: last } = { id: 0 }] = (await garden.call.get('/api/history?limit=1')).body
              .items;
            for (const [which, at, n] of script) await doings[which]!(plants[at]!.id, n);
            const { items } = (await garden.call.get('/api/history?limit=50')).body;
            for (const { id } of items.filter((deed: { id: number }) => deed.id > last)) {
              await garden.call.post(`/api/history/${id}/undo`).expect(200);
            }
            expect(rows(garden)).toEqual(before);
          },
        ),
        { numRuns: 25 },
      );
    } finally {
      garden.close();
    }
  });
});

describe('the bin', () => {
  const PNG = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
  async function plantWithPicture() {
    const plant = await addPlant();
    await app.call.post(`/api/photos?plantId=${plant.id}&date=${TODAY}`).send(PNG).expect(201);
    return plant;
  }
  const pictures = () => {
    const folder = photoFolderOf(app.path);
    return existsSync(folder) ? readdirSync(folder).length : 0;
  };

  it('keeps what was removed, with its picture, and gives it back', async () => {
    const plant = await plantWithPicture();
    await app.call.delete(`/api/plants/${plant.id}`).expect(204);
    const { days, items } = await get('/api/bin');
    expect(days).toBe(30);
    expect(items).toHaveLength(1);
    expect(items[0].entries[0]).toMatchObject({ of: 'plants', name: 'Gangway' });
    await undo(items[0].id).expect(200);
    expect((await get('/api/bin')).items).toEqual([]);
    const [photo] = (await get(`/api/plants/${plant.id}/file`)).photos;
    await app.call.get(`/api/photos/${photo.id}`).expect(200);
  });

  it('is emptied for good, one thing at a time, with its pictures', async () => {
    const plant = await plantWithPicture();
    await app.call.delete(`/api/plants/${plant.id}`).expect(204);
    const [{ id }] = (await get('/api/bin')).items;
    await app.call.delete(`/api/bin/${id}`).expect(204);
    expect((await get('/api/bin')).items).toEqual([]);
    expect(pictures()).toBe(0);
    expect((await undo(id)).body.error.message).toContain('for good');
    await app.call.delete(`/api/bin/${id}`).expect(409);
  });

  const swept = (day: string) => sweep(app.file, photoFolderOf(app.path), day);

  it('empties itself after thirty days, not before', async () => {
    const plant = await plantWithPicture();
    await app.call.delete(`/api/plants/${plant.id}`).expect(204);
    const [{ id, at }] = (await get('/api/bin')).items;
    const day = at.slice(0, 10);
    for (let days = 0; days <= 30; days++) swept(addDays(day, days));
    expect(pictures()).toBe(1);
    expect(app.file.value('SELECT emptied FROM deeds WHERE id = ?', id)).toBeNull();
    swept(addDays(day, 31));
    expect(pictures()).toBe(0);
    expect((await undo(id)).status).toBe(409);
  });

  it('is kept, with the history, over a clock that jumps ahead and back, and over a year that was slept through', async () => {
    const plant = await plantWithPicture();
    await app.call.delete(`/api/plants/${plant.id}`).expect(204);
    const [{ id, at }] = (await get('/api/bin')).items;
    const day = at.slice(0, 10);
    const deeds = app.file.value('SELECT count(*) FROM deeds');
    swept(day);
    for (const years of [1, 4, 70]) swept(addDays(day, 366 * years));
    for (let hour = 0; hour < 48; hour++) swept('2099-12-31');
    for (let days = 1; days < 20; days++) swept(addDays(day, days));
    swept(addDays(day, 500));
    expect(app.file.value('SELECT count(*) FROM deeds')).toBe(deeds);
    expect(pictures()).toBe(1);
    expect((await get('/api/bin')).items).toHaveLength(1);
    await undo(id).expect(200);
    await app.call.get(`/api/plants/${plant.id}`).expect(200);
  });

  it('is forgotten with the history after 400 days', async () => {
    await addPlant();
    const day = (await newest()).at.slice(0, 10);
    for (let days = 0; days <= 401; days++) swept(addDays(day, days));
    expect((await get('/api/history')).items).toEqual([]);
    expect(app.file.value('SELECT count(*) FROM changes')).toBe(0);
    expect((await get('/api/plants')).items).toHaveLength(1);
  });
});

describe('doing again what was taken back', () => {
  it('is refused in words where something else took its place', async () => {
    const spot = await add('/api/spots', { name: 'Sill', latitudeDeg: 54 });
    const made = (await newest()).id;
    const undone = await undo(made).expect(200);
    // The same number, brought by a hand in the file.
    app.file.run(
      "INSERT INTO spots (id, created_at, updated_at, name, latitude_deg, indoors, temperature_c, relative_humidity, light) VALUES (?, '', '', 'Other', 54, 1, '20', 0.5, 'medium')",
      spot.id,
    );
    const again = await undo(undone.body.deed);
    expect([again.status, again.body.error.code]).toEqual([409, 'cannotUndo']);
  });

  it('of a picture that was sent anew meanwhile is a conflict, not a fault', async () => {
    const { id } = await addPlant();
    const png = Buffer.from('89504e470d0a1a0a0000000d49484452', 'hex');
    const sent = () => app.call.post(`/api/photos?plantId=${id}&date=${TODAY}`).send(png);
    await sent().expect(201);
    const undone = await undo((await newest()).id).expect(200);
    await sent().expect(201);
    const again = await undo(undone.body.deed);
    expect(again.status).toBe(409);
    expect(again.body.error.message).not.toBe('');
  });
});

describe('a write with a key', () => {
  const look = (plantId: number) => ({ plantId, date: TODAY, signals: { smell: 'sour' } });
  const send = (body: object, key = 'key-0001') =>
    app.call.post('/api/looks').set('Idempotency-Key', key).send(body);

  it('is done once however often it is sent, and answered alike', async () => {
    const { id } = await addPlant();
    const first = await send(look(id)).expect(201);
    const again = await send(look(id)).expect(201);
    expect(again.body).toEqual(first.body);
    expect(again.get('ETag')).toBe(first.get('ETag'));
    expect(again.get('Location')).toBe(first.get('Location'));
    expect(again.get('Idempotent-Replayed')).toBe('true');
    expect((await get('/api/looks')).items).toHaveLength(1);
  });

  it('stands for one request: another body with it is refused', async () => {
    const { id } = await addPlant();
    await send(look(id)).expect(201);
    await send({ ...look(id), note: 'other' }).expect(422);
    expect((await get('/api/looks')).items).toHaveLength(1);
  });

  it('that takes something back is done once, and names its entry each time', async () => {
    const { id } = await addPlant();
    await send(look(id)).expect(201);
    const deed = (await newest()).id;
    const back = () =>
      app.call.post(`/api/history/${deed}/undo`).set('Idempotency-Key', 'key-0002');
    const first = await back().expect(200);
    const again = await back().expect(200);
    expect(again.body).toEqual(first.body);
    expect(again.get('X-Fernbank-Deed')).toBe(first.get('X-Fernbank-Deed'));
    expect((await get('/api/looks')).items).toEqual([]);
  });

  it('waits for another program that writes, and gives up in words', async () => {
    const { id } = await addPlant();
    const other = openFile(app.path);
    other.exec('BEGIN IMMEDIATE');
    const waiting = send(look(id));
    // Whoever only reads is served meanwhile.
    const asked = waiting.then(({ status }) => status);
    await get('/api/plants');
    setTimeout(() => other.exec('COMMIT'), 300);
    expect(await asked).toBe(201);
    other.exec('BEGIN IMMEDIATE');
    const { status, body } = await send(look(id), 'key-0003');
    expect([status, body.error.code]).toEqual([503, 'locked']);
    other.exec('ROLLBACK');
    other.close();
    await send(look(id), 'key-0003').expect(201);
  });

  it('that was refused is tried anew', async () => {
    await send(look(1)).expect(422);
    const { id } = await addPlant();
    expect(id).toBe(1);
    await send(look(id)).expect(201);
  });

  it('is refused when it is no key', async () => {
    const { id } = await addPlant();
    await send(look(id), 'short').expect(400);
    await send(look(id), 'with space and ü').expect(400);
  });
});

it('every table of the file is either in a backup or named as belonging to the machine', () => {
  const tables = app.file
    .rows(
      "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE '\\_\\_%' ESCAPE '\\' AND name NOT LIKE 'sqlite%'",
    )
    .map(({ name }) => String(name));
  const known = [
    ...COLLECTION_TABLES.map(({ name }) => name),
    'answers',
    'devices',
    'door',
    'lived_days',
  ];
  expect(tables.sort()).toEqual(known.sort());
});
