import { rmSync } from 'node:fs';
import type { IsoDate } from '@fernbank/core';
import { copyFolderOf } from '../server/src/copies/copies.ts';
import { openCollection } from '../server/src/db/open.ts';
import type { Demo } from '../server/src/demo.ts';
import { photoFolderOf } from '../server/src/place.ts';
import { fillGarden } from './fill.ts';
import { takePictures } from './pictures.ts';
import { storyFrom } from './story.ts';

/** The garden's own spring: windows are about to open, and there is plenty to do. */
const BEGINS: IsoDate = '2026-03-16';

/** Writes a fresh demo collection in place of the one before it, on FERNBANK_TODAY or the garden's own day. */
export function makeDemo(path: string): Demo {
  for (const suffix of ['', '-wal', '-shm']) rmSync(path + suffix, { force: true });
  // Copies and pictures of the demo before it are of other plants.
  for (const folder of [copyFolderOf(path), photoFolderOf(path)]) {
    rmSync(folder, { recursive: true, force: true });
  }
  const begins = process.env.FERNBANK_TODAY ?? BEGINS;
  const write = (into: string) => {
    const file = openCollection(into);
    fillGarden(file.db, begins);
    takePictures(file.db, photoFolderOf(path), begins);
    file.exec('PRAGMA wal_checkpoint(TRUNCATE)');
    file.close();
  };
  write(path);
  return storyFrom(begins, write);
}
