export { aheadOf, type Ahead, type AheadOptions, type Course, type Expected } from './forecast.ts';
export { Futures, type Doubt } from './futures.ts';
export { otherwise, partOf, type AheadWhatIf } from './whatIf.ts';
export { repotAfter, type AheadPlant, type AheadProblem } from './problem.ts';
