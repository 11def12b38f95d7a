import {
  benchAfter,
  tasksDoneBy,
  timedSteps,
  type BenchEvent,
  type TaskRule,
  type TimedStep,
} from '@fernbank/core';
import { eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { benches, plants } from '../db/schema.ts';
import { HttpError } from '../http/errors.ts';
import { rowOr404, stamp, touch } from '../http/resource.ts';
import { checkPhoto } from './worked.ts';

/** Every plant on the bench, in the order in which they came. */
export type OnBench = ReturnType<typeof onBench>;

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
  const plant = rowOr404(db, plants, plantId, 'plant');
  const before = db.select().from(benches).where(eq(benches.plantId, plantId)).get();
  if (!before && event.kind !== 'start') {
    throw new HttpError(404, 'leftBench', `${plant.name} has left the bench`);
  }
  const row =
    before ??
    db
      .insert(benches)
      .values({ ...stamp(), plantId })
      .returning()
      .get();
  if (event.kind === 'photo') checkPhoto(db, plantId, event.photoId);
  const changed = benchAfter(row, event);
  const { done, notes, timers, found, startedAt, doneAt, photos } = changed;
  const after =
    changed === row
      ? row
      : db
          .update(benches)
          .set({ done, notes, timers, found, startedAt, doneAt, photos, ...touch(row) })
          .where(eq(benches.id, row.id))
          .returning()
          .get();
  return { ...after, name: plant.name };
}

/** What the bench knows of a repot that was worked there. */
export interface AtBench {
  /** minutes of hands as they were ticked off; null: they were not */
  timed: TimedStep[] | null;
  /** first waters that were given: aftercare does not ask for them again */
  tasks: TaskRule[];
}

/** A plant leaves the bench: written down, or given up for today. */
export function leaveBench(db: Db, plantId: number): AtBench {
  const bench = db.select().from(benches).where(eq(benches.plantId, plantId)).get();
  if (!bench) return { timed: null, tasks: [] };
  db.delete(benches).where(eq(benches.id, bench.id)).run();
  const timed = bench.startedAt ? timedSteps(bench.startedAt, bench.doneAt) : [];
  return { timed: timed.length > 0 ? timed : null, tasks: tasksDoneBy(bench.done) };
}
