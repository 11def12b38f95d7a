import { addDays } from '@fernbank/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { handsOf, ROUND_POT, testApp, TODAY, type TestApp, takeRowBack } from '../testApp.ts';

let app: TestApp;
afterEach(() => app.close());

const { get, add, refused, addPlant, repot, ago } = handsOf(() => app);

describe('the propagation tray', () => {
  beforeEach(() => (app = testApp()));
  async function start(over: object = {}) {
    const plant = await addPlant();
    return add('/api/batches', {
      method: 'cutting',
      medium: 'water',
      parentId: plant.id,
      name: 'Gangway cuttings',
      taxon: 'Cissus alata',
      spotId: plant.spotId,
      date: ago(40),
      count: 5,
      ...over,
    });
  }
  const look = { date: TODAY, rooted: 4, rootCm: 6, roots: 4, branching: true, lost: 1 };
  const file = (id: number) => get(`/api/batches/${id}/file`);

  it('a look counts losses and says when to pot on; taken back, the losses are back', async () => {
    const { id } = await start();
    const row = await add(`/api/batches/${id}/looks`, look);
    expect(await file(id)).toMatchObject({ living: 4, lost: 1, advice: { when: 'ready' } });
    await takeRowBack(app, 'batch_looks', row.id).expect(200);
    expect(await file(id)).toMatchObject({ living: 5, lost: 0, advice: { when: 'wait' } });
  });

  it('a head lies dry first, and the stump that it left is watched for pups; taken back, neither is', async () => {
    const cut = await start({ method: 'head', taxon: 'Crassula ovata', count: 1, date: TODAY });
    expect((await file(cut.id)).callusUntil).toBe(addDays(TODAY, 7));
    const asked = async () =>
      (await get(`/api/tasks?plantId=${cut.parentId}`)).items.map(
        ({ rule, due }: { rule: string; due: string }) => [rule, due],
      );
    expect(await asked()).toEqual([['stump', addDays(TODAY, 42)]]);
    await takeRowBack(app, 'batches', cut.id).expect(200);
    expect(await asked()).toEqual([]);
    const planned = await start({ method: 'head', planned: true, count: 1, date: TODAY });
    const rules = async () => (await get(`/api/tasks?plantId=${planned.parentId}`)).items.length;
    expect(await rules()).toBe(0);
    await app.call.patch(`/api/batches/${planned.id}`).send({ planned: false }).expect(200);
    expect(await rules()).toBe(1);
  });

  it.each([
    ['more rooted than live', { rooted: 5 }, 'rooted'],
    ['more lost than live', { lost: 6, rooted: 0, rootCm: null }, 'lost'],
    ['a length without roots', { rooted: 0, lost: 0 }, 'rootCm'],
    ['a day before it was started', { date: ago(50) }, 'date'],
    ['a day ahead', { date: addDays(TODAY, 2) }, 'date'],
  ])('refuses %s by its field', async (_what, wrong, field) => {
    const { id } = await start();
    const [status, named] = await refused(`/api/batches/${id}/looks`, { ...look, ...wrong });
    expect([400, 422]).toContain(status);
    expect(named).toBe(field);
  });

  const order = async (id: number, over: object = {}) => {
    const { first, spotId } = await file(id);
    return {
      date: TODAY,
      count: 3,
      pot: first.pot,
      recipeId: first.recipe,
      mediumKind: first.mediumKind,
      spotId,
      ...over,
    };
  };

  it('potting on makes plants with their own pot, mix and aftercare, and counts for what worked', async () => {
    const { id } = await start();
    await add(`/api/batches/${id}/looks`, look);
    const { plantIds } = await add(`/api/batches/${id}/pot-on`, await order(id));
    expect(plantIds).toHaveLength(3);
    const child = await get(`/api/plants/${plantIds[0]}/file`);
    expect(child.plant).toMatchObject({
      name: 'Gangway cuttings 1',
      taxon: 'Cissus alata',
      lastRepot: TODAY,
      acquired: TODAY,
    });
    expect(child.repots[0].practice).toMatchObject({ method: 'cutting', rootedIn: 'water' });
    const rules = child.tasks.map(({ rule }: { rule: string }) => rule);
    expect(rules).toEqual(
      expect.arrayContaining(['firstWater', 'keepDamp', 'weeks3', 'weeks7', 'season']),
    );
    expect(await file(id)).toMatchObject({ living: 1, pottedOn: 3 });
    // A spot with something of the tray on it stays.
    expect((await app.call.delete(`/api/spots/${child.plant.spotId}`)).status).toBe(409);
    expect((await get('/api/worked')).tray[0]).toMatchObject({
      cases: 4,
      pottedOn: 3,
      telling: false,
    });
    expect((await app.call.delete(`/api/batches/${id}`)).status).toBe(409);
    // Its first pot cannot be undone as a repot: it would have no pot at all.
    expect(child.repots[0].deed).toBeNull();
    expect((await app.call.delete(`/api/repots/${child.repots[0].id}`)).status).toBe(409);
  });

  it('into pebbles each stands over water of its own from the first day; gone with the plant', async () => {
    const { id } = await start();
    const into = { recipeId: 'pebblesOnly', mediumKind: 'pebbles' };
    const { plantIds } = await add(`/api/batches/${id}/pot-on`, await order(id, into));
    const { reservoir } = (await get(`/api/reservoirs/${plantIds[0]}`)).reservoir;
    expect(reservoir).toMatchObject({ setup: 'wick', wick: 'polyester' });
    // A start's short roots: the water reaches the pot's floor, and a pot of 8 cm stands over no bucket.
    expect(reservoir.levelCm).toBeGreaterThan(0);
    expect(reservoir.fullL).toBeGreaterThan(0.03);
    expect(reservoir.fullL).toBeLessThan(0.6);
    expect((await get('/api/reservoirs')).items).toHaveLength(3);
    await takeRowBack(app, 'plants', plantIds[0]).expect(200);
    expect((await get('/api/reservoirs')).items).toHaveLength(0);
  });

  it('all together make one plant; taken back, every start of it is back', async () => {
    const { id } = await start();
    const { plantIds } = await add(
      `/api/batches/${id}/pot-on`,
      await order(id, { together: true }),
    );
    expect(plantIds).toHaveLength(1);
    expect((await get(`/api/plants/${plantIds[0]}`)).together).toBe(3);
    expect(await file(id)).toMatchObject({ pottedOn: 3, living: 2 });
    await takeRowBack(app, 'plants', plantIds[0]).expect(200);
    expect(await file(id)).toMatchObject({ pottedOn: 0, living: 5, children: [] });
    expect((await app.call.get(`/api/plants/${plantIds[0]}`)).status).toBe(404);
  });

  it.each([
    ['more than live', { count: 6 }, 'count'],
    ['several into one pot of the shelf', { count: 2, potId: 1 }, 'potId'],
    ['before it was started', { date: ago(60), count: 1 }, 'date'],
  ])('refuses to pot on %s', async (_what, wrong, field) => {
    const { id } = await start();
    const [status, named] = await refused(`/api/batches/${id}/pot-on`, await order(id, wrong));
    expect([status, named]).toEqual([422, field]);
  });

  it('a planned batch may lie ahead, waits for its cut, and asks for nothing in Rounds', async () => {
    const { id } = await start({ planned: true, date: addDays(TODAY, 30) });
    expect((await refused(`/api/batches/${id}/looks`, look))[1]).toBe('date');
    expect((await get('/api/rounds')).tray).toEqual([]);
    await app.call
      .patch(`/api/batches/${id}`)
      .send({ planned: false, date: ago(40) })
      .expect(200);
    expect((await get('/api/rounds')).tray).toMatchObject([{ id, kind: 'look' }]);
    expect(
      (
        await refused('/api/batches', {
          method: 'cutting',
          medium: 'moss',
          name: 'x',
          taxon: 'Nonesuch',
          spotId: 1,
          date: TODAY,
          count: 1,
        })
      )[1],
    ).toBe('taxon');
  });
});

