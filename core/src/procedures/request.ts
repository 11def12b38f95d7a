import type { Traits } from '../catalogue/index.ts';
import type { Signals } from '../decide/index.ts';
import type { DepthPlan, DrainageLayer } from '../fit/index.ts';
import type { Component, MediumKind } from '../media/index.ts';
import type { MoundOnPot } from '../mounds/index.ts';
import type { WaterUnder } from '../pebbles/index.ts';
import type { PotMaterialId } from '../pots/index.ts';
import type { RootWork } from '../aftercare/index.ts';
import type { Schools } from '../schools/index.ts';
import type { Saying } from '../saying/index.ts';

/** What the plant is, besides a plant in a pot that moves to another. */
export type Start = 'potted' | 'cuttingFromMoss' | 'cuttingFromWater';

/** Everything that a procedure is composed from. */
export interface Repotting {
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
  support?: { label: string; lengthCm: number; damp: boolean; ties: number; fixing: Saying } | null;
  /** seated on an upturned net pot, wrapped in moss */
  mound?: Pick<MoundOnPot, 'core' | 'mouthCm' | 'diameterCm' | 'mossL' | 'dryG'> | null;
  /** what its pebbles stand over */
  under?: Pick<
    WaterUnder,
    'kind' | 'gapCm' | 'summer' | 'wick' | 'wickKind' | 'wickInsideCm' | 'cautions'
  > | null;
  /** dressing on the surface, in words with its amount */
  topDressing?: string | null;
  wetKg: number;
  schools: Schools;
}

/** What is asked for; of schools only those that are not the usual ones. */
export interface ProcedureRequest extends Omit<Repotting, 'schools'> {
  schools?: Partial<Schools>;
}
