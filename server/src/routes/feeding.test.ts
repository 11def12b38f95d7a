import { addDays } from '@fernbank/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { handsOf, testApp, TODAY, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());
const { get, add, addPlant, repot, deedOf, undo } = handsOf(() => app);

const openRules = async (plantId: number): Promise<string[]> =>
  (await get(`/api/tasks?plantId=${plantId}&limit=100`)).items
    .filter(({ done }: { done: string | null }) => done === null)
    .map(({ rule }: { rule: string }) => rule);
const FEEDS = ['feed', 'feedAgain', 'feedLiquid', 'flushSalts'];
const feedRules = async (plantId: number) =>
  (await openRules(plantId)).filter((rule) => FEEDS.includes(rule));
const note = (plantId: number, kind: string, value = 1, date = TODAY) =>
  app.call.post('/api/measurements').send({ plantId, date, kind, value });

describe('feed is kept with the plant', () => {
  it('laid in with the recipe it is asked for again when it is used up, and nothing meanwhile', async () => {
    const { id: recipeId } = await add('/api/recipes', {
      label: 'Long fed',
      parts: [{ component: 'pottingSoil', parts: 3 }],
      extras: { feedGPerL: 3, feedMonths: 5 },
    });
    const plant = await addPlant();
    const kept = await repot(plant.id, { recipeId, date: TODAY });
    expect(kept.mixedIn.extras).toMatchObject([{ kind: 'feed', lastsMonths: 5 }]);
    expect(await feedRules(plant.id)).toEqual(['feedAgain']);
  });

  it('that was given answers what asked for it; undone, it is asked for again', async () => {
    const plant = await addPlant();
    await repot(plant.id);
    expect(await feedRules(plant.id)).toEqual(['feed']);
    const fed = await note(plant.id, 'fedLastingMonths', 6).expect(201);
    expect(await feedRules(plant.id)).toEqual(['feedAgain']);
    await undo(deedOf(fed)).expect(200);
    expect(await feedRules(plant.id)).toEqual(['feed']);
  });

  it('is given to several plants with one watering, as one deed', async () => {
    const plants = [await addPlant({ name: 'Bell' }), await addPlant({ name: 'Buoy' })];
    for (const { id } of plants) await repot(id);
    const rules = async () => Promise.all(plants.map(({ id }) => feedRules(id)));
    const before = await rules();
    const plantIds = plants.map(({ id }) => id);
    const together = (over: object = {}) =>
      app.call
        .post('/api/measurements/together')
        .send({ plantIds, date: TODAY, kind: 'fedLastingMonths', value: 6, ...over });
    const fed = await together().expect(200);
    expect(await rules()).toEqual([['feedAgain'], ['feedAgain']]);
    await undo(deedOf(fed)).expect(200);
    expect(await rules()).toEqual(before);
    // One that is not there: none is fed.
    await together({ plantIds: [plantIds[0], 999_999] }).expect(422);
    await together({ date: '2999-01-01' }).expect(422);
    expect(await rules()).toEqual(before);
  });

  it('liquid feed of soil asks for a flush once, which a flush answers', async () => {
    const plant = await addPlant({ mediumKind: 'peatSoil' });
    await note(plant.id, 'fedLiquid', 1, addDays(TODAY, -30)).expect(201);
    expect(await feedRules(plant.id)).toEqual(['feedLiquid']);
    await note(plant.id, 'fedLiquid').expect(201);
    // One that is entered late is no news.
    await note(plant.id, 'fedLiquid', 1, addDays(TODAY, -60)).expect(201);
    expect((await feedRules(plant.id)).sort()).toEqual(['feedLiquid', 'flushSalts']);
    await note(plant.id, 'flush').expect(201);
    expect(await feedRules(plant.id)).toEqual(['feedLiquid']);
    // A repot ends it: what it stands in then is fresh.
    await repot(plant.id, { date: TODAY });
    expect(await feedRules(plant.id)).toEqual(['feed']);
  });

  it('what grows in poor ground gets none, with the mix or after', async () => {
    const { id: recipeId } = await add('/api/recipes', {
      label: 'Long fed',
      parts: [{ component: 'peat', parts: 3 }],
      extras: { feedGPerL: 3 },
    });
    const plant = await addPlant({ taxon: 'Sarracenia', mediumKind: 'mix' });
    const kept = await repot(plant.id, { recipeId, date: TODAY });
    expect(kept.mixedIn.extras).toEqual([]);
    await note(plant.id, 'fedLiquid').expect(201);
    expect(await feedRules(plant.id)).toEqual([]);
  });

  it('a log that is brought in asks from its newest', async () => {
    const plant = await addPlant({ name: 'Gangway' });
    const csv = `Plant,Day,What,Value
Gangway,${addDays(TODAY, -90)},fed,1
Gangway,${addDays(TODAY, -10)},fed,1`;
    const { body: opened } = await app.call
      .post('/api/imports')
      .set('Content-Type', 'text/csv')
      .send(Buffer.from(csv))
      .expect(201);
    const { kind, decimal, columns } = opened.guess;
    await app.call
      .post(`/api/imports/${opened.token}/run`)
      .send({ kind, decimal, columns, latitudeDeg: 54 })
      .expect(200);
    const [next] = (await get(`/api/tasks?plantId=${plant.id}`)).items.filter(
      ({ rule }: { rule: string }) => rule === 'feedLiquid',
    );
    expect(next.due).toBe(addDays(TODAY, 20));
  });

  it.each([0, 25])('refuses slow-release that lasts %i months, by its field', async (months) => {
    const plant = await addPlant();
    const { status, body } = await note(plant.id, 'fedLastingMonths', months);
    expect(status).toBe(422);
    expect(body.error.field).toBe('value');
  });
});
