export { amountsScore, climbsHeld, type Amount, type AmountScore } from './amounts.ts';
export {
  correctedChance,
  correctionBy,
  FEWEST_FINDINGS,
  keepersPace,
  paceBy,
  type KeepersPace,
  type PlantsPace,
} from './correct.ts';
export { foundIn, mediumFound, newlyFound, TOLD_STATES, type ToldState } from './found.ts';
export { fullWhen, type FullWhen } from './full.ts';
export { modelsMark, type OwnRecord } from './record.ts';
export {
  leaningOf,
  missesOf,
  scoreOf,
  type Leaning,
  type Miss,
  type Pair,
  type Score,
} from './score.ts';
