import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { MIGRATIONS as FOLDER } from '../shipped.ts';
import type { OpenFile } from './driver.ts';

interface Entry {
  when: number;
  tag: string;
}
interface Journal {
  entries: Entry[];
}
const read = () => JSON.parse(readFileSync(join(FOLDER, 'meta/_journal.json'), 'utf8')) as Journal;

/** How many changes to its tables a Fernbank of this version knows. */
export const SHAPE = read().entries.length;

/** How many of them a file has, and how many it lacks; `ahead` when it has some that are not known here. */
export function shapeOf(file: OpenFile): { applied: number; pending: number; ahead: boolean } {
  const { entries } = read();
  const known = file.value(
    "select count(*) from sqlite_master where type = 'table' and name = '__drizzle_migrations'",
  );
  const newest =
    known === 0 ? 0 : Number(file.value('select max(created_at) from __drizzle_migrations') ?? 0);
  const pending = entries.filter(({ when }) => when > newest).length;
  return {
    applied: entries.length - pending,
    pending,
    ahead: newest > Math.max(...entries.map(({ when }) => when)),
  };
}

/**
 * Changes that were written anew once a file had already been made with them: what those files lack,
 * and the change that stands in their place now.
 */
const WRITTEN_ANEW = [
  {
    when: 1795622532210,
    now: 1795626430553,
    lacks: 'ALTER TABLE `outcomes` ADD `left` text',
  },
  {
    when: 1795646934120,
    now: 1795647345703,
    lacks: "ALTER TABLE `devices` ADD `scope` text DEFAULT 'all' NOT NULL",
  },
];

/**
 * Brings a file up to date, in one transaction; what a file of early days lacks is given to it in one
 * of its own before, and may stay where the rest fails.
 *
 * @throws Error in words: the file is as it was
 */
export function bringUpToDate(file: OpenFile): void {
  const { applied } = shapeOf(file);
  try {
    file.db.transaction(() => {
      for (const { when, now, lacks } of applied === 0 ? [] : WRITTEN_ANEW) {
        const early = file.value('SELECT 1 FROM __drizzle_migrations WHERE created_at = ?', when);
        if (early === undefined) continue;
        file.exec(lacks);
        file.run('UPDATE __drizzle_migrations SET created_at = ? WHERE created_at = ?', now, when);
      }
    });
    migrate(file.db, { migrationsFolder: FOLDER });
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new Error(`it could not be brought up to date, and is as it was: ${why}`, {
      cause: error,
    });
  }
}

/** Gives an empty file the tables that it had after so many changes: what an older backup fits into. */
export function shapeAsOf(file: OpenFile, shape: number): void {
  const folder = mkdtempSync(join(tmpdir(), '.fernbank-shape-'));
  try {
    cpSync(FOLDER, folder, { recursive: true });
    const journal = read();
    const { entries } = journal;
    writeFileSync(
      join(folder, 'meta/_journal.json'),
      JSON.stringify({ ...journal, entries: entries.slice(0, shape) }),
    );
    migrate(file.db, { migrationsFolder: folder });
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}
