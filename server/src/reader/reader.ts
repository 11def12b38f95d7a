import type { Response } from 'express';
import type { OpenFile } from '../db/driver.ts';
import { foreignOf } from '../history/touched.ts';
import { QUESTIONS, type AnswerOf, type ParamsOf, type Question } from './questions.ts';
import { textOf, Thread, type Answer, type Program } from '../threads/thread.ts';
import type { Asked } from './worker.ts';

/** Who reads the whole collection. */
export abstract class Reader {
  /**
   * @param signal  ends the wait of one who has gone; what was not begun is not begun
   * @throws HttpError as the question itself does
   */
  protected abstract answer<Q extends Question>(
    question: Q,
    params: ParamsOf<Q>,
    how?: { pack?: boolean; signal?: AbortSignal },
  ): Promise<Answer>;

  async ask<Q extends Question>(
    question: Q,
    params: ParamsOf<Q>,
    signal?: AbortSignal,
  ): Promise<AnswerOf<Q>> {
    const answer = await this.answer(question, params, signal ? { signal } : {});
    return JSON.parse(textOf(answer)) as AnswerOf<Q>;
  }

  /** Answers a request; one that was let go of meanwhile is not answered. */
  async send<Q extends Question>(
    response: Response<AnswerOf<Q>>,
    question: Q,
    params: ParamsOf<Q>,
  ) {
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    const pack = response.req.acceptsEncodings('gzip') === 'gzip';
    try {
      const answer = await this.answer(question, params, { pack, signal: gone.signal });
      response.type('json').vary('Accept-Encoding');
      if ('json' in answer) (response as Response).send(answer.json);
      else response.set('Content-Encoding', 'gzip').end(answer.gzip);
    } catch (error) {
      if (!gone.signal.aborted) throw error;
    }
  }

  /** Ends it with the server. */
  async end(): Promise<void> {}
}

/** Reads where it is asked: for tests, and for what is over before the next request comes. */
export class ReaderHere extends Reader {
  constructor(private readonly file: OpenFile) {
    super();
  }
  protected async answer<Q extends Question>(question: Q, params: ParamsOf<Q>): Promise<Answer> {
    const answer = QUESTIONS[question] as (db: OpenFile['db'], params: ParamsOf<Q>) => unknown;
    return { json: JSON.stringify(answer(this.file.db, params)) };
  }
}

/** Reads in a thread of its own, on a connection of its own, one question after the other. */
export class ReaderApart extends Reader {
  readonly #thread: Thread;

  /**
   * @param file  of the thread that writes: it knows what was written past the journal
   * @param path  of the collection
   */
  constructor(
    private readonly file: OpenFile,
    path: string,
    program: Program,
  ) {
    super();
    this.#thread = new Thread(program, { path });
  }

  protected answer<Q extends Question>(
    question: Q,
    params: ParamsOf<Q>,
    { pack = false, signal }: { pack?: boolean; signal?: AbortSignal } = {},
  ): Promise<Answer> {
    const asked = (): Asked => ({ question, params, pack, foreign: foreignOf(this.file.db) });
    return this.#thread.ask(asked, signal ? { signal } : {});
  }

  override async end(): Promise<void> {
    await this.#thread.end();
  }
}
