import { positive } from '../number/index.ts';
import type { Blend } from '../mixing/index.ts';
import type { MediumKind } from '../media/index.ts';
import { usableWater, waterUnder, type UnderRequest, type WaterUnder } from '../pebbles/index.ts';
import { MOUND_MOUTH_CM, moundOnPot } from '../mounds/index.ts';
import {
  coverFit,
  fillL,
  rimCm,
  usualHeadspaceCm,
  volumeBelowL,
  type PotMaterialId,
} from '../pots/index.ts';
import { crowdedAt, crowdedBand, exploredInNewPot, monthsToFill } from '../roots/index.ts';
import { seasonAhead } from '../season/index.ts';
import { type OwnUse, type WaterFindings } from '../water/index.ts';
import {
  freshIn,
  asLearned,
  mediumLife,
  meanTemperatureC,
  type Situation,
} from '../decide/index.ts';
import { NO_CUTS, rootBall, type RootBall, type RootCuts } from './ball.ts';
import { pick, type Choosing } from './choose.ts';
import { depthPlan, type DrainageLayer } from './depth.ts';
import {
  dryingIn,
  ownUseOfPresent,
  useFactorOf,
  useIn,
  yearEnds,
  WINTER_LEVEL_BELOW,
  yearOf,
  type Drying,
  type MonthPace,
} from './drying.ts';
import { ruledOut } from './judge.ts';
import { rungNotes } from './notes.ts';
import { insideOfOption, type CoverOption, type PotOption } from './options.ts';
import type { Rung, RungVerdict } from './rung.ts';
import {
  ballastLayer,
  OLD_BALL_DRY_KG_PER_L,
  SHOOT_KG_PER_BALL_L,
  stanceOf,
  type Standing,
  type StandingSupport,
} from './standing.ts';
import { type Schools, USUAL_SCHOOLS } from '../schools/index.ts';
import { monthsSaid, say, type Saying } from '../saying/index.ts';

/** The pots side by side, and the choice. */
export interface Ladder {
  rungs: Rung[];
  /** index into `rungs`; null when none will do */
  choice: number | null;
  /** where none will do: the one that is the least bad; null where none holds the plant at all */
  leastBad: number | null;
  school: Schools['size'];
  because: Saying;
  ball: RootBall;
  /** what the days to dry rest on: this plant's own log, or typical use */
  own: OwnUse | null;
  /** season activity, mean of the year ahead, that roots grow by */
  meanActivity: number;
  /** share explored at which this plant counts as crowded */
  crowdedAt: number;
  growth: MonthPace;
  rest: MonthPace;
}

export interface FitRequest {
  situation: Situation;
  options: readonly PotOption[];
  mix: Blend;
  /** what the new medium is; the present kind when absent */
  newKind?: MediumKind;
  plantHeightCm: number;
  support?: StandingSupport;
  /** what the present pot is made of, for its own log */
  presentMaterial?: PotMaterialId;
  /** the plant's own log of water */
  log?: Pick<WaterFindings, 'points'> | null;
  /** height under the shelf or ceiling; null: nothing is above */
  headroomCm?: number | null;
  cuts?: RootCuts;
  layer?: DrainageLayer;
  /** wrapped in moss over an upturned net pot, on the mouth */
  mound?: boolean;
  /** cover pots of the keeper's own that are free */
  covers?: readonly CoverOption[];
  /** the cover it stands in now: kept where the new pot goes into it */
  presentCover?: CoverOption | null;
  /** of a pot of pebbles: how it stands over its water, where the keeper chose */
  water?: UnderRequest['chosen'];
}

const WEEKS_OF_YEAR = 52;

/**
 * The ladder of pots for a plant: what each would mean, which to take, and why
 * the others lose.
 *
 * @throws RangeError when there is no option, or a size is impossible
 */
