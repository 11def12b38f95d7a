import { copyFileSync, existsSync, renameSync } from 'node:fs';
import { copyFolderOf, soundCopies, type SoundCopy } from './copies/copies.ts';
import { soundness } from './copies/sound.ts';
import type { OpenFile } from './db/driver.ts';
import { openCollection } from './db/open.ts';

type Opened = { file: OpenFile; restored?: string } | { why: string };

/**
 * Opens the collection, or says what is the matter and what to do about it.
 *
 * @param path  of the SQLite file
 * @param restore  the copy that a damaged file may be set aside for: its name, or `newest`, the one that
 *   knows most; absent: none
 */
export function openedOrWhy(path: string, restore?: string): Opened {
  if (!existsSync(path)) return tried(path);
  const state = soundness(path);
  if (state.sound) return tried(path);
  // An older Fernbank's file may lack a table; a file that SQLite cannot read has other troubles.
  if (/no such table/.test(state.why)) return tried(path);
  if (/unable to open|permission|readonly/i.test(state.why))
    return { why: unreadable(path, state.why) };
  const copies = soundCopies(copyFolderOf(path));
  const [newest] = copies;
  if (!newest) {
    return {
      why: `${path} is damaged (${state.why}) and there is no sound copy of it. Restore a backup: move the file away, start Fernbank, and bring the backup in under Record, Safe keeping.`,
    };
  }
  if (!restore) {
    return { why: `${path} is damaged (${state.why}). ${choiceOf(copies)}` };
  }
  const copy = restore === 'newest' ? newest : copies.find(({ name }) => name === restore);
  if (!copy) return { why: `There is no sound copy ${restore} of ${path}. ${choiceOf(copies)}` };
  const aside = setAside(path);
  copyFileSync(copy.path, path);
  const opened = tried(path);
  return 'why' in opened
    ? opened
    : {
        ...opened,
        restored: `the damaged file is now ${aside}; going on with ${copy.name}`,
      };
}

const MOST_NAMED = 8;
/** What there is to go on with, the copy that knows most first, whatever day its clock said. */
function choiceOf(copies: readonly SoundCopy[]): string {
  const named = copies
    .slice(0, MOST_NAMED)
    .map(({ name, plants, sequence }) => `  ${name} (${plants} plants, up to entry ${sequence})`);
  return [
    'Sound copies of it, the one that knows most first:',
    ...named,
    `Start with FERNBANK_RESTORE=newest to go on with the first, or with the name of another one; the damaged file is set aside, not deleted.`,
  ].join('\n');
}

function tried(path: string): Opened {
  try {
    return { file: openCollection(path) };
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    const own = /newer Fernbank|up to date/.test(why);
    return { why: own ? `${path}: ${why}` : unreadable(path, why) };
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
