import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, onScopeDispose, ref } from 'vue';
import { api, ApiError, wordsFor } from '../api/client.ts';
import { dropPictures, keepPictures, picturesOf } from './pictures.ts';

/** A visit to a plant that could not be sent yet; its pictures lie apart, under its key. */
export interface Parcel {
  path: string;
  body: object;
  /** stands for this one entry: the server takes it once, however often it is sent */
  key: string;
  /** whose it is, for the keeper's eye */
  label: string;
  /** why the server would not take it; such a one is sent again when the keeper says so */
  refused?: string;
}

const RETRY_MS = 8000;
/** Each time that nothing went through, the wait doubles, up to this. */
const LONGEST_RETRY_MS = 300_000;

/** What will pass by itself: the server is away, busy, shut, short of room, or mended before the next try. */
const passes = (error: unknown) =>
  !(error instanceof ApiError) ||
  error.silent ||
  error.status >= 500 ||
  [401, 408, 425, 429].includes(error.status);

/**
 * What the server was too far away to take: kept in the browser, in order, and
 * sent when it answers again. Nothing leaves it but by being taken, or by the keeper's hand.
 */
export const useOutbox = defineStore('outbox', () => {
  const parcels = useLocalStorage<Parcel[]>('fernbank.outbox', []);
  const sending = ref(false);
  const waiting = computed(() => parcels.value.filter(({ refused }) => refused === undefined));
  const refused = computed(() => parcels.value.filter((parcel) => parcel.refused !== undefined));
  let timer: ReturnType<typeof setTimeout> | undefined;
  let patience = RETRY_MS;
  onScopeDispose(() => clearTimeout(timer));

  async function keep(parcel: Parcel, pictures: readonly string[] = []): Promise<void> {
    const apart = await keepPictures(parcel.key, pictures).then(
      () => true,
      () => false,
    );
    const { body } = parcel;
    // A browser without a database keeps pictures among its texts, as far as there is room.
    const whole = apart ? parcel : { ...parcel, body: { ...body, photos: pictures } };
    parcels.value = [...parcels.value, whole];
    later();
  }

  function later(): void {
    clearTimeout(timer);
    if (waiting.value.length > 0) timer = setTimeout(() => void send(), patience);
  }

  /** Sends what waits, oldest first. @returns how many were taken */
  async function send(): Promise<number> {
    if (sending.value) return 0;
    sending.value = true;
    let sent = 0;
    try {
      for (const parcel of [...waiting.value]) {
        try {
          const photos = await picturesOf(parcel.key).catch(() => []);
          const body = photos.length > 0 ? { ...parcel.body, photos } : parcel.body;
          await api(parcel.path, { method: 'POST', body, key: parcel.key });
          await drop(parcel);
          sent += 1;
        } catch (error) {
          if (passes(error)) break;
          change(parcel, wordsFor(error));
        }
      }
    } finally {
      patience = sent > 0 ? RETRY_MS : Math.min(2 * patience, LONGEST_RETRY_MS);
      sending.value = false;
      later();
    }
    return sent;
  }

  function change(parcel: Parcel, why?: string): void {
    const { refused: _before, ...rest } = parcel;
    parcels.value = parcels.value.map((kept) =>
      same(kept, parcel) ? { ...rest, ...(why === undefined ? {} : { refused: why }) } : kept,
    );
  }
  /** What was refused waits again, and is sent. */
  function again(parcel: Parcel): Promise<number> {
    change(parcel);
    return send();
  }
  async function drop(parcel: Parcel): Promise<void> {
    parcels.value = parcels.value.filter((kept) => !same(kept, parcel));
    await dropPictures(parcel.key).catch(() => undefined);
  }
  return { parcels, waiting, refused, sending, keep, send, again, drop };
});

const same = (a: Parcel, b: Parcel) => a.key === b.key;
