import type { Cell, Cells, OpenFile } from '../db/driver.ts';
import { HttpError, notFound } from '../http/errors.ts';
import type { Intent, Journal } from './journal.ts';
import { quoted, tableNamed, type RowTable } from './tables.ts';
import { STAMPS } from './triggers.ts';

/** Counts on the shelf: what a deed took is given back, whatever was taken since. */
const AMOUNTS: Record<string, ReadonlySet<string>> = {
  pots: new Set(['count', 'free', 'soaking', 'apart']),
  supports: new Set(['count', 'free']),
};

interface Change {
  of: string;
  row: string;
  op: 'add' | 'change' | 'remove';
  before: string | null;
  after: string | null;
}

/**
 * Takes a deed back: every row as it was, in one transaction, which is a deed of its own and can be
 * taken back in turn. Only columns that the deed changed are put back, so that what else happened to
 * a row since stays.
 *
 * @returns the id of the deed that took it back
 * @throws HttpError 404 when there is no such deed, 409 when it was taken back already, was thrown
 *   away, or something was built on it since
 */
export function undoDeed(
  journal: Journal,
  id: number,
  by: Pick<Intent, 'device' | 'window'>,
): number {
  const { file } = journal;
  const [deed] = file.rows('SELECT * FROM deeds WHERE id = ?', id);
  if (!deed) throw notFound(`entry ${id} of the history`);
  if (deed.undone_by !== null) throw refused('was taken back already');
  if (deed.emptied !== null) throw refused(`was thrown away for good on ${String(deed.emptied)}`);
  const what = String(deed.what);
  const undo = deed.kind === 'undo' ? `again: ${what}` : `take back: ${what}`;
  const { result } = journal.write({ what: undo, kind: 'undo', ...by, undoes: id }, () => {
    const changes = file.rows(
      'SELECT "of", "row", op, before, after FROM changes WHERE deed_id = ? ORDER BY id DESC',
      id,
    ) as unknown as Change[];
    if (changes.length === 0) throw refused('holds nothing that could be put back');
    // Rows come back before those that they point to.
    file.exec('PRAGMA defer_foreign_keys = ON');
    for (const change of changes) putBack(file, id, change);
    const by = Number(file.value('SELECT id FROM temp.deed_now'));
    checkTookNoMore(file, by, changes);
    // Where the deed was itself an undo, what it had taken back stands again.
    file.run('UPDATE deeds SET undone_by = NULL WHERE undone_by = ?', id);
    file.run('UPDATE deeds SET undone_by = ? WHERE id = ?', by, id);
    return by;
  });
  return result;
}

function putBack(file: OpenFile, deed: number, change: Change): void {
  const table = tableNamed(change.of);
  const now = rowOf(file, table, change.row);
  const before = change.before === null ? null : (JSON.parse(change.before) as Cells);
  const after = change.after === null ? null : (JSON.parse(change.after) as Cells);
  if (change.op === 'remove') {
    if (now) throw changedSince(file, deed, change);
    insert(file, table, renewed(before!));
    return;
  }
  const same = (name: string) => STAMPS.has(name) || now?.[name] === after![name];
  if (!now) throw changedSince(file, deed, change);
  const amounts = AMOUNTS[change.of] ?? new Set();
  if (change.op === 'add') {
    if (!Object.keys(after!).every(same)) throw changedSince(file, deed, change);
    file.run(`DELETE FROM ${quoted(change.of)} WHERE ${quoted(table.key)} = ?`, keyOf(now, table));
    return;
  }
  const back: Cells = {};
  for (const [name, value] of Object.entries(before!)) {
    if (STAMPS.has(name)) continue;
    if (amounts.has(name)) {
      back[name] = Number(now[name]) - Number(after![name]) + Number(value);
      if (back[name] < 0) throw changedSince(file, deed, change);
    } else if (same(name)) {
      back[name] = value;
    } else {
      throw changedSince(file, deed, change);
    }
  }
  update(file, table, now, back);
}

/** A row that is taken away takes with it what hangs on it: only what this deed had brought. */
function checkTookNoMore(file: OpenFile, by: number, changes: readonly Change[]): void {
  const brought = new Set(
    changes.filter(({ op }) => op === 'add').map(({ of, row }) => `${of} ${row}`),
  );
  const more = file
    .rows(`SELECT "of", "row" FROM changes WHERE deed_id = ? AND op = 'remove'`, by)
    .filter(({ of, row }) => !brought.has(`${String(of)} ${String(row)}`));
  if (more.length > 0) {
    const what = [...new Set(more.map(({ of }) => String(of)))].join(', ');
    throw refused(
      `cannot be taken back any more: ${more.length} later entries hang on it (${what}). Take those back first`,
    );
  }
}

function rowOf(file: OpenFile, table: RowTable, key: string): Cells | undefined {
  return file.rows(
    `SELECT * FROM ${quoted(table.name)} WHERE ${quoted(table.key)} = ?`,
    table.key === 'id' ? Number(key) : key,
  )[0];
}
const keyOf = (row: Cells, { key }: RowTable): Cell => row[key] ?? null;

function insert(file: OpenFile, { name }: RowTable, row: Cells): void {
  const columns = Object.keys(row);
  file.run(
    `INSERT INTO ${quoted(name)} (${columns.map(quoted).join(', ')}) VALUES (${columns.map(() => '?').join(', ')})`,
    ...Object.values(row),
  );
}

function update(file: OpenFile, table: RowTable, now: Cells, back: Cells): void {
  if (Object.keys(back).length === 0) return;
  const stamped = 'rev' in now ? { ...back, ...stampsAfter(Number(now.rev)) } : back;
  file.run(
    `UPDATE ${quoted(table.name)} SET ${Object.keys(stamped)
      .map((column) => `${quoted(column)} = ?`)
      .join(', ')} WHERE ${quoted(table.key)} = ?`,
    ...Object.values(stamped),
    keyOf(now, table),
  );
}

/** A row that comes back is newer than any copy of it that someone still has. */
const renewed = (row: Cells): Cells =>
  'rev' in row ? { ...row, ...stampsAfter(Number(row.rev)) } : row;
const stampsAfter = (rev: number) => ({ rev: rev + 1, updated_at: new Date().toISOString() });

const refused = (why: string) => new HttpError(409, 'cannotUndo', `this ${why}`);

function changedSince(file: OpenFile, deed: number, { of, row }: Change): HttpError {
  const [later] = file.rows(
    `SELECT d.at, d.what FROM changes c JOIN deeds d ON d.id = c.deed_id
     WHERE c."of" = ? AND c."row" = ? AND d.id > ? ORDER BY d.id DESC LIMIT 1`,
    of,
    row,
    deed,
  );
  const since = later
    ? `the same was changed later (${String(later.at).slice(0, 10)}: ${String(later.what)}). Take that back first`
    : 'the same was changed since';
  return refused(`cannot be taken back any more: ${since}`);
}
