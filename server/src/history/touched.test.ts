import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { judge, judgeAll } from '../services/judging.ts';
import { openFile, type OpenFile } from '../db/driver.ts';
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

function another(write: (file: OpenFile) => void): void {
  const file = openFile(app.path);
  write(file);
  file.close();
}

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
    async (_id, n) =>
      app.call.patch('/api/components/perlite').send({ bags: n, openL: 2, bagL: 40 }),
    // Past the journal, as another program would.
    async (id, n) =>
      another((file) =>
        file.run('UPDATE plants SET last_repot = ? WHERE id = ?', `2024-0${1 + (n % 9)}-11`, id),
      ),
    // Begun and given up: nothing of it stands.
    async (id) => {
      const { journal, file } = app;
      const given = () =>
        journal.write({ what: 'nothing in the end' }, () => {
          file.run("UPDATE plants SET last_repot = '2019-01-01' WHERE id = ?", id);
          judgeAll(file.db, TODAY);
          throw new Error('given up');
        });
      expect(given).toThrow('given up');
    },
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

  it('judges nobody anew for a bag that was bought', async () => {
    const before = judgeAll(app.file.db, TODAY);
    await app.call.patch('/api/components/pumice').send({ bags: 3, bagL: 20 }).expect(200);
    expect(judgeAll(app.file.db, TODAY)).toBe(before);
    await app.call
      .patch('/api/components/pumice')
      .send({ own: { totalPorosity: { value: 0.7, on: TODAY } } })
      .expect(200);
    expect(judgeAll(app.file.db, TODAY)).not.toBe(before);
  });

  it('judges only the plants of a spot that changed', async () => {
    const before = judgeAll(app.file.db, TODAY);
    await app.call.patch('/api/spots/2').send({ temperatureC: 9 }).expect(200);
    const again = judgeAll(app.file.db, TODAY).filter((one) => !before.includes(one));
    expect(again.length).toBeGreaterThan(0);
    expect(new Set(again.map(({ file }) => file.spot.id))).toEqual(new Set([2]));
  });
});
