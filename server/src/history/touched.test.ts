import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { judge, judgeAll } from '../services/judging.ts';
import { plants } from '../db/schema.ts';
import { isNull } from 'drizzle-orm';
import { ROUND_POT, testApp, TODAY, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeAll(() => (app = testApp({ garden: true })));
afterAll(() => app.close());

/** Every plant judged on its own, from the file as it is now. */
const anew = () =>
  app.file.db
    .select()
    .from(plants)
    .where(isNull(plants.goneOn))
    .all()
    .map((plant) => judge(app.file.db, plant, TODAY, { depth: 'brief' }));
const inShort = (judgements: ReturnType<typeof anew>) =>
  judgements
    .map(({ file, decision, lookDue, overrule }) => ({
      id: file.plant.id,
      name: file.plant.name,
      spot: file.spot.name,
      situation: file.situation,
      states: decision.states,
      lookDue,
      overrule,
    }))
    .sort((a, b) => a.id - b.id);

describe('the judged collection', () => {
  const send = (path: string, body: object) => app.call.post(path).send(body);
  const doings: ((id: number, n: number) => PromiseLike<unknown>)[] = [
    (plantId, n) =>
      send('/api/looks', {
        plantId,
        date: TODAY,
        signals: n % 2 ? { smell: 'sour' } : { compacted: true },
      }),
    (plantId, n) =>
      send('/api/measurements', {
        plantId,
        date: TODAY,
        kind: 'weightKg',
        value: 1 + n / 9,
        minute: n,
      }),
    (id, n) => app.call.patch(`/api/plants/${id}`).send({ spotId: 1 + (n % 4) }),
    (id, n) => app.call.patch(`/api/plants/${id}`).send({ heightCm: 20 + n }),
    (id) => app.call.delete(`/api/plants/${id}`),
    (plantId) => send('/api/repots', { plantId, date: TODAY, pot: ROUND_POT, mediumKind: 'bark' }),
    (plantId) =>
      send('/api/overrules', {
        plantId,
        date: TODAY,
        instead: 'leave',
        until: '2026-05-01',
        reason: 'busy',
      }),
    (_id, n) => app.call.patch('/api/spots/1').send({ temperatureC: 12 + n }),
    (_id, n) => app.call.patch('/api/settings').send({ whenSchool: n % 2 ? 'need' : 'window' }),
    (id) => app.call.patch(`/api/plants/${id}`).send({ spotId: 99 }),
    async () => {
      const { items } = (await app.call.get('/api/history?limit=3')).body;
      for (const { id } of items) await app.call.post(`/api/history/${id}/undo`);
    },
    // Past the journal, as another process would.
    async (id) => app.file.run('UPDATE plants SET height_cm = 77 WHERE id = ?', id),
  ];

  it('is what judging every plant anew would give, whatever was done in between', async () => {
    const ids = inShort(anew()).map(({ id }) => id);
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.tuple(fc.nat(doings.length - 1), fc.nat(ids.length - 1), fc.nat(20)), {
          minLength: 1,
          maxLength: 5,
        }),
        async (script) => {
          for (const [which, at, n] of script) await doings[which]!(ids[at]!, n);
          expect(inShort(judgeAll(app.file.db, TODAY))).toEqual(inShort(anew()));
        },
      ),
      { numRuns: 60 },
    );
  });

  it('judges anew only the plant that was looked at', async () => {
    const before = new Map(judgeAll(app.file.db, TODAY).map((one) => [one.file.plant.id, one]));
    const [plantId] = before.keys();
    await send('/api/looks', { plantId, date: TODAY, signals: { smell: 'sour' } }).expect(201);
    const again = judgeAll(app.file.db, TODAY).filter(
      (one) => before.get(one.file.plant.id) !== one,
    );
    expect(again.map(({ file }) => file.plant.id)).toEqual([plantId]);
  });
});
