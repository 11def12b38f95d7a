import { OutOfRange } from '../number/outOfRange.ts';
import { component } from '../media/index.ts';
import { positive, within } from '../number/index.ts';

/** A mound of damp moss over an upturned net pot, seated on a pot's mouth. */
export interface MoundRequest {
  /** inside width of the mouth it sits on, cm */
  mouthCm: number;
  /** the net pot that is its core, mouth down, cm */
  core: { topDiameterCm: number; baseDiameterCm: number; heightCm: number };
  /** by how much the mound is wider than the mouth on each side, cm */
  marginCm: number;
  /** moss above the core's raised floor, where the plant sits, cm */
  overCm: number;
  /** roots spread over the core, L */
  rootsL?: number;
}

export interface Mound {
  /** width at its foot when made, and when it has settled, cm */
  diameterCm: number;
  settledCm: number;
  heightCm: number;
  /** damp moss as wrapped, L */
  mossL: number;
  /** the same moss loose in the bag, L */
  looseL: number;
  /** dry and damp, g */
  dryG: number;
  dampG: number;
  /** it is still wider than the mouth when settled */
  holds: boolean;
  /** least margin at which it would hold, cm */
  leastMarginCm: number;
  /** moss at the sides of the core's widest part, cm */
  sideCm: number;
}

/** Mouths that a mound is made on, cm. @source common practice, no source */
export const MOUND_MOUTH_CM = { least: 3, most: 100 } as const;
/** Strands are wrapped tighter than they lie in the bag. @source common practice, no source */
const WRAPPED = 1.6;
/** Damp moss gives way by this share of its thickness before the first month is over. @source common practice, no source */
const GIVES = 0.2;
/** Beyond the mouth when settled, each side: less and a nudge drops it in, cm. @source common practice, no source */
const LEDGE_CM = 0.5;
/** Damp, squeezed once, moss holds this many times its dry weight. @source typical value, from memory */
const DAMP_TIMES = 8;

/**
 * Litres and grams of moss for a mound, and whether it will stay on its mouth.
 *
 * The mound is half an ellipsoid on its foot; the core is a frustum inside it.
 *
 * @throws RangeError naming what cannot be: a core wider than the mound, a margin below 0
 * @source volumes of half an ellipsoid and a frustum; shares: common practice, no source
 */
export function planMound({ mouthCm, core, marginCm, overCm, rootsL = 0 }: MoundRequest): Mound {
  within('mouthCm', mouthCm, MOUND_MOUTH_CM.least, MOUND_MOUTH_CM.most);
  within('marginCm', marginCm, 0, 20);
  within('overCm', overCm, 0.5, 20);
  within('rootsL', rootsL, 0, 50);
  positive('core.heightCm', core.heightCm);
  const diameterCm = mouthCm + 2 * marginCm;
  const widest = Math.max(core.topDiameterCm, core.baseDiameterCm);
  positive('core.topDiameterCm', core.topDiameterCm);
  positive('core.baseDiameterCm', core.baseDiameterCm);
  if (widest >= diameterCm - 1) {
    throw new OutOfRange(
      `core.topDiameterCm must leave half a centimetre of moss all round in a mound of ${diameterCm} cm, got ${widest}`,
    );
  }
  const heightCm = core.heightCm + overCm;
  const wholeL = (2 / 3) * Math.PI * (diameterCm / 2) ** 2 * heightCm * 0.001;
  const coreL = frustumL(core.topDiameterCm, core.baseDiameterCm, core.heightCm);
  const mossL = Math.max(0, wholeL - coreL - rootsL);
  if (mossL <= 0) {
    throw new OutOfRange(
      `rootsL must leave room for moss, got ${rootsL} in ${wholeL.toFixed(2)} L`,
    );
  }
  // What gives way is the moss that stands out past the core.
  const settled = (margin: number) => {
    const width = mouthCm + 2 * margin;
    return width - GIVES * (width - Math.min(widest, width));
  };
  const looseL = mossL * WRAPPED;
  const dryG = looseL * component('longMoss').dryKgPerL * 1000;
  const wanted = mouthCm + 2 * LEDGE_CM;
  const least = ((wanted - GIVES * widest) / (1 - GIVES) - mouthCm) / 2;
  return {
    diameterCm,
    settledCm: settled(marginCm),
    heightCm,
    mossL,
    looseL,
    dryG,
    dampG: dryG * DAMP_TIMES,
    holds: settled(marginCm) >= wanted - 1e-9,
    leastMarginCm: Math.max(LEDGE_CM, least),
    sideCm: (diameterCm - widest) / 2,
  };
}

/** Volume of a frustum, L. */
function frustumL(oneCm: number, otherCm: number, heightCm: number): number {
  return (Math.PI / 12) * heightCm * (oneCm ** 2 + oneCm * otherCm + otherCm ** 2) * 0.001;
}
