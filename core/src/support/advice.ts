import type { Traits } from '../catalogue/index.ts';
import { keepingDamp } from './material.ts';
import { SUPPORT_KINDS, type SupportKind, type SupportKindId } from './kinds.ts';
import { frontCm, sectionAreaCm2 } from './section.ts';
import { usableShare } from './usable.ts';
import { say, type Saying } from '../saying/index.ts';

/** What a keeper wants of a support. */
export const SUPPORT_GOALS = [
  { id: 'largerLeaves', label: 'larger leaves' },
  { id: 'cuttings', label: 'cuttings later' },
  { id: 'lowCare', label: 'low care' },
  { id: 'tidy', label: 'just tidy' },
] as const;
export type SupportGoal = (typeof SUPPORT_GOALS)[number]['id'];

/**
 * How well a kind serves a goal, 0 … 3, and how well a way of holding on takes
 * to it, 0 … 1.
 *
 * @source common practice, no source
 */
const SERVES: Record<SupportKindId, Record<SupportGoal, number>> = {
  mossMesh: { largerLeaves: 3, cuttings: 2.8, lowCare: 0, tidy: 1 },
  mossSheet: { largerLeaves: 2.8, cuttings: 3, lowCare: 0.4, tidy: 1 },
  coirPole: { largerLeaves: 1.5, cuttings: 0.8, lowCare: 2, tidy: 2 },
  barkPlank: { largerLeaves: 2, cuttings: 0.4, lowCare: 2, tidy: 1.4 },
  stake: { largerLeaves: 0.3, cuttings: 0.2, lowCare: 3, tidy: 3 },
  hoop: { largerLeaves: 0.1, cuttings: 0.2, lowCare: 2.8, tidy: 2.6 },
  trellis: { largerLeaves: 0.3, cuttings: 0.2, lowCare: 2.9, tidy: 2.8 },
};
const TAKES_TO: Record<SupportKindId, Record<Traits['support'], number>> = {
  mossMesh: { aerialRoots: 1, twines: 0.3, tendrils: 0.2, leans: 0.3, none: 0.1 },
  mossSheet: { aerialRoots: 1, twines: 0.2, tendrils: 0.1, leans: 0.3, none: 0.1 },
  coirPole: { aerialRoots: 0.9, twines: 0.6, tendrils: 0.3, leans: 0.6, none: 0.2 },
  barkPlank: { aerialRoots: 1, twines: 0.2, tendrils: 0.1, leans: 0.4, none: 0.1 },
  stake: { aerialRoots: 0.5, twines: 0.9, tendrils: 0.4, leans: 1, none: 0.6 },
  hoop: { aerialRoots: 0.4, twines: 1, tendrils: 0.9, leans: 0.6, none: 0.3 },
  trellis: { aerialRoots: 0.5, twines: 1, tendrils: 1, leans: 0.8, none: 0.3 },
};
const HABIT_WORDS: Record<Traits['support'], string> = {
  aerialRoots: 'its aerial roots hold on to, and drink from, what is damp',
  twines: 'it twines: thin things it can go round suit it',
  tendrils: 'its tendrils want thin bars to grip',
  leans: 'it leans and must be tied',
  none: 'it holds itself up: a support only steadies it',
};

/** A kind of support, and how it suits. */
export interface KindAdvice {
  kind: SupportKind;
  /** 0 … 3 */
  score: number;
  /** nothing rules it out */
  possible: boolean;
  /** null: it asks for none */
  minutesPerWeek: number | null;
  /** what of it new growth can root into, 0 … 1; null where roots do not enter */
  usable: number | null;
  because: Saying[];
}

/** Of a pot's mouth a support takes so much at most: the roots want the rest. @source common practice, no source: a pole of 7 cm from a pot of 13 cm on */
const MOST_OF_MOUTH = 1 / 3;

/** Below this the plant has outgrown a damp support before it is put in. */
const LITTLE_USABLE = 0.4;

/**
 * Kinds of support, the best first.
 *
 * @param plantCm  height of the shoots above the medium
 * @param aboveCm  length that a support would have above the medium
 * @param minutesPerWeek  what the keeper will give one plant; null: not said
 * @param vpdKPa  of the spot in growth
 * @param mouthCm2  section of the pot at its surface; null: not known yet
 */
export function adviseSupport(wish: {
  goal: SupportGoal;
  habit: Traits['support'];
  plantCm: number;
  aboveCm: number;
  minutesPerWeek: number | null;
  vpdKPa: number;
  mouthCm2?: number | null;
}): KindAdvice[] {
  const { goal, habit, plantCm, aboveCm, minutesPerWeek, vpdKPa, mouthCm2 = null } = wish;
  return SUPPORT_KINDS.map((kind): KindAdvice => {
    const damp = keepingDamp(kind.id, kind.section, aboveCm, vpdKPa);
    const usable = kind.rooted ? usableShare(aboveCm, plantCm).share : null;
    const because: Saying[] = [HABIT_WORDS[habit]];
    let score = SERVES[kind.id][goal] * TAKES_TO[kind.id][habit];
    let possible = true;
    if (usable !== null && (goal === 'largerLeaves' || goal === 'cuttings')) {
      score *= usable;
      if (usable < LITTLE_USABLE) {
        because.push(
          `new growth can root into ${Math.round(usable * 100)} % of it only: old nodes seldom do`,
        );
      }
    }
    if (damp) {
      because.push(
        kind.wetting === 'constant'
          ? `to be kept damp, about every ${Math.max(1, Math.round(damp.days))} days: ` +
              `${damp.minutesPerWeek.toFixed(0)} min a week`
          : 'wetted when the plant is watered',
      );
      if (minutesPerWeek !== null && damp.minutesPerWeek > minutesPerWeek) {
        possible = false;
        because.push(`more than your ${minutesPerWeek} min a week`);
      }
    }
    if (aboveCm > kind.tallestCm) {
      possible = false;
      because.push(say`not made taller than ${{ cm: kind.tallestCm }}`);
    }
    const ofMouth = mouthCm2 === null ? 0 : sectionAreaCm2(kind.section) / mouthCm2;
    if (ofMouth > MOST_OF_MOUTH) {
      possible = false;
      because.push(
        say`too thick for this pot: at ${{ cm: frontCm(kind.section) }} across it leaves the roots too little of it`,
      );
    }
    return { kind, score, possible, minutesPerWeek: damp?.minutesPerWeek ?? null, usable, because };
  }).sort((a, b) => Number(b.possible) - Number(a.possible) || b.score - a.score);
}

const HOLDS_ON: ReadonlySet<Traits['support']> = new Set(['aerialRoots', 'twines', 'tendrils']);
/** What leans is tied up from this height on, cm. @source common practice, no source */
const LEANS_FROM_CM = 45;

/** Whether a plant of this habit and height asks for a support at all. */
export function wantsSupport({ support }: Pick<Traits, 'support'>, plantCm: number): boolean {
  return HOLDS_ON.has(support) || (support === 'leans' && plantCm >= LEANS_FROM_CM);
}
