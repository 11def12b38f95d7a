import { addDays, DAYS_PER_MONTH, seasonAhead, WINDOW_READINESS } from '../season/index.ts';
import {
  BLOOM_FADING,
  BLOOM_LOST,
  BUD_WEEKS,
  COLD_HURT,
  HORIZON_WEEKS,
  JUST_ARRIVED,
  RECENT_REPOT_WEEKS,
  RECENT_SHARE_OF_FILLING,
  RESTING_SHARE,
  ROOTS_START,
  THIRSTY,
  TIPS_LONG,
  TIPS_STARTING,
  WORK,
} from './costs.ts';
import type { Frame } from './frame.ts';
import type { Signals } from './signals.ts';
import { SCHOOLS, type Schools } from '../schools/index.ts';

/** Cost of a disturbance in every week from now on, in units of one typical badly timed repot. */
export function disturbingByWeek(
  frame: Frame,
  signals: Signals,
  school: Schools['when'],
): Float64Array {
  const { season, disturbance } = frame;
  const { outOfSeason, tipsWeight } = SCHOOLS.when.options[school];
  const cost = new Float64Array(season.readiness.length);
  for (let week = 0; week < cost.length; week++) {
    cost[week] = disturbance * (1 + outOfSeason * (1 - season.readiness[week]!));
  }
  scaleByRootTips(cost, frame, signals, tipsWeight);
  addPassing(cost, frame, signals);
  for (let week = 0; week < cost.length; week++) cost[week]! += WORK;
  return cost;
}

/** New root tips make a moment good or poor. */
function scaleByRootTips(
  cost: Float64Array,
  frame: Frame,
  { newRootTips }: Signals,
  tipsWeight: number,
): void {
  if (newRootTips === 'starting') {
    const gain = Math.min(0.8, TIPS_STARTING.gain * tipsWeight);
    fade(TIPS_STARTING.weeks, (week, left) => (cost[week]! *= 1 - gain * left));
  } else if (newRootTips === 'long') {
    fade(TIPS_LONG.weeks, (week, left) => (cost[week]! *= 1 + TIPS_LONG.loss * left));
  } else {
    rootsStart(frame).forEach((starts, week) => {
      if (starts) cost[week]! *= 1 - ROOTS_START.gain * tipsWeight;
    });
  }
}

/** What passes with the weeks: bloom, rest, arrival, thirst, the last repot. */
function addPassing(cost: Float64Array, frame: Frame, signals: Signals): void {
  const { situation, season, disturbance, monthsInPot } = frame;
  const { traits } = situation;
  for (let week = 0; week < bloomLasts(signals, traits.bloomWeeks); week++) {
    cost[week]! += BLOOM_LOST * traits.bloomMatters;
  }
  if (signals.bloom === 'fading') {
    for (let week = 0; week < BLOOM_FADING.weeks; week++) cost[week]! += BLOOM_FADING.cost;
  }
  if (signals.resting === true) {
    season.readiness.forEach((readiness, week) => {
      if (readiness < WINDOW_READINESS) cost[week]! += RESTING_SHARE * disturbance;
    });
  }
  if (signals.justArrived === true) {
    fade(JUST_ARRIVED.weeks, (week, left) => (cost[week]! += JUST_ARRIVED.cost * left));
  }
  if (signals.coldHurt === true) {
    fade(COLD_HURT.weeks, (week, left) => (cost[week]! += COLD_HURT.cost * left));
  }
  if (isThirsty(signals)) {
    fade(THIRSTY.weeks, (week, left) => (cost[week]! += THIRSTY.cost * left));
  }
  if (monthsInPot !== null) {
    const inWeeks = (months: number) => (months * DAYS_PER_MONTH) / 7;
    const recent = Math.min(
      RECENT_REPOT_WEEKS,
      RECENT_SHARE_OF_FILLING * inWeeks(frame.monthsToFill),
    );
    const left = Math.exp(-inWeeks(monthsInPot) / recent);
    if (left > NEGLIGIBLE) fade(recent, (week, share) => (cost[week]! += left * share));
  }
}

/** Limp for want of water; one limp from cold, or in wet medium, has roots that do not drink, and is not watered. */
export const isThirsty = ({ limp, staysWetLonger, smell, rot, coldHurt }: Signals): boolean =>
  limp === true &&
  coldHurt !== true &&
  staysWetLonger !== true &&
  smell !== 'sour' &&
  (rot === undefined || rot === 'none');

const NEGLIGIBLE = 1e-4;

/** Calls back with e^(−week/weeks) for each week in which that is still worth counting. */
function fade(weeks: number, each: (week: number, left: number) => void): void {
  const perWeek = Math.exp(-1 / weeks);
  let left = 1;
  for (let week = 0; week <= HORIZON_WEEKS && left > NEGLIGIBLE; week++) {
    each(week, left);
    left *= perWeek;
  }
}

/** Weeks until the bloom is over; 0 when there is none. */
export function bloomLasts(signals: Signals, bloomWeeks: number): number {
  if (signals.bloom === 'bud') return bloomWeeks + BUD_WEEKS;
  return signals.bloom === 'open' ? bloomWeeks : 0;
}

/** For plants whose window is opened by roots: the first weeks of each window. */
function rootsStart({ situation: { traits, spot }, monday, season }: Frame): boolean[] {
  if (traits.window !== 'newRoots') return [];
  // A window that opened before today is still in its first weeks.
  const { weeks } = ROOTS_START;
  const before = seasonAhead(spot, traits, addDays(monday, -7 * weeks), weeks).readiness;
  const open = [...before, ...season.readiness].map((readiness) => readiness >= WINDOW_READINESS);
  return season.readiness.map((_, week) => {
    const at = week + weeks;
    return open[at]! && open.slice(at - weeks, at).includes(false);
  });
}
