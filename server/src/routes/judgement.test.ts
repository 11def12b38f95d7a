import { readdirSync } from 'node:fs';
import { addDays } from '@fernbank/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { photoFolderOf } from '../place.ts';
import { ROUND_POT, testApp, TODAY, type TestApp } from '../testApp.ts';

let app: TestApp;
let plantId: number;
let spotId: number;
beforeAll(async () => {
  app = testApp();
  const spot = await app.call.post('/api/spots').send({ name: 'Sill', latitudeDeg: 54 });
  spotId = (spot.body as { id: number }).id;
  plantId = await addPlant('Skylark');
});
afterAll(() => app.close());

async function addPlant(name: string, more: object = {}): Promise<number> {
  const { body } = await app.call.post('/api/plants').send({
    name,
    taxon: 'Begonia maculata',
    spotId,
    pot: ROUND_POT,
    mediumKind: 'peatSoil',
    acquired: '2024-01-01',
    lastRepot: '2025-03-01',
    ...more,
  });
  return (body as { id: number }).id;
}
const measure = (of: object) =>
  app.call
    .post('/api/measurements')
    .send({ plantId, date: TODAY, kind: 'weightKg', value: 1.2, ...of });
const file = async (id = plantId) =>
  (await app.call.get(`/api/plants/${id}/file`)).body as Record<string, never>;

describe('the log', () => {
  it.each([
    ['a negative weight', { value: -1 }],
    ['a weight of 0', { value: 0 }],
    ['a pH of 20', { kind: 'reservoirPh', value: 20 }],
    ['an EC of 400', { kind: 'reservoirEcMsCm', value: 400 }],
    ['a height of 90 m', { kind: 'heightCm', value: 9000 }],
    ['a text for a weight', { value: 'heavy' }],
    ['an unknown kind', { kind: 'mood' }],
    ['a clock set wrong: tomorrow', { date: addDays(TODAY, 1) }],
    ['a clock set wrong: before it arrived', { date: '2020-01-01' }],
    ['minute 1440', { minute: 1440 }],
  ])('%s is refused with the field named', async (_what, of) => {
    const { status, body } = await measure(of);
    expect([400, 422]).toContain(status);
    expect((body as { error: { field: string } }).error.field).toMatch(/value|kind|date|minute/);
  });

  it('the same reading sent twice is kept once', async () => {
    const first = await measure({ minute: 600 }).expect(201);
    const again = await measure({ minute: 600 }).expect(200);
    expect((again.body as { id: number }).id).toBe((first.body as { id: number }).id);
  });

  it('weights over months become cycles, and rising use becomes a reason of the verdict', async () => {
    const id = await addPlant('Log book', { lastRepot: '2025-06-01' });
    let date = '2025-06-05';
    for (let cycle = 0; cycle < 14; cycle++) {
      const at = (minute: number, kind: string, value: number) =>
        app.call
          .post('/api/measurements')
          .send({ plantId: id, date, minute, kind, value })
          .expect(201);
      await at(600, 'weightKg', 1.1);
      await at(605, 'watered', 1);
      await at(660, 'weightKg', 1.6);
      date = addDays(date, Math.max(3, 20 - cycle));
    }
    const { water, decision } = (await file(id)) as unknown as {
      water: { cycles: unknown[]; told: string[] };
      decision: { reasons: { signal: string }[] };
    };
    expect(water.cycles.length).toBe(13);
    expect(water.told).toContain('usesMore');
    expect(decision.reasons.map(({ signal }) => signal)).toContain('usesMore');
  });
});

