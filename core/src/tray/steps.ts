import type { Traits } from '../catalogue/index.ts';
import { depthPlan } from '../fit/index.ts';
import type { Component, MediumKind } from '../media/index.ts';
import { positive } from '../number/index.ts';
import {
  fillL,
  insideOfMaterial,
  usualHeadspaceCm,
  type PotMaterialId,
  type PotShape,
} from '../pots/index.ts';
import { procedure, type ProcedureRequest, type Start, type Step } from '../procedures/index.ts';
import type { TrayMedium, TrayMethod } from './method.ts';

/** A rooted start that goes into its first pot. */
export interface PotOnRequest {
  method: TrayMethod;
  medium: TrayMedium;
  rootCm: number | null;
  traits: Traits;
  /** outside sizes */
  pot: PotShape;
  potMaterial: PotMaterialId;
  to: MediumKind;
  components: readonly Component[];
  /** starts that share the pot */
  starts: number;
  schools?: ProcedureRequest['schools'];
}

/** Roots of one start are a strand about so thick, cm². @source common practice, no source */
const STRAND_CM2 = 2;
const USUAL_ROOT_CM = 5;
/** Wet, with its little pot: no start is too heavy for one hand. */
const LIGHT_KG = 1;

const START: Record<TrayMedium, Start> = {
  water: 'cuttingFromWater',
  moss: 'cuttingFromMoss',
  mix: 'potted',
  pebbles: 'potted',
};
const FROM: Record<TrayMedium, MediumKind> = {
  water: 'moss',
  moss: 'moss',
  mix: 'mix',
  pebbles: 'pebbles',
};

/** Litres of mix for a first pot and the steps of potting it. */
export function potOnSteps(request: PotOnRequest): { newMediumL: number; steps: Step[] } {
  const { medium, rootCm, traits, pot, potMaterial, to, components, starts, schools } = request;
  positive('starts', starts);
  const inside = insideOfMaterial(pot, potMaterial);
  const fillHeightCm = inside.heightCm - usualHeadspaceCm(inside);
  const length = Math.min(rootCm ?? USUAL_ROOT_CM, fillHeightCm);
  const rootsL = (starts * STRAND_CM2 * length) / 1000;
  const depth = depthPlan(
    inside,
    fillHeightCm,
    { heightCm: length, widthCm: 2 * Math.sqrt((starts * STRAND_CM2) / Math.PI) },
    'screen',
  );
  const newMediumL = Math.max(0, fillL(inside) - rootsL);
  return {
    newMediumL,
    steps: procedure({
      start: START[medium],
      traits,
      signals: {},
      from: FROM[medium],
      to,
      work: 'bareRoot',
      pieces: 1,
      rootsPruned: false,
      potMaterial,
      depth,
      layer: 'screen',
      components,
      newMediumL,
      wetKg: LIGHT_KG,
      ...(schools ? { schools } : {}),
    }),
  };
}
