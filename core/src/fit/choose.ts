import type { Traits } from '../catalogue/index.ts';
import { fillL, rimCm } from '../pots/index.ts';
import { monthsBetween } from '../season/index.ts';
import type { MediumKind } from '../media/index.ts';
import type { Situation } from '../decide/index.ts';
import type { RootBall, RootCuts } from './ball.ts';
import { POT_SOURCES } from './options.ts';
import type { Rung } from './rung.ts';
import type { Schools } from '../schools/index.ts';
import { monthsSaid, say, type Saying } from '../saying/index.ts';

/**
 * One size up, by the width of the present pot: how much wider at the least, as
 * a rule, and at the most, cm.
 *
 * @source common practice, no source
 */
const STEPS: readonly { toCm: number; least: number; aim: number; most: number }[] = [
  { toCm: 10, least: 1.5, aim: 2.5, most: 3.4 },
  { toCm: 20.5, least: 1.8, aim: 3, most: 4.5 },
  { toCm: 30.5, least: 2.8, aim: 4, most: 6.4 },
  { toCm: Infinity, least: 4, aim: 6, most: 10 },
];
const stepFrom = (rim: number) => STEPS.find(({ toCm }) => rim <= toCm)!;
/** New volume against the old: for one size up, and for a strong grower that filled its pot in a season. */
export const MOST_VOLUME = { one: 2.3, two: 3 } as const;
/** A pot that is wider but hardly roomier is no size up. */
const LEAST_VOLUME = { usual: 1.3, snug: 1.15 } as const;
/** A season: who fills a pot within it may have two sizes. */
const SEASON_MONTHS = 9;
/** Share explored from which a pot counts as truly filled. */
const FILLED = 0.9;
const SNUG_STEP_CM = 0.8;
/** Months that the growth school wants before the next repot. */
export const UNTIL_NEXT = { fast: 12, middling: 18, slow: 24 } as const;
/** Fewer live roots than this keep their pot or go smaller. */
const FEW_LIVE_ROOTS = 0.5;
/** Spare room below which a pot is full from the start, months. */
const SOON_MONTHS = 3;
const SAME_CM = 0.5;
/** A pot for few roots is a little wider than what they hold. */
const SPARE_FOR_FEW = 1.05;
const ALIKE_CM = 0.3;
/** A pot narrower than its plant keeps it steady only down to this share of the present one. */
const NARROWEST_FOR_PIECE = 0.5;

/** What a choice rests on beside the rungs. */
export interface Choosing {
  situation: Situation;
  ball: RootBall;
  school: Schools['size'];
  cuts: RootCuts;
  newKind: MediumKind;
}

interface Picked {
  chosen: Rung;
  because: Saying;
}

