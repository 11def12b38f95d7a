import { errorFunction } from 'simple-statistics';
import { bisect } from '../number/index.ts';

/** Probability that a standard normal variate is at least z. */
export function normalTail(z: number): number {
  return (1 - errorFunction(z / Math.SQRT2)) / 2;
}

/** The z that a standard normal variate stays below with a probability of 0.5 … 1. */
export function normalQuantile(probability: number): number {
  if (probability === 0.5) return 0;
  return bisect((z) => normalTail(z) - (1 - probability), 0, 9);
}
