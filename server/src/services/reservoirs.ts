import {
  activityOn,
  dayOfYear,
  dryingKPa,
  ownUseOfPresent,
  useFactorOf,
  reservoirState,
  temperatureOn,
  useIn,
  type IsoDate,
  type ReservoirEvent,
  type ReservoirState,
  type Schools,
  type MeasurementKind,
  MEASUREMENTS,
} from '@fernbank/core';
import { and, asc, eq, gte, inArray, lte } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { measurements, reservoirs } from '../db/schema.ts';
import { plantFile, type PlantFile, type PlantRow } from './collection.ts';
import type { Judgement } from './judging.ts';
import { readSettings } from './settings.ts';

export type ReservoirRow = typeof reservoirs.$inferSelect;

/** A plant over water with how its reservoir stands. */
export interface OverWater {
  plantId: number;
  name: string;
  spotId: number;
  spot: string;
  reservoir: ReservoirRow;
  state: ReservoirState;
  school: Schools['flush'];
  winter: Schools['winter'];
}

const CRUSTS = MEASUREMENTS.saltCrust.steps;
const EVENT_OF: Partial<Record<MeasurementKind, (date: IsoDate, value: number) => ReservoirEvent>> =
  {
    reservoirFilledL: (date, litres) => ({ kind: 'filled', date, litres }),
    reservoirFlushed: (date) => ({ kind: 'flushed', date }),
    reservoirLeft: (date, share) => ({ kind: 'left', date, share }),
    reservoirPh: (date, value) => ({ kind: 'ph', date, value }),
    reservoirEcMsCm: (date, msPerCm) => ({ kind: 'ec', date, msPerCm }),
    wickDamp: (date, value) => ({ kind: 'wick', date, damp: value >= 0.5 }),
    saltCrust: (date, value) => ({ kind: 'salt', date, crust: CRUSTS[Math.round(value)]! }),
  };
const KINDS = Object.keys(EVENT_OF) as MeasurementKind[];

/** What was done to its water since its last repot: before it, that was another reservoir. */
function eventsOf(
  db: Db,
  { id: plantId, lastRepot }: Pick<PlantRow, 'id' | 'lastRepot'>,
  date: IsoDate,
): ReservoirEvent[] {
  return db
    .select()
    .from(measurements)
    .where(
      and(
        eq(measurements.plantId, plantId),
        inArray(measurements.kind, KINDS),
        lte(measurements.date, date),
        gte(measurements.date, lastRepot ?? ''),
      ),
    )
    .orderBy(asc(measurements.date), asc(measurements.id))
    .all()
    .map(({ kind, date: on, value }) => EVENT_OF[kind]!(on, value));
}

/** Use of a plant in its pot by the day, L: as its fit and its page reckon it. */
function typicalUse({ plant, situation, logs }: PlantFile): (date: IsoDate) => number {
  const { pot, spot, traits } = situation;
  const own = ownUseOfPresent(situation, logs.water, plant.potMaterial);
  const use = useIn({
    traits,
    spot,
    inside: pot,
    outside: plant.pot,
    material: plant.potMaterial,
    together: plant.together,
    ownFactor: useFactorOf(situation, own),
  });
  const byDay = new Map<number, number>();
  return (date) => {
    const day = dayOfYear(date);
    let litres = byDay.get(day);
    if (litres === undefined) {
      const vpdKPa = dryingKPa(temperatureOn(spot, day), spot.relativeHumidity);
      litres = use({ vpdKPa, activity: activityOn(spot, traits, date).activity }) / 1000;
      byDay.set(day, litres);
    }
    return litres;
  };
}

/** How one plant's reservoir stands on a day; null: it stands over none. */
export function reservoirOf(db: Db, file: PlantFile, date: IsoDate): OverWater | null {
  const { plant, spot, situation } = file;
  const reservoir = db.select().from(reservoirs).where(eq(reservoirs.plantId, plant.id)).get();
  if (!reservoir) return null;
  const { flush: school, winter } = situation.schools;
  return {
    plantId: plant.id,
    name: plant.name,
    spotId: spot.id,
    spot: spot.name,
    reservoir,
    school,
    winter,
    state: reservoirState({
      today: date,
      fullL: reservoir.fullL,
      events: eventsOf(db, plant, date),
      typicalPerDayL: typicalUse(file),
      activity: activityOn(situation.spot, situation.traits, date).activity,
      school,
      winter,
      hasWick: reservoir.wick !== null,
    }),
  };
}

/** All of them, those that ask for something first. */
export function reservoirsOn(db: Db, judgements: readonly Judgement[], date: IsoDate): OverWater[] {
  const over = new Set(
    db
      .select({ plantId: reservoirs.plantId })
      .from(reservoirs)
      .all()
      .map(({ plantId }) => plantId),
  );
  if (over.size === 0) return [];
  return judgements
    .filter(({ file }) => over.has(file.plant.id))
    .flatMap(({ file }) => reservoirOf(db, file, date) ?? [])
    .sort((a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name));
}

const rank = ({ state }: OverWater): number =>
  state.asks.some(({ urgent }) => urgent) ? 0 : state.asks.length > 0 ? 1 : 2;

/** The same for a plant that was only read. */
export function reservoirOfPlant(db: Db, plant: PlantRow, date: IsoDate): OverWater | null {
  return reservoirOf(db, plantFile(db, plant, date, readSettings(db)), date);
}
