import type { Cells, OpenFile } from '../db/driver.ts';
import { summaryOf } from '../http/described.ts';

/** A deed in words: what its operation does, or what it took back. */
export function deedWords(file: OpenFile, deed: Cells): string {
  const undone = deed.kind === 'undo' ? deedOf(file, deed.undoes) : undefined;
  if (undone) {
    const before = undone.kind === 'undo' ? deedOf(file, undone.undoes) : undefined;
    return before ? `again: ${deedWords(file, before)}` : `take back: ${deedWords(file, undone)}`;
  }
  const does = summaryOf(String(deed.what));
  return deed.subject == null ? does : `${does}: ${String(deed.subject)}`;
}

const deedOf = (file: OpenFile, id: Cells[string] | undefined): Cells | undefined =>
  id == null ? undefined : file.rows('SELECT * FROM deeds WHERE id = ?', id)[0];
