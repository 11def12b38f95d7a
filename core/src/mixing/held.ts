import { meanWaterInColumn, meanWaterInPot, type WaterAt } from '../media/index.ts';
import type { PotShape } from '../pots/index.ts';

/** Where a mix is drained: a straight column, or a pot filled to that height. */
export interface HeldIn {
  /** of the medium, cm */
  heightCm: number;
  /** inside sizes; absent: a straight column */
  pot?: PotShape;
  /** where the mix begins in the pot: on top of a drainage layer, cm */
  floorCm?: number;
}

/** Mean water of a mix where it is drained, fraction of volume. @throws RangeError for a height that cannot be */
export const meanHeld = (water: WaterAt, { heightCm, pot, floorCm = 0 }: HeldIn): number =>
  pot ? meanWaterInPot(water, pot, heightCm, floorCm) : meanWaterInColumn(water, heightCm);
