import { clamp } from '../number/index.ts';
import { addDays, dayOfYear, type IsoDate } from './calendar.ts';
import { FULL_LAMP_HOURS, lightClass, temperatureOn, type Spot } from './spot.ts';
import { extraterrestrialMJ } from './sun.ts';

/**
 * The plant's own year. `restingActivity` is what is left of growth at the
 * bottom of its rest; `peakDays` the days of fullest growth in the north.
 *
 * @source common practice, no source
 */
export const RHYTHMS = {
  evergreen: { restingActivity: 1, peakDays: [160], label: 'grows whenever it is warm and light' },
  summerGrowing: {
    restingActivity: 0.3,
    peakDays: [160],
    label: 'grows in summer, slows in winter',
  },
  winterGrowing: { restingActivity: 0.25, peakDays: [343], label: 'grows from autumn to spring' },
  springAndAutumn: {
    restingActivity: 0.3,
    peakDays: [100, 288],
    dullLight: true,
    label: 'grows in spring and autumn, rests in summer heat',
  },
  coolSeason: {
    restingActivity: 0.35,
    peakDays: [5],
    dullLight: true,
    label: 'grows while it is cool, from autumn to spring',
  },
  summerTuber: { restingActivity: 0.03, peakDays: [160], label: 'dies back or sleeps in winter' },
} as const satisfies Record<string, RhythmRow>;

interface RhythmRow {
  restingActivity: number;
  peakDays: readonly number[];
  /** grows on in the dull months: scarce light holds it back by its root only */
  dullLight?: boolean;
  label: string;
}

export type Rhythm = keyof typeof RHYTHMS;

/** What of a plant's traits the season depends on. */
export interface SeasonTraits {
  rhythm: Rhythm;
  /** growth starts here, °C */
  growsFromC: number;
  /** growth is no longer held back from here, °C */
  growsFullyC: number;
  /** above this heat holds it back, °C */
  hotC: number;
  /** what opens its window */
  window: 'growing' | 'newRoots' | 'waking';
}

/** Growth in parts per full growth, and what holds it back. */
export interface Activity {
  activity: number;
  light: number;
  warmth: number;
  rhythm: number;
}

const TROPIC_DEG = 23.44;
/** Widens the growing half of the year beyond a plain cosine: growth starts in early spring. */
const RHYTHM_BREADTH = 1.4;
/** Of two growing times in a year each is shorter: the power that its wave is raised to. */
const SHORT_SEASON = 3;
/** So many degrees above what it bears without loss, growth stands still. */
const STANDS_STILL_C = 6;

/**
 * How active a plant is on a day, 0 … 1: the scarcer of light and warmth
 * (law of the minimum), times the plant's own rhythm. Near the equator the
 * year has no rhythm of daylight, so the plant's fades with latitude.
 */
export function activityOn(spot: Spot, plant: SeasonTraits, date: IsoDate): Activity {
  return activityOnDay(spot, plant, dayOfYear(date));
}

/** As `activityOn`, from the day of the year (1 … 366). */
export function activityOnDay(spot: Spot, plant: SeasonTraits, day: number): Activity {
  const sun = clamp(
    extraterrestrialMJ(spot.latitudeDeg, day) / lightClass(spot.light).enoughMJ,
    0,
    1,
  );
  const lamp = clamp(spot.lampHours / FULL_LAMP_HOURS, 0, 1);
  const row: RhythmRow = RHYTHMS[plant.rhythm];
  const light = (1 - (1 - sun) * (1 - lamp)) ** (row.dullLight ? 0.5 : 1);

  const celsius = temperatureOn(spot, day);
  const warm = (celsius - plant.growsFromC) / (plant.growsFullyC - plant.growsFromC);
  const notTooHot = (plant.hotC + STANDS_STILL_C - celsius) / STANDS_STILL_C;
  const warmth = clamp(Math.min(warm, notTooHot), 0, 1);

  const rhythm = rhythmOn(plant.rhythm, spot.latitudeDeg, day);
  return { activity: Math.min(light, warmth) * rhythm, light, warmth, rhythm };
}

