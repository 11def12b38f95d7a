import { answering } from '../threads/answering.ts';
import { TASKS, type Progress, type Task } from './tasks.ts';

interface Ordered {
  task: Task;
  order: never;
}

answering(async ({ task, order }: Ordered, tell) => {
  const result = await TASKS[task](order, (progress: Progress) => tell(progress));
  return { json: JSON.stringify(result) };
});
