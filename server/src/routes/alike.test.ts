import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { handsOf, ROUND_POT, testApp, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeEach(() => (app = testApp()));
afterEach(() => app.close());
const { get, add, refused, deedOf, undo } = handsOf(() => app);

const plantOf = async (over: object = {}) => ({
  name: 'Bollard',
  taxon: 'Streptocarpus',
  spotId: (await add('/api/spots', { name: 'Sill', latitudeDeg: 54 })).id,
  pot: { ...ROUND_POT, topDiameterCm: 9 },
  mediumKind: 'peatSoil',
  recipeId: 'everyday',
  ...over,
});
const names = async () =>
  (await get('/api/plants?limit=1000')).items.map(({ name }: { name: string }) => name);

describe('plants alike', () => {
  it('come in together, each a plant of its own, and go with one undo', async () => {
    const plant = await plantOf();
    const made = await app.call.post('/api/plants/alike').send({ plant, count: 20 }).expect(201);
    expect(made.body.items).toHaveLength(20);
    expect(await names()).toEqual(Array.from({ length: 20 }, (_, i) => `Bollard ${i + 1}`));
    const [first, second] = made.body.items;
    await app.call.patch(`/api/plants/${first.id}`).send({ heightCm: 12 }).expect(200);
    expect((await get(`/api/plants/${second.id}`)).heightCm).toBeNull();
    expect((await get('/api/verdicts')).items).toHaveLength(20);
    const asked = await undo(deedOf(made)).expect(409);
    const also = asked.body.error.dependents.map(({ id }: { id: number }) => id);
    await undo(deedOf(made), { also }).expect(200);
    expect(await names()).toEqual([]);
  });

  it('that come later are numbered on, whatever else bears such a name', async () => {
    const plant = await plantOf();
    await add('/api/plants/alike', { plant, count: 2 });
    await add('/api/plants', { ...plant, name: 'Bollard the Elder' });
    await add('/api/plants', { ...plant, name: 'Bollard 7' });
    await add('/api/plants/alike', { plant, count: 2 });
    expect(await names()).toEqual(expect.arrayContaining(['Bollard 8', 'Bollard 9']));
    expect(new Set(await names()).size).toBe(6);
  });

  it.each([
    ['one', { count: 1 }, 'count'],
    ['more than a tray', { count: 101 }, 'count'],
    ['half of one', { count: 2.5 }, 'count'],
    ['none', {}, 'count'],
  ])('%s is refused by its field', async (_what, wrong, field) => {
    const body = { plant: await plantOf(), ...wrong };
    expect((await refused('/api/plants/alike', body)).slice(0, 2)).toEqual([400, field]);
    expect(await names()).toEqual([]);
  });

  it('are refused as one plant is, and with a cover that holds but one', async () => {
    const inCover = { plant: await plantOf({ coverId: 1 }), count: 3 };
    expect((await refused('/api/plants/alike', inCover))[0]).toBe(422);
    const nowhere = { plant: await plantOf({ spotId: 99 }), count: 3 };
    expect((await refused('/api/plants/alike', nowhere))[0]).toBe(422);
    expect(await names()).toEqual([]);
  });
});
