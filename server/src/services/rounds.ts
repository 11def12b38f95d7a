import {
  addDays,
  isTaskOver,
  leadingReasons,
  type IsoDate,
  type ReservoirAsk,
  wantsPot,
  type Headline,
} from '@fernbank/core';
import { and, asc, isNull, lte } from 'drizzle-orm';
import type { Db, OpenFile } from '../db/driver.ts';
import { looks, plants, spots as spotRows, tasks } from '../db/schema.ts';
import { deedThatBrought } from '../history/dependents.ts';
import { stamp } from '../http/resource.ts';
import { datesToPot } from './dayOfRepot.ts';
import { judgeAll, judgedOn, type Judgement, type Unjudged } from './judging.ts';
import { reservoirsOn } from './reservoirs.ts';
import type { TaskRow } from './tasks.ts';
import { trayOn } from './tray.ts';

/** One plant on today's walk. */
export interface RoundsEntry {
  plantId: number;
  name: string;
  taxon: string;
  headline: Headline;
  /** the keeper's own word goes before it */
  overruled: boolean;
  /** what asks for attention, most urgent first */
  asks: RoundsAsk[];
}

export type RoundsAsk =
  | { kind: 'act'; due: IsoDate; why: string }
  | { kind: 'look'; due: IsoDate; why: string; worth: number }
  | { kind: 'task'; task: TaskRow }
  | { kind: 'reservoir'; ask: ReservoirAsk };

interface Named {
  plantId: number;
  name: string;
}

/** One spot of the walk. */
export interface Stop {
  id: number;
  name: string;
  /** how many of its plants ask for something; `plants` may be a part of them */
  asking: number;
  plants: RoundsEntry[];
  quiet: number;
}

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
  tally: Record<RoundsAsk['kind'], number>;
  /** what cannot wait for the walk to come by */
  alarms: (Named & { title: string })[];
  /** the plants where one look is expected to save most, best first */
  mostWorth: Named[];
  /** batches of the propagation tray that ask for something */
  tray: { id: number; name: string; spot: string; why: string; kind: 'potOn' | 'look' }[];
  spots: Stop[];
  /** plants that cannot be judged, and why */
  unjudged: Unjudged[];
  /** the next date of a settled potting day, from a week before it */
  potting: { date: IsoDate; plants: number; minutes: number } | null;
}

/** So long before it a potting day is told of, days. */
const POTTING_AHEAD_DAYS = 7;

