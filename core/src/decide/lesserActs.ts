import { evidenceBy, type Corrections } from './corrected.ts';
import {
  LESSER_ACTS,
  WORTH_WAITING,
  type Cure,
  type LesserAct,
  type LesserActRow,
} from './costs.ts';
import type { Evidence } from './evidence.ts';
import { kindOf, optimum, type Optimum, type Plan, type Sums } from './optimum.ts';
import type { Signals, State } from './signals.ts';

/** An act that saves less than this is not told, in units of a badly timed repot. @source common practice, no source */
const LEAST_SAVING = 0.02;

/** What lesser acts would bring here. */
export interface Refresh {
  acts: LesserAct[];
  /** with them no repot is called for within the year */
  instead: boolean;
  /** expected cost saved against doing without them */
  saves: number;
  after: Optimum;
}

/** Findings that some lesser act puts right: without one of them there is nothing to weigh up. */
const CURABLE: ReadonlySet<string> = new Set(
  LESSER_ACTS.flatMap(({ cures }) => cures.map(({ signal }): string => signal)),
);

/**
 * Lesser acts that pay for themselves, and whether they do instead of a repot.
 *
 * @param best  optimum without them
 */
export function refreshFor(
  plan: Plan,
  evidence: Evidence,
  signals: Signals,
  best: Optimum,
): Refresh | null {
  if (!evidence.reasons.some(({ signal, logOdds }) => logOdds > 0 && CURABLE.has(signal)))
    return null;
  const { traits, learned } = plan.frame.situation;
  const { growthForm } = traits;
  const worthwhile = LESSER_ACTS.filter((act: LesserActRow) => {
    const { cures, cost, forms, needs, never } = act;
    if (forms && !forms.includes(growthForm)) return false;
    if (needs && signals[needs.signal] !== needs.is) return false;
    if (never?.some(({ signal, is }) => signals[signal] === is)) return false;
    const relieved = relieve(evidence, cures, signals, learned?.corrections);
    return relieved !== null && optimum(plan, relieved).cost + cost < best.cost - LEAST_SAVING;
  });
  const acts = withoutTheIdle(worthwhile);
  if (acts.length === 0) return null;
  const { relieved, price, after } = outcome(acts);
  if (!relieved) return null;
  const saves = best.cost - (after.cost + price);
  return {
    acts: acts.map(({ id }) => id),
    instead: saves >= WORTH_WAITING && kindOf(plan, relieved, after) === 'leave',
    saves,
    after,
  };

  function outcome(of: readonly LesserActRow[]) {
    const relieved = relieve(
      evidence,
      of.flatMap(({ cures }): Cure[] => [...cures]),
      signals,
      learned?.corrections,
    );
    const after = relieved ? optimum(plan, relieved) : best;
    return { relieved, after, price: of.reduce((sum, { cost }) => sum + cost, 0) };
  }

  /** Two acts that cure the same are one too many: drops each that the others make idle. */
  function withoutTheIdle(all: typeof worthwhile): typeof worthwhile {
    let kept = all;
    for (const act of [...all].sort((x, y) => y.cost - x.cost)) {
      const others = kept.filter((other) => other !== act);
      if (others.length === 0) continue;
      const [with_, without] = [outcome(kept), outcome(others)];
      if (without.after.cost + without.price <= with_.after.cost + with_.price) kept = others;
    }
    return kept;
  }
}

/** The sums once the acts have put their part right; null when there is nothing to put right. */
function relieve(
  { reasons, sums }: Evidence,
  cures: readonly Cure[],
  signals: Signals,
  by: Corrections = {},
): Sums | null {
  let relieved: Record<State, number> | null = null;
  for (const { signal, state, logOdds } of reasons) {
    if (logOdds <= 0) continue;
    for (const cure of cures) {
      if (cure.signal !== signal || (cure.state !== undefined && cure.state !== state)) continue;
      if (cure.is !== undefined && signals[signal] !== cure.is) continue;
      relieved ??= { ...sums };
      relieved[state] -= cure.share * evidenceBy(by[state], logOdds);
      break;
    }
  }
  return relieved;
}
