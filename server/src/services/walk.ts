import {
  isTaskOver,
  leadingReasons,
  type IsoDate,
  type ReservoirAsk,
  type Saying,
  wantsPot,
  type Headline,
} from '@fernbank/core';
import { and, asc, eq, isNull, lte } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { plants, tasks } from '../db/schema.ts';
import { drawnOf, type Drawn } from './collection.ts';
import { judgedWithin, type Judgement, type Unjudged } from './judging.ts';
import { reservoirsOn } from './reservoirs.ts';
import { shownTask, type ShownTask, type TaskRow } from './tasks.ts';

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
  drawn: Drawn;
}

export type RoundsAsk =
  | { kind: 'act'; due: IsoDate; why: Saying }
  | { kind: 'look'; due: IsoDate; why: string; worth: number }
  | { kind: 'task'; task: ShownTask }
  | { kind: 'reservoir'; ask: ReservoirAsk };

export interface Named {
  plantId: number;
  name: string;
}

/** The one thing that matters first of a walk. */
export interface First extends Named {
  taxon: string;
  /** what it is: a rescue, water that cannot wait, a pot, a look */
  kind: 'rescue' | 'water' | 'repot' | 'look';
  headline: Headline;
  why: Saying;
  /** what leaving it by a year costs, or a look is worth, in units of a badly timed repot */
  worth: number;
  drawn: Drawn;
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

/** How much of each kind is asked for. */
export type Tally = Record<RoundsAsk['kind'], number>;

/** A walk past all plants, or past part of them. */
export interface Walk {
  /** null: nothing asks for anything */
  first: First | null;
  stops: Stop[];
  tally: Tally;
  /** what cannot wait for the walk to come by */
  alarms: (Named & { title: string })[];
  /** the plants where one look is expected to save most, best first */
  mostWorth: (Named & { worth: number })[];
}

/** How many looks are named at the top. */
const NAMED_LOOKS = 3;

/** Walks that follow each other, as one. */
function together(walks: readonly Walk[]): Walk {
  const tally: Tally = { act: 0, look: 0, task: 0, reservoir: 0 };
  for (const part of walks) for (const kind of KINDS) tally[kind] += part.tally[kind];
  return {
    first: firstOf(walks.flatMap(({ first }) => first ?? [])),
    stops: walks.flatMap(({ stops }) => stops),
    tally,
    alarms: walks.flatMap(({ alarms }) => alarms),
    mostWorth: walks
      .flatMap(({ mostWorth }) => mostWorth)
      .sort((a, b) => b.worth - a.worth)
      .slice(0, NAMED_LOOKS),
  };
}
/** Life before water, water before a pot, a pot before a look; of two alike the one that more hangs on. */
const FIRST_KINDS: readonly First['kind'][] = ['rescue', 'water', 'repot', 'look'];
const byFirst = (one: First, other: First): number =>
  FIRST_KINDS.indexOf(one.kind) - FIRST_KINDS.indexOf(other.kind) || other.worth - one.worth;
const firstOf = (all: readonly First[]): First | null => [...all].sort(byFirst)[0] ?? null;

/** What a plant asks for most, as what could come first of all. */
function mostOf(
  { file, decision, overrule }: Judgement,
  { plantId, name, taxon, headline, asks, drawn }: RoundsEntry,
): First | null {
  const about = { plantId, name, taxon, headline, drawn };
  const acts = asks.find((ask) => ask.kind === 'act');
  const water = asks.find((ask) => ask.kind === 'reservoir' && ask.ask.urgent);
  const look = asks.find((ask) => ask.kind === 'look');
  if (acts?.kind === 'act' && headline === 'rescueNow' && !overrule) {
    return { ...about, kind: 'rescue', why: acts.why, worth: decision.lossRisk };
  }
  if (water?.kind === 'reservoir') {
    return { ...about, kind: 'water', why: water.ask.title, worth: 1 };
  }
  if (acts?.kind === 'act') {
    return { ...about, kind: 'repot', why: acts.why, worth: decision.costOfWaiting };
  }
  if (look?.kind !== 'look') return null;
  // Of a plant of which nothing is known anything can be hoped for: that is no reason to begin there.
  const known = file.looks.length > 0 || headline !== 'lookFirst';
  return { ...about, kind: 'look', why: look.why, worth: known ? look.worth : 0 };
}

const KINDS = ['act', 'look', 'task', 'reservoir'] as const satisfies RoundsAsk['kind'][];

/**
 * The walk of a day past the plants that are judged by then.
 *
 * @param ms  who asks waits no longer for plants that nobody judged yet
 */
export function walkOn(
  db: Db,
  date: IsoDate,
  ms = Infinity,
): Walk & { unjudged: Unjudged[]; toCome: number } {
  const { judgements, bySpot, unjudged, toCome } = judgedWithin(db, date, ms);
  const tasksAt = groupedBy(dueOn(db, date), ({ spotId }) => spotId);
  const water = reservoirsOn(db, judgements, date).filter(({ state }) => state.asks.length > 0);
  const waterAt = groupedBy(water, ({ spotId }) => spotId);
  const walks = [...bySpot].map(([id, there]) =>
    past(
      there,
      date,
      (tasksAt.get(id) ?? []).map(({ task }) => task),
      (waterAt.get(id) ?? []).map(({ plantId, state }) => ({ plantId, asks: state.asks })),
    ),
  );
  return { ...together(walks), unjudged, toCome: toCome.length };
}

function groupedBy<T, K>(items: readonly T[], keyOf: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const group = groups.get(keyOf(item));
    if (group) group.push(item);
    else groups.set(keyOf(item), [item]);
  }
  return groups;
}

