import { evidenceBy } from './corrected.ts';
import { addsFor } from './shows.ts';
import {
  CONTRADICTIONS,
  EXPLAINED_BY,
  SECOND_COUNTS,
  SHARED_CAUSES,
  STATES,
  TOGETHER,
  weigh,
  type SignalId,
  type Signals,
  type SignalValue,
  type State,
} from './signals.ts';
import type { Situation } from './situation.ts';
import { say, type Saying } from '../saying/index.ts';

/** One finding's say on one state. */
export interface Reason {
  signal: string;
  state: State;
  /** after discounts */
  logOdds: number;
  text: Saying;
}

/** Findings weighed, with what they share taken out. */
export interface Evidence {
  reasons: Reason[];
  sums: Record<State, number>;
}

/**
 * The signals that were answered, by name: log-odds that are added in another
 * order differ in their last digit, which could tip a verdict that hangs even.
 */
export function answered(signals: Signals): [string, SignalValue][] {
  return Object.entries(signals)
    .filter((entry): entry is [string, SignalValue] => entry[1] !== undefined && entry[1] !== null)
    .sort(([a], [b]) => (a < b ? -1 : 1));
}

/**
 * Log-odds of the five states by the findings.
 *
 * Of findings that share a cause, the strongest for and the strongest against
 * count in full and the others at half, so that one cause seen from three
 * sides is not three causes. More evidence in one direction never lowers the
 * sum. What was measured replaces the impression of the same thing. Sums are as the keeper's record
 * corrects them, reasons as they are.
 *
 * @throws RangeError for an unknown signal or value
 */
export function weighSignals(
  signals: Signals,
  {
    measured = [],
    traits,
    medium,
    learned,
  }: Pick<Situation, 'measured' | 'learned'> & Partial<Pick<Situation, 'traits' | 'medium'>> = {},
): Evidence {
  const reasons: Reason[] = [];
  for (const { id, weights, text } of measured) {
    for (const state of STATES) {
      const logOdds = weights[state];
      if (logOdds) reasons.push({ signal: id, state, logOdds, text });
    }
  }
  for (const [id, value] of answered(signals)) {
    if (measured.some(({ replaces }) => replaces.includes(id))) continue;
    const cause = EXPLAINED_BY[id as SignalId];
    if (cause && signals[cause] === true) continue;
    const { weights, text } = weigh(id, value);
    const adds = traits && medium ? addsFor(id, value, { traits, medium }) : {};
    for (const state of STATES) {
      const logOdds = (weights[state] ?? 0) + (adds[state] ?? 0);
      if (logOdds) reasons.push({ signal: id, state, logOdds, text });
    }
  }
  for (const { signals: pair, weights, text } of TOGETHER) {
    if (!pair.every(([id, value]) => signals[id] === value)) continue;
    for (const state of STATES) {
      const logOdds = weights[state];
      if (logOdds) reasons.push({ signal: pair[0]![0], state, logOdds, text });
    }
  }
  for (const shared of SHARED_CAUSES) {
    // Most looks touch a cause once at the most: nothing is shared then.
    let touched = 0;
    for (const { state, signal } of reasons) {
      if (state === shared.state && includes(shared.signals, signal)) touched += 1;
    }
    if (touched < 2) continue;
    discount(reasons, shared, 1);
    discount(reasons, shared, -1);
  }
  const sums: Record<State, number> = {
    crowded: 0,
    mediumFailing: 0,
    danger: 0,
    tooWet: 0,
    unstable: 0,
  };
  for (const { state, logOdds } of reasons) {
    sums[state] += evidenceBy(learned?.corrections?.[state], logOdds);
  }
  return { reasons, sums };
}

/** All but the strongest reason on one side of a shared cause count in part. */
function discount(
  reasons: Reason[],
  { cause, state, signals }: (typeof SHARED_CAUSES)[number],
  side: 1 | -1,
): void {
  let strongest: Reason | null = null;
  for (const reason of reasons) {
    const concerned =
      reason.state === state && reason.logOdds * side > 0 && includes(signals, reason.signal);
    if (!concerned) continue;
    let weaker: Reason | null = strongest;
    if (strongest === null || Math.abs(reason.logOdds) > Math.abs(strongest.logOdds)) {
      strongest = reason;
    } else weaker = reason;
    if (weaker) {
      weaker.logOdds *= SECOND_COUNTS;
      weaker.text = say`${weaker.text} (counted half: same cause, ${cause})`;
    }
  }
}

/** Findings that contradict each other, in words. */
export function contradictionsIn(signals: Signals): string[] {
  return CONTRADICTIONS.filter(({ a, b }) => signals[a[0]] === a[1] && signals[b[0]] === b[1]).map(
    ({ text }) => text,
  );
}

const includes = (ids: readonly string[], id: string): boolean => ids.includes(id);
