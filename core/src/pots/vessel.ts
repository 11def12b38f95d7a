import { fillL } from './volume.ts';
import { footprintAt, hasCorners, type PotShape } from './shape.ts';
import { insideOfMaterial } from './weight.ts';
import type { PotMaterialId } from './material.ts';
import { say, type Saying } from '../saying/index.ts';

/** What a wall does to light: heat in the sun, algae behind a clear one. */
export const POT_TONES = [
  { id: 'dark', label: 'dark' },
  { id: 'light', label: 'light' },
  { id: 'clear', label: 'clear' },
] as const;
export type PotTone = (typeof POT_TONES)[number]['id'];

/** What a pot has beside shape and material. All can be left unknown. */
export interface PotFeatures {
  /** drainage holes; null: not counted, taken as draining */
  holes?: number | null;
  tone?: PotTone;
  /** water kept below the medium, L */
  reservoirL?: number;
  /** wicks that reach into it */
  wicks?: number;
  /** a basket: it hangs, and cannot topple */
  hangs?: boolean;
  /** a vessel: water can be let out below without lifting the plant */
  drain?: boolean;
}

/** Play a hand needs to lift a pot out of its cover, cm a side. @source common practice, no source */
const PLAY_CM = 0.3;
/** A pot that stands out of its cover by more than this share looks, and is, unsteady. */
const MOST_OUT = 0.4;
const STEPS = 12;

/** What misses is told to the next whole millimetre: never that nothing does. */
const upToMm = (cm: number) => Math.ceil(cm * 10) / 10;

/** Whether a pot goes into a cover pot. */
export type CoverFit = { fits: true; outCm: number } | { fits: false; why: Saying };

/**
 * Whether a pot stands in a cover: at every height the cover leaves the play a
 * hand needs, and the pot does not stand out too far.
 *
 * @param pot  outside sizes
 * @param cover  outside sizes, with its material for the wall
 * @param raisedCm  how high it stands above the cover's floor
 */
export function coverFit(
  pot: PotShape,
  cover: PotShape,
  material: PotMaterialId,
  raisedCm = 0,
): CoverFit {
  const inside = insideOfMaterial(cover, material);
  const shared = Math.min(pot.heightCm, Math.max(0, inside.heightCm - raisedCm));
  for (let i = 0; i <= STEPS; i++) {
    const z = (shared * i) / STEPS;
    const need = widestAt(pot, inside, z) + PLAY_CM;
    const room = footprintAt(inside, raisedCm + z);
    const short = Math.max(need - room.lengthCm, shorter(pot, z) + PLAY_CM - room.widthCm);
    if (short > 0) {
      return { fits: false, why: say`too narrow for it by ${{ cm: upToMm(2 * short) }}` };
    }
  }
  const outCm = Math.max(0, raisedCm + pot.heightCm - inside.heightCm);
  return outCm > MOST_OUT * pot.heightCm
    ? { fits: false, why: say`too shallow: the pot would stand out by ${{ cm: upToMm(outCm) }}` }
    : { fits: true, outCm };
}

/** Half the room a pot asks for along a cover's longer axis: corners count in a round cover. */
function widestAt(pot: PotShape, cover: PotShape, z: number): number {
  const { lengthCm, widthCm } = footprintAt(pot, z);
  return !hasCorners(cover) && hasCorners(pot) ? Math.hypot(lengthCm, widthCm) : lengthCm;
}
const shorter = (pot: PotShape, z: number) => footprintAt(pot, z).widthCm;

/** Litres that a pot known by its outside holds when filled to below the rim. */
export function insideFillL(outside: PotShape, material: PotMaterialId): number {
  return fillL(insideOfMaterial(outside, material));
}
