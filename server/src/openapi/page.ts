import type { ApiDocument, ApiOperation, JsonSchema } from './document.ts';

/**
 * The description as one readable page: plain HTML without a script, so that
 * it needs nothing but a browser, prints, and can be searched.
 */
export function apiPage(document: ApiDocument): string {
  const groups = document.tags.map(({ name }) => {
    const operations = Object.entries(document.paths).flatMap(([path, methods]) =>
      Object.entries(methods)
        .filter(([, { tags }]) => tags.includes(name))
        .map(([method, operation]) => operationHtml(method, path, operation)),
    );
    return `<section id="${escaped(name)}"><h2>${escaped(name)}</h2>${operations.join('')}</section>`;
  });
  const links = document.tags
    .map(({ name }) => `<a href="#${escaped(name)}">${escaped(name)}</a>`)
    .join(' · ');
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Fernbank: HTTP API</title><style>${STYLE}</style></head>
<body><main><h1>Fernbank: HTTP API</h1>
<p>${escaped(document.info.description)}</p>
<p>Version ${escaped(document.info.version)} · <a href="/api/openapi.json">OpenAPI 3.1 document</a></p>
<nav>${links}</nav>${groups.join('')}</main></body></html>`;
}

const STYLE = `
:root { color-scheme: light dark; font: 16px/1.5 system-ui, sans-serif; }
body { margin: 0; background: light-dark(#f7f2e8, #1d1f1c); color: light-dark(#26241f, #ece7db); }
main { max-width: 60rem; margin: 0 auto; padding: 1.5rem; }
h1, h2 { font-family: Georgia, serif; } a { color: light-dark(#93432a, #e5a58c); }
details { border: 1px solid light-dark(#c9bfa9, #4b4d45); border-radius: 6px; margin: 0.5rem 0; padding: 0 0.9rem; }
summary { cursor: pointer; padding: 0.6rem 0; min-height: 1.8rem; } code, pre { font-size: 0.92rem; }
pre { overflow: auto; max-height: 26rem; padding: 0.7rem; background: light-dark(#efe7d6, #262924); }
table { border-collapse: collapse; width: 100%; } td, th { text-align: left; vertical-align: top; padding: 0.25rem 0.8rem 0.25rem 0; }
.method { display: inline-block; min-width: 4.2em; font-weight: 700; text-transform: uppercase; }`;

function operationHtml(method: string, path: string, operation: ApiOperation): string {
  const given = operation.requestBody?.content['application/json'];
  const answers = Object.values(operation.responses) as {
    content?: Record<string, { example?: unknown }>;
  }[];
  const answer = answers.find(({ content }) => content?.['application/json']?.example);
  return `<details id="${escaped(operation.operationId)}"><summary><span class="method">${method}</span> <code>/api${escaped(path)}</code> ${escaped(operation.summary)}</summary>
${rows(
  'Parameters',
  (operation.parameters ?? []).map(({ name, in: place, required, schema, description }) => [
    `${name} (${place})`,
    required,
    schema,
    description ?? '',
  ]),
)}
${rows(
  'Body',
  fieldsOf(given?.schema ?? {}).map(([name, required, schema]) => [name, required, schema, '']),
)}
${given?.example ? `<h4>Example</h4><pre>${json(given.example)}</pre>` : ''}
${answer ? `<h4>Its answer</h4><pre>${json(answer.content!['application/json']!.example)}</pre>` : ''}
${given ? `<details><summary>JSON Schema of the body</summary><pre>${json(given.schema)}</pre></details>` : ''}
</details>`;
}

type Row = [name: string, required: boolean, schema: JsonSchema, description: string];

function rows(title: string, entries: readonly Row[]): string {
  if (entries.length === 0) return '';
  const cells = entries.map(
    ([name, required, schema, description]) =>
      `<tr><td><code>${escaped(name)}</code>${required ? '' : ' (optional)'}</td><td>${escaped(inWords(schema))} ${escaped(description)}</td></tr>`,
  );
  return `<h4>${title}</h4><table>${cells.join('')}</table>`;
}

function fieldsOf({ properties = {}, required = [] }: JsonSchema): [string, boolean, JsonSchema][] {
  return Object.entries(properties).map(([name, schema]) => [
    name,
    required.includes(name),
    schema,
  ]);
}

/** Type and limits of a field in a few words. */
function inWords(schema: JsonSchema): string {
  const { type, minimum, maximum, minItems, maxItems } = schema;
  if (Array.isArray(schema.enum))
    return schema.enum.map((value) => JSON.stringify(value)).join(' | ');
  if (Array.isArray(schema.anyOf)) {
    return [...new Set((schema.anyOf as JsonSchema[]).map(inWords))].join(', or ');
  }
  const limits = [minimum ?? minItems, maximum ?? maxItems];
  const range =
    limits[0] === undefined && limits[1] === undefined
      ? ''
      : ` ${String(limits[0] ?? '')}…${String(limits[1] ?? '')}`;
  const words = Array.isArray(type) ? type.join(' or ') : String(type ?? 'any');
  return `${words}${range}${'default' in schema ? `, default ${JSON.stringify(schema.default)}` : ''}`;
}

const json = (value: unknown) => escaped(JSON.stringify(value, null, 2));

function escaped(text: string): string {
  return text.replace(/[&<>"']/g, (character) => `&#${character.charCodeAt(0)};`);
}
