import { setTimeout as pause } from 'node:timers/promises';
import { isLocked, locked } from '../http/errors.ts';

/** Another program's writes are seldom longer. */
const PATIENCE_MS = 2500;
const PAUSE_MS = 80;

/**
 * Does what writes, again while another program holds the file; between two tries everyone else is
 * served.
 *
 * @throws HttpError 503 when it is held too long; nothing is changed then
 */
export async function patiently<T>(write: () => T, patienceMs = PATIENCE_MS): Promise<T> {
  const end = Date.now() + patienceMs;
  for (;;) {
    try {
      return write();
    } catch (error) {
      if (!isLocked(error)) throw error;
      if (Date.now() > end) throw locked();
    }
    await pause(PAUSE_MS);
  }
}