export function potLadder(request: FitRequest): Ladder {
  const { situation, options, cuts = NO_CUTS, newKind = situation.medium.kind } = request;
  positive('number of pots', options.length);
  const { traits, spot, date } = situation;
  const season = seasonAhead(spot, traits, date, WEEKS_OF_YEAR);
  const mean = season.activity.reduce((sum, a) => sum + a, 0) / WEEKS_OF_YEAR;
  const ball = rootBall(situation, mean, cuts, { newKind, mound: request.mound ?? false });
  const year = yearOf(spot, traits);
  const shared: Shared = {
    request,
    newKind,
    ball,
    mean,
    year,
    own: ownUseOfPresent(request.situation, request.log ?? null, request.presentMaterial),
    airNow: freshIn(request.mix, situation.pot).air,
  };
  const rungs = options
    .map((option) => rungFor(option, shared))
    .sort((a, b) => a.fillL - b.fillL || a.option.id.localeCompare(b.option.id));
  const school = situation.schools?.size ?? USUAL_SCHOOLS.size;
  const underShelf = presentClearance(shared) >= 0;
  const { choice, leastBad, because } = choose(
    rungs,
    { situation, ball, school, cuts, newKind },
    underShelf,
  );
  const { own } = shared;
  return {
    rungs,
    choice,
    leastBad,
    school,
    because,
    ball,
    ...yearEnds(year, traits.waterUse),
    own,
    meanActivity: mean,
    crowdedAt: crowdedAt(traits),
  };
}

/** What all rungs have in common. */
interface Shared {
  request: FitRequest;
  newKind: MediumKind;
  ball: RootBall;
  mean: number;
  year: MonthPace[];
  own: OwnUse | null;
  airNow: number;
}

/** Room above the plant in its present pot; without a limit there is all the room. */
function presentClearance({ request: { situation, plantHeightCm, support, headroomCm } }: Shared) {
  if (headroomCm == null) return Infinity;
  const { pot } = situation;
  const top = Math.max(
    pot.heightCm - usualHeadspaceCm(pot) + plantHeightCm,
    support?.lengthCm ?? 0,
  );
  return headroomCm - top;
}

