import { COLLECTION_TABLES, type Column } from '../history/tables.ts';

/** What a backup calls itself. */
export const FORMAT = 'fernbank-collection';

const TYPES: Record<Column['kind'], object> = {
  integer: { type: 'integer' },
  real: { type: 'number' },
  text: { type: 'string' },
  boolean: { type: 'boolean' },
  // Whatever JSON the column holds.
  json: {},
};

const typeOf = ({ kind, nullable }: Column) =>
  nullable && kind !== 'json' ? { anyOf: [TYPES[kind], { type: 'null' }] } : TYPES[kind];

/**
 * JSON Schema (2020-12) of `fernbank.json` in a backup: one list a table, its fields as the API
 * names them. Made from the tables themselves, so that the two cannot drift.
 */
export function backupSchema() {
  const tables = COLLECTION_TABLES.map(({ name, columns }) => [
    name,
    {
      type: 'array',
      items: {
        type: 'object',
        additionalProperties: false,
        required: columns.filter(({ nullable }) => !nullable).map(({ field }) => field),
        properties: Object.fromEntries(columns.map((column) => [column.field, typeOf(column)])),
      },
    },
  ]);
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Fernbank backup',
    description:
      'The whole of a collection. Lengths in cm, volumes in L, masses in kg, temperatures in °C, ' +
      'shares 0–1, days as YYYY-MM-DD, moments in ISO 8601 UTC. Pictures lie beside this file as ' +
      'photos/<SHA-256>.<jpg|png|webp>.',
    type: 'object',
    additionalProperties: false,
    required: ['format', 'shape', 'made', 'version', 'tables'],
    properties: {
      format: { const: FORMAT },
      shape: {
        type: 'integer',
        minimum: 1,
        description: 'number of the newest change to the tables that this backup knows',
      },
      made: { type: 'string', description: 'when it was made, ISO 8601 UTC' },
      version: { type: 'string', description: 'of the Fernbank that made it' },
      sequences: {
        type: 'object',
        description: 'the highest id that each table ever gave',
        additionalProperties: { type: 'integer', minimum: 0 },
      },
      tables: {
        type: 'object',
        additionalProperties: false,
        properties: Object.fromEntries(tables),
      },
    },
  };
}
