import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { guessColumns } from '@fernbank/core';
import { contextOf } from '../server/src/context.ts';
import { openCollection } from '../server/src/db/open.ts';
import { Journal } from '../server/src/history/journal.ts';
import { bringIn, outlineOf } from '../server/src/importing/bringIn.ts';
import type { Mapping } from '../server/src/importing/mapping.ts';
import { readSheet } from '../server/src/importing/sheet.ts';

const ROWS = 5000;
const TAXA = ['Aspidistra elatior', 'Davallia fejeensis', 'Begonia maculata', 'Clivia miniata'];

/** A collection of 5,000 rows: read, judged row by row, and written as one step of the history. */
export function importing(
  print: (what: string, value: number, unit: string, goal?: number) => void,
): void {
  const folder = mkdtempSync(join(tmpdir(), '.fernbank-bench-'));
  const path = join(folder, 'collection.sqlite');
  const file = openCollection(path);
  const journal = new Journal(file);
  const context = contextOf({
    file,
    path,
    journal,
    door: null,
    today: () => '2026-03-16',
    version: 'bench',
  });
  const rows = Array.from(
    { length: ROWS },
    (_, i) =>
      `plant ${i};${TAXA[i % 4]};bay ${i % 12};${9 + (i % 20)},5;soil;${1 + (i % 28)}/${1 + (i % 12)}/2024;${10 + (i % 60)};row ${i}`,
  );
  const bytes = Buffer.from(
    `Name;Species;Spot;Pot cm;Soil;Repotted;Height cm;Notes\n${rows.join('\n')}\n`,
  );
  const began = performance.now();
  const sheet = readSheet(bytes);
  const sample = sheet.rows.slice(0, 500).map(({ cells }) => cells);
  const guess = guessColumns(sheet.headings, sample, 'metric');
  const { kind, decimal, columns } = guess;
  const open = {
    spotId: null,
    newSpots: {},
    potCm: null,
    medium: null,
    groups: {},
    elseGroup: null,
  };
  const mapping: Mapping = { kind, decimal, columns, same: 'skip', latitudeDeg: 54, ...open };
  const read = performance.now();
  outlineOf(context, sheet, mapping);
  const judged = performance.now();
  const { result } = journal.write({ what: 'bring in', kind: 'import' }, () =>
    bringIn(context, sheet, mapping),
  );
  const written = performance.now();
  if (result.add !== ROWS) throw new Error(`${result.add} of ${ROWS} rows were brought in`);
  print(`a CSV of ${ROWS} rows read`, read - began, 'ms');
  print('each of its rows judged', judged - read, 'ms');
  print('judged once more and written, until it stands', written - judged, 'ms', 3000);
  file.close();
  rmSync(folder, { recursive: true, force: true });
}
