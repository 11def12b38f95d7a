import { rimCm } from '../pots/index.ts';
import type { MediumKind } from '../media/index.ts';
import type { Situation, SizeSchool } from '../decide/index.ts';
import type { RootBall, RootCuts } from './ball.ts';
import { POT_SOURCES } from './options.ts';
import type { Rung } from './rung.ts';

/** Sizes by which a school moves up, cm of rim width. @source common practice, no source */
const ONE_UP = { least: 1.4, most: 6, aim: 3, aimShareOfRim: 0.2, mostShareOfRim: 0.35 } as const;
const SNUG_STEP_CM = 1;
/** Months that the growth school wants before the next repot. */
const UNTIL_NEXT = { fast: 12, middling: 18, slow: 24 } as const;
/** A pot that is full again sooner than this was filled in one season. */
const ONE_SEASON_MONTHS = 9;
/** How far two sizes go: at most so much wider. */
const TWO_UP = { mostCm: 8, mostShareOfRim: 0.5 } as const;
/** Fewer live roots than this keep their pot or go smaller. */
const FEW_LIVE_ROOTS = 0.5;
/** Spare room below which a pot is full from the start, months. */
const SOON_MONTHS = 3;
const SAME_CM = 0.5;
/** A pot for few roots: the width goes with the cube root of what they still fill, and a little air. */
const SPARE_FOR_FEW = 0.3;
const ALIKE_CM = 0.3;
/** A pot narrower than its plant keeps it steady only down to this share of the present one. */
const NARROWEST_FOR_PIECE = 0.55;

/** What a choice rests on beside the rungs. */
export interface Choosing {
  situation: Situation;
  ball: RootBall;
  school: SizeSchool;
  cuts: RootCuts;
  newKind: MediumKind;
}

interface Picked {
  chosen: Rung;
  because: string;
}

/** The rung to take among those that nothing rules out. */
export function pick(possible: readonly Rung[], choosing: Choosing): Picked {
  const oldRim = rimCm(choosing.situation.pot);
  const small = staysSmall(choosing);
  if (small) {
    const same = possible.filter((rung) => rung.rimCm <= oldRim + SAME_CM);
    return {
      chosen: nearest(same.length > 0 ? same : possible, oldRim * small.share),
      because: small.because,
    };
  }
  const up = possible.filter((rung) => rung.rimCm >= oldRim + SNUG_STEP_CM);
  if (up.length === 0) {
    return {
      chosen: possible[possible.length - 1]!,
      because: 'nothing larger will do here: the largest that does',
    };
  }
  if (choosing.school === 'snug') {
    const least = Math.min(...up.map((rung) => rung.rimCm));
    return { chosen: nearest(up, least), because: 'keep snug: the smallest step up' };
  }
  return choosing.school === 'growth' ? toGrowth(up, choosing) : oneUp(up, choosing, oldRim);
}

/** Why a plant keeps its size or goes smaller, and the width it then wants; null: it may go up. */
function staysSmall({
  ball,
  cuts,
  situation,
  newKind,
}: Choosing): { share: number; because: string } | null {
  if (ball.live < FEW_LIVE_ROOTS) {
    return {
      share: Math.cbrt(Math.max(SPARE_FOR_FEW, ball.live + SPARE_FOR_FEW)),
      because: `only ${Math.round(ball.live * 100)} % of the roots are alive: the same size or smaller, so that it dries`,
    };
  }
  if (cuts.pieces > 1) {
    return {
      share: Math.max(NARROWEST_FOR_PIECE, Math.cbrt(1.3 / cuts.pieces)),
      because: `divided in ${cuts.pieces}: each piece has that share of the roots, and a pot to match`,
    };
  }
  if (cuts.rootsPruned) {
    return { share: 1, because: 'its roots are cut back: the same size, for them to fill again' };
  }
  if (situation.medium.kind === 'pebbles' && newKind !== 'pebbles') {
    return {
      share: 1,
      because: 'out of pebbles: water roots partly die in a mix, so the same size or smaller',
    };
  }
  return null;
}

function toGrowth(up: readonly Rung[], { situation }: Choosing): Picked {
  const until = UNTIL_NEXT[situation.traits.vigour];
  const lasting = up.find((rung) => (rung.monthsToCrowded ?? Infinity) >= until);
  return lasting
    ? {
        chosen: nearest(up, lasting.rimCm),
        because: `the smallest that is not crowded before ${until} months, when it would be due anyway`,
      }
    : {
        chosen: up[up.length - 1]!,
        because: `none lasts ${until} months: the largest that is safe`,
      };
}

/** One size up; two where one would be full again within a season. */
function oneUp(up: readonly Rung[], { situation }: Choosing, oldRim: number): Picked {
  const { snug } = situation.traits;
  const aim = snug ? ONE_UP.least + 0.6 : Math.max(ONE_UP.aim, oldRim * ONE_UP.aimShareOfRim);
  const steps = up.filter(
    (rung) =>
      rung.rimCm - oldRim >= ONE_UP.least - 0.4 &&
      rung.rimCm - oldRim <= Math.max(ONE_UP.most, ONE_UP.mostShareOfRim * oldRim),
  );
  const one = nearest(steps.length > 0 ? steps : up, oldRim + aim);
  const lasts = one.monthsToCrowded;
  if (!snug && lasts !== null && lasts < ONE_SEASON_MONTHS) {
    const most = oldRim + Math.max(TWO_UP.mostCm, TWO_UP.mostShareOfRim * oldRim);
    const larger = up.filter((rung) => rung.rimCm > one.rimCm + ALIKE_CM && rung.rimCm <= most);
    const lasting = larger.find((rung) => (rung.monthsToCrowded ?? Infinity) >= ONE_SEASON_MONTHS);
    const two = lasting ?? larger[larger.length - 1];
    if (two) {
      return {
        chosen: nearest(larger, two.rimCm),
        because:
          `two sizes up: ${(two.rimCm - oldRim).toFixed(1)} cm wider; one size up would be full again ` +
          `in ${Math.max(1, Math.round(lasts))} months, within one season`,
      };
    }
  }
  return {
    chosen: one,
    because:
      `one size up: ${(one.rimCm - oldRim).toFixed(1)} cm wider` +
      (lasts !== null && lasts > SOON_MONTHS ? `, room for about ${Math.round(lasts)} months` : ''),
  };
}

const rank = ({ option }: Rung) => POT_SOURCES.indexOf(option.source);

/** The rung nearest to a width; of two alike, the one that is easier to come by. */
function nearest(among: readonly Rung[], widthCm: number): Rung {
  const off = (rung: Rung) => Math.abs(rung.rimCm - widthCm);
  const closest = Math.min(...among.map(off));
  return among
    .filter((rung) => off(rung) <= closest + ALIKE_CM)
    .reduce((best, rung) => (rank(rung) < rank(best) ? rung : best));
}
