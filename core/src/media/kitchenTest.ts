import { OutOfRange } from '../number/outOfRange.ts';
import { positive, within } from '../number/index.ts';
import { meanWaterInColumn, POROMETER_CM, retentionFromColumn, waterAt } from './retention.ts';

/**
 * What a keeper reads in the kitchen: holes plugged, a vessel filled with dry
 * medium, water poured in until it stands at the surface, then let out for an
 * hour.
 */
export interface KitchenReading {
  /** medium in the vessel, L */
  mediumL: number;
  /** water that its pores took up, L */
  pouredL: number;
  /** water that ran out within an hour, L */
  drainedL: number;
  /** height of the medium in the vessel, cm */
  heightCm: number;
  /** the medium, weighed dry, kg */
  dryKg?: number;
  /** jug and scale are read to this, L */
  readToL?: number;
}

/** A measured number with the error that its readings leave in it. */
export interface Measured {
  value: number;
  error: number;
}

/** What a kitchen test says of a medium: these replace the typical values. */
export interface KitchenResult {
  totalPorosity: Measured;
  /** air in the vessel as it was */
  air: Measured;
  /** the same in the ring that tables use */
  airAt7_6cm: Measured;
  dryKgPerL: Measured | null;
}

const READ_TO_L = 0.01;
/** Less than this is read no better than guessed. */
const LEAST_L = 0.2;

/**
 * Total porosity A/V and air B/V of V litres of medium that take up A litres of
 * water and let B litres go; errors by propagation of the readings'.
 *
 * Water stands higher in a low vessel: the air in it is brought to the height
 * of the usual ring by the retention curve.
 *
 * @param n  shape of the medium's retention curve
 * @throws RangeError naming the reading that cannot be: more drained than poured, more poured than there is room
 * @source extension leaflets on testing container media at home, from memory; error propagation
 */
export function kitchenTest(reading: KitchenReading, n: number): KitchenResult {
  const { mediumL, pouredL, drainedL, heightCm, dryKg, readToL = READ_TO_L } = reading;
  within('mediumL', mediumL, LEAST_L, 100);
  positive('pouredL', pouredL);
  within('drainedL', drainedL, 0, 100);
  within('heightCm', heightCm, 3, 60);
  within('readToL', readToL, 0.0001, 0.5);
  if (pouredL >= mediumL) {
    throw new OutOfRange(
      `pouredL must be less than the medium (${mediumL} L), got ${pouredL}: was the plug tight, and did it stand above the medium?`,
    );
  }
  if (drainedL >= pouredL) {
    throw new OutOfRange(
      `drainedL must be less than what was poured (${pouredL} L), got ${drainedL}: was the medium dry at the start?`,
    );
  }
  const ratio = (part: number): Measured => ({
    value: part / mediumL,
    error: Math.hypot(readToL / mediumL, (part * readToL) / mediumL ** 2),
  });
  const totalPorosity = ratio(pouredL);
  const air = ratio(Math.max(drainedL, readToL / 2));
  const inRing = (share: number) => airInRing(totalPorosity.value, share, n, heightCm);
  const slope = (inRing(air.value * 1.01) - inRing(air.value)) / (0.01 * air.value);
  return {
    totalPorosity,
    air,
    airAt7_6cm: { value: inRing(air.value), error: Math.abs(slope) * air.error },
    dryKgPerL: dryKg === undefined ? null : ratio(within('dryKg', dryKg, 0.001, 200)),
  };
}

/** Air that the same medium has in the usual ring. */
function airInRing(totalPorosity: number, air: number, n: number, heightCm: number): number {
  const curve = retentionFromColumn(totalPorosity, air, n, heightCm);
  return totalPorosity - meanWaterInColumn(waterAt(curve), POROMETER_CM);
}
