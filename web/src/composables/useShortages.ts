import type { Ahead } from '@fernbank/core';
import { computed, type Ref } from 'vue';
import { m } from '../messages/index.ts';
import type { Answers } from '../api/contract.ts';
import { withinYear } from './bands.ts';
import { useUnits } from './useUnits.ts';

type Stock = Answers['GET /ahead']['stock'];

/** Something short that is bought now: pots of a width, or so much of a component. */
export interface Bought {
  id: string;
  title: string;
  pots?: { rimCm: number; count: number };
  mix?: { component: string; litres: number };
}

/** Nobody buys a component by the decilitre. */
const HALF_L = 0.5;
const toBuyL = (litres: number) => HALF_L * Math.ceil(litres / HALF_L);

/** What a year may need against what is there and what is bought now. */
export function useShortages(
  ahead: Ref<Ahead | null>,
  stock: Ref<Stock>,
  bought: Ref<readonly Bought[]>,
) {
  const { volume, length } = useUnits();

  /** Components by how much of them is needed; `missing`: L that one of ten courses is short of, or more. */
  const mixes = computed(() =>
    (ahead.value?.components ?? [])
      .map(({ component, litres }) => {
        const row = stock.value.find((one) => one.component === component)!;
        const more = bought.value.reduce(
          (sum, { mix }) => sum + (mix?.component === component ? mix.litres : 0),
          0,
        );
        const there = row.litres === null ? null : row.litres + more;
        const need = withinYear(litres);
        const missing = there === null ? 0 : toBuyL(Math.max(0, need.high - there));
        const bags = row.bagL && missing > 0 ? Math.ceil(missing / row.bagL) : null;
        return { ...row, litres: there, need, missing, bags };
      })
      .filter(({ need }) => need.high >= 0.05)
      .sort((a, b) => b.need.middle - a.need.middle),
  );
  const toBuy = computed(() =>
    (ahead.value?.toBuy ?? [])
      .map(({ rimCm, pots }) => ({ rimCm, need: withinYear(pots) }))
      .filter(({ need }) => need.high >= 1),
  );

  const short = computed((): Bought[] => [
    ...toBuy.value.flatMap(({ rimCm, need }) => {
      const count = Math.round(need.middle);
      return count < 1
        ? []
        : {
            id: `pots ${rimCm}`,
            title: m.ahead.shortPots(String(count), length(rimCm)),
            pots: { rimCm, count },
          };
    }),
    ...mixes.value.flatMap(({ component, label, missing, bags, bagL }) => {
      if (missing === 0) return [];
      const litres = bags ? bags * bagL! : missing;
      const title = bags
        ? m.ahead.shortBags(bags, volume(litres), label)
        : m.ahead.shortMix(volume(litres), label);
      return { id: `mix ${component}`, title, mix: { component, litres } };
    }),
  ]);

  return {
    mixes,
    toBuy,
    short: computed(() => short.value.map(({ title }) => title)),
    /** what is short still, and what was chosen of it already */
    offers: computed(() => [
      ...bought.value,
      ...short.value.filter(({ id }) => bought.value.every((one) => one.id !== id)),
    ]),
  };
}
