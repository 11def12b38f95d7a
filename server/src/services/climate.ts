import { asc, eq, sql } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { readings } from '../db/schema.ts';

/** A spot's climate as its sensor read it. */
export interface Climate {
  count: number;
  newest: { at: string; temperatureC: number; relativeHumidity: number } | null;
  /** mean of each month from January on; null where nothing was read */
  monthlyC: (number | null)[];
  relativeHumidity: number | null;
  /** day by day, oldest first */
  days: { date: string; lowC: number; meanC: number; highC: number; relativeHumidity: number }[];
}

/** Stores readings; a moment that is there already stays as it is. @returns how many were new */
export function keepReadings(
  db: Db,
  spotId: number,
  given: readonly { at: string; temperatureC: number; relativeHumidity: number }[],
): number {
  return given.reduce((kept, { at, ...read }) => {
    const moment = new Date(at).toISOString();
    return (
      kept +
      db
        .insert(readings)
        .values({ spotId, at: moment, ...read })
        .onConflictDoNothing()
        .returning({ id: readings.id })
        .all().length
    );
  }, 0);
}

export function climateOf(db: Db, spotId: number): Climate {
  const day = sql<string>`substr(${readings.at}, 1, 10)`;
  const days = db
    .select({
      date: day,
      lowC: sql<number>`min(${readings.temperatureC})`,
      meanC: sql<number>`avg(${readings.temperatureC})`,
      highC: sql<number>`max(${readings.temperatureC})`,
      relativeHumidity: sql<number>`avg(${readings.relativeHumidity})`,
      count: sql<number>`count(*)`,
    })
    .from(readings)
    .where(eq(readings.spotId, spotId))
    .groupBy(day)
    .orderBy(asc(day))
    .all();
  const newest = db
    .select({
      at: readings.at,
      temperatureC: readings.temperatureC,
      relativeHumidity: readings.relativeHumidity,
    })
    .from(readings)
    .where(eq(readings.spotId, spotId))
    .orderBy(sql`${readings.at} desc`)
    .get();
  // A day counts once however often it was read, so that a busy day does not make the month.
  const mean = (values: number[]) =>
    values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;
  const inMonth = (month: number) => days.filter(({ date }) => Number(date.slice(5, 7)) === month);
  return {
    count: days.reduce((sum, { count }) => sum + count, 0),
    newest: newest ?? null,
    monthlyC: Array.from({ length: 12 }, (_, i) => mean(inMonth(i + 1).map(({ meanC }) => meanC))),
    relativeHumidity: mean(days.map(({ relativeHumidity }) => relativeHumidity)),
    days: days.map(({ count: _count, ...ofDay }) => ofDay),
  };
}
