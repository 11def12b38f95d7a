import { Worker } from 'node:worker_threads';
import { gunzipSync } from 'node:zlib';
import { HttpError } from '../http/errors.ts';
import type { Told } from './answering.ts';

/** A program for a thread. */
export type Program = { url: URL } | { code: string };

/** JSON, as text or packed. */
export type Answer = Exclude<Told, { fault: object } | { progress: unknown }>;

interface Waiting {
  message: () => unknown;
  signal: AbortSignal | undefined;
  progress: ((progress: unknown) => void) | undefined;
  answer: (told: Answer) => void;
  fail: (error: Error) => void;
}

/**
 * A thread that is asked one thing after the other. Begun when it is first asked;
 * one that ends by itself, or works on what nobody waits for any more, is replaced.
 */
export class Thread {
  #worker: Worker | null = null;
  #waiting: Waiting[] = [];
  #current: Waiting | null = null;
  #ended = false;

  /**
   * @param given  what the thread knows from its start
   * @param budgetMs  it may work so long on one question; absent: as long as it takes
   * @param letGo  whether it is stopped when who asked has gone: dear where it remembers
   */
  constructor(
    private readonly program: Program,
    private readonly given: unknown,
    private readonly options: { budgetMs?: number; letGo?: boolean } = {},
  ) {}

  /**
   * @param message  made when its turn has come
   * @param how  a signal ends the wait of one who has gone; what was not begun is not begun
   * @throws HttpError as it was thrown there; 422 when the budget does not suffice
   */
  ask(
    message: () => unknown,
    { signal, progress }: { signal?: AbortSignal; progress?: (told: unknown) => void } = {},
  ): Promise<Answer> {
    return new Promise((answer, fail) => {
      this.#waiting.push({ message, signal, progress, answer, fail });
      this.#next();
    });
  }

  /** Ends it; who still waits is told. */
  async end(): Promise<void> {
    this.#ended = true;
    for (const waiting of this.#waiting.splice(0)) waiting.fail(closing());
    this.#current?.fail(closing());
    this.#current = null;
    await this.#worker?.terminate();
  }

  #next(): void {
    if (this.#current || this.#ended) return;
    for (let next = this.#waiting.shift(); next; next = this.#waiting.shift()) {
      if (next.signal?.aborted) {
        next.fail(gone());
        continue;
      }
      this.#begin(next);
      return;
    }
  }

  #begin(waiting: Waiting): void {
    this.#current = waiting;
    const { budgetMs, letGo } = this.options;
    if (budgetMs) {
      const over = setTimeout(() => this.#stop(waiting, tooMuch(budgetMs)), budgetMs);
      const { answer, fail } = waiting;
      waiting.answer = (told) => (clearTimeout(over), answer(told));
      waiting.fail = (error) => (clearTimeout(over), fail(error));
    }
    if (letGo) waiting.signal?.addEventListener('abort', () => this.#stop(waiting, gone()));
    this.#started().postMessage(waiting.message());
  }

  /** Ends what it works on, by force. */
  #stop(waiting: Waiting, why: Error): void {
    const worker = this.#worker;
    if (this.#current !== waiting || !worker) return;
    this.#lost(worker, why);
    void worker.terminate();
  }

  #started(): Worker {
    if (this.#worker) return this.#worker;
    const { program, given: workerData } = this;
    const worker =
      'url' in program
        ? new Worker(program.url, { workerData })
        : new Worker(program.code, { workerData, eval: true });
    worker.on('message', (told: Told) => this.#told(told));
    worker.on('error', (error) => this.#lost(worker, error as Error));
    worker.on('exit', () => this.#lost(worker, new Error('the thread ended by itself')));
    worker.unref();
    this.#worker = worker;
    return worker;
  }

  #told(told: Told): void {
    const current = this.#current;
    if ('progress' in told) return current?.progress?.(told.progress);
    this.#current = null;
    if ('fault' in told) current?.fail(faultOf(told.fault));
    else current?.answer(told);
    this.#next();
  }

  #lost(worker: Worker, error: Error): void {
    if (this.#worker !== worker) return;
    this.#worker = null;
    const current = this.#current;
    this.#current = null;
    current?.fail(error);
    this.#next();
  }
}

export const textOf = (answer: Answer): string =>
  'json' in answer ? answer.json : gunzipSync(answer.gzip).toString();

const gone = () => new HttpError(499, 'gone', 'who asked has gone');
const closing = () => new HttpError(503, 'closing', 'Fernbank is closing: nothing was changed');
const tooMuch = (ms: number) =>
  new HttpError(
    422,
    'tooMuch',
    `this is more than can be worked out in ${ms / 1000} s; ask for less`,
  );

/** A fault as it was thrown in the thread. */
function faultOf({ http, name, message, stack }: Extract<Told, { fault: object }>['fault']): Error {
  if (http) return new HttpError(http.status, http.code, message, http.field, http.more);
  return Object.assign(new Error(message), { name, ...(stack ? { stack } : {}) });
}
