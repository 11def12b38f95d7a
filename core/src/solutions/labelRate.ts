import { OutOfRange } from '../number/outOfRange.ts';
import { positive, within } from '../number/index.ts';

/** A bottle of liquid feed and what its label allows, mL per litre of water. */
export interface FeedBottle {
  label: string;
  leastMlPerL: number;
  mostMlPerL: number;
  /** calcium falls out with sulphates and phosphates when neat: it goes in last */
  holdsCalcium?: boolean;
  /** raises or lowers pH: after all feeds */
  adjustsPh?: boolean;
  /** silicate: first, alone, well stirred */
  silicate?: boolean;
}

/** One pour, in the order of pouring. */
export interface Pour {
  label: string;
  ml: number;
  why: string;
}

/**
 * Millilitres of one bottle, within its label.
 *
 * @param mlPerL  wanted
 * @throws RangeError above the label's top: the label rules
 */
export function pourOf(bottle: FeedBottle, mlPerL: number, totalL: number): number {
  positive('totalL', totalL);
  positive('mostMlPerL', bottle.mostMlPerL);
  within('mlPerL', mlPerL, 0, 100);
  if (mlPerL > bottle.mostMlPerL) {
    throw new OutOfRange(
      `mlPerL must not be above the label’s ${bottle.mostMlPerL} mL/L, got ${mlPerL}`,
    );
  }
  return mlPerL * totalL;
}

/** Place in the order of pouring. */
const placeOf = ({ silicate, holdsCalcium, adjustsPh }: FeedBottle): number =>
  silicate ? 0 : adjustsPh ? 3 : holdsCalcium ? 2 : 1;
const WHY = [
  'silicate falls out with everything else: first, into all of the water, stirred',
  'into all of the water, never neat onto another feed',
  'calcium falls out with sulphates and phosphates: last of the feeds, well stirred in between',
  'after all feeds, drop by drop, then measure',
] as const;

/**
 * Several bottles in an order in which nothing falls out.
 *
 * @throws RangeError for a bottle above its label's top
 * @source common practice, no source; solubility of calcium sulphate and phosphate
 */
export function pourOrder(
  feeds: readonly { bottle: FeedBottle; mlPerL: number }[],
  totalL: number,
): Pour[] {
  return feeds
    .filter(({ mlPerL }) => mlPerL > 0)
    .map(({ bottle, mlPerL }) => ({
      place: placeOf(bottle),
      pour: { label: bottle.label, ml: pourOf(bottle, mlPerL, totalL), why: WHY[placeOf(bottle)]! },
    }))
    .sort((a, b) => a.place - b.place)
    .map(({ pour }) => pour);
}
