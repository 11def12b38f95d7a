import {
  MOST_FEED_G_PER_L,
  MOST_FEED_MONTHS,
  USUAL_FEED_MONTHS,
  whyAvoided,
  type Pantry,
  type RecipeExtras,
} from '../media/index.ts';
import { within } from '../number/index.ts';

/** What goes into one pot beside its mix. */
export interface PotExtra {
  kind: 'topDressing' | 'feed' | 'perPot';
  label: string;
  litres?: number;
  grams?: number;
  /** of a feed, months */
  lastsMonths?: number;
  depthMm?: number;
  /** the keeper avoids it: it does not go in */
  leftOut?: true;
}

/**
 * Amounts of a recipe's extras for one pot.
 *
 * @param surfaceCm2  of the finished level
 * @param mixedL  mix in the pot, for the feed
 * @param fed  whether the plant bears feed: what grows in poor ground dies of it
 * @throws RangeError for a depth or a rate out of range, or an unknown component
 */
export function potExtras(
  { topDressing, feedGPerL, feedMonths = USUAL_FEED_MONTHS, perPot }: RecipeExtras,
  pantry: Pick<Pantry, 'component' | 'avoided'>,
  surfaceCm2: number,
  mixedL: number,
  { fed }: { fed: boolean } = { fed: true },
): PotExtra[] {
  within('surfaceCm2', surfaceCm2, 0, 1e6);
  within('mixedL', mixedL, 0, 1e5);
  const extras: PotExtra[] = [];
  const add = (kind: PotExtra['kind'], id: string, amount: Partial<PotExtra>) => {
    const component = pantry.component(id);
    const { label } = component;
    const avoided = whyAvoided(component, pantry.avoided) !== null;
    extras.push(avoided ? { kind, label, leftOut: true } : { kind, label, ...amount });
  };
  if (topDressing) {
    const depthMm = within('depthMm', topDressing.depthMm, 1, 60);
    add('topDressing', topDressing.component, {
      depthMm,
      litres: (surfaceCm2 * depthMm) / 10 / 1000,
    });
  }
  if (perPot) {
    add('perPot', perPot.component, { litres: within('litres', perPot.litres, 0.001, 5) });
  }
  if (feedGPerL && fed) {
    const rate = within('feedGPerL', feedGPerL, 0, MOST_FEED_G_PER_L);
    const lastsMonths = within('feedMonths', feedMonths, 1, MOST_FEED_MONTHS);
    extras.push({ kind: 'feed', label: 'slow-release feed', grams: rate * mixedL, lastsMonths });
  }
  return extras;
}
