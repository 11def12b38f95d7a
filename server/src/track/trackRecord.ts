import {
  amountsScore,
  correctionBy,
  FEWEST_CASES,
  GRADES,
  keepersPace,
  leaningOf,
  missesOf,
  modelsMark,
  recordInForce,
  scoreOf,
  tallyBy,
  taxonGroup,
  TOLD_STATES,
  MEDIUM_KINDS,
  type AmountScore,
  type Case,
  type FullWhen,
  type IsoDate,
  type KeepersPace,
  type Leaning,
  type Miss,
  type OwnRecord,
  type Pair,
  type Score,
  type Settings,
  type ToldState,
} from '@fernbank/core';
import { inArray } from 'drizzle-orm';
import { readable } from '../db/readable.ts';
import type { Db } from '../db/driver.ts';
import { plants, spots } from '../db/schema.ts';
import { markOf, touchedBetween, type Mark } from '../history/touched.ts';
import type { SpotRow } from '../services/collection.ts';
import { sharedBy } from '../services/judging.ts';
import { recordsOf } from '../services/records.ts';
import { readSettings } from '../services/settings.ts';
import { firstOfMonth, heldOf, type HeldOfPlant, type Judged, type Told } from './held.ts';

/** What was said, held against what was found, as far as it was worked through. */
interface Held {
  mark: Mark;
  shared: string;
  today: IsoDate;
  /** the pace of filling pots under which it was worked through */
  filling: KeepersPace | null;
  of: Map<number, HeldOfPlant>;
  toCome: number[];
}
/** Asked for a page, and for what is learned under another pace: neither undoes what the other has worked through. */
const remembered = new WeakMap<Db, Held[]>();
const MOST_REMEMBERED = 2;

/** So many plants are read at a time. */
const AT_ONCE = 20;

/**
 * Plant by plant, on from where it stopped when it was asked before; only plants of which something was
 * touched since are worked through again.
 */
function heldWithin(
  db: Db,
  today: IsoDate,
  ms: number,
  filling = recordInForce(readSettings(db))?.filling ?? null,
): Held {
  const until = performance.now() + ms;
  const held = begunOrBrought(db, today, filling);
  const settings = readSettings(db);
  const spotOf = new Map(readable(db, spots).map((row): [number, SpotRow] => [row.id, row]));
  while (held.toCome.length > 0) {
    const some = held.toCome.splice(0, AT_ONCE);
    const records = recordsOf(db, some);
    for (const plant of readable(db, plants, inArray(plants.id, some))) {
      try {
        const of = { plant, records: records.get(plant.id)!, spots: spotOf };
        held.of.set(plant.id, heldOf(db, { ...of, settings, filling, today }));
      } catch (error) {
        // Its own pages say what does not hold of it.
        if (!(error instanceof RangeError || error instanceof SyntaxError)) throw error;
        held.of.delete(plant.id);
      }
    }
    if (performance.now() >= until) break;
  }
  return held;
}

/** By plant: sums must not hang on who was touched last. */
const inOrder = ({ of }: Held): HeldOfPlant[] =>
  [...of].sort(([one], [other]) => one - other).map(([, held]) => held);

function begunOrBrought(db: Db, today: IsoDate, filling: KeepersPace | null): Held {
  const mark = markOf(db);
  const shared = sharedBy(db);
  const all = remembered.get(db) ?? [];
  const kept = all.find((one) => one.today === today && isSame(one.filling, filling));
  const held = broughtTo(db, kept, { mark, shared, today, filling });
  const others = all.filter((one) => one !== kept);
  remembered.set(db, [held, ...others].slice(0, MOST_REMEMBERED));
  return held;
}

function broughtTo(
  db: Db,
  kept: Held | undefined,
  now: Pick<Held, 'mark' | 'shared' | 'today' | 'filling'>,
): Held {
  const touched = kept ? touchedBetween(db, kept.mark, now.mark) : 'all';
  if (!kept || touched === 'all' || kept.shared !== now.shared || touched.spots.size > 0) {
    const toCome = db
      .select({ id: plants.id })
      .from(plants)
      .all()
      .map(({ id }) => id);
    return { ...now, of: new Map(), toCome };
  }
  const again = new Set([...kept.toCome, ...touched.plants]);
  for (const id of touched.plants) kept.of.delete(id);
  return { ...kept, mark: now.mark, toCome: [...again] };
}

/** How what is said of a state, or of how a repot will go, came out. */
export interface SaidOf {
  score: Score | null;
  /** where it was plainly off */
  misses: { by: 'group' | 'medium' | 'spot'; label: string; miss: Miss }[];
}

/** Fernbank's own record. */
export interface TrackRecord {
  /** over all states together */
  leaning: Leaning;
  states: (SaidOf & { state: ToldState })[];
  /** repots of which their keeper's earlier ones said how likely they go well */
  outcomes: Score | null;
  dry: AmountScore | null;
  /** pots by when they were full, against what was said at their repot */
  full: Record<FullWhen, number>;
  climbs: AmountScore | null;
  /** by what was found until the first of the month */
  filling: KeepersPace | null;
  use: KeepersPace | null;
  /** what it rests on, the newest first */
  newest: Pick<Told, 'plantId' | 'plant' | 'date' | 'state' | 'said' | 'found'>[];
  /** what is in force; null: it is switched off, or too little was found */
  inForce: OwnRecord | null;
  correctsItself: boolean;
  /** plants that are still to be worked through: ask again */
  toCome: number;
}

