import { OutOfRange } from '../number/outOfRange.ts';
import type { Traits } from '../catalogue/index.ts';
import { blend, blendOfRecipe, type Blend, type Part } from '../mixing/index.ts';
import { meanWaterInPot, recipeOfKind, type FreshMedium, type MediumKind } from '../media/index.ts';
import { clamp } from '../number/index.ts';
import { checkPot, rimCm, usualHeadspaceCm, type PotShape } from '../pots/index.ts';
import { checkSpot, dayNumber, daysBetween, type IsoDate, type Spot } from '../season/index.ts';
import { WETNESS } from '../water/index.ts';
import type { Corrections } from './corrected.ts';
import type { MeasuredFinding } from './measured.ts';
import type { Signals } from './signals.ts';
import type { RootPace, RootReading } from '../roots/index.ts';
import type { Schools } from '../schools/index.ts';

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
  schools?: Partial<Schools>;
  /** roots as earlier looks found them, brought forward to `date` by growth */
  roots?: RootReading;
  /** day of the newest look since the last repot; absent: never looked at */
  lookedOn?: IsoDate;
  /** plants of the kind that share its pot; absent: it is alone */
  together?: number;
  /** what the plant's logs say */
  measured?: readonly MeasuredFinding[];
  /** what its earlier pots taught, and what its keeper’s own record does */
  learned?: {
    pace?: RootPace;
    mediumLifeFactor?: number;
    /** use of water of this keeper’s plants against the typical; a plant’s own log goes before it */
    useFactor?: number;
    corrections?: Corrections;
  };
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

const waters = new WeakMap<Blend, Map<string, number>>();
const MOST_POTS = 200;

/** Of the pots that a mix is drained in most are alike: what one holds is integrated once. */
function waterIn(mix: Blend, pot: PotShape, fillHeightCm: number, floorCm: number): number {
  let inPots = waters.get(mix);
  if (!inPots) waters.set(mix, (inPots = new Map<string, number>()));
  const key = `${JSON.stringify(pot)} ${fillHeightCm} ${floorCm}`;
  let water = inPots.get(key);
  if (water === undefined) {
    water = meanWaterInPot(mix.water, pot, fillHeightCm, floorCm);
    if (inPots.size >= MOST_POTS) inPots.clear();
    inPots.set(key, water);
  }
  return water;
}

/** A mix when fresh in a pot: its water and air after draining. */
export function freshIn(
  mix: Blend,
  pot: PotShape,
  fillHeightCm = pot.heightCm - usualHeadspaceCm(pot),
  floorCm = 0,
): FreshMedium & { water: number } {
  const water = waterIn(mix, pot, fillHeightCm, floorCm);
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
  /** `tooWetFromStart`: a caution about the choice; its age is told by its structure all the same */
  judgedBy: 'structure' | 'tooWetFromStart';
  freshAir: number;
}

const LONGEST_LIFE_MONTHS = 240;
const LIFE_HOLDS_FOR = { rimCm: 14, celsius: 20 } as const;
/** A small pot, often watered, wears its medium out sooner: life goes with this power of its width. */
const BY_WIDTH = 0.12;
/** Life halves in so many degrees: wear is rot and roots together, and roots mind warmth less. */
const HALVES_IN_C = 20;
/** Wetness counts with this power. */
const BY_WETNESS = 0.5;
/** Pot, warmth and watering move a life by no more than this. */
const LIFE_MOVES = { least: 0.8, most: 1.2 } as const;
/** Air that is short of the need by less than this is what keepers live with. */
const SHORT_OF_AIR = 0.8;

/**
 * How long a medium serves a plant in a pot at a spot's mean temperature: until its structure is worn
 * out. How airy it is when fresh says whether it was the right one, not how long it lasts.
 *
 * @source lives: common practice, no source
 */
export function mediumLife(
  mix: Blend,
  pot: PotShape,
  plant: Pick<Traits, 'airNeed' | 'drying'>,
  meanTemperatureC: number,
  floorCm = 0,
): MediumLife {
  const fresh = freshIn(mix, pot, undefined, floorCm);
  const moved =
    (rimCm(pot) / LIFE_HOLDS_FOR.rimCm) ** BY_WIDTH *
    2 ** ((LIFE_HOLDS_FOR.celsius - meanTemperatureC) / HALVES_IN_C) *
    WETNESS[plant.drying] ** -BY_WETNESS;
  return {
    months:
      mix.lifeMonths === null
        ? null
        : capped(mix.lifeMonths * clamp(moved, LIFE_MOVES.least, LIFE_MOVES.most)),
    judgedBy:
      plant.airNeed !== null && fresh.air < SHORT_OF_AIR * plant.airNeed
        ? 'tooWetFromStart'
        : 'structure',
    freshAir: fresh.air,
  };
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
