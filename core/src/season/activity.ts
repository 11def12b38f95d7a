import { clamp } from '../number/index.ts';
import { addDays, dayOfYear, type IsoDate } from './calendar.ts';
import { FULL_LAMP_HOURS, lightClass, temperatureOn, type Spot } from './spot.ts';
import { extraterrestrialMJ } from './sun.ts';

/**
 * The plant's own year. `restingActivity` is what is left of growth at the
 * bottom of its rest; `peakDay` the day of fullest growth in the north.
 *
 * @source common practice, no source
 */
export const RHYTHMS = {
  evergreen: { restingActivity: 1, peakDay: 160, label: 'grows whenever it is warm and light' },
  summerGrowing: { restingActivity: 0.3, peakDay: 160, label: 'grows in summer, slows in winter' },
  winterGrowing: { restingActivity: 0.25, peakDay: 343, label: 'grows from autumn to spring' },
  summerTuber: { restingActivity: 0.03, peakDay: 160, label: 'dies back or sleeps in winter' },
} as const;

export type Rhythm = keyof typeof RHYTHMS;

/** What of a plant's traits the season depends on. */
export interface SeasonTraits {
  rhythm: Rhythm;
  /** growth starts here, °C */
  growsFromC: number;
  /** growth is no longer held back from here, °C */
  growsFullyC: number;
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
const TOO_HOT_C = 36;

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
  const light = 1 - (1 - sun) * (1 - lamp);

  const celsius = temperatureOn(spot, day);
  const warm = (celsius - plant.growsFromC) / (plant.growsFullyC - plant.growsFromC);
  const notTooHot = (TOO_HOT_C + 6 - celsius) / 6;
  const warmth = clamp(Math.min(warm, notTooHot), 0, 1);

  const rhythm = rhythmOn(plant.rhythm, spot.latitudeDeg, day);
  return { activity: Math.min(light, warmth) * rhythm, light, warmth, rhythm };
}

function rhythmOn(id: Rhythm, latitudeDeg: number, day: number): number {
  const { restingActivity, peakDay } = RHYTHMS[id];
  const northernDay = latitudeDeg >= 0 ? day : day + 182.5;
  const wave = (1 + Math.cos((2 * Math.PI * (northernDay - peakDay)) / 365)) / 2;
  const growing = clamp(RHYTHM_BREADTH * wave, 0, 1);
  const seasonality = clamp(Math.abs(latitudeDeg) / TROPIC_DEG, 0, 1);
  return 1 - seasonality * (1 - restingActivity) * (1 - growing);
}

/** Weeks of growth ahead that a disturbed plant is given to root again. */
const REROOTING_WEEKS = 8;

/** Activity and readiness of every week from `date` on. */
export interface SeasonAhead {
  /** index 0 is the week that starts on `date` */
  activity: number[];
  /** min(activity now, mean activity of the eight weeks that follow), 0 … 1 */
  readiness: number[];
}

/**
 * The season as the plant will meet it.
 *
 * Readiness is low when the plant sleeps now, and also when it is still
 * growing but will not be for long: autumn is not spring run backwards.
 *
 * @param weeks  how many weeks, ≥ 1
 */
export function seasonAhead(
  spot: Spot,
  plant: SeasonTraits,
  date: IsoDate,
  weeks: number,
): SeasonAhead {
  const start = dayOfYear(date);
  const activity: number[] = [];
  for (let week = 0; week < weeks + REROOTING_WEEKS; week++) {
    const day = ((start - 1 + week * 7) % 365) + 1;
    activity.push(activityOnDay(spot, plant, day).activity);
  }
  const readiness = activity.slice(0, weeks).map((now, week) => {
    let ahead = 0;
    for (let i = 1; i <= REROOTING_WEEKS; i++) ahead += activity[week + i]!;
    return Math.min(now, ahead / REROOTING_WEEKS);
  });
  return { activity: activity.slice(0, weeks), readiness };
}

/** Readiness from which a week counts as inside the plant's window. */
export const WINDOW_READINESS = 0.5;

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
