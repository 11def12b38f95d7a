import { positive, within } from '../number/index.ts';
import type { Traits } from '../catalogue/index.ts';

/** Water an open pot surface loses, mm a day per kPa of vapour pressure deficit. */
const MM_PER_KPA = 1.5;
/** Share of that from the medium's own surface, under leaves. */
const SURFACE_SHARE = 0.4;
/** Share of water use that goes on while a plant rests. */
const AT_REST = 0.33;
/** A thirsty plant shades its surface: it loses up to this share less. */
const SHADED = 0.5;
/** A breathing wall gives off at most so much of what surface and canopy do together. */
const THROUGH_WALL = 0.7;
/** Moving air outdoors takes so many times what still air in a room does. */
const WIND = 2.1;

/**
 * Typical water use without a log, g a day. A log of weights replaces it.
 *
 * @param surfaceCm2  open surface of the pot
 * @param canopyCm2  surface of the pot that the present canopy was grown in
 * @param vpd  kPa
 * @param activity  0 … 1
 * @param wallCm2  breathing wall (unglazed clay), cm², times its share of open evaporation;
 *   it is fed through the medium, and gives off no more than a share of what surface and canopy do
 * @param windy  it stands in moving air, outdoors or under open vents
 * @source common practice, no source: a leafy 14 cm pot uses 25–60 g a day
 */
export function typicalUseG(situation: {
  surfaceCm2: number;
  canopyCm2: number;
  vpd: number;
  activity: number;
  waterUse: number;
  wallCm2?: number;
  windy?: boolean;
}): number {
  const { surfaceCm2, canopyCm2, vpd, activity, waterUse, wallCm2 = 0, windy = false } = situation;
  positive('surfaceCm2', surfaceCm2);
  within('activity', activity, 0, 1);
  const gPerCm2 = (MM_PER_KPA / 10) * vpd * (windy ? WIND : 1);
  const pace = AT_REST + (1 - AT_REST) * activity;
  const canopy = canopyCm2 * waterUse * pace;
  const surface = SURFACE_SHARE * surfaceCm2 * (1 - SHADED * Math.min(1, waterUse));
  return gPerCm2 * (surface + canopy + Math.min(wallCm2, THROUGH_WALL * (surface + canopy)));
}

/**
 * Share of the held water that may go before the plant wants the next.
 *
 * @source common practice, no source
 */
export const SPENT_BEFORE_WATER: Record<Traits['drying'], number> = {
  wet: 0.2,
  evenlyMoist: 0.32,
  littleDry: 0.37,
  halfDry: 0.6,
  fullyDry: 0.95,
};

/**
 * How much longer a plant is left once it has dried, at full rest: what is grown
 * dry stands dry a while in winter.
 *
 * @source common practice, no source
 */
export const STANDS_DRY_AT_REST: Record<Traits['drying'], number> = {
  wet: 0,
  evenlyMoist: 0,
  littleDry: 0,
  halfDry: 0.1,
  fullyDry: 0.8,
};

/** How wet a medium is kept for rot, 1 = lightly moist. @source common practice, no source */
export const WETNESS: Record<Traits['drying'], number> = {
  wet: 1.25,
  evenlyMoist: 1.1,
  littleDry: 1,
  halfDry: 1,
  fullyDry: 0.8,
};

/**
 * Longest that a plant's pot may stay wet before roots are at risk, days, in growth.
 *
 * @source common practice, no source
 */
export const WET_LIMIT_DAYS: Record<Traits['drying'], number> = {
  wet: Infinity,
  evenlyMoist: 28,
  littleDry: 30,
  halfDry: 36,
  fullyDry: 50,
};

/**
 * Days until the plant wants water again.
 *
 * @param waterL  water held after draining, above what never comes out, L
 * @param spentShare  of it that may go
 */
export function daysToDry(waterL: number, spentShare: number, useG: number): number {
  positive('waterL', waterL);
  positive('useG', useG);
  return (waterL * 1000 * spentShare) / useG;
}