/** Tasks that ask for something on a day, each with where its plant stands. */
const dueOn = (db: Db, date: IsoDate): { task: TaskRow; spotId: number }[] =>
  db
    .select({ task: tasks, spotId: plants.spotId })
    .from(tasks)
    .innerJoin(plants, eq(plants.id, tasks.plantId))
    .where(and(isNull(tasks.done), lte(tasks.due, date)))
    .orderBy(asc(tasks.due), asc(tasks.id))
    .all()
    .filter(({ task }) => !isTaskOver(task, date));

interface WaterAsks {
  plantId: number;
  asks: readonly ReservoirAsk[];
}

/** What is told of a spot stands as long as its judgements do, and what else asks there. */
const told = new WeakMap<readonly Judgement[], { beside: string; walk: Walk }>();
function past(
  judgements: readonly Judgement[],
  date: IsoDate,
  due: readonly TaskRow[],
  water: readonly WaterAsks[],
): Walk {
  const beside = JSON.stringify([date, due, water]);
  const known = told.get(judgements);
  if (known?.beside === beside) return known.walk;
  const walk = pastOne(judgements, date, due, water);
  told.set(judgements, { beside, walk });
  return walk;
}

function pastOne(
  judgements: readonly Judgement[],
  date: IsoDate,
  due: readonly TaskRow[],
  water: readonly WaterAsks[],
): Walk {
  const dueOf = groupedBy(due, ({ plantId }) => plantId);
  const waterOf = new Map(water.map(({ plantId, asks }) => [plantId, asks]));
  const { id, name } = judgements[0]!.file.spot;
  const stop: Stop = { id, name, asking: 0, plants: [], quiet: 0 };
  const walk = { ...together([]), stops: [stop] };
  for (const judgement of judgements) {
    const { id: plantId } = judgement.file.plant;
    const entry = entryOf(judgement, date, dueOf.get(plantId), waterOf.get(plantId));
    if (!entry) {
      stop.quiet += 1;
      continue;
    }
    stop.asking += 1;
    stop.plants.push(entry);
    const most = mostOf(judgement, entry);
    walk.first = firstOf([walk.first, most].filter((one) => one !== null));
    const { name, asks } = entry;
    for (const one of asks) {
      walk.tally[one.kind] += 1;
      if (one.kind === 'look') walk.mostWorth.push({ plantId, name, worth: one.worth });
    }
    // What is done about the most urgent ends the others: it is told once.
    const alarm = asks.find((one) => one.kind === 'reservoir' && one.ask.urgent);
    if (alarm?.kind === 'reservoir') walk.alarms.push({ plantId, name, title: alarm.ask.title });
  }
  return together([walk]);
}

/** What the verdict alone asks for stands as long as the judgement does. */
const ownEntries = new WeakMap<Judgement, RoundsEntry | null>();
function entryOf(
  judgement: Judgement,
  date: IsoDate,
  due: readonly TaskRow[] | undefined,
  water: readonly ReservoirAsk[] | undefined,
): RoundsEntry | null {
  if (due || water) return entryWith(judgement, asksOf(judgement, date, due ?? [], water ?? []));
  let entry = ownEntries.get(judgement);
  if (entry === undefined) {
    entry = entryWith(judgement, asksOf(judgement, date, [], []));
    ownEntries.set(judgement, entry);
  }
  return entry;
}

function entryWith({ file, decision, overrule }: Judgement, asks: RoundsAsk[]): RoundsEntry | null {
  if (asks.length === 0) return null;
  const { plant, taxon } = file;
  return {
    plantId: plant.id,
    name: plant.name,
    taxon: taxon.name,
    headline: decision.headline,
    overruled: overrule !== null,
    asks,
    drawn: drawnOf(file),
  };
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
    asks.push({ kind: 'task', task: shownTask(task) });
  }
  const alreadyAsked = asks.some((ask) => ask.kind === 'task' && ask.task.kind === 'look');
  const { worth, why } = lookDue;
  if (lookDue.date <= date && !alreadyAsked && !acts && !overrule) {
    asks.push({ kind: 'look', due: lookDue.date, why, worth });
  }
  return asks;
}
