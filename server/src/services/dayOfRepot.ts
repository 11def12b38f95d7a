import { addDays, type DayLine, type IsoDate, type LaidDay } from '@fernbank/core';
import { desc, eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { days, repots } from '../db/schema.ts';

export type DayRow = typeof days.$inferSelect;

/** Repots that were done as part of a day, the newest first. */
export const doneOf = (db: Db, dayId: number) =>
  db.select().from(repots).where(eq(repots.dayId, dayId)).orderBy(desc(repots.id)).all();

/** A plant that is potted so long after its day is no part of it any more, days. @source common practice, no source */
const LINGERS_DAYS = 14;

/**
 * The settled day that a plant is still to be potted on.
 *
 * @param date  of its repot; absent: whenever that will be
 */
export function dayOfRepot(
  db: Db,
  plantId: number,
  date?: IsoDate,
): { day: DayRow; line: DayLine; laid: LaidDay } | null {
  const open = db.select().from(days).where(eq(days.state, 'settled')).orderBy(desc(days.id)).all();
  for (const day of open) {
    const { plan: laid } = day;
    const line = laid?.lines.find(({ plant }) => plant === plantId);
    if (!laid || !line || doneOf(db, day.id).some((row) => row.plantId === plantId)) continue;
    const last = laid.dates[laid.dates.length - 1]!.date;
    if (date === undefined || date <= addDays(last, LINGERS_DAYS)) return { day, line, laid };
  }
  return null;
}

type Order = { plantId: number; date: IsoDate; recipeId: string | null };

/** Whether the mix of a repot is in the tub already, as a batch of its day: then it draws nothing. */
export function isMixed(db: Db, { plantId, date, recipeId }: Order): boolean {
  const found = dayOfRepot(db, plantId, date);
  if (!found || found.line.mix.split('|')[0] !== recipeId) return false;
  const { day, line, laid } = found;
  const planned = laid.dates[line.date]!.date;
  return day.mixed.some((batch) => batch.mix === line.mix && batch.date === planned);
}

/** Whether the pole that a plant gets on its day was cut already: then no bar of the shelf is taken for it. */
export function isCut(db: Db, { plantId, date }: Omit<Order, 'recipeId'>): boolean {
  const found = dayOfRepot(db, plantId, date);
  const kind = found?.line.support?.kind;
  return kind !== undefined && found!.day.cut.some((one) => one.kind === kind);
}
