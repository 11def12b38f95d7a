import { renameSync } from 'node:fs';
import { openFile } from '../db/driver.ts';
import { bring, type Brought } from './bring.ts';
import { drop } from './drop.ts';
import { replaceBy, type RestoreDeed } from './replace.ts';
import { soundness, type Soundness } from './sound.ts';

/** How far a long task has come. */
export interface Progress {
  /** 0 … 1; null: nobody knows how much there is */
  share: number | null;
  rows: number;
}
type Tell = (progress: Progress) => void;

/** What reads or writes a whole collection: done away from the thread that serves requests. */
export const TASKS = {
  /** A checked copy of a collection as it stands; it takes its name only once it is whole. */
  copy({ path, into }: { path: string; into: string }): Promise<Soundness> {
    const part = `${into}.part`;
    drop(part);
    try {
      const file = openFile(path);
      try {
        file.exec(`VACUUM INTO '${part.replaceAll("'", "''")}'`);
      } finally {
        file.close();
      }
      const state = soundness(part);
      if (!state.sound) throw new Error(`the copy is not sound: ${state.why}`);
      renameSync(part, into);
      return Promise.resolve(state);
    } catch (error) {
      drop(part);
      throw error;
    }
  },
  state: ({ path }: { path: string }): Promise<Soundness> => Promise.resolve(soundness(path)),
  bring: (order: { archive: string; into: string; photos: string; empty: boolean }, tell: Tell) =>
    bring(order, tell) satisfies Promise<Brought>,
  /** @returns the entry of the history that tells of it */
  replace: (order: {
    path: string;
    by: string;
    deed: RestoreDeed;
    scratch: string;
  }): Promise<number> => {
    const file = openFile(order.path);
    try {
      return Promise.resolve(replaceBy(file, order));
    } finally {
      file.close();
    }
  },
} satisfies Record<string, (order: never, tell: Tell) => Promise<unknown>>;

export type Task = keyof typeof TASKS;
export type OrderOf<T extends Task> = Parameters<(typeof TASKS)[T]>[0];
export type ResultOf<T extends Task> = Awaited<ReturnType<(typeof TASKS)[T]>>;
