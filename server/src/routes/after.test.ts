import { addDays, daysBetween } from '@fernbank/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ROUND_POT, testApp, TODAY, type TestApp } from '../testApp.ts';

let app: TestApp;
afterEach(() => app.close());

const get = async (path: string) => (await app.call.get(path).expect(200)).body;
const add = async (path: string, body: object) =>
  (await app.call.post(path).send(body).expect(201)).body;
const refused = async (path: string, body: object) => {
  const { status, body: answer } = await app.call.post(path).send(body);
  return [status, answer.error?.field ?? answer.error?.code, answer.error?.message] as const;
};
const ago = (days: number) => addDays(TODAY, -days);

async function addPlant(over: object = {}) {
  const { items } = await get('/api/spots');
  const spot = items[0] ?? (await add('/api/spots', { name: 'East sill', latitudeDeg: 54 }));
  return add('/api/plants', {
    name: 'Gangway',
    taxon: 'Aspidistra elatior',
    spotId: spot.id,
    pot: ROUND_POT,
    mediumKind: 'peatSoil',
    lastRepot: '2024-05-01',
    ...over,
  });
}
const repot = (plantId: number, over: object = {}) =>
  add('/api/repots', {
    plantId,
    date: ago(24),
    pot: { ...ROUND_POT, topDiameterCm: 17, heightCm: 14 },
    mediumKind: 'peatSoil',
    recipeId: 'everyday',
    ...over,
  });
const tasksOf = async (plantId: number) =>
  (await get(`/api/tasks?plantId=${plantId}&limit=100`)).items as {
    id: number;
    rule: string;
    due: string;
    until: string | null;
    done: string | null;
    moved: string;
    rev: number;
  }[];
const taskBy = async (plantId: number, rule: string) =>
  (await tasksOf(plantId)).find((task) => task.rule === rule && task.done === null)!;

describe('aftercare', () => {
  beforeEach(() => (app = testApp()));

  it('follows what was done: root loss and a division are told from an unharmed ball', async () => {
    const whole = await addPlant();
    await repot(whole.id);
    const hurt = await addPlant({ name: 'Purser' });
    await repot(hurt.id, { liveRoots: 0.3, cuts: { pieces: 2 } });
    const rules = async (id: number) => (await tasksOf(id)).map(({ rule }) => rule);
    expect(await rules(whole.id)).not.toContain('humid');
    expect(await rules(hurt.id)).toEqual(expect.arrayContaining(['humid', 'keepDamp']));
  });

  it('a look moves it, says why, and counts as the look that was asked for', async () => {
    const plant = await addPlant();
    await repot(plant.id, { date: ago(30) });
    const before = await taskBy(plant.id, 'feed');
    await add('/api/looks', { plantId: plant.id, date: TODAY, signals: { growth: 'vigorous' } });
    const after = await taskBy(plant.id, 'feed');
    expect(before.due > after.due).toBe(true);
    expect(after).toMatchObject({ due: TODAY, moved: `new growth seen on ${TODAY}` });
    const look = (await tasksOf(plant.id)).find(({ rule }) => rule === 'weeks3')!;
    expect(look.done).toBe(TODAY);
  });

  it('a watering that is written down is the first water, and what counts from it moves along', async () => {
    const plant = await addPlant({ taxon: 'Oncidium', mediumKind: 'moss' });
    await repot(plant.id, {
      date: ago(6),
      mediumKind: 'bark',
      recipeId: 'barkEpiphyte',
      rootsCut: true,
    });
    const damp = await taskBy(plant.id, 'keepDamp');
    await add('/api/measurements', { plantId: plant.id, date: TODAY, kind: 'watered', value: 1 });
    expect(await taskBy(plant.id, 'firstWater')).toBeUndefined();
    const moved = await taskBy(plant.id, 'keepDamp');
    expect(daysBetween(damp.due, moved.due)).toBe(3);
    expect(moved.moved).toContain(TODAY);
  });

  it('turning comes again a month later; taking the tick off takes that back', async () => {
    const plant = await addPlant();
    await repot(plant.id);
    const turn = await taskBy(plant.id, 'turn');
    const done = await app.call.patch(`/api/tasks/${turn.id}`).send({ done: TODAY }).expect(200);
    expect((await taskBy(plant.id, 'turn')).due).toBe(addDays(TODAY, 30));
    await app.call.patch(`/api/tasks/${turn.id}`).send({ done: null }).expect(200);
    expect(done.body.rev).toBe(turn.rev + 1);
    expect((await tasksOf(plant.id)).filter(({ rule }) => rule === 'turn')).toHaveLength(1);
  });

  it('can be moved by hand, not both moved and done', async () => {
    const plant = await addPlant();
    await repot(plant.id);
    const feed = await taskBy(plant.id, 'feed');
    const { body } = await app.call.patch(`/api/tasks/${feed.id}`).send({ due: '2026-06-01' });
    expect(body).toMatchObject({ due: '2026-06-01', moved: `moved by hand from ${feed.due}` });
    const both = await app.call.patch(`/api/tasks/${feed.id}`).send({ due: TODAY, done: TODAY });
    expect(both.status).toBe(400);
  });
});

