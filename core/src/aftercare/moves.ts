import type { Signals } from '../decide/signals.ts';
import { addDays, daysBetween, type IsoDate } from '../season/index.ts';
import type { TaskRule } from './plan.ts';
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

/**
 * Days after which asking for a task no longer helps: by then the plant was
 * watered, the mix has settled, a cut has dried or not, and how it went after
 * three weeks is asked after seven.
 *
 * @source common practice, no source
 */
const LAPSES_DAYS: Partial<Record<TaskRule, number>> = {
  firstWater: 7,
  secondWater: 1,
  secure: 14,
  cutDry: 14,
  turn: 21,
  weeks3: 28,
  ties: 60,
  feed: 90,
  weeks7: 90,
  extend: 180,
  season: 180,
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

const LOOK_RULES: readonly TaskRule[] = ['cutDry', 'weeks3', 'weeks7', 'season'];
const isOpen = ({ done }: StandingTask) => done === null;

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
  for (const { id } of asked.filter(({ rule }) => rule === 'cutDry')) {
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
  const next = open.find((task) => LOOK_RULES.includes(task.rule) && !asked.includes(task));
  if (next && troubled(signals)) {
    const due = addDays(date, TROUBLED_LOOK_DAYS);
    if (due < next.due) moves.push({ id: next.id, due, moved: { because: 'troubled', on: date } });
  }
  const secure = find('secure');
  if (secure && rocks(signals) && secure.due > date) {
    moves.push({ id: secure.id, due: date, moved: { because: 'rocked', on: date } });
  }
  return moves;
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
