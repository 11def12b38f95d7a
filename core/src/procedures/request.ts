import type { FirstWaterSchool } from '../aftercare/index.ts';
import type { Traits } from '../catalogue/index.ts';
import type { Signals } from '../decide/index.ts';
import type { DepthPlan, DrainageLayer } from '../fit/index.ts';
import type { Component, MediumKind, WettingSchool } from '../media/index.ts';
import type { MoundOnPot } from '../mounds/index.ts';
import type { PotMaterialId } from '../pots/index.ts';
import type { RootWork } from '../aftercare/index.ts';

/** What good keepers do with weak or dead roots. */
export const WEAK_ROOT_SCHOOLS = {
  cutAll: {
    label: 'cut all that are not alive',
    does: 'Cut every hollow, papery or soft root back to where it is firm.',
    costs: 'a clean start, the fewest roots to hold on by',
  },
  firmOnly: {
    label: 'keep whatever is firm',
    does: 'Keep every root that is firm, whatever its colour; strip the soft ones.',
    costs: 'some of what is kept dies later in the mix',
  },
  anchors: {
    label: 'leave some dead ones as anchors',
    does: 'Cut the soft ones; leave a few dry, wiry ones so that the plant does not rock.',
    costs: 'dead matter stays in the mix',
  },
} as const;
export type WeakRootSchool = keyof typeof WEAK_ROOT_SCHOOLS;

/** What good keepers put on rotted tissue that was cut away. */
export const ROT_SCHOOLS = {
  peroxide: {
    label: '3 % peroxide, once',
    does: 'Drip 3 % hydrogen peroxide on the cut, once; let it foam and dry.',
    costs: 'it also hurts live roots',
  },
  dust: {
    label: 'cinnamon or sulphur dust',
    does: 'Dust the cut alone, not the live roots, with cinnamon or sulphur.',
    costs: 'dries live roots that it touches',
  },
  dryAir: {
    label: 'dry air only',
    does: 'Put nothing on the cut: dry, moving air closes it.',
    costs: 'takes longer',
  },
} as const;
export type RotSchool = keyof typeof ROT_SCHOOLS;

/** The way from soil into pebbles. */
export const TO_PEBBLES = {
  long: {
    label: 'the long way, through water',
    costs: 'weeks in a jar; the surest',
  },
  straight: {
    label: 'straight in',
    costs: 'more roots die back; old valued plants are at risk',
  },
} as const;
export type ToPebbles = keyof typeof TO_PEBBLES;

/** What the plant is, besides a plant in a pot that moves to another. */
export type Start = 'potted' | 'cuttingFromMoss' | 'cuttingFromWater';

/** Everything that a procedure is composed from. */
export interface ProcedureRequest {
  start?: Start;
  traits: Traits;
  signals: Signals;
  from: MediumKind;
  to: MediumKind;
  /** how much of the old medium comes off */
  work: RootWork['work'];
  /** 1 = not divided */
  pieces: number;
  rootsPruned: boolean;
  /** of the pot that it comes out of */
  potMaterial: PotMaterialId;
  /** the new pot comes out of a soak */
  potSoaking?: boolean;
  depth: Pick<DepthPlan, 'layerCm' | 'bedCm' | 'levelCm' | 'headspaceCm' | 'screenCm'>;
  layer: DrainageLayer;
  components: readonly Component[];
  /** new mix round the ball, L */
  newMediumL: number;
  /** the mix stands ready in a tub: nothing is soaked, wetted or measured for this pot */
  mixed?: boolean;
  /** a new support that is set, and how it is fixed */
  support?: { label: string; lengthCm: number; damp: boolean; ties: number; fixing: string } | null;
  /** seated on an upturned net pot, wrapped in moss */
  mound?: Pick<MoundOnPot, 'core' | 'mouthCm' | 'diameterCm' | 'mossL' | 'dryG'> | null;
  /** dressing on the surface, in words with its amount */
  topDressing?: string | null;
  wetKg: number;
  schools?: {
    weakRoots?: WeakRootSchool;
    rot?: RotSchool;
    firstWater?: FirstWaterSchool;
    wetting?: WettingSchool;
    toPebbles?: ToPebbles;
  };
}
