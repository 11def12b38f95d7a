import {
  addDays,
  dayNumber,
  demandOver,
  fillL,
  freshIn,
  type Blend,
  type IsoDate,
  type PotShape,
  type Spot,
  type Traits,
} from '@fernbank/core';
import type { Db } from '../server/src/db/driver.ts';
import { measurements } from '../server/src/db/schema.ts';
import { stamp } from '../server/src/http/resource.ts';

/** How a plant drinks, and what became of it since its last repot. */
export interface Habit {
  /** use against a leafy plant */
  use: number;
  /** by how much more it uses in the end than at first, and how much less its pot holds */
  usesMore: number;
  holdsLess: number;
}

/** Watering is skipped over this many days at most, however dim the corner. */
const LONGEST_CYCLE_DAYS = 24;
/** Water is given when so much of what the pot holds is gone. */
const WATERED_AT = 0.55;

export interface Watering {
  date: IsoDate;
  /** as it was found; null of the first */
  beforeKg: number | null;
  afterKg: number;
}

/**
 * Waterings in turn: use follows the spot's weather and grows as the plant fills its pot, which comes
 * to hold less.
 *
 * @param from  day of the first
 * @param through  how far what became of it has come on a day, 0 … 1
 * @param chance  what luck a watering has
 */
export function* waterings(of: {
  traits: Traits;
  spot: Spot;
  pot: PotShape;
  mix: Blend;
  habit: Habit;
  from: IsoDate;
  until: IsoDate;
  through: (date: IsoDate) => number;
  chance: (date: IsoDate) => () => number;
}): Generator<Watering> {
  const { traits, spot, pot, mix, habit, until, through, chance } = of;
  const { water } = freshIn(mix, pot);
  const litres = fillL(pot);
  const dryKg = litres * (mix.dryKgPerL + 0.28);
  const usualG = 34 * litres * habit.use;
  let { from: date } = of;
  let wetKg: number | null = null;
  while (date <= until) {
    const random = chance(date);
    const far = through(date);
    const holds = water * litres * (1 - habit.holdsLess * far) * (0.98 + 0.04 * random());
    const day = dayNumber(date);
    const asked = demandOver({ from: day, to: day + 7 }, spot, traits);
    const perDayG = usualG * asked * (1 + habit.usesMore * far) * (0.9 + 0.2 * random());
    const beforeKg = wetKg && Math.max(dryKg + 0.1 * holds, wetKg - WATERED_AT * holds);
    wetKg = dryKg + holds;
    yield { date, beforeKg, afterKg: wetKg };
    const lasts = (WATERED_AT * holds * 1000) / perDayG;
    date = addDays(date, Math.round(Math.min(LONGEST_CYCLE_DAYS, Math.max(2, lasts))));
  }
}

/** Writes a watering down as it is logged: weighed, watered, weighed again once it has drained. */
export function keepWatering(db: Db, plantId: number, { date, beforeKg, afterKg }: Watering): void {
  const log = (minute: number, kind: 'weightKg' | 'watered', value: number) =>
    db
      .insert(measurements)
      .values({ ...stamp(), plantId, date, minute, kind, value: Math.round(value * 1000) / 1000 })
      .run();
  if (beforeKg !== null) log(595, 'weightKg', beforeKg);
  log(605, 'watered', 1);
  log(660, 'weightKg', afterKg);
}
