import { existsSync, mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { migrate } from 'drizzle-orm/better-sqlite3/migrator';
import { openFile, type OpenFile } from './driver.ts';

const MIGRATIONS = join(dirname(fileURLToPath(import.meta.url)), '../../drizzle');

interface Journal {
  entries: { when: number }[];
}

/**
 * Opens the collection, made or brought up to date first.
 *
 * Before an existing file is migrated a copy is written beside it. The
 * migrator applies all that is pending in one transaction, so that a failure
 * leaves the file as it was.
 *
 * @param path  of the SQLite file; its folder is made when missing
 */
export function openCollection(path: string): OpenFile {
  mkdirSync(dirname(path), { recursive: true });
  const existed = existsSync(path);
  const file = openFile(path);
  if (existed && pendingMigrations(file) > 0) copyBeside(file, path);
  migrate(file.db, { migrationsFolder: MIGRATIONS });
  return file;
}

function pendingMigrations(file: OpenFile): number {
  const journal = JSON.parse(
    readFileSync(join(MIGRATIONS, 'meta/_journal.json'), 'utf8'),
  ) as Journal;
  const known = file.value(
    "select count(*) from sqlite_master where type = 'table' and name = '__drizzle_migrations'",
  );
  if (known === 0) return journal.entries.length;
  const applied = Number(file.value('select max(created_at) from __drizzle_migrations') ?? 0);
  return journal.entries.filter(({ when }) => when > applied).length;
}

/** Copies the whole file, checked, as `<name>.before-<n>.sqlite`. */
function copyBeside(file: OpenFile, path: string): void {
  const folder = dirname(path);
  const stem = path.slice(folder.length + 1).replace(/\.sqlite$/, '');
  const taken = readdirSync(folder).filter(
    (name) => name.startsWith(`${stem}.before-`) && name.endsWith('.sqlite'),
  ).length;
  const copy = join(folder, `${stem}.before-${taken + 1}.sqlite`);
  file.exec(`VACUUM INTO '${copy.replaceAll("'", "''")}'`);
}
