import {
  climbsHeld,
  dayNumber,
  dayOfNumber,
  dryingOfPresent,
  blendOf,
  foundIn,
  fullWhen,
  isAfter,
  monthsToFill,
  rimCm,
  seasonAhead,
  TYPICAL_PACE,
  GRADES,
  newlyFound,
  ownUseOfPresent,
  statesOf,
  type Amount,
  type Checkpoint,
  type FullWhen,
  type Grade,
  type IsoDate,
  type KeepersPace,
  type MediumKind,
  type Method,
  type Pair,
  type PlantsPace,
  type Settings,
  type Signals,
  type ToldState,
} from '@fernbank/core';
import type { Db } from '../db/driver.ts';
import { plantFile, type PlantFile, type PlantRow, type SpotRow } from '../services/collection.ts';
import { learnedOf } from '../services/learning.ts';
import { momentOf, type PlantRecords } from '../services/records.ts';
import { dayBefore, Past } from './past.ts';

/** A state that was found to hold or not, with how likely it was said to be the day before. */
export interface Told extends Pair {
  plantId: number;
  plant: string;
  date: IsoDate;
  state: ToldState;
  /** … were the pace of the keeper's other plants known by then; the same where none is in force */
  underPace: number;
  group: string;
  medium: MediumKind;
  spotId: number;
}

/** A repot that was judged. */
export interface Judged {
  repotId: number;
  method: Method;
  at: Checkpoint;
  date: IsoDate;
  grade: Grade;
}

/** What one plant's life says of what was said. */
export interface HeldOfPlant {
  told: Told[];
  judged: Judged[];
  /** days from a watering to the next */
  dry: (Amount & { date: IsoDate })[];
  /** when each pot was full, against the months that were said at its repot */
  full: FullWhen[];
  /** cm gained from one height to the next */
  climbs: (Amount & { date: IsoDate })[];
  /** its roots' pace by pots that it had left by the first of the month; null: nothing was seen of it */
  filling: PlantsPace | null;
  /** its use of water against the typical, by what was weighed until then */
  use: PlantsPace | null;
}

interface Asked {
  plant: PlantRow;
  records: PlantRecords;
  spots: ReadonlyMap<number, SpotRow>;
  settings: Settings;
  /** the pace at which this keeper's plants fill their pots; null: not known */
  filling: KeepersPace | null;
  today: IsoDate;
}

/** Corrections are of the first of a month: in between verdicts do not shift under their keeper. */
export const firstOfMonth = (day: IsoDate): IsoDate => `${day.slice(0, 7)}-01`;

/** Everything that was found of a plant, held against what was said of it the day before. */
export function heldOf(db: Db, asked: Asked): HeldOfPlant {
  const { plant, records, spots, settings, today } = asked;
  const plain = { ...settings, correctsItself: false };
  const spot = spots.get(plant.spotId)!;
  const now = plantFile(db, plant, today, plain, spot, records);
  return {
    told: toldOf(db, asked, plain, now),
    judged: judgedOf(records),
    dry: dryOf(now),
    full: fullOf(db, now, records),
    climbs: climbsOf(now, records),
    filling: fillingOf(db, now, records, firstOfMonth(today)),
    use: useOf(now, firstOfMonth(today)),
  };
}

/** What was found on a day, by looks and at the bench, and when the first of it was written down. */
interface Found {
  date: IsoDate;
  writtenAt: string;
  signals: Signals;
}

/** What was seen on the day of a repot after it speaks of the new pot, of which nothing was said the day before. */
const beforeTheRepot = (
  looks: PlantRecords['looks'],
  repots: PlantRecords['repots'],
): PlantRecords['looks'] =>
  looks.filter(
    (look) =>
      !repots.some((repot) => repot.date === look.date && isAfter(momentOf(look), momentOf(repot))),
  );

function foundOn({ looks, repots }: PlantRecords, today: IsoDate): Found[] {
  const days = new Map<IsoDate, Found>();
  const add = (date: IsoDate, writtenAt: string, signals: Signals) => {
    const there = days.get(date);
    if (!there) return void days.set(date, { date, writtenAt, signals: { ...signals } });
    Object.assign(there.signals, signals);
    if (writtenAt < there.writtenAt) there.writtenAt = writtenAt;
  };
  for (const { date, createdAt, signals } of beforeTheRepot(looks, repots)) {
    add(date, createdAt, signals);
  }
  for (const { date, createdAt, liveRoots } of repots) {
    if (liveRoots !== null) add(date, createdAt, { liveRoots });
  }
  return [...days.values()].filter(({ date }) => date <= today);
}

