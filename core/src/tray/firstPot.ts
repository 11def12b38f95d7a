import type { Traits } from '../catalogue/index.ts';
import type { MediumKind } from '../media/index.ts';
import { clamp, within } from '../number/index.ts';
import { nominalPot, rimCm, STANDARD_RIMS_CM, type PotShape } from '../pots/index.ts';
import type { TrayMedium, TrayMethod } from './method.ts';
import { say, type Saying } from '../saying/index.ts';

/** A first pot with its mix, and why. */
export interface FirstPot {
  rimCm: number;
  pot: PotShape;
  recipe: string;
  mediumKind: MediumKind;
  why: Saying;
}

/** The other pieces of a division are as large as the one that stayed, and stand as it does. */
export const potLikeIts = ({
  pot,
  recipeId,
  mediumKind,
}: {
  pot: PotShape;
  recipeId: string;
  mediumKind: MediumKind;
}): FirstPot => ({
  rimCm: rimCm(pot),
  pot,
  recipe: recipeId,
  mediumKind,
  why: say`as the piece that stayed has it`,
});

/** Room beside the roots, cm. @source common practice, no source: small pots for what starts */
const ROOM_CM = 2;
const SMALLEST_CM = 6;
const WIDEST_CM = 15;
/** A division or an offset brings its share of the ball. */
const WITH_BALL_CM = 4;
/** Roots taken for those that were not measured, cm. */
const USUAL_ROOT_CM = 5;

/**
 * The first pot of a rooted start: about as wide as its roots spread when they
 * are laid out, no wider.
 *
 * @param rootCm  longest root; null: not measured
 */
export function firstPot(
  method: TrayMethod,
  medium: TrayMedium,
  rootCm: number | null,
  traits: Pick<Traits, 'recipe' | 'medium' | 'drying'>,
): FirstPot {
  const length = within('rootCm', rootCm ?? USUAL_ROOT_CM, 0, 200);
  const ball = method === 'division' || method === 'offset' ? WITH_BALL_CM : 0;
  // Roots go down and round: half their length to each side.
  const wanted = clamp(length + ball + ROOM_CM, SMALLEST_CM, WIDEST_CM);
  const rim = STANDARD_RIMS_CM.find((wide) => wide >= wanted - 0.01)!;
  const stays = medium === 'pebbles';
  return {
    rimCm: rim,
    pot: nominalPot(rim, 'standard'),
    recipe: stays ? 'pebblesOnly' : traits.recipe,
    mediumKind: stays ? 'pebbles' : traits.medium,
    why: say`roots of ${rootCm === null ? say`about ${{ cm: USUAL_ROOT_CM }}, not measured,` : { cm: length }} and ${{ cm: ROOM_CM }} of room${traits.drying === 'fullyDry' ? '; a wider pot stays wet too long' : ''}${stays ? '; pebble roots stay in pebbles' : ''}`,
  };
}
