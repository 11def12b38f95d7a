import type { OpenFile } from '../db/driver.ts';
import type { DeedKind } from '../db/history.ts';
import { watchRows } from './triggers.ts';

/** What is about to be done. */
export interface Intent {
  what: string;
  kind?: DeedKind;
  device?: string | null;
  undoes?: number;
  /** the open window that asked for it: what it did itself it need not be told */
  window?: string | null;
}

/** A deed that stands in the file. */
export interface Done {
  id: number;
  tables: string[];
  plantIds: number[];
  window: string | null;
}

type Listener = (done: Done) => void;

/** Does things so that they are remembered, and tells who listens once they stand. */
export class Journal {
  readonly #listeners = new Set<Listener>();

  constructor(readonly file: OpenFile) {
    watchRows(file);
  }

  /**
   * Runs what is to be done as one transaction and one deed.
   *
   * @returns what it gave; the deed is null when no row changed
   */
  write<T>(intent: Intent, run: () => T): { result: T; done: Done | null } {
    const written = this.#written(intent, run);
    const { done } = written;
    if (done) this.tell(done);
    return written;
  }

  #written<T>(intent: Intent, run: () => T): { result: T; done: Done | null } {
    const { file } = this;
    return file.db.transaction(() => {
      const id = 1 + Number(file.value('SELECT coalesce(max(id), 0) FROM deeds'));
      const { what, kind = 'write', device = null, undoes = null } = intent;
      file.run(
        'INSERT INTO temp.deed_now VALUES (?, ?, ?, ?, ?, ?)',
        ...[id, new Date().toISOString(), what, kind, device, undoes],
      );
      try {
        const result = run();
        return { result, done: this.#doneIn(id, intent.window ?? null) };
      } finally {
        file.exec('DELETE FROM temp.deed_now');
      }
    });
  }

  /** The deed that is being written. */
  deedNow(): number {
    return Number(this.file.value('SELECT id FROM temp.deed_now'));
  }

  /** Hears of every deed once it is kept. @returns how to stop */
  onDone(listener: Listener): () => void {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  }

  /** Tells who listens of a deed that was done on another connection. */
  tell(done: Done): void {
    for (const listener of this.#listeners) listener(done);
  }

  /** Says that rows changed which are not traced one by one: the whole collection was replaced. */
  replaced(id: number): void {
    this.tell({ id, tables: ['*'], plantIds: [], window: null });
  }

  #doneIn(id: number, window: string | null): Done | null {
    const rows = this.file.rows(
      'SELECT DISTINCT "of", plant_id FROM changes WHERE deed_id = ?',
      id,
    );
    if (rows.length === 0) return null;
    return {
      id,
      window,
      tables: [...new Set(rows.map((row) => String(row.of)))],
      plantIds: [
        ...new Set(rows.flatMap(({ plant_id: plant }) => (plant === null ? [] : [Number(plant)]))),
      ],
    };
  }
}