describe('pictures', () => {
  const PNG = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  const send = (body: Buffer, query: object = { plantId, date: TODAY }) =>
    app.call.post('/api/photos').query(query).set('Content-Type', 'image/png').send(body);

  it('is kept beside the database, once however often it is sent', async () => {
    const first = await send(PNG).expect(201);
    await send(PNG).expect(200);
    const folder = photoFolderOf(app.path);
    expect(readdirSync(folder)).toHaveLength(1);
    const { id } = first.body as { id: number };
    const picture = await app.call.get(`/api/photos/${id}`).expect(200);
    expect(picture.headers['content-type']).toBe('image/png');
    expect((picture.body as Buffer).equals(PNG)).toBe(true);
    const { photos } = (await file()) as unknown as { photos: { id: number }[] };
    expect(photos.map((photo) => photo.id)).toEqual([id]);
  });

  it('two plants share one file; it goes when the last of them leaves the bin', async () => {
    const other = await addPlant('Shared');
    const { body } = await send(PNG, { plantId: other, date: TODAY }).expect(201);
    const folder = photoFolderOf(app.path);
    expect(readdirSync(folder)).toHaveLength(1);
    await app.call.delete(`/api/photos/${(body as { id: number }).id}`).expect(204);
    expect(readdirSync(folder)).toHaveLength(1);
    const { photos } = (await file()) as unknown as { photos: { id: number }[] };
    await app.call.delete(`/api/photos/${photos[0]!.id}`).expect(204);
    const { items } = (await app.call.get('/api/bin')).body as { items: { id: number }[] };
    expect(items).toHaveLength(2);
    for (const [i, { id }] of items.entries()) {
      expect(readdirSync(folder)).toHaveLength(1);
      await app.call.delete(`/api/bin/${id}`).expect(204);
      if (i === 1) expect(readdirSync(folder)).toEqual([]);
    }
  });

  it('what is no picture is refused, whatever its header says', async () => {
    const { body } = await send(Buffer.from('%PDF-1.7 not a picture')).expect(415);
    expect((body as { error: { code: string } }).error.code).toBe('noPicture');
  });

  it('40 MB are refused before they are kept', async () => {
    await send(Buffer.alloc(40_000_000, 1)).expect(413);
  });

  it.each([
    ['no plant', { date: TODAY }],
    ['a day ahead', { plantId: 1, date: addDays(TODAY, 3) }],
    ['an unknown plant', { plantId: 9999, date: TODAY }],
  ])('%s is refused', async (_what, query) => {
    expect((await send(PNG, query)).status).toBeGreaterThanOrEqual(400);
    expect((await send(PNG, query)).status).toBeLessThan(500);
  });

  it('a plant is known in lists by its newest, whichever was added last', async () => {
    const [one, other] = [await addPlant('One'), await addPlant('Other')];
    const later = Buffer.concat([PNG, Buffer.from([0])]);
    const sent = async (body: Buffer, of: number, date = TODAY) =>
      ((await send(body, { plantId: of, date }).expect(201)).body as { id: number }).id;
    const newest = await sent(PNG, one);
    await sent(later, one, addDays(TODAY, -9));
    const own = await sent(later, other);
    const { items } = (await app.call.get('/api/photos').expect(200)).body as {
      items: { plantId: number; id: number }[];
    };
    const known = new Map(items.map(({ plantId: of, id }) => [of, id]));
    expect([known.get(one), known.get(other)]).toEqual([newest, own]);
  });
});

describe('the keeper’s own word', () => {
  const say = (of: object = {}) =>
    app.call.post('/api/overrules').send({
      plantId,
      date: TODAY,
      instead: 'leave',
      until: addDays(TODAY, 60),
      reason: 'in the show in May',
      ...of,
    });

  it('is kept beside what was advised, shown, and respected on rounds until its day', async () => {
    const id = await addPlant('Bell buoy', { lastRepot: '2024-02-01' });
    await app.call
      .post('/api/looks')
      .send({ plantId: id, date: TODAY, signals: { rootsAtHoles: 'mat', potBulging: true } });
    const asks = async (date: string) => {
      const { body } = await app.call.get('/api/rounds').query({ date });
      const { spots } = body as {
        spots: { plants: { plantId: number; asks: { kind: string }[] }[] }[];
      };
      const entry = spots.flatMap(({ plants }) => plants).find((plant) => plant.plantId === id);
      return entry?.asks.map(({ kind }) => kind) ?? [];
    };
    const { decision } = (await file(id)) as unknown as { decision: { verdict: string } };
    const said = await say({ plantId: id }).expect(201);
    expect(said.body).toMatchObject({ advised: decision.verdict, instead: 'leave' });
    expect(await asks(TODAY)).not.toContain('act');
    expect((await file(id)) as object).toMatchObject({
      overrule: { reason: 'in the show in May' },
    });
    const { body: verdicts } = await app.call.get('/api/verdicts');
    const mine = (verdicts as { items: { plantId: number; overrule: object | null }[] }).items.find(
      (item) => item.plantId === id,
    );
    expect(mine!.overrule).toMatchObject({ instead: 'leave' });
    await app.call.delete(`/api/overrules/${(said.body as { id: number }).id}`).expect(204);
    expect((await file(id)) as object).toMatchObject({ overrule: null });
  });

  it.each([
    [{ reason: '' }, 'reason'],
    [{ until: TODAY }, 'until'],
    [{ instead: 'burn' }, 'instead'],
    [{ date: addDays(TODAY, 1) }, 'date'],
    [{ plantId: 4711 }, 'plantId'],
  ])('%j is refused by its field', async (of, field) => {
    const { status, body } = await say(of);
    expect([400, 422]).toContain(status);
    expect((body as { error: { field: string } }).error.field).toBe(field);
  });
});

