import { ref } from 'vue';
import { api } from '../api/client.ts';
import { useLoaded } from './useLoaded.ts';

/** Fernbank's own record, asked for until all of it is worked through. */
export function useRecord() {
  /** plants still to be worked through; null: none */
  const toCome = ref<number | null>(null);
  const loaded = useLoaded(async () => {
    try {
      for (;;) {
        const record = await api('/track-record');
        if (record.toCome === 0) return record;
        toCome.value = record.toCome;
      }
    } finally {
      toCome.value = null;
    }
  });
  return { ...loaded, toCome };
}
