import {
  addDays,
  CHECKPOINT_IDS,
  CHECKPOINTS,
  daysBetween,
  methodOf,
  resolveTaxon,
  seasonAhead,
  seasonOf,
  seeded,
  WINDOW_READINESS,
  type IsoDate,
  type MeasurementKind,
  type MediumKind,
  type Practice,
  type RootWork,
  type Spot,
} from '@fernbank/core';
import type { Db } from '../server/src/db/driver.ts';
import {
  batches,
  batchLooks,
  looks,
  measurements,
  outcomes,
  plants,
  repots,
  reservoirs,
  spots,
} from '../server/src/db/schema.ts';
import { stamp } from '../server/src/http/resource.ts';
import { fateOf, shownAt } from './fate.ts';

/** Not every question is answered. */
const ANSWERED = 0.8;
/** Plants of which the pot before is remembered too: how long, and what was found at its end. */
const STAYS_BEFORE: Record<string, { months: number; ballCover: number; compacted: boolean }> = {
  Breakwater: { months: 9, ballCover: 0.95, compacted: false },
  Tidewrack: { months: 11, ballCover: 0.9, compacted: true },
  'Winter Lantern': { months: 24, ballCover: 0.6, compacted: false },
  Semaphore: { months: 14, ballCover: 0.7, compacted: true },
};
const LOOKED_BEFORE_DAYS = 4;
const DAYS_PER_MONTH = 30.4;

/** How a repot was done, as its record keeps it. */
export function practised(
  taxonName: string,
  medium: MediumKind,
  rootWork: RootWork['work'],
  spot: Spot,
  date: IsoDate,
): Practice {
  const taxon = resolveTaxon(taxonName)!;
  return {
    method: methodOf({
      from: medium,
      to: medium,
      work: rootWork,
      rootsCut: false,
      pieces: 1,
      rootsPruned: false,
      rotten: false,
    }),
    schools: { when: 'window', size: 'oneUp', oldMedium: 'byMedium', firstWater: 'byPlant' },
    medium,
    season: seasonOf(date, spot.latitudeDeg),
    inWindow: seasonAhead(spot, taxon.traits, date, 1).readiness[0]! >= WINDOW_READINESS,
    group: taxon.group,
  };
}

/** When the pot before a repot was taken, where that is remembered. */
export function repotBefore(name: string, date: IsoDate): IsoDate | null {
  const stay = STAYS_BEFORE[name];
  return stay ? addDays(date, -Math.round(stay.months * DAYS_PER_MONTH)) : null;
}

/** What became of repots, what is in the tray, and how reservoirs were kept. */
export function whatFollowed(db: Db, today: IsoDate): void {
  const random = seeded(77);
  const kept = db.select().from(plants).all();
  for (const row of db.select().from(repots).all()) {
    const { id: plantId, name } = kept.find(({ id }) => id === row.plantId)!;
    const stay = STAYS_BEFORE[name];
    if (stay) {
      const { ballCover, compacted } = stay;
      const date = addDays(row.date, -LOOKED_BEFORE_DAYS);
      db.insert(looks)
        .values({ ...stamp(), plantId, date, signals: { ballCover, compacted } })
        .run();
    }
    grade(db, row, today, random);
  }
  fillTray(db, kept, today);
  keepWater(db, kept, today);
}

type PlantRow = typeof plants.$inferSelect;
type RepotRow = typeof repots.$inferSelect;

/** Each question whose time is over was answered, or was not. */
function grade(db: Db, row: RepotRow, today: IsoDate, random: () => number) {
  const fate = fateOf(row.practice!, row.rootWork, random());
  for (const at of CHECKPOINT_IDS) {
    const answered = random() < ANSWERED;
    const date = addDays(row.date, CHECKPOINTS[at].days);
    const over = daysBetween(row.date, today) > CHECKPOINTS[at].until;
    if (!over || !answered) continue;
    db.insert(outcomes)
      .values({ ...stamp(), plantId: row.plantId, repotId: row.id, at, date, ...shownAt(fate, at) })
      .run();
  }
}

type NewBatch = Omit<typeof batches.$inferInsert, 'createdAt' | 'updatedAt' | 'spotId' | 'taxon'>;
type NewLook = Omit<
  typeof batchLooks.$inferInsert,
  'createdAt' | 'updatedAt' | 'batchId' | 'date'
> & { daysAgo: number };

