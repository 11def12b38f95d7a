import type { Traits } from '../catalogue/index.ts';
import type { MediumKind } from '../media/index.ts';
import { addDays, DAYS_PER_MONTH, seasonAhead, type IsoDate, type Spot } from '../season/index.ts';
import { isAsked, type StandingTask, type TaskMove } from './moves.ts';
import type { AftercareTask, TaskRule } from './plan.ts';

type Grown = Pick<Fed, 'traits' | 'spot'>;

/** Feed as it is given: with a watering, or laid in to last for months. */
export type FeedGiven = { kind: 'liquid' } | { kind: 'lasting'; months: number };

/** What it is given to. */
export interface Fed {
  traits: Traits;
  spot: Spot;
  medium: MediumKind;
  /** first liquid feed before this one since its salts were last rinsed out or it was repotted; null: none */
  liquidSince: IsoDate | null;
}

/* Common practice, no source. */
/** Plants are fed while they are at least half as active as they ever are. */
export const GROWING = 0.5;
/** Liquid feed, half strength or weaker. */
const LIQUID_DAYS = 30;
/** What feeds for months is laid in when months of growth are to come: so many weeks at least. */
const LASTING_WEEKS = 8;
/** Of liquid feed so long, then what is left of it is rinsed out; one watering with it leaves nothing to speak of. */
const FLUSH_DAYS = 56;
/** Where salts stay: what is open, or stands over water, is rinsed as it is watered. */
const KEEPS_SALTS: readonly MediumKind[] = ['peatSoil', 'loam', 'mix'];
/** What asks for feed is done with whichever feed is given. */
const ASKS_FOR_FEED: readonly TaskRule[] = ['feed', 'feedAgain', 'feedLiquid'];

/**
 * The first week, on or after a day, from which it grows for so many weeks; that day where it never does, as
 * far as is known.
 */
function growsFrom(date: IsoDate, { traits, spot }: Grown, weeks: number): IsoDate {
  const { activity } = seasonAhead(spot, traits, date, 53 + weeks);
  const grows = (week: number) => activity[week]! >= GROWING;
  const week = activity.findIndex(
    (_, first) => first <= 52 && grows(first) && grows(first + weeks),
  );
  return addDays(date, 7 * Math.max(0, week));
}

/** The day on which feed that lasts is used up. */
export const usedUpOn = (given: IsoDate, months: number): IsoDate =>
  addDays(given, Math.round(months * DAYS_PER_MONTH));

/** Feed that lasts is asked for again when it is used up and the plant grows. */
export function feedAgain(given: IsoDate, months: number, fed: Grown): AftercareTask {
  const usedUp = usedUpOn(given, months);
  const due = growsFrom(usedUp, fed, LASTING_WEEKS);
  const words = { of: 'feedAgain', months, rests: due > usedUp } as const;
  return { kind: 'feed', rule: 'feedAgain', due, words };
}

/**
 * What follows when feed was given: what asked for it is done, and it is asked for again in its time.
 * What lives without feed is never asked to be fed.
 *
 * @returns moves of tasks that stand, and tasks that are new
 */
export function afterFeed(
  tasks: readonly StandingTask[],
  on: IsoDate,
  given: FeedGiven,
  fed: Fed,
): { moves: TaskMove[]; tasks: AftercareTask[] } {
  const open = tasks.filter(({ done }) => done === null);
  const moves = open
    .filter(({ rule }) => ASKS_FOR_FEED.includes(rule))
    .map(({ id }): TaskMove => ({ id, done: on, moved: { because: 'fed', on } }));
  if (!fed.traits.fed) return { moves, tasks: [] };
  if (given.kind === 'lasting') return { moves, tasks: [feedAgain(on, given.months, fed)] };
  const usual = addDays(on, LIQUID_DAYS);
  const due = growsFrom(usual, fed, 0);
  const salts =
    KEEPS_SALTS.includes(fed.medium) &&
    !open.some((task) => task.rule === 'flushSalts' && isAsked(task, on))
      ? fed.liquidSince
      : null;
  const flushed = salts && addDays(salts, FLUSH_DAYS);
  return {
    moves,
    tasks: [
      { kind: 'feed', rule: 'feedLiquid', due, words: { of: 'feedLiquid', rests: due > usual } },
      ...(flushed
        ? ([
            {
              kind: 'water',
              rule: 'flushSalts',
              due: flushed > usual ? flushed : usual,
              words: { of: 'flushSalts' },
            },
          ] as const)
        : []),
    ],
  };
}

/** Salts that were rinsed out are not asked about any more. */
export const afterFlush = (tasks: readonly StandingTask[], on: IsoDate): TaskMove[] =>
  tasks
    .filter(({ rule, done }) => rule === 'flushSalts' && done === null)
    .map(({ id }) => ({ id, done: on, moved: { because: 'flushed', on } }));

/** What feed a plant has, by what was given last; null: nothing is known of any. */
export type FeedState =
  | { kind: 'none' }
  | { kind: 'lasting'; until: IsoDate }
  | { kind: 'usedUp'; since: IsoDate }
  | { kind: 'liquid'; last: IsoDate };

/** @param given  all that was given since its last repot and with it, in any order */
export function feedState(
  given: readonly (FeedGiven & { on: IsoDate })[],
  { fed }: Pick<Traits, 'fed'>,
  date: IsoDate,
): FeedState | null {
  if (!fed) return { kind: 'none' };
  const newest = [...given].sort((a, b) => b.on.localeCompare(a.on))[0];
  if (!newest) return null;
  if (newest.kind === 'liquid') return { kind: 'liquid', last: newest.on };
  const until = usedUpOn(newest.on, newest.months);
  return until >= date ? { kind: 'lasting', until } : { kind: 'usedUp', since: until };
}