function toldOf(
  db: Db,
  { plant, records, spots, settings, filling, today }: Asked,
  plain: Settings,
  { taxon }: PlantFile,
): Told[] {
  const paced = filling && { since: today, models: '', corrections: {}, filling, use: null };
  const past = new Past(db, plant, records, spots);
  return foundOn(records, today).flatMap(({ date, writtenAt, signals }): Told[] => {
    if (Object.keys(newlyFound(signals, {})).length === 0) return [];
    const known = past.before(date, writtenAt);
    if (!known) return [];
    const then = (by: Settings) =>
      plantFile(db, known.plant, dayBefore(date), by, known.spot, known.records).situation;
    const situation = then(plain);
    // Where nothing at all was known it was only said: look first.
    const { lastRepot, roots } = situation;
    if (lastRepot === null && !roots && Object.keys(situation.signals).length === 0) return [];
    const found = Object.entries(newlyFound(signals, situation.signals));
    if (found.length === 0) return [];
    const said = statesOf(situation);
    const underPace =
      paced && found.some(([state]) => state === 'crowded')
        ? statesOf(then({ ...settings, correctsItself: true, ownRecord: paced }))
        : said;
    return found.map(([state, held]) => ({
      plantId: plant.id,
      plant: plant.name,
      date,
      state: state as ToldState,
      said: said[state as ToldState],
      underPace: underPace[state as ToldState],
      found: Number(held),
      group: taxon.group,
      medium: situation.medium.kind,
      spotId: known.plant.spotId,
    }));
  });
}

const judgedOf = ({ outcomes, repots }: PlantRecords): Judged[] =>
  outcomes.flatMap(({ repotId, at, date, grade }) => {
    const method = repots.find(({ id }) => id === repotId)?.practice?.method;
    return method && grade in GRADES ? [{ repotId, method, at, date, grade }] : [];
  });

/** Of many waterings the newest tell enough. */
const MOST_CYCLES = 12;

/** Days to dry as they were said by the log until then, against the days after which it was watered. */
function dryOf({ logs, plant, situation }: PlantFile): HeldOfPlant['dry'] {
  const water = logs.water;
  if (!water) return [];
  const mix = blendOf(situation.medium);
  const { kind } = situation.medium;
  const first = Math.max(0, water.cycles.length - MOST_CYCLES);
  return water.cycles.slice(first).flatMap((cycle, i) => {
    const points = water.points.slice(0, first + i);
    const drying = dryingOfPresent(situation, mix, kind, plant.potMaterial, { points });
    const date = dayOfNumber(Math.floor(cycle.to));
    const said = drying.byMonth[Number(dayOfNumber(Math.floor(cycle.from)).slice(5, 7)) - 1];
    // What never dries is watered before it does: that says nothing.
    return drying.watering === 'dries' && said ? [{ date, said, found: cycle.days }] : [];
  });
}

/** Each stay in a pot since it was repotted into it. */
function fullOf(
  db: Db,
  { situation }: PlantFile,
  { looks, repots }: PlantRecords,
): HeldOfPlant['full'] {
  const { traits, spot, together } = situation;
  return repots.flatMap(({ date: from, after }, i) => {
    const until = repots[i + 1]?.date ?? '9999-12-31';
    const seen = beforeTheRepot(looks, repots).flatMap(({ date, signals }) => {
      const { crowded: full } = foundIn(signals);
      return full === undefined || date <= from || date > until ? [] : [{ date, full }];
    });
    if (seen.length === 0) return [];
    const { activity } = seasonAhead(spot, traits, from, WEEKS_OF_YEAR);
    const before = { looks, repots: repots.slice(0, i) };
    const when = fullWhen({
      from,
      snug: traits.snug,
      toFill: monthsToFill(traits.vigour, rimCm(after.pot), together),
      meanActivity: activity.reduce((sum, one) => sum + one, 0) / WEEKS_OF_YEAR,
      pace: learnedOf(db, before, { ...situation, date: from }).pace ?? TYPICAL_PACE,
      looks: seen,
    });
    return when ?? [];
  });
}
const WEEKS_OF_YEAR = 52;

const climbsOf = ({ situation }: PlantFile, { measurements }: PlantRecords) =>
  climbsHeld(
    measurements
      .filter(({ kind }) => kind === 'heightCm')
      .map(({ date, value }) => ({ date, cm: value })),
    situation.spot,
    situation.traits,
  ).map(({ from: _from, to, ...climb }) => ({ ...climb, date: to }));

function fillingOf(
  db: Db,
  { situation }: PlantFile,
  { looks, repots }: PlantRecords,
  since: IsoDate,
): HeldOfPlant['filling'] {
  const left = repots.filter(({ date }) => date < since);
  const { pace, stays } = learnedOf(db, { looks, repots: left }, situation);
  return pace ? { factor: pace.factor, sdLog: pace.sdLog, findings: stays } : null;
}

/** Weighings of one plant scatter about its own use by so much (logarithm). @source common practice, no source */
const WEIGHED_SD = 0.3;

function useOf({ logs, plant, situation }: PlantFile, since: IsoDate): HeldOfPlant['use'] {
  const first = dayNumber(since);
  const points = logs.water?.points.filter(({ from }) => from < first) ?? [];
  const own = ownUseOfPresent(situation, { points }, plant.potMaterial);
  return (
    own && {
      factor: own.factor,
      sdLog: WEIGHED_SD / Math.sqrt(own.cycles),
      findings: own.cycles,
    }
  );
}
