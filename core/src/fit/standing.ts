import type { Traits } from '../catalogue/index.ts';
import {
  baseRadiusCm,
  centroidCm,
  emptyPotKg,
  insideOfMaterial,
  volumeBelowL,
  type PotShape,
} from '../pots/index.ts';
import { centreOfGravity, tipAngleDeg, topplingPushN, type Body } from '../stability/index.ts';
import type { CoverOption, PotOption } from './options.ts';

/** A support as it stands in the pot. */
export interface StandingSupport {
  /** from the pot's floor to its top */
  lengthCm: number;
  dryKg: number;
  /** just watered; the same as dry for wood and wire */
  wetKg: number;
  /** room it takes in the medium, cm² of section */
  sectionCm2?: number;
}

/** Weights of what stands in a pot. */
export interface Standing {
  option: Pick<PotOption, 'outside' | 'material' | 'emptyKg' | 'features'>;
  inside: PotShape;
  /** surface of the medium above the floor */
  fillHeightCm: number;
  mediumDryKg: number;
  waterL: number;
  plantKg: number;
  plantHeightCm: number;
  support?: StandingSupport;
  /** stones or grit on the floor */
  ballast?: { kg: number; heightCm: number };
  /** the cover pot it stands in */
  cover?: CoverOption;
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
  /** from the ground to the highest point */
  topCm: number;
  /** what it is made up of, dry, and the radius that it tips over */
  bodies: (Body & { what: StandingPart })[];
  baseRadiusCm: number;
}

/** What of a plant in its pot weighs. */
export type StandingPart = 'pot' | 'medium' | 'plant' | 'cover' | 'ballast' | 'support';

/** Centre of a leafy shoot, as a share of its height. @source common practice, no source */
const SHOOT_CENTRE = 0.45;
const POT_CENTRE = 0.45;
/** What hangs cannot topple. */
const HANGING_DEG = 90;

/**
 * Typical weight of the shoots that a root ball carries, kg per L of ball.
 *
 * @source typical value, from memory
 */
export const SHOOT_KG_PER_BALL_L = 0.16;
/** Medium that stays on an old ball weighs about this, dry, kg/L. @source typical value, from memory */
export const OLD_BALL_DRY_KG_PER_L = 0.2;
/** Stones and grit, loose, kg/L. @source typical value, from memory */
export const BALLAST_KG_PER_L = 1.5;

/** A layer of stones on the floor, `heightCm` thick. */
export function ballastLayer(inside: PotShape, heightCm: number): NonNullable<Standing['ballast']> {
  return { kg: volumeBelowL(inside, heightCm) * BALLAST_KG_PER_L, heightCm };
}

/** Tip angle, weight and push of a whole plant in its pot. */
export function stanceOf(standing: Standing): Stance {
  const { option, inside, fillHeightCm, support, cover, ballast } = standing;
  // In a cover, everything stands on the cover's floor, and the cover's base is what tips.
  const raised = cover
    ? cover.outside.heightCm - insideOfMaterial(cover.outside, cover.material).heightCm
    : 0;
  const floor = raised + option.outside.heightCm - inside.heightCm;
  const mediumCentre = floor + centroidCm(inside, fillHeightCm);
  const surface = floor + fillHeightCm;
  const radius = baseRadiusCm(cover ? cover.outside : option.outside);
  const still: Stance['bodies'] = [
    {
      what: 'pot',
      massKg: option.emptyKg ?? emptyPotKg(option.outside, option.material),
      heightCm: raised + POT_CENTRE * option.outside.heightCm,
    },
    { what: 'medium', massKg: standing.mediumDryKg, heightCm: mediumCentre },
    {
      what: 'plant',
      massKg: standing.plantKg,
      heightCm: surface + SHOOT_CENTRE * standing.plantHeightCm,
    },
  ];
  if (cover) {
    still.push({
      what: 'cover',
      massKg: cover.emptyKg ?? emptyPotKg(cover.outside, cover.material),
      heightCm: POT_CENTRE * cover.outside.heightCm,
    });
  }
  if (ballast)
    still.push({ what: 'ballast', massKg: ballast.kg, heightCm: floor + ballast.heightCm / 2 });
  const pole = (kg: number): Stance['bodies'] =>
    support ? [{ what: 'support', massKg: kg, heightCm: floor + support.lengthCm / 2 }] : [];
  const bodies = [...still, ...pole(support?.dryKg ?? 0)];
  const dry = centreOfGravity(bodies);
  const wet = centreOfGravity([
    ...still,
    ...pole(support?.wetKg ?? 0),
    { massKg: standing.waterL, heightCm: mediumCentre },
  ]);
  const topCm = Math.max(surface + standing.plantHeightCm, floor + (support?.lengthCm ?? 0));
  const hangs = option.features?.hangs === true;
  return {
    tipAngleDryDeg: hangs ? HANGING_DEG : tipAngleDeg(radius, dry.heightCm),
    tipAngleWetDeg: hangs ? HANGING_DEG : tipAngleDeg(radius, wet.heightCm),
    gravityHeightDryCm: dry.heightCm,
    gravityHeightWetCm: wet.heightCm,
    dryKg: dry.massKg,
    wetKg: wet.massKg,
    pushN: topplingPushN(dry.massKg, radius, topCm),
    topCm,
    bodies,
    baseRadiusCm: radius,
  };
}

/** Within one horizon a plant is not believed to become heavier than this many times. */
const MOST_HEAVIER = 3;

/** Forms that bend over, or hang over the rim, where nothing holds them up. @source common practice, no source */
const BENDS_OVER: readonly Traits['growthForm'][] = ['climber', 'trailer'];

/**
 * How high a plant without a support will stand: what climbs or trails grows
 * longer, but no taller than it stands now.
 *
 * @param nowCm  above the medium
 * @param lengthCm  to which its longest shoot will have grown
 */
export function unsupportedCm(form: Traits['growthForm'], nowCm: number, lengthCm: number): number {
  return BENDS_OVER.includes(form) ? Math.min(nowCm, lengthCm) : lengthCm;
}

/** How a plant will have grown, and what its support will then be. */
export interface Grown {
  lengthCm: number;
  /** above the medium; absent: as high as it is long */
  standsCm?: number;
  /** absent: as it is now */
  support?: StandingSupport | undefined;
}

/** The same plant once it has grown. */
export function grownStanding(standing: Standing, grown: Grown): Standing {
  const { plantHeightCm, plantKg } = standing;
  const { lengthCm, standsCm = lengthCm, support = standing.support } = grown;
  const heavier = Math.min(MOST_HEAVIER, Math.max(1, lengthCm / Math.max(1, plantHeightCm)));
  return {
    ...standing,
    plantHeightCm: Math.max(plantHeightCm, standsCm),
    plantKg: plantKg * heavier,
    ...(support ? { support } : {}),
  };
}
