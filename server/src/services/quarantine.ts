import { quarantineOn, type IsoDate, type Quarantine } from '@fernbank/core';
import { desc, eq } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { looks } from '../db/schema.ts';
import type { PlantRow } from './collection.ts';

/** Pests of a season ago are not read any more. */
const NEWEST_LOOKS = 24;

/** Whether a plant is kept apart on a day, by what was seen, when it came, and the keeper's word. */
export function quarantineFor(db: Db, plant: PlantRow, date: IsoDate): Quarantine | null {
  const seen = db
    .select({ date: looks.date, signals: looks.signals })
    .from(looks)
    .where(eq(looks.plantId, plant.id))
    .orderBy(desc(looks.date))
    .limit(NEWEST_LOOKS)
    .all();
  return quarantineOn(date, plant.acquired, seen, plant);
}
