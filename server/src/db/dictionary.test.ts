import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { dictionary } from '../../../scripts/dictionary.ts';

it('the data dictionary is that of the tables: `npm run dictionary` makes it anew', () => {
  const kept = readFileSync(join(import.meta.dirname, '../../../docs/data.md'), 'utf8');
  // Blank lines are the formatter’s.
  const lines = (text: string) => text.split('\n').filter((line) => line.trim() !== '');
  expect(lines(kept)).toEqual(lines(dictionary()));
});
