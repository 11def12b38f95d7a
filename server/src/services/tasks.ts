import {
  addDays,
  deedOfTask,
  movesAfterLook,
  movedWhy,
  movesAfterWater,
  tasksAfterLook,
  TASKS_OF_DEED,
  taskTitle,
  taskWhy,
  type AftercareTask,
  type IsoDate,
  type MeasurementKind,
  type Saying,
  type Signals,
  type StandingTask,
  type TaskMove,
  type TaskMoved,
} from '@fernbank/core';
import { and, desc, eq, inArray, isNull, isNotNull, type SQL } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { measurements, repots, reservoirs, tasks } from '../db/schema.ts';
import { stamp, touch } from '../http/resource.ts';

export type TaskRow = typeof tasks.$inferSelect;

/** A task as it is told, its sentences made from what is kept. */
export type ShownTask = Omit<TaskRow, 'words' | 'moved'> & {
  title: Saying;
  why: Saying;
  /** why it is not due when it was first planned for */
  moved: Saying | null;
};
export const shownTask = ({ words, moved, ...row }: TaskRow): ShownTask => ({
  ...row,
  title: taskTitle(words),
  why: taskWhy(words),
  moved: moved && movedWhy(moved),
});

/** Tasks of a plant's newest repot, as far as they can move. */
function standing(
  db: Db,
  plantId: number,
): { repotId: number; repotted: IsoDate; rows: TaskRow[] } | null {
  const newest = db
    .select()
    .from(repots)
    .where(eq(repots.plantId, plantId))
    .orderBy(desc(repots.date), desc(repots.id))
    .get();
  if (!newest) return null;
  const rows = db
    .select()
    .from(tasks)
    .where(and(eq(tasks.repotId, newest.id), isNotNull(tasks.rule)))
    .all();
  return { repotId: newest.id, repotted: newest.date, rows };
}

const asStanding = ({ id, rule, due, until, done }: TaskRow): StandingTask => ({
  id,
  rule: rule!,
  due,
  until,
  done,
});

function apply(db: Db, rows: readonly TaskRow[], moves: readonly TaskMove[]): void {
  for (const { id, ...change } of moves) {
    const row = rows.find((task) => task.id === id)!;
    db.update(tasks)
      .set({ ...change, ...touch(row) })
      .where(eq(tasks.id, id))
      .run();
  }
}

/** What is asked of nobody any more, because of what became of the plant. */
export function endTasks(
  db: Db,
  which: SQL | undefined,
  moved: Extract<TaskMoved, { because: 'repotted' | 'lost' }>,
): void {
  db.update(tasks).set({ done: moved.on, moved }).where(which).run();
}

/** Tasks of a plant that are open and can move, of a repot or of none. */
export const openTasks = (db: Db, plantId: number): StandingTask[] =>
  db
    .select()
    .from(tasks)
    .where(and(eq(tasks.plantId, plantId), isNull(tasks.done), isNotNull(tasks.rule)))
    .all()
    .map(asStanding);

/** Moves some of them, and asks for what is new. */
export function applyToOpen(
  db: Db,
  plantId: number,
  open: readonly StandingTask[],
  { moves, tasks: asked = [] }: { moves: readonly TaskMove[]; tasks?: readonly AftercareTask[] },
): void {
  const ids = open.map(({ id }) => id);
  const rows = ids.length === 0 ? [] : db.select().from(tasks).where(inArray(tasks.id, ids)).all();
  apply(db, rows, moves);
  const repotId = standing(db, plantId)?.repotId ?? null;
  for (const task of asked) {
    db.insert(tasks)
      .values({ ...stamp(), ...task, plantId, repotId })
      .run();
  }
}

/** A look was written down: aftercare that it bears on moves. */
export function moveAfterLook(db: Db, plantId: number, date: IsoDate, signals: Signals): void {
  const found = standing(db, plantId);
  if (!found || date < found.repotted) return;
  const { repotId, repotted, rows } = found;
  const standingTasks = rows.map(asStanding);
  apply(db, rows, movesAfterLook(standingTasks, repotted, date, signals));
  for (const task of tasksAfterLook(standingTasks, repotted, date, signals)) {
    db.insert(tasks)
      .values({ ...stamp(), ...task, plantId, repotId })
      .run();
  }
}

