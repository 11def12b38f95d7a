import { fillL, insideOfMaterial, learnPace, type Pace } from '@fernbank/core';
import { desc, inArray, isNotNull } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { readable } from '../db/readable.ts';
import { repots } from '../db/schema.ts';

/** Hands change over the years: so many repots back are counted. */
const NEWEST_REPOTS = 60;

/** Minutes of this keeper's hands, learned from the newest repots that were ticked off at the bench. */
export function paceOf(db: Db): Pace {
  const newest = db
    .select({ id: repots.id })
    .from(repots)
    .where(isNotNull(repots.timed))
    .orderBy(desc(repots.id))
    .limit(NEWEST_REPOTS)
    .all();
  const timed = readable(
    db,
    repots,
    inArray(
      repots.id,
      newest.map(({ id }) => id),
    ),
  ).reverse();
  return learnPace(
    timed.flatMap(({ timed: steps, after }) => {
      const potL = fillL(insideOfMaterial(after.pot, after.potMaterial));
      return (steps ?? []).map((step) => ({ ...step, potL }));
    }),
  );
}
