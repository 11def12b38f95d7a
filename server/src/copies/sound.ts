import { existsSync } from 'node:fs';
import Database from 'libsql';

/** What is known of a file that claims to be a collection; `sequence` grows with everything that is done. */
export type Soundness =
  { sound: true; plants: number; sequence: number } | { sound: false; why: string };

/**
 * Whether a file is a whole collection: SQLite reads every page of it, every row that is pointed
 * to is there, and it has Fernbank's tables.
 */
export function soundness(path: string): Soundness {
  let file: InstanceType<typeof Database> | null = null;
  try {
    if (!existsSync(path)) return { sound: false, why: 'unable to open: there is no such file' };
    file = new Database(path);
    file.pragma('query_only = ON');
    const first = (sql: string) => Object.values(file!.prepare(sql).get() as object)[0] as unknown;
    const integrity = String(first('PRAGMA integrity_check'));
    if (integrity !== 'ok') return { sound: false, why: integrity.split('\n')[0]! };
    const loose = file.prepare('PRAGMA foreign_key_check').all();
    if (loose.length > 0) return { sound: false, why: `${loose.length} rows point to nothing` };
    const plants = Number(first('SELECT count(*) FROM plants'));
    // A file from before there was a history is older than any with one.
    const told = first("SELECT count(*) FROM sqlite_master WHERE name = 'deeds'");
    const sequence = told ? Number(first('SELECT coalesce(max(id), 0) FROM deeds')) : 0;
    return { sound: true, plants, sequence };
  } catch (error) {
    return { sound: false, why: error instanceof Error ? error.message : String(error) };
  } finally {
    file?.close();
  }
}
