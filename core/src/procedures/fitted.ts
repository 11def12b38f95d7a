import { workFor, type Situation } from '../decide/index.ts';
import type { DrainageLayer, RootCuts, Rung } from '../fit/index.ts';
import type { Component, MediumKind } from '../media/index.ts';
import type { PotMaterialId } from '../pots/index.ts';
import type { SupportPlan } from '../support/index.ts';
import { procedure } from './compose.ts';
import type { Step } from './step.ts';

/** A plant, the pot it moves into, and what goes in with it. */
export interface FittedRepot {
  situation: Situation;
  rung: Rung;
  newKind: MediumKind;
  cuts: RootCuts;
  layer: DrainageLayer;
  components: readonly Component[];
  /** of the pot that it comes out of */
  potMaterial: PotMaterialId;
  /** a new support that is set; null: it keeps what it has */
  support: SupportPlan | null;
  /** dressing on the surface, in words with its amount */
  topDressing: string | null;
  /** the mix stands ready in a tub */
  mixed?: boolean;
  wetKg: number;
}

/** Steps of a repot as it was fitted: pot, mix and support are settled. */
export function fittedSteps(repot: FittedRepot): Step[] {
  const { situation, rung, cuts, support } = repot;
  return procedure({
    traits: situation.traits,
    signals: situation.signals,
    from: situation.medium.kind,
    to: repot.newKind,
    work: workFor(situation, { ...cuts, newKind: repot.newKind, mound: rung.mound !== null }),
    pieces: cuts.pieces,
    rootsPruned: cuts.rootsPruned,
    potMaterial: repot.potMaterial,
    potSoaking: ['soaking', 'handedDown'].includes(rung.option.source),
    depth: rung.depth,
    layer: repot.layer,
    components: repot.components,
    newMediumL: rung.newMediumL,
    mixed: repot.mixed ?? false,
    support: support && {
      label: support.kind.label,
      lengthCm: support.lengthCm,
      damp: support.kind.wetting === 'constant',
      ties: support.ties * support.poles,
      fixing: support.fixing,
    },
    topDressing: repot.topDressing,
    mound: rung.mound,
    under: rung.under,
    wetKg: repot.wetKg,
    ...(situation.schools ? { schools: situation.schools } : {}),
  });
}
