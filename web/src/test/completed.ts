import made from '../../../server/src/openapi/answers.json' with { type: 'json' };
import { answerFault, routeOf } from '../../../server/src/openapi/checkedAnswers.ts';

interface Schema {
  $ref?: string;
  type?: string | string[];
  const?: unknown;
  enum?: unknown[];
  anyOf?: Schema[];
  items?: Schema;
  properties?: Record<string, Schema>;
  required?: string[];
}
const { definitions, answers } = made as unknown as Record<string, Record<string, Schema>> & {
  definitions: Record<string, Schema>;
  answers: Record<string, Schema>;
};

const plain = (schema: Schema): Schema =>
  schema.$ref ? plain(definitions[schema.$ref.replace(/.*\//, '')]!) : schema;
const typesOf = ({ type }: Schema): string[] => [type ?? []].flat();
const isRow = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The least that keeps to a schema. */
function blank(given: Schema): unknown {
  const schema = plain(given);
  if ('const' in schema) return schema.const;
  if (schema.enum) return schema.enum[0];
  const types = typesOf(schema);
  const options = (schema.anyOf ?? []).map(plain);
  if (types.includes('null') || options.some((one) => one.type === 'null')) return null;
  if (options[0]) return blank(options[0]);
  if (types.includes('string')) return '';
  if (types.includes('number')) return 0;
  if (types.includes('boolean')) return false;
  return types.includes('array') ? [] : complete(schema, {});
}

/** Whether a value can be meant by one of several schemas. */
function means(given: Schema, value: unknown): boolean {
  const schema = plain(given);
  if (schema.anyOf) return schema.anyOf.some((one) => means(one, value));
  if ('const' in schema) return schema.const === value;
  if (schema.enum && !isRow(value)) return schema.enum.includes(value);
  if (Array.isArray(value)) return typesOf(schema).includes('array');
  if (!isRow(value)) return typesOf(schema).includes(value === null ? 'null' : typeof value);
  const { properties = {} } = schema;
  return (
    typesOf(schema).includes('object') &&
    Object.entries(value).every(([key, one]) => !properties[key] || means(properties[key], one))
  );
}

/** Fields that a schema does not know. */
function strange(given: Schema, value: unknown): number {
  const { properties = {} } = plain(given);
  return isRow(value) ? Object.keys(value).filter((key) => !(key in properties)).length : 0;
}

function complete(given: Schema, value: unknown): unknown {
  const schema = plain(given);
  if (schema.anyOf) {
    // Of several the one that knows most of what it says.
    const [meant] = schema.anyOf
      .filter((one) => means(one, value))
      .sort((a, b) => strange(a, value) - strange(b, value));
    return meant ? complete(meant, value) : value;
  }
  if (Array.isArray(value)) return value.map((one) => complete(schema.items ?? {}, one));
  if (!isRow(value)) return value;
  const { properties = {}, required = [] } = schema;
  return Object.fromEntries([
    ...required.flatMap((key) => (key in value ? [] : [[key, blank(properties[key]!)]])),
    ...Object.entries(value).map(([key, one]) => [key, complete(properties[key] ?? {}, one)]),
  ]);
}

/** Answers of the test that no server would give. */
export const wrong: string[] = [];

/**
 * An answer of a test as the contract has it: a test tells what it is about, the rest is the least
 * that the contract asks for. One that says what the server would not fails its test.
 */
export function completed(method: string, path: string, answer: unknown): unknown {
  const at = `/api${path.replace(/\?.*/, '')}`;
  const told: unknown = JSON.parse(JSON.stringify(answer));
  const route = routeOf(method, at);
  if (!route) return told;
  const whole = complete(answers[route]!, told);
  const fault = answerFault(method, at, whole);
  if (fault) wrong.push(fault);
  return whole;
}