function fillTray(db: Db, kept: readonly PlantRow[], today: IsoDate): void {
  const shelf = db
    .select()
    .from(spots)
    .all()
    .find(({ name }) => name === 'Propagation shelf')!;
  const start = (parent: string, batch: NewBatch, seen: NewLook[]) => {
    const { id: parentId, taxon } = kept.find(({ name }) => name === parent)!;
    const { id } = db
      .insert(batches)
      .values({ ...stamp(), ...batch, parentId, taxon, spotId: shelf.id })
      .returning()
      .get();
    for (const { daysAgo, ...look } of seen) {
      db.insert(batchLooks)
        .values({ ...stamp(), batchId: id, date: addDays(today, -daysAgo), ...look })
        .run();
    }
  };
  const ago = (days: number) => addDays(today, -days);
  start(
    'Tidewrack',
    {
      method: 'cutting',
      medium: 'water',
      name: 'Tidewrack cuttings',
      date: ago(33),
      count: 5,
      lost: 1,
      nodes: 3,
    },
    [
      { daysAgo: 18, rooted: 3, rootCm: 1.5, roots: 2, branching: false },
      { daysAgo: 4, rooted: 4, rootCm: 6, roots: 4, branching: false, lost: 1 },
    ],
  );
  start(
    'Bosun',
    { method: 'leaf', medium: 'mix', name: 'Bosun leaf strips', date: ago(40), count: 8 },
    [
      {
        daysAgo: 12,
        rooted: 5,
        rootCm: 2,
        roots: 2,
        branching: null,
        note: 'first plantlets as large as a lentil',
      },
    ],
  );
  start(
    'Harbour Master',
    {
      method: 'offset',
      medium: 'mix',
      name: 'Harbour Master offset',
      date: ago(16),
      count: 1,
      nodes: 4,
    },
    [],
  );
  start(
    'Fletching',
    {
      method: 'cutting',
      medium: 'moss',
      name: 'Fletching, top cutting',
      date: addDays(today, 40),
      count: 2,
      planned: true,
      note: 'To be led up a new pole from its foot.',
    },
    [],
  );
  const given = 'The rooted ones went to the spring fair.';
  start(
    'Lamplighter',
    {
      method: 'cutting',
      medium: 'water',
      name: 'Lamplighter cuttings, last summer',
      date: ago(250),
      count: 7,
      lost: 2,
      pottedOn: 5,
      note: given,
    },
    [],
  );
  start(
    'Deckhand',
    {
      method: 'leaf',
      medium: 'moss',
      name: 'Deckhand leaves, last autumn',
      date: ago(170),
      count: 6,
      lost: 4,
      pottedOn: 2,
      note: given,
    },
    [],
  );
}

/** Two plants over water: one in order, one whose wick was found dry. */
function keepWater(db: Db, kept: readonly PlantRow[], today: IsoDate): void {
  const write = (plantId: number, daysAgo: number, kind: MeasurementKind, value: number) =>
    db
      .insert(measurements)
      .values({ ...stamp(), plantId, date: addDays(today, -daysAgo), kind, value })
      .run();
  const buoy = kept.find(({ name }) => name === 'Buoy')!.id;
  db.insert(reservoirs)
    .values({ ...stamp(), plantId: buoy, fullL: 0.7, wick: null })
    .run();
  for (const [i, daysAgo] of [60, 45, 31, 17, 4].entries()) {
    write(buoy, daysAgo, 'reservoirFlushed', 1);
    write(buoy, daysAgo, 'reservoirPh', 6);
    write(buoy, daysAgo, 'reservoirEcMsCm', 1.1);
    if (i < 4) write(buoy, daysAgo - 8, 'reservoirFilledL', 0.36 + 0.02 * i);
  }
  write(buoy, 1, 'reservoirPh', 6.2);
  write(buoy, 1, 'reservoirEcMsCm', 1.2);

  const ropewalk = kept.find(({ name }) => name === 'Ropewalk')!.id;
  db.insert(reservoirs)
    .values({ ...stamp(), plantId: ropewalk, fullL: 0.45, wick: 'polyester' })
    .run();
  write(ropewalk, 26, 'reservoirFlushed', 1);
  write(ropewalk, 12, 'reservoirFilledL', 0.3);
  write(ropewalk, 1, 'wickDamp', 0);
  write(ropewalk, 1, 'saltCrust', 1);
}