function rungFor(option: PotOption, shared: Shared): Rung {
  const { request, newKind, ball, mean, year, own, airNow } = shared;
  const { situation, mix, plantHeightCm, support, layer = 'screen', headroomCm } = request;
  const { traits, pot: old, spot } = situation;
  const inside = insideOfOption(option);
  const fillHeightCm = inside.heightCm - usualHeadspaceCm(inside);
  const depth = depthPlan(inside, fillHeightCm, ball, layer);
  const litres = fillL(inside) - (depth.layerCm > 0 ? volumeBelowL(inside, depth.layerCm) : 0);
  const fresh = freshIn(mix, inside, fillHeightCm, depth.layerCm);
  const poleL = ((support?.sectionCm2 ?? 0) * fillHeightCm) / 1000;
  const mouthCm = rimCm(inside);
  const { least, most } = MOUND_MOUTH_CM;
  const mound =
    request.mound && mouthCm >= least && mouthCm <= most
      ? moundOnPot(mouthCm, ball.displacesL)
      : null;
  const newMediumL = mound ? mound.mossL : Math.max(0, litres - ball.displacesL - poleL);
  const explored = exploredInNewPot(ball.explored, fillL(old), litres);
  const start = { explored, sd: (ball.exploredSd * fillL(old)) / litres };
  const filling = {
    snug: traits.snug,
    toFill: monthsToFill(traits.vigour, rimCm(inside), situation.together),
  };
  const crowded = crowdedBand(start, filling, mean, ball.pace);
  const using = {
    traits,
    spot,
    inside,
    outside: option.outside,
    material: option.material,
    fillHeightCm,
    grownIn: old,
    live: ball.live,
    ...(situation.together ? { together: situation.together } : {}),
    ownFactor: useFactorOf(situation, own),
  };
  const winter = winterSchool(shared);
  const ownL = option.features?.reservoirL || null;
  // A pot with a reservoir of its own stands over nothing else.
  const under =
    newKind === 'pebbles' && ownL === null ? standsOver(option, shared, useIn(using)) : null;
  const potted = dryingIn(
    {
      ...using,
      mix,
      kind: newKind,
      floorCm: depth.layerCm,
      ...(under ? { reservoir: usableWater(under.summer.litres, winter) } : {}),
      ...(ownL ? { reservoir: { growthL: ownL, restL: ownL } } : {}),
    },
    year,
  );
  const drying = mound ? heldBy(potted, mound.mossL / litres) : potted;
  const oldL = Math.min(ball.displacesL, litres);
  const lasts = asLearned(
    mediumLife(mix, inside, traits, meanTemperatureC(spot), depth.layerCm),
    situation.learned?.mediumLifeFactor,
  ).months;
  const cover = keptCover(option, request);
  const vessel = under ? under.vessel : cover?.why === null ? cover.cover : null;
  const standing: Standing = {
    option,
    inside,
    fillHeightCm,
    mediumDryKg: newMediumL * mix.dryKgPerL + oldL * OLD_BALL_DRY_KG_PER_L,
    waterL: fresh.water * litres,
    plantKg: fillL(old) * SHOOT_KG_PER_BALL_L * ball.live,
    plantHeightCm,
    ...(support ? { support } : {}),
    ...(depth.layerCm > 0 ? { ballast: ballastLayer(inside, depth.layerCm) } : {}),
    ...(vessel ? { cover: vessel } : {}),
  };
  const stance = stanceOf(standing);
  return {
    option,
    inside,
    rimCm: rimCm(option.outside),
    fillHeightCm,
    fillL: litres,
    newMediumL,
    pots: request.cuts?.pieces ?? 1,
    mound,
    under,
    explored,
    monthsToCrowded: crowded?.months ?? null,
    crowdedBand: crowded && { soonest: crowded.soonest, latest: crowded.latest },
    mediumMonths: mound ? RENEWED_MONTHS : lasts,
    air: fresh.air,
    water: fresh.water,
    drying,
    standing,
    stance,
    clearanceCm: headroomCm == null ? null : headroomCm - stance.topCm,
    depth,
    covers: (request.covers ?? []).filter(
      (candidate) => coverFit(option.outside, candidate.outside, candidate.material).fits,
    ),
    notes: rungNotes({
      option,
      spot,
      newKind,
      air: fresh.air,
      airNow,
      daysInGrowth: drying.growthDays,
      daysWithTightWall: drying.tightDays,
      useG: drying.growthG,
      wetKg: stance.wetKg,
      present: cover,
    }),
    verdict: 'fits',
    because: '',
  };
}

/** A mound is wrapped anew each year. @source common practice, no source */
const RENEWED_MONTHS = 12;
/** The same of less medium, that gives off as much: a mound holds what its moss does, not what its pot would. */
const heldBy = (drying: Drying, share: number): Drying => ({
  ...drying,
  heldL: drying.heldL * share,
  growthDays: drying.growthDays * share,
  tightDays: drying.tightDays * share,
  restDays: drying.restDays === null ? null : drying.restDays * share,
  byMonth: drying.byMonth.map((days) => (days === null ? null : days * share)),
});

/** How a reservoir is kept in the dark months; where growth never rests, as ever. */
function winterSchool({ request, year }: Pick<Shared, 'request' | 'year'>): Schools['winter'] {
  const { traits, schools } = request.situation;
  const { rest } = yearEnds(year, traits.waterUse);
  return rest.activity < WINTER_LEVEL_BELOW ? (schools?.winter ?? USUAL_SCHOOLS.winter) : 'full';
}

/** What a pot of pebbles is set up over, for what the plant will use of it. */
function standsOver(
  option: PotOption,
  { request, ball, year }: Shared,
  use: ReturnType<typeof useIn>,
): WaterUnder {
  const { situation, covers = [], presentCover, water } = request;
  const { growth, rest } = yearEnds(year, situation.traits.waterUse);
  return waterUnder({
    outside: option.outside,
    inside: insideOfOption(option),
    rootsL: ball.displacesL,
    roots: situation.medium.kind === 'pebbles' ? 'reached' : 'short',
    usePerDayL: { growth: use(growth) / 1000, winter: use(rest) / 1000 },
    winter: winterSchool({ request, year }),
    vessels: covers,
    presentId: presentCover?.id ?? null,
    ...(water ? { chosen: water } : {}),
  });
}

