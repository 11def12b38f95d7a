import { useRoute } from 'vue-router';
import { api } from '../api/client.ts';
import { useLoaded } from './useLoaded.ts';

/** The plant of this page with all that it could be fitted with. */
export function usePlantFit() {
  const id = Number(useRoute().params.id);
  const loaded = useLoaded(async () => {
    const [file, fitting] = await Promise.all([
      api(`/plants/${id}/file`),
      api(`/plants/${id}/fitting`),
    ]);
    return { file, fitting };
  });
  return { id, ...loaded };
}
