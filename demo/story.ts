import {
  activityOn,
  addDays,
  blendOfRecipe,
  CARE_KINDS,
  checkpointOn,
  daysBetween,
  insideOfMaterial,
  recipeOfKind,
  standingFindings,
  traitsOf,
  type IsoDate,
  type MeasurementKind,
} from '@fernbank/core';
import type { Db } from '../server/src/db/driver.ts';
import {
  batches,
  measurements,
  plants,
  repots,
  reservoirs,
  spots,
} from '../server/src/db/schema.ts';
import type { Demo, FoundInDemo } from '../server/src/demo.ts';
import { invalid } from '../server/src/http/errors.ts';
import { rowOr404, stamp } from '../server/src/http/resource.ts';
import { spotOf, taxonOf, type PlantRow } from '../server/src/services/collection.ts';
import {
  momentOf,
  recordsOf,
  type MeasurementRow,
  type PlantRecords,
  type RepotRow,
} from '../server/src/services/records.ts';
import { batchFile } from '../server/src/services/tray.ts';
import { fateOf, fateToldBy, shownAt } from './fate.ts';
import { PLANTS } from './garden.ts';
import { batchLookOn } from './starts.ts';
import { chanceOf, lookOn, lot, truthOn, type Life } from './truth.ts';
import { keepWatering, waterings, type Habit } from './watering.ts';

/** Findings of the garden's last looks before its story begins are taken together so far back, days. */
const FOUND_WITHIN_DAYS = 120;
/** Heights are taken of what is tall, or grows along something. */
const MEASURED_FROM_CM = 60;

/** The demo from a day on: its clock, and what is true of its plants. */
export function storyFrom(begins: IsoDate, write: (path: string) => void): Demo {
  return {
    begins,
    day: begins,
    write,
    tend,
    look(db, plantId, date) {
      return foundOn(lifeOf(db, rowOr404(db, plants, plantId, 'plant'), begins), date);
    },
    batch(db, batchId, date) {
      const batch = rowOr404(db, batches, batchId, 'batch');
      if (batch.planned || batch.date > date) throw invalid('date', 'this batch is not begun yet');
      const told = batchFile(db, batch).looks[0] ?? null;
      const spot = spotOf(rowOr404(db, spots, batch.spotId, 'spot'));
      const { activity } = activityOn(spot, traitsOf(taxonOf(batch), {}), batch.date);
      const gone = batch.lost + batch.pottedOn;
      return batchLookOn({ ...batch, gone, told, activity }, date);
    },
    outcome(db, repotId, date) {
      const repot = rowOr404(db, repots, repotId, 'repot');
      const at = checkpointOn(repot.date, date);
      if (!at) throw invalid('date', `no question about the repot of ${repot.date} is open`);
      // What was told before the story began goes on as it was told.
      const told = recordsOf(db, [repot.plantId])
        .get(repot.plantId)!
        .outcomes.findLast((one) => one.repotId === repot.id && one.date < begins);
      return shownAt(told ? fateToldBy(told) : fateOfRow(repot), at);
    },
  };
}

/** Decided by the repot itself: asked again, it is the same. */
const fateOfRow = ({ practice, rootWork, plantId, date }: RepotRow) =>
  fateOf(practice ?? { inWindow: true }, rootWork, lot(String(plantId), date));

/** A plant's life as far as its record tells of it. */
export function lifeOf(db: Db, plant: PlantRow, begins: IsoDate): Life {
  const records = recordsOf(db, [plant.id]).get(plant.id)!;
  const lastRepot = records.repots.filter(({ date }) => date === plant.lastRepot).at(-1);
  const pottedSince = lastRepot !== undefined && lastRepot.date >= begins;
  const height = newest(records, 'heightCm');
  const cm = height?.value ?? plant.heightCm;
  const deeds = deedsIn(records);
  const inThisPot = plant.lastRepot !== null && plant.lastRepot > begins ? plant.lastRepot : begins;
  return {
    name: plant.name,
    traits: traitsOf(taxonOf(plant), plant.traits),
    spot: spotOf(rowOr404(db, spots, plant.spotId, 'spot')),
    pot: insideOfMaterial(plant.pot, plant.potMaterial),
    medium: plant.mediumKind,
    since: plant.lastRepot,
    fate: pottedSince ? fateOfRow(lastRepot) : null,
    found: pottedSince ? null : foundBefore(records, deeds, plant.lastRepot, begins),
    height: cm === null ? null : { date: height?.date ?? begins, cm },
    supportCm: plant.supportCm,
    done: Object.fromEntries(
      deeds.filter(({ date }) => date >= inThisPot).map(({ kind, date }) => [kind, date]),
    ),
  };
}

