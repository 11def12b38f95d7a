/** Bodies that are right by their JSON Schema, and bodies that are almost. */
export type Random = () => number;
export interface Schema {
  type?: string | string[];
  const?: unknown;
  enum?: unknown[];
  anyOf?: Schema[];
  oneOf?: Schema[];
  allOf?: Schema[];
  properties?: Record<string, Schema>;
  required?: string[];
  items?: Schema;
  minItems?: number;
  maxItems?: number;
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  pattern?: string;
  minLength?: number;
  default?: unknown;
}

const STRINGS = [
  '',
  ' ',
  'a',
  'Aspidistra elatior',
  '2026-03-16',
  '2026-02-30',
  '9999-99-99',
  '12:30',
  'null',
  '__proto__',
  'constructor',
  '=1+1',
  '<b>',
  '../../x',
  '\u0000',
  '\ud800',
  '🌿'.repeat(40),
  'x'.repeat(5000),
  '%s%n',
  "'; DROP TABLE plants;--",
  '1e999',
  '０',
];
const NUMBERS = [
  0,
  -0,
  1,
  -1,
  0.1,
  1e-9,
  1e9,
  1e308,
  -1e308,
  2 ** 31,
  2 ** 53,
  2 ** 63,
  1.7976931348623157e308,
  5e-324,
  14,
  365,
  4711,
];
const NAMES = [
  'id',
  'rev',
  'name',
  'date',
  'plantId',
  'pot',
  'signals',
  'kind',
  'value',
  '__proto__',
  'toString',
  'length',
  '',
];

const pick = <T>(random: Random, of: readonly T[]) => of[Math.floor(random() * of.length)]!;

/** Anything that JSON can say, a few levels deep. */
export function anyValue(random: Random, depth: number): unknown {
  const which = random();
  if (which < 0.3) return pick(random, STRINGS);
  if (which < 0.55) return pick(random, NUMBERS);
  if (which < 0.7) return pick(random, [null, true, false]);
  if (depth <= 0) return pick(random, STRINGS);
  const count = Math.floor(random() * 4);
  if (which < 0.85) return Array.from({ length: count }, () => anyValue(random, depth - 1));
  return Object.fromEntries(
    Array.from({ length: count }, () => [pick(random, NAMES), anyValue(random, depth - 1)]),
  );
}

/** A value that the schema allows, as far as it says. */
export function fromSchema(schema: Schema, random: Random, depth = 6): unknown {
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return pick(random, schema.enum);
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices && choices.length > 0) return fromSchema(pick(random, choices), random, depth);
  if (schema.allOf?.[0]) return fromSchema(schema.allOf[0], random, depth);
  const type = Array.isArray(schema.type) ? pick(random, schema.type) : schema.type;
  switch (type ?? (schema.properties ? 'object' : undefined)) {
    case 'object': {
      const required = new Set(schema.required ?? []);
      const fields = Object.entries(schema.properties ?? {}).filter(
        ([name]) => required.has(name) || random() < 0.45,
      );
      return depth <= 0
        ? {}
        : Object.fromEntries(fields.map(([name, of]) => [name, fromSchema(of, random, depth - 1)]));
    }
    case 'array': {
      const least = schema.minItems ?? 0;
      const count = least + Math.floor(random() * Math.min(4, (schema.maxItems ?? 4) - least + 1));
      return Array.from({ length: depth <= 0 ? least : count }, () =>
        fromSchema(schema.items ?? {}, random, depth - 1),
      );
    }
    case 'integer':
    case 'number': {
      const low = schema.minimum ?? schema.exclusiveMinimum ?? 0;
      const high = schema.maximum ?? low + 50;
      const value = pick(random, [
        low,
        high,
        low + random() * (high - low),
        low + random() * Math.min(20, high - low),
      ]);
      return type === 'integer' ? Math.round(value) : value;
    }
    case 'boolean':
      return random() < 0.5;
    case 'null':
      return null;
    case 'string':
      if (schema.pattern?.includes('\\d{4}')) {
        return pick(random, ['2026-03-16', '2026-03-01', '2024-02-29', '2025-11-30', '2019-01-01']);
      }
      return pick(random, [
        'Aspidistra elatior',
        'everyday',
        'Begonia maculata',
        'a',
        'note',
        'ticket hall',
        'ferns',
      ]);
    default:
      return anyValue(random, 1);
  }
}

/** A body with one to three things wrong with it, somewhere in its depth. */
export function mutated(value: unknown, random: Random): unknown {
  let body = value;
  for (let i = 0; i <= random() * 3; i++) body = changedOnce(body, random);
  return body;
}
function changedOnce(value: unknown, random: Random): unknown {
  if (Array.isArray(value)) {
    if (value.length === 0 || random() < 0.3)
      return pick(random, [
        [...value, anyValue(random, 2)],
        [],
        Array(300).fill(value[0] ?? 1),
        anyValue(random, 1),
      ]);
    const at = Math.floor(random() * value.length);
    return value.map((one: unknown, i) => (i === at ? changedOnce(one, random) : one));
  }
  if (typeof value === 'object' && value !== null) {
    const names = Object.keys(value);
    const of = value as Record<string, unknown>;
    if (names.length === 0 || random() < 0.15)
      return { ...of, [pick(random, NAMES)]: anyValue(random, 2) };
    const name = pick(random, names);
    const { [name]: inside, ...others } = of;
    return random() < 0.2 ? others : { ...of, [name]: changedOnce(inside, random) };
  }
  if (typeof value === 'number' && random() < 0.6) {
    return pick(random, [...NUMBERS, -value, value * 1000, value + 0.5, String(value)]);
  }
  return anyValue(random, 1);
}
