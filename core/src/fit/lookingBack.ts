import type { Situation } from '../decide/index.ts';
import { fillL, nominalPot, rimCm, STANDARD_RIMS_CM } from '../pots/index.ts';
import {
  crowdedAt,
  EXPLORED_AT_START,
  exploredInNewPot,
  monthsToFill,
  oddsExplored,
  readRoots,
  type RootFindings,
} from '../roots/index.ts';
import { monthsBetween } from '../season/index.ts';
import { MOST_VOLUME, UNTIL_NEXT } from './choose.ts';

/** A pot that was outgrown too soon, and the one that would have been right then. */
export interface LookedBack {
  /** of the pot it stands in, cm */
  rimCm: number;
  /** in which it was found full */
  months: number;
  /** what would have lasted until the next repot is usual, and for how many months */
  instead: { rimCm: number; months: number };
}

/** Sooner than this share of what is wanted of a pot it was outgrown too soon. @source common practice, no source */
const TOO_SOON = 0.7;

/** Roots that mat along the wall say "at least": they are counted as far as that. */
const MOST_TOLD = 1;

/**
 * Which size would have been right when the present pot was chosen, by how fast this plant's roots filled it:
 * in a larger one they would have begun with a smaller share, and filled it as much more slowly as is usual.
 *
 * @returns null where nobody saw it full, where it lasted, or where no size that one would have dared lasts longer
 */
export function lookingBack({
  signals,
  lastRepot,
  date,
  pot,
  traits,
  together,
}: Situation): LookedBack | null {
  const seen = readRoots(signals as RootFindings);
  const full = crowdedAt(traits);
  if (!seen || lastRepot === null || seen.explored < full) return null;
  const months = monthsBetween(lastRepot, date);
  const wanted = UNTIL_NEXT[traits.vigour];
  if (months < 1 || months > TOO_SOON * wanted) return null;
  const rim = rimCm(pot);
  const litres = fillL(pot);
  const toFill = (cm: number) => monthsToFill(traits.vigour, cm, together);
  const grown = oddsExplored(Math.min(MOST_TOLD, seen.explored)) - oddsExplored(EXPLORED_AT_START);
  const perMonth = grown / months;
  // No keeper goes up further at once: the larger pot would have stayed wet.
  const most = traits.vigour === 'fast' ? MOST_VOLUME.two : MOST_VOLUME.one;
  const lasts = STANDARD_RIMS_CM.filter((cm) => cm > rim + 1)
    .map((cm) => {
      const inL = litres * (fillL(nominalPot(cm)) / fillL(nominalPot(rim)));
      const start = exploredInNewPot(EXPLORED_AT_START, litres, inL);
      const rises = oddsExplored(full) - oddsExplored(start);
      return { rimCm: cm, litres: inL, months: (rises / perMonth) * (toFill(cm) / toFill(rim)) };
    })
    .filter((one) => one.litres <= most * litres && one.months > months + 1);
  const right = lasts.find((one) => one.months >= wanted) ?? lasts.at(-1);
  if (!right) return null;
  return { rimCm: rim, months, instead: { rimCm: right.rimCm, months: right.months } };
}
