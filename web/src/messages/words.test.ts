import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';

/** What no keeper would say aloud: kept out of every text, with what is said instead. */
const NEVER: readonly [pattern: RegExp, instead: string][] = [
  [/log-?odds/i, 'how much likelier, or “speaks strongly for”'],
  [/badly timed/i, 'weeks of growth'],
  [/[a-z]\(s\)/, 'two forms: 1 plant, 3 plants'],
  [/\bNaN\b|undefined|\[object/, 'a value'],
  [/\bspares? [-−]/, 'costs'],
  [/\bposterior|\bprior\b|\bsigma\b/i, 'what is known, or usual'],
];

/** The strings of the message files, without what is said of them. */
function textsOf(source: string): string[] {
  const code = source.replace(/\/\*[\s\S]*?\*\/|\/\/.*$/gm, '');
  return [...code.matchAll(/'((?:[^'\\\n]|\\.)*)'|`((?:[^`\\]|\\.)*)`/g)].map(
    ([, plain, template]) => plain ?? template ?? '',
  );
}

const folder = import.meta.dirname;
const files = readdirSync(folder).filter((name) => /^[a-z]+\.ts$/.test(name));

test.each(files)('%s says nothing that a keeper would not', (name) => {
  const texts = textsOf(readFileSync(join(folder, name), 'utf8'));
  for (const [pattern, instead] of NEVER) {
    expect(
      texts.filter((text) => pattern.test(text)),
      `say ${instead}`,
    ).toEqual([]);
  }
});

test('the texts are really read', () => {
  const all = files.flatMap((name) => textsOf(readFileSync(join(folder, name), 'utf8')));
  expect(all.length).toBeGreaterThan(1000);
  expect(all).toContain('Look again');
  expect(textsOf("const a = 'one'; // 'two'\nconst b = `${c} roots`;")).toEqual([
    'one',
    '${c} roots',
  ]);
});
