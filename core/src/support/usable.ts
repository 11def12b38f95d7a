import { clamp, positive, within } from '../number/index.ts';

/** The newest stretch of a vine, whose nodes still send roots into a pole, cm. @source common practice, no source */
export const FRESH_CM = 10;

/** The part of a pole that new growth can still root into. */
export interface UsableShare {
  /** above the medium, where it begins, cm */
  fromCm: number;
  usableCm: number;
  /** 0 … 1 */
  share: number;
}

/**
 * Usable share of a pole that is put to a plant of some height: old nodes
 * seldom root into a pole added later, so only what lies above the newest nodes
 * counts.
 *
 * @param aboveCm  length of the pole above the medium, > 0
 * @param plantCm  height that the vine has on it, ≥ 0
 * @source common practice, no source
 */
export function usableShare(aboveCm: number, plantCm: number): UsableShare {
  positive('aboveCm', aboveCm);
  within('plantCm', plantCm, 0, 1e5);
  const fromCm = clamp(plantCm - FRESH_CM, 0, aboveCm);
  const usableCm = aboveCm - fromCm;
  return { fromCm, usableCm, share: usableCm / aboveCm };
}
