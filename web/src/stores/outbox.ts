import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api, ApiError, wordsFor } from '../api/client.ts';

/** A look, or one part of it, that could not be sent yet. */
export interface Parcel {
  path: string;
  body: unknown;
  /** stands for this one entry: the server takes it once, however often it is sent */
  key: string;
  /** whose it is, for the keeper's eye */
  label: string;
  /** why the server would not take it; such a one is not sent again by itself */
  refused?: string;
}

const RETRY_MS = 8000;

/**
 * What the server was too far away to take: kept in the browser, in order, and
 * sent when it answers again.
 */
export const useOutbox = defineStore('outbox', () => {
  const parcels = useLocalStorage<Parcel[]>('fernbank.outbox', []);
  const sending = ref(false);
  const waiting = computed(() => parcels.value.filter(({ refused }) => refused === undefined));
  const refused = computed(() => parcels.value.filter((parcel) => parcel.refused !== undefined));
  let timer: ReturnType<typeof setTimeout> | undefined;

  function keep(parcel: Parcel): void {
    parcels.value = [...parcels.value, parcel];
    later();
  }

  function later(): void {
    clearTimeout(timer);
    if (waiting.value.length > 0) timer = setTimeout(() => void send(), RETRY_MS);
  }

  /** Sends what waits, oldest first. @returns how many were taken */
  async function send(): Promise<number> {
    if (sending.value) return 0;
    sending.value = true;
    let sent = 0;
    try {
      for (const parcel of [...waiting.value]) {
        try {
          await api(parcel.path, { method: 'POST', body: parcel.body, key: parcel.key });
          parcels.value = parcels.value.filter((kept) => !same(kept, parcel));
          sent += 1;
        } catch (error) {
          // A door that closed meanwhile is no refusal of what waits.
          if (error instanceof ApiError && (error.silent || error.status === 401)) break;
          parcels.value = parcels.value.map((kept) =>
            same(kept, parcel) ? { ...kept, refused: wordsFor(error) } : kept,
          );
        }
      }
    } finally {
      sending.value = false;
      later();
    }
    return sent;
  }

  function drop(parcel: Parcel): void {
    parcels.value = parcels.value.filter((kept) => !same(kept, parcel));
  }
  return { parcels, waiting, refused, sending, keep, send, drop };
});

const same = (a: Parcel, b: Parcel) => a.key === b.key;
