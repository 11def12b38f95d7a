import { ref } from 'vue';
import type { Task } from '../api/types.ts';

/** What asks for feed is answered by saying what was given. */
const ASKS: ReadonlySet<string | null> = new Set(['feed', 'feedAgain', 'feedLiquid']);
export const asksForFeed = ({ rule }: Pick<Task, 'rule'>): boolean => ASKS.has(rule);

interface Fed {
  id: number;
  name: string;
}

/** The plants that are being fed, and whether their dialog stands open. */
export function useFeeding() {
  const fed = ref<readonly Fed[]>([]);
  const feeding = ref(false);
  return {
    fed,
    feeding,
    feed(...plants: Fed[]): void {
      fed.value = plants;
      feeding.value = true;
    },
  };
}
