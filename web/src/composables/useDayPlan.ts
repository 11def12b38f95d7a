import { computed } from 'vue';
import { useDay } from '../stores/day.ts';

/** The day in hand with its plan, for the rooms that only read it. */
export function useDayPlan() {
  const store = useDay();
  void store.load();
  return {
    store,
    current: computed(() => store.current),
    laid: computed(() => store.laid),
    isSettled: computed(() => store.current !== null && store.current.state !== 'planning'),
  };
}
