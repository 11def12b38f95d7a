import { OutOfRange } from '../number/outOfRange.ts';
import { component } from '../media/index.ts';
import { bisect, positive, within } from '../number/index.ts';
import { usualHeadspaceCm, volumeBelowL, type PotShape } from '../pots/index.ts';
import { wickFlowMl, WICKS, type WickKind } from './wick.ts';
import { SCHOOLS, type Schools } from '../schools/index.ts';

/** How pebbles stand over their water. */
export const PEBBLE_SETUPS = {
  wick: {
    label: 'inner pot with wicks over a reservoir',
    use: 'steady; the roots hang in air above the water',
  },
  holes: {
    label: 'one pot with holes above a low reservoir',
    use: 'simple; the lowest pebbles stand in water',
  },
  bucket: {
    label: 'net pot in a bucket',
    use: 'much water for a large or thirsty plant; give it a drain',
  },
} as const;
export type PebbleSetupKind = keyof typeof PEBBLE_SETUPS;

/** How far roots have come. */
export type PebbleRoots = 'short' | 'reached';

export interface PebbleRequest {
  kind: PebbleSetupKind;
  /** inside of the pot that holds the pebbles, cm */
  inner: PotShape;
  /** inside of the vessel that holds the water; the pot itself for `holes`, cm */
  outer: PotShape;
  /** from the vessel's floor to the inner pot's, cm; for `holes` the height of the holes */
  gapCm: number;
  roots: PebbleRoots;
  rootsL?: number;
  /** a day's water of the plant in growth and in winter, L */
  usePerDayL: { growth: number; winter: number };
  wick?: { kind: WickKind; insideCm: number };
  winter: Schools['winter'];
  /** the keeper's own level in growth, above the vessel's floor; absent: as roots and set-up ask */
  levelCm?: number;
}

export interface PebbleSetup {
  /** pebbles measured loose, L; dry, kg */
  pebblesL: number;
  dryKg: number;
  /** room between them below the finished level, L */
  voidL: number;
  fillCm: number;
  summer: ReservoirLevel;
  winter: ReservoirLevel;
  wick: WickPlan | null;
  /** height of pebbles above the floor that is kept damp, cm */
  dampCm: number;
  /** down to how much of the surface stays dry, cm; a few are welcome */
  dryTopCm: number;
  wetsColumn: boolean;
}

export interface ReservoirLevel {
  /** above the vessel's floor, cm */
  levelCm: number;
  litres: number;
  days: number;
  /** between water and the inner pot's floor, cm; below 0 it stands in water */
  airGapCm: number;
}

export interface WickPlan {
  count: number;
  /** fewer hang in the water in the dark months; the others are drawn up */
  winterCount: number;
  lengthCm: number;
  /** a day's water of one wick when the reservoir is nearly empty, L */
  flowPerDayL: number;
  /** from the lowest water to its upper end, cm */
  liftCm: number;
  reaches: boolean;
}

/** Porous pebbles of 8–16 mm stay damp so far above water or a wick's end. @source common practice, no source */
export const PEBBLE_LIFT_CM = 10;
/** The top may dry: it keeps gnats and algae off. @source common practice, no source */
export const DRY_TOP_CM = 3;
/** Water touches the net pot's floor while roots are short, cm into it. @source common practice, no source */
export const TOUCHES_CM = 0.5;
/** Once roots reach the water it stands lower by this share of the gap: they want air too. */
const LOWER_SHARE = 0.7;
/** Cord that lies on the vessel's floor, cm. */
const TAIL_CM = 3;
const MOST_WICKS = 12;
/** The last of the water lies in corners. */
export const USABLE_SHARE = 0.9;

/**
 * Pebbles, water and wicks of a set-up with a reservoir.
 *
 * @throws RangeError naming what cannot be: a gap deeper than the vessel, a wick longer than its pot, no use of water
 * @source volumes: pots/volume.ts; room between pebbles: 1 − their packing; the rest common practice, no source
 */
