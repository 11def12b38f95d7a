import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ROUND_POT, testApp, TODAY, type TestApp, takeRowBack } from '../testApp.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());

const wide = (topDiameterCm: number, heightCm = topDiameterCm) => ({
  shape: 'round' as const,
  topDiameterCm,
  baseDiameterCm: topDiameterCm - 1,
  heightCm,
});
const MESH = {
  label: 'mesh 80',
  kind: 'mossMesh',
  section: { form: 'round', diameterCm: 7 },
  lengthCm: 80,
  count: 4,
};
const get = async (path: string) => (await app.call.get(path).expect(200)).body;
const add = async (path: string, body: object) =>
  (await app.call.post(path).send(body).expect(201)).body as { id: number; rev: number };

async function addPlant(over: object = {}) {
  const spot = await add('/api/spots', { name: 'East sill', latitudeDeg: 54, headroomCm: 90 });
  return add('/api/plants', {
    name: 'Fletching',
    taxon: 'Syngonium podophyllum',
    spotId: spot.id,
    pot: ROUND_POT,
    mediumKind: 'mix',
    lastRepot: '2024-05-01',
    heightCm: 40,
    ...over,
  });
}
const ORDER = { date: TODAY, pot: wide(17, 13), mediumKind: 'mix', recipeId: 'chunkyClimber' };

describe('the shelf of pots', () => {
  it('takes “12 of these” in one go, all free', async () => {
    const row = await add('/api/pots', { label: 'black 13', shape: wide(13), count: 12 });
    expect(row).toMatchObject({ count: 12, free: 12, soaking: 0, soakingSince: null, role: 'pot' });
  });

  it('says since when something soaks, and is quiet again when it is clean', async () => {
    const { id } = await add('/api/pots', { label: 'black 13', shape: wide(13), count: 5 });
    const soak = await app.call.patch(`/api/pots/${id}`).send({ free: 3, soaking: 2 }).expect(200);
    expect(soak.body.soakingSince).toBe(TODAY);
    const clean = await app.call.patch(`/api/pots/${id}`).send({ free: 5, soaking: 0 }).expect(200);
    expect(clean.body.soakingSince).toBeNull();
  });

  it.each([
    [{ free: 4, soaking: 3 }, 'soaking'],
    [{ free: 9 }, 'free'],
    [{ tone: 'puce' }, 'tone'],
    [{ material: 'paper' }, 'material'],
    [{ holes: -1 }, 'holes'],
    [{ wicks: 2.5 }, 'wicks'],
  ])('refuses %j by its field', async (wrong, field) => {
    const { id } = await add('/api/pots', { label: 'black 13', shape: wide(13), count: 5 });
    const { status, body } = await app.call.patch(`/api/pots/${id}`).send(wrong);
    expect([400, 422]).toContain(status);
    expect(body.error.field).toBe(field);
  });

  it('what stands with a plant cannot be counted away', async () => {
    const plant = await addPlant();
    const { id } = await add('/api/pots', { label: 'green 17', shape: wide(17, 13), count: 3 });
    await add('/api/repots', { plantId: plant.id, ...ORDER, potId: id });
    const { status, body } = await app.call.patch(`/api/pots/${id}`).send({ count: 2 });
    expect([status, body.error.field]).toEqual([422, 'count']);
    expect((await app.call.delete(`/api/pots/${id}`)).status).toBe(422);
  });
});

describe('cover pots', () => {
  const cover = (rim: number) =>
    add('/api/pots', { label: `blue ${rim}`, shape: wide(rim), material: 'glazed', role: 'cover' });

  it('one that takes the pot is stood in and counted; another is refused by what is too narrow', async () => {
    const [fits, tight] = [await cover(20), await cover(14)];
    const plant = await addPlant({ coverId: fits.id });
    expect((await get(`/api/pots/${fits.id}`)).free).toBe(0);
    const { status, body } = await app.call
      .patch(`/api/plants/${plant.id}`)
      .send({ coverId: tight.id });
    expect([status, body.error.field]).toEqual([422, 'coverId']);
    expect(body.error.message).toMatch(/too narrow for it by [1-9][\d.]* (cm|mm)/);
    await app.call.patch(`/api/plants/${plant.id}`).send({ coverId: null }).expect(200);
    expect((await get(`/api/pots/${fits.id}`)).free).toBe(1);
  });

  it('an outgrown cover goes back to the shelf with the repot, and returns when that is undone', async () => {
    const snug = await cover(18);
    const plant = await addPlant({ coverId: snug.id });
    const repot = await add('/api/repots', { plantId: plant.id, ...ORDER, pot: wide(19, 15) });
    expect((await get(`/api/plants/${plant.id}`)).coverId).toBeNull();
    expect((await get(`/api/pots/${snug.id}`)).free).toBe(1);
    await takeRowBack(app, 'repots', repot.id).expect(200);
    expect((await get(`/api/plants/${plant.id}`)).coverId).toBe(snug.id);
    expect((await get(`/api/pots/${snug.id}`)).free).toBe(0);
  });

  it('a pot tells which covers it goes into', async () => {
    await cover(20);
    await cover(13);
    const pot = await add('/api/pots', { label: 'green 14', shape: ROUND_POT });
    const { items } = await get(`/api/pots/${pot.id}/covers`);
    expect(items.map(({ fits }: { fits: boolean }) => fits)).toEqual([true, false]);
  });
});

