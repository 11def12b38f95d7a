export {
  correctedChance,
  correctionBy,
  FEWEST_FINDINGS,
  keepersPace,
  paceBy,
  type FittedCorrection,
  type KeepersPace,
  type PlantsPace,
} from './correct.ts';
export { foundIn, isTold, mediumFound, newlyFound, TOLD_STATES, type ToldState } from './found.ts';
export { missesOf, scoreOf, type Miss, type Pair, type Row, type Score } from './score.ts';
