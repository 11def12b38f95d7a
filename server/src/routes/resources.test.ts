import { matchesVerdict, typicalYear, wantsPot } from '@fernbank/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Rounds } from '../services/rounds.ts';
import type { VerdictsOn } from '../services/verdicts.ts';
import { ROUND_POT, testApp, TODAY, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());

const SPOT = { name: 'East sill', latitudeDeg: 54 };
const POT = { label: 'green 14', shape: ROUND_POT, count: 3 };
const TWELVE = [4, 4, 6, 9, 12, 15, 17, 17, 14, 11, 7, 5];

/** One row of each resource, its address and a change that is sound. */
async function oneOfEach() {
  const spot = (await app.call.post('/api/spots').send(SPOT)).body.id as number;
  const plantId = (
    await app.call.post('/api/plants').send({
      name: 'Bosun',
      taxon: 'Davallia',
      spotId: spot,
      pot: ROUND_POT,
      mediumKind: 'bark',
    })
  ).body.id as number;
  const pot = (await app.call.post('/api/pots').send(POT)).body.id as number;
  const look = (
    await app.call.post('/api/looks').send({ plantId, date: TODAY, signals: { limp: true } })
  ).body.id as number;
  const repot = (
    await app.call
      .post('/api/repots')
      .send({ plantId, date: TODAY, pot: ROUND_POT, mediumKind: 'bark' })
  ).body as { id: number; tasks: { id: number }[] };
  return {
    plantId,
    changes: [
      [`/api/spots/${spot}`, { name: 'West sill' }],
      [`/api/plants/${plantId}`, { note: 'turned' }],
      [`/api/pots/${pot}`, { label: 'blue 14' }],
      [`/api/looks/${look}`, { note: 'by torchlight' }],
      [`/api/tasks/${repot.tasks[0]!.id}`, { done: TODAY }],
    ] as [string, object][],
  };
}

describe('every resource that can be changed', () => {
  it('answers with its revision as ETag, and raises it by one', async () => {
    for (const [address, change] of (await oneOfEach()).changes) {
      const before = await app.call.get(address).expect(200);
      expect(before.headers.etag, address).toBe(`"${before.body.rev}"`);
      const after = await app.call.patch(address).send(change).expect(200);
      expect(after.body.rev, address).toBe(before.body.rev + 1);
      expect(after.body, address).toMatchObject(change);
    }
  });

  it('refuses a stale write with 412 and stays as it was', async () => {
    for (const [address, change] of (await oneOfEach()).changes) {
      const before = (await app.call.get(address)).body;
      const { body } = await app.call
        .patch(address)
        .set('If-Match', '"999"')
        .send(change)
        .expect(412);
      expect(body.error.code, address).toBe('stale');
      expect((await app.call.get(address)).body, address).toEqual(before);
    }
  });

  it('takes a fresh write, and any with a star', async () => {
    for (const [address, change] of (await oneOfEach()).changes) {
      const { headers } = await app.call.get(address);
      await app.call.patch(address).set('If-Match', headers.etag!).send(change).expect(200);
      await app.call.patch(address).set('If-Match', '*').send(change).expect(200);
    }
  });

  it('refuses a change of nothing and of what it does not have', async () => {
    for (const [address] of (await oneOfEach()).changes) {
      expect((await app.call.patch(address).send({})).status, address).toBe(400);
      const { status, body } = await app.call.patch(address).send({ shoeSize: 44 });
      expect(status, address).toBe(400);
      // A task must first say whether it is done.
      expect(['shoeSize', 'done'], address).toContain(body.error.field);
    }
  });

  it('is listed, and answers 404 once it is gone', async () => {
    const { plantId, changes } = await oneOfEach();
    for (const [address] of changes) {
      const list = address.replace(/\/\d+$/, '');
      const id = Number(address.split('/').pop());
      const { body } = await app.call.get(list).expect(200);
      expect(body.items.map((row: { id: number }) => row.id)).toContain(id);
    }
    await app.call.delete(`/api/plants/${plantId}`).expect(204);
    for (const [address] of changes.filter(([a]) => /plants|looks|tasks/.test(a))) {
      expect((await app.call.get(address)).status, address).toBe(404);
    }
  });
});

