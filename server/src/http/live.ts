import type { Request, Response } from 'express';
import type { Done, Journal } from '../history/journal.ts';
import { HttpError } from './errors.ts';

/** Proxies and phones drop a connection that says nothing. */
const PING_MS = 25_000;
/** Windows that listen at a time. */
const MOST_WINDOWS = 64;

interface Window {
  response: Response;
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
    const window = { response, mayRead };
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