describe('the shelf of supports', () => {
  it('keeps kind, section and length, and refuses what cannot be', async () => {
    const row = await add('/api/supports', MESH);
    expect(row).toMatchObject({ free: 4, extension: false, section: MESH.section });
    for (const [wrong, field] of [
      [{ kind: 'string' }, 'kind'],
      [{ lengthCm: 0 }, 'lengthCm'],
      [{ section: { form: 'round', diameterCm: 0 } }, 'section.diameterCm'],
      [{ free: 9 }, 'free'],
    ] as const) {
      const { status, body } = await app.call.post('/api/supports').send({ ...MESH, ...wrong });
      expect([400, 422]).toContain(status);
      expect(body.error.field).toBe(field);
    }
  });

  it('without a section, the usual one of its kind', async () => {
    const { section: _given, ...bare } = MESH;
    expect(await add('/api/supports', { ...bare, kind: 'stake' })).toMatchObject({
      section: { form: 'round', diameterCm: 1.2 },
    });
  });

  it('is taken with a repot and comes back when that is undone; while tied in it cannot be removed', async () => {
    const mesh = await add('/api/supports', MESH);
    const plant = await addPlant();
    const repot = await add('/api/repots', {
      plantId: plant.id,
      ...ORDER,
      support: { lengthCm: 80, kind: 'mossMesh', section: MESH.section, supportId: mesh.id },
    });
    expect((await get(`/api/supports/${mesh.id}`)).free).toBe(3);
    expect(await get(`/api/plants/${plant.id}`)).toMatchObject({
      supportCm: 80,
      supportKind: 'mossMesh',
      supportId: mesh.id,
    });
    expect((await app.call.delete(`/api/supports/${mesh.id}`)).status).toBe(409);
    await takeRowBack(app, 'repots', repot.id).expect(200);
    expect((await get(`/api/supports/${mesh.id}`)).free).toBe(4);
    expect((await get(`/api/plants/${plant.id}`)).supportCm).toBeNull();
  });

  it('extensions that the plan foresees become tasks, and go when the repot is undone', async () => {
    const plant = await addPlant();
    const repot = await add('/api/repots', {
      plantId: plant.id,
      ...ORDER,
      extensions: [{ on: '2026-07-01', addsCm: 40, aboveCm: 110 }],
    });
    const extend = async () =>
      (await get('/api/tasks')).items.filter(({ kind }: { kind: string }) => kind === 'extend');
    expect(await extend()).toMatchObject([{ due: '2026-07-01', plantId: plant.id }]);
    await takeRowBack(app, 'repots', repot.id).expect(200);
    expect(await extend()).toEqual([]);
  });

  it('none free: refused, and nothing is written', async () => {
    const mesh = await add('/api/supports', { ...MESH, free: 0 });
    const plant = await addPlant();
    const { status, body } = await app.call.post('/api/repots').send({
      plantId: plant.id,
      ...ORDER,
      support: { lengthCm: 80, kind: 'mossMesh', supportId: mesh.id },
    });
    expect([status, body.error.field]).toEqual([409, 'support.supportId']);
    expect((await get('/api/repots')).items).toEqual([]);
  });
});

