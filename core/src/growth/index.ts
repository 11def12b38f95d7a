export { growthRate, LEAST_READINGS, type GrowthRate, type HeightEntry } from './rate.ts';
export { climbRate, USUAL_CLIMB, type ClimbRate } from './climbRate.ts';
