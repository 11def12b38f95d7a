import { textOf, Thread, type Program } from '../threads/thread.ts';
import { TASKS, type OrderOf, type Progress, type ResultOf, type Task } from './tasks.ts';

/** Who does what takes long with whole collections, one thing after the other. */
export interface Keeper {
  /** @throws HttpError as the task itself does */
  do<T extends Task>(
    task: T,
    order: OrderOf<T>,
    tell?: (progress: Progress) => void,
  ): Promise<ResultOf<T>>;
  end(): Promise<void>;
}

/** Does it where it is asked: for tests. */
export const keeperHere: Keeper = {
  do: async (task, order, tell = () => undefined) =>
    (await TASKS[task](order as never, tell)) as never,
  end: () => Promise.resolve(),
};

/** In a thread of its own. */
export function keeperApart(program: Program): Keeper {
  const thread = new Thread(program, null);
  return {
    do: async (task, order, tell) =>
      JSON.parse(
        textOf(
          await thread.ask(
            () => ({ task, order }),
            tell ? { progress: (told) => tell(told as Progress) } : {},
          ),
        ),
      ) as never,
    end: () => thread.end(),
  };
}
