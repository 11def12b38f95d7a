import { positive } from '../number/index.ts';
import type { Blend } from '../mixing/index.ts';
import {
  fillL,
  potMaterial,
  rimCm,
  sectionCm2,
  usualHeadspaceCm,
  type PotShape,
} from '../pots/index.ts';
import { exploredInNewPot, monthsToCrowded } from '../roots/index.ts';
import { seasonAhead, temperatureOn, vpdKPa, type Spot } from '../season/index.ts';
import { UNSAFE_DEG } from '../stability/index.ts';
import { daysToDry, typicalUseG, WET_LIMIT_DAYS } from '../water/index.ts';
import {
  freshIn,
  mediumLife,
  meanTemperatureC,
  type Situation,
  type SizeSchool,
} from '../decide/index.ts';
import { rootBall, type RootBall } from './ball.ts';
import { insideOfOption, type PotOption } from './options.ts';
import { SHOOT_KG_PER_BALL_L, stanceOf, type Stance } from './standing.ts';

/** Why a rung is not the one, or that it could be. */
export type RungVerdict =
  'chosen' | 'fits' | 'tooSmall' | 'tooLarge' | 'staysWet' | 'tips' | 'ballTooWide';

/** One pot of the ladder with what it would mean. */
export interface Rung {
  option: PotOption;
  inside: PotShape;
  rimCm: number;
  fillHeightCm: number;
  fillL: number;
  newMediumL: number;
  /** share explored on the first day */
  explored: number;
  /** null: the plant does not grow here */
  monthsToCrowded: number | null;
  /** null: the medium does not age */
  mediumMonths: number | null;
  daysToDryInGrowth: number;
  daysToDryAtRest: number;
  air: number;
  water: number;
  stance: Stance;
  verdict: RungVerdict;
  because: string;
}

/** The pots side by side, and the choice. */
export interface Ladder {
  rungs: Rung[];
  /** index into `rungs`; null when none will do */
  choice: number | null;
  school: SizeSchool;
  because: string;
  ball: RootBall;
  /** water use and season that the days to dry rest on */
  growth: Pace;
  rest: Pace;
}

/** Growth and thirst of the air at one end of the year. */
interface Pace {
  activity: number;
  vpdKPa: number;
}

export interface FitRequest {
  situation: Situation;
  options: readonly PotOption[];
  mix: Blend;
  plantHeightCm: number;
  support?: { lengthCm: number; kg: number };
}

const WEEKS_OF_YEAR = 52;
/** A pot may stay wet this much longer at rest than in growth. @source common practice, no source */
const REST_ALLOWANCE = 2;
/** Medium that stays on an old ball weighs about this, dry, kg/L. @source typical value, from memory */
const OLD_BALL_DRY_KG_PER_L = 0.2;

/**
 * The ladder of pots for a plant.
 *
 * @throws RangeError when there is no option, or a size is impossible
 */
export function potLadder(request: FitRequest): Ladder {
  const { situation, options } = request;
  positive('number of pots', options.length);
  const { traits, spot, date } = situation;
  const season = seasonAhead(spot, traits, date, WEEKS_OF_YEAR);
  const mean = season.activity.reduce((sum, a) => sum + a, 0) / WEEKS_OF_YEAR;
  const ball = rootBall(situation, mean);
  const growth = paceAt(spot, Math.max(...season.activity), 'warmest');
  const rest = paceAt(spot, Math.min(...season.activity), 'coolest');
  const rungs = options
    .map((option) => rungFor(option, request, ball, mean, growth, rest))
    .sort((a, b) => a.fillL - b.fillL || a.option.id.localeCompare(b.option.id));
  const school = situation.schools?.size ?? 'oneUp';
  const { choice, because } = choose(rungs, situation, ball, school);
  return { rungs, choice, school, because, ball, growth, rest };
}

function paceAt(spot: Spot, activity: number, end: 'warmest' | 'coolest'): Pace {
  const middles = Array.from({ length: 12 }, (_, month) => temperatureOn(spot, 15 + month * 30.4));
  const celsius = end === 'warmest' ? Math.max(...middles) : Math.min(...middles);
  return { activity, vpdKPa: Math.max(0.05, vpdKPa(celsius, spot.relativeHumidity)) };
}

