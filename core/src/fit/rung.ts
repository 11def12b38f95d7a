import type { PotShape } from '../pots/index.ts';
import type { WaterUnder } from '../pebbles/index.ts';
import type { MoundOnPot } from '../mounds/index.ts';
import type { DepthPlan } from './depth.ts';
import type { Drying } from './drying.ts';
import type { CoverOption, PotOption } from './options.ts';
import type { Stance, Standing } from './standing.ts';
import type { Saying } from '../saying/index.ts';

/** Why a rung is not the one, or that it could be. */
export type RungVerdict =
  | 'chosen'
  | 'fits'
  | 'tooSmall'
  | 'tooLarge'
  | 'staysWet'
  | 'tips'
  | 'ballTooWide'
  | 'noHoles'
  | 'tooTall';

/** What a pot's make does, beside its size: worked into the numbers, or only said. */
export interface RungNote {
  kind: 'number' | 'advice';
  text: Saying;
}

/** One pot of the ladder with what it would mean. */
export interface Rung {
  option: PotOption;
  inside: PotShape;
  rimCm: number;
  fillHeightCm: number;
  fillL: number;
  newMediumL: number;
  /** how many such pots are filled: one for each piece of a division */
  pots: number;
  /** what it is seated on instead of being filled round; null: it stands in the pot */
  mound: MoundOnPot | null;
  /** what pebbles stand over; null: it is no pot of pebbles */
  under: WaterUnder | null;
  /** share explored on the first day */
  explored: number;
  /** null: the plant does not grow here */
  monthsToCrowded: number | null;
  /** its 80 % band, months; null: the plant does not grow here */
  crowdedBand: { soonest: number; latest: number } | null;
  /** null: the medium does not age */
  mediumMonths: number | null;
  air: number;
  water: number;
  /** how long between waterings, and what that is made of */
  drying: Drying;
  standing: Standing;
  stance: Stance;
  /** room left under the shelf above; null where nothing is above */
  clearanceCm: number | null;
  depth: DepthPlan;
  /** the cover pots of the keeper's own that it stands in */
  covers: CoverOption[];
  notes: RungNote[];
  verdict: RungVerdict;
  because: Saying;
}
