import type { Cell, Cells, OpenFile } from '../db/driver.ts';
import { rowReader, standsAgainst, type Change, type RowOf } from './putBack.ts';
import { COLLECTION_TABLES, quoted, tableNamed } from './tables.ts';

/** A column by which rows of one table hang on a row of another. */
interface Hook {
  table: string;
  column: string;
  /** the column that it names */
  key: string;
}

/** What hangs on rows not by their id but by their key, in a column or anywhere in its JSON. */
const BY_KEY: Record<string, { table: string; column: string }[]> = {
  components: [
    { table: 'recipes', column: 'parts' },
    { table: 'recipe_versions', column: 'parts' },
    { table: 'plants', column: 'medium_parts' },
    { table: 'plans', column: 'fit' },
  ],
  recipes: [
    { table: 'plants', column: 'recipe_id' },
    { table: 'plans', column: 'fit' },
  ],
};

/** Reads the history for one question: what else must be taken back with a deed. */
export class Dependence {
  readonly #file: OpenFile;
  readonly #row: RowOf;
  readonly #readers = new Map<string, (...params: Cell[]) => Cells[]>();
  readonly #hooks = new Map<string, Hook[]>();

  constructor(file: OpenFile) {
    this.#file = file;
    this.#row = rowReader(file);
  }

  /** All changes of a deed, the last first. */
  changesOf(deed: number): Change[] {
    return this.#ask(
      'SELECT "of", "row", op, before, after FROM changes WHERE deed_id = ? ORDER BY id DESC',
      deed,
    ).map(asChange);
  }

  /** Every standing deed that rests on one of these, the newest first, those themselves left out. */
  of(deeds: readonly number[]): number[] {
    const all = new Set(deeds);
    const open = [...deeds];
    for (let deed = open.pop(); deed !== undefined; deed = open.pop()) {
      for (const change of this.changesOf(deed)) {
        for (const later of this.#restingOn(deed, change)) {
          if (all.has(later)) continue;
          all.add(later);
          open.push(later);
        }
      }
    }
    return [...all].filter((deed) => !deeds.includes(deed)).sort((a, b) => b - a);
  }

  #restingOn(deed: number, change: Change): number[] {
    const table = tableNamed(change.of);
    const against = standsAgainst(table, change, this.#row(table, change.row));
    const touching = this.#later(deed, change.of, change.row).filter(({ op, after }) =>
      against.some((column) => (column === 'row' ? op === 'remove' : column in (after ?? {}))),
    );
    const hanging = change.op === 'add' ? this.#hangingOn(deed, change) : [];
    return [...touching, ...hanging].map(({ deedId }) => deedId);
  }

  /** Later deeds that hung a row on one that this deed had brought. */
  #hangingOn(deed: number, change: Change) {
    const table = tableNamed(change.of);
    const rows = this.#hooksOf(change.of).flatMap(({ table: of, column, key }) => {
      const hung = tableNamed(of);
      const named = change.after![key] ?? change.row;
      return this.#ask(
        `SELECT ${quoted(hung.key)} AS k FROM ${quoted(of)} WHERE ${quoted(column)} = ?`,
        named,
      ).map(({ k }) => ({ of, row: String(k), column }));
    });
    const { key: named } = change.after!;
    const mentioned = (BY_KEY[table.name] ?? []).flatMap(({ table: of, column }) => {
      const hung = tableNamed(of);
      return this.#ask(
        `SELECT ${quoted(hung.key)} AS k FROM ${quoted(of)} WHERE ${quoted(column)} = ? OR instr(${quoted(column)}, ?) > 0`,
        named!,
        JSON.stringify(named),
      ).map(({ k }) => ({ of, row: String(k), column }));
    });
    return [...rows, ...mentioned].flatMap(({ of, row, column }) =>
      this.#later(deed, of, row).filter(({ op, after }) => op === 'add' || column in (after ?? {})),
    );
  }

  /** What standing deeds did to a row after this one; what was taken back, and taking back itself, counts for nothing. */
  #later(deed: number, of: string, row: string): (Change & { deedId: number })[] {
    return this.#ask(
      `SELECT c.deed_id, c."of", c."row", c.op, c.before, c.after FROM changes c JOIN deeds d ON d.id = c.deed_id
       WHERE c."of" = ? AND c."row" = ? AND c.deed_id > ? AND d.undone_by IS NULL AND d.kind <> 'undo'`,
      of,
      row,
      deed,
    ).map((cells) => ({ ...asChange(cells), deedId: Number(cells.deed_id) }));
  }

  #hooksOf(of: string): Hook[] {
    let hooks = this.#hooks.get(of);
    if (!hooks) {
      hooks = COLLECTION_TABLES.flatMap(({ name: table }) =>
        this.#file
          .rows(`PRAGMA foreign_key_list(${quoted(table)})`)
          // Where the reference is only let go of, nothing is lost.
          .filter((key) => key.table === of && key.on_delete !== 'SET NULL')
          .map((key) => ({ table, column: String(key.from), key: String(key.to) })),
      ).filter(({ table }) => table !== 'changes' && table !== 'readings');
      this.#hooks.set(of, hooks);
    }
    return hooks;
  }

  #ask(sql: string, ...params: Cell[]): Cells[] {
    let reader = this.#readers.get(sql);
    if (!reader) this.#readers.set(sql, (reader = this.#file.reader(sql)));
    return reader(...params);
  }
}

const cells = (json: Cell | undefined): Cells | null =>
  json == null ? null : (JSON.parse(String(json)) as Cells);
const asChange = ({ of, row, op, before, after }: Cells): Change => ({
  of: String(of),
  row: String(row),
  op: op as Change['op'],
  before: cells(before),
  after: cells(after),
});

/** The standing deed that brought a row; null where the history does not know it. */
export function deedThatBrought(file: OpenFile, of: string, row: number): number | null {
  const deed = file.value(
    `SELECT d.id FROM changes c JOIN deeds d ON d.id = c.deed_id
     WHERE c."of" = ? AND c."row" = ? AND c.op = 'add' AND d.undone_by IS NULL AND d.emptied IS NULL
     ORDER BY d.id DESC LIMIT 1`,
    of,
    String(row),
  );
  return deed === undefined ? null : Number(deed);
}

/** Standing deeds that changed one of these columns of a row, the newest first, each with what it changed. */
export function deedsThatChanged(
  file: OpenFile,
  of: string,
  row: number,
  columns: readonly string[],
): { deed: number; before: Cells; after: Cells }[] {
  return file
    .rows(
      `SELECT c.deed_id, c.before, c.after FROM changes c JOIN deeds d ON d.id = c.deed_id
       WHERE c."of" = ? AND c."row" = ? AND c.op = 'change' AND d.undone_by IS NULL AND d.kind <> 'undo'
       ORDER BY c.id DESC`,
      of,
      String(row),
    )
    .map((change) => ({
      deed: Number(change.deed_id),
      before: cells(change.before)!,
      after: cells(change.after)!,
    }))
    .filter(({ after }) => columns.some((column) => column in after));
}