/** The plant's cover pot, and why this pot does not go into it (null: it does). */
function keptCover(option: PotOption, { presentCover }: FitRequest) {
  if (!presentCover) return null;
  const fit = coverFit(option.outside, presentCover.outside, presentCover.material);
  return { cover: presentCover, why: fit.fits ? null : fit.why };
}

/** How long until crowded, in words. */
function crowdedWhen(count: number | null): string {
  if (count === null) return 'does not grow here';
  if (count < 0.5) return 'full from the first day';
  return `crowded in ${monthsSaid(Math.max(1, Math.round(count)))}`;
}

/**
 * What rules a pot out, the least first: what stands can be tied, what stays wet can be watered with
 * care; a ball that does not go in has to be cut, and without a hole it drowns.
 *
 * @source common practice, no source
 */
const BAD: readonly RungVerdict[] = ['tips', 'tooTall', 'staysWet', 'tooLarge', 'ballTooWide'];

/** Where nothing will do, the pot that a keeper would still rather take. */
function leastBadOf(rungs: Rung[], choosing: Choosing): Pick<Ladder, 'leastBad' | 'because'> {
  for (const verdict of BAD) {
    const alike = rungs.filter((rung) => rung.verdict === verdict);
    if (alike.length === 0) continue;
    const { chosen } = pick(alike, choosing);
    return {
      leastBad: rungs.indexOf(chosen),
      because: say`none will do as things are. The least bad: ${chosen.because}`,
    };
  }
  return { leastBad: null, because: 'no pot here has a hole for water to leave by' };
}

function choose(
  rungs: Rung[],
  choosing: Choosing,
  underShelf: boolean,
): Pick<Ladder, 'choice' | 'leastBad' | 'because'> {
  const { situation, ball } = choosing;
  const oldRim = rimCm(situation.pot);
  for (const rung of rungs) Object.assign(rung, ruledOut(rung, situation, ball, underShelf));
  const possible = rungs.filter((rung) => rung.verdict === 'fits');
  if (possible.length === 0) return { choice: null, ...leastBadOf(rungs, choosing) };
  const inTime = possible.filter(({ option }) => option.leftIn === undefined);
  const { chosen, because } = pick(inTime.length > 0 ? inTime : possible, choosing);
  const wanted = rungs.indexOf(chosen);
  rungs.forEach((rung, i) => {
    if (rung === chosen) {
      rung.verdict = 'chosen';
      rung.because = because;
    } else if (rung.verdict !== 'fits') {
      return;
    } else if (Math.abs(rung.rimCm - chosen.rimCm) < 0.1 && i !== wanted) {
      rung.because = rung.option.leftIn
        ? 'as wide as the advised one, but another plant still stands in it'
        : 'as wide as the advised one, which is easier to come by';
    } else if (i < wanted) {
      rung.verdict = 'tooSmall';
      rung.because =
        rung.rimCm <= oldRim + 0.5
          ? `no larger than the present pot; ${crowdedWhen(rung.monthsToCrowded)}`
          : `${crowdedWhen(rung.monthsToCrowded)}; the advised pot is ${crowdedWhen(chosen.monthsToCrowded)}`;
    } else {
      rung.verdict = 'tooLarge';
      rung.because =
        `roots would start in ${Math.round(rung.explored * 100)} % of it; ` +
        `takes ${Math.round(rung.drying.growthDays)} days to dry in growth, ` +
        `against ${Math.round(chosen.drying.growthDays)}` +
        (situation.traits.snug ? '; this plant likes it tight' : '');
    }
  });
  return { choice: wanted, leastBad: null, because };
}
