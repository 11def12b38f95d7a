import { useEventListener } from '@vueuse/core';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { GO_TO } from '../places.ts';

/** How long a g waits for its letter. */
const WAIT_MS = 1500;

const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement &&
  (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/**
 * Keys that work wherever nothing is being typed.
 *
 * @param on  what a key does, by the key
 * @returns whether the list of keys is open
 */
export function useShortcuts(on: Record<string, () => void>) {
  const router = useRouter();
  const listOpen = ref(false);
  let waits = 0;
  useEventListener(window, 'keydown', (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    if (document.querySelector('.v-dialog.v-overlay--active') && event.key !== '?') return;
    const { key } = event;
    if (Date.now() < waits && GO_TO[key]) {
      waits = 0;
      event.preventDefault();
      void router.push(GO_TO[key].to);
    } else if (key === 'g') {
      waits = Date.now() + WAIT_MS;
    } else if (key === '?') {
      event.preventDefault();
      listOpen.value = !listOpen.value;
    } else if (key === '/') {
      const search = document.querySelector<HTMLInputElement>('main [data-search] input');
      if (!search) return;
      event.preventDefault();
      search.focus();
    } else if (on[key]) {
      event.preventDefault();
      on[key]();
    }
  });
  return { listOpen };
}
