import type { StepId } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { benches, photos, plants, type BenchFound } from '../db/schema.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { rowOr404, stamp, touch } from '../http/resource.ts';

export type BenchRow = typeof benches.$inferSelect;

/**
 * What hands report from the bench. Each says how things are then, not how they
 * change: sent twice, or by two devices, it comes to the same.
 */
export type BenchEvent =
  | { kind: 'start' }
  | { kind: 'done'; step: StepId }
  | { kind: 'undone'; step: StepId }
  | { kind: 'note'; step: StepId; text: string }
  | { kind: 'timer'; step: StepId; label: string; until: number }
  | { kind: 'stopTimer'; step: StepId }
  | { kind: 'found'; found: BenchFound }
  | { kind: 'photo'; step: StepId; photoId: number };

/** Every plant on the bench, in the order in which they came. */
export function benchesNow(db: Db) {
  return db
    .select({ bench: benches, name: plants.name })
    .from(benches)
    .innerJoin(plants, eq(benches.plantId, plants.id))
    .all()
    .map(({ bench, name }) => ({ ...bench, name }));
}

/**
 * @throws HttpError 404 for anything but a start when the plant has left the bench meanwhile
 */
export function onBench(db: Db, plantId: number, event: BenchEvent) {
  return db.transaction((tx) => {
    const plant = rowOr404(tx, plants, plantId, 'plant');
    const before = tx.select().from(benches).where(eq(benches.plantId, plantId)).get();
    if (!before && event.kind !== 'start') {
      throw new HttpError(404, 'leftBench', `${plant.name} has left the bench`);
    }
    const row =
      before ??
      tx
        .insert(benches)
        .values({ ...stamp(), plantId })
        .returning()
        .get();
    const changed = changeBy(tx, row, event);
    const after = changed
      ? tx
          .update(benches)
          .set({ ...changed, ...touch(row) })
          .where(eq(benches.id, row.id))
          .returning()
          .get()
      : row;
    return { ...after, name: plant.name };
  });
}

/** null: it is so already. */
function changeBy(tx: Db, row: BenchRow, event: BenchEvent): Partial<BenchRow> | null {
  switch (event.kind) {
    case 'start':
      return null;
    case 'done': {
      const timers = row.timers.filter(({ step }) => step !== event.step);
      if (row.done.includes(event.step) && timers.length === row.timers.length) return null;
      return { done: [...new Set([...row.done, event.step])], timers };
    }
    case 'undone':
      return row.done.includes(event.step)
        ? { done: row.done.filter((step) => step !== event.step) }
        : null;
    case 'note':
      return { notes: { ...row.notes, [event.step]: event.text } };
    case 'timer': {
      const { step, label, until } = event;
      const others = row.timers.filter((timer) => timer.step !== step);
      return { timers: [...others, { step, label, until }].sort((a, b) => a.until - b.until) };
    }
    case 'stopTimer':
      return { timers: row.timers.filter(({ step }) => step !== event.step) };
    case 'found':
      return { found: event.found };
    case 'photo': {
      const photo = tx.select().from(photos).where(eq(photos.id, event.photoId)).get();
      if (photo?.plantId !== row.plantId) {
        throw invalid('photoId', `photo ${event.photoId} is not one of this plant`);
      }
      const taken = row.photos[event.step] ?? [];
      if (taken.includes(event.photoId)) return null;
      return { photos: { ...row.photos, [event.step]: [...taken, event.photoId] } };
    }
  }
}

/** A plant leaves the bench: written down, or given up for today. */
export function leaveBench(db: Db, plantId: number): void {
  db.delete(benches).where(eq(benches.plantId, plantId)).run();
}
