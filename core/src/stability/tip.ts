import { positive, within } from '../number/index.ts';

/** A weight and where its centre is. */
export interface Body {
  /** > 0 */
  massKg: number;
  /** of its centre above the ground, ≥ 0 */
  heightCm: number;
}

const GRAVITY_M_S2 = 9.80665; // standard gravity, CODATA / ISO 80000-3

/** Below this a pot is unsafe. @source 10° tilt without overbalancing, IEC 61010-1, from memory */
export const UNSAFE_DEG = 10;
/** What to aim for, dry. @source common practice, no source */
export const AIM_DEG = 15;

/**
 * Angle at which a standing pot begins to topple.
 *
 * atan(r / h): the centre of gravity passes over the edge of the base.
 *
 * @param baseRadiusCm  axis to the edge of the footprint, > 0
 * @param gravityHeightCm  height of the centre of gravity above the base, > 0
 * @returns degrees from upright, 0 … 90
 * @throws RangeError when either is not a positive number
 * @source statics
 */
export function tipAngleDeg(baseRadiusCm: number, gravityHeightCm: number): number {
  positive('baseRadiusCm', baseRadiusCm);
  positive('gravityHeightCm', gravityHeightCm);
  return (Math.atan(baseRadiusCm / gravityHeightCm) * 180) / Math.PI;
}

/** Joint mass and height of the centre of gravity. @throws RangeError for no body at all */
export function centreOfGravity(bodies: readonly Body[]): Body {
  let massKg = 0;
  let moment = 0;
  for (const body of bodies) {
    within('massKg', body.massKg, 0, 1e6);
    within('heightCm', body.heightCm, 0, 1e5);
    massKg += body.massKg;
    moment += body.massKg * body.heightCm;
  }
  positive('sum of masses', massKg);
  return { massKg, heightCm: moment / massKg };
}

/**
 * Level push at a height that topples the pot over the edge of its base.
 *
 * @returns newtons
 * @source statics: push × height = weight × base radius
 */
export function topplingPushN(massKg: number, baseRadiusCm: number, pushHeightCm: number): number {
  positive('massKg', massKg);
  positive('baseRadiusCm', baseRadiusCm);
  positive('pushHeightCm', pushHeightCm);
  return (massKg * GRAVITY_M_S2 * baseRadiusCm) / pushHeightCm;
}

/**
 * What a push at leaf height is like, by hand: the weight of a bar of chocolate is about one newton.
 *
 * @source common practice, no source
 */
export const PUSHES = ['touch', 'lightPush', 'firmPush', 'shove'] as const;
export type Push = (typeof PUSHES)[number];
const PUSH_TO_N = { touch: 1, lightPush: 4, firmPush: 12 } as const;
export const pushLike = (newtons: number): Push =>
  newtons < PUSH_TO_N.touch
    ? 'touch'
    : newtons < PUSH_TO_N.lightPush
      ? 'lightPush'
      : newtons < PUSH_TO_N.firmPush
        ? 'firmPush'
        : 'shove';
