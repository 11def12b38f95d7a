import { write } from '../api/client.ts';
import type { Task } from '../api/types.ts';
import { m } from '../messages/index.ts';
import { useNotices } from '../stores/notices.ts';

/**
 * Marks a task done on a day, with a way back for as long as the notice stands.
 *
 * @param reload  fetches what the view shows
 */
export function useTaskDone(reload: () => Promise<void>) {
  const notices = useNotices();

  return async ({ id, rev }: Task, done: string): Promise<void> => {
    try {
      const { deed } = await write(`/tasks/${id}`, { method: 'PATCH', body: { done }, rev });
      await reload();
      notices.done(m.rounds.undone, { deed, back: reload });
    } catch (error) {
      notices.fault(error);
    }
  };
}
