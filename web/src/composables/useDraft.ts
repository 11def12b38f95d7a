import { useLocalStorage } from '@vueuse/core';
import { computed, watch, type Ref } from 'vue';
import { m } from '../messages/index.ts';
import { useNotices } from '../stores/notices.ts';
import { useSettings } from '../stores/settings.ts';

/** Of what was kept the fields that the form still has, as the kind of thing that they are there. */
function onlyKnown<T extends object>(kept: T, blank: T): T {
  const known = Object.entries(blank).map(([field, empty]: [string, unknown]) => {
    const value = (kept as Record<string, unknown>)[field];
    return [field, isLike(value, empty) ? value : empty];
  });
  return Object.fromEntries(known) as T;
}
/** A field that is empty may come to hold anything. */
const isLike = (value: unknown, empty: unknown): boolean =>
  value !== undefined &&
  (empty === null ||
    value === null ||
    (typeof value === typeof empty && Array.isArray(value) === Array.isArray(empty)));

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
  const notices = useNotices();
  const draft = useLocalStorage<T>(`fernbank.draft.${key}`, empty(), {
    writeDefaults: false,
    // Kept by an earlier Fernbank, or by hand: what this form does not know would only be refused later.
    mergeDefaults: (kept, blank) => onlyKnown(kept, blank),
    onError: () => notices.say(m.app.draftDropped),
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
