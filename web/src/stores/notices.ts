import { defineStore } from 'pinia';
import { ref } from 'vue';
import { wordsFor } from '../api/client.ts';

interface Notice {
  text: string;
  kind: 'done' | 'fault';
  undo?: () => Promise<void>;
}

/** The one line at the foot of the screen that says what happened. */
export const useNotices = defineStore('notices', () => {
  const current = ref<Notice | null>(null);
  return {
    current,
    done: (text: string, undo?: () => Promise<void>) => {
      current.value = { text, kind: 'done', ...(undo ? { undo } : {}) };
    },
    fault: (error: unknown) => {
      current.value = { text: wordsFor(error), kind: 'fault' };
    },
    /** a fault that is in words already */
    say: (text: string) => {
      current.value = { text, kind: 'fault' };
    },
    clear: () => {
      current.value = null;
    },
  };
});
