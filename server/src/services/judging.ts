import {
  addDays,
  decide,
  LOOK_PRICE,
  toSee,
  type Decision,
  type IsoDate,
  recordInForce,
  type Settings,
  schoolsIn,
} from '@fernbank/core';
import { eq, inArray, isNull } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import { stateOf, type Db } from '../db/driver.ts';
import { plants, spots } from '../db/schema.ts';
import { isReading, markOf, touchedBetween, type Mark } from '../history/touched.ts';
import {
  inPresentPot,
  plantFile,
  type PlantFile,
  type PlantRow,
  type SpotRow,
} from './collection.ts';
import { mediaFingerprint } from './pantry.ts';
import { recordsOf, type OverruleRow, type PlantRecords } from './records.ts';
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

/** A plant that cannot be judged: shown with why, never in the way of the others. */
export interface Unjudged {
  plantId: number;
  name: string;
  spotId: number;
  spot: string;
  why: string;
}

/** The whole collection as of a date. */
export interface Judged {
  /** in the order of spots */
  judgements: Judgement[];
  /** the same spot by spot; what is told of a spot stays the same list while nothing of it is judged anew */
  bySpot: ReadonlyMap<number, readonly Judgement[]>;
  unjudged: Unjudged[];
}

/** What of the collection is judged by now. */
export interface JudgedSoFar extends Judged {
  /** plants that are still to be judged, in the order of the walk */
  toCome: readonly number[];
}

interface Remembered extends JudgedSoFar {
  date: IsoDate;
  mark: Mark;
  /** what all plants share of settings and pantry, as a text that differs when they do */
  shared: string;
}
/** The day that was asked for last, and one beside it. */
const MOST_DATES = 2;
const remembered = new WeakMap<Db, Remembered[]>();

/** The whole collection judged as of a date; those that cannot be judged are left out. */
export const judgeAll = (db: Db, date: IsoDate): Judgement[] => judgedOn(db, date).judgements;

/** The whole collection judged as of a date. */
export const judgedOn = (db: Db, date: IsoDate): Judged => judgedWithin(db, date, Infinity);

/** So many are judged before the clock is looked at. */
const AT_ONCE = 100;

/**
 * The collection judged as of a date, as far as it comes: from the first stop of the walk on, and on
 * from there when it is asked again. Only plants of which something changed since are judged
 * anew; all are when what they share changed. What fails half-way leaves nothing remembered.
 *
 * @param ms  no more are begun after so long
 */
export function judgedWithin(db: Db, date: IsoDate, ms: number): JudgedSoFar {
  const began = performance.now();
  const now = markOf(db);
  // What is read within a write may never come to stand.
  const passing = stateOf(db).inTransaction() && !isReading(db);
  const all = remembered.get(db) ?? [];
  const kept = all.find((one) => one.date === date);
  const others = all.filter((one) => one !== kept);
  if (!passing) remembered.set(db, others);
  let judged = kept ? brought(db, kept, now) : begun(db, date, now);
  while (judged.toCome.length > 0) {
    const some = ms === Infinity ? judged.toCome : judged.toCome.slice(0, AT_ONCE);
    const toCome = judged.toCome.slice(some.length);
    judged = { ...judged, ...judgedAmong(db, date, some, judged), toCome };
    if (performance.now() - began > ms) break;
  }
  if (!passing) remembered.set(db, [judged, ...others].slice(0, MOST_DATES));
  return judged;
}

/** What was judged before, with what was touched since judged again. */
function brought(db: Db, kept: Remembered, now: Mark): Remembered {
  const { date } = kept;
  const touched = touchedBetween(db, kept.mark, now);
  if (touched === 'all' || (touched.shared && sharedBy(db) !== kept.shared)) {
    return begun(db, date, now);
  }
  const ids = new Set(touched.plants);
  if (touched.spots.size > 0) {
    for (const { id, spotId } of plantSpots(db)) if (touched.spots.has(spotId)) ids.add(id);
  }
  if (ids.size === 0) return { ...kept, mark: now };
  const toCome = kept.toCome.filter((id) => !ids.has(id));
  return { ...kept, ...judgedAmong(db, date, [...ids], kept), toCome, mark: now };
}

const plantSpots = (db: Db) =>
  db
    .select({ id: plants.id, spotId: plants.spotId })
    .from(plants)
    .where(isNull(plants.goneOn))
    .all();

/** Nothing is judged yet. */
function begun(db: Db, date: IsoDate, mark: Mark): Remembered {
  const order = new Map(spotsInOrder(db).map(({ id }, i) => [id, i]));
  const place = (spotId: number) => order.get(spotId) ?? order.size;
  const toCome = plantSpots(db)
    .sort((a, b) => place(a.spotId) - place(b.spotId) || a.id - b.id)
    .map(({ id }) => id);
  const shared = sharedBy(db);
  return { judgements: [], bySpot: new Map(), unjudged: [], toCome, date, mark, shared };
}

/** Spots as one walks past them. */
const spotsInOrder = (db: Db): SpotRow[] =>
  readable(db, spots).sort((a, b) => a.sortOrder - b.sortOrder || a.id - b.id);

/** What of settings and pantry a judgement rests on. */
export function sharedBy(db: Db): string {
  const settings = readSettings(db);
  const record = recordInForce(settings);
  return JSON.stringify([schoolsIn(settings), settings.groupSchools, record, mediaFingerprint(db)]);
}

