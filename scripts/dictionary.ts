import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { COLLECTION_TABLES } from '../server/src/history/tables.ts';

/** The data dictionary, from the tables and from what their source says of each column. */
const root = join(import.meta.dirname, '..');
const SOURCES = ['tables', 'days', 'followUp', 'history', 'tracked'];

interface Said {
  table: string;
  columns: Map<string, string>;
}

/** What stands above a declaration. */
function comment(node: ts.Node): string {
  const [doc] = ts.getJSDocCommentsAndTags(node).filter(ts.isJSDoc);
  return (ts.getTextOfJSDocComment(doc?.comment) ?? '').replace(/\s*\n\s*/g, ' ').trim();
}

function saidIn(file: string): Map<string, Said> {
  const path = join(root, 'server/src/db', `${file}.ts`);
  const source = ts.createSourceFile(
    path,
    readFileSync(path, 'utf8'),
    ts.ScriptTarget.ES2022,
    true,
  );
  const said = new Map<string, Said>();
  for (const statement of source.statements.filter(ts.isVariableStatement)) {
    const [declaration] = statement.declarationList.declarations;
    const made = declaration?.initializer;
    const columns = new Map<string, string>();
    const properties = (of: ts.Node | undefined) => {
      if (!of || !ts.isObjectLiteralExpression(of)) return;
      for (const property of of.properties.filter(ts.isPropertyAssignment)) {
        columns.set(property.name.getText(source), comment(property));
      }
    };
    if (made && ts.isCallExpression(made) && made.expression.getText(source) === 'sqliteTable') {
      const [name, fields] = made.arguments;
      properties(fields);
      said.set((name as ts.StringLiteral).text, { table: comment(statement), columns });
    } else if (declaration?.name.getText(source) === 'tracked') {
      properties(made);
      said.set('tracked', { table: '', columns });
    }
  }
  return said;
}

export function dictionary(): string {
  const said = new Map(SOURCES.flatMap((file) => [...saidIn(file)]));
  const shared: Record<string, string> = {
    id: 'its number, never given twice',
    rev: 'counts its changes; the ETag of the API',
    createdAt: 'when it was made, ISO 8601 UTC',
    updatedAt: 'when it was last changed, ISO 8601 UTC',
    plantId: 'the plant (`plants.id`)',
    spotId: 'the spot (`spots.id`)',
    repotId: 'the repot (`repots.id`)',
    date: 'day, YYYY-MM-DD',
    note: 'the keeper’s own words',
    name: 'its name',
    label: 'its name',
  };
  const sections = COLLECTION_TABLES.map(({ name, columns }) => {
    const of = said.get(name);
    const rows = columns.map(({ name: column, field, kind, nullable }) => {
      const words = of?.columns.get(field) || shared[field] || '';
      const type = `${kind}${nullable ? ', may be empty' : ''}`;
      return `- \`${column}\` (${type})${words ? `: ${words}` : ''}`;
    });
    return [`## ${name}`, '', of?.table ?? '', '', ...rows, ''].join('\n');
  });
  return [
    '# Data dictionary',
    '',
    'The collection is one SQLite 3 file. Lengths are in cm, volumes in L, masses in kg, temperatures in °C,',
    'shares 0–1, days `YYYY-MM-DD`, moments ISO 8601 in UTC. `json` columns hold JSON as text, `boolean` ones 0 or 1.',
    'A backup has the same tables, its fields as the API names them (`topDiameterCm` for `top_diameter_cm`);',
    '`/api/backup/schema.json` is its JSON Schema.',
    '',
    'Made from the source by `npm run dictionary`. Tables `answers`, `devices` and `door` belong to the machine',
    '(answers to repeated writes, signed-in devices, the hash of the passphrase) and are in no backup.',
    '',
    ...sections,
  ]
    .join('\n')
    .replace(/\n{3,}/g, '\n\n');
}

if (process.argv[1]?.endsWith('dictionary.ts')) {
  writeFileSync(join(root, 'docs/data.md'), dictionary());
}
