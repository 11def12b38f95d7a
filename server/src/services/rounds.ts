import type { IsoDate, VerdictKind } from '@fernbank/core';
import { and, asc, eq, isNull, lte } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { tasks } from '../db/schema.ts';
import { judgeAll, type Judgement } from './judging.ts';
import type { TaskRow } from './repotting.ts';

/** One plant on today's walk. */
export interface RoundsEntry {
  plantId: number;
  name: string;
  taxon: string;
  verdict: VerdictKind;
  /** what asks for attention, most urgent first */
  asks: ({ kind: 'act' | 'look'; due: IsoDate; why: string } | { kind: 'task'; task: TaskRow })[];
}

export interface Rounds {
  date: IsoDate;
  spots: { id: number; name: string; plants: RoundsEntry[]; quiet: number }[];
}

const ACTS: readonly VerdictKind[] = ['rescueNow', 'repotNow'];

/** What asks for attention on a day, in the order of one walk. */
export function roundsOf(db: Db, date: IsoDate): Rounds {
  const due = db
    .select()
    .from(tasks)
    .where(and(isNull(tasks.done), lte(tasks.due, date)))
    .orderBy(asc(tasks.due), asc(tasks.id))
    .all();
  const spots: Rounds['spots'] = [];
  for (const judgement of judgeAll(db, date)) {
    const { plant, spot, taxon } = judgement.file;
    let stop = spots.find(({ id }) => id === spot.id);
    if (!stop) spots.push((stop = { id: spot.id, name: spot.name, plants: [], quiet: 0 }));
    const asks = asksOf(judgement, date, due);
    if (asks.length === 0) {
      stop.quiet += 1;
      continue;
    }
    stop.plants.push({
      plantId: plant.id,
      name: plant.name,
      taxon: taxon.name,
      verdict: judgement.decision.verdict,
      asks,
    });
  }
  return { date, spots };
}

function asksOf(
  { file, decision, lookDue }: Judgement,
  date: IsoDate,
  due: readonly TaskRow[],
): RoundsEntry['asks'] {
  const asks: RoundsEntry['asks'] = [];
  if (ACTS.includes(decision.verdict)) {
    const [first] = decision.reasons.filter(({ logOdds }) => logOdds > 0);
    asks.push({ kind: 'act', due: date, why: first?.text ?? '' });
  }
  for (const task of due.filter(({ plantId }) => plantId === file.plant.id)) {
    asks.push({ kind: 'task', task });
  }
  const alreadyAsked = asks.some((ask) => ask.kind === 'task' && ask.task.kind === 'look');
  if (lookDue.date <= date && !alreadyAsked && decision.verdict !== 'rescueNow') {
    asks.push({ kind: 'look', due: lookDue.date, why: lookDue.why });
  }
  return asks;
}

/** Marks a task done on a day, or open again. */
export function completeTask(db: Db, task: TaskRow, done: IsoDate | null): TaskRow {
  return db
    .update(tasks)
    .set({ done, rev: task.rev + 1, updatedAt: new Date().toISOString() })
    .where(eq(tasks.id, task.id))
    .returning()
    .get();
}
