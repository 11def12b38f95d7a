import { planMound, type Mound } from './mound.ts';

/** A mound as it is made on a pot's mouth, with the net pot that is its core. */
export interface MoundOnPot extends Mound {
  mouthCm: number;
  /** the net pot, mouth down, cm */
  core: { topDiameterCm: number; baseDiameterCm: number; heightCm: number };
}

/* Sizes below: common practice, no source. */
/** Widths that net pots come in, cm. */
const NET_POTS_CM = [3, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 18, 20, 24, 28] as const;
/** The core's mouth against the pot's, its foot and height against its own mouth. */
const CORE = { ofMouth: 0.65, foot: 0.7, height: 0.75 } as const;
/** Moss over the core, where the roots lie: of a small mouth, and of a wide one. */
const OVER = { least: 2, ofMouth: 0.2, most: 4 } as const;
/** Dry moss is weighed by so much, g. */
const WEIGHED_G = 5;
/** Roots take no more than this of what is wrapped. */
const MOST_ROOTS = 0.5;
/** Wider than the mouth by at least this each side, and a whole number of centimetres in all, cm. */
const LEAST_MARGIN_CM = 1;

/**
 * The mound that stays on a mouth: the net pot of a size there is, moss as wide as it must be when it
 * has settled, roots wrapped in.
 *
 * @param mouthCm  inside width of the pot's mouth, 4 … 60 cm
 * @param rootsL  roots that are spread over the core, L
 * @throws RangeError for a mouth on which no mound is made
 */
export function moundOnPot(mouthCm: number, rootsL: number): MoundOnPot {
  const topDiameterCm =
    NET_POTS_CM.findLast((cm) => cm <= mouthCm * CORE.ofMouth) ?? NET_POTS_CM[0];
  const core = {
    topDiameterCm,
    baseDiameterCm: topDiameterCm * CORE.foot,
    heightCm: topDiameterCm * CORE.height,
  };
  const overCm = Math.min(OVER.most, Math.max(OVER.least, mouthCm * OVER.ofMouth));
  const { leastMarginCm } = planMound({ mouthCm, core, marginCm: LEAST_MARGIN_CM, overCm });
  const leastCm = mouthCm + 2 * Math.max(LEAST_MARGIN_CM, leastMarginCm);
  const marginCm = (Math.ceil(leastCm - 1e-9) - mouthCm) / 2;
  const bare = planMound({ mouthCm, core, marginCm, overCm });
  const mound = planMound({
    mouthCm,
    core,
    marginCm,
    overCm,
    rootsL: Math.min(rootsL, MOST_ROOTS * bare.mossL),
  });
  const dryG = Math.ceil(mound.dryG / WEIGHED_G) * WEIGHED_G;
  return { ...mound, mouthCm, core, dryG, dampG: (mound.dampG / mound.dryG) * dryG };
}
