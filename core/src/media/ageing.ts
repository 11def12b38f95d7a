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

/**
 * Months until this pot's air falls below what the plant's roots need.
 *
 * @param airNeed  fraction of volume
 * @returns 0 when even the fresh medium is too wet; null when it never falls so low
 */
export function monthsAboveAir(
  medium: FreshMedium,
  conditions: RotConditions,
  airNeed: number,
): number | null {
  if (medium.air <= airNeed) return 0;
  const end = finalAir(medium);
  const rate = rotPerMonth(medium, conditions);
  if (end >= airNeed || rate === 0) return null;
  return Math.log((medium.air - end) / (airNeed - end)) / rate;
}

/** Share of the rotting part after whose loss a medium packs down, whatever stands in it. */
const PACKS_DOWN = 0.75;

/**
 * Months until three quarters of what can rot has lost its structure: the
 * longest that any such medium serves, also where its air would still do.
 *
 * @returns null for a medium that does not rot, or has little in it that does
 * @source common practice, no source: bark is renewed after two or three years even for plants that need little air
 */
export function monthsUntilPacked(medium: FreshMedium, conditions: RotConditions): number | null {
  const rate = rotPerMonth(medium, conditions);
  if (rate === 0 || medium.organicShare <= STRUCTURE_LOST) return null;
  return -Math.log(1 - PACKS_DOWN) / rate;
}

/** Share of the structure whose loss makes a medium due for plants that are not judged by air. */
const STRUCTURE_LOST = 0.25;

/**
 * Months until a quarter of the structure is lost: the measure for succulents
 * and bog plants, whose roots do not need the mix to stay airy.
 *
 * @returns null when too little of it can rot
 */
export function monthsOfStructure(medium: FreshMedium, conditions: RotConditions): number | null {
  const rate = rotPerMonth(medium, conditions);
  if (rate === 0 || medium.organicShare <= STRUCTURE_LOST) return null;
  return -Math.log(1 - STRUCTURE_LOST / medium.organicShare) / rate;
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
