import type { Traits } from '../catalogue/index.ts';
import type { MediumKind } from '../media/index.ts';
import { addDays, seasonAhead, type IsoDate, type Spot } from '../season/index.ts';
import { feedAgain, GROWING } from './feeding.ts';
import { firstWaterFor } from './firstWater.ts';
import type { TaskWords } from './words.ts';
import { USUAL_SCHOOLS, type Schools } from '../schools/index.ts';

/** What was done to the roots. */
export interface RootWork {
  /** how much of the old medium came off */
  work: 'ballKept' | 'mostOff' | 'bareRoot';
  /** live or rotted roots were cut, or the plant divided */
  rootsCut: boolean;
}

export const TASK_KINDS = [
  'water',
  'keepDamp',
  'humid',
  'shade',
  'warm',
  'secure',
  'ties',
  'turn',
  'feed',
  'look',
  'extend',
  'renew',
] as const;
export type TaskKind = (typeof TASK_KINDS)[number];

/** Which task it is of its repot: what later moves it goes by this. */
export const TASK_RULES = [
  'jarWater',
  'intoPebbles',
  'firstWater',
  'secondWater',
  'keepDamp',
  'justMoist',
  'humid',
  'shade',
  'warm',
  'secure',
  'ties',
  'turn',
  'feed',
  'feedAgain',
  'feedLiquid',
  'flushSalts',
  'cutDry',
  'recheck',
  'weeks3',
  'weeks7',
  'season',
  'extend',
  'renew',
  'stump',
] as const;
export type TaskRule = (typeof TASK_RULES)[number];

/** Something to do for one plant on one day, or from one day until another. */
export interface AftercareTask {
  kind: TaskKind;
  rule: TaskRule;
  due: IsoDate;
  /** last day of something that is kept up */
  until?: IsoDate;
  /** done again after so many days, until its last */
  everyDays?: number;
  words: TaskWords;
}

export interface AftercareRequest {
  date: IsoDate;
  traits: Traits;
  spot: Spot;
  from: MediumKind;
  to: MediumKind;
  roots: RootWork;
  /** share of the roots found alive, 0 … 1; absent: not judged */
  liveRoots?: number | undefined;
  /** divided into so many; 1 = not */
  pieces?: number | undefined;
  /** rotted tissue was cut away */
  rotten?: boolean | undefined;
  /** it is in bud or bloom: it is not turned then */
  inBloom?: boolean | undefined;
  /** seated on a moss mound */
  mound?: boolean | undefined;
  /** tied to a support, or held by a stake */
  tied?: boolean | undefined;
  school?: Schools['firstWater'];
  /** it stands in a jar of water first, until it has roots for pebbles */
  jar?: boolean | undefined;
  /** slow-release feed went in that lasts so many months */
  lastingMonths?: number | undefined;
  /** pieces that its support gets on top as it climbs; `on` null: not within five years */
  extensions?: readonly { on: IsoDate | null; addsCm: number; aboveCm: number }[];
}

/* Days below: common practice, no source. */
const KEEP_DAMP_DAYS = 12;
const JUST_MOIST_DAYS = 21;
const SHADE_DAYS = 14;
/** Longer shade for roots that were opened, and for each root that is gone. */
const SHADE_MORE = { opened: 4, lost: 14 } as const;
const HUMID_DAYS = { least: 14, lost: 14 } as const;
/** Fewer roots alive than this ask for humid air. */
const FEW_ALIVE = 0.6;
const WARM_DAYS = 28;
const SECURE_DAYS = 7;
const TIES_DAYS: Record<Traits['vigour'], number> = { fast: 35, middling: 56, slow: 90 };
const TURN_DAYS = { first: 14, every: 30 } as const;
const CUT_DRY_DAYS = 7;
const RENEW_DAYS = 365;
const LEAST_FEED_DAYS = 42;
const LOOK_WEEKS = [3, 7, 26] as const;
const SLOW_TO_WET: readonly MediumKind[] = ['peatSoil', 'bark', 'mix'];
const RESTING = 0.3;
/** Warmth helps what takes no cold, and wakes at the wrong time what rests in it. */
const TROPICAL_FROM_C = 10;
/** Bloom that matters so much falls when the plant is turned. */
const BLOOM_FALLS_FROM = 0.4;

/**
 * The aftercare of a repot: first water, damp or dry, shade, warmth, firm stand,
 * ties, turning, feed, and when to look again.
 *
 * @returns tasks in the order of their days
 * @source common practice, no source
 */
export function aftercarePlan(asked: AftercareRequest): AftercareTask[] {
  const stations = jarStations(asked);
  // What a pot of pebbles asks for is counted from the day on which it stands in one.
  const request = { ...asked, date: stations.at(-1)?.due ?? asked.date };
  return [
    ...stations,
    ...watering(request),
    ...air(request),
    ...standing(request),
    ...looks(request),
    ...feedFrom(request),
    ...renewal(request),
    ...extensionTasks(request),
  ].sort((a, b) => a.due.localeCompare(b.due));
}

