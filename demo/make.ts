import { rmSync } from 'node:fs';
import { localToday } from '../server/src/clock.ts';
import { copyFolderOf } from '../server/src/copies/copies.ts';
import { openCollection } from '../server/src/db/open.ts';
import { photoFolderOf } from '../server/src/place.ts';
import { fillGarden } from './fill.ts';

/** Writes a fresh demo collection in place of the one before it, as it stands on FERNBANK_TODAY or today. */
export function makeDemo(path: string): void {
  for (const suffix of ['', '-wal', '-shm']) rmSync(path + suffix, { force: true });
  // Copies and pictures of the demo before it are of other plants.
  for (const folder of [copyFolderOf(path), photoFolderOf(path)]) {
    rmSync(folder, { recursive: true, force: true });
  }
  const file = openCollection(path);
  fillGarden(file.db, process.env.FERNBANK_TODAY ?? localToday());
  file.close();
}