describe('a spot', () => {
  it('one tap says that all is fine there, as weak evidence, and can be taken back', async () => {
    const said = await app.call.post(`/api/spots/${spotId}/fine`).send({ date: TODAY }).expect(201);
    const { body } = said;
    const { lookIds } = body as { lookIds: number[] };
    expect(lookIds.length).toBeGreaterThan(1);
    const { decision } = (await file()) as unknown as {
      decision: { reasons: { signal: string }[] };
    };
    expect(decision.reasons.map(({ signal }) => signal)).toContain('allFine');
    const deed = said.get('X-Fernbank-Deed');
    await app.call.post(`/api/history/${deed}/undo`).expect(200);
    const { looks } = (await file()) as unknown as { looks: { signals: object }[] };
    expect(looks.filter(({ signals }) => 'allFine' in signals)).toEqual([]);
  });

  it('keeps a sensor’s readings once, and tells months and humidity from them', async () => {
    const readings = [0, 1, 2, 3].map((hour) => ({
      at: `2026-03-10T0${hour}:00:00Z`,
      temperatureC: 18 + hour,
      relativeHumidity: 0.5,
    }));
    const send = () => app.call.post(`/api/spots/${spotId}/readings`).send({ readings });
    expect((await send().expect(201)).body).toEqual({ kept: 4 });
    expect((await send().expect(201)).body).toEqual({ kept: 0 });
    const { body } = await app.call.get(`/api/spots/${spotId}/readings`).expect(200);
    expect(body).toMatchObject({ count: 4, relativeHumidity: 0.5, newest: { temperatureC: 21 } });
    expect((body as { monthlyC: number[] }).monthlyC[2]).toBeCloseTo(19.5, 9);
    expect((body as { days: object[] }).days).toEqual([
      { date: '2026-03-10', lowC: 18, meanC: 19.5, highC: 21, relativeHumidity: 0.5 },
    ]);
  });

  it.each([
    [{ readings: [] }],
    [{ readings: [{ at: 'yesterday', temperatureC: 20, relativeHumidity: 0.5 }] }],
    [{ readings: [{ at: '2026-03-10T00:00:00Z', temperatureC: 200, relativeHumidity: 0.5 }] }],
    [{ readings: [{ at: '2027-03-10T00:00:00Z', temperatureC: 20, relativeHumidity: 0.5 }] }],
  ])('%j is refused', async (body) => {
    const { status } = await app.call.post(`/api/spots/${spotId}/readings`).send(body);
    expect([400, 422]).toContain(status);
  });
});

describe('schools', () => {
  it('a plant’s own wins over its group’s, which wins over the collection’s', async () => {
    const school = async () =>
      ((await file()) as unknown as { decision: { school: string } }).decision.school;
    await app.call.patch('/api/settings').send({ whenSchool: 'newRoots' }).expect(200);
    expect(await school()).toBe('newRoots');
    await app.call
      .patch('/api/settings')
      .send({ groupSchools: { caneBegonia: { when: 'need' } } })
      .expect(200);
    expect(await school()).toBe('need');
    await app.call
      .patch(`/api/plants/${plantId}`)
      .send({ schools: { when: 'window' } })
      .expect(200);
    expect(await school()).toBe('window');
  });

  it('an unknown group is refused', async () => {
    await app.call
      .patch('/api/settings')
      .send({ groupSchools: { weeds: { when: 'need' } } })
      .expect(400);
  });

  it('any trait of a plant can be set, and traits that cannot hang together are refused', async () => {
    const set = (traits: object) => app.call.patch(`/api/plants/${plantId}`).send({ traits });
    await set({ snug: true, vigour: 'slow', light: 'sun', humidity: 0.3, waterUse: 0.5 }).expect(
      200,
    );
    const { situation } = (await file()) as unknown as { situation: { traits: object } };
    expect(situation.traits).toMatchObject({ snug: true, vigour: 'slow', light: 'sun' });
    const { body } = await set({ growsFromC: 20, growsFullyC: 18 }).expect(422);
    expect((body as { error: { field: string } }).error.field).toBe('traits.growsFullyC');
    await set({ shoeSize: 44 }).expect(400);
  });
});
