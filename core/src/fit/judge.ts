import { UNSAFE_DEG } from '../stability/index.ts';
import { WET_LIMIT_DAYS } from '../water/index.ts';
import { fillL, halfWidthCm, rimCm } from '../pots/index.ts';
import type { Situation } from '../decide/index.ts';
import type { RootBall } from './ball.ts';
import type { Rung, RungVerdict } from './rung.ts';
import { say, type Saying } from '../saying/index.ts';

/** A pot in which roots have this little to begin with is too large, whatever the school. */
const LEAST_EXPLORED = 0.12;
/** … and so is one of so many times the room, unless it is hardly wider: a plug has next to no room. */
const MOST_TIMES = 3.2;
const MOST_WIDER_CM = 4.5;
/** A ball gives this much when it is squeezed in, cm across; and this share of its height can come off below. */
const GIVES_CM = 0.6;
const MOST_SHAVED = 0.2;

/** Of what a pot holds so much at least is new mix, where a support goes in beside the ball. */
const LEAST_NEW = 0.1;

/** What rules a pot out by itself; null: nothing does. */
export function ruledOut(
  rung: Rung,
  { traits, pot }: Situation,
  ball: RootBall,
  presentIsUnderShelf: boolean,
): { verdict: RungVerdict; because: Saying } | null {
  const { option, stance, depth } = rung;
  const { growthDays, watering } = rung.drying;
  const limit = WET_LIMIT_DAYS[traits.drying];
  if (option.features?.holes === 0 && !((option.features.reservoirL ?? 0) > 0)) {
    return {
      verdict: 'noHoles',
      because: 'it has no hole for water to leave by: drill it, or keep it as a cover',
    };
  }
  if (ball.keepsShape && !ballGoesIn(rung, ball)) {
    return {
      verdict: 'ballTooWide',
      because: say`the ball is ${{ cm: ball.widthCm }} wide and ${{ cm: ball.heightCm }} high: it will not go in whole`,
    };
  }
  // One size up is for new mix: where ball and support leave none, nothing is won.
  if (
    rung.standing.support &&
    option.source !== 'present' &&
    ball.keepsShape &&
    rung.newMediumL < LEAST_NEW * rung.fillL
  ) {
    return {
      verdict: 'ballTooWide',
      because: 'ball and support together fill it: next to no room for new mix',
    };
  }
  if (stance.tipAngleDryDeg < UNSAFE_DEG) {
    return {
      verdict: 'tips',
      because: `would topple at ${stance.tipAngleDryDeg.toFixed(1)}° when dry; ${UNSAFE_DEG}° is the least`,
    };
  }
  if (presentIsUnderShelf && rung.clearanceCm !== null && rung.clearanceCm < 0) {
    return {
      verdict: 'tooTall',
      because: say`would stand ${{ cm: stance.topCm }} high, ${{ cm: Math.ceil(-rung.clearanceCm) }} more than the place has`,
    };
  }
  // At rest, and in the cold, any pot stays wet: it is watered the less.
  if (watering === 'dries' && growthDays > limit) {
    return {
      verdict: 'staysWet',
      because: `stays wet ${Math.round(growthDays)} days in growth; these roots rot after about ${limit}`,
    };
  }
  const old = rimCm(pot);
  if (rung.fillL > MOST_TIMES * fillL(pot) && rung.rimCm > old + MOST_WIDER_CM) {
    return {
      verdict: 'tooLarge',
      because: `${(rung.fillL / fillL(pot)).toFixed(1)} times the room of the present pot: roots would stand in mix that stays wet and sours`,
    };
  }
  if (rung.explored < LEAST_EXPLORED) {
    return {
      verdict: 'tooLarge',
      because: `roots would start in only ${Math.round(rung.explored * 100)} % of it: the rest stays wet and sours`,
    };
  }
  if (depth.shaveCm > ball.heightCm * MOST_SHAVED && ball.live > 0.5) {
    return {
      verdict: 'ballTooWide',
      because: say`too shallow: ${{ cm: depth.shaveCm }} of the ball would have to come off below`,
    };
  }
  return null;
}

/** Whole, at its top and at its base. */
function ballGoesIn({ inside, depth, fillHeightCm }: Rung, ball: RootBall): boolean {
  const top = 2 * halfWidthCm(inside, fillHeightCm) + GIVES_CM;
  const base = 2 * halfWidthCm(inside, depth.layerCm + depth.bedCm) + GIVES_CM;
  return (
    top >= ball.widthCm && base >= ball.baseWidthCm && depth.shaveCm <= ball.heightCm * MOST_SHAVED
  );
}