export function planPebbles(request: PebbleRequest): PebbleSetup {
  const { kind, inner, outer, gapCm, wick, rootsL = 0, usePerDayL } = request;
  within('gapCm', gapCm, kind === 'holes' ? 0.5 : 1, outer.heightCm * 0.8);
  within('rootsL', rootsL, 0, 1000);
  positive('usePerDayL.growth', usePerDayL.growth);
  positive('usePerDayL.winter', usePerDayL.winter);
  const { packing, dryKgPerL } = component('clayPebbles');
  const fillCm = inner.heightCm - usualHeadspaceCm(inner);
  const pebblesL = volumeBelowL(inner, fillCm) - rootsL;
  if (pebblesL <= 0) throw new OutOfRange(`rootsL must leave room for pebbles, got ${rootsL}`);
  const levels = levelsOf(request, 1 - packing);
  const wickPlan = kind === 'wick' && wick ? wickOf(request, wick, fillCm) : null;
  const standsAt = kind === 'holes' ? 0 : gapCm;
  const wetFrom = wickPlan
    ? wickPlan.reaches
      ? wick!.insideCm
      : 0
    : Math.max(0, levels.summer.levelCm - standsAt);
  const wetted = wickPlan && !wickPlan.reaches ? 0 : Math.min(fillCm, wetFrom + PEBBLE_LIFT_CM);
  return {
    pebblesL,
    dryKg: pebblesL * dryKgPerL,
    voidL: pebblesL * (1 - packing),
    fillCm,
    ...levels,
    wick: wickPlan,
    dampCm: wetted,
    dryTopCm: fillCm - wetted,
    wetsColumn: fillCm - wetted <= DRY_TOP_CM,
  };
}

function levelsOf(request: PebbleRequest, voidShare: number) {
  const { kind, gapCm, roots, winter, usePerDayL, levelCm: own } = request;
  const summerCm =
    kind === 'holes' ? gapCm : roots === 'short' ? gapCm + TOUCHES_CM : gapCm * LOWER_SHARE;
  // A wick leaves the roots above the water, whatever their length.
  const asked = kind === 'wick' ? Math.min(summerCm, gapCm * 0.95) : summerCm;
  const top = own === undefined ? asked : within('levelCm', own, 0.1, request.outer.heightCm);
  const litresAt = (levelCm: number) => waterBelow(request, levelCm, voidShare);
  const at = (levelCm: number, perDayL: number): ReservoirLevel => {
    const litres = litresAt(levelCm);
    return {
      levelCm,
      litres,
      days: (litres * USABLE_SHARE) / perDayL,
      airGapCm: (kind === 'holes' ? 0 : gapCm) - levelCm,
    };
  };
  const summer = at(top, usePerDayL.growth);
  // A share of its litres, as the log of a reservoir has it: in a tapered vessel a little more of its depth.
  const winterL = summer.litres * SCHOOLS.winter.options[winter].share;
  const lower = winterL > 0 ? levelFor(winterL, litresAt, top) : 0;
  return { summer, winter: at(lower, usePerDayL.winter) };
}

/** Within a tenth of a millimetre. */
const LEVEL_TOLERANCE_CM = 0.001;
/** The level at which a vessel holds so much, cm; the litres are no more than at `topCm`. */
export const levelFor = (
  litres: number,
  litresAt: (levelCm: number) => number,
  topCm: number,
): number =>
  litres >= litresAt(topCm)
    ? topCm
    : bisect((cm) => litresAt(cm) - litres, 0, topCm, LEVEL_TOLERANCE_CM);

/** Water up to a level: all of the vessel below the inner pot, the room between pebbles within it. */
function waterBelow(
  { kind, inner, outer, gapCm }: PebbleRequest,
  levelCm: number,
  voidShare: number,
) {
  within('levelCm', levelCm, 0, outer.heightCm);
  const whole = volumeBelowL(outer, levelCm);
  if (kind === 'holes') return whole * voidShare;
  const immersed = Math.min(inner.heightCm, Math.max(0, levelCm - gapCm));
  return whole - volumeBelowL(inner, immersed) * (1 - voidShare);
}

function wickOf(
  { gapCm, usePerDayL }: PebbleRequest,
  { kind, insideCm }: NonNullable<PebbleRequest['wick']>,
  fillCm: number,
): WickPlan {
  within('wick.insideCm', insideCm, 0, fillCm);
  // Nearly empty is the test: the water then lies on the floor.
  const liftCm = gapCm + insideCm;
  const flowPerDayL = wickFlowMl(kind, liftCm) / 1000;
  const reaches = liftCm < WICKS[kind].liftCm;
  const countFor = (perDayL: number) =>
    reaches ? Math.min(MOST_WICKS, Math.max(1, Math.ceil(perDayL / flowPerDayL - 1e-9))) : 0;
  return {
    count: countFor(usePerDayL.growth),
    winterCount: countFor(usePerDayL.winter),
    lengthCm: liftCm + TAIL_CM,
    flowPerDayL,
    liftCm,
    reaches,
  };
}
