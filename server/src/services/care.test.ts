import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());
const { get, add, refused, addPlant, repot, ago, deedOf, undo } = handsOf(() => app);

const look = (plantId: number, signals: object, date: string = TODAY) =>
  add('/api/looks', { plantId, date, signals });
const file = (id: number) => get(`/api/plants/${id}/file`);
const FULL = { rootsAtHoles: 'mat', circling: 'tight', compacted: true };

describe('findings of the pot that was left', () => {
  it('end with the repot, also where it was the same day', async () => {
    const { id } = await addPlant({ lastRepot: '2022-05-01' });
    await look(id, FULL);
    expect((await file(id)).situation.signals).toMatchObject(FULL);
    await repot(id, { date: TODAY });
    const { situation, decision } = await file(id);
    expect(situation.signals).toEqual({});
    expect(decision.headline).toBe('leave');
    // What is seen of the new pot on that day counts.
    await look(id, { wobble: 'leans' });
    expect((await file(id)).situation.signals).toEqual({ wobble: 'leans' });
  });

  it('stand again when the repot is taken back', async () => {
    const { id } = await addPlant({ lastRepot: '2022-05-01' });
    await look(id, FULL);
    const answer = await app.call
      .post('/api/repots')
      .send({
        plantId: id,
        date: TODAY,
        pot: { shape: 'round', topDiameterCm: 17, baseDiameterCm: 12, heightCm: 14 },
        mediumKind: 'peatSoil',
        recipeId: 'everyday',
      })
      .expect(201);
    await undo(deedOf(answer)).expect(200);
    expect((await file(id)).situation.signals).toMatchObject(FULL);
  });

  it('teach of the pot that was left, those of the new one do not', async () => {
    const { id } = await addPlant({ lastRepot: '2022-05-01' });
    await look(id, { rootsAtHoles: 'mat' });
    await repot(id, { date: TODAY });
    const { learned } = await file(id);
    await look(id, { rootsAtHoles: 'none', compacted: false });
    expect((await file(id)).learned).toEqual(learned);
  });
});

describe('what is done between two repots', () => {
  it.each([
    ['flush', { saltCrust: 'thick' }],
    ['secure', { wobble: 'topples' }],
    ['treatPests', { pests: 'scale' }],
    ['watered', { limp: true }],
  ])('%s ends the finding that it answers, and no other', async (kind, found) => {
    const { id } = await addPlant();
    await look(id, { ...found, rootsAtHoles: 'one' }, ago(2));
    await add('/api/visits', { plantId: id, date: TODAY, measurements: [{ kind, value: 1 }] });
    expect((await file(id)).situation.signals).toEqual({ rootsAtHoles: 'one' });
    await look(id, found);
    expect((await file(id)).situation.signals).toEqual({ ...found, rootsAtHoles: 'one' });
  });

  it('a new support ends what asked for one', async () => {
    const { id } = await addPlant();
    await look(id, { vinePastSupport: true, wobble: 'leans' }, ago(2));
    await app.call
      .patch(`/api/plants/${id}`)
      .send({ supportCm: 90, supportKind: 'stake' })
      .expect(200);
    expect((await file(id)).situation.signals).toEqual({});
  });
});

describe('the keeper’s own word', () => {
  it('ends with the deed that it spoke of', async () => {
    const { id } = await addPlant({ lastRepot: '2022-05-01' });
    await add('/api/overrules', {
      plantId: id,
      date: TODAY,
      instead: 'repotNow',
      reason: 'it goes to the fair',
      until: '2026-06-01',
    });
    expect((await file(id)).overrule).toMatchObject({ instead: 'repotNow' });
    await repot(id, { date: TODAY });
    expect((await file(id)).overrule).toBeNull();
  });
});

describe('a pot that is handed down', () => {
  it('is empty first: the plant that is to leave it goes before', async () => {
    const pot = { shape: 'round', topDiameterCm: 21, baseDiameterCm: 15, heightCm: 18 };
    const large = await addPlant({ name: 'Capstan', pot, lastRepot: '2022-05-01' });
    const small = await addPlant({ name: 'Ribbon', lastRepot: '2022-05-01' });
    const fit = {
      pot,
      potMaterial: 'plastic',
      potLabel: 'pot of Capstan',
      potSource: 'handedDown',
      leftBy: 'Capstan',
      recipeId: 'everyday',
      size: 'oneUp',
      support: null,
    };
    await app.call.put(`/api/plants/${small.id}/plan`).send(fit).expect(200);
    const order = {
      plantId: small.id,
      date: TODAY,
      pot,
      mediumKind: 'peatSoil',
      recipeId: 'everyday',
    };
    expect(await refused('/api/repots', order)).toEqual([
      409,
      'potId',
      'Capstan still stands in that pot: repot it first',
    ]);
    await repot(large.id, { date: TODAY, pot: { ...pot, topDiameterCm: 27 } });
    await add('/api/repots', order);
  });
});
