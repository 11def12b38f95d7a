import { DEFAULT_SETTINGS, type IsoDate } from '@fernbank/core';
import { useEventListener, useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api } from '../api/client.ts';
import type { Settings } from '../api/types.ts';

/** How often a page that stays open looks whether a new day has begun. */
const DAY_LOOK_MS = 30_000;

/** What the keeper chose for the whole collection, and the day it is where the server stands. */
export const useSettings = defineStore('settings', () => {
  const current = ref<Settings>({
    ...DEFAULT_SETTINGS,
    today: localDay(),
    clock: false,
  });

  /** days that began while this page was open */
  const daysBegun = ref(0);

  let known = false;
  async function load(): Promise<void> {
    const { today: before } = current.value;
    current.value = await api('/settings');
    if (known && current.value.today !== before) daysBegun.value += 1;
    known = true;
  }
  async function change(changed: Partial<Omit<Settings, 'demo' | 'today'>>): Promise<void> {
    current.value = await api('/settings', { method: 'PATCH', body: changed });
  }
  /** A page that is open past midnight, or wakes the next morning, learns that it is another day. */
  function followDay(): void {
    let seen = localDay();
    const look = async () => {
      // A garden made up for trying has a day of its own, which another window may have moved.
      if (localDay() === seen && !current.value.clock) return;
      await load();
      seen = localDay();
    };
    const quietly = () => void look().catch(() => undefined);
    useIntervalFn(quietly, DAY_LOOK_MS);
    useEventListener(document, 'visibilitychange', quietly);
  }
  return { current, daysBegun, load, change, followDay };
});

/** The day on this device's calendar. */
function localDay(): IsoDate {
  const now = new Date();
  const pad = (n: number) => String(n).padStart(2, '0');
  return `${now.getFullYear()}-${pad(now.getMonth() + 1)}-${pad(now.getDate())}`;
}
