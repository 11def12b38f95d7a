import { component } from '../media/index.ts';
import { volumeBelowL, type PotShape } from '../pots/index.ts';

/** Water in a cover pot stands below the inner one: about a fifth of its height. @source common practice, no source */
const COVER_SHARE = 0.2;
/** Holes of a pot without a cover are made so high, cm. @source common practice, no source */
const HOLES_CM = 3;

/**
 * Water at the mark of a set-up that nobody measured, L.
 *
 * @param inside  of the plant's pot, cm
 * @param cover  inside of what it stands in, cm; null: holes above a low reservoir
 */
export function suggestedReservoirL(inside: PotShape, cover: PotShape | null): number {
  if (cover) return volumeBelowL(cover, cover.heightCm * COVER_SHARE);
  const room = 1 - component('clayPebbles').packing;
  return volumeBelowL(inside, Math.min(HOLES_CM, inside.heightCm / 3)) * room;
}
