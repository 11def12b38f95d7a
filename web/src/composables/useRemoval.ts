import { write } from '../api/client.ts';
import { useNotices } from '../stores/notices.ts';

interface Removal {
  path: string;
  rev?: number;
  said: string;
  /** what is shown once it is gone */
  then: () => unknown;
  /** and once it was put back */
  back: () => unknown;
}

/** Takes something out at once, and offers to put it back: nobody is asked whether they are sure. */
export function useRemoval() {
  const notices = useNotices();
  return async ({ path, rev, said, then, back }: Removal): Promise<void> => {
    try {
      const { deed } = await write(path, {
        method: 'DELETE',
        ...(rev === undefined ? {} : { rev }),
      });
      await then();
      notices.done(said, { deed, back });
    } catch (error) {
      notices.fault(error);
    }
  };
}
