import { ref, watch, type Ref, type WatchSource } from 'vue';
import { wordsFor } from '../api/client.ts';
import { useLive } from '../stores/live.ts';
import { useSettings } from '../stores/settings.ts';

/**
 * Something fetched when a view opens and whenever what it depends on changes,
 * with its fault in words and a way to try again.
 */
export function useLoaded<T>(fetchIt: () => Promise<T>, on: WatchSource[] = []) {
  const value = ref(null) as Ref<T | null>;
  const fault = ref('');
  let latest = 0;
  async function load(): Promise<void> {
    const mine = ++latest;
    fault.value = '';
    try {
      const fetched = await fetchIt();
      if (mine === latest) value.value = fetched;
    } catch (error) {
      if (mine === latest) fault.value = wordsFor(error);
    }
  }
  // What another window or device did shows here without being asked for.
  const live = useLive();
  watch(() => live.turn, load);
  const settings = useSettings();
  watch(() => settings.daysBegun, load);
  // At once, so that the answer is on its way while the view is still being built.
  void load();
  if (on.length > 0) watch(on, load);
  return { value, fault, load };
}
