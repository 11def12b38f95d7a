import type { IsoDate, KeepersPace } from '@fernbank/core';
import type { Db } from '../db/driver.ts';
import { days, plants } from '../db/schema.ts';
import { markOf } from '../history/touched.ts';
import { rowOr404 } from '../http/resource.ts';
import { aheadOn } from '../services/ahead.ts';
import { nextThatComes } from '../services/comes.ts';
import { dayProblemFor } from '../services/dayProblem.ts';
import { fittingFor, offeredTo, plansWithPlants } from '../services/fitting.ts';
import { judgeAll, judgedWithin } from '../services/judging.ts';
import { paceOf } from '../services/pace.ts';
import { reservoirsOn } from '../services/reservoirs.ts';
import { nextOn, roundsOf, toBeNoted, type RoundsPart } from '../services/rounds.ts';
import { learnedOn, trackRecordOn } from '../track/trackRecord.ts';
import { verdictsOn, type VerdictsPart } from '../services/verdicts.ts';

/** A keeper who asks something while it is judged ahead waits at most so long, ms. */
const AHEAD_MS = 150;

/**
 * What is asked of the whole collection: each is answered from one moment of the file, away from the
 * thread that serves requests, so that nobody waits for what another one asked.
 */
export const QUESTIONS = {
  rounds: (db: Db, { date, ...part }: { date: IsoDate } & RoundsPart) => roundsOf(db, date, part),
  next: (db: Db, { date, after }: { date: IsoDate; after: number }) => nextOn(db, date, after),
  verdicts: (db: Db, { date, ...part }: { date: IsoDate } & VerdictsPart) =>
    verdictsOn(db, date, part),
  reservoirs: (db: Db, { date }: { date: IsoDate }) => ({
    items: reservoirsOn(db, judgeAll(db, date), date),
    nextCursor: null,
  }),
  fitting: (db: Db, { plantId, date }: { plantId: number; date: IsoDate }) =>
    fittingFor(db, rowOr404(db, plants, plantId, 'plant'), date),
  offered: (db: Db, { date }: { date: IsoDate }) => offeredTo(db, null, date),
  plans: (db: Db, { date }: { date: IsoDate }) => ({
    items: plansWithPlants(db, date),
    nextCursor: null,
  }),
  dayProblem: (db: Db, { id, today }: { id: number; today: IsoDate }) => {
    const row = rowOr404(db, days, id, 'day');
    const { change: asOf } = markOf(db);
    return { ...dayProblemFor(db, row, today), pace: paceOf(db), rev: row.rev, asOf };
  },
  twoYears: (db: Db, { date, from }: { date: IsoDate; from: number }) =>
    aheadOn(db, date, from, AHEAD_MS),
  trackRecord: (db: Db, { date }: { date: IsoDate }) => trackRecordOn(db, date, AHEAD_MS),
  learned: (db: Db, { date, filling }: { date: IsoDate; filling: KeepersPace | null }) =>
    learnedOn(db, date, filling, AHEAD_MS),
  comes: (db: Db, { date }: { date: IsoDate }) => ({ date: nextThatComes(db, date) }),
  toBeNoted: (db: Db, { spotId, date }: { spotId: number; date: IsoDate }) =>
    toBeNoted(db, spotId, date),
  /** How many are still to be judged: asked ahead of the first keeper, who need not wait for all of them. */
  ahead: (db: Db, { date }: { date: IsoDate }) => judgedWithin(db, date, AHEAD_MS).toCome.length,
} satisfies Record<string, (db: Db, params: never) => unknown>;

export type Question = keyof typeof QUESTIONS;
export type ParamsOf<Q extends Question> = Parameters<(typeof QUESTIONS)[Q]>[1];
export type AnswerOf<Q extends Question> = ReturnType<(typeof QUESTIONS)[Q]>;
