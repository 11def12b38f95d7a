import { aheadOf, type Ahead, type AheadProblem } from '@fernbank/core';
import { expose } from 'comlink';

/** Two years are drawn beside the page. */
const seer = {
  draw: (problem: AheadProblem, tell: (share: number) => void): Ahead =>
    aheadOf(problem, { onProgress: tell }),
};
export type Seer = typeof seer;
expose(seer);
