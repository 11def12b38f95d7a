import type { FirstWaterSchool } from '../aftercare/index.ts';
import type { OldMediumSchool, SizeSchool, WhenSchool } from '../decide/index.ts';
import type { LabelSheet, Paper } from '../labels/index.ts';
import type { Avoided, WettingSchool } from '../media/index.ts';
import type { RotSchool, ToPebbles, WeakRootSchool } from '../procedures/index.ts';
import type { WinterSchool } from '../pebbles/index.ts';
import type { FlushSchool } from '../solutions/index.ts';

export interface GroupSchools {
  when?: WhenSchool;
  size?: SizeSchool;
  oldMedium?: OldMediumSchool;
}

/** What the keeper chose for the whole collection. */
export interface Settings {
  collectionName: string;
  units: 'metric' | 'us';
  whenSchool: WhenSchool;
  sizeSchool: SizeSchool;
  oldMediumSchool: OldMediumSchool;
  /** schools for the plants of one group of the catalogue; a plant's own win over them */
  groupSchools: Record<string, GroupSchools>;
  firstWaterSchool: FirstWaterSchool;
  weakRootSchool: WeakRootSchool;
  rotSchool: RotSchool;
  toPebblesSchool: ToPebbles;
  flushSchool: FlushSchool;
  winterSchool: WinterSchool;
  paper: Paper;
  /** own label sheet; null: the common one for the paper */
  labelSheet: LabelSheet | null;
  /** own scoop, L; null: suggest one */
  scoopL: number | null;
  /** own tub, to its brim, L; null: large enough */
  tubL: number | null;
  /** what no mix may hold */
  avoided: Avoided;
  wettingSchool: WettingSchool;
  /** sign before or after prices, as the keeper writes it */
  currency: string;
  /** filled with invented plants */
  demo: boolean;
}

/** What is in force until the keeper chooses. @source common practice, no source */
export const DEFAULT_SETTINGS: Settings = {
  collectionName: '',
  units: 'metric',
  whenSchool: 'window',
  sizeSchool: 'oneUp',
  oldMediumSchool: 'byMedium',
  groupSchools: {},
  firstWaterSchool: 'byPlant',
  weakRootSchool: 'cutAll',
  rotSchool: 'dryAir',
  toPebblesSchool: 'long',
  flushSchool: 'calendar',
  winterSchool: 'lower',
  paper: 'a4',
  labelSheet: null,
  scoopL: null,
  tubL: null,
  avoided: { contents: [], components: [] },
  wettingSchool: 'preWet',
  currency: '€',
  demo: false,
};