/** Media whose roots are not those that live in water. */
const JAR_FROM: readonly MediumKind[] = ['peatSoil', 'loam', 'mix', 'bark', 'mineral'];
/** Water roots show after about three weeks; the water is changed twice a week meanwhile. */
const JAR_DAYS = { roots: 21, change: 3 } as const;

/** Whether a plant goes into pebbles the long way: weeks in a jar, until it has roots for water. */
export const longWay = ({
  from,
  to,
  traits,
  school = USUAL_SCHOOLS.toPebbles,
}: {
  from: MediumKind;
  to: MediumKind;
  traits: Traits;
  school?: Schools['toPebbles'] | undefined;
}): boolean =>
  to === 'pebbles' &&
  JAR_FROM.includes(from) &&
  // Cuts in succulent roots close dry or not at all.
  traits.drying !== 'fullyDry' &&
  school === 'long';

/** The stations of the long way: fresh water, then new roots and the pebbles. */
function jarStations(request: AftercareRequest): AftercareTask[] {
  if (!request.jar || request.to !== 'pebbles') return [];
  return [
    {
      kind: 'water',
      rule: 'jarWater',
      due: onDay(request, JAR_DAYS.change),
      everyDays: JAR_DAYS.change,
      until: onDay(request, JAR_DAYS.roots),
      words: { of: 'jarWater' },
    },
    {
      kind: 'look',
      rule: 'intoPebbles',
      due: onDay(request, JAR_DAYS.roots),
      words: { of: 'intoPebbles' },
    },
  ];
}

const onDay = ({ date }: AftercareRequest, days: number) => addDays(date, days);
const opened = ({ roots }: AftercareRequest) => roots.work !== 'ballKept' || roots.rootsCut;
const lostShare = ({ liveRoots, rotten }: AftercareRequest) =>
  1 - (liveRoots ?? (rotten ? 0.5 : 1));
/** No warmth for what rests cold or takes it. */
export const takesCold = ({ traits }: { traits: Traits }): boolean =>
  traits.floorC < TROPICAL_FROM_C || traits.rhythm !== 'evergreen';
const succulent = ({ traits }: AftercareRequest) => traits.drying === 'fullyDry';

function watering(request: AftercareRequest): AftercareTask[] {
  const { date, from, to } = request;
  const first = firstWater(request);
  const tasks = [first];
  if (SLOW_TO_WET.includes(to) && first.due === date) {
    tasks.push({
      kind: 'water',
      rule: 'secondWater',
      due: date,
      words: { of: 'secondWater' },
    });
  }
  const spoilt = to !== from && (from === 'moss' || from === 'pebbles') ? from : null;
  const fewRoots = lostShare(request) > 1 - FEW_ALIVE && !succulent(request);
  // A succulent dries through between waterings, after rot all the more.
  if (request.rotten && to !== 'pebbles' && !succulent(request)) {
    tasks.push({
      kind: 'water',
      rule: 'justMoist',
      due: addDays(first.due, 1),
      until: addDays(first.due, JUST_MOIST_DAYS),
      words: { of: 'justMoist' },
    });
  } else if ((spoilt || fewRoots) && to !== 'pebbles' && !succulent(request)) {
    tasks.push({
      kind: 'keepDamp',
      rule: 'keepDamp',
      due: addDays(first.due, 1),
      until: addDays(first.due, KEEP_DAMP_DAYS),
      words: {
        of: 'keepDamp',
        days: KEEP_DAMP_DAYS,
        because: spoilt ?? 'fewRoots',
      },
    });
  }
  return tasks;
}

function air(request: AftercareRequest): AftercareTask[] {
  const { traits, spot, date, pieces = 1 } = request;
  const lost = lostShare(request);
  const resting = seasonAhead(spot, traits, date, 1).activity[0]! < RESTING;
  const shadeDays = Math.round(
    SHADE_DAYS + (opened(request) ? SHADE_MORE.opened : 0) + SHADE_MORE.lost * lost,
  );
  const tasks: AftercareTask[] = [
    {
      kind: 'shade',
      rule: 'shade',
      due: onDay(request, 1),
      until: onDay(request, shadeDays),
      words: { of: 'shade', days: shadeDays, cool: takesCold(request), opened: opened(request) },
    },
  ];
  if ((lost > 1 - FEW_ALIVE || pieces > 1) && !succulent(request)) {
    const days = Math.round(HUMID_DAYS.least + HUMID_DAYS.lost * lost);
    tasks.push({
      kind: 'humid',
      rule: 'humid',
      due: onDay(request, 1),
      until: onDay(request, days),
      words:
        pieces > 1
          ? { of: 'humid', days, because: 'division' }
          : { of: 'humid', days, because: 'lostRoots', alive: 1 - lost },
    });
  }
  if (resting && !takesCold(request)) {
    tasks.push({
      kind: 'warm',
      rule: 'warm',
      due: onDay(request, 1),
      until: onDay(request, WARM_DAYS),
      words: { of: 'warm', celsius: Math.round(traits.growsFullyC) },
    });
  }
  return tasks;
}

