import type { Schema } from 'joi';
import type { Operation } from '../http/described.ts';
import { check } from '../http/validate.ts';
import { answerSchema, schemasOfAnswers } from './answers.ts';

/** The parts of an OpenAPI 3.1 document that Fernbank uses. */
export interface ApiDocument {
  openapi: '3.1.0';
  info: {
    title: string;
    version: string;
    description: string;
    license: { name: string; identifier: string };
  };
  servers: { url: string }[];
  tags: { name: string }[];
  paths: Record<string, Record<string, ApiOperation>>;
  components: Record<string, Record<string, unknown>>;
}

export interface ApiOperation {
  operationId: string;
  tags: string[];
  summary: string;
  parameters?: ApiParameter[];
  requestBody?: {
    required: boolean;
    content: Record<'application/json', { schema: JsonSchema; example?: unknown }>;
  };
  responses: Record<string, unknown>;
}

interface ApiParameter {
  name: string;
  in: 'path' | 'query' | 'header';
  required: boolean;
  description?: string;
  schema: JsonSchema;
}

export interface JsonSchema {
  properties?: Record<string, JsonSchema>;
  required?: string[];
  [keyword: string]: unknown;
}

/** Operations and the place below `/api` where their router stands. */
export interface Place {
  at: string;
  operations: readonly Operation[];
}

/** A Joi schema as JSON Schema of draft 2020-12, which is what OpenAPI 3.1 speaks. */
export function jsonSchemaOf(schema: Schema): JsonSchema {
  return schema['~standard'].jsonSchema.input({ target: 'draft-2020-12' });
}

const ERROR = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['code', 'message'],
      properties: {
        code: { type: 'string' },
        message: { type: 'string' },
        field: { type: 'string', description: 'the field that is wrong, where one is' },
      },
    },
  },
};
const REFUSED = { $ref: '#/components/responses/Refused' };

/**
 * The whole API as OpenAPI 3.1, made from the schemas that check its requests.
 *
 * Examples of calculators show the answer that the core gives to them now.
 */
export async function apiDocument(places: readonly Place[], version: string): Promise<ApiDocument> {
  const paths: ApiDocument['paths'] = {};
  for (const { at, operations } of places) {
    for (const operation of operations) {
      const place = at + (operation.path === '/' ? '' : operation.path);
      const path = place.replace(/:(\w+)/g, '{$1}');
      (paths[path] ??= {})[operation.method] = await described(operation, path, place);
    }
  }
  const tags = [...new Set(Object.keys(paths).map(tagOf))].map((name) => ({ name }));
  return {
    openapi: '3.1.0',
    info: {
      title: 'Fernbank',
      version,
      description:
        'Lengths in cm, volumes in L, masses in kg, fractions 0–1, days as YYYY-MM-DD. ' +
        'Every refusal has one shape and names the field. Lists come in pages: pass `nextCursor` as `cursor`. ' +
        'A row’s ETag is its revision; send it as If-Match and a stale write gets 412. ' +
        'A write with an Idempotency-Key is done once, however often it is sent, and answered alike. ' +
        'Every write is an entry of the history, named in X-Fernbank-Deed, that can be taken back.',
      license: { name: 'Apache-2.0', identifier: 'Apache-2.0' },
    },
    servers: [{ url: '/api' }],
    tags,
    paths,
    components: {
      schemas: { Error: ERROR, ...schemasOfAnswers() },
      responses: {
        Refused: {
          description: 'refused; nothing was changed',
          content: { 'application/json': { schema: { $ref: '#/components/schemas/Error' } } },
        },
      },
    },
  };
}

const tagOf = (path: string) => path.split('/')[1]!;

async function described(operation: Operation, path: string, at: string): Promise<ApiOperation> {
  const { method, summary, status = 200, body, bodyOptional, example, sum } = operation;
  const parameters = parametersOf(operation, path);
  const schema = body ? jsonSchemaOf(body) : null;
  const answer = body && example && sum ? await sum(check(body, example)) : undefined;
  return {
    operationId: `${method}${path.replace(/[{}]/g, '').replace(/\/(\w)/g, (_, letter: string) => letter.toUpperCase())}`,
    tags: [tagOf(path)],
    summary,
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(schema
      ? {
          requestBody: {
            required: !bodyOptional,
            content: { 'application/json': { schema, ...(example ? { example } : {}) } },
          },
        }
      : {}),
    responses: {
      [status]:
        status === 204
          ? { description: 'done' }
          : {
              description: status === 201 ? 'made; its address is in Location' : 'the answer',
              content: {
                'application/json': {
                  schema: answerSchema(method, at) ?? { type: 'object' },
                  ...(answer ? { example: answer } : {}),
                },
              },
            },
      '4XX': REFUSED,
    },
  };
}

/** Parameters of an address that are no numbers of rows. */
const WORDS = new Set(['name', 'token']);
const ROW_ID: JsonSchema = { type: 'integer', minimum: 1 };

function parametersOf({ method, query }: Operation, path: string): ApiParameter[] {
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]): ApiParameter => ({
    name: name!,
    in: 'path',
    required: true,
    schema: WORDS.has(name!) ? { type: 'string' } : ROW_ID,
  }));
  const schema = query ? jsonSchemaOf(query) : {};
  const inQuery = Object.entries(schema.properties ?? {}).map(([name, of]): ApiParameter => ({
    name,
    in: 'query',
    required: schema.required?.includes(name) ?? false,
    schema: of,
  }));
  const writes = inPath.length > 0 && (method === 'patch' || method === 'delete');
  const ifMatch: ApiParameter = {
    name: 'If-Match',
    in: 'header',
    required: false,
    description: 'ETag of the copy that the change builds on; a stale one gets 412',
    schema: { type: 'string' },
  };
  return [...inPath, ...inQuery, ...(writes ? [ifMatch] : [])];
}
