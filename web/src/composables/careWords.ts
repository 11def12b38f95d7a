import {
  blendOf,
  dryingOfPresent,
  upkeep,
  usableWater,
  waterRhythm,
  type WaterRhythm,
} from '@fernbank/core';
import type { PlantFile } from '../api/types.ts';
import { m } from '../messages/index.ts';
import { useUnits } from './useUnits.ts';

const DAYS_A_WEEK = 7;
const spell = (days: number) =>
  days >= 4 * DAYS_A_WEEK && days % DAYS_A_WEEK === 0
    ? m.upkeep.weeks(days / DAYS_A_WEEK)
    : m.upkeep.days(days);

/** Under two minutes halves tell plants apart; nobody times them closer. */
const asTimed = (minutes: number) =>
  minutes < 2 ? Math.max(0.5, Math.round(2 * minutes) / 2) : Math.round(minutes);

/** A spell in a column; null: none is given. */
export const daysTold = (days: number | null): string =>
  days === null ? m.upkeep.none : spell(days);

/** How often, now and at rest, in words. */
export function rhythmWords({ watering, nowDays, restDays }: WaterRhythm): string {
  if (nowDays === null) return m.upkeep.dry;
  // What must never dry is looked at, not counted out.
  if (watering === 'keptWet')
    return m.upkeep.neverDry(nowDays <= DAYS_A_WEEK ? spell(nowDays) : null);
  const now = m.upkeep.every[watering](spell(nowDays));
  if (restDays === null) return m.upkeep.thenDry(now);
  return Math.abs(restDays - nowDays) <= 1 ? now : m.upkeep.atRest(now, spell(restDays));
}

/** What a plant asks of its keeper between repots, by its own log where there is one. */
export function useCareWords() {
  const { number } = useUnits();
  return {
    careWords({ plant, situation, water, reservoir }: PlantFile): {
      water: string;
      upkeep: string;
    } {
      const drying = dryingOfPresent(
        situation,
        blendOf(situation.medium),
        plant.mediumKind,
        plant.potMaterial,
        water,
        reservoir ? usableWater(reservoir.reservoir.fullL, situation.schools.winter) : undefined,
      );
      const { minutesAWeek } = upkeep(plant.mediumKind, drying, situation.traits);
      const said = rhythmWords(waterRhythm(drying, situation.date));
      return {
        water: drying.own ? m.upkeep.byLog(said) : said,
        upkeep: m.upkeep.minutes(number(asTimed(minutesAWeek), 1)),
      };
    },
  };
}
