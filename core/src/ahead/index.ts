export {
  aheadOf,
  Drawing,
  FUTURES,
  type Ahead,
  type AheadOptions,
  type Course,
  type Expected,
} from './forecast.ts';
export { Futures, type Doubt } from './futures.ts';
export { meetsAbove } from './meets.ts';
export { otherwise, partOf, type AheadWhatIf } from './whatIf.ts';
export { repotAfter, type AheadPlant, type AheadProblem, type WeekWindow } from './problem.ts';
export {
  handsIn,
  pottingDays,
  type KeepersDays,
  type PottingDay,
  type PottingDays,
} from './pottingDays.ts';
