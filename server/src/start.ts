import { copyFileSync, existsSync, renameSync } from 'node:fs';
import { copyFolderOf, newestSound } from './copies/copies.ts';
import { soundness } from './copies/sound.ts';
import type { OpenFile } from './db/driver.ts';
import { openCollection } from './db/open.ts';

type Opened = { file: OpenFile; restored?: string } | { why: string };

/**
 * Opens the collection, or says what is the matter and what to do about it.
 *
 * @param path  of the SQLite file
 * @param restore  whether a damaged file may be set aside for the newest sound copy
 */
export function openedOrWhy(path: string, restore: boolean): Opened {
  if (!existsSync(path)) return tried(path);
  const state = soundness(path);
  if (state.sound) return tried(path);
  // An older Fernbank's file may lack a table; a file that SQLite cannot read has other troubles.
  if (/no such table/.test(state.why)) return tried(path);
  if (/unable to open|permission|readonly/i.test(state.why))
    return { why: unreadable(path, state.why) };
  const copy = newestSound(copyFolderOf(path));
  if (!copy) {
    return {
      why: `${path} is damaged (${state.why}) and there is no sound copy of it. Restore a backup: move the file away, start Fernbank, and bring the backup in under Record, Safe keeping.`,
    };
  }
  if (!restore) {
    return {
      why: `${path} is damaged (${state.why}). The newest sound copy is ${copy.path}, of ${copy.date}. Start with FERNBANK_RESTORE=newest to go on with it; the damaged file is set aside, not deleted.`,
    };
  }
  const aside = setAside(path);
  copyFileSync(copy.path, path);
  const opened = tried(path);
  return 'why' in opened
    ? opened
    : {
        ...opened,
        restored: `the damaged file is now ${aside}; going on with the copy of ${copy.date}`,
      };
}

function tried(path: string): Opened {
  try {
    return { file: openCollection(path) };
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { why: /newer Fernbank/.test(why) ? `${path}: ${why}` : unreadable(path, why) };
  }
}

const unreadable = (path: string, why: string) =>
  `${path} cannot be opened for writing (${why}). See that the file and its folder belong to you and can be written, and that the disk has room; or name another file with FERNBANK_DB.`;

function setAside(path: string): string {
  let n = 1;
  const name = () => path.replace(/(\.sqlite)?$/, `.damaged-${n}.sqlite`);
  while (existsSync(name())) n += 1;
  const aside = name();
  for (const suffix of ['', '-wal', '-shm']) {
    if (existsSync(path + suffix)) renameSync(path + suffix, aside + suffix);
  }
  return aside;
}
