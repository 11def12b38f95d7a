import { bisect } from '../number/index.ts';
import {
  coverFit,
  emptyPotKg,
  nominalPot,
  rimCm,
  volumeBelowL,
  type PotShape,
} from '../pots/index.ts';
import { AIM_DEG, UNSAFE_DEG } from '../stability/index.ts';
import { MOST_LAYER_SHARE } from './depth.ts';
import { insideOfOption, type CoverOption } from './options.ts';
import type { Rung } from './rung.ts';
import { ballastLayer, stanceOf, type Stance, type Standing } from './standing.ts';
import { say, type Saying } from '../saying/index.ts';

/** Something that keeps a plant from toppling, with what it would then be. */
export interface Remedy {
  kind: 'ballast' | 'cover' | 'clay' | 'wider' | 'wall';
  text: Saying;
  /** null: fixed to a wall it cannot topple */
  stance: Stance | null;
  /** weight it adds, kg */
  addsKg: number;
  /** reaches what to aim for */
  enough: boolean;
}

/**
 * What each remedy asks of the keeper, from the least up; the first that is
 * enough is the one to take.
 *
 * @source common practice, no source
 */
const EFFORT: Record<Remedy['kind'], number> = { cover: 1, ballast: 2, clay: 3, wider: 4, wall: 5 };

const LEAST_BALLAST_CM = 0.5;
/** A cover to buy is so much wider than its pot, cm. */
const COVER_PLAY_CM = 2;
/** In a wider cover than this a pot slides about and leans, cm. @source common practice, no source */
const MOST_PLAY_CM = 4 * COVER_PLAY_CM;

/** How firmly a plant stands: what to aim for, short of that, unsafe. */
export type Footing = 'firm' | 'short' | 'unsafe';
export function footing(tipAngleDryDeg: number): Footing {
  if (tipAngleDryDeg < UNSAFE_DEG) return 'unsafe';
  return tipAngleDryDeg < AIM_DEG ? 'short' : 'firm';
}

/**
 * Remedies for a plant that does not stand firmly, each recomputed, the ones
 * that are enough first and the least work first among them.
 *
 * @param standing  the plant as it stands, or as it will once it has grown
 * @param covers  cover pots that the pot goes into
 * @param rungs  the ladder, for a wider pot
 * @returns none when it stands firmly
 */
export function remedies(
  standing: Standing,
  covers: readonly CoverOption[] = [],
  rungs: readonly Rung[] = [],
): Remedy[] {
  const now = stanceOf(standing);
  if (footing(now.tipAngleDryDeg) === 'firm') return [];
  const found: Remedy[] = [
    ballastFor(standing, now),
    ...coversFor(standing, now, covers),
    clayFor(standing, now),
    ...widerFor(standing, now, rungs),
    {
      kind: 'wall' as const,
      text: 'tie pole or stem to a wall or rail at two thirds of its height',
      stance: null,
      addsKg: 0,
      enough: true,
    },
  ].filter((remedy): remedy is Remedy => remedy !== null);
  return found.sort(
    (a, b) =>
      Number(b.enough) - Number(a.enough) ||
      (a.enough ? EFFORT[a.kind] - EFFORT[b.kind] : tipOf(b) - tipOf(a)),
  );
}

const tipOf = ({ stance }: Remedy) => stance?.tipAngleDryDeg ?? 90;
const withStance = (kind: Remedy['kind'], text: Saying, stance: Stance, now: Stance): Remedy => ({
  kind,
  text,
  stance,
  addsKg: stance.dryKg - now.dryKg,
  enough: stance.tipAngleDryDeg >= AIM_DEG,
});

/** The thinnest layer of stones that is enough; where none is, the thickest that leaves roots room. */
function ballastFor(standing: Standing, now: Stance): Remedy | null {
  const { inside, fillHeightCm } = standing;
  const most = MOST_LAYER_SHARE * fillHeightCm;
  const at = (cm: number) => stanceOf(withBallast(standing, cm));
  const least = Math.max(LEAST_BALLAST_CM, standing.ballast?.heightCm ?? 0);
  if (least >= most) return null;
  const short = (cm: number) => at(cm).tipAngleDryDeg - AIM_DEG;
  const cm = short(most) < 0 ? most : short(least) > 0 ? least : bisect(short, least, most, 0.01);
  // Rounded up, so that what is said is enough.
  const layer = Math.min(most, Math.ceil(cm * 2) / 2);
  const { kg } = ballastLayer(inside, layer);
  return withStance(
    'ballast',
    say`${{ cm: layer }} of stones or grit on the floor, ${{ kg }}; roots get that much less depth`,
    at(layer),
    now,
  );
}

