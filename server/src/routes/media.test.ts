import { recipe, RECIPES, COMPONENTS } from '@fernbank/core';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { ROUND_POT, testApp, TODAY, type TestApp, takeRowBack } from '../testApp.ts';

let app: TestApp;
beforeEach(() => {
  app = testApp();
});
afterEach(() => app.close());

const own = (value: number | null) => ({ value, from: 'typed', on: TODAY });
const BARK = { label: 'quay bark', like: 'barkMedium', own: { dryKgPerL: own(0.25) } };
const add = async (path: string, body: object) => (await app.call.post(path).send(body)).body;

async function plantIn(recipeId: string) {
  const spot = await add('/api/spots', { name: 'Bench', latitudeDeg: 54 });
  return add('/api/plants', {
    name: 'Davallia 1',
    taxon: 'Davallia',
    spotId: spot.id,
    pot: ROUND_POT,
    mediumKind: 'mix',
    recipeId,
    lastRepot: '2025-03-01',
  });
}

describe('components', () => {
  it('lists the shipped ones as they are, untouched and with their source', async () => {
    const { body } = await app.call.get('/api/components');
    expect(body.items).toHaveLength(COMPONENTS.length);
    expect(body.items[0]).toMatchObject({ id: 'peat', rev: 0, shipped: true, own: {}, bags: 0 });
    expect(body.items[0].source).toMatch(/from memory/);
  });

  it('of the keeper’s own have the numbers that are known, and can be used in a recipe', async () => {
    const made = await app.call.post('/api/components').send(BARK);
    expect(made.status).toBe(201);
    expect(made.body).toMatchObject({
      label: 'quay bark',
      dryKgPerL: 0.25,
      shipped: false,
      rev: 1,
    });
    expect(made.body.airAt7_6cm).toBe(COMPONENTS.find(({ id }) => id === 'barkMedium')!.airAt7_6cm);
    const mix = await app.call
      .post('/api/recipes')
      .send({ label: 'Quay mix', parts: [{ component: made.body.id, parts: 3 }] });
    expect(mix.status).toBe(201);
    const refused = await app.call.delete(`/api/components/${made.body.id}`);
    expect([refused.status, refused.body.error.message]).toEqual([
      422,
      'quay bark is a part of Quay mix: change that first',
    ]);
  });

  it('a shipped one is changed in place, and goes back to typical by null', async () => {
    const changed = await app.call
      .patch('/api/components/perlite')
      .set('If-Match', '"0"')
      .send({ own: { totalPorosity: own(0.74) }, bagL: 100, bags: 2, pricePerBag: 18 });
    expect(changed.body).toMatchObject({ totalPorosity: 0.74, bags: 2, rev: 1 });
    const stale = await app.call
      .patch('/api/components/perlite')
      .set('If-Match', '"0"')
      .send({ bags: 1 });
    expect(stale.status).toBe(412);
    const back = await app.call
      .patch('/api/components/perlite')
      .send({ own: { totalPorosity: null } });
    expect(back.body.totalPorosity).toBe(
      COMPONENTS.find(({ id }) => id === 'perlite')!.totalPorosity,
    );
    expect(back.body.own).toEqual({});
    expect(back.body.bags).toBe(2);
  });

  it('a kitchen test replaces porosity, air and weight, with its error, and is remembered', async () => {
    const { status, body } = await app.call
      .post('/api/components/coir/kitchen-test')
      .send({ mediumL: 1, pouredL: 0.9, drainedL: 0.2, heightCm: 10, dryKg: 0.09 });
    expect(status).toBe(200);
    expect(body.totalPorosity).toBeCloseTo(0.9, 4);
    expect(body.own.airAt7_6cm).toMatchObject({ from: 'kitchenTest', on: TODAY });
    expect(body.own.airAt7_6cm.error).toBeGreaterThan(0);
    expect(body.kitchen.reading).toMatchObject({ pouredL: 0.9 });
  });

  it.each([
    ['more drained than poured', { pouredL: 0.4, drainedL: 0.5 }, 'drainedL'],
    ['more poured than there is room', { pouredL: 1.2 }, 'pouredL'],
    ['no medium', { mediumL: 0 }, 'mediumL'],
    ['a day ahead', { date: '2026-03-17' }, 'date'],
  ])('a kitchen test with %s is refused by the field', async (_what, change, field) => {
    const reading = { mediumL: 1, pouredL: 0.8, drainedL: 0.3, heightCm: 10, ...change };
    const { status, body } = await app.call.post('/api/components/coir/kitchen-test').send(reading);
    expect(Math.floor(status / 100)).toBe(4);
    expect(body.error.field).toBe(field);
    expect((await app.call.get('/api/components/coir')).body.own).toEqual({});
  });

  it.each([
    ['a weight of nothing', { own: { dryKgPerL: own(0) } }, 'dryKgPerL'],
    ['more air than pores', { own: { airAt7_6cm: own(0.9) } }, 'airAt7_6cm'],
    ['a bag of nothing', { bagL: 0 }, 'bagL'],
    ['a stock below nothing', { openL: -1 }, 'openL'],
    ['no model', { like: 'soup' }, 'like'],
  ])('%s is refused by the field', async (_what, change, field) => {
    const { status, body } = await app.call.post('/api/components').send({ ...BARK, ...change });
    expect(Math.floor(status / 100)).toBe(4);
    expect(body.error.field).toBe(field);
  });

  it('one that ships cannot be removed, an unused own one can, and unknown ones are not found', async () => {
    expect((await app.call.delete('/api/components/peat')).status).toBe(409);
    const { id } = await add('/api/components', BARK);
    expect((await app.call.delete(`/api/components/${id}`)).status).toBe(204);
    const back = await app.call.patch(`/api/components/${id}`).send({ removed: false });
    expect(back.body.removed).toBe(false);
    expect((await app.call.get('/api/components/soup')).status).toBe(404);
  });

  it('several stocks are set at once, or none when one was changed elsewhere', async () => {
    await app.call.patch('/api/components/peat').send({ bagL: 70, bags: 1 });
    const change = (peat: number) => ({
      changes: [
        { id: 'perlite', bags: 0, openL: 4, rev: 0 },
        { id: 'peat', bags: 0, openL: 66, rev: peat },
      ],
    });
    const stale = await app.call.post('/api/components/stock').send(change(0));
    expect([stale.status, stale.body.error.field]).toEqual([412, 'changes.1']);
    expect((await app.call.get('/api/components/perlite')).body.rev).toBe(0);
    const { status, body } = await app.call.post('/api/components/stock').send(change(1));
    expect(status).toBe(200);
    expect(body.items.map((row: { openL: number }) => row.openL)).toEqual([4, 66]);
  });
});

