export {
  activePoints,
  CUT_SHARE,
  growthRate,
  LEAST_READINGS,
  type GrowthRate,
  type HeightEntry,
} from './rate.ts';
export { climbRate, usualClimb, type ClimbRate } from './climbRate.ts';