function standing(request: AftercareRequest): AftercareTask[] {
  const { traits, roots, mound, tied, rotten } = request;
  const tasks: AftercareTask[] = [];
  if (roots.work === 'bareRoot' || mound || rotten || tied) {
    tasks.push({
      kind: 'secure',
      rule: 'secure',
      due: onDay(request, SECURE_DAYS),
      words: { of: 'secure' },
    });
  }
  if (rotten) {
    tasks.push({
      kind: 'look',
      rule: 'cutDry',
      due: onDay(request, CUT_DRY_DAYS),
      words: { of: 'cutDry' },
    });
  }
  if (tied) {
    tasks.push({
      kind: 'ties',
      rule: 'ties',
      due: onDay(request, TIES_DAYS[traits.vigour]),
      words: { of: 'ties' },
    });
  }
  const buds = request.inBloom === true && traits.bloomMatters >= BLOOM_FALLS_FROM;
  tasks.push({
    kind: 'turn',
    rule: 'turn',
    // Buds that meet light from another side are dropped.
    due: onDay(request, Math.max(TURN_DAYS.first, buds ? 7 * traits.bloomWeeks : 0)),
    everyDays: TURN_DAYS.every,
    until: onDay(request, LOOK_WEEKS[2] * 7),
    words: { of: 'turn', walks: traits.growthForm === 'walker' },
  });
  return tasks;
}

function renewal(request: AftercareRequest): AftercareTask[] {
  if (!request.mound) return [];
  const { traits, spot } = request;
  const from = onDay(request, RENEW_DAYS - 60);
  const { readiness } = seasonAhead(spot, traits, from, 26);
  const best = readiness.findIndex((ready) => ready >= GROWING);
  return [
    {
      kind: 'renew',
      rule: 'renew',
      due: addDays(from, Math.max(0, best) * 7),
      words: { of: 'renew' },
    },
  ];
}

function firstWater(request: AftercareRequest): AftercareTask {
  const { date, traits, roots, to, school, rotten, pieces = 1 } = request;
  const task = { kind: 'water', rule: 'firstWater' } as const;
  const overWater = to === 'pebbles';
  // Succulent roots close dry first, over water too.
  if (overWater && traits.drying !== 'fullyDry') {
    return { ...task, due: date, words: { of: 'fillReservoir' } };
  }
  const cut = roots.rootsCut || rotten === true || pieces > 1;
  const { days, because } = firstWaterFor(traits, cut, school);
  return {
    ...task,
    due: addDays(date, days),
    words:
      overWater && days > 0
        ? { of: 'fillReservoirLater', days, because }
        : { of: 'firstWater', days, because },
  };
}

/** None for plants that live without: feed kills what grows in poor water. */
function feedFrom({ date, traits, spot, lastingMonths }: AftercareRequest): AftercareTask[] {
  if (!traits.fed) return [];
  if (lastingMonths) return [feedAgain(date, lastingMonths, { traits, spot })];
  const { activity } = seasonAhead(spot, traits, date, 52);
  const firstWeek = Math.ceil(LEAST_FEED_DAYS / 7);
  const growing = activity.findIndex((a, week) => week >= firstWeek && a >= GROWING);
  const days = growing === -1 ? LEAST_FEED_DAYS : growing * 7;
  return [
    {
      kind: 'feed',
      rule: 'feed',
      due: addDays(date, days),
      words: { of: 'feed', rests: days > LEAST_FEED_DAYS },
    },
  ];
}

const LOOK_RULES = ['weeks3', 'weeks7', 'season'] as const;

function looks({ date }: AftercareRequest): AftercareTask[] {
  return LOOK_WEEKS.map((weeks, i) => ({
    kind: 'look' as const,
    rule: LOOK_RULES[i]!,
    due: addDays(date, weeks * 7),
    words: { of: LOOK_RULES[i]! },
  }));
}

/** A plant that was just moved is left alone until it holds. @source common practice, no source */
const ROOTED_DAYS = 28;

/** A support is made longer before the tip is at its top. */
function extensionTasks({ date, extensions = [] }: AftercareRequest): AftercareTask[] {
  // Nobody makes a pole longer on the day it is set: what is too short then is chosen longer.
  const soonest = addDays(date, ROOTED_DAYS);
  return extensions.flatMap(({ on, addsCm, aboveCm }): AftercareTask[] =>
    on === null
      ? []
      : [
          {
            kind: 'extend',
            rule: 'extend',
            due: on < soonest ? soonest : on,
            words: { of: 'extend', addsCm, aboveCm },
          },
        ],
  );
}
