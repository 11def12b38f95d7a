export { growthRate, LEAST_READINGS, type GrowthRate, type HeightEntry } from './rate.ts';
