import { existsSync, mkdirSync, readdirSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { openFile, type OpenFile } from './driver.ts';
import { bringUpToDate, shapeOf } from './migrations.ts';

/**
 * Opens the collection, made or brought up to date first.
 *
 * Before an existing file is migrated a copy is written beside it. The
 * migrator applies all that is pending in one transaction, so that a failure
 * leaves the file as it was.
 *
 * @param path  of the SQLite file; its folder is made when missing
 * @throws Error when it cannot be opened, or was written by a newer Fernbank
 */
export function openCollection(path: string): OpenFile {
  mkdirSync(dirname(path), { recursive: true });
  const existed = existsSync(path);
  const file = openFile(path);
  try {
    const { pending, ahead } = shapeOf(file);
    if (ahead) throw new Error('it was written by a newer Fernbank; use that, or an older copy');
    if (existed && pending > 0) copyBeside(file, path);
    if (pending > 0) bringUpToDate(file);
    return file;
  } catch (error) {
    file.close();
    throw error;
  }
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