/** Plants judged one by one, put among those that were judged before. */
function judgedAmong(db: Db, date: IsoDate, ids: readonly number[], before: Judged): Judged {
  const again = new Set(ids);
  const settings = readSettings(db);
  const inOrder = spotsInOrder(db);
  const spotOf = new Map(inOrder.map((row) => [row.id, row]));
  const anew = new Map<number, Judgement[]>();
  const unjudged = before.unjudged.filter(({ plantId }) => !again.has(plantId));
  for (const { id, plant, records } of rowsOf(db, ids)) {
    try {
      const row = plant();
      if (row.goneOn !== null) continue;
      const spot = spotOf.get(row.spotId);
      const now = judge(db, row, date, { settings, depth: 'brief', spot, records: records() });
      const there = anew.get(row.spotId);
      if (there) there.push(now);
      else anew.set(row.spotId, [now]);
    } catch (error) {
      unjudged.push(notJudged(db, id, spotOf, error));
    }
  }
  const bySpot = new Map<number, readonly Judgement[]>();
  for (const id of [...inOrder.map((row) => row.id), ...before.bySpot.keys(), ...anew.keys()]) {
    if (bySpot.has(id)) continue;
    const there = withNew(before.bySpot.get(id) ?? [], again, anew.get(id) ?? []);
    if (there.length > 0) bySpot.set(id, there);
  }
  return {
    judgements: ([] as Judgement[]).concat(...bySpot.values()),
    bySpot,
    unjudged: unjudged.sort((a, b) => a.plantId - b.plantId),
  };
}

/** Of one spot: what stands, and what was judged again, in the order of plants. */
function withNew(
  before: readonly Judgement[],
  again: ReadonlySet<number>,
  anew: readonly Judgement[],
): readonly Judgement[] {
  const there = idsIn(before);
  const touched = [...again].some((id) => there.has(id));
  if (anew.length === 0 && !touched) return before;
  const stand = touched ? before.filter(({ file }) => !again.has(file.plant.id)) : before;
  return [...stand, ...anew].sort((a, b) => a.file.plant.id - b.file.plant.id);
}

const known = new WeakMap<readonly Judgement[], ReadonlySet<number>>();
function idsIn(judgements: readonly Judgement[]): ReadonlySet<number> {
  const ids = known.get(judgements) ?? new Set(judgements.map(({ file }) => file.plant.id));
  known.set(judgements, ids);
  return ids;
}

/** So many rows are read at a time. */
const ROWS_AT_ONCE = 500;

interface Row {
  id: number;
  /** @throws what keeps the row, or one of its records, from being read */
  plant: () => PlantRow;
  records: () => PlantRecords;
}

/** Plants that are there, with their records: many at once, or one by one where one of them cannot be read. */
function* rowsOf(db: Db, ids: readonly number[]): Generator<Row> {
  const read = (few: number[]) => db.select().from(plants).where(inArray(plants.id, few)).all();
  for (let at = 0; at < ids.length; at += ROWS_AT_ONCE) {
    const some = ids.slice(at, at + ROWS_AT_ONCE);
    try {
      const records = recordsOf(db, some);
      for (const row of read(some)) {
        yield { id: row.id, plant: () => row, records: () => records.get(row.id)! };
      }
      continue;
    } catch (error) {
      if (!(error instanceof SyntaxError)) throw error;
    }
    const there = db.select({ id: plants.id }).from(plants).where(inArray(plants.id, some)).all();
    for (const { id } of there) {
      yield { id, plant: () => read([id])[0]!, records: () => recordsOf(db, [id]).get(id)! };
    }
  }
}

function notJudged(
  db: Db,
  plantId: number,
  spotOf: ReadonlyMap<number, SpotRow>,
  error: unknown,
): Unjudged {
  const { name, spotId } = db
    .select({ name: plants.name, spotId: plants.spotId })
    .from(plants)
    .where(eq(plants.id, plantId))
    .get()!;
  const why = error instanceof Error ? error.message : String(error);
  return { plantId, name, spotId, spot: spotOf.get(spotId)?.name ?? '', why };
}

/** One plant judged as of a date. */
export function judge(
  db: Db,
  plant: PlantRow,
  date: IsoDate,
  {
    settings = readSettings(db),
    spot,
    records = recordsOf(db, [plant.id]).get(plant.id)!,
    depth = 'full',
  }: {
    settings?: Settings;
    spot?: SpotRow | undefined;
    records?: PlantRecords;
    depth?: 'full' | 'brief';
  } = {},
): Judgement {
  const file = plantFile(db, plant, date, settings, spot, records);
  const decision = decide(file.situation, depth);
  return {
    file,
    decision,
    lookDue: lookDueOf(decision, date),
    overrule: overruleOn(records, plant.lastRepot, date),
  };
}

/** The keeper's own word in force on a day, the newest; it ends with the repot that it spoke of, or spoke against. */
const overruleOn = (
  records: PlantRecords,
  lastRepot: IsoDate | null,
  date: IsoDate,
): OverruleRow | null => {
  const stands = inPresentPot(records, lastRepot ?? '0000-01-01', date);
  return records.overrules.findLast((one) => stands(one) && one.until > date) ?? null;
};

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
  const why = asked ? `what would help most: ${toSee(asked)}` : '';
  return { date, worth, why };
}

/** A look that is not worth it today is not due before tomorrow. */
function laterOf(planned: IsoDate | null, date: IsoDate): IsoDate {
  const soonest = addDays(date, 1);
  return planned && planned > soonest ? planned : soonest;
}