function rhythmOn(id: Rhythm, latitudeDeg: number, day: number): number {
  const { restingActivity, peakDays } = RHYTHMS[id];
  const northernDay = latitudeDeg >= 0 ? day : day + 182.5;
  const wave = (peakDay: number) =>
    (1 + Math.cos((2 * Math.PI * (northernDay - peakDay)) / 365)) / 2;
  const growing = clamp(
    RHYTHM_BREADTH *
      Math.max(...peakDays.map((peak) => wave(peak) ** (peakDays.length === 1 ? 1 : SHORT_SEASON))),
    0,
    1,
  );
  const seasonality = clamp(Math.abs(latitudeDeg) / TROPIC_DEG, 0, 1);
  return 1 - seasonality * (1 - restingActivity) * (1 - growing);
}

/** Weeks of growth ahead that a disturbed plant is given to root again. */
const REROOTING_WEEKS = 8;
/** Of growth that is still to come, so much counts as if it were there. @source common practice, no source */
const RISING_COUNTS = 0.3;
/** What wakes is moved as it wakes, on the growth of the weeks that follow. @source common practice, no source */
const WAKING_COUNTS = 1.5;
/** … and once it is in full leaf a disturbance costs it more: from this activity on, by up to this share. */
const WOKEN = { from: 0.6, loses: 0.2 } as const;

/** Activity and readiness of every week from `date` on. */
export interface SeasonAhead {
  /** index 0 is the week that starts on `date` */
  activity: readonly number[];
  /** how well a disturbed plant would root again, 0 … 1 */
  readiness: readonly number[];
}

/**
 * The season as the plant will meet it.
 *
 * Readiness is the activity of the eight weeks that follow while growth falls
 * off, the activity of now with a part of what is to come while it rises:
 * autumn is not spring run backwards. For what wakes from rest what is to come
 * counts alone.
 *
 * @param weeks  how many weeks, ≥ 1
 */
export function seasonAhead(
  spot: Spot,
  plant: SeasonTraits,
  date: IsoDate,
  weeks: number,
): SeasonAhead {
  const { latitudeDeg, temperatureC, lampHours, light } = spot;
  const { rhythm, growsFromC, growsFullyC, hotC, window } = plant;
  const place = `${latitudeDeg} ${String(temperatureC)} ${lampHours} ${light}`;
  const key = `${place} ${rhythm} ${growsFromC} ${growsFullyC} ${hotC} ${window} ${date} ${weeks}`;
  const before = known.get(key);
  if (before) return before;
  const season = reckonSeason(spot, plant, date, weeks);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, season);
  return season;
}

/** Plants of one kind at one spot meet the same season: it is asked for again and again. */
const known = new Map<string, SeasonAhead>();
const MOST_KNOWN = 500;

function reckonSeason(spot: Spot, plant: SeasonTraits, date: IsoDate, weeks: number): SeasonAhead {
  const start = dayOfYear(date);
  const activity: number[] = [];
  const rhythm: number[] = [];
  for (let week = 0; week < weeks + REROOTING_WEEKS; week++) {
    const day = ((start - 1 + week * 7) % 365) + 1;
    const met = activityOnDay(spot, plant, day);
    activity.push(met.activity);
    rhythm.push(met.rhythm);
  }
  const readiness = activity.slice(0, weeks).map((now, week) => {
    let sum = 0;
    for (let i = 1; i <= REROOTING_WEEKS; i++) sum += activity[week + i]!;
    const ahead = sum / REROOTING_WEEKS;
    const ready = ahead < now ? ahead : now + RISING_COUNTS * (ahead - now);
    if (plant.window !== 'waking') return ready;
    // More light alone is no waking: a winter grower is in full leaf when the days grow longer.
    const wakes = ahead >= now && rhythm[week + 1]! > rhythm[week]!;
    const waking = wakes ? Math.max(ready, Math.min(1, WAKING_COUNTS * ahead)) : ready;
    return waking * (1 - WOKEN.loses * clamp((now - WOKEN.from) / (1 - WOKEN.from), 0, 1));
  });
  return { activity: activity.slice(0, weeks), readiness };
}

/** Readiness from which a week counts as inside the plant's window. */
export const WINDOW_READINESS = 0.6;

/** First and last week of the next window, as dates; null when there is none within `weeks`. */
export function nextWindow(
  season: SeasonAhead,
  date: IsoDate,
): { from: IsoDate; to: IsoDate } | null {
  const first = season.readiness.findIndex((readiness) => readiness >= WINDOW_READINESS);
  if (first === -1) return null;
  const closes = season.readiness.findIndex(
    (readiness, week) => week > first && readiness < WINDOW_READINESS,
  );
  const last = closes === -1 ? season.readiness.length - 1 : closes - 1;
  return { from: addDays(date, first * 7), to: addDays(date, last * 7) };
}
