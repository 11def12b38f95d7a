import { workerData } from 'node:worker_threads';
import { constants, gzipSync } from 'node:zlib';
import { openReader } from '../db/driver.ts';
import { followForeign, markOf, type Mark } from '../history/touched.ts';
import { answering, type Told } from '../threads/answering.ts';
import { QUESTIONS, type Question } from './questions.ts';

/** What the reader's thread is asked. */
export interface Asked {
  question: Question;
  params: unknown;
  /** the answer goes out as it is, to one who can unpack it */
  pack: boolean;
  /** what the thread that writes knows of other writers */
  foreign: number;
}

/** Shorter ones are not worth it. */
const PACKED_FROM = 20_000;
/** Answers that stand as long as nothing is written. */
const MOST_KEPT = 6;
interface Kept {
  key: string;
  mark: Mark;
  told: Told;
}

const { path } = workerData as { path: string };
const file = openReader(path);
let kept: Kept[] = [];

answering(({ question, params, pack, foreign }: Asked): Told => {
  followForeign(file.db, foreign);
  const key = JSON.stringify([question, params, pack]);
  // One moment of the collection, whatever is written meanwhile.
  file.exec('BEGIN');
  try {
    const mark = markOf(file.db);
    const before = kept.find((one) => one.key === key && same(one.mark, mark));
    if (before) return before.told;
    const answer = answerTo(question, params);
    const told = toldOf(answer, pack);
    // What is not judged yet will be told otherwise the next time.
    if (toCome(answer)) return told;
    kept = [{ key, mark, told }, ...kept.filter((one) => one.key !== key)].slice(0, MOST_KEPT);
    return told;
  } finally {
    file.exec('ROLLBACK');
  }
});

function answerTo(question: Question, params: unknown): unknown {
  const answer = QUESTIONS[question] as (db: typeof file.db, params: unknown) => unknown;
  return answer(file.db, params);
}
const toCome = (answer: unknown): boolean => {
  if (typeof answer === 'number') return answer > 0;
  return ((answer as { toCome?: number } | null)?.toCome ?? 0) > 0;
};

function toldOf(answer: unknown, pack: boolean): Told {
  const json = JSON.stringify(answer);
  return pack && json.length >= PACKED_FROM
    ? { gzip: gzipSync(json, { level: constants.Z_BEST_SPEED }) }
    : { json };
}

const same = (a: Mark, b: Mark) =>
  a.change === b.change && a.restore === b.restore && a.foreign === b.foreign;
