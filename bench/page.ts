import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { cpus, totalmem } from 'node:os';
import { join } from 'node:path';

/** docs/benchmarks.md: what stands between its marks is written by the commands that measured it. */
const PAGE = join(import.meta.dirname, '../docs/benchmarks.md');

export interface Figure {
  what: string;
  value: number;
  unit: string;
  goal?: number | undefined;
}

const DIGITS: [below: number, digits: number][] = [
  [10, 2],
  [100, 1],
  [Infinity, 0],
];
const shown = (value: number) =>
  value.toFixed(DIGITS.find(([below]) => Math.abs(value) < below)![1]);

/** The machine, in words that name no one's. */
function machine(): string {
  const [one] = cpus();
  const memory = Math.round(totalmem() / 2 ** 30);
  const day = new Date().toISOString().slice(0, 10);
  const clock = one ? `${(one.speed / 1000).toFixed(1)} GHz` : 'of unknown speed';
  return `${day}, ${cpus().length} processors (${clock}), ${memory} GiB, Node ${process.version}.`;
}

/** Figures as rows of the page. */
export const rowsOf = (figures: readonly Figure[]): string[][] => [
  ['what', 'measured', 'goal'],
  ...figures.map(({ what, value, unit, goal }) => [
    what.trim(),
    `${shown(value)} ${unit}`,
    goal === undefined ? '' : `${goal} ${unit}`,
  ]),
];

function table([head, ...rows]: readonly string[][]): string {
  const line = (cells: readonly string[]) => `| ${cells.join(' | ')} |`;
  const rule = line(head!.map((_, i) => (i === 0 ? '---' : '---:')));
  return [line(head!), rule, ...rows.map(line)].join('\n');
}

/**
 * Writes what was measured into its part of the page.
 *
 * @param part  the page has `<!-- part -->` and `<!-- /part -->`
 * @throws RangeError when the page has no such part
 */
export function writePart(part: string, rows: readonly string[][]): void {
  const [open, close] = [`<!-- ${part} -->`, `<!-- /${part} -->`];
  const page = readFileSync(PAGE, 'utf8');
  const [from, to] = [page.indexOf(open), page.indexOf(close)];
  if (from < 0 || to < from) throw new RangeError(`part must be on the page, got ${part}`);
  const within = `${open}\n\nMeasured ${machine()}\n\n${table(rows)}\n\n`;
  writeFileSync(PAGE, page.slice(0, from) + within + page.slice(to));
  execFileSync('npx', ['prettier', '--write', '--log-level', 'warn', PAGE]);
}
