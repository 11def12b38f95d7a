import {
  CHECKPOINTS,
  checkpointOn,
  comparisons,
  FACTORS,
  gradeFault,
  traySuccess,
  tallyBy,
  wordOf,
  type Case,
  type Checkpoint,
  type Factor,
  type Grade,
  type IsoDate,
  type Practice,
  type Seen,
} from '@fernbank/core';
import { and, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { batches, outcomes, photos, plants, repots, tasks } from '../db/schema.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { rowOr404, stamp, touch } from '../http/resource.ts';
import {
  putPotBack,
  putSupportBack,
  soakPot,
  takeCover,
  takePotBack,
  takeSupport,
} from './shelf.ts';

export type OutcomeRow = typeof outcomes.$inferSelect;

/** A judgement of a repot as the keeper gives it. */
export interface NewOutcome {
  repotId: number;
  date: IsoDate;
  grade: Grade;
  seen: Seen[];
  photoId: number | null;
  note: string;
}

/** Tasks that a judgement answers: the look of its checkpoint and those before it. */
const ANSWERED: Record<Checkpoint, ('cutDry' | Checkpoint)[]> = {
  weeks3: ['cutDry', 'weeks3'],
  weeks7: ['cutDry', 'weeks3', 'weeks7'],
  season: ['cutDry', 'weeks3', 'weeks7', 'season'],
};

/**
 * Keeps what became of a repot, once for each checkpoint. A plant that is lost
 * leaves the rounds and its shelf pot goes to soak; its record stays.
 *
 * @throws HttpError 422 before the first checkpoint opens, 409 when this one is judged already
 */
export function keepOutcome(db: Db, order: NewOutcome): OutcomeRow {
  return db.transaction((tx) => {
    const repot = rowOr404(tx, repots, order.repotId, 'repot');
    const at = checkpointFor(repot.date, order.date);
    checkGrade(order);
    checkPhoto(tx, repot.plantId, order.photoId);
    const before = tx
      .select({ id: outcomes.id })
      .from(outcomes)
      .where(and(eq(outcomes.repotId, repot.id), eq(outcomes.at, at)))
      .get();
    if (before) {
      throw new HttpError(
        409,
        'alreadyGraded',
        `how it stood after ${CHECKPOINTS[at].label} is written down already: change that one`,
        'date',
      );
    }
    const left = order.seen.includes('lost') ? letGo(tx, repot.plantId, order.date) : null;
    const row = tx
      .insert(outcomes)
      .values({ ...stamp(), ...order, plantId: repot.plantId, at, left })
      .returning()
      .get();
    tx.update(tasks)
      .set({ done: order.date, updatedAt: new Date().toISOString() })
      .where(
        and(eq(tasks.repotId, repot.id), isNull(tasks.done), inArray(tasks.rule, ANSWERED[at])),
      )
      .run();
    return row;
  });
}

function checkpointFor(repotted: IsoDate, date: IsoDate): Checkpoint {
  const at = checkpointOn(repotted, date);
  if (!at) {
    throw invalid(
      'date',
      date < repotted
        ? `date must not be before the repot (${repotted})`
        : `a repot is judged from day ${CHECKPOINTS.weeks3.from} to day ${CHECKPOINTS.season.until} after it (${repotted})`,
    );
  }
  return at;
}

export function checkGrade({ grade, seen }: Pick<NewOutcome, 'grade' | 'seen'>): void {
  const fault = gradeFault(grade, seen);
  if (fault) throw invalid('grade', fault);
}

export function checkPhoto(db: Db, plantId: number, photoId: number | null): void {
  if (photoId === null) return;
  const photo = db.select().from(photos).where(eq(photos.id, photoId)).get();
  if (photo?.plantId !== plantId) {
    throw invalid('photoId', `photo ${photoId} is not one of this plant`);
  }
}

/** A judgement is changed: its checkpoint stays. */
export function changeOutcome(
  tx: Db,
  before: OutcomeRow,
  changed: Partial<Pick<NewOutcome, 'grade' | 'seen' | 'photoId' | 'note'>>,
) {
  const merged = { ...before, ...changed };
  checkGrade(merged);
  checkPhoto(tx, before.plantId, merged.photoId);
  const lost = merged.seen.includes('lost');
  if (before.left && !lost) bringBack(tx, before.plantId, before.left);
  const left = !lost ? null : (before.left ?? letGo(tx, before.plantId, before.date));
  return { ...changed, left };
}

/** Taken back: the question is open again, and a lost plant is back. */
export function dropOutcome(tx: Db, row: OutcomeRow): void {
  tx.update(tasks)
    .set({ done: null })
    .where(and(eq(tasks.repotId, row.repotId), eq(tasks.rule, row.at), eq(tasks.done, row.date)))
    .run();
  if (row.left) bringBack(tx, row.plantId, row.left);
}

/** A lost plant leaves its shelf pot to a soak, its cover and support to others. */
function letGo(tx: Db, plantId: number, goneOn: IsoDate): OutcomeRow['left'] {
  const plant = rowOr404(tx, plants, plantId, 'plant');
  const { potId, coverId, supportId } = plant;
  soakPot(tx, potId, goneOn);
  putPotBack(tx, coverId);
  putSupportBack(tx, supportId);
  tx.update(plants)
    .set({ goneOn, potId: null, coverId: null, supportId: null, ...touch(plant) })
    .where(eq(plants.id, plantId))
    .run();
  return { potId, coverId, supportId };
}

/** It was not lost after all: it has back what nobody else took meanwhile. */
function bringBack(tx: Db, plantId: number, left: NonNullable<OutcomeRow['left']>): void {
  const plant = rowOr404(tx, plants, plantId, 'plant');
  const { potId, coverId, supportId } = left;
  tx.update(plants)
    .set({
      goneOn: null,
      potId: takenBack(potId, () => takePotBack(tx, potId)),
      coverId: takenBack(coverId, () => takeCover(tx, coverId!, plant.pot)),
      supportId: takenBack(supportId, () => takeSupport(tx, supportId!)),
      ...touch(plant),
    })
    .where(eq(plants.id, plantId))
    .run();
}

function takenBack(id: number | null, take: () => void): number | null {
  if (id === null) return null;
  try {
    take();
    return id;
  } catch (error) {
    if (error instanceof HttpError) return null;
    throw error;
  }
}

/** Which repots are asked for, by how they were done. */
type AskedFor = Partial<Pick<Practice, 'group' | 'method'>>;

/** Every repot that was judged, as a case with its grades. */
export function casesOf(db: Db, { group, method }: AskedFor = {}): Case[] {
  const inPractice = (name: keyof AskedFor, value: string | undefined) =>
    value === undefined
      ? undefined
      : sql`json_extract(${repots.practice}, ${`$.${name}`}) = ${value}`;
  const rows = db
    .select({
      repotId: repots.id,
      practice: repots.practice,
      at: outcomes.at,
      grade: outcomes.grade,
    })
    .from(outcomes)
    .innerJoin(repots, eq(repots.id, outcomes.repotId))
    .where(
      and(isNotNull(repots.practice), inPractice('group', group), inPractice('method', method)),
    )
    .all();
  const cases = new Map<
    number,
    { practice: Practice; grades: { at: Checkpoint; grade: Grade }[] }
  >();
  for (const { repotId, practice, at, grade } of rows) {
    const known = cases.get(repotId);
    if (known) known.grades.push({ at, grade });
    else cases.set(repotId, { practice: practice!, grades: [{ at, grade }] });
  }
  return [...cases.values()];
}

/** Groups of the catalogue of which something was judged. */
function groupsJudged(db: Db): string[] {
  const group = sql<string>`json_extract(${repots.practice}, '$.group')`;
  return db
    .selectDistinct({ group })
    .from(outcomes)
    .innerJoin(repots, eq(repots.id, outcomes.repotId))
    .where(isNotNull(group))
    .all()
    .map((row) => row.group)
    .sort();
}

/** What worked in this collection: by method, season and school, with its counts. */
export function whatWorked(db: Db, { group, at }: { group?: string; at?: Checkpoint }) {
  const cases = casesOf(db, group ? { group } : {});
  const factors = (Object.keys(FACTORS) as Factor[])
    .map((factor) => ({
      factor,
      label: FACTORS[factor].label,
      tallies: tallyBy(cases, factor, at),
    }))
    .filter(({ tallies }) => tallies.length > 0);
  return {
    cases: cases.length,
    groups: groupsJudged(db),
    factors,
    comparisons: comparisons(cases),
    tray: traySuccess(db.select().from(batches).where(eq(batches.planned, false)).all()),
  };
}

/** How repots of the method of a plant's newest judged one went; null: none of it was judged. */
export function workedLike(db: Db, plantId: number) {
  const newest = db
    .select({ practice: repots.practice })
    .from(outcomes)
    .innerJoin(repots, eq(repots.id, outcomes.repotId))
    .where(and(eq(outcomes.plantId, plantId), isNotNull(repots.practice)))
    .orderBy(desc(repots.date), desc(repots.id))
    .get();
  if (!newest?.practice) return null;
  const { method } = newest.practice;
  const [tally] = tallyBy(casesOf(db, { method }), 'method');
  return { method, label: wordOf('method', method), tally: tally! };
}
