import {
  BALL_STAYS,
  fillL,
  nominalPot,
  potExtras,
  sectionCm2,
  usualHeadspaceCm,
  type PotExtra,
  type Recipe,
} from '@fernbank/core';
import { computed, type Ref } from 'vue';
import { m } from '../messages/index.ts';
import { usePantry } from '../stores/pantry.ts';
import { useUnits } from './useUnits.ts';

/** Pots without a plan: so many of one width, out of another. */
export interface PotRow {
  count: number | null;
  rimCm: number | null;
  fromCm: number | null;
  work: keyof typeof BALL_STAYS | 'noBall';
}
/** What pots of a batch take of the mix, L each; a row that cannot be yet takes none and says why. */
export interface PotsLitres {
  label: string;
  each: number;
  count: number;
  extras: PotExtra[];
  fault: string;
}

const SMALLEST_CM = 3;
const LARGEST_CM = 120;
const isWidth = (cm: number) => cm >= SMALLEST_CM && cm <= LARGEST_CM;

/** What rows of pots take of a recipe, as they are typed. */
export function usePotRows(typed: Ref<PotRow[]>, recipe: Ref<Pick<Recipe, 'extras'>>) {
  const store = usePantry();
  const { length } = useUnits();

  return computed(() =>
    typed.value.map(({ count, rimCm, fromCm, work }): PotsLitres => {
      const none = { label: '', each: 0, count: 0, extras: [] };
      // A draft of an earlier Fernbank lacks its widths.
      if (count === null || rimCm == null) return { ...none, fault: m.mix.rowOpen };
      if (count < 1 || !Number.isInteger(count)) return { ...none, fault: m.mix.rowCount };
      if (!isWidth(rimCm) || (fromCm != null && !isWidth(fromCm))) {
        return { ...none, fault: m.mix.rowRim(length(SMALLEST_CM), length(LARGEST_CM)) };
      }
      const pot = nominalPot(rimCm);
      const ball =
        work === 'noBall' || fromCm == null ? 0 : fillL(nominalPot(fromCm)) * BALL_STAYS[work];
      const each = fillL(pot) - ball;
      if (each <= 0) return { ...none, fault: m.mix.rowBall };
      const surfaceCm2 = sectionCm2(pot, pot.heightCm - usualHeadspaceCm(pot));
      const extras = potExtras(recipe.value.extras, store.pantry, surfaceCm2, each);
      return { label: m.mix.rowLabel(count, length(rimCm)), each, count, extras, fault: '' };
    }),
  );
}