const newest = (records: PlantRecords, wanted: MeasurementKind): MeasurementRow | undefined =>
  records.measurements
    .filter(({ kind }) => kind === wanted)
    .sort((a, b) => a.date.localeCompare(b.date))
    .at(-1);

/** What was done to a plant that answers findings, the oldest first. */
const deedsIn = (records: PlantRecords) =>
  records.measurements.flatMap((row) => {
    const kind = CARE_KINDS.find((known) => known === row.kind);
    return kind ? [{ ...momentOf(row), kind }] : [];
  });

/** What its last looks before a day found, and nothing that was done since has put right. */
function foundBefore(
  { looks }: PlantRecords,
  deeds: Parameters<typeof standingFindings>[1],
  since: IsoDate | null,
  begins: IsoDate,
): Life['found'] {
  const seen = looks
    .filter(({ date }) => date <= begins && daysBetween(date, begins) <= FOUND_WITHIN_DAYS)
    .filter(({ date }) => since === null || date >= since)
    .map((look) => ({ ...momentOf(look), signals: look.signals }))
    .reverse();
  return { date: seen[0]?.date ?? begins, signals: standingFindings(seen, deeds) };
}

function foundOn(life: Life, date: IsoDate): FoundInDemo {
  const { heightCm } = truthOn(life, date);
  const measured =
    heightCm !== null && (life.supportCm !== null || heightCm >= MEASURED_FROM_CM)
      ? [{ kind: 'heightCm' as const, value: Math.round(heightCm) }]
      : [];
  return { signals: lookOn(life, date), measurements: measured };
}

/** Plants whose reservoir is somebody's own. */
const KEPT_OVER_WATER = ['Buoy'];

/** Those who keep the garden go on as they did: they water what they weigh, and look after one reservoir. */
function tend(db: Db, from: IsoDate, to: IsoDate): void {
  const kept = db.select().from(plants).all();
  const overWater = db.select().from(reservoirs).all();
  for (const plant of kept) {
    if (plant.goneOn !== null) continue;
    const records = recordsOf(db, [plant.id]).get(plant.id)!;
    const habit = PLANTS.find(({ name }) => name === plant.name)?.weighed;
    if (habit) water(db, plant, habit, newest(records, 'watered')?.date ?? from, from, to);
    const theirs = overWater.some(({ plantId }) => plantId === plant.id);
    if (theirs && KEPT_OVER_WATER.includes(plant.name)) {
      keepReservoir(db, plant.id, newest(records, 'reservoirFlushed')?.date ?? from, from, to);
    }
  }
}

function water(
  db: Db,
  plant: PlantRow,
  habit: Habit,
  last: IsoDate,
  from: IsoDate,
  to: IsoDate,
): void {
  // In a fresh pot it begins again.
  const through = plant.lastRepot !== null && plant.lastRepot >= from ? 0 : 1;
  const ahead = waterings({
    traits: traitsOf(taxonOf(plant), plant.traits),
    spot: spotOf(rowOr404(db, spots, plant.spotId, 'spot')),
    pot: insideOfMaterial(plant.pot, plant.potMaterial),
    mix: blendOfRecipe(plant.recipeId ?? recipeOfKind(plant.mediumKind).id),
    habit,
    from: last,
    until: to,
    through: () => through,
    chance: (date) => chanceOf(plant.name, date),
  });
  for (const watering of ahead) {
    if (watering.date > from && watering.date !== last) keepWatering(db, plant.id, watering);
  }
}

const FLUSHED_EVERY_DAYS = 14;
/** … and topped up so long after. */
const FILLED_AFTER_DAYS = 6;

function keepReservoir(db: Db, plantId: number, last: IsoDate, from: IsoDate, to: IsoDate): void {
  let flushed = last;
  for (let date = addDays(from, 1); date <= to; date = addDays(date, 1)) {
    const write = (kind: MeasurementKind, value: number) =>
      db
        .insert(measurements)
        .values({ ...stamp(), plantId, date, kind, value })
        .run();
    if (daysBetween(flushed, date) === FILLED_AFTER_DAYS) write('reservoirFilledL', 0.4);
    if (daysBetween(flushed, date) < FLUSHED_EVERY_DAYS) continue;
    write('reservoirFlushed', 1);
    write('reservoirPh', 6);
    write('reservoirEcMsCm', 1.1);
    flushed = date;
  }
}
