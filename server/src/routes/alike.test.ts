import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { addDays, ask, resolveTaxon, SHIPPED, TYPICAL_SPOT, type FitPlan } from '@fernbank/core';
import { handsOf, ROUND_POT, testApp, TODAY, type TestApp } from '../testApp.ts';

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

describe('of plants alike the same is settled and judged at once', () => {
  const PLAN: FitPlan = {
    pot: { ...ROUND_POT, topDiameterCm: 11 },
    potMaterial: 'plastic',
    potLabel: '11 cm',
    potId: null,
    potSource: 'toBuy',
    recipeId: 'everyday',
    size: 'oneUp',
    layer: 'screen',
    cuts: { pieces: 1, rootsPruned: false },
    support: null,
  };
  const three = async (): Promise<number[]> => {
    const body = { plant: await plantOf(), count: 3 };
    const made = await app.call.post('/api/plants/alike').send(body).expect(201);
    return made.body.items.map(({ id }: { id: number }) => id);
  };
  const settle = (id: number, fit: object) => app.call.put(`/api/plants/${id}/plan`).send(fit);
  const plans = async () => (await get('/api/plans')).items as { plantId: number; fit: FitPlan }[];

  it('each keeps a plan of its own; one undo takes all of them back', async () => {
    const [first, ...others] = await three();
    const kept = await settle(first!, { ...PLAN, alike: others }).expect(200);
    expect((await plans()).map(({ plantId }) => plantId).sort()).toEqual([first, ...others].sort());
    expect((await plans()).every(({ fit }) => !('alike' in fit))).toBe(true);
    await undo(deedOf(kept)).expect(200);
    expect(await plans()).toEqual([]);
  });

  it('as far as pots of the shelf go round, and never of one that is handed down', async () => {
    const [first, ...others] = await three();
    const { id: potId } = await add('/api/pots', { label: 'P11', shape: PLAN.pot, count: 2 });
    const own = { ...PLAN, potId, potSource: 'free' };
    const few = await settle(first!, { ...own, alike: others });
    expect(few.body.error).toMatchObject({
      field: 'alike',
      message: expect.stringMatching(/3 × P11/),
    });
    await settle(first!, { ...own, alike: others.slice(0, 1) }).expect(200);
    const down = { ...PLAN, potSource: 'handedDown', leftBy: 'Bosun', alike: others };
    expect((await settle(first!, down)).body.error.field).toBe('alike');
    expect(await plans()).toHaveLength(2);
  });

  it('the question of a repot is open for those it is open for, and answered for each', async () => {
    const [first, second, third] = (await three()) as [number, number, number];
    const repots = [];
    for (const plantId of [first, second]) {
      const { pot, potMaterial, potId, recipeId } = PLAN;
      const order = { plantId, date: addDays(TODAY, -24), pot, potMaterial, potId, recipeId };
      repots.push(await add('/api/repots', { ...order, mediumKind: 'peatSoil' }));
    }
    // The third still stands in its old pot: it is not alike any more.
    const { alike } = await get(`/api/plants/${first}/file`);
    expect(alike).toEqual([
      { id: second, name: 'Bollard 2', toJudge: { repotId: repots[1].id, at: 'weeks3' } },
    ]);
    const judged = { repotId: repots[0].id, date: TODAY, grade: 'suffers', seen: ['rocks'] };
    const answer = await app.call
      .post('/api/outcomes')
      .send({ ...judged, alike: [repots[1].id] })
      .expect(201);
    const outcomes = async (id: number) => (await get(`/api/outcomes?plantId=${id}`)).items;
    expect(await outcomes(second)).toMatchObject([{ grade: 'suffers', seen: ['rocks'] }]);
    expect(await outcomes(third)).toEqual([]);
    expect((await get(`/api/plants/${first}/file`)).alike[0].toJudge).toBeNull();
    await undo(deedOf(answer)).expect(200);
    expect(await outcomes(second)).toEqual([]);
  });
});

describe('a plant that was asked about', () => {
  const { spotId: _none, ...PLANT } = {
    name: 'Scuttle',
    taxon: 'Davallia fejeensis',
    pot: ROUND_POT,
    mediumKind: 'bark',
    lastRepot: '2024-04-15',
    spotId: 0,
  };
  const ROOM = { name: 'Bright room', latitudeDeg: 52 };
  const asked = { plant: PLANT, spot: ROOM, date: TODAY, signals: { rootsAtHoles: 'every' } };
  const keep = (body: object) => app.call.post('/api/plants/asked').send(body);

  it('comes in with its room and what was seen, judged as it was; one undo takes all of it back', async () => {
    const kept = await keep(asked).expect(201);
    const { decision, plant, spot } = await get(`/api/plants/${kept.body.id}/file`);
    expect(plant).toMatchObject({ name: 'Scuttle', lastRepot: '2024-04-15' });
    expect(spot).toMatchObject({ name: 'Bright room', temperatureC: 20 });
    const { decision: said } = ask(
      {
        taxon: resolveTaxon('Davallia fejeensis')!,
        rimCm: 14,
        potMaterial: 'plastic',
        mediumKind: 'bark',
        lastRepot: '2024-04-15',
        signals: { rootsAtHoles: 'every' },
        spot: { ...TYPICAL_SPOT, latitudeDeg: 52 },
        date: TODAY,
      },
      SHIPPED,
    );
    expect(decision.headline).toBe(said.headline);
    expect(decision.window).toEqual(said.window);
    await undo(deedOf(kept)).expect(200);
    expect((await get('/api/plants')).items).toEqual([]);
    expect((await get('/api/spots')).items).toEqual([]);
  });

  it.each([
    ['neither spot nor room', { ...asked, spot: null }, 'plant.spotId'],
    ['both', { ...asked, plant: { ...PLANT, spotId: 1 } }, 'plant.spotId'],
    ['a spot that is not', { ...asked, plant: { ...PLANT, spotId: 9 }, spot: null }, 'spotId'],
    ['tomorrow', { ...asked, date: addDays(TODAY, 2) }, 'date'],
    [
      'a finding that is none',
      { ...asked, signals: { rootsAtHoles: 'lots' } },
      'signals.rootsAtHoles',
    ],
    ['an unknown plant', { ...asked, plant: { ...PLANT, taxon: 'Imaginaria' } }, 'taxon'],
  ])('with %s is refused by its field, and nothing is kept', async (_what, body, field) => {
    const { status, body: answer } = await keep(body);
    expect([400, 422]).toContain(status);
    expect(answer.error.field).toBe(field);
    expect((await get('/api/plants')).items).toEqual([]);
    expect((await get('/api/spots')).items).toEqual([]);
  });
});
