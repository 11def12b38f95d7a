import { Validator } from '@seriousme/openapi-schema-validator';
import Ajv2020 from 'ajv/dist/2020.js';
import { afterAll, describe, expect, it } from 'vitest';
import { testApp, type TestApp } from '../testApp.ts';
import { answerFault } from './checkedAnswers.ts';
import type { ApiDocument } from './document.ts';

const app: TestApp = testApp();
afterAll(() => app.close());
const document = (await app.call.get('/api/openapi.json').expect(200)).body as ApiDocument;

const named = (at: string) =>
  Object.keys(document.paths).flatMap((path) =>
    path.startsWith(at) ? [path.slice(at.length)] : [],
  );
const CALCULATORS = named('/calc/');
/** What is promised by name to whoever builds on the API. */
const PROMISED = {
  calculators:
    'pot season column mix stability dilution feed cuts decision fit day aftercare water life'.split(
      ' ',
    ),
  resources:
    'plants spots looks measurements repots pots components recipes supports tasks days'.split(' '),
};
/** What is a sum has an example instead; what is a file is no JSON. */
const FILES = /\/calc\/|\.csv$|\.ics$|\.json$|\/(backup|events)$|\/photos\/\{id\}$/;
const bodyOf = (path: string) =>
  document.paths[path]!.post!.requestBody!.content['application/json'];

describe('the description of the API', () => {
  it('is valid OpenAPI 3.1 by the published schema', async () => {
    const validator = new Validator();
    const result = await validator.validate(structuredClone(document) as never);
    expect(result.errors ?? []).toEqual([]);
    expect(validator.version).toBe('3.1');
  });

  it('names every resource and calculator of the contract', () => {
    for (const name of PROMISED.resources) {
      expect(document.paths).toHaveProperty([`/${name}`, 'get']);
      expect(document.paths).toHaveProperty([`/${name}/{id}`, 'get']);
    }
    expect(CALCULATORS).toEqual(expect.arrayContaining(PROMISED.calculators));
  });

  it('gives every calculator an example, and every write a schema of its body', () => {
    for (const name of CALCULATORS) expect(bodyOf(`/calc/${name}`).example, name).toBeDefined();
    const bare = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.entries(methods)
        .filter(([method, { requestBody }]) => /^(patch|put)$/.test(method) && !requestBody)
        .map(([method]) => `${method} ${path}`),
    );
    expect(bare).toEqual([]);
  });

  it.each(CALCULATORS)('the example of %s gets the answer that is shown with it', async (name) => {
    const { example } = bodyOf(`/calc/${name}`);
    const shown = document.paths[`/calc/${name}`]!.post!.responses['200'] as {
      content: Record<string, { example: unknown }>;
    };
    const { body } = await app.call
      .post(`/api/calc/${name}`)
      .send(example as object)
      .expect(200);
    expect(body).toEqual(shown.content['application/json']!.example);
  });

  it.each(CALCULATORS)(
    'the JSON Schema of %s takes its example and refuses what the route refuses',
    async (name) => {
      const { schema, example } = bodyOf(`/calc/${name}`);
      const valid = new Ajv2020({ strict: false }).compile(schema);
      expect(valid(example)).toBe(true);
      const broken = [
        { ...(example as object), nonsense: 1 },
        { ...(example as object), date: 5, totalL: 'x', heightCm: -1, baseRadiusCm: [] },
      ];
      for (const body of broken) {
        const { status } = await app.call.post(`/api/calc/${name}`).send(body);
        expect(status).toBe(400);
        expect(valid(body)).toBe(false);
      }
    },
  );

  it('tells of every answer that is no sum and no file what it holds', () => {
    const told = (responses: Record<string, unknown>) =>
      Object.entries(responses as Record<string, { content?: Record<string, { schema: object }> }>)
        .filter(([status]) => status.startsWith('2'))
        .flatMap(([, { content }]) => Object.values(content ?? {}).map(({ schema }) => schema));
    const bare = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.entries(methods)
        .filter(([, { responses }]) =>
          told(responses).some((schema) => JSON.stringify(schema) === '{"type":"object"}'),
        )
        .map(([method]) => `${method} ${path}`),
    );
    expect(bare.filter((one) => !FILES.test(one))).toEqual([]);
    const text = JSON.stringify(document);
    for (const [, name] of text.matchAll(/"#\/components\/schemas\/(\w+)"/g)) {
      expect(document.components.schemas).toHaveProperty(name!);
    }
  });

  it('finds an answer that is not what it promises', async () => {
    const { body } = await app.call.get('/api/rounds').expect(200);
    const fault = (answer: object) => answerFault('GET', '/api/rounds', answer);
    expect(fault(body)).toBeNull();
    expect(fault({ ...body, toCome: 'some' })).toContain('/toCome must be number');
    expect(fault({ ...body, mood: 1 })).toContain('mood');
    const { tally: _, ...less } = body;
    expect(fault(less)).toContain('tally');
    expect(answerFault('GET', '/api/days/now', { items: [], nextCursor: null })).toBeNull();
    expect(answerFault('GET', '/api/days/1', { items: [], nextCursor: null })).not.toBeNull();
  });

  it('operations have names of their own', () => {
    const ids = Object.values(document.paths).flatMap((methods) =>
      Object.values(methods).map(({ operationId }) => operationId),
    );
    expect(new Set(ids).size).toBe(ids.length);
  });

  it('can be read as a page without a script', async () => {
    const { text, headers } = await app.call.get('/api/docs').expect(200);
    expect(headers['content-type']).toContain('text/html');
    expect(text).not.toContain('<script');
    for (const path of Object.keys(document.paths)) expect(text).toContain(`/api${path}`);
  });
});
