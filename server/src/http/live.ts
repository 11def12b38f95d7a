import type { Request, Response } from 'express';
import type { Done, Journal } from '../history/journal.ts';
import { HttpError } from './errors.ts';

/** Proxies and phones drop a connection that says nothing. */
const PING_MS = 25_000;
/** Windows that listen at a time, and of one device: beyond that its oldest is let go. */
const MOST_WINDOWS = 256;
const MOST_OF_ONE = 12;
/** How far back a window may ask for what it has missed, ms: a page is read well within it. */
export const MOST_MISSED_MS = 60_000;

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
  /** What was done lately, the oldest first. */
  readonly #lately: { at: number; told: string }[] = [];

  constructor(journal: Journal) {
    journal.onDone((done) => this.#tell(done));
    setInterval(() => this.#ping(), PING_MS).unref();
  }

  /**
   * Keeps an answer open.
   *
   * @param missedMs how long its page has been read without listening: what was done since is told first
   * @throws HttpError 429 when too many are open
   */
  open(request: Request, response: Response, mayRead: () => boolean, missedMs = 0): void {
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
    const since = performance.now() - missedMs;
    for (const { at, told } of this.#lately) if (at >= since) response.write(told);
  }

  /** Ends every stream, so that the server can close. */
  end(): void {
    for (const { response } of this.#windows) response.end();
    this.#windows.clear();
  }

  #tell({ id, tables, plantIds, window }: Done): void {
    const data = JSON.stringify({ deed: id, tables, plantIds: plantIds.slice(0, 100), window });
    const told = `event: done\ndata: ${data}\n\n`;
    const at = performance.now();
    this.#lately.push({ at, told });
    while (this.#lately[0]!.at < at - MOST_MISSED_MS) this.#lately.shift();
    for (const { response } of this.#windows) response.write(told);
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