function rungFor(
  option: PotOption,
  { situation, mix, plantHeightCm, support }: FitRequest,
  ball: RootBall,
  meanActivity: number,
  growth: Pace,
  rest: Pace,
): Rung {
  const { traits, pot: old, spot } = situation;
  const inside = insideOfOption(option);
  const fillHeightCm = inside.heightCm - usualHeadspaceCm(inside);
  const litres = fillL(inside);
  const fresh = freshIn(mix, inside, fillHeightCm);
  const newMediumL = Math.max(0, litres - ball.displacesL);
  const explored = exploredInNewPot(ball.explored, fillL(old), litres);
  const surfaceCm2 = sectionCm2(inside, fillHeightCm);
  const canopyCm2 = sectionCm2(old, old.heightCm) * ball.live;
  const wall = potMaterial(option.material).wallEvaporation;
  const wallCm2 = wall * Math.PI * rimCm(option.outside) * fillHeightCm;
  const held = Math.max(0.01, fresh.water - 0.05 * mix.totalPorosity) * litres;
  const days = ({ activity, vpdKPa: vpd }: Pace) =>
    daysToDry(
      held,
      traits.drying,
      typicalUseG({ surfaceCm2, canopyCm2, vpd, activity, waterUse: traits.waterUse, wallCm2 }),
    );
  const oldL = Math.min(ball.displacesL, litres);
  return {
    option,
    inside,
    rimCm: rimCm(option.outside),
    fillHeightCm,
    fillL: litres,
    newMediumL,
    explored,
    monthsToCrowded: monthsToCrowded(explored, traits, meanActivity),
    mediumMonths: mediumLife(mix, inside, traits, meanTemperatureC(spot)).months,
    daysToDryInGrowth: days(growth),
    daysToDryAtRest: days(rest),
    air: fresh.air,
    water: fresh.water,
    stance: stanceOf({
      option,
      inside,
      fillHeightCm,
      mediumDryKg: newMediumL * mix.dryKgPerL + oldL * OLD_BALL_DRY_KG_PER_L,
      waterL: fresh.water * litres,
      plantKg: fillL(old) * SHOOT_KG_PER_BALL_L * ball.live,
      plantHeightCm,
      ...(support ? { support } : {}),
    }),
    verdict: 'fits',
    because: '',
  };
}

function crowdedWhen(count: number | null): string {
  if (count === null) return 'does not grow here';
  if (count < 0.5) return 'full from the first day';
  return `crowded in ${count < 10 ? count.toFixed(1) : Math.round(count)} months`;
}

/** Sizes by which a school moves up, cm of rim width. @source common practice, no source */
const ONE_UP = { least: 1.4, most: 6, aim: 3, aimShareOfRim: 0.2 } as const;
const SNUG_STEP_CM = 1;
/** Months that the growth school wants before the next repot. */
const UNTIL_NEXT = { fast: 12, middling: 18, slow: 24 } as const;
/** Fewer live roots than this keep their pot or go smaller. */
const FEW_LIVE_ROOTS = 0.5;
/** Spare room below which a pot is full from the start. */
const SOON_MONTHS = 3;
/** A pot in which roots have this little to begin with is too large, whatever the school. */
const LEAST_EXPLORED = 0.12;

function choose(
  rungs: Rung[],
  situation: Situation,
  ball: RootBall,
  school: SizeSchool,
): { choice: number | null; because: string } {
  const { traits, pot } = situation;
  const oldRim = rimCm(pot);
  for (const rung of rungs) judgeAlone(rung, situation, ball);
  const possible = rungs.filter((rung) => rung.verdict === 'fits');
  if (possible.length === 0) {
    return { choice: null, because: 'no pot on the ladder will do; see why each one loses' };
  }
  const { chosen, because } = pick(possible, situation, ball, school);
  const wanted = rungs.indexOf(chosen);
  rungs.forEach((rung, i) => {
    if (rung === chosen) {
      rung.verdict = 'chosen';
      rung.because = because;
    } else if (rung.verdict === 'fits' && i < wanted) {
      rung.verdict = 'tooSmall';
      rung.because =
        rung.rimCm <= oldRim + 0.5
          ? `no larger than the present pot; ${crowdedWhen(rung.monthsToCrowded)}`
          : `${crowdedWhen(rung.monthsToCrowded)}; the chosen one ${crowdedWhen(chosen.monthsToCrowded)}`;
    } else if (rung.verdict === 'fits' && i > wanted) {
      rung.verdict = 'tooLarge';
      rung.because =
        `roots would start in ${Math.round(rung.explored * 100)} % of it; ` +
        `takes ${Math.round(rung.daysToDryAtRest)} days to dry at rest, ` +
        `against ${Math.round(chosen.daysToDryAtRest)}` +
        (traits.snug ? '; this plant likes it tight' : '');
    }
  });
  return { choice: wanted, because };
}

