import {
  halvesSaid,
  inYears,
  yearsOf,
  kindOfRecipe as kindOf,
  MEDIUM_KINDS,
  type MediumKind,
  type RecipePart,
  type Rung,
} from '@fernbank/core';
import { m } from '../messages/index.ts';
import { usePantry } from '../stores/pantry.ts';
import { useUnits } from './useUnits.ts';

/** Beyond ten years a band says no more than that. */
const LONGEST_MONTHS = 120;

/** Of a band that reaches so many times as far its end says nothing any more. */
const WIDE = 4;

/** In the cold a pot stays wet for months: nobody counts those days. */
const SELDOM_DAYS = 60;

/** Numbers of a ladder or a verdict as words with their units. */
export function useFigureWords() {
  const { months } = useUnits();
  const inMonths = (count: number) =>
    inYears(count)
      ? m.verdictPage.years(halvesSaid(yearsOf(count)))
      : m.verdictPage.months(months(count)!);
  const days = (count: number) => String(Math.max(1, Math.round(count)));
  /** Days between waterings, at the height of growth and at rest. */
  function dryWord({ drying: { watering, growthDays, restDays } }: Pick<Rung, 'drying'>): string {
    if (watering === 'keptWet') return m.fit.keptWet(days(growthDays));
    if (restDays === null) return m.fit.dryRest(days(growthDays));
    if (restDays > SELDOM_DAYS) return m.fit.drySeldom(days(growthDays));
    if (watering === 'dries' && days(restDays) === days(growthDays)) {
      return m.fit.dryAllYear(days(growthDays));
    }
    return (watering === 'filling' ? m.fit.filling : m.fit.dryValue)(
      days(growthDays),
      days(restDays),
    );
  }
  function dryShort({ drying: { watering, growthDays, restDays } }: Pick<Rung, 'drying'>): string {
    if (watering === 'keptWet') return m.fit.keptWetShort;
    if (restDays === null) return m.fit.dryShortRest(days(growthDays));
    if (restDays > SELDOM_DAYS) return m.fit.dryShortSeldom(days(growthDays));
    return (watering === 'filling' ? m.fit.fillingShort : m.fit.dryShort)(
      days(growthDays),
      days(restDays),
    );
  }
  return {
    inMonths,
    crowdedWord: (count: number | null) =>
      count === null ? m.fit.never : count < 0.5 ? m.fit.already : m.fit.crowdedIn(inMonths(count)),
    /** with its 80 % band */
    crowdedBand: ({ monthsToCrowded: at, crowdedBand: band }: Rung) => {
      if (at === null) return m.fit.never;
      if (at < 0.5 || !band) return m.fit.already;
      const each = inYears(at) ? 12 : 1;
      const whole = (count: number) =>
        count > LONGEST_MONTHS
          ? m.fit.over(LONGEST_MONTHS / each)
          : String(Math.max(1, Math.round(count / each)));
      return band.latest > WIDE * at
        ? m.fit.crowdedFrom(inMonths(at), whole(band.soonest))
        : m.fit.crowdedBand(inMonths(at), whole(band.soonest), whole(band.latest));
    },
    mediumWord: (count: number | null) => (count === null ? m.fit.noAgeing : inMonths(count)),
    days,
    dryWord,
    dryShort,
    degrees: (value: number) => `${value.toFixed(0)}°`,
  };
}

/** What a medium is called: its recipe where one is known, else its kind. */
export function mediumName(kind: string, recipeId: string | null): string {
  const { recipes } = usePantry().pantry;
  return (
    recipes.find(({ id }) => id === recipeId)?.label ??
    usePantry().recipes.find(({ id }) => id === recipeId)?.label ??
    MEDIUM_KINDS.find(({ id }) => id === kind)?.label ??
    kind
  );
}

/** The kind of medium that a recipe of the keeper's pantry makes. */
export const kindOfRecipe = (recipeId: string, parts: readonly RecipePart[]): MediumKind =>
  kindOf(recipeId, parts, usePantry().pantry);
