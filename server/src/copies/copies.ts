import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { IsoDate } from '@fernbank/core';
import type { OpenFile } from '../db/driver.ts';
import { HttpError, notFound } from '../http/errors.ts';
import { superseded } from './kept.ts';
import { keepPictures } from './pictures.ts';
import { soundness, type Soundness } from './sound.ts';

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

/** The copies of one collection. */
export class Copies {
  /** why the last one could not be made */
  fault: string | null = null;
  /** what was found of a copy, as long as its file is the same: to read all of each takes a while */
  readonly #found = new Map<string, { stamp: string; state: Soundness }>();

  constructor(
    private readonly file: OpenFile,
    private readonly folder: string,
    private readonly photoFolder: string,
    private readonly today: () => IsoDate,
  ) {}

  /** Makes the copy of the day unless there is a sound one, and lets go of those that it supersedes. */
  daily(): void {
    const today = this.today();
    try {
      mkdirSync(this.folder, { recursive: true });
      const path = join(this.folder, `daily-${today}.sqlite`);
      if (!existsSync(path) || !soundness(path).sound) this.#write(path);
      const dates = this.#names().flatMap((name) => DAILY.exec(name)?.[1] ?? []);
      for (const date of superseded(dates, today)) this.#drop(`daily-${date}.sqlite`);
      keepPictures(this.folder, this.photoFolder);
      this.fault = null;
    } catch (error) {
      this.fault = error instanceof Error ? error.message : String(error);
    }
  }

  /** Clears away what a restore or a copy that was cut short has left. Meant for the start. */
  tidy(): void {
    for (const name of this.#names()) {
      if (name.startsWith('.') || name.includes('.part')) {
        rmSync(join(this.folder, name), { recursive: true, force: true });
      }
    }
  }

  /** Makes the copy of the day anew. @throws Error when it cannot be written */
  now(): void {
    mkdirSync(this.folder, { recursive: true });
    this.#write(join(this.folder, `daily-${this.today()}.sqlite`));
    keepPictures(this.folder, this.photoFolder);
    this.fault = null;
  }

  /** Keeps what is about to be replaced. @returns its name */
  beforeRestore(): string {
    mkdirSync(this.folder, { recursive: true });
    const taken = this.#names().flatMap((name) => Number(BEFORE.exec(name)?.[2] ?? 0));
    const name = `before-restore-${this.today()}-${Math.max(0, ...taken) + 1}.sqlite`;
    this.#write(join(this.folder, name));
    const before = this.#names()
      .filter((one) => BEFORE.test(one))
      .sort((a, b) => Number(BEFORE.exec(b)![2]) - Number(BEFORE.exec(a)![2]));
    for (const old of before.slice(MOST_BEFORE)) this.#drop(old);
    keepPictures(this.folder, this.photoFolder);
    return name;
  }

  /** Newest first, each with whether it can be used. */
  list(): Copy[] {
    return this.#names()
      .flatMap((name): Copy[] => {
        const date = DAILY.exec(name)?.[1] ?? BEFORE.exec(name)?.[1];
        if (!date) return [];
        const path = join(this.folder, name);
        const kind = DAILY.test(name) ? 'daily' : 'beforeRestore';
        const { size: bytes, mtimeMs } = statSync(path);
        return [{ name, kind, date, bytes, state: this.#stateOf(name, `${bytes}/${mtimeMs}`) }];
      })
      .sort((a, b) => b.date.localeCompare(a.date) || b.name.localeCompare(a.name));
  }

  /**
   * Where a copy lies. A name that comes in is only compared with those that are there.
   *
   * @throws HttpError 404 when there is none of that name, 409 when it is damaged
   */
  pathOf(name: string): string {
    const there = this.#names().find(
      (one) => one === name && (DAILY.test(one) || BEFORE.test(one)),
    );
    if (!there) throw notFound('this copy');
    const path = join(this.folder, there);
    const state = soundness(path);
    if (!state.sound) {
      throw new HttpError(409, 'damaged', `this copy is damaged (${state.why}); use an older one`);
    }
    return path;
  }

  #stateOf(name: string, stamp: string): Soundness {
    const before = this.#found.get(name);
    if (before?.stamp === stamp) return before.state;
    const state = soundness(join(this.folder, name));
    this.#found.set(name, { stamp, state });
    return state;
  }

  #names(): string[] {
    return existsSync(this.folder) ? readdirSync(this.folder) : [];
  }

  /** A copy takes its name only once it is whole. */
  #write(path: string): void {
    const part = `${path}.part`;
    this.#drop(part);
    try {
      this.file.exec(`VACUUM INTO '${part.replaceAll("'", "''")}'`);
      const state = soundness(part);
      if (!state.sound) throw new Error(`the copy is not sound: ${state.why}`);
      renameSync(part, path);
    } catch (error) {
      this.#drop(part);
      throw error;
    }
  }

  #drop(name: string): void {
    const path = name.startsWith(this.folder) ? name : join(this.folder, name);
    for (const suffix of ['', '-journal', '-wal', '-shm']) rmSync(path + suffix, { force: true });
  }
}

/** The newest copy that can be used, where the collection itself cannot even be opened. */
export function newestSound(folder: string): { path: string; date: IsoDate } | null {
  const names = existsSync(folder) ? readdirSync(folder) : [];
  const newestFirst = names
    .flatMap((name) => {
      const date = DAILY.exec(name)?.[1];
      return date ? [{ path: join(folder, name), date }] : [];
    })
    .sort((a, b) => b.date.localeCompare(a.date));
  return newestFirst.find(({ path }) => soundness(path).sound) ?? null;
}
