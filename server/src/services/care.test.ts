import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());
const { get, add, addPlant, repot, ago, deedOf, undo } = handsOf(() => app);

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
