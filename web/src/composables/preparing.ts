import { preparations, type Component, type Part } from '@fernbank/core';
import { usePantry } from '../stores/pantry.ts';
import { useSettings } from '../stores/settings.ts';

/** What is done with components beforehand, by the keeper's own school of wetting. */
export function usePreparing() {
  const store = usePantry();
  const settings = useSettings();
  return {
    preparing: (parts: readonly Part<Component>[]) =>
      preparations(
        parts.map(({ ingredient }) => ingredient),
        ({ id }) => store.stockOf(id)?.wetting ?? settings.current.wettingSchool,
      ),
  };
}
