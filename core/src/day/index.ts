export type { Bags } from './account.ts';
export type { DayBatch } from './batches.ts';
export type { Chain, Link } from './chains.ts';
export type { PinConflict } from './conflicts.ts';
export { breachesIn, type DayEvent } from './events.ts';
export { spanOf, workIn } from './limits.ts';
export type { LeftOut, LeftOutWhy } from './leftOut.ts';
export { leftOutWords, type LeftOutAbout } from './words.ts';
export {
  laidDay,
  type DayLine,
  type LaidBag,
  type LaidBatch,
  type LaidChain,
  type LaidCuts,
  type LaidDay,
} from './laid.ts';
export { pickList, shoppingList, type Purchase } from './lists.ts';
export * from './minutes.ts';
export type { DaySolvers } from './optimise.ts';
export {
  completeDay,
  planDay,
  type CompletedDay,
  type DayAnswer,
  type DayCuts,
  type DayPlan,
} from './plan.ts';
export * from './problem.ts';
export * from './quarantine.ts';
export type { DaySchedule, Stretch } from './schedule.ts';
export { gainOf } from './value.ts';
