import { useLocalStorage } from '@vueuse/core';
import { computed, watch, type Ref } from 'vue';
import { useSettings } from '../stores/settings.ts';

/**
 * Something being typed, kept in the browser until it is sent: it survives a
 * failed save, a reload and a lost server.
 *
 * @param key  one for each form and plant
 */
export function useDraft<T extends object>(
  key: string,
  empty: () => T,
): { draft: Ref<T>; restored: boolean; changed: Ref<boolean>; clear: () => void } {
  let blank = JSON.stringify(empty());
  const draft = useLocalStorage<T>(`fernbank.draft.${key}`, empty(), {
    mergeDefaults: true,
    writeDefaults: false,
  }) as Ref<T>;
  const changed = computed(() => JSON.stringify(draft.value) !== blank);
  // A form that nobody has touched is that of the day, also on a page that was open past midnight.
  const settings = useSettings();
  watch(
    () => settings.current.today,
    () => {
      const untouched = !changed.value;
      blank = JSON.stringify(empty());
      if (untouched) draft.value = empty();
    },
  );
  return {
    draft,
    restored: changed.value,
    changed,
    clear: () => {
      // null takes it out of the browser's store and falls back to the blank form.
      (draft as Ref<T | null>).value = null;
      draft.value = empty();
    },
  };
}