const MOST_SHOWN = 30;

export function trackRecordOn(db: Db, today: IsoDate, ms = Infinity): TrackRecord {
  const held = heldWithin(db, today, ms);
  const all = inOrder(held);
  const told = all.flatMap((one) => one.told);
  const settings = readSettings(db);
  const spotNames = new Map(readable(db, spots).map(({ id, name }) => [id, name]));
  const leanings = TOLD_STATES.map((state) => leaningOf(told.filter((one) => one.state === state)));
  const sum = (what: keyof Leaning) => leanings.reduce((total, one) => total + one[what], 0);
  return {
    leaning: { count: sum('count'), right: sum('right'), always: sum('always') },
    states: TOLD_STATES.map((state) => {
      const those = told.filter((one) => one.state === state);
      const parts = {
        group: missesOf(those, ({ group }) => taxonGroup(group).label),
        medium: missesOf(
          those,
          ({ medium }) => MEDIUM_KINDS.find(({ id }) => id === medium)!.label,
        ),
        spot: missesOf(those, ({ spotId }) => spotNames.get(spotId) ?? ''),
      };
      const misses = (Object.keys(parts) as (keyof typeof parts)[]).flatMap((by) =>
        parts[by].slice(0, 1).map((miss) => ({ by, label: miss.of, miss })),
      );
      return { state, score: scoreOf(those), misses };
    }),
    outcomes: scoreOf(outcomesSaid(all.flatMap((one) => one.judged))),
    full: countsOf(all.flatMap((one) => one.full)),
    dry: amountsScore(all.flatMap((one) => one.dry)),
    climbs: amountsScore(all.flatMap((one) => one.climbs)),
    filling: keepersPace(all.flatMap(({ filling }) => filling ?? [])),
    use: keepersPace(all.flatMap(({ use }) => use ?? [])),
    newest: [...told]
      .sort((a, b) => (a.date < b.date ? 1 : a.date > b.date ? -1 : a.plantId - b.plantId))
      .slice(0, MOST_SHOWN)
      .map(({ plantId, plant, date, state, said, found }) => ({
        plantId,
        plant,
        date,
        state,
        said,
        found,
      })),
    inForce: recordInForce(settings),
    correctsItself: settings.correctsItself,
    toCome: held.toCome.length,
  };
}

const countsOf = (all: readonly FullWhen[]): Record<FullWhen, number> => {
  const of = (when: FullWhen) => all.filter((one) => one === when).length;
  return { sooner: of('sooner'), asSaid: of('asSaid'), later: of('later') };
};

/** Each judgement of a repot, with the share of earlier ones like it that had gone well by the day before. */
function outcomesSaid(judged: readonly Judged[]): Pair[] {
  const inOrder = [...judged].sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
  const cases = new Map<number, Case & { method: Judged['method'] }>();
  const pairs: Pair[] = [];
  let waiting: Judged[] = [];
  for (const one of inOrder) {
    if (waiting[0] && waiting[0].date < one.date) {
      waiting.forEach(note);
      waiting = [];
    }
    const like = [...cases.values()].filter(({ method }) => method === one.method);
    if (like.length >= FEWEST_CASES) {
      const [tally] = tallyBy(like, 'method');
      pairs.push({ said: tally!.mean, found: GRADES[one.grade].success });
    }
    waiting.push(one);
  }
  return pairs;

  function note({ repotId, method, at, grade }: Judged): void {
    const known = cases.get(repotId);
    const practice = { method } as Case['practice'];
    cases.set(repotId, { method, practice, grades: [...(known?.grades ?? []), { at, grade }] });
  }
}

/** Paces that differ by less are the same. */
const SAME_PACE = 1e-6;
const isSame = (one: KeepersPace | null, other: KeepersPace | null) =>
  one === null || other === null
    ? one === other
    : Math.abs(Math.log(one.factor / other.factor)) < SAME_PACE;

/** Whether a keeper who wants it has no record of this month, or one of other models. */
export const isDue = ({ correctsItself, ownRecord }: Settings, today: IsoDate): boolean =>
  correctsItself && (ownRecord?.since !== firstOfMonth(today) || ownRecord.models !== modelsMark());

/** What the record until the first of a month comes to, under a pace of filling pots. */
export interface Learned {
  record: OwnRecord;
  /** it comes to another pace: crowding is to be corrected by what that one leaves over */
  again: boolean;
  /** plants that are still to be worked through: ask again */
  toCome: number;
}

export function learnedOn(
  db: Db,
  today: IsoDate,
  filling: KeepersPace | null,
  ms = Infinity,
): Learned {
  const held = heldWithin(db, today, ms, filling);
  const since = firstOfMonth(today);
  const all = inOrder(held);
  const told = all.flatMap((one) => one.told).filter(({ date }) => date < since);
  const corrections: OwnRecord['corrections'] = {};
  for (const state of TOLD_STATES) {
    const pairs = told
      .filter((one) => one.state === state)
      .map(({ underPace, found }) => ({ said: underPace, found }));
    const fitted = correctionBy(pairs);
    if (fitted) corrections[state] = { a: fitted.a, b: fitted.b, findings: fitted.findings };
  }
  const pace = keepersPace(all.flatMap((one) => one.filling ?? []));
  const use = keepersPace(all.flatMap((one) => one.use ?? []));
  return {
    record: { since, models: modelsMark(), corrections, filling: pace, use },
    again: !isSame(pace, filling),
    toCome: held.toCome.length,
  };
}