/** Something was done that a task of the newest repot asks for: that is the task, whenever it was due. */
export function tickTaskOf(db: Db, plantId: number, kind: MeasurementKind, date: IsoDate): void {
  const asked = TASKS_OF_DEED[kind];
  const found = asked && standing(db, plantId);
  const task = found && found.rows.find(({ rule, done }) => rule === asked && done === null);
  if (!task || date < found.repotted) return;
  completeTask(db, task, date);
}

/** A reservoir that was filled with its task is full from that day, once, where there is one. */
export function noteFilled(db: Db, plantId: number, date: IsoDate): void {
  const over = db.select().from(reservoirs).where(eq(reservoirs.plantId, plantId)).get();
  if (over) noteDeed(db, plantId, 'reservoirFlushed', date);
}

/** What a line of the log says that no hand typed. */
const TICKED = 'ticked off';

/** Once a day, however it is told. */
function noteDeed(db: Db, plantId: number, kind: MeasurementKind, date: IsoDate): void {
  if (deedOn(db, plantId, kind, date)) return;
  db.insert(measurements)
    .values({ ...stamp(), plantId, date, kind, value: 1, note: TICKED })
    .run();
}
const deedOn = (db: Db, plantId: number, kind: MeasurementKind, date: IsoDate) =>
  db
    .select()
    .from(measurements)
    .where(
      and(
        eq(measurements.plantId, plantId),
        eq(measurements.date, date),
        eq(measurements.kind, kind),
      ),
    )
    .get();

/** A tick is a line of the log; open again, the line that it wrote goes, and one that was typed stays. */
function logTick(db: Db, task: TaskRow, done: IsoDate | null): void {
  const { plantId } = task;
  const kind = deedOfTask(task.rule, task.words);
  if (kind === null) return;
  if (done !== null) {
    if (kind === 'reservoirFlushed') noteFilled(db, plantId, done);
    else noteDeed(db, plantId, kind, done);
    return;
  }
  const logged = task.done === null ? undefined : deedOn(db, plantId, kind, task.done);
  if (logged?.note === TICKED) db.delete(measurements).where(eq(measurements.id, logged.id)).run();
}

/** Marks a task done on a day, or open again; what hangs on it follows. */
export function completeTask(db: Db, task: TaskRow, done: IsoDate | null): TaskRow {
  const row = db
    .update(tasks)
    .set({ done, ...touch(task) })
    .where(eq(tasks.id, task.id))
    .returning()
    .get();
  const next = nextOf(db, task);
  logTick(db, task, done);
  if (done === null) {
    if (next) db.delete(tasks).where(eq(tasks.id, next.id)).run();
    return row;
  }
  if (task.rule === 'firstWater') {
    const found = standing(db, task.plantId);
    if (found) apply(db, found.rows, movesAfterWater(found.rows.map(asStanding), done));
  }
  const again = task.everyDays === null ? null : addDays(done, task.everyDays);
  if (again !== null && !next && (task.until === null || again <= task.until)) {
    const { id: _id, rev: _rev, ...same } = task;
    db.insert(tasks)
      .values({ ...same, ...stamp(), due: again, done: null, moved: null })
      .run();
  }
  return row;
}

/** The next turn of a task that is done again and again, where it stands already. */
function nextOf(db: Db, { repotId, rule, everyDays, id }: TaskRow): TaskRow | undefined {
  if (everyDays === null || repotId === null || rule === null) return undefined;
  return db
    .select()
    .from(tasks)
    .where(and(eq(tasks.repotId, repotId), eq(tasks.rule, rule), isNull(tasks.done)))
    .all()
    .find((task) => task.id > id);
}

const isMovedBack = ({ moved }: TaskRow, due: IsoDate) =>
  moved?.because === 'byHand' && moved.from === due;

/** A task is moved by hand, and says from where; moved back, it says nothing. */
export function moveTask(db: Db, task: TaskRow, due: IsoDate): TaskRow {
  return db
    .update(tasks)
    .set({
      due,
      ...(task.until && task.until < due ? { until: due } : {}),
      moved: isMovedBack(task, due) ? null : { because: 'byHand', from: task.due },
      ...touch(task),
    })
    .where(eq(tasks.id, task.id))
    .returning()
    .get();
}
