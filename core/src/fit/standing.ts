import { baseRadiusCm, centroidCm, emptyPotKg, type PotShape } from '../pots/index.ts';
import { centreOfGravity, tipAngleDeg, topplingPushN, type Body } from '../stability/index.ts';
import type { PotOption } from './options.ts';

/** Weights of what stands in a pot. */
export interface Standing {
  option: PotOption;
  inside: PotShape;
  fillHeightCm: number;
  mediumDryKg: number;
  waterL: number;
  plantKg: number;
  plantHeightCm: number;
  support?: { lengthCm: number; kg: number };
}

/** How a plant stands, dry (the worst) and wet. */
export interface Stance {
  tipAngleDryDeg: number;
  tipAngleWetDeg: number;
  gravityHeightDryCm: number;
  gravityHeightWetCm: number;
  dryKg: number;
  wetKg: number;
  /** push at the top that topples it when dry, N */
  pushN: number;
}

/** Centre of a leafy shoot, as a share of its height. @source common practice, no source */
const SHOOT_CENTRE = 0.45;
const POT_CENTRE = 0.45;

/**
 * Typical weight of the shoots that a root ball carries, kg per L of ball.
 *
 * @source typical value, from memory
 */
export const SHOOT_KG_PER_BALL_L = 0.16;

export function stanceOf(standing: Standing): Stance {
  const { option, inside, fillHeightCm, support } = standing;
  const floor = option.outside.heightCm - inside.heightCm;
  const mediumCentre = floor + centroidCm(inside, fillHeightCm);
  const surface = floor + fillHeightCm;
  const radius = baseRadiusCm(option.outside);
  const still: Body[] = [
    {
      massKg: option.emptyKg ?? emptyPotKg(option.outside, option.material),
      heightCm: POT_CENTRE * option.outside.heightCm,
    },
    { massKg: standing.mediumDryKg, heightCm: mediumCentre },
    { massKg: standing.plantKg, heightCm: surface + SHOOT_CENTRE * standing.plantHeightCm },
  ];
  if (support) still.push({ massKg: support.kg, heightCm: floor + support.lengthCm / 2 });
  const dry = centreOfGravity(still);
  const wet = centreOfGravity([...still, { massKg: standing.waterL, heightCm: mediumCentre }]);
  const top = Math.max(surface + standing.plantHeightCm, floor + (support?.lengthCm ?? 0));
  return {
    tipAngleDryDeg: tipAngleDeg(radius, dry.heightCm),
    tipAngleWetDeg: tipAngleDeg(radius, wet.heightCm),
    gravityHeightDryCm: dry.heightCm,
    gravityHeightWetCm: wet.heightCm,
    dryKg: dry.massKg,
    wetKg: wet.massKg,
    pushN: topplingPushN(dry.massKg, radius, top),
  };
}
