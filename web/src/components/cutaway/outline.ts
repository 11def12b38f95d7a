import {
  insideOfMaterial,
  rimCm,
  usualHeadspaceCm,
  type PotMaterialId,
  type PotShape,
  type Traits,
} from '@fernbank/core';
import { randomFrom } from './random.ts';
import { closed } from './scene.ts';
import { shootsOf, type Shoots } from './shoots.ts';

/** A plant as one sees it from across the room. Lengths cm. */
export interface OutlineSubject {
  /** seeds the drawing */
  name: string;
  pot: PotShape;
  potMaterial: PotMaterialId;
  heightCm: number;
  growthForm: Traits['growthForm'];
  supportCm: number | null;
  together: number;
}

/** In centimetres: x from the axis, y down from the ground line. */
export interface Outline extends Shoots {
  pot: string;
  support: { top: number; bottom: number } | null;
  topY: number;
  halfCm: number;
  /** taller than what is drawn of it */
  cut: boolean;
}

const CANE_CM = 1.2;

/** @param mostCm  so much of it at most is drawn */
export function outlineOf(subject: OutlineSubject, mostCm: number): Outline {
  const { name, pot, potMaterial, heightCm, growthForm, supportCm, together } = subject;
  const surface = pot.heightCm - usualHeadspaceCm(insideOfMaterial(pot, potMaterial));
  const plantCm = Math.max(0, Math.min(heightCm, mostCm - surface));
  const poleTop = supportCm === null ? 0 : Math.min(mostCm, supportCm);
  const topCm = Math.max(pot.heightCm, surface + plantCm, poleTop);
  return {
    pot: closed(pot, pot.heightCm, (z) => -z),
    ...shootsOf(
      { growthForm, together },
      { surfaceY: -surface, plantCm, width: rimCm(pot), random: randomFrom(name) },
    ),
    support: poleTop > surface ? { top: -poleTop, bottom: -surface } : null,
    topY: -topCm,
    halfCm: Math.max(rimCm(pot) / 2, rimCm(pot) * 0.62, CANE_CM),
    cut: surface + heightCm > mostCm || (supportCm ?? 0) > mostCm,
  };
}