describe('spots', () => {
  it('need a name and a latitude; the rest is filled in and shown', async () => {
    const { body } = await app.call.post('/api/spots').send(SPOT).expect(201);
    expect(body).toMatchObject({
      indoors: true,
      temperatureC: 20,
      relativeHumidity: 0.5,
      light: 'medium',
      lampHours: 0,
    });
  });

  it('outdoors have a typical year until somebody knows better, and never one mean', async () => {
    const outdoors = { ...SPOT, indoors: false };
    const { body } = await app.call.post('/api/spots').send(outdoors).expect(201);
    expect(body.temperatureC).toEqual(typicalYear(body.latitudeDeg));
    const field = async (method: 'post' | 'patch', path: string, wrong: object) => {
      const { status, body: answer } = await app.call[method](path).send(wrong);
      return [status, answer.error?.field];
    };
    const one = { ...outdoors, temperatureC: 11 };
    expect(await field('post', '/api/spots', one)).toEqual([422, 'temperatureC']);
    const path = `/api/spots/${body.id}`;
    expect(await field('patch', path, { temperatureC: 11 })).toEqual([422, 'temperatureC']);
    await app.call.patch(path).send({ name: 'Yard', temperatureC: TWELVE }).expect(200);
    const { body: room } = await app.call.post('/api/spots').send(SPOT).expect(201);
    expect(await field('patch', `/api/spots/${room.id}`, { indoors: false })).toEqual([
      422,
      'temperatureC',
    ]);
    expect(
      (await app.call.post('/api/spots').send({ name: 'X', indoors: false })).body.error.field,
    ).toBe('latitudeDeg');
  });

  it('keep twelve temperatures as they were given', async () => {
    const { body } = await app.call
      .post('/api/spots')
      .send({ ...SPOT, temperatureC: TWELVE })
      .expect(201);
    expect((await app.call.get(`/api/spots/${body.id}`)).body.temperatureC).toEqual(TWELVE);
  });

  it.each([
    [{ name: '' }, 'name'],
    [{ latitudeDeg: 91 }, 'latitudeDeg'],
    [{ latitudeDeg: 'north' }, 'latitudeDeg'],
    [{ relativeHumidity: 55 }, 'relativeHumidity'],
    [{ temperatureC: [1, 2] }, 'temperatureC'],
    [{ temperatureC: 400 }, 'temperatureC'],
    [{ light: 'gloomy' }, 'light'],
    [{ lampHours: 30 }, 'lampHours'],
  ])('%j is refused by its field', async (wrong, field) => {
    const { status, body } = await app.call.post('/api/spots').send({ ...SPOT, ...wrong });
    expect([status, body.error.field]).toEqual([400, field]);
  });

  it('an empty one can be removed', async () => {
    const { body } = await app.call.post('/api/spots').send(SPOT);
    await app.call.delete(`/api/spots/${body.id}`).expect(204);
    expect((await app.call.get('/api/spots')).body.items).toEqual([]);
  });
});

describe('pots of the shelf', () => {
  it('are all free at first, and say what they hold inside their walls', async () => {
    const plastic = (await app.call.post('/api/pots').send(POT)).body;
    const clay = (await app.call.post('/api/pots').send({ ...POT, material: 'terracotta' })).body;
    expect(plastic.free).toBe(3);
    expect(clay.fillL).toBeLessThan(plastic.fillL);
  });

  it.each([
    [{ label: ' ' }, 'label'],
    [{ count: 0 }, 'count'],
    [{ count: 2.5 }, 'count'],
    [{ free: 9 }, 'free'],
    [{ material: 'cheese' }, 'material'],
    [{ shape: { ...ROUND_POT, heightCm: 0 } }, 'shape.heightCm'],
    [{ shape: { shape: 'boot' } }, 'shape.shape'],
    [{ emptyKg: -1 }, 'emptyKg'],
  ])('%j is refused by its field', async (wrong, field) => {
    const { status, body } = await app.call.post('/api/pots').send({ ...POT, ...wrong });
    expect(status).toBeGreaterThanOrEqual(400);
    expect(status).toBeLessThan(500);
    expect(body.error.field).toBe(field);
  });

  it('in use are not removed', async () => {
    const { body } = await app.call.post('/api/pots').send({ ...POT, free: 2 });
    expect((await app.call.delete(`/api/pots/${body.id}`)).status).toBe(422);
    await app.call.patch(`/api/pots/${body.id}`).send({ free: 3 }).expect(200);
    await app.call.delete(`/api/pots/${body.id}`).expect(204);
  });
});

