import { positive, within } from '../number/index.ts';
import { blend, type Ingredient, type Part } from './blend.ts';
import { meanHeld, type HeldIn } from './held.ts';

/** A mix with so much of one component in it. */
export interface ShareStep {
  /** of the measured volume, 0 … 1 */
  share: number;
  air: number;
  water: number;
  wetKgPerL: number;
  shrink: number;
}

/** What one component buys, from none of it to nothing else. */
export interface WhatItBuys {
  curve: ShareStep[];
  /** share that it has in the mix */
  present: number;
  /** air that it adds at its present share, fraction of volume */
  addsAir: number;
  /**
   * share from which each further part adds air in earnest: its grains then
   * touch and hold the room between them open; null: it never does
   */
  countsFrom: number | null;
}

const STEPS = 50;
/** From where a component adds air at least at this part of its steepest pace, it counts. */
const IN_EARNEST = 0.5;
/** Less air than this between none and all of it is no gain, fraction of volume. */
const LEAST_GAIN = 0.02;

/**
 * Air, water and weight against the share of one component, the others keeping
 * their proportions: the threshold proportion of coarse amendments.
 *
 * @param of  index of the component in `parts`
 * @param place  where it is drained
 * @throws RangeError when it is alone in the mix, or no such part
 * @source packing and retention as in `blend.ts`; threshold proportion: Spomer 1974, from memory
 */
export function whatItBuys(
  parts: readonly Part<Ingredient>[],
  of: number,
  place: HeldIn,
): WhatItBuys {
  within('of', of, 0, parts.length - 1);
  const total = positive(
    'sum of parts',
    parts.reduce((sum, part) => sum + part.parts, 0),
  );
  const others = positive('parts of the others', total - parts[of]!.parts);
  const at = (share: number): ShareStep => {
    const made = blend(
      parts.map(({ ingredient, parts: amount }, i) => ({
        ingredient,
        parts: i === of ? share : ((1 - share) * amount) / others,
      })),
    );
    const water = meanHeld(made.water, place);
    return {
      share,
      air: Math.max(0, made.totalPorosity - water),
      water,
      wetKgPerL: made.dryKgPerL + water,
      shrink: made.shrink,
    };
  };
  const curve = Array.from({ length: STEPS + 1 }, (_, i) => at(i / STEPS));
  const present = parts[of]!.parts / total;
  return {
    curve,
    present,
    addsAir: at(present).air - curve[0]!.air,
    countsFrom: threshold(curve),
  };
}

function threshold(curve: readonly ShareStep[]): number | null {
  if (curve[curve.length - 1]!.air - curve[0]!.air < LEAST_GAIN) return null;
  const gains = curve.slice(1).map(({ air }, i) => air - curve[i]!.air);
  const steepest = Math.max(...gains);
  const first = gains.findIndex((gain) => gain >= IN_EARNEST * steepest);
  return first < 0 ? null : curve[first]!.share;
}
