import { Drawing, type Ahead, type AheadProblem } from '@fernbank/core';
import { expose } from 'comlink';

/** Two years are drawn beside the page, some courses at a time. */
let drawing: Drawing | null = null;
const seer = {
  begin: (problem: AheadProblem): void => void (drawing = new Drawing(problem)),
  more: (futures: number): void => drawing!.more(futures),
  told: (): Ahead => drawing!.told(),
};
export type Seer = typeof seer;
expose(seer);
