import type { Traits } from '../catalogue/index.ts';
import type { MediumKind } from '../media/index.ts';
import { addDays, seasonAhead, type IsoDate, type Spot } from '../season/index.ts';

/** What was done to the roots. */
export interface RootWork {
  /** how much of the old medium came off */
  work: 'ballKept' | 'mostOff' | 'bareRoot';
  /** live or rotted roots were cut, or the plant divided */
  rootsCut: boolean;
}

/** When the first water is given. */
export const FIRST_WATER_SCHOOLS = {
  byPlant: { label: 'by the plant and the cuts', days: null },
  atOnce: { label: 'at once', days: 0 },
  afterDays: { label: 'after 2–3 days', days: 3 },
  afterWeek: { label: 'after a week', days: 7 },
} as const;
export type FirstWaterSchool = keyof typeof FIRST_WATER_SCHOOLS;

export const TASK_KINDS = ['water', 'keepDamp', 'shade', 'feed', 'look', 'extend'] as const;
export type TaskKind = (typeof TASK_KINDS)[number];

/** Something to do for one plant on one day. */
export interface AftercareTask {
  kind: TaskKind;
  due: IsoDate;
  title: string;
  why: string;
}

export interface AftercareRequest {
  date: IsoDate;
  traits: Traits;
  spot: Spot;
  from: MediumKind;
  to: MediumKind;
  roots: RootWork;
  school?: FirstWaterSchool;
  /** pieces that its support gets on top as it climbs; `on` null: not within five years */
  extensions?: readonly { on: IsoDate | null; addsCm: number; aboveCm: number }[];
}

/* Days below: common practice, no source. */
const CALLUS_DAYS = { fullyDry: 7, cut: 3 } as const;
const KEEP_DAMP_DAYS = 12;
const SHADE_DAYS = 14;
const LEAST_FEED_DAYS = 42;
const GROWING = 0.5;
const LOOK_WEEKS = [3, 7, 26] as const;
const SLOW_TO_WET: readonly MediumKind[] = ['peatSoil', 'bark', 'mix'];

/**
 * The aftercare of a repot: first water, damp or dry, shade, feed, and when to
 * look again.
 *
 * @returns tasks in the order of their days
 * @source common practice, no source
 */
export function aftercarePlan(request: AftercareRequest): AftercareTask[] {
  const { date } = request;
  const on = (days: number) => addDays(date, days);
  const tasks: AftercareTask[] = [firstWater(request)];
  if (SLOW_TO_WET.includes(request.to) && tasks[0]!.due === date) {
    tasks.push({
      kind: 'water',
      due: date,
      title: 'Water a second time after about 2 hours',
      why: 'this mix takes up water slowly; the first pour runs past dry parts',
    });
  }
  if ((request.from === 'moss' || request.from === 'pebbles') && request.to !== request.from) {
    tasks.push({
      kind: 'keepDamp',
      due: on(1),
      title: `Keep damper than usual until day ${KEEP_DAMP_DAYS}`,
      why: `roots grown in ${request.from === 'moss' ? 'moss' : 'pebbles'} are used to more water and partly die back at first`,
    });
  }
  tasks.push({
    kind: 'shade',
    due: on(1),
    title: `Warm, bright, no direct sun until day ${SHADE_DAYS}`,
    why:
      request.roots.work === 'ballKept' && !request.roots.rootsCut
        ? 'fewer roots than leaves for a while'
        : 'the roots were opened and cannot keep up with sun',
  });
  tasks.push(...looks(request), feedFrom(request), ...extensionTasks(request));
  return tasks.sort((a, b) => a.due.localeCompare(b.due));
}

function firstWater({ date, traits, roots, school = 'byPlant' }: AftercareRequest): AftercareTask {
  const fixed = FIRST_WATER_SCHOOLS[school].days;
  const hold =
    fixed ??
    (traits.drying === 'fullyDry' ? CALLUS_DAYS.fullyDry : roots.rootsCut ? CALLUS_DAYS.cut : 0);
  if (hold === 0) {
    return {
      kind: 'water',
      due: date,
      title: 'Water thoroughly and let it drain',
      why: 'settles the mix round the roots; nothing was cut that must dry first',
    };
  }
  const why =
    fixed !== null
      ? `you follow the school "${FIRST_WATER_SCHOOLS[school].label}"`
      : traits.drying === 'fullyDry'
        ? 'cuts in succulent roots rot unless they callus dry first'
        : 'cut roots close within a few days; wet wounds rot';
  return {
    kind: 'water',
    due: addDays(date, hold),
    title: `First water, after ${hold} dry days`,
    why,
  };
}

function feedFrom({ date, traits, spot }: AftercareRequest): AftercareTask {
  const { activity } = seasonAhead(spot, traits, date, 52);
  const firstWeek = Math.ceil(LEAST_FEED_DAYS / 7);
  const growing = activity.findIndex((a, week) => week >= firstWeek && a >= GROWING);
  const days = growing === -1 ? LEAST_FEED_DAYS : growing * 7;
  return {
    kind: 'feed',
    due: addDays(date, days),
    title: 'Feeding may start again if it grows: half strength, by the label',
    why:
      days > LEAST_FEED_DAYS
        ? 'it rests until then; salts would only gather'
        : 'new roots burn easily; wait for new growth',
  };
}

function looks({ date }: AftercareRequest): AftercareTask[] {
  const asks = [
    ['Look at 3 weeks', 'does it stand firm, is anything limp or sour?'],
    ['Look at 7 weeks', 'has growth resumed? roots should have taken hold'],
    ['Look after a season', 'did the repot do what it was for?'],
  ] as const;
  return LOOK_WEEKS.map((weeks, i) => ({
    kind: 'look' as const,
    due: addDays(date, weeks * 7),
    title: asks[i]![0],
    why: asks[i]![1],
  }));
}

/** A support is made longer before the tip is at its top. */
function extensionTasks({ date, extensions = [] }: AftercareRequest): AftercareTask[] {
  return extensions.flatMap(({ on, addsCm, aboveCm }): AftercareTask[] =>
    on === null
      ? []
      : [
          {
            kind: 'extend',
            due: on < date ? date : on,
            title: `Put ${Math.round(addsCm)} cm on top of its support`,
            why: `by its growth the tip is near the end; with it, the support ends ${Math.round(aboveCm)} cm above the medium`,
          },
        ],
  );
}
