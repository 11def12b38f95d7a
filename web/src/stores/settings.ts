import { DEFAULT_SETTINGS } from '@fernbank/core';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api } from '../api/client.ts';
import type { Settings } from '../api/types.ts';

/** What the keeper chose for the whole collection. */
export const useSettings = defineStore('settings', () => {
  const current = ref<Settings>({
    ...DEFAULT_SETTINGS,
    today: new Date().toISOString().slice(0, 10),
  });

  async function load(): Promise<void> {
    current.value = await api<Settings>('/settings');
  }
  async function change(changed: Partial<Omit<Settings, 'demo' | 'today'>>): Promise<void> {
    current.value = await api<Settings>('/settings', { method: 'PATCH', body: changed });
  }
  return { current, load, change };
});
