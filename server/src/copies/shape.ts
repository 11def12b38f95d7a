import { COLLECTION_TABLES, type Column, type RowTable } from '../history/tables.ts';

/** What a backup calls itself. */
export const FORMAT = 'fernbank-collection';

/** Columns that hold a calendar day. */
const DAYS = new Set([
  ...['date', 'due', 'done', 'acquired', 'lastRepot', 'apartSince', 'clearedOn', 'goneOn'],
  ...['soakingSince', 'nextChance', 'until', 'emptied'],
]);
/** Longer than anything that can be typed into a field; a plan of a day is JSON, not text. */
const LONGEST_TEXT = 100_000;
const NUL = String.raw`\u0000`;

const TYPES: Record<Column['kind'], object> = {
  integer: { type: 'integer', minimum: -Number.MAX_SAFE_INTEGER, maximum: Number.MAX_SAFE_INTEGER },
  real: { type: 'number', minimum: -1e12, maximum: 1e12 },
  // SQLite ends a text at NUL, without a word.
  text: { type: 'string', maxLength: LONGEST_TEXT, pattern: `^[^${NUL}]*$` },
  boolean: { type: 'boolean' },
  // Whatever JSON the column holds.
  json: {},
};
const DAY = {
  type: 'string',
  pattern: '^\\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\\d|3[01])$',
};

function typeOf({ kind, nullable, field }: Column, table: string) {
  const isDay = kind === 'text' && DAYS.has(field) && table !== 'recipe_versions';
  // What a history held before is a text of its own, as long as it was.
  const type = isDay
    ? DAY
    : table === 'changes' && kind === 'text'
      ? { type: 'string' }
      : TYPES[kind];
  return nullable && kind !== 'json' ? { anyOf: [type, { type: 'null' }] } : type;
}

/** JSON Schema of a row in a backup. */
export const rowSchema = ({ name, columns }: RowTable) => ({
  type: 'object',
  additionalProperties: false,
  required: columns.filter(({ nullable }) => !nullable).map(({ field }) => field),
  properties: Object.fromEntries(columns.map((column) => [column.field, typeOf(column, name)])),
});

/**
 * JSON Schema (2020-12) of `fernbank.json` in a backup: one list a table, its fields as the API
 * names them. Made from the tables themselves, so that the two cannot drift.
 */
export function backupSchema() {
  const tables = COLLECTION_TABLES.map((table) => [
    table.name,
    { type: 'array', items: rowSchema(table) },
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
      missing: {
        type: 'array',
        items: { type: 'string' },
        description: 'pictures that could not be read when it was made',
      },
      tables: {
        type: 'object',
        additionalProperties: false,
        properties: Object.fromEntries(tables),
      },
    },
  };
}
