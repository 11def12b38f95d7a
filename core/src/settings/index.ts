import type { LabelSheet, Paper } from '../labels/index.ts';
import type { Avoided } from '../media/index.ts';
import type { OwnRecord } from '../track/index.ts';
import { USUAL_SETTINGS, type GroupSchools, type SchoolSettings } from '../schools/index.ts';

/** What the keeper chose for the whole collection. */
export interface Settings extends SchoolSettings {
  collectionName: string;
  units: 'metric' | 'us';
  /** schools for the plants of one group of the catalogue; a plant's own win over them */
  groupSchools: Record<string, GroupSchools>;
  paper: Paper;
  /** own label sheet; null: the common one for the paper */
  labelSheet: LabelSheet | null;
  /** own scoop, L; null: suggest one */
  scoopL: number | null;
  /** own tub, to its brim, L; null: large enough */
  tubL: number | null;
  /** what no mix may hold */
  avoided: Avoided;
  /** what a pot to buy costs, about; null: nobody said */
  potPrice: number | null;
  /** sign before or after prices, as the keeper writes it */
  currency: string;
  /** what is said is corrected by the keeper’s own record */
  correctsItself: boolean;
  /** what that record comes to; null: not enough was found yet */
  ownRecord: OwnRecord | null;
  /** filled with invented plants */
  demo: boolean;
}

/** What is in force until the keeper chooses. @source common practice, no source */
export const DEFAULT_SETTINGS: Settings = {
  collectionName: '',
  units: 'metric',
  ...USUAL_SETTINGS,
  groupSchools: {},
  paper: 'a4',
  labelSheet: null,
  scoopL: null,
  tubL: null,
  avoided: { contents: [], components: [] },
  potPrice: null,
  currency: '€',
  correctsItself: true,
  ownRecord: null,
  demo: false,
};

/** What the keeper’s record makes of what is said; null: nothing, or the keeper does not want it. */
export const recordInForce = ({
  correctsItself,
  ownRecord,
}: Pick<Settings, 'correctsItself' | 'ownRecord'>): OwnRecord | null =>
  correctsItself ? ownRecord : null;
