import { roomReading, type RoomReading, type Spot } from '@fernbank/core';
import { onBeforeUnmount, ref } from 'vue';
import { api, wordsFor } from '../api/client.ts';
import { useSettings } from '../stores/settings.ts';

const EVERY_MS = 250;
/** The stand-in runs through a day in 24 readings, so that months of them can be tried. */
const STEP_MS = 3_600_000;
const BATCH = 12;
const HOURS_BACK = 24 * 60;
const SEED = 54;

/**
 * Listens to the room sensor's stand-in at a spot: streams readings of the last
 * two months, hour by hour, and has them stored as they come.
 */
export function useRoomSensor(spotId: () => number, spot: () => Spot, stored: () => void) {
  const latest = ref<RoomReading | null>(null);
  const listening = ref(false);
  const fault = ref('');
  const settings = useSettings();
  let timer: ReturnType<typeof setInterval> | undefined;
  let batch: RoomReading[] = [];
  let at = 0;

  async function flush(): Promise<void> {
    if (batch.length === 0) return;
    const readings = batch;
    batch = [];
    await api(`/spots/${spotId()}/readings`, { method: 'POST', body: { readings } });
    stored();
  }
  function listen(): void {
    // By the server's calendar: a browser whose clock is wrong would send readings from the future.
    const now = Date.parse(`${settings.current.today}T00:00:00Z`);
    fault.value = '';
    at = now - HOURS_BACK * STEP_MS;
    listening.value = true;
    timer = setInterval(() => {
      // A day at each step of the clock.
      for (let hour = 0; hour < BATCH && at <= now; hour++, at += STEP_MS) {
        latest.value = roomReading(spot(), at, SEED + spotId());
        batch.push(latest.value);
      }
      void flush().catch((error: unknown) => {
        fault.value = wordsFor(error);
        stop();
      });
      if (at > now) stop();
    }, EVERY_MS);
  }
  function stop(): void {
    clearInterval(timer);
    listening.value = false;
  }
  onBeforeUnmount(stop);
  return { latest, listening, fault, listen, stop };
}
