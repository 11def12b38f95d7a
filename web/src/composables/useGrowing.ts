import { useIntersectionObserver } from '@vueuse/core';
import { computed, ref, useTemplateRef, watch, type Ref } from 'vue';

/** Drawn at once: more than a screen holds; and added so many at a time, which a frame can take. */
const FIRST = 30;
const STEP = 6;
/** How far below the screen the next ones are drawn, so that they are there when they are reached. */
const AHEAD = '1200px 0px';

/**
 * A long list that is drawn as far as it was scrolled. What is searched for is found in the whole
 * of it; another search begins at its top again.
 *
 * Its template puts a mark with `ref="end"` below it.
 *
 * @param beyond  of a list that is fetched in parts: how long it is, and how its next part comes
 */
export function useGrowing<T>(
  list: Ref<readonly T[]>,
  beyond?: { total: Ref<number>; next: () => Promise<void> },
) {
  const count = ref(FIRST);
  const end = useTemplateRef<HTMLElement>('end');
  const drawn = computed(() => list.value.slice(0, count.value));
  const more = computed(() => (beyond?.total.value ?? list.value.length) > count.value);
  let near = false;
  function grow(): void {
    if (!near || !more.value) return;
    if (beyond && list.value.length <= count.value) return void beyond.next();
    count.value += STEP;
    // The mark may still be in sight once these are drawn: then nobody tells of it again.
    requestAnimationFrame(grow);
  }
  useIntersectionObserver(
    end,
    ([entry]) => {
      near = entry?.isIntersecting ?? false;
      grow();
    },
    { rootMargin: AHEAD },
  );
  watch(
    () => list.value,
    (now, before) => {
      // A part that was fetched goes on where the last one ended.
      const longer =
        beyond && before.length > 0 && now[0] === before[0] && now.length > before.length;
      if (longer) requestAnimationFrame(grow);
      else if (now.length !== before.length) count.value = FIRST;
    },
  );
  return { drawn, more };
}