/** What asks for attention on a day, in the order of one walk. */
export function roundsOf(db: Db, date: IsoDate, part: RoundsPart = {}): Rounds {
  const { stops, unjudged } = walkOn(db, date);
  const entries = stops.flatMap(({ plants: asking }) => asking);
  const { each = Infinity, from = 0, spot } = part;
  return {
    date,
    tally: tallyOf(entries),
    alarms: alarmsOf(entries),
    mostWorth: mostWorth(entries),
    tray: trayAsks(db, date),
    spots: stops
      .filter(({ id }) => spot === undefined || id === spot)
      .map((stop) => ({ ...stop, plants: stop.plants.slice(from, from + each) })),
    unjudged,
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

function walkOn(db: Db, date: IsoDate): { stops: Stop[]; unjudged: Unjudged[] } {
  const open = db
    .select()
    .from(tasks)
    .where(and(isNull(tasks.done), lte(tasks.due, date)))
    .orderBy(asc(tasks.due), asc(tasks.id))
    .all()
    .filter((task) => !isTaskOver(task, date));
  const due = new Map<number, TaskRow[]>();
  for (const task of open) {
    const those = due.get(task.plantId);
    if (those) those.push(task);
    else due.set(task.plantId, [task]);
  }
  const stops = new Map<number, Stop>();
  const { judgements, unjudged } = judgedOn(db, date);
  const overWater = new Map(
    reservoirsOn(db, judgements, date).map(({ plantId, state }) => [plantId, state.asks]),
  );
  for (const judgement of judgements) {
    const { plant, spot } = judgement.file;
    let stop = stops.get(spot.id);
    if (!stop) {
      stop = { id: spot.id, name: spot.name, asking: 0, plants: [], quiet: 0 };
      stops.set(spot.id, stop);
    }
    const entry = entryOf(judgement, date, due.get(plant.id), overWater.get(plant.id));
    if (entry) {
      stop.plants.push(entry);
      stop.asking += 1;
    } else stop.quiet += 1;
  }
  return { stops: [...stops.values()], unjudged };
}

/** What the verdict alone asks for stands as long as the judgement does. */
const ownAsks = new WeakMap<Judgement, RoundsEntry | null>();
function entryOf(
  judgement: Judgement,
  date: IsoDate,
  due: readonly TaskRow[] | undefined,
  water: readonly ReservoirAsk[] | undefined,
): RoundsEntry | null {
  const alone = due === undefined && (water === undefined || water.length === 0);
  const known = alone ? ownAsks.get(judgement) : undefined;
  if (known !== undefined) return known;
  const asks = asksOf(judgement, date, due ?? [], water ?? []);
  const entry =
    asks.length === 0
      ? null
      : {
          plantId: judgement.file.plant.id,
          name: judgement.file.plant.name,
          taxon: judgement.file.taxon.name,
          headline: judgement.decision.headline,
          overruled: judgement.overrule !== null,
          asks,
        };
  if (alone) ownAsks.set(judgement, entry);
  return entry;
}

function tallyOf(entries: readonly RoundsEntry[]): Rounds['tally'] {
  const tally: Rounds['tally'] = { act: 0, look: 0, task: 0, reservoir: 0 };
  for (const { asks } of entries) for (const { kind } of asks) tally[kind] += 1;
  return tally;
}

function alarmsOf(entries: readonly RoundsEntry[]): Rounds['alarms'] {
  const alarms: Rounds['alarms'] = [];
  for (const { plantId, name, asks } of entries) {
    for (const ask of asks) {
      if (ask.kind !== 'reservoir' || !ask.ask.urgent) continue;
      alarms.push({ plantId, name, title: ask.ask.title });
    }
  }
  return alarms;
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

/** How many looks are named at the top. */
const NAMED_LOOKS = 3;

function mostWorth(entries: readonly RoundsEntry[]): Named[] {
  const best: (Named & { worth: number })[] = [];
  for (const { plantId, name, asks } of entries) {
    for (const ask of asks) {
      if (ask.kind !== 'look' || ask.worth <= (best[NAMED_LOOKS - 1]?.worth ?? -Infinity)) continue;
      best.push({ plantId, name, worth: ask.worth });
      best.sort((a, b) => b.worth - a.worth).splice(NAMED_LOOKS);
    }
  }
  return best.map(({ plantId, name }) => ({ plantId, name }));
}

function asksOf(
  judgement: Judgement,
  date: IsoDate,
  due: readonly TaskRow[],
  water: readonly ReservoirAsk[],
): RoundsEntry['asks'] {
  const { decision, lookDue, overrule } = judgement;
  const asks: RoundsEntry['asks'] = [];
  const acts = wantsPot(judgement, date);
  if (acts) {
    const [first] = leadingReasons(decision, 1);
    asks.push({
      kind: 'act',
      due: date,
      why: overrule ? `your own word: ${overrule.reason}` : (first?.text ?? ''),
    });
  }
  for (const ask of water) asks.push({ kind: 'reservoir', ask });
  for (const task of due) {
    asks.push({ kind: 'task', task });
  }
  const alreadyAsked = asks.some((ask) => ask.kind === 'task' && ask.task.kind === 'look');
  const { worth, why } = lookDue;
  if (lookDue.date <= date && !alreadyAsked && !acts && !overrule) {
    asks.push({ kind: 'look', due: lookDue.date, why, worth });
  }
  return asks;
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

/** So many looks are written at a time: SQLite binds so many values. */
const LOOKS_AT_ONCE = 500;

/**
 * One tap for a whole spot: every plant there was walked past, and nothing alarming was seen. A
 * second tap says nothing new.
 */
export function allFine(file: OpenFile, { plantIds, lookId }: ToBeNoted, date: IsoDate): AllFine {
  const { db } = file;
  const there = new Set(
    db
      .select({ id: plants.id })
      .from(plants)
      .where(isNull(plants.goneOn))
      .all()
      .map(({ id }) => id),
  );
  const noted = plantIds.filter((id) => there.has(id));
  const lookIds: number[] = [];
  for (let at = 0; at < noted.length; at += LOOKS_AT_ONCE) {
    const rows = noted
      .slice(at, at + LOOKS_AT_ONCE)
      .map((plantId) => ({ ...stamp(), plantId, date, signals: { allFine: true }, note: '' }));
    const added = db.insert(looks).values(rows).returning({ id: looks.id }).all();
    lookIds.push(...added.map(({ id }) => id));
  }
  const earlier =
    lookIds.length === 0 && lookId !== null ? deedThatBrought(file, 'looks', lookId) : null;
  return { lookIds, earlier };
}
