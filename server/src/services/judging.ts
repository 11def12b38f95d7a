import {
  addDays,
  decide,
  LOOK_PRICE,
  seasonAhead,
  signal,
  type Decision,
  type IsoDate,
  type Settings,
} from '@fernbank/core';
import { and, asc, desc, eq, gt, inArray, isNull, lte } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { overrules, plants, spots } from '../db/schema.ts';
import { takeTouched } from '../history/touched.ts';
import { plantFile, type PlantFile, type PlantRow, type SpotRow } from './collection.ts';
import { readSettings } from './settings.ts';

/** A plant with its verdict of the day. */
export interface Judgement {
  file: PlantFile;
  decision: Decision;
  lookDue: LookDue;
  /** the keeper's own word, where it is still in force */
  overrule: OverruleRow | null;
}

export interface LookDue {
  /** the day asked for when a look is due, else when one is planned */
  date: IsoDate;
  /** what it is expected to save, in units of a badly timed repot */
  worth: number;
  why: string;
}
export type OverruleRow = typeof overrules.$inferSelect;

interface Remembered {
  date: IsoDate;
  judgements: Judgement[];
}
const remembered = new WeakMap<Db, Remembered>();

/**
 * The whole collection judged as of a date, in the order of spots. Only plants of which something
 * changed since are judged anew; all are when what they share changed.
 */
export function judgeAll(db: Db, date: IsoDate): Judgement[] {
  const touched = takeTouched(db);
  const kept = remembered.get(db);
  if (!kept || kept.date !== date || touched === 'all') {
    const judgements = judgeEach(db, date);
    remembered.set(db, { date, judgements });
    return judgements;
  }
  if (touched.size > 0) kept.judgements = judgeAgain(db, date, kept.judgements, touched);
  return kept.judgements;
}

function judgeEach(db: Db, date: IsoDate): Judgement[] {
  const present = db.select().from(plants).where(isNull(plants.goneOn)).all();
  return judged(db, date, present, []);
}

function judgeAgain(
  db: Db,
  date: IsoDate,
  before: readonly Judgement[],
  touched: ReadonlySet<number>,
): Judgement[] {
  const again = db
    .select()
    .from(plants)
    .where(and(isNull(plants.goneOn), inArray(plants.id, [...touched])))
    .all();
  const others = before.filter(({ file }) => !touched.has(file.plant.id));
  return judged(db, date, again, others);
}

/** Plants judged, put among those that were judged before. */
function judged(
  db: Db,
  date: IsoDate,
  rows: readonly PlantRow[],
  others: readonly Judgement[],
): Judgement[] {
  const settings = readSettings(db);
  const bySpot = new Map<number, SpotRow>();
  for (const row of db.select().from(spots).orderBy(asc(spots.sortOrder), asc(spots.id)).all()) {
    bySpot.set(row.id, row);
  }
  const order = new Map([...bySpot.keys()].map((id, i) => [id, i]));
  const fresh = rows.map((plant) =>
    judge(db, plant, date, { settings, depth: 'brief', spot: bySpot.get(plant.spotId) }),
  );
  const place = ({ file: { plant } }: Judgement) => order.get(plant.spotId)!;
  return [...others, ...fresh].sort(
    (a, b) => place(a) - place(b) || a.file.plant.id - b.file.plant.id,
  );
}

/** One plant judged as of a date. */
export function judge(
  db: Db,
  plant: PlantRow,
  date: IsoDate,
  {
    settings = readSettings(db),
    spot,
    depth = 'full',
  }: { settings?: Settings; spot?: SpotRow | undefined; depth?: 'full' | 'brief' } = {},
): Judgement {
  const file = plantFile(db, plant, date, settings, spot);
  const decision = decide(file.situation, depth);
  return {
    file,
    decision,
    lookDue: lookDueOf(decision, date),
    overrule: overruleOn(db, plant.id, date),
  };
}

function overruleOn(db: Db, plantId: number, date: IsoDate): OverruleRow | null {
  return (
    db
      .select()
      .from(overrules)
      .where(
        and(eq(overrules.plantId, plantId), lte(overrules.date, date), gt(overrules.until, date)),
      )
      .orderBy(desc(overrules.id))
      .get() ?? null
  );
}

/**
 * Whether a look is worth its minute today. Not a fixed interval: it is due
 * where it is expected to save most, and where nothing is known at all.
 */
function lookDueOf(decision: Decision, date: IsoDate): LookDue {
  const { worth, signal: asked } = decision.lookWorth;
  if (decision.headline === 'lookFirst') {
    return { date, worth, why: 'never looked at, and nobody knows when it was last repotted' };
  }
  if (worth < LOOK_PRICE) return { date: laterOf(decision.lookAgain, date), worth, why: '' };
  const why = asked ? `what would help most: ${signal(asked).label.toLowerCase()}` : '';
  return { date, worth, why };
}

/** A look that is not worth it today is not due before tomorrow. */
function laterOf(planned: IsoDate | null, date: IsoDate): IsoDate {
  const soonest = addDays(date, 1);
  return planned && planned > soonest ? planned : soonest;
}

/** Readiness of the next 52 weeks, 0 … 1: the ribbon under a verdict. */
export function readinessAhead({ file }: Judgement): number[] {
  const { spot, traits, date } = file.situation;
  return seasonAhead(spot, traits, date, 52).readiness;
}