/** Stones take the place of medium, which weighs less. */
function withBallast(standing: Standing, heightCm: number): Standing {
  const { inside, fillHeightCm, mediumDryKg, waterL } = standing;
  const share = 1 - volumeBelowL(inside, heightCm) / volumeBelowL(inside, fillHeightCm);
  return {
    ...standing,
    mediumDryKg: mediumDryKg * share,
    waterL: waterL * share,
    ballast: ballastLayer(inside, heightCm),
  };
}

function coversFor(standing: Standing, now: Stance, covers: readonly CoverOption[]): Remedy[] {
  const { outside } = standing.option;
  const owned = covers
    .filter(
      ({ id, outside: around }) =>
        id !== standing.cover?.id && rimCm(around) - rimCm(outside) <= MOST_PLAY_CM,
    )
    .sort((a, b) => rimCm(a.outside) - rimCm(b.outside))
    .map((cover) => ({ text: say`stand it in ${cover.label}`, cover }));
  const bought = coverToBuy(outside);
  const all = bought
    ? [
        ...owned,
        {
          text: say`stand it in a glazed cover pot, ${{ cm: rimCm(bought.outside) }}`,
          cover: bought,
        },
      ]
    : owned;
  const tried = all.map(({ text, cover }) =>
    withStance('cover', text, stanceOf({ ...standing, cover }), now),
  );
  // The snuggest of one's own that is enough, else the steadiest; and what a bought one would do.
  const own = tried.slice(0, owned.length);
  const ownBest = own.find(({ enough }) => enough) ?? own.sort((a, b) => tipOf(b) - tipOf(a))[0];
  return [...(ownBest ? [ownBest] : []), ...tried.slice(owned.length)];
}

/** The smallest glazed cover of the trade that takes the pot. */
function coverToBuy(pot: PotShape): CoverOption | null {
  for (let extra = COVER_PLAY_CM; extra <= MOST_PLAY_CM; extra++) {
    const outside = nominalPot(Math.ceil(rimCm(pot)) + extra, 'standard');
    if (coverFit(pot, outside, 'glazed').fits) {
      return { id: 'cover-to-buy', label: '', outside, material: 'glazed' };
    }
  }
  return null;
}

/** The same pot in unglazed clay. */
function clayFor(standing: Standing, now: Stance): Remedy | null {
  const { option } = standing;
  if (option.material === 'terracotta') return null;
  const clay = { ...option, material: 'terracotta' as const };
  const { emptyKg: _weighed, ...unweighed } = clay;
  const inside = insideOfOption(unweighed);
  const kg = emptyPotKg(option.outside, 'terracotta');
  const lower = inside.heightCm - standing.inside.heightCm;
  return withStance(
    'clay',
    say`the same size in unglazed clay, ${{ kg }}; it dries sooner`,
    stanceOf({
      ...standing,
      option: unweighed,
      inside,
      fillHeightCm: Math.max(1, standing.fillHeightCm + lower),
    }),
    now,
  );
}

/** The next wider pot of the ladder on which it stands firmly, else the widest that nothing rules out. */
function widerFor(standing: Standing, now: Stance, rungs: readonly Rung[]): Remedy[] {
  const base = now.tipAngleDryDeg;
  const wider = rungs
    .filter(
      (rung) =>
        rimCm(rung.option.outside) > rimCm(standing.option.outside) + 0.5 &&
        ['fits', 'tooLarge', 'tips', 'chosen'].includes(rung.verdict),
    )
    .map((rung) => ({
      rung,
      stance: stanceOf({
        ...rung.standing,
        plantHeightCm: standing.plantHeightCm,
        plantKg: standing.plantKg,
        ...(standing.support ? { support: standing.support } : {}),
      }),
    }))
    .filter(({ stance }) => stance.tipAngleDryDeg > base);
  const best = wider.find(({ stance }) => stance.tipAngleDryDeg >= AIM_DEG) ?? wider.at(-1);
  if (!best) return [];
  const { rung, stance } = best;
  const large = rung.verdict === 'tooLarge' ? '; larger than its roots ask for' : '';
  return [withStance('wider', say`a wider pot: ${rung.option.label}${large}`, stance, now)];
}
