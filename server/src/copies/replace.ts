import { copyFileSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { openCollection } from '../db/open.ts';
import type { OpenFile } from '../db/driver.ts';
import { COLLECTION_TABLES, quoted } from '../history/tables.ts';

/** How the history tells of a restore. */
export interface RestoreDeed {
  /** the operation */
  what: string;
  /** the copy by its name; null: a backup that was brought */
  subject: string | null;
  device: string | null;
}

/**
 * Puts another collection in the place of this one: all its rows, in one transaction, so that it
 * is wholly the one or wholly the other. What belongs to the machine (signed-in devices) stays.
 *
 * The other file is not touched: an older one is brought up to date on a copy.
 *
 * @param file  of the collection, on a connection that traces nothing
 * @param by  path of a sound file
 * @param scratch  a folder on the collection's own disk
 * @returns the entry of the history that tells of it
 */
export function replaceBy(
  file: OpenFile,
  { by, deed, scratch }: { by: string; deed: RestoreDeed; scratch: string },
): number {
  mkdirSync(scratch, { recursive: true });
  const folder = mkdtempSync(join(scratch, '.restore-'));
  try {
    const current = join(folder, 'collection.sqlite');
    copyFileSync(by, current);
    const brought = openCollection(current);
    brought.exec('PRAGMA wal_checkpoint(TRUNCATE)');
    brought.close();
    return takeOver(file, current, deed);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

function takeOver(file: OpenFile, path: string, { what, subject, device }: RestoreDeed): number {
  file.exec(`ATTACH '${path.replaceAll("'", "''")}' AS brought`);
  try {
    return file.db.transaction(() => {
      file.exec('PRAGMA defer_foreign_keys = ON');
      for (const { name } of COLLECTION_TABLES) file.exec(`DELETE FROM main.${quoted(name)}`);
      for (const { name, columns } of COLLECTION_TABLES) {
        const list = columns.map((column) => quoted(column.name)).join(', ');
        file.exec(
          `INSERT INTO main.${quoted(name)} (${list}) SELECT ${list} FROM brought.${quoted(name)}`,
        );
      }
      // An id that was given once is never given again.
      const names = COLLECTION_TABLES.map(({ name }) => `'${name}'`).join(', ');
      file.exec(`DELETE FROM main.sqlite_sequence WHERE name IN (${names})`);
      file.exec(
        `INSERT INTO main.sqlite_sequence SELECT * FROM brought.sqlite_sequence WHERE name IN (${names})`,
      );
      const deed = 1 + Number(file.value('SELECT coalesce(max(id), 0) FROM deeds'));
      file.run(
        "INSERT INTO deeds (id, at, what, subject, kind, device) VALUES (?, ?, ?, ?, 'restore', ?)",
        deed,
        new Date().toISOString(),
        what,
        subject,
        device,
      );
      return deed;
    });
  } finally {
    file.exec('DETACH brought');
  }
}
