import { diagnose, type Diagnosis } from '../causes/index.ts';
import { DANGER_ACTS, UNSURE_DANGER, WORTH_UNPOTTING } from './costs.ts';
import type { Decision } from './decide.ts';
import type { VerdictKind } from './optimum.ts';
import type { Signals, State } from './signals.ts';
import type { Situation } from './situation.ts';
import type { NotLooked } from './whatIf.ts';

/** From this chance of danger anybody would look at the roots first, whatever the sum says. */
const SUSPECT_DANGER = 0.25;
/** What to look for on an unpotted plant when danger is the question. */
const SEEN_ONLY_OUT = ['rot', 'liveRoots', 'ballCover', 'circling', 'infestedRoots'] as const;

/** Danger is neither likely nor out of the question, and nobody has seen the roots. */
export function isInDoubt(signals: Signals, { danger }: Record<State, number>): boolean {
  const seen = signals.rot !== undefined || signals.liveRoots !== undefined;
  return !seen && danger >= UNSURE_DANGER && danger < DANGER_ACTS;
}

/**
 * Look before you cut: danger is in doubt, and seeing the roots is worth more than the disturbance of
 * sliding them out.
 */
export function unpotFor(
  signals: Signals,
  states: Record<State, number>,
  notLooked: readonly NotLooked[],
): Decision['unpot'] {
  const worth = (id: string) => notLooked.find(({ signal }) => signal === id)?.worth ?? 0;
  const lookFor = SEEN_ONLY_OUT.filter((id) => worth(id) > 0).sort((a, b) => worth(b) - worth(a));
  const pays = lookFor.length > 0 && worth(lookFor[0]!) >= WORTH_UNPOTTING;
  if (!isInDoubt(signals, states) || !(pays || states.danger >= SUSPECT_DANGER)) return null;
  return {
    because: `Its roots may be in danger (about ${5 * Math.round(20 * states.danger)} %): too much to leave, too little to cut for`,
    lookFor: lookFor.length > 0 ? lookFor : SEEN_ONLY_OUT.slice(0, 2),
  };
}

/** Under this share of the causes the pot is unlikely to be it. */
const POT_UNLIKELY = 0.3;
/** A full pot or a failing medium from here on is reason enough of its own. */
const REASON_ENOUGH = 0.7;

/** Other causes of what looks poorly. */
export const troubleshoot = (
  { signals, spot, traits, date, lastRepot }: Situation,
  states: Record<State, number>,
): Diagnosis | null => diagnose({ signals, spot, traits, date, lastRepot, states });

/** Whether to go after other causes before the pot. */
export function isPotUnlikely({ causes }: Diagnosis, states: Record<State, number>): boolean {
  const pot = causes.find(({ id }) => id === 'pot')!.share;
  const potNeedsIt = Math.max(states.crowded, states.mediumFailing, states.tooWet) >= REASON_ENOUGH;
  return pot < POT_UNLIKELY && !potNeedsIt;
}

/** Growth forms that come apart into pieces with roots of their own. */
const DIVISIBLE: ReadonlySet<string> = new Set(['clump', 'walker', 'rosette', 'bulb']);

/** Growth forms that send up growth after growth from the base. */
const FROM_BASE: ReadonlySet<string> = new Set(['clump', 'walker', 'bulb']);

/** What pays to do in the same go as a repot. */
export function alongside(
  { traits, signals }: Situation,
  states: Record<State, number>,
  verdict: VerdictKind,
): Decision['alongside'] {
  if (verdict === 'leave' || verdict === 'refreshOnly') return [];
  const acts: Decision['alongside'] = [];
  const spread = signals.growthAtWall === true || signals.emptySide === true;
  if (
    DIVISIBLE.has(traits.growthForm) &&
    states.crowded > 0.5 &&
    spread &&
    states.danger < DANGER_ACTS
  ) {
    acts.push({
      act: 'divide',
      text: 'divide it instead of moving up: keep two or three growths with roots in each piece, and small pots',
    });
  }
  // What grows from its base has no head to cut off: sound growths of it are kept.
  const hasHead = !FROM_BASE.has(traits.growthForm);
  if (signals.rot === 'stem') {
    acts.push({
      act: 'reroot',
      text: hasHead
        ? 'cut above the rot into clean tissue, let the cut dry and re-root the head: the base may be lost'
        : 'cut back into clean tissue, keep the growths that have sound roots, and let the cuts dry: what is soft is lost',
    });
  } else if (signals.stemBare === true && hasHead) {
    acts.push({
      act: 'reroot',
      text: 'cut the head off, let the cut dry and re-root it: the bare stem will not refill',
    });
  }
  return acts;
}
