export { aheadOf, type Ahead, type AheadOptions, type Expected, type Course } from './forecast.ts';
export { FULL_DOUBT, Futures, WEEKS_AHEAD, type Doubt, type Future } from './futures.ts';
export type { AheadPlant, AheadProblem, NextRepot, ShelfPots } from './problem.ts';