/** The rung to take among those that nothing rules out. */
export function pick(possible: readonly Rung[], choosing: Choosing): Picked {
  const oldRim = rimCm(choosing.situation.pot);
  const small = staysSmall(choosing);
  if (small) {
    const same = possible.filter((rung) => rung.rimCm <= oldRim + SAME_CM);
    return {
      chosen: nearest(same.length > 0 ? same : possible, oldRim * small.share, choosing),
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
    return { chosen: nearest(up, least, choosing), because: 'keep snug: the smallest step up' };
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
  const { medium } = situation;
  if (ball.live < FEW_LIVE_ROOTS || ball.loose) {
    return {
      share: Math.min(1, SPARE_FOR_FEW * Math.cbrt(ball.explored)),
      because:
        ball.live < FEW_LIVE_ROOTS
          ? `only ${Math.round(ball.live * 100)} % of the roots are alive: the same size or smaller, so that it dries`
          : 'its roots hold less than half of the ball: loose medium falls away, and what they hold wants a pot to match',
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
  if (medium.kind === 'pebbles' && newKind !== 'pebbles') {
    return {
      share: 1,
      because: 'out of pebbles: water roots partly die in a mix, so the same size or smaller',
    };
  }
  if (medium.kind !== 'pebbles' && newKind === 'pebbles') {
    return {
      share: 1,
      because: 'into pebbles with washed roots: the same size, for part of them is lost',
    };
  }
  return null;
}

/** How many times the medium's room of the present pot. */
const volumeRatio = (rung: Rung, { situation }: Choosing) => rung.fillL / fillL(situation.pot);

/** A fast grower whose pot was filled within one season of growth. */
function filledInASeason({ situation, ball }: Choosing): boolean {
  const { traits, lastRepot, date } = situation;
  return (
    traits.vigour === 'fast' &&
    !traits.snug &&
    lastRepot !== null &&
    monthsBetween(lastRepot, date) <= SEASON_MONTHS &&
    ball.explored >= FILLED
  );
}

/** Rungs that a keeper would call one size up, or two; where there are none, the smallest step up. */
function within(up: readonly Rung[], choosing: Choosing, sizes: 'one' | 'two'): Rung[] {
  const old = rimCm(choosing.situation.pot);
  const { least: usual, most } = stepFrom(old);
  const least = choosing.situation.traits.snug ? SNUG_STEP_CM : usual;
  const roomier = choosing.situation.traits.snug ? LEAST_VOLUME.snug : LEAST_VOLUME.usual;
  const fits = up.filter(
    (rung) =>
      volumeRatio(rung, choosing) >= roomier &&
      rung.rimCm - old >= least &&
      rung.rimCm - old <= most * (sizes === 'two' ? 2 : 1) &&
      // Of a plug the width says it better than the volume.
      (volumeRatio(rung, choosing) <= MOST_VOLUME[sizes] || rung.rimCm - old <= most),
  );
  if (fits.length > 0) return fits;
  const enough = up.filter((rung) => volumeRatio(rung, choosing) >= roomier);
  const smallest = Math.min(...(enough.length > 0 ? enough : up).map((rung) => rung.rimCm));
  return (enough.length > 0 ? enough : up).filter((rung) => rung.rimCm <= smallest + ALIKE_CM);
}

function toGrowth(up: readonly Rung[], choosing: Choosing): Picked {
  const until = UNTIL_NEXT[choosing.situation.traits.vigour];
  const steps = within(up, choosing, filledInASeason(choosing) ? 'two' : 'one');
  const lasting = steps.find((rung) => (rung.monthsToCrowded ?? Infinity) >= until);
  return lasting
    ? {
        chosen: nearest(ownFirst(steps, lasting.rimCm, choosing), lasting.rimCm, choosing),
        because: `the smallest that is not crowded before ${monthsSaid(until)}, when it would be due anyway`,
      }
    : {
        chosen: steps[steps.length - 1]!,
        because: `none that is safe lasts ${monthsSaid(until)}: the largest step that roots can fill`,
      };
}

/** One size up; two for a strong grower that filled its pot within a season. */
function oneUp(up: readonly Rung[], choosing: Choosing, oldRim: number): Picked {
  const { least, aim } = stepFrom(oldRim);
  const wider = (rung: Rung) => rung.rimCm - oldRim;
  if (filledInASeason(choosing)) {
    const wanted = oldRim + 2 * aim;
    const two = nearest(ownFirst(within(up, choosing, 'two'), wanted, choosing), wanted, choosing);
    return {
      chosen: two,
      because: say`two sizes up, ${{ cm: wider(two) }} wider: it filled the last pot within a season`,
    };
  }
  const by = choosing.situation.traits.snug ? least : aim;
  const wanted = oldRim + by;
  const one = nearest(ownFirst(within(up, choosing, 'one'), wanted, choosing), wanted, choosing);
  const lasts = one.monthsToCrowded;
  return {
    chosen: one,
    because: say`one size up: ${{ cm: wider(one) }} wider${lasts !== null && lasts > SOON_MONTHS ? `, room for about ${monthsSaid(Math.round(lasts))}` : ''}`,
  };
}

/** A pot that dries so much less well than another serves clearly worse, as a logarithm. */
const CLEARLY_WORSE = 0.35;
/** Of sizes that all will do, those of the keeper's own that are within half a step of what is aimed at; else all. */
function ownFirst(steps: readonly Rung[], aimCm: number, choosing: Choosing): readonly Rung[] {
  const off = (rung: Rung) => Math.abs(rung.rimCm - aimCm);
  const nearly = Math.min(...steps.map(off)) + stepFrom(rimCm(choosing.situation.pot)).aim / 2;
  const near = steps.filter((rung) => off(rung) <= nearly);
  const driest = Math.min(...near.map((rung) => offDrying(rung, choosing)));
  const own = near.filter(
    (rung) => rung.option.source !== 'toBuy' && offDrying(rung, choosing) <= driest + CLEARLY_WORSE,
  );
  return own.length > 0 ? own : steps;
}

const rank = ({ option }: Rung) => POT_SOURCES.indexOf(option.source);

/** Days between waterings in growth that a kind of plant is at ease with. @source common practice, no source */
const SUITS_DAYS: Record<Traits['drying'], readonly [least: number, most: number]> = {
  wet: [1, Infinity],
  evenlyMoist: [3, 9],
  littleDry: [4, 14],
  halfDry: [4, 16],
  fullyDry: [7, 28],
};

/** How far a pot dries too soon or too late for its plant, as a logarithm; 0: it suits. */
function offDrying({ drying: { growthDays: days } }: Rung, { situation }: Choosing): number {
  const [least, most] = SUITS_DAYS[situation.traits.drying];
  return Math.max(0, Math.log(least / days), Math.log(days / most));
}

/**
 * The rung nearest to a width. Of those alike: where the plant rocks the one that stands firmer, then the one that dries as it likes,
 * then what is easier to come by.
 */
function nearest(among: readonly Rung[], widthCm: number, choosing: Choosing): Rung {
  const off = (rung: Rung) => Math.abs(rung.rimCm - widthCm);
  const closest = Math.min(...among.map(off));
  const rocks = ['leans', 'topples'].includes(String(choosing.situation.signals.wobble));
  const better = (a: Rung, b: Rung) =>
    (rocks ? b.stance.tipAngleDryDeg - a.stance.tipAngleDryDeg : 0) ||
    offDrying(a, choosing) - offDrying(b, choosing) ||
    rank(a) - rank(b);
  return among
    .filter((rung) => off(rung) <= closest + ALIKE_CM)
    .reduce((best, rung) => (better(rung, best) < 0 ? rung : best));
}
