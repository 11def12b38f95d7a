import { sectionCm2, type PotShape } from '../pots/index.ts';
import { typicalUseG } from '../water/index.ts';

/** Rooms: vapour pressure deficit in growth and in the heated, dark months, kPa. @source typical values, from memory */
const ROOM_VPD = { growth: 1.1, winter: 0.9 };

/**
 * A day's water of a leafy plant of middling thirst in a pot, where no log tells
 * it, L: in growth, and at rest in winter.
 */
export function typicalPotUseL(pot: PotShape): { growth: number; winter: number } {
  const surface = sectionCm2(pot, pot.heightCm);
  const use = (vpd: number, activity: number) =>
    typicalUseG({ surfaceCm2: surface, canopyCm2: surface, vpd, activity, waterUse: 1 }) / 1000;
  return { growth: use(ROOM_VPD.growth, 1), winter: use(ROOM_VPD.winter, 0) };
}
