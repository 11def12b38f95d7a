import { OutOfRange } from '../number/outOfRange.ts';
import { positive } from '../number/index.ts';
import { retentionFromPorometer, waterAt, type Component, type WaterAt } from '../media/index.ts';
import { packingDensity } from './packing.ts';

/** What the mixing model must know of an ingredient. */
export type Ingredient = Pick<
  Component,
  | 'grainMm'
  | 'packing'
  | 'dryKgPerL'
  | 'totalPorosity'
  | 'airAt7_6cm'
  | 'n'
  | 'halfLifeMonths'
  | 'lifeMonths'
>;

/** So many measured parts of an ingredient. */
export interface Part<I extends Ingredient = Ingredient> {
  ingredient: I;
  /** parts by measured bulk volume, ≥ 0 */
  parts: number;
}

/** A mixed medium. Fractions are of mixed volume unless said otherwise. */
export interface Blend {
  /** share of the measured volume that disappears on mixing, 0 … 1 */
  shrink: number;
  totalPorosity: number;
  dryKgPerL: number;
  /** water by volume at a suction, cm */
  water: WaterAt;
  /** share of measured volume that can rot, 0 … 1 */
  organicShare: number;
  /** months in which half of what can rot loses its structure at 20 °C; null: nothing rots */
  halfLifeMonths: number | null;
  /** months that the mix serves in a 14 cm pot at 20 °C; null: too little of it ages */
  lifeMonths: number | null;
  /** measured litres per mixed litre of each part, in the order given */
  measuredPerMixed: number[];
}

const curves = new WeakMap<Ingredient, WaterAt>();

/** The curve is solved once for each ingredient object: it costs more than the rest of a mix. */
export function waterOf(ingredient: Ingredient): WaterAt {
  let water = curves.get(ingredient);
  if (!water) {
    const { totalPorosity, airAt7_6cm, n } = ingredient;
    water = waterAt(retentionFromPorometer(totalPorosity, airAt7_6cm, n));
    curves.set(ingredient, water);
  }
  return water;
}

/**
 * What becomes of parts when they are mixed.
 *
 * Solids and their inner water are conserved; only the room between grains is
 * lost. So water adds up by volume and is divided by the smaller mixed volume,
 * and can never exceed the pores that are left.
 *
 * @throws RangeError when all parts are zero, one is negative, or an ingredient's numbers are impossible
 * @source conservation of volume; shrink: packing.ts
 */
export function blend(parts: readonly Part[]): Blend {
  for (const { parts: amount } of parts) {
    if (!(Number.isFinite(amount) && amount >= 0)) {
      throw new OutOfRange(`parts must be 0 or more, got ${String(amount)}`);
    }
  }
  const measured = positive(
    'sum of parts',
    parts.reduce((sum, part) => sum + part.parts, 0),
  );
  const shares = parts.map((part) => ({
    ingredient: part.ingredient,
    share: part.parts / measured,
  }));

  const grainVolume = shares.reduce((sum, s) => sum + s.share * s.ingredient.packing, 0);
  const density = packingDensity(
    shares.map(({ ingredient, share }) => ({
      grainMm: ingredient.grainMm,
      packing: ingredient.packing,
      grainVolume: share * ingredient.packing,
    })),
  );
  const mixedPerMeasured = grainVolume / density;

  const perMixed = (of: (ingredient: Ingredient) => number) =>
    shares.reduce((sum, s) => sum + s.share * of(s.ingredient), 0) / mixedPerMeasured;

  const totalPorosity = 1 - perMixed((ingredient) => 1 - ingredient.totalPorosity);
  const measuredPerMixed = shares.map(({ share }) => share / mixedPerMeasured);
  const waters = shares
    .map(({ ingredient }, i) => ({ water: waterOf(ingredient), amount: measuredPerMixed[i]! }))
    .filter(({ amount }) => amount > 0);

  return {
    shrink: 1 - mixedPerMeasured,
    totalPorosity,
    dryKgPerL: perMixed((ingredient) => ingredient.dryKgPerL),
    water: (suctionCm) => {
      let sum = 0;
      for (const { water, amount } of waters) sum += water(suctionCm) * amount;
      return Math.min(totalPorosity, sum);
    },
    measuredPerMixed,
    ...rotOf(shares),
  };
}

/** Of a mix in which less than this ages, the grains that do not hold the rest up. */
const AGES_FROM = 0.25;
/** Grains that do not age hold a mix open longer, by up to this much. @source common practice, no source */
const HELD_OPEN = 0.4;

function rotOf(shares: readonly { ingredient: Ingredient; share: number }[]) {
  let organicShare = 0;
  let ratePerMonth = 0;
  let lifeSum = 0;
  for (const { ingredient, share } of shares) {
    const { halfLifeMonths, lifeMonths } = ingredient;
    if (halfLifeMonths === null) continue;
    organicShare += share;
    ratePerMonth += share / halfLifeMonths;
    lifeSum += share * (lifeMonths ?? halfLifeMonths);
  }
  return {
    organicShare,
    halfLifeMonths: organicShare === 0 ? null : organicShare / ratePerMonth,
    lifeMonths:
      organicShare < AGES_FROM
        ? null
        : (lifeSum / organicShare) * (1 + HELD_OPEN * (1 - organicShare)),
  };
}
