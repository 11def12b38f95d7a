import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { generateSchema, programFromConfig, type Definition } from 'typescript-json-schema';

/**
 * What the API answers with as JSON Schema, from the types that handlers and interface are held to.
 * Every answer in a test of the server is checked by it, so that what is published is what is sent.
 */
const root = join(import.meta.dirname, '..');
const FROM = '#/definitions/';
const PLAIN = /^[A-Za-z]\w*$/;

const program = programFromConfig(join(root, 'tsconfig.json'), [
  join(root, 'server/src/contract.ts'),
]);
const made = generateSchema(program, 'Answers', {
  required: true,
  strictNullChecks: true,
  ignoreErrors: true,
  ref: true,
  aliasRef: true,
  topRef: true,
});
const { Answers: answers, ...definitions } = made!.definitions as Record<string, Definition>;
const byKey = answers!.properties as Record<string, Definition>;
if (Object.keys(byKey).length < 50) throw new Error('the contract has lost its routes');

/** A row without a name of its own is told where it stands, unless it stands in itself. */
function whole(of: unknown, within: readonly string[] = []): unknown {
  if (Array.isArray(of)) return of.map((one) => whole(one, within));
  if (typeof of !== 'object' || of === null) return of;
  const { $ref, ...rest } = of as { $ref?: string };
  const kept = Object.fromEntries(
    Object.entries(rest).map(([key, one]) => [key, whole(one, within)]),
  );
  if ($ref === undefined) return closed(joined(kept, within));
  const name = nameIn($ref);
  if (PLAIN.test(name)) return { ...kept, $ref: FROM + name };
  if (within.includes(name)) return kept;
  return { ...(whole(definitions[name], [...within, name]) as object), ...kept };
}

const nameIn = (ref: string) => decodeURIComponent(ref.slice(FROM.length));

/** Nothing is answered beside what is told, but in a record of any names. */
function closed(of: Definition): Definition {
  const { properties, additionalProperties } = of;
  return properties && additionalProperties === undefined
    ? { ...of, additionalProperties: false }
    : of;
}

/** What is both this and that has the properties of both: each alone would refuse the other's. */
function joined(of: Definition, within: readonly string[]): Definition {
  if (!of.allOf) return of;
  const parts = (of.allOf as Definition[]).map((part) => {
    if (part.$ref === undefined) return part;
    return whole(definitions[nameIn(part.$ref)], within) as Definition;
  });
  if (!parts.every(({ type, properties }) => type === 'object' && properties)) {
    throw new Error(`neither a type nor a row: ${JSON.stringify(of)}`);
  }
  const { allOf: _parts, ...rest } = of;
  return {
    ...rest,
    type: 'object',
    properties: Object.assign(
      {},
      ...parts.map(({ properties }) => properties),
    ) as Definition['properties'],
    required: [...new Set(parts.flatMap(({ required }) => required ?? []))],
    additionalProperties: false,
  };
}

const refsIn = (of: unknown): string[] =>
  [...JSON.stringify(of).matchAll(/"#\/definitions\/(\w+)"/g)].map(([, name]) => name!);
const told = Object.fromEntries(Object.entries(byKey).map(([key, of]) => [key, whole(of)]));
const named: Record<string, unknown> = {};
for (const asked = refsIn(told); asked.length > 0;) {
  const name = asked.pop()!;
  if (name in named) continue;
  named[name] = whole(definitions[name]);
  asked.push(...refsIn(named[name]));
}

/** An entry a line: a change shows where it is. */
const lines = (of: Record<string, unknown>) =>
  Object.keys(of)
    .sort()
    .map((key) => `    ${JSON.stringify(key)}: ${JSON.stringify(of[key])}`)
    .join(',\n');
writeFileSync(
  join(root, 'server/src/openapi/answers.json'),
  `{\n  "answers": {\n${lines(told)}\n  },\n  "definitions": {\n${lines(named)}\n  }\n}\n`,
);
