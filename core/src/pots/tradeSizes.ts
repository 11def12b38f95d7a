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
  if (!proportions) throw new RangeError(`trade shape must be a known one, got ${String(trade)}`);
  const rounded = (cm: number) => Math.round(cm * 10) / 10;
  return {
    shape: 'round',
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
