import { addDays, nominalPot } from '@fernbank/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());
const { get, add, addPlant, repot, deedOf, undo } = handsOf(() => app);

const over = async (id: number) => (await get(`/api/reservoirs/${id}`)).reservoir;
const shelved = async (id: number) =>
  (await get('/api/pots?limit=50')).items.find((pot: { id: number }) => pot.id === id);
const bucket = () =>
  add('/api/pots', {
    label: 'Grey bucket',
    shape: { shape: 'round', topDiameterCm: 20, baseDiameterCm: 17, heightCm: 21 },
    role: 'cover',
    tone: 'dark',
    count: 2,
  });
const POT = { pot: nominalPot(13, 'standard'), potMaterial: 'plastic' };
const INTO = { ...POT, mediumKind: 'pebbles', recipeId: 'pebblesOnly', date: TODAY };
const BEFORE = addDays(TODAY, -30);
const rules = async (id: number) =>
  (await get(`/api/tasks?plantId=${id}&limit=50`)).items.map(({ rule }: { rule: string }) => rule);

describe('a repot into pebbles sets up its water', () => {
  it('in the bucket that was settled on: litres, level, wicks; out of pebbles both go again', async () => {
    const { id: coverId } = await bucket();
    const plant = await addPlant({ ...POT, mediumKind: 'bark' });
    await repot(plant.id, { ...INTO, date: BEFORE, water: { kind: 'wick' }, coverId });
    const { reservoir, state } = await over(plant.id);
    expect(reservoir).toMatchObject({ setup: 'wick', wick: 'polyester' });
    expect(reservoir.wicks).toBeGreaterThan(0);
    expect(reservoir.levelCm).toBeLessThan(reservoir.gapCm);
    expect(state.fullL).toBe(reservoir.fullL);
    expect((await shelved(coverId)).free).toBe(1);

    const back = { ...INTO, mediumKind: 'peatSoil', recipeId: 'everyday', coverId: null };
    await repot(plant.id, back);
    expect(await over(plant.id)).toBeNull();
    expect((await shelved(coverId)).free).toBe(2);
  });

  it('without a word of it as suits, and one that goes on in pebbles keeps its own', async () => {
    const plant = await addPlant({ ...POT, mediumKind: 'bark' });
    await repot(plant.id, { ...INTO, date: BEFORE });
    const first = await over(plant.id);
    expect(first.reservoir.fullL).toBeGreaterThan(0.2);
    await app.call
      .put(`/api/reservoirs/${plant.id}`)
      .set('If-Match', `"${first.reservoir.rev}"`)
      .send({ fullL: 1.1, wick: null })
      .expect(200);
    // What was told of other litres and another wick is not known of these.
    expect((await over(plant.id)).reservoir).toMatchObject({ levelCm: null, wicks: null });
    await repot(plant.id, INTO);
    expect((await over(plant.id)).reservoir.fullL).toBe(1.1);
  });

  it('the whole of it is taken back with the repot', async () => {
    const { id: coverId } = await bucket();
    const plant = await addPlant({ ...POT, mediumKind: 'bark' });
    const answer = await app.call
      .post('/api/repots')
      .send({ plantId: plant.id, ...INTO, water: { kind: 'wick' }, coverId })
      .expect(201);
    await undo(deedOf(answer)).expect(200);
    expect(await over(plant.id)).toBeNull();
    expect((await shelved(coverId)).free).toBe(2);
  });

  it('filled with its task it is full that day; the task open again, it is not known', async () => {
    const plant = await addPlant({ ...POT, mediumKind: 'bark' });
    const kept = await repot(plant.id, INTO);
    const task = kept.tasks.find(({ rule }: { rule: string }) => rule === 'firstWater');
    await app.call.patch(`/api/tasks/${task.id}`).send({ done: TODAY }).expect(200);
    expect((await over(plant.id)).state.left.share).toBeCloseTo(1, 6);
    await app.call.patch(`/api/tasks/${task.id}`).send({ done: null }).expect(200);
    expect((await over(plant.id)).state.left).toBeNull();
  });

  it('what was filled before a repot was another reservoir', async () => {
    const plant = await addPlant({ ...POT, mediumKind: 'bark' });
    await repot(plant.id, { ...INTO, date: BEFORE });
    const filled = { plantId: plant.id, date: addDays(TODAY, -3), kind: 'reservoirFlushed' };
    await app.call
      .post('/api/measurements')
      .send({ ...filled, value: 1 })
      .expect(201);
    expect((await over(plant.id)).state.left).not.toBeNull();
    await repot(plant.id, { ...INTO, water: { kind: 'wick' } });
    expect((await over(plant.id)).state).toMatchObject({ left: null, flush: null });
  });

  it('the long way asks for its stations, straight in for none', async () => {
    const slow = await addPlant({ ...POT, mediumKind: 'bark' });
    await repot(slow.id, { ...INTO, jar: true });
    expect(await rules(slow.id)).toEqual(expect.arrayContaining(['jarWater', 'intoPebbles']));
    const quick = await addPlant({ ...POT, mediumKind: 'bark' });
    await repot(quick.id, INTO);
    expect(await rules(quick.id)).not.toContain('jarWater');
  });

  it('a vessel that does not take the pot is refused by the field', async () => {
    const { id: coverId } = await add('/api/pots', {
      label: 'Cup',
      shape: nominalPot(10, 'standard'),
      role: 'cover',
    });
    const plant = await addPlant({ ...POT, mediumKind: 'bark' });
    const refused = await app.call
      .post('/api/repots')
      .send({ plantId: plant.id, ...INTO, water: { kind: 'wick' }, coverId });
    expect(refused.status).toBe(422);
    expect(refused.body.error.field).toBe('coverId');
    expect(await over(plant.id)).toBeNull();
  });
});

it('plants that share a pot come apart with a division: the record knows how many stay', async () => {
  const plant = await addPlant({ ...POT, mediumKind: 'peatSoil', together: 3 });
  const cuts = { pieces: 3, rootsPruned: false, counted: { growths: 3, roots: 9 } };
  await repot(plant.id, { ...INTO, mediumKind: 'peatSoil', recipeId: 'everyday', cuts });
  expect((await get(`/api/plants/${plant.id}`)).together).toBe(1);
  const alone = await addPlant({ ...POT, mediumKind: 'peatSoil' });
  const refused = await app.call
    .post('/api/repots')
    .send({ plantId: alone.id, ...INTO, mediumKind: 'peatSoil', recipeId: 'everyday', cuts });
  expect(refused.body.error.field).toBe('cuts.pieces');
});
