import { freshIn, mediumLife, type MediumLife } from '../decide/index.ts';
import type { Traits } from '../catalogue/index.ts';
import { agedColumn, type AgedColumn, type Component } from '../media/index.ts';
import {
  blend,
  mixPh,
  type Blend,
  type HeldIn,
  type MixPlace,
  type Part,
} from '../mixing/index.ts';
import { usualHeadspaceCm, type PotShape } from '../pots/index.ts';
import { WETNESS } from '../water/index.ts';

/** Where a mix is to serve: a pot, and what is asked of it there. */
export interface PottedPlace extends Pick<Traits, 'airNeed' | 'drying'> {
  /** inside sizes */
  pot: PotShape;
  /** top of a drainage layer, cm */
  floorCm?: number;
  /** mean of the year, °C */
  temperatureC: number;
}

/** A mix in one pot: what it holds fresh, and how long it serves. Fractions of volume. */
export interface PottedMix {
  blend: Blend;
  air: number;
  water: number;
  solid: number;
  dryKgPerL: number;
  /** drained, kg/L */
  wetKgPerL: number;
  ph: number;
  life: MediumLife;
}

/** @throws RangeError for parts that cannot be mixed, or an impossible pot */
export function mixInPot(parts: readonly Part<Component>[], place: PottedPlace): PottedMix {
  const made = blend(parts);
  const { air, water } = freshIn(made, place.pot, undefined, place.floorCm);
  return {
    blend: made,
    air,
    water,
    solid: 1 - air - water,
    dryKgPerL: made.dryKgPerL,
    wetKgPerL: made.dryKgPerL + water,
    ph: mixPh(parts),
    life: mediumLife(made, place.pot, place, place.temperatureC, place.floorCm),
  };
}

/** The same mix after some months in its pot. */
export function agedInPot(
  { air, solid, blend: made }: PottedMix,
  { temperatureC, drying }: PottedPlace,
  months: number,
): AgedColumn {
  const medium = { air, organicShare: made.organicShare, halfLifeMonths: made.halfLifeMonths };
  return agedColumn(medium, solid, { temperatureC, wetness: WETNESS[drying] }, months);
}

/** Height of the medium in a pot filled as usual, cm. */
export const mediumHeightCm = (pot: PotShape): number => pot.heightCm - usualHeadspaceCm(pot);

/** The pot, filled as usual: where air and water are told for. */
export const heldIn = ({ pot, floorCm = 0 }: PottedPlace): HeldIn => ({
  pot,
  floorCm,
  heightCm: mediumHeightCm(pot),
});

/** The place as substitutes are judged in it. */
export function swapPlace(place: PottedPlace, priceOf?: MixPlace['priceOf']): MixPlace {
  return {
    ...heldIn(place),
    lifeOf: (mix) => mediumLife(mix, place.pot, place, place.temperatureC, place.floorCm).months,
    ...(priceOf ? { priceOf } : {}),
  };
}
