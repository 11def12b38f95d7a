import { positive, within } from '../number/index.ts';

/** A medium in one pot, fresh. */
export interface FreshMedium {
  /** air when drained, in this pot, fraction of volume */
  air: number;
  /** share of measured volume that can rot, 0 … 1 */
  organicShare: number;
  /** at 20 °C; null: nothing rots */
  halfLifeMonths: number | null;
}

/** What hastens rot. */
export interface RotConditions {
  temperatureC: number;
  /** 1 for a medium kept lightly moist; more when kept wet, less when dried between */
  wetness: number;
}

/** Air left when everything that can rot has packed down. @source common practice, no source */
export const ROTTED_AIR = 0.08;

/** Reactions of rot double with every 10 °C. @source Q10 of soil respiration about 2, from memory */
const Q10 = 2;
const REFERENCE_C = 20;

/**
 * Air to which a medium falls in the end. Mineral grains keep their air only
 * as far as they touch each other: scattered in rotted matter they hold up
 * nothing, hence the square.
 *
 * @source form: common practice, no source
 */
export function finalAir({ air, organicShare }: FreshMedium): number {
  const skeleton = (1 - organicShare) ** 2;
  return Math.min(air, air * skeleton + ROTTED_AIR * (1 - skeleton));
}

/** Rate at which air falls toward its end, per month. */
export function rotPerMonth(medium: FreshMedium, { temperatureC, wetness }: RotConditions): number {
  if (medium.halfLifeMonths === null) return 0;
  positive('halfLifeMonths', medium.halfLifeMonths);
  positive('wetness', wetness);
  within('temperatureC', temperatureC, -30, 50);
  const warmth = Q10 ** ((temperatureC - REFERENCE_C) / 10);
  return (Math.LN2 / medium.halfLifeMonths) * warmth * wetness;
}

/** Air after `months` in the pot, fraction of volume. Never rises with time. */
export function airAfter(medium: FreshMedium, conditions: RotConditions, months: number): number {
  const end = finalAir(medium);
  return end + (medium.air - end) * Math.exp(-rotPerMonth(medium, conditions) * months);
}

/** A medium in one pot after some time: the three shares are 1 together. */
export interface AgedColumn {
  air: number;
  water: number;
  solid: number;
  /** share of its first height by which the surface has sunk */
  sunk: number;
}

/** Of the air that rot takes, this share is lost to sinking; the rest holds water then. @source common practice, no source */
const SINKS = 0.5;

/**
 * Air, water and solid of a medium that has stood for some months: the surface
 * sinks, the same solids stand in less room, and pores that were airy hold water.
 *
 * @param solid  share of solids when fresh
 */
export function agedColumn(
  medium: FreshMedium,
  solid: number,
  conditions: RotConditions,
  months: number,
): AgedColumn {
  within('solid', solid, 0, 1 - medium.air);
  const air = airAfter(medium, conditions, within('months', months, 0, 1200));
  const sunk = SINKS * (medium.air - air);
  const packed = solid / (1 - sunk);
  return { air, water: 1 - packed - air, solid: packed, sunk };
}
