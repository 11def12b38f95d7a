import { api } from '../api/client.ts';
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

  async function write(task: Task, done: string | null): Promise<Task> {
    const changed = await api<Task>(`/tasks/${task.id}`, {
      method: 'PATCH',
      body: { done },
      rev: task.rev,
    });
    await reload();
    return changed;
  }

  return async (task: Task, day: string): Promise<void> => {
    try {
      const changed = await write(task, day);
      notices.done(m.rounds.undone, async () => void (await write(changed, null)));
    } catch (error) {
      notices.fault(error);
    }
  };
}
