import { OutOfRange } from '../number/outOfRange.ts';
import type { Traits } from '../catalogue/index.ts';
import { blend, blendOfRecipe, type Blend, type Part } from '../mixing/index.ts';
import {
  meanWaterInPot,
  monthsAboveAir,
  monthsOfStructure,
  monthsUntilPacked,
  recipeOfKind,
  type FreshMedium,
  type MediumKind,
} from '../media/index.ts';
import { checkPot, usualHeadspaceCm, type PotShape } from '../pots/index.ts';
import { checkSpot, dayNumber, daysBetween, type IsoDate, type Spot } from '../season/index.ts';
import { WETNESS } from '../water/index.ts';
import type { OldMediumSchool, SizeSchool, WhenSchool } from './costs.ts';
import type { MeasuredFinding } from './measured.ts';
import type { Signals } from './signals.ts';
import type { RootPace, RootReading } from '../roots/index.ts';

/** What a plant stands in. */
export interface Medium {
  kind: MediumKind;
  /** id of a shipped recipe */
  recipe?: string;
  /** the mix itself; wins over `recipe`, which wins over `kind` */
  parts?: readonly Part[];
}

/** Everything a verdict rests on. */
export interface Situation {
  traits: Traits;
  date: IsoDate;
  spot: Spot;
  /** inside sizes */
  pot: PotShape;
  medium: Medium;
  /** null: unknown */
  lastRepot: IsoDate | null;
  signals: Signals;
  schools?: { when?: WhenSchool; size?: SizeSchool; oldMedium?: OldMediumSchool };
  /** roots as earlier looks found them, brought forward to `date` by growth */
  roots?: RootReading;
  /** day of the newest look since the last repot; absent: never looked at */
  lookedOn?: IsoDate;
  /** what the plant's logs say */
  measured?: readonly MeasuredFinding[];
  /** what its earlier pots taught */
  learned?: { pace?: RootPace; mediumLifeFactor?: number };
}

/** @throws RangeError naming what is impossible */
export function checkSituation(situation: Situation): Situation {
  checkPot(situation.pot);
  checkSpot(situation.spot);
  dayNumber(situation.date);
  if (situation.lastRepot !== null && daysBetween(situation.lastRepot, situation.date) < 0) {
    throw new OutOfRange(
      `lastRepot must not be after date, got ${situation.lastRepot} after ${situation.date}`,
    );
  }
  return situation;
}

/** The mix that a description of a medium stands for. */
export function blendOf(medium: Medium): Blend {
  if (medium.parts && medium.parts.length > 0) return blendOfParts(medium.parts);
  return blendOfRecipe(medium.recipe ?? recipeOfKind(medium.kind).id);
}

const blends = new WeakMap<readonly Part[], Blend>();

/** Many plants stand in the same mix: one list of parts is mixed once. */
function blendOfParts(parts: readonly Part[]): Blend {
  let mix = blends.get(parts);
  if (!mix) {
    mix = blend(parts);
    blends.set(parts, mix);
  }
  return mix;
}

/** A mix when fresh in a pot: its water and air after draining. */
export function freshIn(
  mix: Blend,
  pot: PotShape,
  fillHeightCm = pot.heightCm - usualHeadspaceCm(pot),
  floorCm = 0,
): FreshMedium & { water: number } {
  const water = meanWaterInPot(mix.water, pot, fillHeightCm, floorCm);
  return {
    water,
    // A waterlogged mix can come out at −1e−16.
    air: Math.max(0, mix.totalPorosity - water),
    organicShare: mix.organicShare,
    halfLifeMonths: mix.halfLifeMonths,
  };
}

/** Life of a medium for one plant in one pot, and by which measure. */
export interface MediumLife {
  /** null: it does not age */
  months: number | null;
  judgedBy: 'air' | 'structure' | 'tooWetFromStart';
  freshAir: number;
}

const LONGEST_LIFE_MONTHS = 240;
/** A mix that never had the air the roots need is due in half the time its structure lasts. */
const TOO_WET_SHARE = 0.5;
const LEAST_LIFE_MONTHS = 3;

/** How long a medium serves a plant in a pot at a spot's mean temperature. */
export function mediumLife(
  mix: Blend,
  pot: PotShape,
  plant: Pick<Traits, 'airNeed' | 'drying'>,
  meanTemperatureC: number,
  floorCm = 0,
): MediumLife {
  const fresh = freshIn(mix, pot, undefined, floorCm);
  const conditions = { temperatureC: meanTemperatureC, wetness: WETNESS[plant.drying] };
  const structure = monthsOfStructure(fresh, conditions);
  if (plant.airNeed === null) {
    return { months: capped(structure), judgedBy: 'structure', freshAir: fresh.air };
  }
  const months = monthsAboveAir(fresh, conditions, plant.airNeed);
  if (months !== null && months < LEAST_LIFE_MONTHS) {
    const half = structure === null ? null : structure * TOO_WET_SHARE;
    return {
      months: half === null ? null : Math.max(LEAST_LIFE_MONTHS, half),
      judgedBy: 'tooWetFromStart',
      freshAir: fresh.air,
    };
  }
  const packed = monthsUntilPacked(fresh, conditions);
  if (packed !== null && packed < (months ?? Infinity)) {
    return { months: capped(packed), judgedBy: 'structure', freshAir: fresh.air };
  }
  return { months: capped(months), judgedBy: 'air', freshAir: fresh.air };
}

/** A medium's life as this plant has been found to use it. @param factor  1: as reckoned */
export function asLearned(life: MediumLife, factor = 1): MediumLife {
  return { ...life, months: life.months === null ? null : capped(life.months * factor) };
}

function capped(months: number | null): number | null {
  return months === null || months > LONGEST_LIFE_MONTHS ? null : months;
}

/** Mean temperature of the year at a spot, °C. */
export function meanTemperatureC(spot: Spot): number {
  if (typeof spot.temperatureC === 'number') return spot.temperatureC;
  return spot.temperatureC.reduce((sum, celsius) => sum + celsius, 0) / spot.temperatureC.length;
}
