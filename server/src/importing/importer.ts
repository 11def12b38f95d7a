import { patiently } from '../db/patience.ts';
import type { Journal } from '../history/journal.ts';
import { textOf, type Program, Thread } from '../threads/thread.ts';
import { ImportDesk, type DeskAnswer, type DeskOrder, type DeskTask } from './desk.ts';

/** Who reads files of rows and brings them in. */
export interface Importer {
  /** @throws HttpError as the desk itself does */
  do<T extends DeskTask>(task: T, order: DeskOrder<T>): Promise<DeskAnswer<T>>;
  end(): Promise<void>;
}

/** Does it where it is asked: for tests. */
export function importerHere(journal: Journal): Importer {
  const desk = new ImportDesk(journal);
  return {
    do: async (task, order) => (await patiently(() => desk[task](order as never))) as never,
    end: () => Promise.resolve(),
  };
}

/** In a thread of its own, with a connection and a journal of its own. */
export function importerApart(journal: Journal, path: string, program: Program): Importer {
  const thread = new Thread(program, { path });
  return {
    do: async (task, order) => {
      const answer = JSON.parse(textOf(await thread.ask(() => ({ task, order })))) as never;
      if (task === 'run') {
        const { done } = answer as DeskAnswer<'run'>;
        if (done) journal.tell(done);
      }
      return answer;
    },
    end: () => thread.end(),
  };
}
