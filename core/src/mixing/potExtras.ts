import { MOST_FEED_G_PER_L, type Pantry, type RecipeExtras } from '../media/index.ts';
import { within } from '../number/index.ts';

/** What goes into one pot beside its mix. */
export interface PotExtra {
  kind: 'topDressing' | 'feed' | 'perPot';
  label: string;
  litres?: number;
  grams?: number;
  depthMm?: number;
}

/**
 * Amounts of a recipe's extras for one pot.
 *
 * @param surfaceCm2  of the finished level
 * @param mixedL  mix in the pot, for the feed
 * @throws RangeError for a depth or a rate out of range, or an unknown component
 */
export function potExtras(
  { topDressing, feedGPerL, perPot }: RecipeExtras,
  pantry: Pick<Pantry, 'component'>,
  surfaceCm2: number,
  mixedL: number,
): PotExtra[] {
  within('surfaceCm2', surfaceCm2, 0, 1e6);
  within('mixedL', mixedL, 0, 1e5);
  const extras: PotExtra[] = [];
  if (topDressing) {
    const depthMm = within('depthMm', topDressing.depthMm, 1, 60);
    const { label } = pantry.component(topDressing.component);
    extras.push({
      kind: 'topDressing',
      label,
      depthMm,
      litres: (surfaceCm2 * depthMm) / 10 / 1000,
    });
  }
  if (perPot) {
    const { label } = pantry.component(perPot.component);
    extras.push({ kind: 'perPot', label, litres: within('litres', perPot.litres, 0.001, 5) });
  }
  if (feedGPerL) {
    const rate = within('feedGPerL', feedGPerL, 0, MOST_FEED_G_PER_L);
    extras.push({ kind: 'feed', label: 'slow-release feed', grams: rate * mixedL });
  }
  return extras;
}
