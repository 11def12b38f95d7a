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
import { looks, spots as spotRows, tasks } from '../db/schema.ts';
import { deedThatBrought } from '../history/dependents.ts';
import { stamp } from '../http/resource.ts';
import { datesToPot } from './dayOfRepot.ts';
import { judgeAll, type Judgement } from './judging.ts';
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

export interface Rounds {
  date: IsoDate;
  /** the plants where one look is expected to save most, best first */
  mostWorth: number[];
  /** batches of the propagation tray that ask for something */
  tray: { id: number; name: string; spot: string; why: string; kind: 'potOn' | 'look' }[];
  spots: { id: number; name: string; plants: RoundsEntry[]; quiet: number }[];
  /** the next date of a settled potting day, from a week before it */
  potting: { date: IsoDate; plants: number; minutes: number } | null;
}

/** So long before it a potting day is told of, days. */
const POTTING_AHEAD_DAYS = 7;

/** What asks for attention on a day, in the order of one walk. */
export function roundsOf(db: Db, date: IsoDate): Rounds {
  const open = db
    .select()
    .from(tasks)
    .where(and(isNull(tasks.done), lte(tasks.due, date)))
    .orderBy(asc(tasks.due), asc(tasks.id))
    .all()
    .filter((task) => !isTaskOver(task, date));
  const due = new Map<number, TaskRow[]>();
  for (const task of open) due.set(task.plantId, [...(due.get(task.plantId) ?? []), task]);
  const spots: Rounds['spots'] = [];
  const judgements = judgeAll(db, date);
  const overWater = new Map(
    reservoirsOn(db, judgements, date).map(({ plantId, state }) => [plantId, state.asks]),
  );
  for (const judgement of judgements) {
    const { plant, spot, taxon } = judgement.file;
    let stop = spots.find(({ id }) => id === spot.id);
    if (!stop) spots.push((stop = { id: spot.id, name: spot.name, plants: [], quiet: 0 }));
    const asks = asksOf(judgement, date, due.get(plant.id) ?? [], overWater.get(plant.id) ?? []);
    if (asks.length === 0) {
      stop.quiet += 1;
      continue;
    }
    stop.plants.push({
      plantId: plant.id,
      name: plant.name,
      taxon: taxon.name,
      headline: judgement.decision.headline,
      overruled: judgement.overrule !== null,
      asks,
    });
  }
  return {
    date,
    mostWorth: mostWorth(spots),
    tray: trayAsks(db, date),
    spots,
    potting: pottingOn(db, date),
  };
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
      .select()
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

function mostWorth(spots: Rounds['spots']): number[] {
  return spots
    .flatMap(({ plants }) => plants)
    .flatMap(({ plantId, asks }) =>
      asks.flatMap((ask) => (ask.kind === 'look' ? [{ plantId, worth: ask.worth }] : [])),
    )
    .sort((a, b) => b.worth - a.worth)
    .slice(0, NAMED_LOOKS)
    .map(({ plantId }) => plantId);
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

/**
 * One tap for a whole spot: every plant there was walked past, and nothing
 * alarming was seen. Plants that are to be rescued are left out: for them it
 * would not be true.
 */
export function allFine(file: OpenFile, spotId: number, date: IsoDate): AllFine {
  const { db } = file;
  const walked = judgeAll(db, date).filter(
    (one) => one.file.spot.id === spotId && one.decision.headline !== 'rescueNow',
  );
  const notedBefore = walked.flatMap(({ file: { looks: seen } }) =>
    seen.filter((look) => look.date === date && look.signals.allFine),
  );
  const known = new Set(notedBefore.map(({ plantId }) => plantId));
  // A second tap says nothing new.
  const fresh = walked.filter((one) => !known.has(one.file.plant.id));
  const lookIds = fresh.map(
    (one) =>
      db
        .insert(looks)
        .values({
          ...stamp(),
          plantId: one.file.plant.id,
          date,
          signals: { allFine: true },
          note: '',
        })
        .returning({ id: looks.id })
        .get().id,
  );
  const [first] = notedBefore;
  const earlier = lookIds.length === 0 && first ? deedThatBrought(file, 'looks', first.id) : null;
  return { lookIds, earlier };
}
