import { api } from '../api/client.ts';
import { useNotices } from '../stores/notices.ts';

interface Removal {
  path: string;
  rev?: number;
  said: string;
  /** what is shown once it is gone */
  then: () => Promise<unknown>;
  /** and once it was put back */
  back: () => Promise<unknown>;
}

/** Takes something out at once, and offers to put it back: nobody is asked whether they are sure. */
export function useRemoval() {
  const notices = useNotices();
  return async ({ path, rev, said, then, back }: Removal): Promise<void> => {
    let deed = 0;
    try {
      await api(path, {
        method: 'DELETE',
        ...(rev === undefined ? {} : { rev }),
        onDeed: (id) => (deed = id),
      });
      await then();
      notices.done(said, async () => {
        await api(`/history/${deed}/undo`, { method: 'POST' });
        await back();
      });
    } catch (error) {
      notices.fault(error);
    }
  };
}
