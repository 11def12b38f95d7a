import { rmSync } from 'node:fs';

/** Takes a collection's file away, with what SQLite keeps beside it. */
export function drop(path: string): void {
  for (const suffix of ['', '-journal', '-wal', '-shm']) rmSync(path + suffix, { force: true });
}