describe('recipes', () => {
  const PARTS = [
    { component: 'coir', parts: 2 },
    { component: 'perlite', parts: 1 },
  ];

  it('ship as they are and take changes as new versions, the old ones kept', async () => {
    const { body } = await app.call.get('/api/recipes');
    expect(body.items.map(({ id }: { id: string }) => id)).toEqual(RECIPES.map(({ id }) => id));
    const renamed = await app.call.patch('/api/recipes/everyday').send({ label: 'House mix' });
    expect(renamed.body).toMatchObject({ label: 'House mix', version: 1 });
    const changed = await app.call
      .patch('/api/recipes/everyday')
      .send({ parts: PARTS, extras: { feedGPerL: 2 } });
    expect(changed.body).toMatchObject({ version: 2, parts: PARTS });
    const { body: versions } = await app.call.get('/api/recipes/everyday/versions');
    expect(versions.items).toHaveLength(1);
    expect(versions.items[0]).toMatchObject({ version: 1, label: 'House mix', until: TODAY });
    expect(versions.items[0].parts).toEqual(recipe('everyday').parts);
  });

  it.each([
    ['all zero', [{ component: 'peat', parts: 0 }], 'parts'],
    ['negative', [{ component: 'peat', parts: -1 }], 'parts.0.parts'],
    ['one component twice', [...PARTS, { component: 'coir', parts: 1 }], 'parts'],
    ['of nothing', [], 'parts'],
    ['of something unknown', [{ component: 'soup', parts: 1 }], 'component'],
  ])('parts that are %s are refused by the field', async (_what, parts, field) => {
    const { status, body } = await app.call.post('/api/recipes').send({ label: 'A', parts });
    expect(Math.floor(status / 100)).toBe(4);
    expect(body.error.field).toBe(field);
  });

  it('a name that is taken, and extras of an unknown component, are refused', async () => {
    const twin = await app.call.post('/api/recipes').send({ label: 'bog', parts: PARTS });
    expect([twin.status, twin.body.error.field]).toEqual([422, 'label']);
    const extra = await app.call.post('/api/recipes').send({
      label: 'A',
      parts: PARTS,
      extras: { topDressing: { component: 'soup', depthMm: 5 } },
    });
    expect(extra.body.error.field).toBe('extras.topDressing.component');
  });

  it('a plant stands in the parts that went in, whatever becomes of the recipe', async () => {
    const plant = await plantIn('everyday');
    const partsOfFile = async () =>
      (await app.call.get(`/api/plants/${plant.id}/file`)).body.situation.medium.parts.map(
        ({ ingredient, parts }: { ingredient: { id: string }; parts: number }) => ({
          component: ingredient.id,
          parts,
        }),
      );
    const before = recipe('everyday').parts;
    await app.call.patch('/api/recipes/everyday').send({ parts: PARTS });
    expect(await partsOfFile()).toEqual(before);
    const order = {
      plantId: plant.id,
      date: TODAY,
      pot: { ...ROUND_POT, topDiameterCm: 17, baseDiameterCm: 13, heightCm: 14 },
      mediumKind: 'mix',
      recipeId: 'everyday',
    };
    const written = await app.call.post('/api/repots').send(order);
    expect(written.body.mixedIn).toMatchObject({ version: 2, parts: PARTS });
    expect(written.body.mixedIn.extras).toMatchObject([{ kind: 'perPot', litres: 0.1 }]);
    expect(await partsOfFile()).toEqual(PARTS);
    await app.call.delete('/api/recipes/everyday');
    expect(await partsOfFile()).toEqual(PARTS);
    await takeRowBack(app, 'repots', written.body.id).expect(200);
    expect(await partsOfFile()).toEqual(before);
  });

  it('a swap for one pot goes into the record with its own parts and extras', async () => {
    const plant = await plantIn('gritty');
    const swapped = [
      { component: 'loamCompost', parts: 1 },
      { component: 'pumice', parts: 2 },
    ];
    const order = {
      plantId: plant.id,
      date: TODAY,
      pot: { ...ROUND_POT, topDiameterCm: 17, baseDiameterCm: 13, heightCm: 14 },
      mediumKind: 'loam',
      recipeId: 'gritty',
      parts: swapped,
    };
    const twice = await app.call
      .post('/api/repots')
      .send({ ...order, parts: [swapped[0], swapped[0]] });
    expect([twice.status, twice.body.error.field]).toEqual([422, 'parts']);
    const { body } = await app.call.post('/api/repots').send(order);
    expect(body.mixedIn.parts).toEqual(swapped);
    expect(body.mixedIn.measures.map((m: { component: string }) => m.component)).toEqual([
      'loamCompost',
      'pumice',
    ]);
    expect(body.mixedIn.extras[0]).toMatchObject({ kind: 'topDressing', label: 'grit' });
  });

  it('what is avoided is not mixed, also where only the recipe is named', async () => {
    const plant = await plantIn('bog');
    await app.call
      .patch('/api/settings')
      .send({ avoided: { contents: ['peat', 'animal'], components: [] } });
    const order = {
      plantId: plant.id,
      date: TODAY,
      pot: { ...ROUND_POT, topDiameterCm: 17, baseDiameterCm: 13, heightCm: 14 },
      mediumKind: 'peatSoil',
    };
    const { body } = await app.call.post('/api/repots').send({ ...order, recipeId: 'bog' });
    const ids = body.mixedIn.parts.map((part: { component: string }) => part.component);
    expect(ids).toHaveLength(2);
    expect(ids).not.toContain('peat');
    await takeRowBack(app, 'repots', body.id);
    // Worm compost on top of the climber's mix is left out as well.
    const climber = await app.call
      .post('/api/repots')
      .send({ ...order, recipeId: 'chunkyClimber' });
    expect(climber.body.mixedIn.extras).toEqual([]);
  });

  it('a kitchen test changes what a plant’s medium is taken to hold', async () => {
    const plant = await plantIn('mossOnly');
    const life = async () =>
      (await app.call.get(`/api/plants/${plant.id}/file`)).body.situation.medium.parts[0].ingredient
        .airAt7_6cm;
    const before = await life();
    await app.call
      .post('/api/components/longMoss/kitchen-test')
      .send({ mediumL: 1, pouredL: 0.9, drainedL: 0.3, heightCm: 7.6 });
    expect(await life()).toBeCloseTo(0.3, 3);
    expect(before).not.toBeCloseTo(0.3, 2);
  });
});

describe('settings of mixing', () => {
  it('an avoid-list, a tub and a wetting school are kept, and nonsense is refused', async () => {
    const avoided = { contents: ['peat'], components: ['perlite'] };
    const { body } = await app.call.patch('/api/settings').send({ avoided, tubL: 40 });
    expect(body).toMatchObject({ avoided, tubL: 40, wettingSchool: 'preWet' });
    const refused = await app.call
      .patch('/api/settings')
      .send({ avoided: { contents: ['noise'], components: [] } });
    expect(refused.status).toBe(400);
  });
});
