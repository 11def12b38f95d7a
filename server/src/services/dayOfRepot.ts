import type { DayLine, LaidDay } from '@fernbank/core';
import { desc, eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { days, repots } from '../db/schema.ts';

export type DayRow = typeof days.$inferSelect;

/** Repots that were done as part of a day, the newest first. */
export const doneOf = (db: Db, dayId: number) =>
  db.select().from(repots).where(eq(repots.dayId, dayId)).orderBy(desc(repots.id)).all();

/** The settled day that a plant's repot on a date belongs to. */
export function dayOfRepot(
  db: Db,
  plantId: number,
): { day: DayRow; line: DayLine; laid: LaidDay } | null {
  const open = db.select().from(days).where(eq(days.state, 'settled')).orderBy(desc(days.id)).all();
  for (const day of open) {
    const line = day.plan?.lines.find(({ plant }) => plant === plantId);
    if (line && day.plan) return { day, line, laid: day.plan };
  }
  return null;
}

/** Whether a plant's mix on this day is in the tub already: then its repot draws nothing. */
export function isMixed(db: Db, plantId: number): boolean {
  const found = dayOfRepot(db, plantId);
  if (!found) return false;
  const { day, line, laid } = found;
  const date = laid.dates[line.date]!.date;
  return day.mixed.some((batch) => batch.mix === line.mix && batch.date === date);
}

/** Whether the pole that a plant gets on this day was cut already: then no bar of the shelf is taken for it. */
export function isCut(db: Db, plantId: number): boolean {
  const found = dayOfRepot(db, plantId);
  const kind = found?.line.support?.kind;
  return kind !== undefined && found!.day.cut.some((one) => one.kind === kind);
}
