import { positive, within } from '../number/index.ts';

/**
 * Dilution by volume, C₁V₁ = C₂V₂.
 *
 * @param stockPercent  strength of the stock, > 0 … 100
 * @param targetPercent  wanted strength, > 0 … stockPercent
 * @param totalL  finished volume, > 0
 * @returns litres of stock and water, and how many parts in all hold one part of stock
 */
export function dilute(stockPercent: number, targetPercent: number, totalL: number) {
  positive('stockPercent', stockPercent);
  within('stockPercent', stockPercent, 0, 100);
  positive('targetPercent', targetPercent);
  within('targetPercent', targetPercent, 0, stockPercent);
  positive('totalL', totalL);
  const stockL = (targetPercent * totalL) / stockPercent;
  return { stockL, waterL: totalL - stockL, ratio: stockPercent / targetPercent };
}

const MG_PER_G = 1000;

/**
 * Feed for a concentration: mg/L = g/L × % × 10.
 *
 * @param targetPpm  mg of the nutrient per litre, > 0 … 5000
 * @param nutrientPercent  share of the nutrient by mass on the label, > 0 … 100
 * @param totalL  > 0
 */
export function feed(targetPpm: number, nutrientPercent: number, totalL: number) {
  positive('targetPpm', targetPpm);
  within('targetPpm', targetPpm, 0, 5000);
  positive('nutrientPercent', nutrientPercent);
  within('nutrientPercent', nutrientPercent, 0, 100);
  positive('totalL', totalL);
  const gramsPerL = targetPpm / (MG_PER_G * (nutrientPercent / 100));
  return { grams: gramsPerL * totalL, gramsPerL };
}
