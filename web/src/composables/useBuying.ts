import { computed } from 'vue';
import { m } from '../messages/index.ts';
import { useSettings } from '../stores/settings.ts';
import { useUnits } from './useUnits.ts';

/** What a pot that is not owned is said to be: to buy, and for how much where the keeper told what pots cost. */
export function useBuying() {
  const settings = useSettings();
  const { money } = useUnits();
  const price = computed(() => settings.current.potPrice);
  return {
    toBuy: computed(() =>
      price.value === null ? m.fit.source.toBuy : m.fit.source.toBuyFor(money(price.value)),
    ),
    buyLine: computed(() => (price.value === null ? '' : m.fit.buyLine(money(price.value)))),
  };
}
