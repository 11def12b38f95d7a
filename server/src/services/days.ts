import {
  completeDay,
  laidDay,
  speakerFor,
  supportKind,
  type DayLine,
  type DayProblem,
  type FitPlan,
  type IsoDate,
  type LaidDay,
  type Move,
} from '@fernbank/core';
import { eq, ne } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Db } from '../db/driver.ts';
import { days, plans, plants, supports, type CutBars } from '../db/schema.ts';
import { HttpError, invalid } from '../http/errors.ts';
import { rowOr404, stamp, touch } from '../http/resource.ts';
import { doneOf, type DayRow } from './dayOfRepot.ts';
import type { DayAsk } from './dayReach.ts';
import { pantryFor } from './pantry.ts';
import { readSettings } from './settings.ts';
import { loadedSolver } from './solver.ts';
import { addBags, drawStock } from './stockDraw.ts';
import type { OpenFile } from '../db/driver.ts';
import { deedsThatChanged, deedThatBrought } from '../history/dependents.ts';
import { takeBack } from '../history/undo.ts';
import { schoolsOf } from './collection.ts';

/** A move as a page tells it: by the pot's id and the date itself. */
export interface ToldMove {
  plant: number;
  pot: string;
  date: IsoDate;
}

/** What is asked of a day may change until it is settled. */
export function changeDay(before: DayRow, changed: Partial<DayAsk>): Partial<DayAsk> {
  if (before.state !== 'planning') {
    throw new HttpError(
      409,
      'settled',
      'this day is settled: open its plan again to change what it rests on',
    );
  }
  checkAsk({ ...before, ...changed });
  return changed;
}

/** @throws HttpError 422 naming the field of a day that cannot be */
export function checkAsk({ dates, nextChance, pins }: DayAsk): void {
  dates.forEach(({ date }, i) => {
    if (i > 0 && date <= dates[i - 1]!.date) {
      throw invalid('dates', `dates must each be after the one before, got ${date}`);
    }
  });
  const last = dates[dates.length - 1]!.date;
  if (nextChance <= last) {
    throw invalid('nextChance', `nextChance must be after the last date (${last})`);
  }
  for (const pin of pins) {
    if (pin.kind === 'on' && !dates.some(({ date }) => date === pin.date)) {
      throw invalid('pins', `pins must be on one of the dates, got ${pin.date}`);
    }
  }
}

/** What of a day goes on in the one that takes up its rest: mixed and cut, and drawn from stock there. */
export function carriedFrom(db: Db, id: number): Pick<DayRow, 'mixed' | 'cut'> {
  const { mixed, cut } = rowOr404(db, days, id, 'day');
  return { mixed, cut };
}

/**
 * Settles a day on the moves that were chosen: laid out anew against the shelf
 * as it is now, kept with the day, and written into the plan of every plant.
 *
 * @param problem  what the day was chosen from, as the collection stands now
 * @param bound  no plan is worth more, as far as the search had come
 * @throws HttpError 409 when shelf, stock or plants have changed since so that it no longer holds
 */
export function settleDay(
  db: Db,
  id: number,
  {
    problem,
    moves: told,
    bound,
    today,
  }: { problem: DayProblem; moves: readonly ToldMove[]; bound: number | null; today: IsoDate },
): DayRow {
  const cuts = loadedSolver();
  const day = rowOr404(db, days, id, 'day');
  if (day.state !== 'planning') {
    throw new HttpError(409, 'settled', 'this day is settled already');
  }
  const moves = told.map((move) => moveIn(problem, move));
  const plan = completeDay(problem, moves, bound ?? Infinity, cuts);
  checkHolds(problem, plan.moves, plan.short, plan.overdrawn);
  if (plan.over.some((minutes) => minutes > LATE_MINUTES) && day.pins.length === 0) {
    throw stale('the day would run over its minutes');
  }
  const laid = laidDay(problem, plan, readSettings(db).wettingSchool);
  const plansBefore = laid.lines.map(({ plant }) => ({
    plantId: plant,
    fit: db.select().from(plans).where(eq(plans.plantId, plant)).get()?.fit ?? null,
  }));
  laid.lines.forEach((line, i) => writePlan(db, line, plansBefore[i]!.fit, today));
  return db
    .update(days)
    .set({ plan: laid, plansBefore, state: 'settled', ...touch(day) })
    .where(eq(days.id, id))
    .returning()
    .get();
}
/** Less than this is rounding. */
const LATE_MINUTES = 1;

