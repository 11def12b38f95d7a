import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { build, type Plugin } from 'vite';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ADDED, HELD_OTHERWISE } from './added.ts';

const root = join(import.meta.dirname, '../../..');
/** Where a program finds packages and migrations as the server's does. */
const scratch = join(root, 'server');

/** The sources as they would be with everything added. */
const withAdded = (): Plugin => ({
  name: 'with-added',
  enforce: 'pre',
  transform(code, id) {
    const file = relative(root, id);
    const here = ADDED.filter((one) => one.file === file);
    if (here.length === 0) return null;
    return here.reduce((text, { before, text: more }) => {
      if (!text.includes(before)) throw new Error(`${file} has no longer ${before}`);
      return text.replace(before, () => `${more}\n${before}`);
    }, code);
  },
});

let follows: Record<string, unknown>;
let folder: string;
beforeAll(async () => {
  folder = mkdtempSync(join(scratch, '.tried-'));
  await build({
    configFile: false,
    root: join(root, 'server'),
    logLevel: 'silent',
    plugins: [withAdded()],
    ssr: { noExternal: [/^@fernbank\//] },
    build: {
      ssr: join(import.meta.dirname, 'follow.ts'),
      outDir: folder,
      minify: false,
      target: 'node20',
    },
  });
  const said = execFileSync(process.execPath, [join(folder, 'follow.js')], { encoding: 'utf8' });
  follows = JSON.parse(said) as Record<string, unknown>;
});
afterAll(() => rmSync(folder, { recursive: true }));

describe('what CONTRIBUTING says follows from one row, follows', () => {
  it.each([
    ['a signal', [201, true]],
    ['a pot shape', [201, 'hexagonal']],
    ['a number that components have', [200, 0.4]],
    ['a component or recipe', ['cork crumb', 'Corky']],
    ['a kind of plant', [['Marrowia quayensis'], 3]],
    ['a step of a procedure', ['squeezePot', 'brushOff', 'keepBall']],
    ['what is measured beside a look', [201, 422]],
    ['what outcomes are told apart by', ['fern']],
    ['a question on which keepers differ', ['left', 200, 400]],
    ['a heading that a CSV may have', 'name'],
  ])('%s', (row, expected) => {
    expect(follows[row]).toEqual(expected);
  });
});

describe('its table', () => {
  const text = readFileSync(join(root, 'CONTRIBUTING.md'), 'utf8');
  const rows = text
    .split('\n')
    .filter(
      (line) => line.startsWith('| ') && !line.startsWith('| to add') && !line.includes('---'),
    )
    .map(
      (line) =>
        line
          .split('|')
          .slice(1, 3)
          .map((cell) => cell.trim()) as [string, string],
    );

  it('has no row that is neither tried nor held otherwise', () => {
    const held = [...ADDED.map(({ row }) => row), ...Object.keys(HELD_OTHERWISE)];
    const open = rows.filter(([what]) => !held.some((row) => what.startsWith(row)));
    expect(rows.length).toBeGreaterThan(10);
    expect(open).toEqual([]);
  });

  it('names the files that were touched to try it', () => {
    for (const { row, file } of ADDED) {
      const touch = rows.find(([what]) => what.startsWith(row))![1];
      // A folder's files stand beside each other: `components.ts` or `recipes.ts`.
      const name = file.split('/').at(-1)!;
      expect(
        touch.includes(file) || touch.includes(name) || touch.includes(name.replace('.ts', '')),
        row,
      ).toBe(true);
    }
  });
});
