import type { OpenFile } from '../db/driver.ts';
import { HttpError, notFound } from '../http/errors.ts';
import { Dependence } from './dependents.ts';
import { rowReader, RowWriter, standsAgainst } from './putBack.ts';
import { deedShown } from './reading.ts';
import { tableNamed } from './tables.ts';
import { deedWords } from './words.ts';

/**
 * Takes deeds back: every row as it was. Meant to be run within a write of the journal, which becomes
 * the deed that took them back and can be taken back in turn. Only columns that a deed changed are put
 * back, so that what else happened to a row since stays.
 *
 * @param ids  what is to be taken back; the first gives it its name
 * @param also  later deeds resting on them, that the keeper agreed to take back with them
 * @throws HttpError 404 when there is no such deed, 409 when it was taken back already, was thrown
 *   away, or others rest on it: `dependents` names those
 */
export function takeBack(
  file: OpenFile,
  ids: readonly number[],
  also: readonly number[] = [],
): void {
  for (const id of ids) standing(file, id);
  const dependence = new Dependence(file);
  const resting = dependence.of(ids);
  const asked = resting.filter((id) => !also.includes(id));
  if (asked.length > 0) {
    const dependents = resting.map((id) => deedShown(file, id));
    const [newest] = dependents;
    const others = resting.length > 1 ? ` and ${resting.length - 1} more` : '';
    throw new HttpError(
      409,
      'dependents',
      `what was done later rests on this: ${newest!.what} (${newest!.at.slice(0, 10)})${others}`,
      undefined,
      { dependents },
    );
  }
  file.run("UPDATE temp.deed_now SET kind = 'undo', undoes = ?", ids[0]!);
  // Rows come back before those that they point to.
  file.exec('PRAGMA defer_foreign_keys = ON');
  const all = [...ids, ...resting].sort((a, b) => b - a);
  putAllBack(file, dependence, all);
  const by = Number(file.value('SELECT id FROM temp.deed_now'));
  checkTookNoMore(file, by, all);
  for (const id of all) {
    // Where a deed was itself an undo, what it had taken back stands again.
    file.run('UPDATE deeds SET undone_by = NULL WHERE undone_by = ?', id);
    file.run('UPDATE deeds SET undone_by = ? WHERE id = ?', by, id);
  }
}

/** @throws HttpError where it cannot be taken back any more */
function standing(file: OpenFile, id: number): void {
  const [deed] = file.rows('SELECT * FROM deeds WHERE id = ?', id);
  if (!deed) throw notFound(`entry ${id} of the history`);
  if (deed.undone_by !== null) throw refused('was taken back already');
  if (deed.emptied !== null) throw refused(`was thrown away for good on ${String(deed.emptied)}`);
}

function putAllBack(file: OpenFile, dependence: Dependence, deeds: readonly number[]): void {
  const row = rowReader(file);
  const writer = new RowWriter(file);
  let any = false;
  for (const deed of deeds) {
    for (const change of dependence.changesOf(deed)) {
      any = true;
      const table = tableNamed(change.of);
      const now = row(table, change.row);
      const clear = standsAgainst(table, change, now).length === 0;
      if (!clear || !writer.putBack(table, change, now)) {
        throw changedSince(file, deed, change);
      }
    }
  }
  if (!any) throw refused('holds nothing that could be put back');
}

/** A row that is taken away takes with it what hangs on it: only what these deeds had brought. */
function checkTookNoMore(file: OpenFile, by: number, deeds: readonly number[]): void {
  const brought = new Set(
    deeds.flatMap((deed) =>
      file
        .rows(`SELECT "of", "row" FROM changes WHERE deed_id = ? AND op = 'add'`, deed)
        .map(({ of, row }) => `${String(of)} ${String(row)}`),
    ),
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

const refused = (why: string) => new HttpError(409, 'cannotUndo', `this ${why}`);

function changedSince(file: OpenFile, deed: number, { of, row }: { of: string; row: string }) {
  const [later] = file.rows(
    `SELECT d.* FROM changes c JOIN deeds d ON d.id = c.deed_id
     WHERE c."of" = ? AND c."row" = ? AND d.id > ? AND d.undone_by IS NULL AND d.kind <> 'undo'
     ORDER BY d.id DESC LIMIT 1`,
    of,
    row,
    deed,
  );
  const since = later
    ? `the same was changed later (${String(later.at).slice(0, 10)}: ${deedWords(file, later)}). Take that back first`
    : 'the same was changed since';
  return refused(`cannot be taken back any more: ${since}`);
}