const stale = (text: string) =>
  new HttpError(
    409,
    'changed',
    `the collection has changed since this was planned: ${text}. Plan it again`,
  );

function moveIn(problem: DayProblem, { plant, pot, date }: ToldMove): Move {
  const row = problem.plants.find(({ id }) => id === plant);
  if (!row) throw stale(`plant ${plant} no longer asks for a pot`);
  const option = row.options.findIndex((one) => one.pot === pot);
  if (option < 0) throw stale(`that pot no longer does for ${row.name}`);
  const at = problem.dates.findIndex((one) => one.date === date);
  if (at < 0) throw invalid('moves', `moves must be on one of the dates, got ${date}`);
  return { plant, option, date: at };
}

function checkHolds(
  problem: DayProblem,
  moves: readonly Move[],
  short: readonly string[],
  overdrawn: readonly string[],
): void {
  const twice = moves.find(({ plant }, i) => moves.findIndex((m) => m.plant === plant) !== i);
  if (twice) throw invalid('moves', `moves must have each plant once, got ${twice.plant} twice`);
  if (overdrawn.length > 0) throw stale(overdrawn[0]!);
  if (short.length > 0) {
    const { label } = problem.stock.find(({ component }) => component === short[0])!;
    throw stale(`${label} does not suffice`);
  }
}

/** What a line of the day makes a plant's plan. */
function writePlan(db: Db, line: DayLine, before: FitPlan | null, date: IsoDate): void {
  const plant = rowOr404(db, plants, line.plant, 'plant');
  const { pot } = line;
  const [recipeId] = line.mix.split('|') as [string];
  const from = pot.source === 'left' ? rowOr404(db, plants, pot.of!, 'plant') : null;
  const fit: FitPlan = {
    pot: pot.shape,
    potMaterial: pot.material,
    potLabel: pot.label,
    potId: from ? from.potId : pot.source === 'stays' ? plant.potId : (pot.potId ?? null),
    potSource: SOURCES[pot.source],
    ...(from ? { leftBy: from.name } : {}),
    recipeId,
    size: before?.size ?? schoolsOf(plant, readSettings(db)).size,
    layer: before?.layer ?? pantryFor(db).recipe(recipeId).extras.layer ?? 'screen',
    cuts: before?.cuts ?? { pieces: 1, rootsPruned: false },
    ...(before?.parts ? { parts: before.parts } : {}),
    ...(before?.mound ? { mound: true } : {}),
    ...(before?.water ? { water: before.water } : {}),
    support: poleOf(line) ?? before?.support ?? null,
  };
  putPlan(db, line.plant, fit, date);
}
/** The new pole of a line, as a plan has it. */
function poleOf({ support }: DayLine): FitPlan['support'] {
  if (!support) return null;
  const { kind, lengthCm, poles, section, stock } = support;
  return {
    kind,
    section: section ?? supportKind(kind).section,
    lengthCm,
    poles,
    stock: stock ?? null,
  };
}

const SOURCES = { shelf: 'free', left: 'handedDown', stays: 'present', toBuy: 'toBuy' } as const;

function putPlan(db: Db, plantId: number, fit: FitPlan | null, date: IsoDate): void {
  db.delete(plans).where(eq(plans.plantId, plantId)).run();
  if (!fit) return;
  db.insert(plans)
    .values({ ...stamp(), plantId, date, fit })
    .run();
}

/**
 * Opens a settled day again: what each plant had settled on before stands again.
 *
 * @throws HttpError 409 once something was done of it
 */
export function reopenDay(db: Db, id: number, today: IsoDate): DayRow {
  const day = rowOr404(db, days, id, 'day');
  if (day.mixed.length > 0 || day.cut.length > 0 || doneOf(db, id).length > 0) {
    throw new HttpError(
      409,
      'inUse',
      'something was done on this day: plan the rest anew at the bench, or take the day back first',
    );
  }
  for (const { plantId, fit } of day.plansBefore) putPlan(db, plantId, fit, today);
  return db
    .update(days)
    .set({ state: 'planning', ...touch(day) })
    .where(eq(days.id, id))
    .returning()
    .get();
}

/** What hands report of a day beside the plants. */
export type DayEvent =
  | { kind: 'begin'; date: IsoDate; at: number }
  | { kind: 'bought'; component: string }
  | { kind: 'notBought'; component: string }
  | { kind: 'mixed'; mix: string; date: IsoDate }
  | { kind: 'notMixed'; mix: string; date: IsoDate }
  | { kind: 'cut'; supportKind: CutBars['kind'] }
  | { kind: 'notCut'; supportKind: CutBars['kind'] };

