import {
  CHECKPOINTS,
  checkpointOn,
  comparisons,
  FACTORS,
  findingsOf,
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
  type TaskRule,
} from '@fernbank/core';
import { and, desc, eq, inArray, isNotNull, isNull, sql } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Cell, Db, OpenFile } from '../db/driver.ts';
import { batches, outcomes, photos, plants, repots, tasks } from '../db/schema.ts';
import { deedsThatChanged } from '../history/dependents.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { rowOr404, stamp, touch } from '../http/resource.ts';
import type { OutcomeRow } from './records.ts';
import { quarantineFor } from './quarantine.ts';
import { endTasks, moveAfterLook } from './tasks.ts';
import { freePot, freeSupport, soakPot, takeCover, takePot, takeSupport } from './shelf.ts';

/** A judgement of a repot as the keeper gives it. */
export interface NewOutcome {
  repotId: number;
  date: IsoDate;
  grade: Grade;
  seen: Seen[];
  photoId: number | null;
  note: string;
}

/** Of which repot it is, and of which day, stays. */
export type ChangedOutcome = Partial<Omit<NewOutcome, 'repotId' | 'date'>>;

/** Tasks that a judgement answers: the look of its checkpoint and those before it. */
const ANSWERED: Record<Checkpoint, TaskRule[]> = {
  weeks3: ['cutDry', 'recheck', 'weeks3'],
  weeks7: ['cutDry', 'recheck', 'weeks3', 'weeks7'],
  season: ['cutDry', 'recheck', 'weeks3', 'weeks7', 'season'],
};

/**
 * Keeps what became of a repot, once for each checkpoint. A plant that is lost
 * leaves the rounds and its shelf pot goes to soak; its record stays.
 *
 * @throws HttpError 422 before the first checkpoint opens, 409 when this one is judged already
 */
export function keepOutcome(db: Db, order: NewOutcome): OutcomeRow {
  const repot = rowOr404(db, repots, order.repotId, 'repot');
  const at = checkpointFor(repot.date, order.date);
  checkGrade(order);
  checkPhoto(db, repot.plantId, order.photoId);
  const before = db
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
  if (order.seen.includes('lost')) letGo(db, repot.plantId, order.date);
  const row = db
    .insert(outcomes)
    .values({ ...stamp(), ...order, plantId: repot.plantId, at })
    .returning()
    .get();
  db.update(tasks)
    .set({ done: order.date, updatedAt: new Date().toISOString() })
    .where(and(eq(tasks.repotId, repot.id), isNull(tasks.done), inArray(tasks.rule, ANSWERED[at])))
    .run();
  if (!order.seen.includes('lost')) {
    moveAfterLook(db, repot.plantId, order.date, findingsOf(order.seen));
  }
  return row;
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
export function changeOutcome(file: OpenFile, before: OutcomeRow, changed: ChangedOutcome) {
  const merged = { ...before, ...changed };
  checkGrade(merged);
  checkPhoto(file.db, before.plantId, merged.photoId);
  const [was, is] = [before, merged].map(({ seen }) => seen.includes('lost'));
  if (was && !is) comesBack(file, before.plantId);
  if (!was && is) letGo(file.db, before.plantId, before.date);
  if (!is) moveAfterLook(file.db, before.plantId, before.date, findingsOf(merged.seen));
  return changed;
}

/** A lost plant leaves its shelf pot to a soak, or apart, its cover and support to others; nothing is asked for it any more. */
function letGo(db: Db, plantId: number, goneOn: IsoDate): void {
  const plant = rowOr404(db, plants, plantId, 'plant');
  const { potId, coverId, supportId } = plant;
  soakPot(db, potId, goneOn, quarantineFor(db, plant, goneOn) !== null);
  freePot(db, coverId);
  freeSupport(db, supportId);
  db.update(plants)
    .set({ goneOn, potId: null, coverId: null, supportId: null, ...touch(plant) })
    .where(eq(plants.id, plantId))
    .run();
  endTasks(db, and(eq(tasks.plantId, plantId), isNull(tasks.done)), {
    because: 'lost',
    on: goneOn,
  });
}

/** It was not lost after all: it stands in what it stood in, as far as nobody else took that meanwhile. */
function comesBack(file: OpenFile, plantId: number): void {
  const { db } = file;
  const plant = rowOr404(db, plants, plantId, 'plant');
  const [went] = deedsThatChanged(file, 'plants', plantId, ['gone_on']);
  const {
    pot_id: potId = null,
    cover_id: coverId = null,
    support_id: supportId = null,
  } = went?.before ?? {};
  const taken = {
    potId: ifFree(potId, (id) => takePot(db, id)),
    coverId: ifFree(coverId, (id) => takeCover(db, id, plant.pot)),
    supportId: ifFree(supportId, (id) => takeSupport(db, id)),
  };
  db.update(plants)
    .set({ goneOn: null, ...taken, ...touch(plant) })
    .where(eq(plants.id, plantId))
    .run();
  for (const task of db.select().from(tasks).where(eq(tasks.plantId, plantId)).all()) {
    if (task.moved?.because !== 'lost') continue;
    db.update(tasks)
      .set({ done: null, moved: null, ...touch(task) })
      .where(eq(tasks.id, task.id))
      .run();
  }
}

function ifFree(id: Cell, take: (id: number) => void): number | null {
  if (id === null) return null;
  try {
    take(Number(id));
    return Number(id);
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
export type Worked = ReturnType<typeof whatWorked>;
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
    tray: traySuccess(readable(db, batches, eq(batches.planned, false))),
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