describe('a plant over water', () => {
  beforeEach(() => (app = testApp()));
  const note = (plantId: number, kind: string, value: number, date = TODAY) =>
    add('/api/measurements', { plantId, date, kind, value });

  it('says how much is left and when it is empty, and asks in Rounds', async () => {
    const plant = await addPlant({ mediumKind: 'pebbles', recipeId: 'pebblesOnly' });
    expect((await get(`/api/reservoirs/${plant.id}`)).reservoir).toBeNull();
    await app.call
      .put(`/api/reservoirs/${plant.id}`)
      .send({ fullL: 0.6, wick: 'cotton' })
      .expect(200);
    await note(plant.id, 'reservoirFlushed', 1, ago(3));
    const { reservoir } = await get(`/api/reservoirs/${plant.id}`);
    expect(reservoir.state.left.litres).toBeLessThan(0.6);
    expect(reservoir.state.left.litres).toBeGreaterThan(0.3);
    expect(reservoir.state.asks).toEqual([]);
    await note(plant.id, 'wickDamp', 0);
    const { spots } = await get('/api/rounds');
    expect(spots[0].plants[0].asks[0]).toMatchObject({
      kind: 'reservoir',
      ask: { id: 'wickDry', urgent: true },
    });
    await note(plant.id, 'reservoirFlushed', 1);
    expect((await get('/api/reservoirs')).items[0].state.asks).toEqual([]);
  });

  it('follows the plant’s own school before the collection’s', async () => {
    const plant = await addPlant({ schools: { flush: 'ph' } });
    await app.call.put(`/api/reservoirs/${plant.id}`).send({ fullL: 0.6 }).expect(200);
    await app.call
      .patch('/api/settings')
      .send({ flushSchool: 'empty', winterSchool: 'full' })
      .expect(200);
    expect((await get('/api/reservoirs')).items[0]).toMatchObject({ school: 'ph', winter: 'full' });
  });

  it.each([
    [{ fullL: 0 }, 'fullL'],
    [{ fullL: 1, wick: 'hemp' }, 'wick'],
  ])('refuses %j by its field', async (body, field) => {
    const plant = await addPlant();
    const answer = await app.call.put(`/api/reservoirs/${plant.id}`).send(body);
    expect([answer.status, answer.body.error.field]).toEqual([400, field]);
  });

  it('a share or a crust outside of its scale is refused', async () => {
    const plant = await addPlant();
    const wrong = (kind: string, value: number) =>
      refused('/api/measurements', { plantId: plant.id, date: TODAY, kind, value });
    expect((await wrong('reservoirLeft', 1.2))[1]).toBe('value');
    expect((await wrong('saltCrust', 3))[1]).toBe('value');
    expect((await wrong('wickDamp', 2))[1]).toBe('value');
  });
});