/**
 * What was bought, mixed and cut, with its stock. Told twice it comes to the
 * same; each can be taken back.
 *
 * @throws HttpError 409 when the day is not settled, 422 for what is not in its plan
 */
export function onDay(file: OpenFile, id: number, event: DayEvent): DayRow {
  const { db } = file;
  const day = rowOr404(db, days, id, 'day');
  if (!day.plan || day.state === 'planning') {
    throw new HttpError(409, 'notSettled', 'settle the day first');
  }
  if (isTakenBack(event)) {
    takeTickBack(file, day, day.plan, event);
    return rowOr404(db, days, id, 'day');
  }
  const changed = changedBy(db, day, day.plan, event);
  if (!changed) return day;
  return db
    .update(days)
    .set({ ...changed, ...touch(day) })
    .where(eq(days.id, id))
    .returning()
    .get();
}

type TakenBack = Extract<DayEvent, { kind: 'notBought' | 'notMixed' | 'notCut' }>;
const isTakenBack = (event: DayEvent): event is TakenBack => event.kind.startsWith('not');

/** The column of a tick, and the entry of it that an event means. */
const TICKS = {
  notBought: { column: 'bought', means: (e) => 'component' in e && { component: e.component } },
  notMixed: { column: 'mixed', means: (e) => 'mix' in e && { mix: e.mix, date: e.date } },
  notCut: { column: 'cut', means: (e) => 'supportKind' in e && { kind: e.supportKind } },
} satisfies Record<
  TakenBack['kind'],
  { column: 'bought' | 'mixed' | 'cut'; means: (event: TakenBack) => object | false }
>;

/** Un-ticks by taking back the deed that ticked. */
function takeTickBack(file: OpenFile, day: DayRow, plan: LaidDay, event: TakenBack): void {
  const { column, means } = TICKS[event.kind];
  const wanted = Object.entries(means(event));
  const isIt = (entry: object) =>
    wanted.every(([name, value]) => (entry as Record<string, unknown>)[name] === value);
  if (!day[column].some(isIt)) return;
  if (event.kind === 'notMixed') checkUnused(file.db, day, plan, event.mix, event.date);
  const listed = (cell: unknown) => (JSON.parse(String(cell)) as object[]).some(isIt);
  const ticked = deedsThatChanged(file, 'days', day.id, [column]).find(
    ({ before, after }) => listed(after[column]) && !listed(before[column]),
  );
  if (!ticked) {
    throw new HttpError(
      409,
      'cannotUndo',
      'the history does not reach back to this any more, or the day took it over from an earlier one',
    );
  }
  takeBack(file, [ticked.deed]);
}

function changedBy(
  db: Db,
  day: DayRow,
  plan: LaidDay,
  event: Exclude<DayEvent, TakenBack>,
): Partial<DayRow> | null {
  switch (event.kind) {
    case 'begin':
      return day.startedAt[event.date] === undefined
        ? { startedAt: { ...day.startedAt, [event.date]: event.at } }
        : null;
    case 'bought': {
      const { component } = event;
      if (day.bought.some((one) => one.component === component)) return null;
      const bag = plan.bags.find((one) => one.component === component && one.buys > 0);
      if (!bag) throw invalid('component', `${component} is not on the shopping list of this day`);
      addBags(db, component, bag.buys);
      return { bought: [...day.bought, { component }] };
    }
    case 'mixed': {
      const { mix, date } = event;
      if (day.mixed.some((one) => one.mix === mix && one.date === date)) return null;
      const batch = plan.batches.find(
        (one) => one.mix === mix && plan.dates[one.date]!.date === date,
      );
      if (!batch) throw invalid('mix', 'no such batch is planned for that date');
      // What was mixed was there: bags of the list that nobody ticked were bought.
      const bought = plan.bags
        .filter(({ component, buys }) => buys > 0 && isIn(batch, component))
        .filter(({ component }) => !day.bought.some((one) => one.component === component))
        .map(({ component, buys }) => {
          addBags(db, component, buys);
          return { component };
        });
      drawStock(db, batch.measures);
      return { bought: [...day.bought, ...bought], mixed: [...day.mixed, { mix, date }] };
    }
    case 'cut': {
      const kind = event.supportKind;
      if (day.cut.some((one) => one.kind === kind)) return null;
      const cuts = plan.cuts.find((one) => one.kind === kind);
      if (!cuts) throw invalid('supportKind', 'no such poles are planned for this day');
      takeBars(db, cuts);
      return { cut: [...day.cut, { kind }] };
    }
  }
}