describe('outcomes', () => {
  beforeEach(() => (app = testApp()));
  const grade = (repotId: number, over: object = {}) => ({
    repotId,
    date: TODAY,
    grade: 'thrives',
    seen: ['newGrowth'],
    ...over,
  });

  it('are kept once for each checkpoint, answer its look, and can be changed and taken back', async () => {
    const plant = await addPlant();
    const { id } = await repot(plant.id);
    const row = await add('/api/outcomes', grade(id));
    expect(row).toMatchObject({ at: 'weeks3', plantId: plant.id });
    expect(await taskBy(plant.id, 'weeks3')).toBeUndefined();
    expect((await refused('/api/outcomes', grade(id)))[0]).toBe(409);
    await app.call.patch(`/api/outcomes/${row.id}`).send({ grade: 'holdsOn' }).expect(200);
    await app.call.delete(`/api/outcomes/${row.id}`).expect(204);
    expect(await taskBy(plant.id, 'weeks3')).toBeDefined();
  });

  it.each([
    ['before the first question opens', { date: ago(20) }, 'date'],
    ['before the repot', { date: ago(40) }, 'date'],
    ['in the future', { date: addDays(TODAY, 1) }, 'date'],
    ['a lost plant that thrives', { seen: ['lost'] }, 'grade'],
    ['a sign that does not exist', { seen: ['sings'] }, 'seen.0'],
    ['a picture of another plant', { photoId: 99 }, 'photoId'],
  ])('refuses one %s, by its field', async (_what, wrong, field) => {
    const plant = await addPlant();
    const { id } = await repot(plant.id);
    const [status, named] = await refused('/api/outcomes', grade(id, wrong));
    expect([400, 422]).toContain(status);
    expect(named).toBe(field);
  });

  it('a lost plant leaves rounds, lists and calendar, its pot goes to soak, its case stays; undone it is back', async () => {
    const pot = await add('/api/pots', {
      label: 'green 17',
      shape: { ...ROUND_POT, topDiameterCm: 17 },
      count: 1,
    });
    const plant = await addPlant();
    const { id } = await repot(plant.id, { potId: pot.id, pot: pot.shape });
    const row = await add('/api/outcomes', grade(id, { grade: 'suffers', seen: ['lost'] }));
    const listed = async () => (await get('/api/plants')).items.length;
    expect(await listed()).toBe(0);
    expect((await get('/api/plants?gone=1')).items).toHaveLength(1);
    expect((await get('/api/verdicts')).items).toHaveLength(0);
    expect((await app.call.get('/api/tasks/calendar.ics').buffer(true)).text).not.toContain(
      'VEVENT',
    );
    expect(await get(`/api/pots/${pot.id}`)).toMatchObject({ free: 0, soaking: 1 });
    expect((await get('/api/worked')).cases).toBe(1);
    await app.call.delete(`/api/outcomes/${row.id}`).expect(204);
    expect(await listed()).toBe(1);
    expect(await get(`/api/pots/${pot.id}`)).toMatchObject({ free: 0, soaking: 0 });
  });

  it('what worked counts by method, season and school, and claims nothing from under five', async () => {
    for (let i = 0; i < 5; i++) {
      const plant = await addPlant({ name: `Gangway ${i}` });
      const { id } = await repot(plant.id);
      await add('/api/outcomes', grade(id, { grade: i === 0 ? 'holdsOn' : 'thrives' }));
    }
    const lone = await addPlant({ name: 'Purser', schools: { firstWater: 'atOnce' } });
    const { id } = await repot(lone.id, { cuts: { pieces: 2 } });
    await add('/api/outcomes', grade(id, { grade: 'suffers', seen: [] }));
    const worked = await get('/api/worked');
    const by = (factor: string) =>
      worked.factors.find((one: { factor: string }) => one.factor === factor).tallies;
    // Closed form: 4½ of 5 after a uniform prior.
    expect(by('method')[0]).toMatchObject({ cases: 5, telling: true, belief: { a: 5.5, b: 1.5 } });
    expect(by('method')[1]).toMatchObject({ value: 'divided', cases: 1, telling: false });
    expect(
      by('firstWater')
        .map(({ value }: { value: string }) => value)
        .sort(),
    ).toEqual(['atOnce', 'byPlant']);
    expect((await get('/api/worked?group=toughClump')).cases).toBe(6);
    expect((await get('/api/worked?group=pitcher')).cases).toBe(0);
    expect((await get('/api/worked?at=season')).factors).toEqual([]);
    expect((await app.call.get('/api/worked?at=never')).status).toBe(400);
  });

  it('earlier pots teach growth and medium life, and the verdict reckons with it', async () => {
    const plant = await addPlant({ acquired: '2024-01-01', lastRepot: '2024-09-01' });
    const before = await get(`/api/plants/${plant.id}/file`);
    await add('/api/looks', {
      plantId: plant.id,
      date: '2025-03-20',
      signals: { ballCover: 1, circling: 'tight', compacted: true },
    });
    await repot(plant.id, { date: '2025-03-22' });
    const after = await get(`/api/plants/${plant.id}/file`);
    expect(before.learned).toEqual({ pace: null, life: null, stays: 0 });
    expect(after.learned.stays).toBe(1);
    expect(after.learned.pace.factor).toBeGreaterThan(1.02);
    expect(after.learned.life.factor).toBeLessThan(1);
    expect(after.situation.learned.pace).toEqual(after.learned.pace);
    expect(after.decision.monthsToFill).toBeLessThan(before.decision.monthsToFill);
  });
});

