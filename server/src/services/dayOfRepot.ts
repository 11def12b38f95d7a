import { addDays, type DayLine, type IsoDate, type LaidDay } from '@fernbank/core';
import { eq } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Db } from '../db/driver.ts';
import { days, repots } from '../db/schema.ts';

export type DayRow = typeof days.$inferSelect;

/** Repots that were done as part of a day, the newest first. */
export const doneOf = (db: Db, dayId: number) =>
  readable(db, repots, eq(repots.dayId, dayId)).reverse();

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
  const open = readable(db, days, eq(days.state, 'settled')).reverse();
  for (const day of open) {
    const { plan: laid } = day;
    const line = laid?.lines.find(({ plant }) => plant === plantId);
    if (!laid || !line || doneOf(db, day.id).some((row) => row.plantId === plantId)) continue;
    const last = laid.dates[laid.dates.length - 1]!.date;
    if (date === undefined || date <= addDays(last, LINGERS_DAYS)) return { day, line, laid };
  }
  return null;
}

/** A date of a settled day with what is still to be potted on it. */
export interface DateToPot {
  day: DayRow;
  date: IsoDate;
  plants: number;
  /** of hands */
  minutes: number;
}

/** Every date on which plants are still to be potted, the next first; what lingers too long is left out. */
export function datesToPot(db: Db, today: IsoDate): DateToPot[] {
  const settled = readable(db, days, eq(days.state, 'settled'));
  return settled
    .flatMap((day) => {
      const done = new Set(doneOf(db, day.id).map(({ plantId }) => plantId));
      const open = (day.plan?.lines ?? []).filter(({ plant }) => !done.has(plant));
      return (day.plan?.dates ?? []).map(({ date }, i) => {
        const lines = open.filter((line) => line.date === i);
        const minutes = lines.reduce((sum, line) => sum + line.minutes, 0);
        return { day, date, plants: lines.length, minutes };
      });
    })
    .filter(({ date, plants }) => plants > 0 && addDays(date, LINGERS_DAYS) >= today)
    .sort((a, b) => a.date.localeCompare(b.date));
}

type Order = { plantId: number; date?: IsoDate };

/** The recipe that stands mixed in the tub for a plant, as a batch of its day; null: none does. */
export function mixedRecipe(db: Db, { plantId, date }: Order): string | null {
  const found = dayOfRepot(db, plantId, date);
  if (!found) return null;
  const { day, line, laid } = found;
  const planned = laid.dates[line.date]!.date;
  const isMixed = day.mixed.some((batch) => batch.mix === line.mix && batch.date === planned);
  return isMixed ? line.mix.split('|')[0]! : null;
}

/** Whether the pole that a plant gets on its day was cut already: then no bar of the shelf is taken for it. */
export function isCut(db: Db, { plantId, date }: Order): boolean {
  const found = dayOfRepot(db, plantId, date);
  const kind = found?.line.support?.kind;
  return kind !== undefined && found!.day.cut.some((one) => one.kind === kind);
}
