import { addDays, type IsoDate } from '@fernbank/core';
import { asc, eq, sql } from 'drizzle-orm';
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core';
import type { Db, OpenFile } from '../db/driver.ts';
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

/** Of all that was read, also where a day is one row by now. */
const mean = (column: SQLiteColumn) =>
  sql<number>`sum(${column} * ${readings.count}) / sum(${readings.count})`;

/** Readings are kept one by one so long, days: what a season is reckoned from needs their days only. */
const SINGLE_DAYS = 60;

/** Makes each day that is long past one row: its mean, its lowest, its highest. Told twice it comes to the same. */
export function thinReadings(file: OpenFile, today: IsoDate): void {
  const before = addDays(today, -SINGLE_DAYS);
  file.db.transaction(() => {
    file.exec('CREATE TEMP TABLE IF NOT EXISTS past_days AS SELECT * FROM readings LIMIT 0');
    file.exec('DELETE FROM temp.past_days');
    file.run(
      `INSERT INTO temp.past_days (spot_id, at, temperature_c, relative_humidity, count, low_c, high_c)
       SELECT spot_id, substr(at, 1, 10) || 'T12:00:00.000Z',
         sum(temperature_c * count) / sum(count), sum(relative_humidity * count) / sum(count), sum(count),
         min(coalesce(low_c, temperature_c)), max(coalesce(high_c, temperature_c))
       FROM readings WHERE at < ? GROUP BY spot_id, substr(at, 1, 10) HAVING count(*) > 1`,
      before,
    );
    file.run(
      `DELETE FROM readings WHERE at < ? AND EXISTS (SELECT 1 FROM temp.past_days AS past
         WHERE past.spot_id = readings.spot_id AND substr(past.at, 1, 10) = substr(readings.at, 1, 10))`,
      before,
    );
    file.exec(
      `INSERT INTO readings (spot_id, at, temperature_c, relative_humidity, count, low_c, high_c)
       SELECT spot_id, at, temperature_c, relative_humidity, count, low_c, high_c FROM temp.past_days`,
    );
  });
}

export function climateOf(db: Db, spotId: number): Climate {
  const day = sql<string>`substr(${readings.at}, 1, 10)`;
  const days = db
    .select({
      date: day,
      lowC: sql<number>`min(coalesce(${readings.lowC}, ${readings.temperatureC}))`,
      meanC: mean(readings.temperatureC),
      highC: sql<number>`max(coalesce(${readings.highC}, ${readings.temperatureC}))`,
      relativeHumidity: mean(readings.relativeHumidity),
      count: sql<number>`sum(${readings.count})`,
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
  const meanOf = (values: number[]) =>
    values.length === 0 ? null : values.reduce((sum, value) => sum + value, 0) / values.length;
  const inMonth = (month: number) => days.filter(({ date }) => Number(date.slice(5, 7)) === month);
  return {
    count: days.reduce((sum, { count }) => sum + count, 0),
    newest: newest ?? null,
    monthlyC: Array.from({ length: 12 }, (_, i) =>
      meanOf(inMonth(i + 1).map(({ meanC }) => meanC)),
    ),
    relativeHumidity: meanOf(days.map(({ relativeHumidity }) => relativeHumidity)),
    days: days.map(({ count: _count, ...ofDay }) => ofDay),
  };
}
