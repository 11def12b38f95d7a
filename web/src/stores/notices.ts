import { defineStore } from 'pinia';
import { ref, watch } from 'vue';
import { wordsFor } from '../api/client.ts';
import { useUndo } from './undo.ts';

/** How what a notice tells of is taken back. */
interface WayBack {
  /** the entry of the history that it became; null: nothing was changed */
  deed: number | null;
  /** shows how it stands then */
  back?: () => unknown;
  /** and is said of it */
  said?: string;
}
interface Notice {
  text: string;
  kind: 'done' | 'fault';
  undo?: WayBack;
}

/** The one line at the foot of the screen that says what happened, and takes it back. */
export const useNotices = defineStore('notices', () => {
  const current = ref<Notice | null>(null);
  /** counts what was said */
  const turn = ref(0);
  watch(current, (now) => now && turn.value++, { flush: 'sync' });
  const { takeBack } = useUndo();

  function done(text: string, undo?: WayBack): void {
    current.value = { text, kind: 'done', ...(undo?.deed ? { undo } : {}) };
  }
  function fault(error: unknown): void {
    current.value = { text: wordsFor(error), kind: 'fault' };
  }
  async function undo(): Promise<void> {
    const way = current.value?.undo;
    if (!way) return;
    current.value = null;
    try {
      if (!(await takeBack(`/history/${way.deed}/undo`))) return;
      await way.back?.();
      if (way.said) done(way.said);
    } catch (error) {
      fault(error);
    }
  }
  return {
    current,
    turn,
    done,
    fault,
    undo,
    /** a fault that is in words already */
    say: (text: string) => {
      current.value = { text, kind: 'fault' };
    },
    clear: () => {
      current.value = null;
    },
  };
});