/** What rules a pot out by itself. */
function judgeAlone(rung: Rung, { traits, pot }: Situation, ball: RootBall): void {
  const limit = WET_LIMIT_DAYS[traits.drying] * REST_ALLOWANCE;
  if (
    ball.keepsShape &&
    (rimCm(rung.inside) < ball.widthCm - 0.6 || rung.inside.heightCm < pot.heightCm * 0.8)
  ) {
    rung.verdict = 'ballTooWide';
    rung.because = `the ball is ${ball.widthCm.toFixed(1)} cm wide and ${pot.heightCm.toFixed(1)} cm high: it will not go in whole`;
  } else if (rung.stance.tipAngleDryDeg < UNSAFE_DEG) {
    rung.verdict = 'tips';
    rung.because = `would topple at ${rung.stance.tipAngleDryDeg.toFixed(1)}° when dry; ${UNSAFE_DEG}° is the least`;
  } else if (rung.daysToDryAtRest > limit) {
    rung.verdict = 'staysWet';
    rung.because = `stays wet ${Math.round(rung.daysToDryAtRest)} days at rest; these roots rot after about ${limit}`;
  } else if (rung.explored < LEAST_EXPLORED) {
    rung.verdict = 'tooLarge';
    rung.because = `roots would start in only ${Math.round(rung.explored * 100)} % of it: the rest stays wet and sours`;
  }
}

function pick(
  possible: Rung[],
  { traits, pot }: Situation,
  ball: RootBall,
  school: SizeSchool,
): { chosen: Rung; because: string } {
  const oldRim = rimCm(pot);
  const nearest = (wantedRim: number, among = possible) =>
    among.reduce((best, rung) => {
      const better = Math.abs(rung.rimCm - wantedRim) - Math.abs(best.rimCm - wantedRim);
      // Of two alike, what is on the shelf already wins.
      return better < -0.3 || (better < 0.3 && rung.option.owned && !best.option.owned)
        ? rung
        : best;
    });
  if (ball.live < FEW_LIVE_ROOTS) {
    const same = possible.filter((rung) => rung.rimCm <= oldRim + 0.5);
    const wanted = oldRim * Math.cbrt(Math.max(0.3, ball.live + 0.3));
    return {
      chosen: nearest(wanted, same.length > 0 ? same : possible),
      because: `only ${Math.round(ball.live * 100)} % of the roots are alive: the same size or smaller, so that it dries`,
    };
  }
  const up = possible.filter((rung) => rung.rimCm >= oldRim + SNUG_STEP_CM);
  if (up.length === 0) {
    return {
      chosen: possible[possible.length - 1]!,
      because: 'nothing larger will do here: the largest that does',
    };
  }
  if (school === 'snug') {
    const chosen = up.reduce((least, rung) => (rung.fillL < least.fillL ? rung : least));
    return { chosen, because: 'keep snug: the smallest step up' };
  }
  if (school === 'growth') {
    const until = UNTIL_NEXT[traits.vigour];
    const lasting = up.find((rung) => (rung.monthsToCrowded ?? Infinity) >= until);
    return lasting
      ? {
          chosen: lasting,
          because: `the smallest that is not crowded before ${until} months, when it would be due anyway`,
        }
      : {
          chosen: up[up.length - 1]!,
          because: `none lasts ${until} months: the largest that is safe`,
        };
  }
  const aim = traits.snug
    ? ONE_UP.least + 0.6
    : Math.max(ONE_UP.aim, oldRim * ONE_UP.aimShareOfRim);
  const steps = up.filter(
    (rung) =>
      rung.rimCm - oldRim >= ONE_UP.least - 0.4 &&
      rung.rimCm - oldRim <= Math.max(ONE_UP.most, 0.35 * oldRim),
  );
  const chosen = nearest(oldRim + aim, steps.length > 0 ? steps : up);
  const lasts = chosen.monthsToCrowded;
  return {
    chosen,
    because:
      `one size up: ${(chosen.rimCm - oldRim).toFixed(1)} cm wider` +
      (lasts !== null && lasts > SOON_MONTHS ? `, room for about ${Math.round(lasts)} months` : ''),
  };
}
