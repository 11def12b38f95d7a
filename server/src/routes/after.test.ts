import {
  addDays,
  daysBetween,
  inMetric,
  monthsToFill,
  rimCm,
  type PotShape,
  type Saying,
} from '@fernbank/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { handsOf, ROUND_POT, testApp, TODAY, type TestApp, takeRowBack } from '../testApp.ts';

let app: TestApp;
afterEach(() => app.close());

const { get, add, refused, addPlant, repot, ago, deedOf } = handsOf(() => app);

const tasksOf = async (plantId: number) =>
  (await get(`/api/tasks?plantId=${plantId}&limit=100`)).items as {
    id: number;
    rule: string;
    due: string;
    until: string | null;
    done: string | null;
    moved: Saying | null;
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

  it('a look moves it and says why; the question how it went stays open', async () => {
    const plant = await addPlant();
    await repot(plant.id, { date: ago(30) });
    const before = await taskBy(plant.id, 'feed');
    await add('/api/looks', { plantId: plant.id, date: TODAY, signals: { growth: 'vigorous' } });
    const after = await taskBy(plant.id, 'feed');
    expect(before.due > after.due).toBe(true);
    expect(after.due).toBe(TODAY);
    expect(inMetric(after.moved!)).toBe(`new growth seen on ${TODAY}`);
    const look = (await tasksOf(plant.id)).find(({ rule }) => rule === 'weeks3')!;
    expect(look.done).toBeNull();
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
    expect(inMetric(moved.moved!)).toContain(TODAY);
  });

  it('a tick is a line of the log and a line of the log a tick, each once and taken back as one', async () => {
    const logged = async (plantId: number) =>
      (await get(`/api/measurements?plantId=${plantId}&limit=50`)).items.map(
        ({ kind, date }: { kind: string; date: string }) => `${kind} ${date}`,
      );
    const tick = (task: { id: number }, done: string | null) =>
      app.call.patch(`/api/tasks/${task.id}`).send({ done }).expect(200);
    const plant = await addPlant();
    await repot(plant.id);
    const first = await taskBy(plant.id, 'firstWater');
    await tick(first, ago(22));
    expect(await logged(plant.id)).toEqual([`watered ${ago(22)}`]);
    await tick(first, null);
    expect(await logged(plant.id)).toEqual([]);
    // What was typed is the keeper's, whatever becomes of the task.
    const typed = { plantId: plant.id, kind: 'watered', date: ago(21), value: 1 };
    await add('/api/measurements', typed);
    expect((await taskBy(plant.id, 'firstWater'))?.id).not.toBe(first.id);
    await tick(first, null);
    expect(await logged(plant.id)).toEqual([`watered ${ago(21)}`]);
    await tick(first, ago(21));
    await tick(first, null);
    expect(await logged(plant.id)).toEqual([`watered ${ago(21)}`]);

    await add('/api/visits', { plantId: plant.id, date: ago(3), signals: { wobble: 'leans' } });
    expect(await taskBy(plant.id, 'secure')).toBeDefined();
    await add('/api/measurements', { plantId: plant.id, date: ago(2), kind: 'secure', value: 1 });
    expect(await taskBy(plant.id, 'secure')).toBeUndefined();
    expect(await logged(plant.id)).toContain(`secure ${ago(2)}`);
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

  it('of several plants are ticked off, or moved, as one deed that is taken back as one', async () => {
    const plants: number[] = [];
    for (const name of ['Bollard', 'Cleat', 'Fender']) {
      const plant = await addPlant({ name });
      await repot(plant.id);
      plants.push(plant.id);
    }
    const shade = async () =>
      Promise.all(
        plants.map(async (id) => (await tasksOf(id)).find(({ rule }) => rule === 'shade')!),
      );
    const before = await shade();
    const ids = before.map(({ id }) => id);
    const together = (body: object) => app.call.post('/api/tasks/together').send({ ids, ...body });
    const done = await together({ done: TODAY }).expect(200);
    expect((await shade()).map((task) => task.done)).toEqual([TODAY, TODAY, TODAY]);
    await app.call
      .post(`/api/history/${deedOf(done)}/undo`)
      .send({})
      .expect(200);
    expect((await shade()).map((task) => task.done)).toEqual([null, null, null]);
    await together({ due: '2026-06-01' }).expect(200);
    expect((await shade()).map(({ due }) => due)).toEqual(before.map(() => '2026-06-01'));
    await together({ due: TODAY, done: TODAY }).expect(400);
    await together({ done: '2999-01-01' }).expect(422);
    await app.call
      .post('/api/tasks/together')
      .send({ ids: [999_999], done: TODAY })
      .expect(404);
  });

  it('what was to be kept up for a time is no longer asked for when that is over', async () => {
    const plant = await addPlant();
    await repot(plant.id);
    expect((await taskBy(plant.id, 'shade')).until! < TODAY).toBe(true);
    const { spots } = await get('/api/rounds');
    const asked = spots[0].plants[0].asks.map(
      ({ task }: { task?: { rule: string } }) => task?.rule,
    );
    expect(asked).toContain('weeks3');
    expect(asked).not.toContain('shade');
  });

  it('can be moved by hand, not both moved and done', async () => {
    const plant = await addPlant();
    await repot(plant.id);
    const feed = await taskBy(plant.id, 'feed');
    const { body } = await app.call.patch(`/api/tasks/${feed.id}`).send({ due: '2026-06-01' });
    expect(body.due).toBe('2026-06-01');
    expect(inMetric(body.moved)).toBe(`moved by hand from ${feed.due}`);
    const back = await app.call.patch(`/api/tasks/${feed.id}`).send({ due: feed.due });
    expect(back.body).toMatchObject({ due: feed.due, moved: null });
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
    const changed = await app.call.patch(`/api/outcomes/${row.id}`).send({ grade: 'holdsOn' });
    // What was changed since is named, and goes only with the keeper's word.
    const asked = await takeRowBack(app, 'outcomes', row.id).expect(409);
    const also = asked.body.error.dependents.map((deed: { id: number }) => deed.id);
    expect(also).toEqual([deedOf(changed)]);
    await takeRowBack(app, 'outcomes', row.id).send({ also }).expect(200);
    expect((await get(`/api/plants/${plant.id}/file`)).outcomes).toEqual([]);
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

  it('what was seen is a finding as any other: feed waits, hands and a look are asked for, the verdict knows it', async () => {
    const plant = await addPlant();
    const { id } = await repot(plant.id);
    const feed = await taskBy(plant.id, 'feed');
    const standing = async () => {
      const { situation, decision } = await get(`/api/plants/${plant.id}/file`);
      return { signals: situation.signals, lookedOn: situation.lookedOn, at: decision.headline };
    };
    const before = await standing();
    expect(before.signals).toEqual({});
    const seen = { grade: 'suffers', seen: ['rocks', 'sour', 'leafLoss'] };
    const row = await add('/api/outcomes', grade(id, seen));
    const after = await standing();
    expect(after.signals).toEqual({ wobble: 'leans', smell: 'sour' });
    expect(after.lookedOn).toBe(TODAY);
    expect(after.at).not.toBe(before.at);
    const [listed] = (await get('/api/verdicts')).items;
    expect(listed.headline).toBe(after.at);
    expect(await taskBy(plant.id, 'secure')).toMatchObject({ due: TODAY });
    expect(await taskBy(plant.id, 'recheck')).toMatchObject({ due: addDays(TODAY, 10) });
    // It is judged again after seven weeks, and fed later.
    expect((await taskBy(plant.id, 'weeks7')).moved).toBeNull();
    expect(feed.due < addDays(TODAY, 21)).toBe(true);
    expect((await taskBy(plant.id, 'feed')).due).toBe(addDays(TODAY, 21));
    await takeRowBack(app, 'outcomes', row.id).expect(200);
    expect(await standing()).toEqual(before);
    expect(await taskBy(plant.id, 'recheck')).toBeUndefined();
  });

  it('a look since then is the newer word', async () => {
    const plant = await addPlant();
    const { id } = await repot(plant.id);
    await add('/api/outcomes', grade(id, { grade: 'holdsOn', seen: ['rocks'] }));
    await add('/api/looks', { plantId: plant.id, date: TODAY, signals: { wobble: 'no' } });
    const { situation } = await get(`/api/plants/${plant.id}/file`);
    expect(situation.signals).toEqual({ wobble: 'no' });
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
    // Seen as not lost after all, and then as lost again.
    await app.call
      .patch(`/api/outcomes/${row.id}`)
      .send({ seen: ['shrivel'] })
      .expect(200);
    expect(await listed()).toBe(1);
    await app.call
      .patch(`/api/outcomes/${row.id}`)
      .send({ seen: ['lost'] })
      .expect(200);
    expect(await listed()).toBe(0);
    await takeRowBack(app, 'outcomes', row.id).expect(200);
    expect(await listed()).toBe(1);
    expect(await get(`/api/pots/${pot.id}`)).toMatchObject({ free: 0, soaking: 0 });
  });

  it('a lost plant that comes back does not take its pot from the one that has it now', async () => {
    const shape = { ...ROUND_POT, topDiameterCm: 17 };
    const pot = await add('/api/pots', { label: 'green 17', shape, count: 1 });
    const plant = await addPlant();
    const { id } = await repot(plant.id, { potId: pot.id, pot: shape });
    const row = await add('/api/outcomes', grade(id, { grade: 'suffers', seen: ['lost'] }));
    const next = await addPlant({ name: 'Purser' });
    await repot(next.id, { potId: pot.id, pot: shape, date: TODAY });
    const asked = await takeRowBack(app, 'outcomes', row.id).expect(409);
    expect(asked.body.error.message).toContain('write a repot down');
    await app.call.patch(`/api/outcomes/${row.id}`).send({ seen: [] }).expect(200);
    expect(await get(`/api/plants/${plant.id}`)).toMatchObject({ potId: null, goneOn: null });
    expect((await get(`/api/plants/${next.id}`)).potId).toBe(pot.id);
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
    // In the new, larger pot any plant takes longer; this one less so.
    const usual = (pot: PotShape) => monthsToFill(after.situation.traits.vigour, rimCm(pot));
    const longer = usual(after.situation.pot) / usual(before.situation.pot);
    expect(after.decision.monthsToFill).toBeLessThan(longer * before.decision.monthsToFill);
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
    expect((await takeRowBack(app, 'repots', first.id)).status).toBe(409);
    await takeRowBack(app, 'plants', plantIds[0]).expect(200);
    await takeRowBack(app, 'repots', first.id).expect(200);
    expect((await get('/api/batches/tray')).items).toEqual([]);
  });
});
