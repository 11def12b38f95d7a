import { ref } from 'vue';
import type { Task } from '../api/types.ts';

/** What asks for feed is answered by saying what was given. */
const ASKS: ReadonlySet<string | null> = new Set(['feed', 'feedAgain', 'feedLiquid']);
export const asksForFeed = ({ rule }: Pick<Task, 'rule'>): boolean => ASKS.has(rule);

/** The plant that is being fed, and whether its dialog stands open. */
export function useFeeding() {
  const fed = ref<{ id: number; name: string } | null>(null);
  const feeding = ref(false);
  return {
    fed,
    feeding,
    feed(plant: { id: number; name: string }): void {
      fed.value = plant;
      feeding.value = true;
    },
  };
}
