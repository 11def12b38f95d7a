import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { testApp, type TestApp } from '../testApp.ts';

let app: TestApp;
beforeEach(() => {
  app = testApp();
});
afterEach(() => app.close());

describe('POST /api/calc/day', () => {
  const body = {
    minutes: 120,
    plants: [
      { id: 1, gain: 0.4, mix: 'everyday', options: [{ pot: 'large', minutes: 24, filledL: 3 }] },
      { id: 2, gain: 0.25, mix: 'everyday', options: [{ pot: 'left-1', minutes: 20, filledL: 1 }] },
    ],
    pots: [
      { id: 'large', count: 1 },
      { id: 'left-1', leftBy: 1 },
    ],
    cleaning: 'rinse',
  };
  const calc = (over: object = {}) => app.call.post('/api/calc/day').send({ ...body, ...over });

  it('answers with plan, hand-downs, shopping, objective, gap and the greedy one', async () => {
    const { status, body: answer } = await calc();
    expect(status).toBe(200);
    expect(answer.plan.lines).toHaveLength(2);
    expect(answer.handDowns[0].links).toHaveLength(2);
    // Of no component a stock was told: nothing is bought, all is looked for.
    const kinds = answer.shopping.map(({ kind }: { kind: string }) => kind);
    expect(new Set(kinds)).toEqual(new Set(['check']));
    expect(answer.objective).toBeCloseTo(0.65, 9);
    expect(answer.gap).toBe(0);
    expect(answer.greedyObjective).toBeLessThanOrEqual(answer.objective);
  });

  it('buys whole bags', async () => {
    const stock = [{ component: 'pottingSoil', openL: 1, bagL: 5, pricePerBag: 3 }];
    const { body: answer } = await calc({ stock });
    expect(answer.shopping[0]).toMatchObject({ kind: 'bag', component: 'pottingSoil', count: 1 });
  });

  it.each([
    ['no minutes', { minutes: 0 }, 'minutes'],
    ['no pots', { pots: [] }, 'pots'],
    ['an unknown pot', { pots: [{ id: 'other' }] }, undefined],
    [
      'pins that contradict each other',
      {
        pins: [
          { kind: 'in', plant: 1 },
          { kind: 'out', plant: 1 },
        ],
      },
      'pins',
    ],
    ['a pin for which there is no time', { minutes: 40, pins: [{ kind: 'in', plant: 1 }] }, 'pins'],
  ])('refuses %s', async (_, over, field) => {
    const { status, body: answer } = await calc(over);
    expect([400, 422]).toContain(status);
    if (field) expect(answer.error.field).toBe(field);
    if (field === 'pins') expect(answer.error.message).toMatch(/plant 1 in/);
  });
});
