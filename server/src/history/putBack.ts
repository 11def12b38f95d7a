import type { Cell, Cells, OpenFile } from '../db/driver.ts';
import { quoted, type RowTable } from './tables.ts';
import { STAMPS } from './triggers.ts';

/** One row that a deed added, changed or removed: columns as they were before and after it. */
export interface Change {
  of: string;
  row: string;
  op: 'add' | 'change' | 'remove';
  before: Cells | null;
  after: Cells | null;
}

/** Counts: what a deed took is given back, whatever was taken since. */
const AMOUNTS: Record<string, ReadonlySet<string>> = {
  pots: new Set(['count', 'free', 'soaking', 'apart']),
  supports: new Set(['count', 'free']),
  components: new Set(['bags', 'open_l']),
  batches: new Set(['lost', 'potted_on']),
};
/** Lists in one cell: what a deed put in is taken out, whatever was put in since. */
const LISTS: Record<string, ReadonlySet<string>> = {
  days: new Set(['mixed', 'cut', 'bought']),
};
/** Follows from another column. */
const DERIVED: Record<string, ReadonlySet<string>> = { pots: new Set(['soaking_since']) };

const isIn = (sets: Record<string, ReadonlySet<string>>, of: string, column: string) =>
  sets[of]?.has(column) ?? false;

/** The row as it stands, or nothing. */
export type RowOf = (table: RowTable, key: string) => Cells | undefined;

/** Reads rows by their key, each query prepared once. */
export function rowReader(file: OpenFile): RowOf {
  const readers = new Map<string, (...params: Cell[]) => Cells[]>();
  return (table, key) => {
    let read = readers.get(table.name);
    if (!read) {
      read = file.reader(`SELECT * FROM ${quoted(table.name)} WHERE ${quoted(table.key)} = ?`);
      readers.set(table.name, read);
    }
    return read(table.key === 'id' ? Number(key) : key)[0];
  };
}

/**
 * What stands in the way of taking a change back: the columns that are no longer as it left them,
 * `row` when the row itself is gone, or is there again. Empty: nothing.
 */
export function standsAgainst(table: RowTable, change: Change, now: Cells | undefined): string[] {
  if (change.op === 'remove') return now ? ['row'] : [];
  if (!now) return ['row'];
  return columnsOf(table, change.after!).filter(
    (name) =>
      now[name] !== change.after![name] &&
      (change.op === 'add'
        ? !isIn(DERIVED, change.of, name)
        : ![AMOUNTS, LISTS, DERIVED].some((sets) => isIn(sets, change.of, name))),
  );
}

/** Columns that say something and that the table still has. */
const columnsOf = ({ columns }: RowTable, cells: Cells): string[] =>
  columns.map(({ name }) => name).filter((name) => name in cells && !STAMPS.has(name));

/** Writes rows, each statement prepared once. */
export class RowWriter {
  readonly #file: OpenFile;
  readonly #statements = new Map<string, (...params: Cell[]) => void>();

  constructor(file: OpenFile) {
    this.#file = file;
  }

  /**
   * Puts one row back as it was before a change; nothing must stand against it.
   *
   * @returns false when a count would fall below nothing: what is asked back is in use
   */
  putBack(table: RowTable, change: Change, now: Cells | undefined): boolean {
    const { name } = table;
    if (change.op === 'remove') {
      const row = renewed(known(table, change.before!));
      const columns = Object.keys(row);
      this.#run(
        `INSERT INTO ${quoted(name)} (${columns.map(quoted).join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`,
        ...Object.values(row),
      );
      return true;
    }
    const key = now![table.key] ?? null;
    if (change.op === 'add') {
      this.#run(`DELETE FROM ${quoted(name)} WHERE ${quoted(table.key)} = ?`, key);
      return true;
    }
    const back = cellsBefore(table, change, now!);
    if (back === null) return false;
    if (Object.keys(back).length === 0) return true;
    const stamped = 'rev' in now! ? { ...back, ...stampsAfter(Number(now.rev)) } : back;
    const sets = Object.keys(stamped).map((column) => `${quoted(column)} = ?`);
    this.#run(
      `UPDATE ${quoted(name)} SET ${sets.join(', ')} WHERE ${quoted(table.key)} = ?`,
      ...Object.values(stamped),
      key,
    );
    return true;
  }

  #run(sql: string, ...params: Cell[]): void {
    let statement = this.#statements.get(sql);
    if (!statement) this.#statements.set(sql, (statement = this.#file.prepared(sql)));
    statement(...params);
  }
}

function cellsBefore(table: RowTable, change: Change, now: Cells): Cells | null {
  const { of, before, after } = change as { of: string; before: Cells; after: Cells };
  const back: Cells = {};
  for (const name of columnsOf(table, before)) {
    const value = before[name]!;
    if (now[name] === after[name] || isIn(DERIVED, of, name)) back[name] = value;
    else if (isIn(LISTS, of, name)) back[name] = withoutIts(now[name], value, after[name]);
    else back[name] = Number(now[name]) - Number(after[name]) + Number(value);
  }
  if (of === 'pots') settleSoak(now, back);
  if (of === 'components') openBags(now, back);
  const short = Object.keys(back).some((name) => isIn(AMOUNTS, of, name) && Number(back[name]) < 0);
  return short ? null : back;
}

/** Pots soak since a day exactly as long as any soaks. */
function settleSoak(now: Cells, back: Cells): void {
  if (!('soaking' in back) && !('soaking_since' in back)) return;
  const soaking = Number(back.soaking ?? now.soaking);
  back.soaking_since = soaking === 0 ? null : (back.soaking_since ?? now.soaking_since ?? null);
}

/** Litres that were used since come out of the bag that is given back; stock never falls below nothing. */
function openBags(now: Cells, back: Cells): void {
  if (!('bags' in back) && !('open_l' in back)) return;
  let bags = Number(back.bags ?? now.bags);
  let open = Number(back.open_l ?? now.open_l);
  const bagL = Number(now.bag_l ?? 0);
  while (open < 0 && bags > 0 && bagL > 0) {
    bags -= 1;
    open += bagL;
  }
  while (bags < 0 && open >= bagL && bagL > 0) {
    bags += 1;
    open -= bagL;
  }
  back.bags = Math.max(0, bags);
  back.open_l = Math.max(0, open);
}

/** A list as it stands, without what the change put in and with what it took out. */
function withoutIts(now: Cell | undefined, before: Cell, after: Cell | undefined): Cell {
  const list = (cell: Cell | undefined) => (JSON.parse(String(cell)) as unknown[]).map(asText);
  const [has, had, got] = [list(now), list(before), list(after)];
  const put = got.filter((one) => !had.includes(one));
  const taken = had.filter((one) => !got.includes(one));
  return `[${[...has.filter((one) => !put.includes(one)), ...taken].join(',')}]`;
}
const asText = (value: unknown) => JSON.stringify(value);

/** A row of an older file may have columns that are no more. */
const known = ({ columns }: RowTable, row: Cells): Cells =>
  Object.fromEntries(
    columns.filter(({ name }) => name in row).map(({ name }) => [name, row[name]!]),
  );

/** A row that comes back is newer than any copy of it that someone still has. */
const renewed = (row: Cells): Cells =>
  'rev' in row ? { ...row, ...stampsAfter(Number(row.rev)) } : row;
const stampsAfter = (rev: number) => ({ rev: rev + 1, updated_at: new Date().toISOString() });
