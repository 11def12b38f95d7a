import type { Response } from 'express';
import type { OpenFile } from '../db/driver.ts';
import { foreignOf } from '../history/touched.ts';
import { QUESTIONS, type AnswerOf, type ParamsOf, type Question } from './questions.ts';
import { Thread, type Program } from '../threads/thread.ts';
import type { Asked } from './worker.ts';

/** Who reads the whole collection. Answers are JSON. */
export abstract class Reader {
  /**
   * @param signal  ends the wait of one who has gone; what was not begun is not begun
   * @throws HttpError as the question itself does
   */
  abstract json<Q extends Question>(
    question: Q,
    params: ParamsOf<Q>,
    signal?: AbortSignal,
  ): Promise<string>;

  async ask<Q extends Question>(question: Q, params: ParamsOf<Q>): Promise<AnswerOf<Q>> {
    return JSON.parse(await this.json(question, params)) as AnswerOf<Q>;
  }

  /** Answers a request; one that was let go of meanwhile is not answered. */
  async send<Q extends Question>(response: Response, question: Q, params: ParamsOf<Q>) {
    const gone = new AbortController();
    response.on('close', () => gone.abort());
    try {
      const json = await this.json(question, params, gone.signal);
      response.type('json').send(json);
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
  async json<Q extends Question>(question: Q, params: ParamsOf<Q>): Promise<string> {
    const answer = QUESTIONS[question] as (db: OpenFile['db'], params: ParamsOf<Q>) => unknown;
    return JSON.stringify(answer(this.file.db, params));
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

  json<Q extends Question>(question: Q, params: ParamsOf<Q>, signal?: AbortSignal) {
    const asked = (): Asked => ({ question, params, foreign: foreignOf(this.file.db) });
    return this.#thread.ask(asked, signal);
  }

  override async end(): Promise<void> {
    await this.#thread.end();
  }
}
