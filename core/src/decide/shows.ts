import { GROWTH_FORMS, type Traits } from '../catalogue/index.ts';
import type { Weights } from './signals.ts';
import type { Situation } from './situation.ts';

type Form = Traits['growthForm'];
/** What decides which findings a plant can show: its kind, and the medium it really stands in. */
type Stands = Pick<Situation, 'traits' | 'medium'>;

/** Forms whose new growths can come to the wall of the pot. */
const SPREADS: readonly Form[] = ['clump', 'walker', 'rosette', 'bulb', 'fan', 'column'];
/** Forms that grow away over the rim, leaving a side of the pot bare. */
const WALKS: readonly Form[] = ['walker', 'clump', 'bulb'];
const HAS_STEM: readonly Form[] = GROWTH_FORMS.filter(
  (form) => form !== 'bulb' && form !== 'fan' && form !== 'clump' && form !== 'walker',
);
/** Bloom that hardly matters is no reason to ask for it. */
const BLOOM_MATTERS_FROM = 0.3;
/** Months in which a plant may still be settling in, and in which a nursery's plug is news. */
const SETTLES_MONTHS = 2;
const PLUG_MONTHS = 30;

/**
 * Which findings this kind of plant can show: those that are asked for and told
 * as turning points. What a keeper answers all the same is weighed.
 *
 * @source common practice, no source
 */
const SHOWN: Record<
  string,
  (traits: Traits, monthsInPot: number | null, stands: Stands) => boolean
> = {
  newRootTips: ({ rootKind, window }) => rootKind === 'velamen' || window === 'newRoots',
  growthAtWall: ({ growthForm }) => SPREADS.includes(growthForm),
  emptySide: ({ growthForm }) => WALKS.includes(growthForm),
  aerialRootsOutside: ({ rootKind, support }, _, { medium }) =>
    rootKind === 'velamen' || support === 'aerialRoots' || medium.kind === 'pebbles',
  vinePastSupport: ({ support }) => support !== 'none',
  bloom: ({ bloomMatters }) => bloomMatters >= BLOOM_MATTERS_FROM,
  resting: ({ rhythm }) => rhythm !== 'evergreen',
  stemBare: ({ growthForm }) => HAS_STEM.includes(growthForm),
  nurseryPlug: (_, months) => months === null || months <= PLUG_MONTHS,
  justArrived: (_, months) => months === null || months <= SETTLES_MONTHS,
  // Water runs through a gritty mix, bark or bare roots as it should.
  waterRunsThrough: (_traits, _months, { medium }) =>
    !['mineral', 'bark', 'pebbles', 'bare'].includes(medium.kind),
  driesSooner: ({ drying }) => drying !== 'wet',
  staysWetLonger: ({ drying }) => drying !== 'wet',
};

/** Whether such a plant can show a finding. @param monthsInPot  null: nobody knows */
export function canShow(id: string, stands: Stands, monthsInPot: number | null): boolean {
  return SHOWN[id]?.(stands.traits, monthsInPot, stands) ?? true;
}

/**
 * What a finding says beside its usual weights in some kinds of plant.
 *
 * @source common practice, no source
 */
export function addsFor(id: string, value: unknown, { traits, medium }: Stands): Weights {
  const { growthForm, rootKind, drying } = traits;
  const neck = growthForm === 'rosette' && rootKind === 'hair' && drying !== 'fullyDry';
  // The neck of a soft rosette is set deeper in fresh mix, the better the sooner.
  if (id === 'stemBare' && value === true && neck) return { mediumFailing: 3 };
  // Roots that live in air tell a full or spent pot by all growing out of it.
  if (id === 'aerialRootsOutside' && value === 'many' && medium.kind === 'pebbles') {
    return { crowded: 1 };
  }
  return {};
}