const isIn = ({ measures }: LaidDay['batches'][number], component: string) =>
  measures.some((measure) => measure.component === component);

/** Mix that is in a pot cannot go back into its bags. */
function checkUnused(db: Db, day: DayRow, plan: LaidDay, mix: string, date: IsoDate): void {
  const done = new Set(doneOf(db, day.id).map(({ plantId }) => plantId));
  const used = plan.lines.find(
    (line) => line.mix === mix && plan.dates[line.date]!.date === date && done.has(line.plant),
  );
  if (used) {
    throw new HttpError(
      409,
      'used',
      `${used.name} stands in this mix already: take its repot back first`,
    );
  }
}

/** Shorter than this an offcut holds nothing up, cm. @source common practice, no source */
const LEAST_OFFCUT_CM = 25;

/** Bars of the shelf that are sawn up, with what is left of them; what was to be bought never stood there. */
function takeBars(db: Db, { kind, stock, patterns }: LaidDay['cuts'][number]): void {
  const own = db
    .select()
    .from(supports)
    .where(eq(supports.kind, kind))
    .all()
    .filter((row) => row.free > 0 && !row.extension);
  for (const { lengthCm, count } of stock.filter(({ toBuy }) => !toBuy)) {
    let left = count;
    for (const row of own.filter((bar) => bar.lengthCm === lengthCm)) {
      const bars = Math.min(left, row.free);
      left -= bars;
      if (bars > 0) setBars(db, row, { count: row.count - bars, free: row.free - bars });
    }
  }
  // Named as the keeper reads it, as if by hand: names are the keeper's own from then on.
  const by = speakerFor(readSettings(db).units);
  const section = own[0]?.section ?? supportKind(kind).section;
  for (const { offcutCm, times } of patterns) {
    if (offcutCm < LEAST_OFFCUT_CM) continue;
    const lengthCm = Math.floor(offcutCm);
    const label = `${supportKind(kind).label}, offcut ${by.cm(lengthCm)}`;
    db.insert(supports)
      .values({ ...stamp(), label, kind, section, lengthCm, count: times, free: times })
      .run();
  }
}

function setBars(
  db: Db,
  row: typeof supports.$inferSelect,
  counts: { count: number; free: number },
): void {
  db.update(supports)
    .set({ ...counts, ...touch(row) })
    .where(eq(supports.id, row.id))
    .run();
}

/** A day that is over: what was not done keeps its plan for another. */
export function closeDay(db: Db, id: number): DayRow {
  const day = rowOr404(db, days, id, 'day');
  return db
    .update(days)
    .set({ state: 'closed', ...touch(day) })
    .where(eq(days.id, id))
    .returning()
    .get();
}

/**
 * Takes a whole day back: every repot, batch, cut and bag bought, so that shelf and stock stand as
 * they did before it; its plan stays.
 *
 * @param also  later deeds resting on those, that go with them
 * @throws HttpError 409 when something was built on one of them since
 */
export function takeDayBack(file: OpenFile, id: number, also: readonly number[]): DayRow {
  const { db } = file;
  const ticks = deedsThatChanged(file, 'days', id, ['bought', 'mixed', 'cut', 'started_at']);
  const ended = deedsThatChanged(file, 'days', id, ['state']).filter(
    ({ after }) => after.state === 'closed',
  );
  const potted = doneOf(db, id).map((row) => deedThatBrought(file, 'repots', row.id));
  if (potted.includes(null)) {
    throw new HttpError(409, 'cannotUndo', 'the history does not reach back to this day any more');
  }
  const deeds = [...potted.map(Number), ...[...ticks, ...ended].map(({ deed }) => deed)];
  const all = [...new Set(deeds)].sort((a, b) => b - a);
  if (all.length > 0) takeBack(file, all, also);
  return rowOr404(db, days, id, 'day');
}

/** Days that are not over, the newest first, then those that are. */
export function daysNow(db: Db): DayRow[] {
  const open = readable(db, days, ne(days.state, 'closed')).reverse();
  const over = readable(db, days, eq(days.state, 'closed')).reverse();
  return [...open, ...over];
}
