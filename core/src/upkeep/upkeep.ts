import type { Traits } from '../catalogue/index.ts';
import type { Drying } from '../fit/index.ts';
import type { MediumKind } from '../media/index.ts';

/**
 * Hands on one plant among others, minutes, by what it stands in: to water it once, and what its medium asks
 * for beside that.
 *
 * @source common practice, no source
 */
interface Handling {
  /** to feel it, pour and let it drain, or fill its reservoir */
  water: number;
  /** to rinse out, and how often, days; absent: nothing is rinsed */
  rinse?: { minutes: number; everyDays: number };
}
const HANDLING: Record<MediumKind, Handling> = {
  peatSoil: { water: 0.7, rinse: { minutes: 3, everyDays: 56 } },
  loam: { water: 0.7, rinse: { minutes: 3, everyDays: 56 } },
  mix: { water: 0.8, rinse: { minutes: 3, everyDays: 56 } },
  mineral: { water: 0.6 },
  // Poured twice, or stood in water: it runs through.
  bark: { water: 1.2 },
  moss: { water: 1 },
  // Mixed, filled to its mark; flushed where that is due.
  pebbles: { water: 1.2, rinse: { minutes: 2, everyDays: 14 } },
  // Dipped or misted.
  bare: { water: 1 },
};
/** Feed with a watering, monthly while it grows; about half of the year. */
const FEED = { minutes: 0.5, aYear: 6 };
/** Leaves looked through, a turn: every week or two. */
const LOOK = { minutes: 0.4, everyDays: 10 };
const WEEKS_A_YEAR = 52.18;
const DAYS_A_WEEK = 7;

/** What a plant takes of its keeper, minutes a week over the year. */
export interface Upkeep {
  minutesAWeek: number;
  water: number;
  rinse: number;
  feed: number;
  look: number;
}

/**
 * Work with one plant between its repots.
 *
 * @param byMonth  days between its waterings in each month, null: kept dry
 * @param damp  minutes a week that its damp pole takes
 */
export function upkeep(
  kind: MediumKind,
  { byMonth }: Pick<Drying, 'byMonth'>,
  { fed }: Pick<Traits, 'fed'>,
  damp = 0,
): Upkeep {
  const { water: each, rinse } = HANDLING[kind];
  const times = byMonth.map((days) => (days === null ? 0 : DAYS_A_WEEK / Math.max(0.5, days)));
  const water = (each * times.reduce((sum, n) => sum + n, 0)) / times.length + damp;
  const rinsing = rinse ? (rinse.minutes * DAYS_A_WEEK) / rinse.everyDays : 0;
  // Salts that nobody brings in need no rinse; a reservoir does for its air.
  const rinsed = fed || kind === 'pebbles' ? rinsing : 0;
  const feed = fed ? (FEED.minutes * FEED.aYear) / WEEKS_A_YEAR : 0;
  const look = (LOOK.minutes * DAYS_A_WEEK) / LOOK.everyDays;
  return { water, rinse: rinsed, feed, look, minutesAWeek: water + rinsed + feed + look };
}
