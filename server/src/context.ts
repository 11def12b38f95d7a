import type { IsoDate } from '@fernbank/core';
import { Copies, copyFolderOf } from './copies/copies.ts';
import type { Keeper } from './copies/keeper.ts';
import type { OpenFile } from './db/driver.ts';
import type { Demo } from './demo.ts';
import type { Journal } from './history/journal.ts';
import { Door } from './door/door.ts';
import { Live } from './http/live.ts';
import { importerHere, type Importer } from './importing/importer.ts';
import type { Reading } from './http/days.ts';
import { photoFolderOf } from './place.ts';
import { ReaderHere, type Reader } from './reader/reader.ts';
import type { Phones } from './phones/phones.ts';
import type { Thread } from './threads/thread.ts';

/** What routes need of the world around them. */
export interface Context extends Reading {
  /** what every write goes through */
  journal: Journal;
  /** who reads the whole collection */
  reader: Reader;
  /** who brings files of rows in */
  importer: Importer;
  /** works out heavy sums; null: they are worked out where they are asked */
  sums: Thread | null;
  /** open windows, which hear of what is done elsewhere */
  live: Live;
  /** the copies that are kept of it, in a folder on the same disk */
  copies: Copies;
  /** who may come in */
  door: Door;
  /** the way in for phones; null where nothing listens */
  phones: Phones | null;
  version: string;
  /** the garden made up for trying that this is; null: the keeper's own collection */
  demo: Demo | null;
  /** where pictures lie: beside the database */
  photoFolder: string;
}

/** The context of a collection that lies at a path; all that belongs to it lies beside it. */
export function contextOf(of: {
  file: OpenFile;
  path: string;
  journal: Journal;
  /** absent: everyone on this machine, and no one else */
  door?: Door | null;
  phones?: Phones;
  today: () => IsoDate;
  version: string;
  demo?: Demo | null;
  reader?: Reader;
  sums?: Thread;
  keeper?: Keeper;
  importer?: Importer;
}): Context {
  const { file, path, journal, today, version, phones = null } = of;
  const { reader = new ReaderHere(file), sums = null, importer = importerHere(journal) } = of;
  const { demo = null } = of;
  const photoFolder = photoFolderOf(path);
  const copyFolder = copyFolderOf(path);
  const copies = new Copies(journal, { path, folder: copyFolder, photoFolder }, today, of.keeper);
  const live = new Live(journal);
  const { db } = file;
  const door = of.door ?? Door.plain(db);
  return {
    db,
    journal,
    reader,
    sums,
    importer,
    live,
    copies,
    door,
    phones,
    today,
    version,
    demo,
    photoFolder,
  };
}
