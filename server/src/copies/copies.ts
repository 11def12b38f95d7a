import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { IsoDate } from '@fernbank/core';
import type { Journal } from '../history/journal.ts';
import { HttpError, notFound } from '../http/errors.ts';
import { keeperHere, type Keeper } from './keeper.ts';
import { superseded } from './kept.ts';
import { bringPictures, keepPictures } from './pictures.ts';
import { soundness, type Soundness } from './sound.ts';
import { drop } from './drop.ts';
import { type Progress } from './tasks.ts';
import type { RestoreDeed } from './replace.ts';

/** Operations that restore, as the history knows them. */
const RESTORE = {
  copy: 'POST /copies/:name/restore',
  backup: 'POST /backup',
  anew: 'POST /demo/anew',
} as const;

/** Copies of a collection lie in a folder beside its file. */
export const copyFolderOf = (path: string) => `${path.replace(/\.sqlite$/, '')}.copies`;

const DAILY = /^daily-(\d{4}-\d{2}-\d{2})\.sqlite$/;
const BEFORE = /^before-restore-(\d{4}-\d{2}-\d{2})-(\d+)\.sqlite$/;
/** Copies of what a restore replaced. */
const MOST_BEFORE = 5;

export interface Copy {
  name: string;
  kind: 'daily' | 'beforeRestore';
  date: IsoDate;
  bytes: number;
  state: Soundness;
}

/** What is being done with the whole collection, and how far it has come. */
export interface Working extends Progress {
  what: 'copy' | 'restore';
}

/** Where a collection lies, with what belongs to it. */
interface Place {
  path: string;
  folder: string;
  photoFolder: string;
}