describe('the bench', () => {
  beforeEach(() => (app = testApp()));
  const tell = async (id: number, event: object) =>
    (await app.call.post(`/api/benches/${id}/events`).send(event).expect(200)).body;

  it('is one for all devices: a step that two of them tick is done once', async () => {
    const plant = await addPlant();
    await tell(plant.id, { kind: 'start' });
    const one = await tell(plant.id, { kind: 'done', step: 'screen' });
    const two = await tell(plant.id, { kind: 'done', step: 'screen' });
    expect(two).toEqual(one);
    await tell(plant.id, {
      kind: 'timer',
      step: 'soakMoss',
      label: 'soak',
      until: 1_800_000_000_000,
    });
    await tell(plant.id, { kind: 'note', step: 'bed', text: 'deep' });
    await tell(plant.id, { kind: 'found', found: { liveRoots: 0.4 } });
    const [bench] = (await get('/api/benches')).items;
    expect(bench).toMatchObject({
      name: 'Gangway',
      done: ['screen'],
      notes: { bed: 'deep' },
      timers: [{ step: 'soakMoss' }],
      found: { liveRoots: 0.4 },
    });
  });

  it('a repot that is written down on one device takes the plant off the other', async () => {
    const plant = await addPlant();
    await tell(plant.id, { kind: 'start' });
    await repot(plant.id, { date: TODAY });
    const late = await app.call
      .post(`/api/benches/${plant.id}/events`)
      .send({ kind: 'done', step: 'screen' });
    expect([late.status, late.body.error.code]).toEqual([404, 'leftBench']);
    expect((await get('/api/benches')).items).toEqual([]);
    // The same repot again, from the other device.
    expect(
      (
        await refused('/api/repots', {
          plantId: plant.id,
          date: TODAY,
          pot: ROUND_POT,
          mediumKind: 'loam',
        })
      ).slice(0, 2),
    ).toEqual([409, 'date']);
  });

  it('live roots found at the bench shrink the ball: more new mix goes in', async () => {
    const one = await addPlant();
    const other = await addPlant({ name: 'Purser' });
    const { mixedIn: whole } = await repot(one.id);
    const { mixedIn: hurt, liveRoots } = await repot(other.id, { liveRoots: 0.2 });
    expect(hurt.filledL).toBeGreaterThan(whole.filledL);
    expect(liveRoots).toBe(0.2);
  });

  it.each([
    [{ kind: 'dance' }, 'kind'],
    [{ kind: 'done', step: 'dance' }, 'step'],
    [{ kind: 'timer', step: 'bed', label: '', until: 5 }, 'label'],
    [{ kind: 'found', found: { liveRoots: 2 } }, 'found.liveRoots'],
    [{ kind: 'photo', step: 'bed', photoId: 7 }, 'photoId'],
  ])('refuses %j by its field', async (event, field) => {
    const plant = await addPlant();
    await tell(plant.id, { kind: 'start' });
    const { status, body } = await app.call.post(`/api/benches/${plant.id}/events`).send(event);
    expect([400, 422]).toContain(status);
    expect(body.error.field).toBe(field);
  });
});

describe('a label sheet of one’s own', () => {
  beforeEach(() => (app = testApp()));
  it('is kept when it fits its paper, and refused by name when it does not', async () => {
    const sheet = {
      paper: 'a4',
      columns: 2,
      rows: 5,
      widthMm: 90,
      heightMm: 50,
      leftMm: 10,
      topMm: 10,
      pitchXMm: 95,
      pitchYMm: 52,
    };
    const kept = await app.call.patch('/api/settings').send({ labelSheet: sheet }).expect(200);
    expect(kept.body.labelSheet).toEqual(sheet);
    const wide = await app.call
      .patch('/api/settings')
      .send({ labelSheet: { ...sheet, columns: 3 } });
    expect(wide.status).toBe(400);
    expect(wide.body.error.message).toMatch(/columns do not fit/);
  });
});
