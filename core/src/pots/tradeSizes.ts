import { OutOfRange } from '../number/outOfRange.ts';
import type { PotShape } from './shape.ts';

/**
 * Trade shapes of round pots, by height against rim width.
 *
 * @source common practice, no source
 */
export const TRADE_SHAPES = [
  { id: 'standard', label: 'standard (as tall as wide)', heightShare: 1, baseShare: 0.7 },
  { id: 'azalea', label: 'three-quarter', heightShare: 0.75, baseShare: 0.72 },
  { id: 'pan', label: 'pan (half as tall)', heightShare: 0.5, baseShare: 0.75 },
  { id: 'tall', label: 'tall (a third taller than wide)', heightShare: 1.33, baseShare: 0.68 },
  { id: 'basket', label: 'hanging basket (bowl)', heightShare: 0.5, baseShare: 0.4 },
] as const;

export type TradeShapeId = (typeof TRADE_SHAPES)[number]['id'];

/** Rim widths commonly sold, cm. @source common practice, no source */
export const STANDARD_RIMS_CM = [
  6, 7, 8, 9, 10.5, 12, 13, 14, 15, 17, 19, 21, 23, 25, 28, 30, 34, 38, 44, 50,
] as const;

/**
 * Sizes of a pot that is only known by its nominal width.
 *
 * @param nominalCm  width at the rim
 */
export function nominalPot(nominalCm: number, trade: TradeShapeId = 'azalea'): PotShape {
  const proportions = TRADE_SHAPES.find((candidate) => candidate.id === trade);
  if (!proportions) throw new OutOfRange(`trade shape must be a known one, got ${String(trade)}`);
  const rounded = (cm: number) => Math.round(cm * 10) / 10;
  return {
    shape: trade === 'basket' ? 'bowl' : 'round',
    topDiameterCm: nominalCm,
    baseDiameterCm: rounded(nominalCm * proportions.baseShare),
    heightCm: rounded(nominalCm * proportions.heightShare),
  };
}

/**
 * A size typed in the wrong unit: a houseplant pot is seldom wider than 60 cm,
 * so 140 was most likely meant in millimetres.
 *
 * @returns the size that was probably meant, cm, or null where there is no doubt
 */
export function likelyMeantCm(typedCm: number): number | null {
  const UNUSUAL_CM = 60;
  return typedCm > UNUSUAL_CM && typedCm / 10 >= 3 ? typedCm / 10 : null;
}

const CM3_PER_CUBIC_INCH = 16.387064; // exact: 2.54³

/**
 * Container classes of the nursery trade by their volume, cubic inches.
 *
 * @source ANSI Z60.1 American Standard for Nursery Stock, from memory
 */
export const CONTAINER_CLASSES = [
  { id: '#1', least: 152, most: 251 },
  { id: '#2', least: 320, most: 474 },
  { id: '#3', least: 628, most: 742 },
  { id: '#5', least: 785, most: 1242 },
  { id: '#7', least: 1337, most: 1790 },
  { id: '#10', least: 2080, most: 2646 },
  { id: '#15', least: 2768, most: 3696 },
] as const;

/**
 * Container class of a pot.
 *
 * @param litres  brimful
 * @returns null between the classes and outside them
 */
export function containerClass(litres: number): string | null {
  // To a tenth, as the standard's whole inches are no finer.
  const cubicInches = Math.round((litres * 10_000) / CM3_PER_CUBIC_INCH) / 10;
  const found = CONTAINER_CLASSES.find(
    ({ least, most }) => cubicInches >= least && cubicInches <= most,
  );
  return found?.id ?? null;
}
