import { addDays, CATALOGUE, MEDIUM_KINDS, possibleValues, SIGNALS } from '@fernbank/core';
import fc from 'fast-check';
import { afterAll, describe, expect, it } from 'vitest';
import type { ApiDocument } from './openapi/document.ts';
import { TODAY, testApp, type TestApp, takeRowBack } from './testApp.ts';

const app: TestApp = testApp({ garden: true });
afterAll(() => app.close());

type Write = 'post' | 'patch' | 'put';
/** Every operation that takes a body, at the first row of its kind. */
const document = (await app.call.get('/api/openapi.json').expect(200)).body as ApiDocument;
const ROUTES = Object.entries(document.paths).flatMap(([path, methods]) =>
  Object.entries(methods)
    .filter(([, { requestBody }]) => requestBody)
    .map(([method]): [Write, string] => [method as Write, `/api${path.replace(/\{\w+\}/g, '1')}`]),
);

/** Names that mean something here, with values that mostly do not. */
const NAMES = [
  'name',
  'taxon',
  'spotId',
  'pot',
  'shape',
  'heightCm',
  'signals',
  'date',
  'parts',
  'medium',
  'traits',
  'plantId',
  'done',
  'latitudeDeg',
  'count',
  'kind',
  'step',
  'method',
  'grade',
  'seen',
  'rooted',
  '__proto__',
  'constructor',
];

describe('whatever is sent', () => {
  it('is sent to every route that takes a body', () => {
    expect(ROUTES.length).toBeGreaterThan(50);
    expect(new Set(ROUTES.map(([method]) => method))).toEqual(new Set(['post', 'patch', 'put']));
  });

  it('no body brings a 500, and every refusal has the one shape', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...ROUTES),
        fc.dictionary(fc.constantFrom(...NAMES), fc.jsonValue({ maxDepth: 3 })),
        async ([method, path], body) => {
          const response = await app.call[method](path).send(body);
          expect(response.status, JSON.stringify(response.body)).toBeLessThan(500);
          if (response.status >= 400) {
            expect(response.body.error.code).toEqual(expect.any(String));
            expect(response.body.error.message).toEqual(expect.any(String));
          }
        },
      ),
      { numRuns: 6 * ROUTES.length },
    );
  });

  it('no query brings a 500', async () => {
    const paths = ['plants', 'looks', 'verdicts', 'rounds', 'taxa', 'plants/1/file'];
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...paths),
        fc.constantFrom('cursor', 'limit', 'date', 'q', 'plantId'),
        fc.string({ maxLength: 30 }),
        async (path, key, value) => {
          const query = `${key}=${encodeURIComponent(value)}`;
          expect((await app.call.get(`/api/${path}?${query}`)).status).toBeLessThan(500);
        },
      ),
      { numRuns: 80 },
    );
  });
});

describe('any sound situation', () => {
  const anySignals = fc
    .tuple(
      ...SIGNALS.map((definition) =>
        fc.option(fc.constantFrom(...possibleValues(definition).map(({ value }) => value)), {
          nil: undefined,
          freq: 2,
        }),
      ),
    )
    .map((values) => Object.fromEntries(SIGNALS.map(({ id }, i) => [id, values[i]])));

  it('can be added, looked at, judged, fitted, repotted and undone', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...CATALOGUE),
        fc.constantFrom(...MEDIUM_KINDS),
        fc.double({ min: 5, max: 60, noNaN: true }),
        fc.option(fc.integer({ min: 1, max: 2000 })),
        anySignals,
        async (taxon, medium, widthCm, daysAgo, found) => {
          const pot = { shape: 'cylinder', topDiameterCm: widthCm, heightCm: widthCm };
          const plant = await app.call
            .post('/api/plants')
            .send({
              name: taxon.common,
              taxon: taxon.name,
              spotId: 1,
              pot,
              mediumKind: medium.id,
              lastRepot: daysAgo === null ? null : addDays(TODAY, -daysAgo),
            })
            .expect(201);
          const plantId = plant.body.id as number;
          await app.call
            .post('/api/looks')
            .send({ plantId, date: TODAY, signals: found })
            .expect(201);
          const { body: file } = await app.call.get(`/api/plants/${plantId}/file`).expect(200);
          expect(file.decision.reasons.length).toBeGreaterThan(0);
          const repot = await app.call
            .post('/api/repots')
            .send({
              plantId,
              date: TODAY,
              pot: { ...pot, topDiameterCm: widthCm + 3 },
              mediumKind: medium.id,
              recipeId: taxon.traits.recipe,
            })
            .expect(201);
          expect(repot.body.tasks.length).toBeGreaterThanOrEqual(5);
          await takeRowBack(app, 'repots', repot.body.id).expect(200);
          await app.call.delete(`/api/plants/${plantId}`).expect(204);
        },
      ),
      { numRuns: 40 },
    );
  });
});
