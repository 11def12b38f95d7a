import { bisect, within } from '../number/index.ts';
import { checkPot, sectionCm2, type PotShape } from './shape.ts';

const CM3_PER_L = 1000;

/**
 * Volume below height `z`, L.
 *
 * Every shape here has a section that is at most quadratic in height, and for
 * such bodies the prismatoid rule z/6·(A₀ + 4A½ + A₁) is exact, not an
 * approximation; for a round pot it is πh(D² + Dd + d²)/12.
 *
 * @param z  cm above the pot floor, 0 … heightCm
 * @throws RangeError for an impossible pot or a height outside it
 * @source prismatoid (Simpson) rule, exact to the third degree
 */
export function volumeBelowL(pot: PotShape, z: number): number {
  checkPot(pot);
  within('heightCm', z, 0, pot.heightCm);
  const areas = sectionCm2(pot, 0) + 4 * sectionCm2(pot, z / 2) + sectionCm2(pot, z);
  return ((z / 6) * areas) / CM3_PER_L;
}

/** Volume filled to the brim, L. */
export function brimfulL(pot: PotShape): number {
  return volumeBelowL(pot, pot.heightCm);
}

/**
 * Room left below the rim for watering, cm: about a tenth of the height,
 * at least 1 and at most 3.
 *
 * @source common practice, no source ("a little below the rim")
 */
export function usualHeadspaceCm(pot: PotShape): number {
  return Math.min(3, Math.max(1, pot.heightCm / 10), pot.heightCm / 2);
}

/**
 * Volume of medium and root ball when filled to the headspace, L.
 *
 * @param headspaceCm  0 … heightCm (exclusive)
 */
export function fillL(pot: PotShape, headspaceCm = usualHeadspaceCm(pot)): number {
  within('headspaceCm', headspaceCm, 0, pot.heightCm * 0.99);
  return volumeBelowL(pot, pot.heightCm - headspaceCm);
}

/** Height to which `litres` fill the pot, cm; the rim when they overflow it. */
export function heightFilledCm(pot: PotShape, litres: number): number {
  if (litres <= 0) return 0;
  if (litres >= brimfulL(pot)) return pot.heightCm;
  return bisect((z) => volumeBelowL(pot, z) - litres, 0, pot.heightCm, 1e-6);
}

/**
 * Height of the centroid of what fills the pot up to `z`, cm above the floor.
 *
 * z·A(z) is at most of the third degree, for which Boole's rule is exact.
 */
export function centroidCm(pot: PotShape, z: number): number {
  const at = (share: number) => share * z * sectionCm2(pot, share * z);
  const moment = (z / 90) * (7 * at(0) + 32 * at(0.25) + 12 * at(0.5) + 32 * at(0.75) + 7 * at(1));
  return moment / (volumeBelowL(pot, z) * CM3_PER_L);
}
