import { COMPONENTS, meanWaterInColumn, retentionFromPorometer, waterAt } from '../media/index.ts';
import { positive } from '../number/index.ts';
import { supportKind, type SupportKindId } from './kinds.ts';
import { perimeterCm, sectionAreaCm2, type Section } from './section.ts';

/** What a support weighs and takes. */
export interface SupportMaterial {
  /** dry, as it stands in the pot, kg */
  dryKg: number;
  /** just watered and drained, kg */
  wetKg: number;
  /** long-fibre moss to fill it: loose litres, and dry grams */
  mossL: number;
  mossDryG: number;
  /** water it holds when drained, L */
  waterL: number;
}

/** Moss is pressed in: this much drier weight than loose. @source typical value, from memory */
const PACKED = 1.4;

/**
 * Weight, moss and water of a support. Of a tall moss pole the top drains
 * driest: its water is the mean of the drained column, not a fixed share.
 *
 * @param lengthCm  whole length, from the pot's floor up
 * @source retention of long-fibre moss from the table of components; packing: typical, from memory
 */
export function supportMaterial(
  kindId: SupportKindId,
  section: Section,
  lengthCm: number,
): SupportMaterial {
  positive('lengthCm', lengthCm);
  const kind = supportKind(kindId);
  const litres = (sectionAreaCm2(section) * lengthCm) / 1000;
  const skinKg = (kind.skinGPerCm2 * perimeterCm(section) * lengthCm) / 1000;
  if (!kind.moss) {
    const dryKg = litres * kind.dryKgPerL + skinKg;
    const waterL = litres * kind.waterKgPerL;
    return { dryKg, wetKg: dryKg + waterL, mossL: 0, mossDryG: 0, waterL };
  }
  const moss = COMPONENTS.find(({ id }) => id === 'longMoss')!;
  const curve = retentionFromPorometer(moss.totalPorosity, moss.airAt7_6cm, moss.n);
  const waterL = litres * meanWaterInColumn(waterAt(curve), lengthCm);
  const mossKg = litres * moss.dryKgPerL * PACKED;
  const dryKg = mossKg + skinKg;
  return {
    dryKg,
    wetKg: dryKg + waterL,
    mossL: litres * PACKED,
    mossDryG: mossKg * 1000,
    waterL,
  };
}

/** Keeping a support damp. */
export interface KeepingDamp {
  perWeekL: number;
  /** between two waterings */
  days: number;
  minutesPerWeek: number;
}

/** Open water loses this much a day for each kPa of deficit, g/cm². @source as `water/use.ts` */
const G_PER_CM2_KPA = 0.15;
/** A pole is watered when so much of its water is gone: beyond, the outside is dry and roots stop. */
const SPENT = 0.4;
/** A pot is watered about this often in growth, days: what is wetted with it. @source common practice, no source */
const WITH_PLANT_DAYS = 7;
/** Even an unneeded pole is looked at this often, days. */
const LONGEST_DAYS = 14;
const DAYS_A_WEEK = 7;

/**
 * Water and minutes to keep a damp support damp in growth. Coir and bark are
 * wetted with the plant, not for their own sake: they dry within a day.
 *
 * @param aboveCm  what stands above the medium: the rest drinks from the pot
 * @param vpdKPa  of the spot in growth
 * @returns null for a support that is not kept damp
 */
export function keepingDamp(
  kindId: SupportKindId,
  section: Section,
  aboveCm: number,
  vpdKPa: number,
): KeepingDamp | null {
  const kind = supportKind(kindId);
  if (kind.wetting === 'never') return null;
  if (kind.wetting === 'withPlant') {
    const { waterL } = supportMaterial(kindId, section, aboveCm);
    return {
      perWeekL: (waterL * DAYS_A_WEEK) / WITH_PLANT_DAYS,
      days: WITH_PLANT_DAYS,
      minutesPerWeek: (kind.minutesAWatering * DAYS_A_WEEK) / WITH_PLANT_DAYS,
    };
  }
  const gPerDay =
    G_PER_CM2_KPA * Math.max(0.05, vpdKPa) * kind.exposed * perimeterCm(section) * aboveCm;
  const heldG = supportMaterial(kindId, section, aboveCm).waterL * 1000;
  const days = Math.min(LONGEST_DAYS, Math.max(0.5, (SPENT * heldG) / gPerDay));
  return {
    perWeekL: (gPerDay * DAYS_A_WEEK) / 1000,
    days,
    minutesPerWeek: (kind.minutesAWatering * DAYS_A_WEEK) / days,
  };
}
