import {
  afterFeed,
  afterFlush,
  traitsOf,
  type FeedGiven,
  type IsoDate,
  type MeasurementKind,
  type PotExtra,
} from '@fernbank/core';
import { and, eq, gt, gte, inArray, lt } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { measurements, plants, spots } from '../db/schema.ts';
import { rowOr404 } from '../http/resource.ts';
import { spotOf, taxonOf } from './collection.ts';
import { applyToOpen, openTasks } from './tasks.ts';

const FEEDS = ['fedLiquid', 'fedLastingMonths'] as const satisfies MeasurementKind[];
/** What follows when it is written down. */
export const FOLLOWED_UP = [...FEEDS, 'flush'] as const;
type FollowedUp = (typeof FOLLOWED_UP)[number];
export const isFollowedUp = (kind: MeasurementKind): kind is FollowedUp =>
  (FOLLOWED_UP as readonly MeasurementKind[]).includes(kind);

/** The feed that a measurement stands for; null: it is none. */
export const feedOf = (row: { kind: MeasurementKind; value: number }): FeedGiven | null =>
  row.kind === 'fedLastingMonths'
    ? { kind: 'lasting', months: row.value }
    : row.kind === 'fedLiquid'
      ? { kind: 'liquid' }
      : null;

/** Months that the feed lasts which goes into a pot beside its mix; undefined: none goes in. */
export const lastingMonthsOf = (extras: readonly PotExtra[] | undefined): number | undefined =>
  extras?.find(({ kind }) => kind === 'feed')?.lastsMonths;

/** Feed was given, or salts were rinsed out: what asked for it is done, and it is asked for in its time again. */
export function followFeeding(
  db: Db,
  { plantId, date, ...row }: { plantId: number; date: IsoDate; kind: FollowedUp; value: number },
): void {
  const open = openTasks(db, plantId);
  const given = feedOf(row);
  if (given === null) return applyToOpen(db, plantId, open, { moves: afterFlush(open, date) });
  // One that is entered late is no news.
  const later = db
    .select({ id: measurements.id })
    .from(measurements)
    .where(
      and(
        eq(measurements.plantId, plantId),
        inArray(measurements.kind, FEEDS),
        gt(measurements.date, date),
      ),
    )
    .get();
  if (later) return;
  const plant = rowOr404(db, plants, plantId, 'plant');
  const spot = rowOr404(db, spots, plant.spotId, 'spot');
  applyToOpen(
    db,
    plantId,
    open,
    afterFeed(open, date, given, {
      traits: traitsOf(taxonOf(plant), plant.traits),
      spot: spotOf(spot),
      medium: plant.mediumKind,
      liquidSince: liquidSince(db, plant, date),
    }),
  );
}

/** Since when a plant has had liquid feed before a day, after its last flush or repot. */
function liquidSince(
  db: Db,
  { id, lastRepot }: { id: number; lastRepot: IsoDate | null },
  date: IsoDate,
): IsoDate | null {
  const before = db
    .select({ date: measurements.date, kind: measurements.kind })
    .from(measurements)
    .where(
      and(
        eq(measurements.plantId, id),
        inArray(measurements.kind, ['fedLiquid', 'flush']),
        gte(measurements.date, lastRepot ?? ''),
        lt(measurements.date, date),
      ),
    )
    .orderBy(measurements.date)
    .all();
  const flush = before.findLastIndex(({ kind }) => kind === 'flush');
  return before[flush + 1]?.date ?? null;
}