describe('fitting', () => {
  it('gives pots that are free or soaking, covers, supports and the height of the place', async () => {
    const plant = await addPlant();
    await add('/api/pots', { label: 'free 17', shape: wide(17) });
    await add('/api/pots', { label: 'wet 19', shape: wide(19), free: 0, soaking: 1 });
    await add('/api/pots', { label: 'gone 21', shape: wide(21), free: 0 });
    await add('/api/pots', { label: 'blue', shape: wide(24), role: 'cover' });
    await add('/api/supports', MESH);
    const fitting = await get(`/api/plants/${plant.id}/fitting`);
    expect(fitting.pots.map(({ label }: { label: string }) => label)).toEqual([
      'free 17',
      'wet 19',
    ]);
    expect(fitting.covers).toHaveLength(1);
    expect(fitting.supports).toHaveLength(1);
    expect(fitting).toMatchObject({ headroomCm: 90, plan: null, presentCover: null });
  });

  it('names who else is settled on a pot of the shelf, until that is repotted', async () => {
    const [one, other] = [await addPlant(), await addPlant()];
    const pot = await add('/api/pots', { label: 'free 17', shape: wide(17) });
    const promised = async (id: number) => (await get(`/api/plants/${id}/fitting`)).promised;
    expect(await promised(other.id)).toEqual([]);
    await app.call
      .put(`/api/plants/${one.id}/plan`)
      .send({
        pot: wide(17),
        potMaterial: 'plastic',
        potLabel: 'free 17',
        potId: pot.id,
        potSource: 'free',
        recipeId: 'everyday',
        size: 'oneUp',
      })
      .expect(200);
    expect(await promised(other.id)).toEqual([{ potId: pot.id, to: ['Fletching'] }]);
    expect(await promised(one.id)).toEqual([]);
    await add('/api/repots', { plantId: one.id, ...ORDER, pot: wide(17), potId: pot.id });
    expect(await promised(other.id)).toEqual([]);
  });

  it('names the pots that other plants are about to leave, and not its own', async () => {
    const garden = testApp({ garden: true });
    try {
      const { body } = await garden.call.get('/api/plants/22/fitting').expect(200);
      const names = body.handDowns.map(({ name }: { name: string }) => name);
      expect(names).toContain('Pansy Locker');
      expect(names).not.toContain('Deckhand');
      const own = (await garden.call.get('/api/plants/13/fitting')).body.handDowns;
      expect(own.map(({ plantId }: { plantId: number }) => plantId)).not.toContain(13);
    } finally {
      garden.close();
    }
  });

  it('a soaking pot is taken when none is clean, and goes back to its soak when that is undone', async () => {
    const plant = await addPlant();
    const pot = await add('/api/pots', {
      label: 'wet 17',
      shape: wide(17, 13),
      free: 0,
      soaking: 1,
    });
    const repot = await add('/api/repots', { plantId: plant.id, ...ORDER, potId: pot.id });
    expect(await get(`/api/pots/${pot.id}`)).toMatchObject({
      free: 0,
      soaking: 0,
      soakingSince: null,
    });
    await takeRowBack(app, 'repots', repot.id).expect(200);
    expect(await get(`/api/pots/${pot.id}`)).toMatchObject({ free: 0, soaking: 1 });
  });
});

describe('what was settled on', () => {
  const PLAN = {
    pot: wide(17, 13),
    potMaterial: 'plastic',
    potLabel: 'green 17',
    potSource: 'free',
    recipeId: 'chunkyClimber',
    size: 'oneUp',
    support: {
      kind: 'mossMesh',
      section: { form: 'round', diameterCm: 7 },
      lengthCm: 95,
      stock: { id: null, lengthCm: 100 },
    },
  };
  const put = (id: number, body: object) => app.call.put(`/api/plants/${id}/plan`).send(body);

  it('is kept once a plant, changed by putting it again, and listed with the plant’s name', async () => {
    const plant = await addPlant();
    await put(plant.id, PLAN).expect(200);
    const again = await put(plant.id, { ...PLAN, size: 'growth' }).expect(200);
    expect(again.body.rev).toBe(2);
    const { items } = await get('/api/plans');
    expect(items).toHaveLength(1);
    expect(items[0]).toMatchObject({ name: 'Fletching', fit: { size: 'growth', layer: 'screen' } });
    const stale = await put(plant.id, PLAN).set('If-Match', '"1"');
    expect(stale.status).toBe(412);
  });

  it('is done with the repot, and there again when that is undone', async () => {
    const plant = await addPlant();
    await put(plant.id, PLAN).expect(200);
    const repot = await add('/api/repots', { plantId: plant.id, ...ORDER });
    expect((await get('/api/plans')).items).toEqual([]);
    await takeRowBack(app, 'repots', repot.id).expect(200);
    expect((await get('/api/plans')).items[0].fit).toMatchObject({ potLabel: 'green 17' });
  });

  it('can be dropped; what cannot be is refused by its field', async () => {
    const plant = await addPlant();
    await put(plant.id, PLAN).expect(200);
    await app.call.delete(`/api/plants/${plant.id}/plan`).expect(204);
    expect((await get(`/api/plants/${plant.id}/fitting`)).plan).toBeNull();
    const { status, body } = await put(plant.id, { ...PLAN, recipeId: 'soup' });
    expect([status, body.error.field]).toEqual([400, 'recipeId']);
    expect((await put(999, PLAN)).status).toBe(404);
  });
});
