import { addDays, wantsPot, type Headline } from '@fernbank/core';
import { copyFileSync, existsSync, readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { afterAll, beforeAll, beforeEach, afterEach, describe, expect, it } from 'vitest';
import { openFile } from './db/driver.ts';
import { openCollection } from './db/open.ts';
import { collectionPath, isLoopback } from './place.ts';
import { ROUND_POT, testApp, TODAY, type TestApp, takeRowBack } from './testApp.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());

async function addSpot(): Promise<number> {
  const { body } = await app.call
    .post('/api/spots')
    .send({ name: 'East sill', latitudeDeg: 54 })
    .expect(201);
  return body.id;
}

const PLANT = {
  name: 'Bosun’s fern',
  taxon: 'Davallia fejeensis',
  pot: ROUND_POT,
  mediumKind: 'bark',
  lastRepot: '2024-05-01',
  acquired: '2023-01-01',
};

async function addPlant(over: object = {}): Promise<{ id: number; rev: number }> {
  const spotId = await addSpot();
  const { body } = await app.call
    .post('/api/plants')
    .send({ ...PLANT, spotId, ...over })
    .expect(201);
  return body;
}

const refused = async (call: Promise<{ status: number; body: { error: { field?: string } } }>) => {
  const { status, body } = await call;
  return [status, body.error.field];
};

describe('health and addresses', () => {
  it('health counts plants', async () => {
    await addPlant();
    const { body } = await app.call.get('/api/health').expect(200);
    expect(body).toEqual({ status: 'ok', version: 'test', plants: 1 });
  });

  it('an unknown address, an unknown row and a malformed id are refused in the one shape', async () => {
    for (const path of ['/api/nothing', '/api/plants/99', '/api/looks/99']) {
      const { body } = await app.call.get(path).expect(404);
      expect(body.error.code).toBe('notFound');
    }
    expect(await refused(app.call.get('/api/plants/abc'))).toEqual([400, 'id']);
    expect((await app.call.get('/api/plants/%E0%A4%A')).status).toBe(400);
  });

  it('security headers are set and scripts stay strict', async () => {
    const { headers } = await app.call.get('/api/health');
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['content-security-policy']).not.toContain("script-src 'unsafe-inline'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });

  it('lists come in pages by cursor', async () => {
    const spotId = await addSpot();
    for (let i = 0; i < 5; i++) {
      await app.call
        .post('/api/plants')
        .send({ ...PLANT, name: `plant ${i}`, spotId })
        .expect(201);
    }
    const seen: string[] = [];
    let cursor: number | null = 0;
    while (cursor !== null) {
      const { body }: { body: { items: { name: string }[]; nextCursor: number | null } } =
        await app.call.get(`/api/plants?limit=2&cursor=${cursor}`).expect(200);
      seen.push(...body.items.map(({ name }) => name));
      cursor = body.nextCursor;
    }
    expect(seen).toEqual(['plant 0', 'plant 1', 'plant 2', 'plant 3', 'plant 4']);
    expect(await refused(app.call.get('/api/plants?limit=0'))).toEqual([400, 'limit']);
  });
});

describe('plants', () => {
  it('a plant is added, changed, and its revision is its ETag', async () => {
    const { id } = await addPlant();
    const got = await app.call.get(`/api/plants/${id}`).expect(200);
    expect(got.headers.etag).toBe('"1"');
    expect(got.body.common).toBe('lacy hare’s-foot fern');
    const changed = await app.call
      .patch(`/api/plants/${id}`)
      .set('If-Match', '"1"')
      .send({ name: 'Coxswain' })
      .expect(200);
    expect(changed.headers.etag).toBe('"2"');
  });

  it('a stale write gets 412 and changes nothing', async () => {
    const { id } = await addPlant();
    await app.call.patch(`/api/plants/${id}`).send({ note: 'first' }).expect(200);
    const { body } = await app.call
      .patch(`/api/plants/${id}`)
      .set('If-Match', '"1"')
      .send({ note: 'second' })
      .expect(412);
    expect(body.error.code).toBe('stale');
    const now = await app.call.get(`/api/plants/${id}`);
    expect(now.body.note).toBe('first');
  });

  it.each([
    ['an unknown taxon', { taxon: 'Imaginaria nulla' }, 'taxon'],
    ['a repot in the future', { lastRepot: '2026-12-01' }, 'lastRepot'],
    ['a repot before it arrived', { lastRepot: '2022-12-31' }, 'lastRepot'],
    ['an arrival in the future', { acquired: '2027-01-01' }, 'acquired'],
    ['no name', { name: '  ' }, 'name'],
    ['an unknown spot', { spotId: 99 }, 'spotId'],
    ['a pot of ten metres', { pot: { ...ROUND_POT, topDiameterCm: 1000 } }, 'pot.topDiameterCm'],
    ['an unknown medium', { mediumKind: 'custard' }, 'mediumKind'],
    ['an unknown group', { taxon: 'X', groupId: 'weeds' }, 'group'],
    ['an unknown field', { colour: 'green' }, 'colour'],
    ['a trait out of range', { traits: { airNeed: 3 } }, 'traits.airNeed'],
  ])('%s is refused by its field', async (_what, wrong, field) => {
    const spotId = await addSpot();
    const [status, named] = await refused(
      app.call.post('/api/plants').send({ ...PLANT, spotId, ...wrong }),
    );
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect(named).toBe(field);
    expect((await app.call.get('/api/plants')).body.items).toEqual([]);
  });

  it('an unknown taxon with a group is a plant of that group', async () => {
    const { id } = await addPlant({ taxon: 'Imaginaria nulla', groupId: 'treeFern' });
    const { body } = await app.call.get(`/api/plants/${id}/file`).expect(200);
    expect(body.taxon.group).toBe('treeFern');
    expect(body.situation.traits.drying).toBe('wet');
  });

  it("a keeper's own trait wins over the catalogue", async () => {
    const { id } = await addPlant({ traits: { vigour: 'slow' } });
    const { body } = await app.call.get(`/api/plants/${id}/file`);
    expect(body.situation.traits.vigour).toBe('slow');
  });

  it('a plant goes with its whole record', async () => {
    const { id } = await addPlant();
    await app.call
      .post('/api/looks')
      .send({ plantId: id, date: TODAY, signals: { limp: true } })
      .expect(201);
    await app.call.delete(`/api/plants/${id}`).expect(204);
    expect((await app.call.get('/api/looks')).body.items).toEqual([]);
  });

  it('a spot with plants is not removed', async () => {
    await addPlant();
    const { status, body } = await app.call.delete('/api/spots/1');
    expect([status, body.error.code]).toEqual([409, 'inUse']);
  });
});

describe('looks and measurements', () => {
  it('a look changes the verdict at once', async () => {
    const { id } = await addPlant();
    const before = (await app.call.get(`/api/plants/${id}/file`)).body.decision;
    await app.call
      .post('/api/looks')
      .send({ plantId: id, date: TODAY, signals: { rot: 'stem', smell: 'sour' } })
      .expect(201);
    const after = (await app.call.get(`/api/plants/${id}/file`)).body.decision;
    expect(before.verdict).not.toBe('rescueNow');
    expect(after.verdict).toBe('rescueNow');
  });

  it('a later look overrides an earlier answer, and leaves the other answers', async () => {
    const { id } = await addPlant();
    const look = (date: string, signals: object) =>
      app.call.post('/api/looks').send({ plantId: id, date, signals }).expect(201);
    await look('2026-03-01', { rootsAtHoles: 'none', smell: 'fresh' });
    await look('2026-03-10', { rootsAtHoles: 'every' });
    const { body } = await app.call.get(`/api/plants/${id}/file`);
    expect(body.situation.signals).toEqual({ rootsAtHoles: 'every', smell: 'fresh' });
  });

  it('an old look no longer speaks, but its roots have grown on', async () => {
    const { id } = await addPlant();
    await app.call
      .post('/api/looks')
      .send({ plantId: id, date: '2025-04-01', signals: { rootsAtHoles: 'several', limp: true } })
      .expect(201);
    const { body } = await app.call.get(`/api/plants/${id}/file`);
    expect(body.situation.signals).toEqual({});
    expect(body.situation.roots.explored).toBeGreaterThan(0.82);
  });

  it.each([
    ['in the future', { date: '2026-03-17' }, 'date'],
    ['before the plant came', { date: '2022-05-01' }, 'date'],
    ['of no plant', { plantId: 99 }, 'plantId'],
    ['with an unknown signal', { signals: { mood: 'sad' } }, 'signals.mood'],
    ['with no such day', { date: '2026-02-31' }, 'date'],
  ])('a look %s is refused by its field', async (_what, wrong, field) => {
    const { id } = await addPlant();
    const call = app.call
      .post('/api/looks')
      .send({ plantId: id, date: TODAY, signals: { limp: true }, ...wrong });
    expect((await refused(call))[1]).toBe(field);
  });

  it('a height is the plant’s height from then on; a negative weight is refused', async () => {
    const { id } = await addPlant();
    const measure = (kind: string, value: number) =>
      app.call.post('/api/measurements').send({ plantId: id, date: TODAY, kind, value });
    await measure('heightCm', 41).expect(201);
    expect((await app.call.get(`/api/plants/${id}`)).body.heightCm).toBe(41);
    expect(await refused(measure('weightKg', -1))).toEqual([400, 'value']);
  });
});

describe('heights', () => {
  it('one entered late does not undo one measured since', async () => {
    const { id } = await addPlant();
    const measure = (date: string, value: number) =>
      app.call
        .post('/api/measurements')
        .send({ plantId: id, date, kind: 'heightCm', value })
        .expect(201);
    await measure('2026-03-10', 60);
    await measure('2026-02-01', 45);
    expect((await app.call.get(`/api/plants/${id}`)).body.heightCm).toBe(60);
    await measure('2026-03-12', 62);
    expect((await app.call.get(`/api/plants/${id}`)).body.heightCm).toBe(62);
  });
});

describe('a repot', () => {
  const ORDER = {
    date: TODAY,
    pot: { ...ROUND_POT, topDiameterCm: 17, baseDiameterCm: 12, heightCm: 13 },
    mediumKind: 'bark',
    recipeId: 'barkEpiphyte',
  };
  const pot17 = { label: 'green 17', shape: ORDER.pot, count: 2 };

  it('writes event, pot, medium, mix and aftercare together', async () => {
    const { id } = await addPlant();
    const { body } = await app.call
      .post('/api/repots')
      .send({ plantId: id, ...ORDER })
      .expect(201);
    expect(body.tasks.map(({ kind }: { kind: string }) => kind)).toContain('look');
    expect(body.mixedIn.measures).toHaveLength(3);
    expect(body.before.pot).toEqual(ROUND_POT);
    const { body: plant } = await app.call.get(`/api/plants/${id}`);
    expect(plant).toMatchObject({ pot: ORDER.pot, lastRepot: TODAY, recipeId: 'barkEpiphyte' });
    const { body: file } = await app.call.get(`/api/plants/${id}/file`);
    expect(file.decision.verdict).toBe('leave');
  });

  it('its tasks stand under rounds on their day, and leave when done', async () => {
    const { id } = await addPlant();
    const { body } = await app.call.post('/api/repots').send({ plantId: id, ...ORDER });
    const asks = async (date: string) =>
      (await app.call.get(`/api/rounds?date=${date}`)).body.spots[0].plants.flatMap(
        (entry: { asks: { task?: { title: string } }[] }) =>
          entry.asks.map(({ task }) => task?.title),
      );
    const look = body.tasks.find(({ kind }: { kind: string }) => kind === 'look');
    expect(await asks(TODAY)).not.toContain(look.title);
    expect(await asks(look.due)).toContain(look.title);
    await app.call.patch(`/api/tasks/${look.id}`).send({ done: TODAY }).expect(200);
    expect(await asks(look.due)).not.toContain(look.title);
  });

  it('undone, it leaves everything as it was', async () => {
    const { id } = await addPlant();
    const { body: shelf } = await app.call.post('/api/pots').send(pot17).expect(201);
    const before = (await app.call.get(`/api/plants/${id}`)).body;
    const { body } = await app.call
      .post('/api/repots')
      .send({ plantId: id, ...ORDER, potId: shelf.id })
      .expect(201);
    expect((await app.call.get(`/api/pots/${shelf.id}`)).body.free).toBe(1);
    await takeRowBack(app, 'repots', body.id).expect(200);
    const after = (await app.call.get(`/api/plants/${id}`)).body;
    const lasting = ({ rev: _rev, updatedAt: _at, ...rest }: Record<string, unknown>) => rest;
    expect(lasting(after)).toEqual(lasting(before));
    expect((await app.call.get(`/api/pots/${shelf.id}`)).body.free).toBe(2);
    expect((await app.call.get('/api/tasks')).body.items).toEqual([]);
  });

  it('hands its old pot back to the shelf', async () => {
    const { id } = await addPlant();
    const { body: shelf } = await app.call.post('/api/pots').send(pot17);
    await app.call
      .post('/api/repots')
      .send({ plantId: id, ...ORDER, date: '2026-03-01', potId: shelf.id })
      .expect(201);
    await app.call
      .post('/api/repots')
      .send({ plantId: id, ...ORDER, pot: { ...ORDER.pot, topDiameterCm: 21 } })
      .expect(201);
    // It is to be cleaned before the next plant.
    expect((await app.call.get(`/api/pots/${shelf.id}`)).body).toMatchObject({
      free: 1,
      soaking: 1,
      soakingSince: ORDER.date,
    });
  });

  it('stays on the shelf’s account through an edit, until another pot is measured', async () => {
    const { id } = await addPlant();
    const { body: shelf } = await app.call.post('/api/pots').send(pot17);
    await app.call
      .post('/api/repots')
      .send({ plantId: id, ...ORDER, potId: shelf.id })
      .expect(201);
    const free = async () => (await app.call.get(`/api/pots/${shelf.id}`)).body.free as number;
    // The form sends every field, the unchanged pot among them.
    const same = await app.call
      .patch(`/api/plants/${id}`)
      .send({ name: 'Renamed', pot: ORDER.pot, potMaterial: 'plastic' })
      .expect(200);
    expect([same.body.potId, await free()]).toEqual([shelf.id, 1]);
    const other = await app.call
      .patch(`/api/plants/${id}`)
      .send({ pot: { ...ORDER.pot, topDiameterCm: 18 } })
      .expect(200);
    expect([other.body.potId, await free()]).toEqual([null, 2]);
  });

  it('leaves its pot to be cleaned when the plant is deleted', async () => {
    const { id } = await addPlant();
    const { body: shelf } = await app.call.post('/api/pots').send(pot17);
    await app.call
      .post('/api/repots')
      .send({ plantId: id, ...ORDER, potId: shelf.id })
      .expect(201);
    await app.call.delete(`/api/plants/${id}`).expect(204);
    expect((await app.call.get(`/api/pots/${shelf.id}`)).body).toMatchObject({
      free: 1,
      soaking: 1,
    });
  });

  it('with a pot that is not free writes nothing at all', async () => {
    const { id } = await addPlant();
    const { body: shelf } = await app.call.post('/api/pots').send({ ...pot17, free: 0 });
    const { status, body } = await app.call
      .post('/api/repots')
      .send({ plantId: id, ...ORDER, potId: shelf.id });
    expect([status, body.error.field]).toEqual([409, 'potId']);
    expect((await app.call.get('/api/repots')).body.items).toEqual([]);
    expect((await app.call.get('/api/tasks')).body.items).toEqual([]);
    expect((await app.call.get(`/api/plants/${id}`)).body.rev).toBe(1);
  });

  it.each([
    ['in the future', { date: '2026-04-01' }, 'date'],
    ['before the plant arrived', { date: '2022-01-01' }, 'date'],
    ['before its last repot', { date: '2024-01-01' }, 'date'],
    ['of an unknown recipe', { recipeId: 'soup' }, 'recipeId'],
    ['into an impossible pot', { pot: { ...ORDER.pot, heightCm: 0 } }, 'pot.heightCm'],
  ])('%s is refused by its field', async (_what, wrong, field) => {
    const { id } = await addPlant();
    expect(
      (await refused(app.call.post('/api/repots').send({ plantId: id, ...ORDER, ...wrong })))[1],
    ).toBe(field);
  });

  it('twice on one day is refused the second time', async () => {
    const { id } = await addPlant();
    const send = () => app.call.post('/api/repots').send({ plantId: id, ...ORDER });
    await send().expect(201);
    expect((await send()).status).toBe(409);
  });

  it('only the newest can be undone', async () => {
    const { id } = await addPlant();
    const first = await app.call
      .post('/api/repots')
      .send({ plantId: id, ...ORDER, date: '2026-03-01' });
    await app.call
      .post('/api/repots')
      .send({ plantId: id, ...ORDER })
      .expect(201);
    expect((await takeRowBack(app, 'repots', first.body.id)).status).toBe(409);
  });
});

describe('settings and schools', () => {
  it('the school of the collection is followed unless a plant has its own', async () => {
    const { id } = await addPlant();
    await app.call.patch('/api/settings').send({ whenSchool: 'need' }).expect(200);
    const school = async () =>
      (await app.call.get(`/api/plants/${id}/file`)).body.decision.school as string;
    expect(await school()).toBe('need');
    await app.call.patch(`/api/plants/${id}`).send({ schools: { when: 'newRoots' } });
    expect(await school()).toBe('newRoots');
  });

  it('an unknown setting is refused', async () => {
    expect(await refused(app.call.patch('/api/settings').send({ units: 'furlongs' }))).toEqual([
      400,
      'units',
    ]);
  });
});

describe('the file', () => {
  it('is kept with a write-ahead log, full synchronisation and foreign keys', () => {
    expect(app.file.value('PRAGMA journal_mode')).toBe('wal');
    expect(app.file.value('PRAGMA synchronous')).toBe(2);
    expect(app.file.value('PRAGMA foreign_keys')).toBe(1);
  });

  it('is copied before it is migrated, and not otherwise', () => {
    const folder = dirname(app.path);
    const old = join(folder, 'old.sqlite');
    const file = openFile(old);
    file.exec("CREATE TABLE keepsake (word TEXT); INSERT INTO keepsake VALUES ('fern')");
    file.close();
    openCollection(old).close();
    const copies = () => readdirSync(folder).filter((name) => /^old\.before-.*sqlite$/.test(name));
    expect(copies()).toEqual(['old.before-1.sqlite']);
    const copy = openFile(join(folder, 'old.before-1.sqlite'));
    expect(copy.value('SELECT word FROM keepsake')).toBe('fern');
    expect(copy.value('PRAGMA integrity_check')).toBe('ok');
    copy.close();
    openCollection(old).close();
    expect(copies()).toHaveLength(1);
  });

  it('is an ordinary SQLite file that can be copied and opened again', async () => {
    await addPlant();
    app.file.exec('PRAGMA wal_checkpoint(TRUNCATE)');
    const copy = join(dirname(app.path), 'copy.sqlite');
    copyFileSync(app.path, copy);
    const again = openCollection(copy);
    expect(again.value('SELECT name FROM plants')).toBe(PLANT.name);
    again.close();
  });

  it('lies in the user’s data directory unless it is named', () => {
    expect(collectionPath({ FERNBANK_DB: '/x/y.sqlite' })).toBe('/x/y.sqlite');
    expect(collectionPath({ XDG_DATA_HOME: '/data' }, 'linux')).toBe(
      '/data/fernbank/collection.sqlite',
    );
    expect(collectionPath({}, 'darwin')).toContain('Application Support');
    expect(existsSync(collectionPath({ FERNBANK_DB: app.path }))).toBe(true);
  });

  it('only loopback is served without a passphrase', () => {
    expect(isLoopback('127.0.0.1')).toBe(true);
    expect(isLoopback('0.0.0.0')).toBe(false);
  });
});

describe('the demo garden', () => {
  let garden: TestApp;
  beforeAll(() => (garden = testApp({ garden: true })));
  afterAll(() => garden.close());

  interface Summary {
    name: string;
    plantId: number;
    headline: Headline;
    week: string | null;
    overrule: { instead: 'repotNow' | 'leave' } | null;
    contradictions: string[];
  }
  const verdicts = async (): Promise<Summary[]> =>
    (await garden.call.get('/api/verdicts').expect(200)).body.items;

  it('holds 48 plants in five spots, with a rescue on top and some to be left', async () => {
    const items = await verdicts();
    expect(items).toHaveLength(48);
    expect(items[0]).toMatchObject({ name: 'Pansy Locker', headline: 'rescueNow' });
    expect(items.find(({ name }) => name === 'Deckhand')!.headline).toBe('leave');
    expect((await garden.call.get('/api/spots')).body.items).toHaveLength(5);
  });

  it('has every kind of verdict, a contradiction and a plant of which nothing is known', async () => {
    const items = await verdicts();
    const words = new Set(items.map(({ headline }) => headline));
    for (const word of ['rescueNow', 'repotNow', 'repotInWindow', 'refresh', 'leave'] as const) {
      expect(words).toContain(word);
    }
    expect(items.some(({ contradictions }) => contradictions.length > 0)).toBe(true);
    expect(
      items.filter(({ headline }) => headline === 'lookFirst').map(({ name }) => name),
    ).toEqual(['Driftwood']);
  });

  it('says the same of every plant on every screen', async () => {
    const { call } = garden;
    const items = await verdicts();
    const word = (at: number, instead: string) =>
      call.post('/api/overrules').send({
        plantId: items[at]!.plantId,
        date: TODAY,
        instead,
        until: addDays(TODAY, 60),
        reason: 'the keeper says so',
      });
    const words = [
      await word(0, 'leave').expect(201),
      await word(items.length - 1, 'repotNow').expect(201),
    ];

    const said = new Map((await verdicts()).map((one) => [one.plantId, one]));
    const wants = (id: number, by?: string) => {
      const { overrule, ...decision } = said.get(id)!;
      return wantsPot({ decision, overrule }, by);
    };
    const rounds = (await call.get('/api/rounds').expect(200)).body as {
      spots: { plants: { plantId: number; headline: string; asks: { kind: string }[] }[] }[];
    };
    const walked = rounds.spots.flatMap(({ plants }) => plants);
    for (const id of said.keys()) {
      const { decision } = (await call.get(`/api/plants/${id}/file`)).body;
      expect(decision.headline, `page of ${id}`).toBe(said.get(id)!.headline);
      const met = walked.find(({ plantId }) => plantId === id);
      const acts = met?.asks.some(({ kind }) => kind === 'act') ?? false;
      expect(acts, `rounds at ${id}`).toBe(wants(id, TODAY));
      if (met) expect(met.headline).toBe(said.get(id)!.headline);
    }

    const [one, other] = [...said.keys()] as [number, number];
    const handing = new Set<number>();
    for (const asker of [one, other]) {
      const { handDowns } = (await call.get(`/api/plants/${asker}/fitting`)).body;
      for (const { plantId } of handDowns) handing.add(plantId as number);
    }
    // Whoever is about to leave its pot, but for those kept apart.
    for (const id of handing)
      expect(wants(id, addDays(TODAY, 56)), `hand-down of ${id}`).toBe(true);
    for (const id of said.keys()) {
      const { quarantine } = (await call.get(`/api/plants/${id}/file`)).body;
      if (!quarantine && wants(id, addDays(TODAY, 56))) expect(handing).toContain(id);
    }

    const [day] = (await call.get('/api/days/now')).body.items as { id: number }[];
    const { problem, notAsked } = (await call.get(`/api/days/${day!.id}/problem`)).body as {
      problem: { plants: { id: number }[] };
      notAsked: { plant: number }[];
    };
    const plans = (await call.get('/api/plans')).body.items as { plantId: number }[];
    const settled = new Set(plans.map(({ plantId }) => plantId));
    for (const { id } of problem.plants) {
      expect(wants(id) || settled.has(id), `day takes ${id}`).toBe(true);
    }
    for (const { plant } of notAsked) expect(wants(plant), `day leaves out ${plant}`).toBe(false);
    for (const one of words) {
      await call.post(`/api/history/${one.get('X-Fernbank-Deed')}/undo`).expect(200);
    }
  });

  it('is the same for the same seed', async () => {
    const again = testApp({ garden: true });
    const other = (await again.call.get('/api/verdicts')).body.items;
    expect(other).toEqual(await verdicts());
    again.close();
  });
});
