import { write } from '../api/client.ts';
import type { Task } from '../api/types.ts';
import { m } from '../messages/index.ts';
import { useNotices } from '../stores/notices.ts';

/** Changes one task, or several as one deed. */
export function changeTasks(
  tasks: readonly Task[],
  body: { done: string } | { due: string },
): Promise<{ deed: number | null }> {
  const [{ id, rev }, ...others] = tasks as readonly [Task, ...Task[]];
  if (others.length === 0) return write(`/tasks/${id}`, { method: 'PATCH', body, rev });
  const ids = tasks.map((task) => task.id);
  return write('/tasks/together', { method: 'POST', body: { ids, ...body } });
}

/**
 * Marks a task, or the same task of several plants, done on a day, with a way back for as long as the
 * notice stands.
 *
 * @param reload  fetches what the view shows
 */
export function useTaskDone(reload: () => Promise<void>) {
  const notices = useNotices();

  return async (tasks: readonly Task[], done: string): Promise<void> => {
    try {
      const { deed } = await changeTasks(tasks, { done });
      await reload();
      notices.done(m.rounds.undone, { deed, back: reload });
    } catch (error) {
      notices.fault(error);
    }
  };
}