describe('views of the judged collection', () => {
  it('verdicts come most urgent first, with readiness for a year', async () => {
    const garden = testApp({ garden: true });
    const { body } = await garden.call.get('/api/verdicts').expect(200);
    const order = ['rescueNow', 'repotNow', 'repotInWeek', 'refreshOnly', 'leave'];
    const ranks = body.items.map(({ verdict }: { verdict: string }) => order.indexOf(verdict));
    expect([...ranks].sort((a, b) => a - b)).toEqual(ranks);
    for (const { readiness } of body.items) {
      expect(readiness).toHaveLength(52);
      expect(readiness.every((share: number) => share >= 0 && share <= 1)).toBe(true);
    }
    garden.close();
  });

  it('rounds account for every plant once: it asks, or it is quiet', async () => {
    const garden = testApp({ garden: true });
    const { body } = await garden.call.get('/api/rounds').expect(200);
    const counted = body.spots.reduce(
      (sum: number, spot: { plants: unknown[]; quiet: number }) =>
        sum + spot.plants.length + spot.quiet,
      0,
    );
    expect(counted).toBe(48);
    garden.close();
  });

  it('a walk told in parts is the whole walk, and says in each how much is asked for in all', async () => {
    const garden = testApp({ garden: true });
    const get = async (query: string) =>
      (await garden.call.get(`/api/rounds${query}`).expect(200)).body as Rounds;
    const whole = await get('');
    expect(whole.spots.some(({ asking }) => asking > 2)).toBe(true);
    for (const { id, asking, plants } of whole.spots) {
      expect(asking).toBe(plants.length);
      const parts: Rounds[] = [];
      for (let from = 0; from < asking; from += 2) {
        parts.push(await get(`?spot=${id}&from=${from}&each=2`));
      }
      expect(parts.flatMap(({ spots }) => spots[0]!.plants)).toEqual(plants);
      for (const part of parts) {
        expect(part.spots.map((stop) => stop.id)).toEqual([id]);
        const { tally, mostWorth, alarms } = part;
        expect({ tally, mostWorth, alarms }).toMatchObject({
          tally: whole.tally,
          mostWorth: whole.mostWorth,
          alarms: whole.alarms,
        });
      }
    }
    const asks = whole.spots.flatMap(({ plants }) => plants).flatMap((entry) => entry.asks);
    for (const [kind, count] of Object.entries(whole.tally)) {
      expect(asks.filter((ask) => ask.kind === kind)).toHaveLength(count);
    }
    garden.close();
  });

  it('the walk goes on at the next plant that is due for a look, and after the last at the first', async () => {
    const garden = testApp({ garden: true });
    const { body } = await garden.call.get('/api/rounds').expect(200);
    const walk = (body as Rounds).spots.flatMap(({ plants }) => plants);
    const due = walk.filter(({ asks }) => asks.some(({ kind }) => kind === 'look'));
    const nextAfter = async (id: number) =>
      (await garden.call.get(`/api/rounds/next?after=${id}`).expect(200)).body.next.plantId;
    for (const [i, { plantId }] of due.entries()) {
      expect(await nextAfter(plantId)).toBe(due[(i + 1) % due.length]!.plantId);
    }
    garden.close();
  });

  it('verdicts told in parts are the whole ranking; what is searched for is found in all of it', async () => {
    const garden = testApp({ garden: true });
    const get = async (query: string) =>
      (await garden.call.get(`/api/verdicts${query}`).expect(200)).body as VerdictsOn;
    const whole = await get('');
    expect(whole.items).toHaveLength(whole.total);
    const parts = [];
    for (let from = 0; from < whole.total; from += 10) {
      parts.push(...(await get(`?from=${from}&limit=10`)).items);
    }
    expect(parts).toEqual(whole.items);
    const { spots, kinds } = whole;
    for (const filter of [
      { words: 'fern' },
      { spot: spots[1]! },
      { kind: kinds[0]! },
      { words: 'A', kind: kinds.at(-1)!, spot: spots[0]! },
      { words: 'nobody has this' },
    ]) {
      const found = whole.items.filter((one) => matchesVerdict(one, filter));
      const told = await get(`?${new URLSearchParams(Object.entries(filter))}&limit=3`);
      expect(told.items).toEqual(found.slice(0, 3));
      expect(told).toMatchObject({ matching: found.length, total: whole.total, spots, kinds });
    }
    const toPot = (await get('?first=toPot')).items.map((one) =>
      wantsPot({ ...one, decision: one }),
    );
    expect(toPot).toEqual([...toPot].sort((a, b) => Number(b) - Number(a)));
    expect(toPot).toContain(true);
    expect(toPot).toContain(false);
    garden.close();
  });

  it('what is remembered is forgotten as soon as a row changes', async () => {
    const { plantId } = await oneOfEach();
    const verdict = async () => (await app.call.get('/api/verdicts')).body.items[0].headline;
    const before = await verdict();
    await app.call
      .post('/api/looks')
      .send({ plantId, date: TODAY, signals: { rot: 'stem', smell: 'sour' } })
      .expect(201);
    expect(before).not.toBe('rescueNow');
    expect(await verdict()).toBe('rescueNow');
  });

  it.each(['2026-02-31', 'yesterday', '16.03.2026', ''])(
    '“%s” is no day to ask for',
    async (day) => {
      const { status, body } = await app.call.get(`/api/rounds?date=${day}`);
      expect([status, body.error.field]).toEqual([400, 'date']);
    },
  );
});

describe('the catalogue', () => {
  it('taxa are found as typed, with their traits', async () => {
    const { body } = await app.call.get('/api/taxa?q=staghorn&limit=3').expect(200);
    expect(body.items[0].name).toMatch(/^Platycerium/);
    expect(body.items[0].traits.recipe).toBe('mossOnly');
  });

  it.each(['groups', 'components', 'recipes'])(
    '%s are listed with ids and labels',
    async (path) => {
      const { body } = await app.call.get(`/api/${path}`).expect(200);
      expect(body.items.length).toBeGreaterThan(10);
      for (const item of body.items) expect(item).toMatchObject({ id: expect.any(String) });
    },
  );
});
