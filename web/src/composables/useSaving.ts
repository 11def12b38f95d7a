import { ref } from 'vue';
import { ApiError, wordsFor } from '../api/client.ts';

const lastPart = (field: string) => field.split('.').pop() ?? field;

/**
 * A form that is sent: whether it is under way, what is wrong with a field, and
 * what is wrong with the whole. Nothing typed is touched.
 *
 * @param shownAs  the field of the form at which a refused field of the API is told
 */
export function useSaving(shownAs: (field: string) => string = lastPart) {
  const saving = ref(false);
  const errors = ref<Record<string, string>>({});
  const fault = ref('');

  function clearFaults(): void {
    errors.value = {};
    fault.value = '';
  }
  /** @param missing  what is wrong before anything is sent, by field: then nothing is */
  async function send(missing: Record<string, string>, write: () => Promise<void>): Promise<void> {
    fault.value = '';
    errors.value = missing;
    if (Object.keys(missing).length > 0) return;
    saving.value = true;
    try {
      await write();
    } catch (error) {
      // Told by its field and for the whole: not every field of the API has its place on the form.
      fault.value = wordsFor(error);
      if (error instanceof ApiError && error.field) {
        errors.value = { [shownAs(error.field)]: fault.value };
      }
    } finally {
      saving.value = false;
    }
  }
  return { saving, errors, fault, clearFaults, send };
}
