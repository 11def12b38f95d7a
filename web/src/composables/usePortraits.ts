import { api } from '../api/client.ts';
import { useLoaded } from './useLoaded.ts';

/** Which picture each plant is known by in lists: its newest. A list without them is drawn. */
export function usePortraits(): (plantId: number) => number | null {
  const { value } = useLoaded(() =>
    api('/photos').then(({ items }) => new Map(items.map(({ plantId, id }) => [plantId, id]))),
  );
  return (plantId) => value.value?.get(plantId) ?? null;
}