/** The copies of one collection: made, kept, and put in its place, one thing at a time. */
export class Copies {
  /** why the last one could not be made */
  fault: string | null = null;
  working: Working | null = null;
  /** what was found of a copy, as long as its file is the same: to read all of each takes a while */
  readonly #found = new Map<string, { stamp: string; state: Soundness }>();
  #last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly journal: Journal,
    private readonly place: Place,
    private readonly today: () => IsoDate,
    private readonly keeper: Keeper = keeperHere,
  ) {}

  get folder(): string {
    return this.place.folder;
  }

  /** Makes the copy of the day unless there is a sound one, and lets go of those that it supersedes. */
  daily(): Promise<void> {
    return this.#alone('copy', async () => {
      const today = this.today();
      try {
        mkdirSync(this.folder, { recursive: true });
        const path = join(this.folder, `daily-${today}.sqlite`);
        const there = existsSync(path) && (await this.keeper.do('state', { path })).sound;
        if (!there) await this.#write(path);
        const dates = this.#names().flatMap((name) => DAILY.exec(name)?.[1] ?? []);
        for (const date of superseded(dates, today)) drop(this.#at(`daily-${date}.sqlite`));
        keepPictures(this.folder, this.place.photoFolder);
        this.fault = null;
      } catch (error) {
        this.fault = error instanceof Error ? error.message : String(error);
      }
    });
  }

  /** Clears away what a restore or a copy that was cut short has left. Meant for the start. */
  tidy(): void {
    for (const name of this.#names()) {
      if (name.startsWith('.') || name.includes('.part')) {
        rmSync(this.#at(name), { recursive: true, force: true });
      }
    }
  }

  /** Makes the copy of the day anew. @throws Error when it cannot be written */
  now(): Promise<void> {
    return this.#alone('copy', async () => {
      mkdirSync(this.folder, { recursive: true });
      await this.#write(this.#at(`daily-${this.today()}.sqlite`));
      keepPictures(this.folder, this.place.photoFolder);
      this.fault = null;
    });
  }

  /** A copy of this moment for a backup, which is read from it and dropped with it. @returns its path */
  async moment(): Promise<string> {
    mkdirSync(this.folder, { recursive: true });
    const into = this.#at(`.backup-${process.pid}-${Date.now()}.sqlite`);
    await this.keeper.do('copy', { path: this.place.path, into });
    return into;
  }

  /**
   * Puts a copy in the place of the collection; what it replaces is kept.
   *
   * @throws HttpError 404 when there is none of that name, 409 when it is damaged
   */
  restore(name: string, device: string | null): Promise<{ deed: number; before: string }> {
    return this.#alone('restore', async () => {
      const by = await this.#pathOf(name);
      return this.#replace(by, { what: RESTORE.copy, subject: name, device }, () =>
        bringPictures(this.folder, this.place.photoFolder),
      );
    });
  }

  /**
   * Puts a backup in the place of the collection; what it replaces is kept.
   *
   * @param receive  writes the archive to a path
   * @param empty  one without a single plant is meant
   * @throws HttpError 422 in words, and nothing is changed
   */
  restoreBackup(
    receive: (path: string) => Promise<void>,
    { device, empty }: { device: string | null; empty: boolean },
  ): Promise<{ deed: number; before: string; rows: number; photos: number }> {
    return this.#alone('restore', async () => {
      mkdirSync(this.folder, { recursive: true });
      const folder = mkdtempSync(this.#at('.brought-'));
      try {
        const archive = join(folder, 'archive.zip');
        await receive(archive);
        const into = join(folder, 'brought.sqlite');
        const photos = join(folder, 'photos');
        const brought = await this.keeper.do(
          'bring',
          { archive, into, photos, empty },
          (progress) => (this.working = { what: 'restore', ...progress }),
        );
        const done = await this.#replace(
          into,
          { what: RESTORE.backup, subject: null, device },
          () => bringPictures(folder, this.place.photoFolder),
        );
        return { ...done, ...brought };
      } finally {
        rmSync(folder, { recursive: true, force: true });
      }
    });
  }

  /** Puts a collection that is made for it in the place of this one, which is kept. */
  replaceWith(make: (path: string) => void, device: string | null): Promise<unknown> {
    return this.#alone('restore', async () => {
      mkdirSync(this.folder, { recursive: true });
      const folder = mkdtempSync(this.#at('.made-'));
      try {
        const path = join(folder, 'made.sqlite');
        make(path);
        await this.#replace(path, { what: RESTORE.anew, subject: null, device }, () => undefined);
      } finally {
        rmSync(folder, { recursive: true, force: true });
      }
    });
  }

  /** Newest first, each with whether it can be used. */
  async list(): Promise<Copy[]> {
    const copies: Copy[] = [];
    for (const name of this.#names()) {
      const date = DAILY.exec(name)?.[1] ?? BEFORE.exec(name)?.[1];
      if (!date) continue;
      const kind = DAILY.test(name) ? 'daily' : 'beforeRestore';
      const { size: bytes, mtimeMs } = statSync(this.#at(name));
      const state = await this.#stateOf(name, `${bytes}/${mtimeMs}`);
      copies.push({ name, kind, date, bytes, state });
    }
    return copies.sort((a, b) => b.date.localeCompare(a.date) || b.name.localeCompare(a.name));
  }

  /** One thing after the other: a copy is never made of what is half replaced. */
  #alone<T>(what: Working['what'], work: () => Promise<T>): Promise<T> {
    const next = this.#last.then(async () => {
      this.working = { what, share: null, rows: 0 };
      try {
        return await work();
      } finally {
        this.working = null;
      }
    });
    this.#last = next.catch(() => undefined);
    return next;
  }

  async #replace(by: string, deed: RestoreDeed, pictures: () => void) {
    const before = await this.#beforeRestore();
    // Pictures first: a collection never shows one that is not there.
    pictures();
    const { path, folder: scratch } = this.place;
    const done = await this.keeper.do('replace', { path, by, deed, scratch });
    this.journal.replaced(done);
    return { deed: done, before };
  }

  /** Keeps what is about to be replaced. @returns its name */
  async #beforeRestore(): Promise<string> {
    mkdirSync(this.folder, { recursive: true });
    const taken = this.#names().flatMap((name) => Number(BEFORE.exec(name)?.[2] ?? 0));
    const name = `before-restore-${this.today()}-${Math.max(0, ...taken) + 1}.sqlite`;
    await this.#write(this.#at(name));
    const before = this.#names()
      .filter((one) => BEFORE.test(one))
      .sort((a, b) => Number(BEFORE.exec(b)![2]) - Number(BEFORE.exec(a)![2]));
    for (const old of before.slice(MOST_BEFORE)) drop(this.#at(old));
    keepPictures(this.folder, this.place.photoFolder);
    return name;
  }

  /** Where a copy lies. A name that comes in is only compared with those that are there. */
  async #pathOf(name: string): Promise<string> {
    const there = this.#names().find(
      (one) => one === name && (DAILY.test(one) || BEFORE.test(one)),
    );
    if (!there) throw notFound('this copy');
    const path = this.#at(there);
    const state = await this.keeper.do('state', { path });
    if (!state.sound) {
      throw new HttpError(409, 'damaged', `this copy is damaged (${state.why}); use an older one`);
    }
    return path;
  }

  async #stateOf(name: string, stamp: string): Promise<Soundness> {
    const before = this.#found.get(name);
    if (before?.stamp === stamp) return before.state;
    const state = await this.keeper.do('state', { path: this.#at(name) });
    this.#found.set(name, { stamp, state });
    return state;
  }

  #write = (into: string) => this.keeper.do('copy', { path: this.place.path, into });
  #at = (name: string) => join(this.folder, name);

  #names(): string[] {
    return existsSync(this.folder) ? readdirSync(this.folder) : [];
  }
}

/** A copy that the collection can go on with where its own file cannot be opened. */
export interface SoundCopy {
  name: string;
  path: string;
  date: IsoDate;
  plants: number;
  /** the last that was done in it: grows with every deed, whatever day a clock says */
  sequence: number;
}

/** Copies that can be used, the one that knows most first. */
export function soundCopies(folder: string): SoundCopy[] {
  const names = existsSync(folder) ? readdirSync(folder) : [];
  return names
    .flatMap((name): SoundCopy[] => {
      const date = DAILY.exec(name)?.[1] ?? BEFORE.exec(name)?.[1];
      if (!date) return [];
      const path = join(folder, name);
      const state = soundness(path);
      return state.sound
        ? [{ name, path, date, plants: state.plants, sequence: state.sequence }]
        : [];
    })
    .sort((a, b) => b.sequence - a.sequence || b.name.localeCompare(a.name));
}
