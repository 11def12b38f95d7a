import { addDays, type IsoDate, type Saying } from '@fernbank/core';
import type { Db, OpenFile } from '../db/driver.ts';
import { spots as spotRows } from '../db/schema.ts';
import { deedThatBrought } from '../history/dependents.ts';
import { stamp } from '../http/resource.ts';
import { datesToPot } from './dayOfRepot.ts';
import { judgeAll, type Unjudged } from './judging.ts';
import { trayOn } from './tray.ts';
import { walkOn, type Named, type Stop, type Tally, type Walk } from './walk.ts';

/** What part of a walk is told: a large house has more on it than anyone reads at once. */
export interface RoundsPart {
  /** so many plants of each spot at most; absent: all of them */
  each?: number | undefined;
  /** the only spot that is told of */
  spot?: number | undefined;
  /** so many of those that ask are passed over */
  from?: number | undefined;
}

export interface Rounds {
  date: IsoDate;
  /** how much of each kind is asked for in all, whatever part of it is told here */
  tally: Tally;
  /** what matters first; null: nothing asks for anything */
  first: Walk['first'];
  alarms: Walk['alarms'];
  /** the plants where one look is expected to save most, best first */
  mostWorth: Named[];
  /** batches of the propagation tray that ask for something */
  tray: { id: number; name: string; spot: string; why: Saying; kind: 'potOn' | 'look' }[];
  spots: Stop[];
  /** plants that cannot be judged, and why */
  unjudged: Unjudged[];
  /** plants still to be judged, the last on the walk: all else told here leaves them out */
  toCome: number;
  /** the next date of a settled potting day, from a week before it */
  potting: { date: IsoDate; plants: number; minutes: number } | null;
}

/** So long before it a potting day is told of, days. */
const POTTING_AHEAD_DAYS = 7;

/** Who asks for a part of the walk waits no longer for plants that nobody judged yet, ms. */
const SOON_MS = 500;

/**
 * What asks for attention on a day, in the order of one walk. A part of it is told of what is judged by
 * then: in a large house, just after a start, the first stops of the walk.
 */
export function roundsOf(db: Db, date: IsoDate, part: RoundsPart = {}): Rounds {
  const { each = Infinity, from = 0, spot } = part;
  const walk = walkOn(db, date, each === Infinity ? Infinity : SOON_MS);
  const { first, stops, tally, alarms, unjudged, toCome } = walk;
  return {
    date,
    first,
    tally,
    alarms,
    mostWorth: walk.mostWorth.map(({ plantId, name }) => ({ plantId, name })),
    tray: trayAsks(db, date),
    spots: stops
      .filter(({ id }) => spot === undefined || id === spot)
      .map((stop) => ({ ...stop, plants: stop.plants.slice(from, from + each) })),
    unjudged,
    toCome,
    potting: pottingOn(db, date),
  };
}

/** Where the walk goes on; null: nothing on it is due for a look. */
export interface NextOn {
  next: (Named & { spot: string }) | null;
}

/** After a plant: the next that is due for a look, from the first again after the last. */
export function nextOn(db: Db, date: IsoDate, after: number): NextOn {
  const walk = walkOn(db, date).stops.flatMap(({ name: spot, plants: asking }) =>
    asking.map(({ plantId, name, asks }) => ({ plantId, name, spot, asks })),
  );
  const here = walk.findIndex(({ plantId }) => plantId === after);
  const inTurn = [...walk.slice(here + 1), ...walk.slice(0, Math.max(here, 0))];
  const found = inTurn.find(({ asks }) => asks.some(({ kind }) => kind === 'look'));
  if (!found) return { next: null };
  const { plantId, name, spot } = found;
  return { next: { plantId, name, spot } };
}

function pottingOn(db: Db, date: IsoDate): Rounds['potting'] {
  const [next] = datesToPot(db, date);
  if (!next || next.date > addDays(date, POTTING_AHEAD_DAYS)) return null;
  return { date: next.date, plants: next.plants, minutes: next.minutes };
}

/** What the tray asks for on a day: roots to look at, starts to pot on. */
function trayAsks(db: Db, date: IsoDate): Rounds['tray'] {
  const named = new Map(
    db
      .select({ id: spotRows.id, name: spotRows.name })
      .from(spotRows)
      .all()
      .map(({ id, name }) => [id, name]),
  );
  return trayOn(db).flatMap(({ id, name, spotId, advice, lookOn, planned }) => {
    if (planned) return [];
    const kind = advice.when === 'ready' || advice.when === 'late' ? 'potOn' : 'look';
    const due = kind === 'potOn' || (lookOn !== null && lookOn <= date);
    return due ? [{ id, name, spot: named.get(spotId)!, why: advice.why, kind }] : [];
  });
}

/** What one tap noted; where everything was noted that day already, the deed by which it is taken back. */
export interface AllFine {
  lookIds: number[];
  earlier: number | null;
}

/** Of a spot: the plants that are still to be noted as fine on a day, and the look of one that is. */
export interface ToBeNoted {
  plantIds: number[];
  lookId: number | null;
}

/** Plants that are to be rescued are left out: of them it would not be true that nothing was seen. */
export function toBeNoted(db: Db, spotId: number, date: IsoDate): ToBeNoted {
  const walked = judgeAll(db, date).filter(
    (one) => one.file.spot.id === spotId && one.decision.headline !== 'rescueNow',
  );
  const notedBefore = walked.flatMap(({ file: { looks: seen } }) =>
    seen.filter((look) => look.date === date && look.signals.allFine),
  );
  const known = new Set(notedBefore.map(({ plantId }) => plantId));
  return {
    plantIds: walked.map(({ file }) => file.plant.id).filter((id) => !known.has(id)),
    lookId: notedBefore[0]?.id ?? null,
  };
}

/**
 * One tap for a whole spot: every plant there was walked past, and nothing alarming was seen. A
 * second tap says nothing new.
 */
export function allFine(file: OpenFile, { plantIds, lookId }: ToBeNoted, date: IsoDate): AllFine {
  const { createdAt, updatedAt } = stamp();
  // As one statement: a row at a time, a large spot takes five times as long, and all wait for it.
  const lookIds = file
    .rows(
      `INSERT INTO looks (created_at, updated_at, plant_id, date, signals)
        SELECT ?, ?, id, ?, ? FROM plants
        WHERE gone_on IS NULL AND id IN (SELECT value FROM json_each(?)) ORDER BY id
        RETURNING id`,
      ...[createdAt, updatedAt, date, JSON.stringify({ allFine: true }), JSON.stringify(plantIds)],
    )
    .map(({ id }) => Number(id));
  const earlier =
    lookIds.length === 0 && lookId !== null ? deedThatBrought(file, 'looks', lookId) : null;
  return { lookIds, earlier };
}
