import { within } from '../number/index.ts';

/** Share of phosphorus in P₂O₅ and of potassium in K₂O. @source molar masses: 2·30.974/141.94, 2·39.098/94.196 (IUPAC) */
export const P_IN_P2O5 = (2 * 30.974) / 141.94;
export const K_IN_K2O = (2 * 39.098) / 94.196;

/** What a feed's label promises, percent by mass as labels have it. */
export interface LabelAnalysis {
  n: number;
  p2o5: number;
  k2o: number;
}

/**
 * Elements behind a label's N-P-K, percent by mass.
 *
 * @throws RangeError when a figure is below 0 or all are more than 100 together
 * @source oxide factors from molar masses
 */
export function elementsOf({ n, p2o5, k2o }: LabelAnalysis): { n: number; p: number; k: number } {
  within('n', n, 0, 100);
  within('p2o5', p2o5, 0, 100);
  within('k2o', k2o, 0, 100);
  within('n + p2o5 + k2o', n + p2o5 + k2o, 0, 100);
  return { n, p: p2o5 * P_IN_P2O5, k: k2o * K_IN_K2O };
}
