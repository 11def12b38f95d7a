import type { Request, Response } from 'express';
import type { Done, Journal } from '../history/journal.ts';
import { HttpError } from './errors.ts';

/** Proxies and phones drop a connection that says nothing. */
const PING_MS = 25_000;
/** Windows that listen at a time, and of one device: beyond that its oldest is let go. */
const MOST_WINDOWS = 256;
const MOST_OF_ONE = 12;

interface Window {
  response: Response;
  /** the device, or the machine that it came from */
  of: string;
  /** whether who opened it may still read */
  mayRead: () => boolean;
}

/**
 * Tells every open window what was done elsewhere, as it happens.
 *
 * @source server-sent events, HTML Living Standard
 */
export class Live {
  readonly #windows = new Set<Window>();

  constructor(journal: Journal) {
    journal.onDone((done) => this.#tell(done));
    setInterval(() => this.#ping(), PING_MS).unref();
  }

  /** Keeps an answer open. @throws HttpError 503 when too many are */
  open(request: Request, response: Response, mayRead: () => boolean): void {
    if (this.#windows.size >= MOST_WINDOWS) {
      throw new HttpError(429, 'tooManyWindows', 'too many windows listen already');
    }
    const { deviceId } = response.locals as { deviceId?: number };
    const of = String(deviceId ?? request.socket.remoteAddress);
    const [oldest, ...others] = [...this.#windows].filter((one) => one.of === of);
    if (oldest && others.length + 1 >= MOST_OF_ONE) {
      oldest.response.end();
      this.#windows.delete(oldest);
    }
    const window = { response, of, mayRead };
    this.#windows.add(window);
    request.on('close', () => this.#windows.delete(window));
    response.set({ 'Content-Type': 'text/event-stream', 'X-Accel-Buffering': 'no' });
    response.flushHeaders();
    response.write('retry: 3000\n\n');
  }

  /** Ends every stream, so that the server can close. */
  end(): void {
    for (const { response } of this.#windows) response.end();
    this.#windows.clear();
  }

  #tell({ id, tables, plantIds, window }: Done): void {
    const data = JSON.stringify({ deed: id, tables, plantIds: plantIds.slice(0, 100), window });
    for (const { response } of this.#windows) response.write(`event: done\ndata: ${data}\n\n`);
  }

  #ping(): void {
    for (const window of this.#windows) {
      if (window.mayRead()) window.response.write(': still here\n\n');
      else {
        window.response.end();
        this.#windows.delete(window);
      }
    }
  }
}
