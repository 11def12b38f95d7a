import type { Signals } from '../decide/signals.ts';
import { addDays, daysBetween, type IsoDate } from '../season/index.ts';
import type { AftercareTask, TaskRule } from './plan.ts';
import type { TaskMoved } from './words.ts';

/** A task as it stands in the record. */
export interface StandingTask {
  id: number;
  rule: TaskRule;
  due: IsoDate;
  until: IsoDate | null;
  done: IsoDate | null;
}

/** What happens to a task because of what happened to the plant. */
export interface TaskMove {
  id: number;
  due?: IsoDate;
  until?: IsoDate;
  done?: IsoDate;
  moved: TaskMoved;
}

/* Days below: common practice, no source. */
/** A look this long before it is asked for is the one that is asked for. */
const LOOK_EARLY_DAYS = 7;
/** Feed never sooner after a repot. */
const FEED_LEAST_DAYS = 28;
/** Nothing grows: ask again so much later. */
const FEED_LATER_DAYS = 21;
const SHADE_MORE_DAYS = 7;
const TROUBLED_LOOK_DAYS = 10;
/** So long after a repot its trouble is still taken for that of the repot. */
const CARE_DAYS = 120;

/**
 * Days after which asking for a task no longer helps: by then the plant was
 * watered, the mix has settled, a cut has dried or not. How it went is asked as
 * long as the answer counts for that time (`worked/outcome`), and then the next time asks.
 *
 * @source common practice, no source
 */
const LAPSES_DAYS: Partial<Record<TaskRule, number>> = {
  intoPebbles: 120,
  firstWater: 7,
  secondWater: 1,
  secure: 14,
  cutDry: 14,
  recheck: 21,
  turn: 21,
  weeks3: 13,
  ties: 60,
  feed: 90,
  feedAgain: 120,
  feedLiquid: 30,
  flushSalts: 60,
  weeks7: 40,
  extend: 180,
  season: 218,
};

/** Whether a task is over by itself, kept up until its last day or lapsed: nobody has to tick that off. */
export function isTaskOver(
  { rule, due, until }: { rule: TaskRule | null; due: IsoDate; until: IsoDate | null },
  date: IsoDate,
): boolean {
  const lapses = rule && LAPSES_DAYS[rule];
  return (
    (until !== null && until < date) ||
    (lapses !== undefined && lapses !== null && daysBetween(due, date) > lapses)
  );
}

/** Asked for just to see whether something is better: a look from a week before it is due on answers it. */
const ANY_LOOK: readonly TaskRule[] = ['cutDry', 'recheck'];
const LOOK_RULES: readonly TaskRule[] = [...ANY_LOOK, 'weeks3', 'weeks7', 'season'];
const isOpen = ({ done }: StandingTask) => done === null;
/** Open, and not lapsed: what lapsed is asked of nobody any more. */
export const isAsked = (task: StandingTask, date: IsoDate): boolean =>
  isOpen(task) && !isTaskOver(task, date);

const grows = ({ newRootTips, growth, newLeaves }: Signals) =>
  newRootTips === 'starting' ||
  newRootTips === 'long' ||
  growth === 'vigorous' ||
  (growth === 'normal' && newLeaves !== 'smaller');
const troubled = ({ limp, smell, rot }: Signals) =>
  limp === true || smell === 'sour' || rot === 'roots' || rot === 'stem';
const rocks = ({ wobble }: Signals) => wobble === 'leans' || wobble === 'topples';

/**
 * What a look changes of the aftercare that is still open.
 *
 * @param repotted  day of the repot that the tasks belong to
 */
export function movesAfterLook(
  tasks: readonly StandingTask[],
  repotted: IsoDate,
  date: IsoDate,
  signals: Signals,
): TaskMove[] {
  const open = tasks.filter(isOpen);
  const find = (rule: TaskRule) => open.find((task) => task.rule === rule);
  const moves: TaskMove[] = [];
  const asked = open.filter(
    ({ rule, due }) =>
      LOOK_RULES.includes(rule) && daysBetween(date, due) <= LOOK_EARLY_DAYS && date >= repotted,
  );
  // The others ask how it went, which a look alone does not answer: they stay until it is judged.
  for (const { id } of asked.filter(({ rule }) => ANY_LOOK.includes(rule))) {
    moves.push({ id, done: date, moved: { because: 'looked' } });
  }

  const feed = find('feed');
  const soonest = addDays(repotted, FEED_LEAST_DAYS);
  if (feed && grows(signals)) {
    const due = date > soonest ? date : soonest;
    if (due < feed.due) moves.push({ id: feed.id, due, moved: { because: 'grew', on: date } });
  } else if (feed && (signals.growth === 'stalled' || troubled(signals))) {
    const due = addDays(date, FEED_LATER_DAYS);
    if (due > feed.due) moves.push({ id: feed.id, due, moved: { because: 'stalled', on: date } });
  }
  const shade = find('shade');
  if (shade?.until && troubled(signals)) {
    const until = addDays(date, SHADE_MORE_DAYS);
    if (until > shade.until)
      moves.push({ id: shade.id, until, moved: { because: 'troubled', on: date } });
  }
  const secure = find('secure');
  if (secure && rocks(signals) && secure.due > date) {
    moves.push({ id: secure.id, due: date, moved: { because: 'rocked', on: date } });
  }
  return moves;
}

/**
 * What is asked for anew because of what a look found within some months of a repot: another look soon at
 * what is limp or sour, and hands for what rocks.
 *
 * @param repotted  day of the repot that the tasks belong to
 */
export function tasksAfterLook(
  tasks: readonly StandingTask[],
  repotted: IsoDate,
  date: IsoDate,
  signals: Signals,
): AftercareTask[] {
  if (daysBetween(repotted, date) > CARE_DAYS) return [];
  const open = tasks.filter((task) => isAsked(task, date));
  const soon = addDays(date, TROUBLED_LOOK_DAYS);
  const looked = open.some(
    ({ rule, due }) => LOOK_RULES.includes(rule) && due > date && due <= soon,
  );
  const firm = open.some(({ rule }) => rule === 'secure');
  return [
    ...(rocks(signals) && !firm
      ? [{ kind: 'secure', rule: 'secure', due: date, words: { of: 'makeFirm' } } as const]
      : []),
    ...(troubled(signals) && !looked
      ? [{ kind: 'look', rule: 'recheck', due: soon, words: { of: 'recheck' } } as const]
      : []),
  ];
}

/** Tasks whose days count from the first water. */
const AFTER_FIRST_WATER: ReadonlySet<TaskRule> = new Set(['secondWater', 'keepDamp', 'justMoist']);

/**
 * What follows when a first water was given sooner or later than planned: what
 * counts from it moves along.
 *
 * @param date  day on which it was given
 */
export function movesAfterWater(tasks: readonly StandingTask[], date: IsoDate): TaskMove[] {
  const first = tasks.find(({ rule }) => rule === 'firstWater');
  if (!first) return [];
  const by = daysBetween(first.due, date);
  if (by === 0) return [];
  return tasks
    .filter((task) => isOpen(task) && AFTER_FIRST_WATER.has(task.rule))
    .map(({ id, due, until }) => ({
      id,
      due: addDays(due, by),
      ...(until ? { until: addDays(until, by) } : {}),
      moved: { because: 'firstWater', on: date },
    }));
}
