import {
  measurement,
  type IsoDate,
  type Signals,
  valueFault,
  type MeasurementKind,
} from '@fernbank/core';
import { and, eq, gt, isNull } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { looks, measurements, plants } from '../db/schema.ts';
import { invalid } from '../http/errors.ts';
import { stamp } from '../http/resource.ts';
import { followFeeding, isFollowedUp } from './feeding.ts';
import { keepPhoto, type PhotoRow } from './photos.ts';
import { moveAfterLook, tickTaskOf } from './tasks.ts';

export type LookRow = typeof looks.$inferSelect;
export type MeasurementRow = typeof measurements.$inferSelect;
export type NewMeasurement = Omit<
  typeof measurements.$inferInsert,
  'id' | 'rev' | 'createdAt' | 'updatedAt'
>;

/** A plant cannot be seen, weighed or repotted before it came. */
export function checkArrived(db: Db, plantId: number, date: string): void {
  const plant = db.select().from(plants).where(eq(plants.id, plantId)).get();
  if (!plant) throw invalid('plantId', `plant ${plantId} was not found`);
  if (plant.acquired && date < plant.acquired) {
    throw invalid('date', `date must not be before the plant arrived (${plant.acquired})`);
  }
}

/** Each kind has its own range: a weight of 0, a pH of 20 are slips of the hand. */
function checkRange(kind: MeasurementKind, value: number): void {
  const fault = valueFault(kind, value);
  if (fault) throw invalid('value', `value ${fault}`);
}

/** The same reading once more: a scale that sent twice, a form that was sent again. */
function sameReading(db: Db, input: NewMeasurement) {
  const { plantId, date, kind, value, minute: at } = input;
  return db
    .select()
    .from(measurements)
    .where(
      and(
        eq(measurements.plantId, plantId),
        eq(measurements.date, date),
        eq(measurements.kind, kind),
        eq(measurements.value, value),
        at == null ? isNull(measurements.minute) : eq(measurements.minute, at),
      ),
    )
    .get();
}

/** A height that is entered late does not undo one measured since. */
function isNewestHeight(db: Db, { plantId, date }: { plantId: number; date: string }) {
  const later = db
    .select({ id: measurements.id })
    .from(measurements)
    .where(
      and(
        eq(measurements.plantId, plantId),
        eq(measurements.kind, 'heightCm'),
        gt(measurements.date, date),
      ),
    )
    .get();
  return later === undefined;
}

/** Keeps a measurement, with what follows from it; the same reading counts once. */
export function keepMeasurement(
  db: Db,
  input: NewMeasurement,
): { row: MeasurementRow; isNew: boolean } {
  checkRange(input.kind, input.value);
  const same = input.minute == null ? undefined : sameReading(db, input);
  if (same) return { row: same, isNew: false };
  if (input.kind === 'heightCm' && isNewestHeight(db, input)) {
    db.update(plants).set({ heightCm: input.value }).where(eq(plants.id, input.plantId)).run();
  }
  const row = db
    .insert(measurements)
    .values({ ...stamp(), ...input })
    .returning()
    .get();
  tickTaskOf(db, row.plantId, row.kind, row.date);
  if (isFollowedUp(row.kind)) followFeeding(db, { ...row, kind: row.kind });
  return { row, isNew: true };
}

/** One visit to a plant: what was seen, measured and photographed of it at once. */
export interface Visit {
  plantId: number;
  date: IsoDate;
  /** minutes since midnight; null: only the day is known */
  minute: number | null;
  signals: Signals;
  note: string;
  measurements: { kind: MeasurementKind; value: number }[];
  /** files as base64 */
  photos: string[];
  /** plants that were seen to be just the same */
  alike: number[];
}

/** @throws HttpError 400 when it holds nothing, 415 for what is no picture, 422 for what cannot be */
export type Visited = ReturnType<typeof keepVisit>;
export function keepVisit(
  db: Db,
  photoFolder: string,
  visit: Visit,
): { look: LookRow | null; measurements: MeasurementRow[]; photos: PhotoRow[] } {
  const { plantId, date, minute, signals, note, alike, ...taken } = visit;
  const saw = Object.keys(signals).length > 0 || note.trim() !== '';
  if (!saw && taken.measurements.length === 0 && taken.photos.length === 0) {
    throw invalid('signals', 'signals must hold something, or something be measured or noted');
  }
  checkArrived(db, plantId, date);
  // Measurements first: the verdict reads them, and a watering moves what a look may move again.
  const measured = taken.measurements.map(
    (one) => keepMeasurement(db, { plantId, date, minute, ...one }).row,
  );
  let look: LookRow | null = null;
  if (saw) {
    moveAfterLook(db, plantId, date, signals);
    look = db
      .insert(looks)
      .values({ ...stamp(), plantId, date, signals, note })
      .returning()
      .get();
  }
  const photos = taken.photos.map(
    (file) => keepPhoto(db, photoFolder, plantId, date, Buffer.from(file, 'base64')).photo,
  );
  // Of the others it is said what was seen and done; weights and pictures are this one's.
  for (const other of alike.filter((one) => one !== plantId)) {
    const done = taken.measurements.filter(({ kind }) => measurement(kind).as === 'done');
    if (!saw && done.length === 0) break;
    const same = { ...visit, plantId: other, measurements: done, photos: [], alike: [] };
    keepVisit(db, photoFolder, same);
  }
  return { look, measurements: measured, photos };
}