describe('a division', () => {
  beforeEach(() => (app = testApp()));

  it('into more pieces than growths or roots allow is refused, at the plan and at the repot', async () => {
    const plant = await addPlant();
    const cuts = { pieces: 4, rootsPruned: false, counted: { growths: 9, roots: 5 } };
    const [status, field, message] = await refused('/api/repots', {
      plantId: plant.id,
      date: TODAY,
      pot: ROUND_POT,
      mediumKind: 'peatSoil',
      cuts,
    });
    expect([status, field]).toEqual([422, 'cuts.pieces']);
    expect(message).toMatch(/5 roots, at least 2 on each piece: 2 pieces at most/);
    const plan = await app.call.put(`/api/plants/${plant.id}/plan`).send({
      pot: ROUND_POT,
      potMaterial: 'plastic',
      potLabel: 'x',
      potSource: 'toBuy',
      recipeId: 'everyday',
      size: 'oneUp',
      cuts,
    });
    expect([plan.status, plan.body.error.field]).toEqual([422, 'cuts.pieces']);
  });

  it('puts the other pieces into the tray; undone they leave it, unless one was potted on', async () => {
    const plant = await addPlant();
    const first = await repot(plant.id, { cuts: { pieces: 3 } });
    const [batch] = (await get('/api/batches/tray')).items;
    expect(batch).toMatchObject({ method: 'division', count: 2, parentId: plant.id, living: 2 });
    expect(batch.advice.when).toBe('ready');
    const { plantIds } = await add(`/api/batches/${batch.id}/pot-on`, {
      date: TODAY,
      count: 1,
      pot: batch.first.pot,
      recipeId: batch.first.recipe,
      mediumKind: batch.first.mediumKind,
      spotId: batch.spotId,
    });
    expect((await app.call.delete(`/api/repots/${first.id}`)).status).toBe(409);
    await app.call.post(`/api/batches/${batch.id}/take-back`).send({ plantIds }).expect(200);
    await app.call.delete(`/api/repots/${first.id}`).expect(204);
    expect((await get('/api/batches/tray')).items).toEqual([]);
  });
});

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
    await app.call.delete(`/api/batches/looks/${row.id}`).expect(204);
    expect(await file(id)).toMatchObject({ living: 5, lost: 0, advice: { when: 'wait' } });
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
    expect((await get('/api/worked')).tray[0]).toMatchObject({
      cases: 4,
      pottedOn: 3,
      telling: false,
    });
    expect((await app.call.delete(`/api/batches/${id}`)).status).toBe(409);
    // Its first pot cannot be undone as a repot: it would have no pot at all.
    expect((await app.call.delete(`/api/repots/${child.repots[0].id}`)).status).toBe(409);
  });

  it('all together make one plant; taken back, every start of it is back', async () => {
    const { id } = await start();
    const { plantIds } = await add(
      `/api/batches/${id}/pot-on`,
      await order(id, { together: true }),
    );
    expect(plantIds).toHaveLength(1);
    expect(await file(id)).toMatchObject({ pottedOn: 3, living: 2 });
    await app.call.post(`/api/batches/${id}/take-back`).send({ plantIds }).expect(200);
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
