import { workerData } from 'node:worker_threads';
import { openFile } from '../db/driver.ts';
import { patiently } from '../db/patience.ts';
import { Journal } from '../history/journal.ts';
import { answering } from '../threads/answering.ts';
import { ImportDesk, type DeskTask } from './desk.ts';

const { path } = workerData as { path: string };
const desk = new ImportDesk(new Journal(openFile(path)));

answering(async ({ task, order }: { task: DeskTask; order: never }) => ({
  json: JSON.stringify(await patiently(() => desk[task](order))),
}));
