import { meanTemperatureC, type Situation } from '../decide/index.ts';
import type { CoverOption, PotOption, PottedPlace } from '../fit/index.ts';
import type { MediumKind } from '../media/index.ts';
import type { PotMaterialId } from '../pots/index.ts';
import type { IsoDate } from '../season/index.ts';
import type {
  GrownSchool,
  Section,
  ShelvedSupport,
  SupportGoal,
  SupportKindId,
} from '../support/index.ts';
import type { WaterFindings } from '../water/index.ts';

/** What a keeper wants of a plant's support; kept with the plant. */
export interface SupportWish {
  goal?: SupportGoal | undefined;
  minutesPerWeek?: number | null | undefined;
  school?: GrownSchool | undefined;
  wound?: boolean | undefined;
  internodeCm?: number | undefined;
}

/** A plant as it is fitted: all of it that bears on pot, mix and support. */
export interface FitSubject {
  situation: Situation;
  heightCm: number;
  /** heights that were measured, in any order */
  heights: readonly { date: IsoDate; cm: number }[];
  /** its own log of water */
  log: Pick<WaterFindings, 'points'> | null;
  potMaterial: PotMaterialId;
  mediumKind: MediumKind;
  recipeId: string | null;
  /** null: it stands without one */
  support: { kind: SupportKindId | null; section: Section | null; lengthCm: number } | null;
  stems: number;
  wish: SupportWish;
}

/** What there is to fit it with. */
export interface FitShelf {
  pots: readonly PotOption[];
  covers: readonly CoverOption[];
  /** the cover it stands in now */
  presentCover: CoverOption | null;
  supports: readonly ShelvedSupport[];
  /** height under the shelf or ceiling; null: nothing is above */
  headroomCm: number | null;
}

/** Where a plant's mix is judged: in its pot, at its spot, by its needs. */
export function placeOf({
  pot,
  traits,
  spot,
}: Pick<Situation, 'pot' | 'traits' | 'spot'>): PottedPlace {
  const { airNeed, drying } = traits;
  return { pot, airNeed, drying, temperatureC: meanTemperatureC(spot) };
}
