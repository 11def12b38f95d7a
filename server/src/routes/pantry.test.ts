import { COMPONENTS, RECIPES } from '@fernbank/core';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { testApp, TODAY, type TestApp } from '../testApp.ts';

/** The pantry beside the rest of the record: the demo garden, plans, versions, stale writes, nonsense. */
let app: TestApp;
beforeAll(() => {
  app = testApp({ garden: true });
});
afterAll(() => app.close());
const get = async (path: string) => (await app.call.get(path)).body;

describe('the garden’s own pantry', () => {
  it('lists shipped rows first and the keeper’s after them, each with its revision as ETag', async () => {
    const { items } = await get('/api/components');
    expect(items).toHaveLength(COMPONENTS.length + 1);
    expect(items.at(-1)).toMatchObject({ id: 'own-1', like: 'barkMedium', shipped: false });
    const one = await app.call.get('/api/components/own-1');
    expect(one.headers.etag).toBe(`"${one.body.rev}"`);
    expect((await get('/api/recipes')).items).toHaveLength(RECIPES.length + 1);
  });

  it('what a kitchen test found is told with error, day and readings', async () => {
    const { own, kitchen } = await get('/api/components/own-1');
    expect(kitchen.reading.pouredL / kitchen.reading.mediumL).toBeCloseTo(
      own.totalPorosity.value,
      3,
    );
    expect(own.totalPorosity.error).toBeGreaterThan(0);
    expect(kitchen.on < TODAY).toBe(true);
  });

  it('plans tell the litres they ask of the tub, and what goes in beside them', async () => {
    const { items } = await get('/api/plans');
    expect(items.length).toBeGreaterThan(2);
    for (const plan of items) {
      expect(plan.filledL).toBeGreaterThan(0.1);
      expect(plan.filledL).toBeLessThan(20);
      expect(plan.parts.length).toBeGreaterThan(0);
    }
    const climber = items.find((plan: { name: string }) => plan.name === 'Fletching');
    expect(climber.extras[0]).toMatchObject({ kind: 'topDressing', depthMm: 7 });
  });

  it('a plan with parts of its own keeps them, and is measured by them', async () => {
    const { items } = await get('/api/plans');
    const { plantId, fit } = items.find((plan: { name: string }) => plan.name === 'Tidewrack');
    const parts = [{ component: 'pumice', parts: 1 }];
    const put = await app.call.put(`/api/plants/${plantId}/plan`).send({ ...fit, parts });
    expect(put.status).toBe(200);
    const again = (await get('/api/plans')).items.find(
      (plan: { plantId: number }) => plan.plantId === plantId,
    );
    expect(again.parts).toEqual(parts);
    const bad = await app.call
      .put(`/api/plants/${plantId}/plan`)
      .send({ ...fit, parts: [...parts, ...parts] });
    expect([bad.status, bad.body.error.field]).toEqual([422, 'parts']);
    const unknown = await app.call
      .put(`/api/plants/${plantId}/plan`)
      .send({ ...fit, parts: [{ component: 'soup', parts: 1 }] });
    expect([unknown.status, unknown.body.error.field]).toEqual([422, 'component']);
  });

  it('a stale change of a recipe is refused and changes nothing', async () => {
    const { rev, parts } = await get('/api/recipes/own-1');
    const first = await app.call
      .patch('/api/recipes/own-1')
      .set('If-Match', `"${rev}"`)
      .send({ use: 'the whole east side' });
    expect(first.body).toMatchObject({ version: 2, rev: rev + 1 });
    const late = await app.call
      .patch('/api/recipes/own-1')
      .set('If-Match', `"${rev}"`)
      .send({ parts: [{ component: 'peat', parts: 1 }] });
    expect(late.status).toBe(412);
    expect((await get('/api/recipes/own-1')).parts).toEqual(parts);
  });

  it('a recipe taken off is found by those who stand in it, and comes back as it was', async () => {
    const before = await get('/api/recipes/own-1');
    expect((await app.call.delete('/api/recipes/own-1')).status).toBe(204);
    expect(await get('/api/recipes/own-1')).toMatchObject({ removed: true });
    const back = await app.call.patch('/api/recipes/own-1').send({ removed: false });
    expect(back.body).toMatchObject({ parts: before.parts, version: before.version });
  });

  it('handling is changed thing by thing, and the rest stays', async () => {
    const changed = await app.call
      .patch('/api/components/coir')
      .send({ handling: { soakMinutes: 45 }, dusty: false, wetting: 'dryFill' });
    expect(changed.body).toMatchObject({ soakMinutes: 45, dusty: false, wetting: 'dryFill' });
    expect(changed.body.contains).toEqual(['coconut']);
    const more = await app.call
      .patch('/api/components/coir')
      .send({ handling: { rinseMinutes: 2 } });
    expect(more.body).toMatchObject({ soakMinutes: 45, rinseMinutes: 2 });
  });
});

describe('nonsense', () => {
  it('of any shape never breaks the server, and never changes a recipe', async () => {
    const before = await get('/api/recipes');
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(
          'components',
          'recipes',
          'components/stock',
          'components/peat/kitchen-test',
        ),
        fc.anything({ maxDepth: 3 }),
        async (path, body) => {
          const sent = JSON.stringify(body) as string | undefined;
          const { status } = await app.call
            .post(`/api/${path}`)
            .set('Content-Type', 'application/json')
            .send(sent ?? '');
          expect(Math.floor(status / 100)).toBe(4);
        },
      ),
      { numRuns: 120 },
    );
    expect(await get('/api/recipes')).toEqual(before);
  });
});
