import type { IsoDate } from '../season/index.ts';
import type { WeeksAhead } from '../decide/index.ts';

/** One repot as it would be: pot, mix, hands. */
export interface NextRepot {
  rimCm: number;
  /** settled mix that goes in, L */
  newMediumL: number;
  minutes: number;
}

/** A plant as a forecast takes it. */
export interface AheadPlant {
  id: number;
  name: string;
  spotId: number;
  group: string;
  rimCm: number;
  /** litres to measure of each component for a litre of settled mix */
  parts: { component: string; measureL: number }[];
  weeks: WeeksAhead;
  /** it is not touched before this week, by its keeper’s own word */
  notBefore: number;
  /** chance that it is in danger now, and that one in danger is lost in spite of all */
  danger: number;
  lossRisk: number;
  rescue: boolean;
  /** the next repots in their order; the last one stands for all after it */
  repots: NextRepot[];
}

/** Pots of the shelf that are free, by their width. */
export interface ShelfPots {
  rimCm: number;
  count: number;
}

export interface AheadProblem {
  /** the Monday of week 0 */
  from: IsoDate;
  plants: AheadPlant[];
  shelf: ShelfPots[];
}
