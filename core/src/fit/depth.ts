import { baseRadiusCm, halfWidthCm, type PotShape } from '../pots/index.ts';
import { positive, within } from '../number/index.ts';

/** What keepers lay on the pot's floor. */
export const DRAINAGE_LAYERS = {
  screen: {
    label: 'a screen over the holes',
    layerCm: 0,
    costs: 'keeps the mix in and slugs out; takes no room',
  },
  none: { label: 'nothing', layerCm: 0, costs: 'some mix is washed out at first' },
  ballast: {
    label: 'a thin layer of grit as ballast',
    layerCm: 2,
    costs: 'weight low down; the wet zone stands on top of it, so roots get less air',
  },
} as const;
export type DrainageLayer = keyof typeof DRAINAGE_LAYERS;

/** Heights in the pot from its floor up, cm. */
export interface DepthPlan {
  /** drainage layer on the floor */
  layerCm: number;
  /** mix under the ball */
  bedCm: number;
  ballHeightCm: number;
  /** the surface of the medium, where the stem's base comes */
  levelCm: number;
  /** from there to the rim, for watering */
  headspaceCm: number;
  /** between ball and wall at the surface, each side */
  sideCm: number;
  /** taken off the ball's underside so that its top comes to the level */
  shaveCm: number;
  /** mesh over the holes: its width; null without holes to screen */
  screenCm: number | null;
}

const SCREEN_EDGE_CM = 1;
/** In a shallow pot the layer is thinner: roots come first. @source common practice, no source */
export const MOST_LAYER_SHARE = 0.2;

/**
 * The plan of depths: the ball's top comes to the finished level, as it stood
 * before, and what is left under it is a bed of mix.
 *
 * @param inside  inside sizes of the new pot
 * @param levelCm  height of the finished surface above the floor
 * @source common practice, no source
 */
export function depthPlan(
  inside: PotShape,
  levelCm: number,
  ball: { heightCm: number; widthCm: number },
  layer: DrainageLayer = 'screen',
): DepthPlan {
  positive('levelCm', levelCm);
  within('levelCm', levelCm, 0, inside.heightCm);
  const layerCm = Math.min(DRAINAGE_LAYERS[layer].layerCm, MOST_LAYER_SHARE * levelCm);
  const room = levelCm - layerCm;
  const ballHeightCm = Math.min(ball.heightCm, room);
  return {
    layerCm,
    bedCm: room - ballHeightCm,
    ballHeightCm,
    levelCm,
    headspaceCm: inside.heightCm - levelCm,
    sideCm: Math.max(0, halfWidthCm(inside, levelCm) - ball.widthCm / 2),
    shaveCm: Math.max(0, ball.heightCm - room),
    screenCm: layer === 'none' ? null : Math.max(2, 2 * baseRadiusCm(inside) - SCREEN_EDGE_CM),
  };
}
