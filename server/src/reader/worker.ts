import { workerData } from 'node:worker_threads';
import { openReader } from '../db/driver.ts';
import { followForeign } from '../history/touched.ts';
import { answering } from '../threads/answering.ts';
import { QUESTIONS, type Question } from './questions.ts';

/** What the reader's thread is asked. */
export interface Asked {
  question: Question;
  params: unknown;
  /** what the thread that writes knows of other writers */
  foreign: number;
}

const { path } = workerData as { path: string };
const file = openReader(path);

answering(({ question, params, foreign }: Asked) => {
  followForeign(file.db, foreign);
  const answer = QUESTIONS[question] as (db: typeof file.db, params: unknown) => unknown;
  // One moment of the collection, whatever is written meanwhile.
  file.exec('BEGIN');
  try {
    return answer(file.db, params);
  } finally {
    file.exec('ROLLBACK');
  }
});
