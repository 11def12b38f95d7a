import type { Reason } from './evidence.ts';
import type { State } from './signals.ts';

/** What time alone says. */
const TOLD_BY_TIME: ReadonlySet<string> = new Set(['timeInPot', 'mediumAge']);
/** What is true of many plants tells nothing of this one: how rare a state is, that old media drown roots. */
const isBackground = (signal: string, state: State) =>
  signal === 'baseRate' ||
  signal === 'ownRecord' ||
  (state === 'danger' && TOLD_BY_TIME.has(signal));
/** Who was asked why would first tell what was seen, then how long it has been. @source common practice, no source */
const BESIDE_WHAT_IS_SEEN = 0.5;
/**
 * Time that has run out is a reason like a middling finding: from this chance of its state on, and
 * from log-odds as they are when the term is over.
 *
 * @source common practice, no source
 */
const TOLD_FROM = 0.25;
const TERM_OVER = -1.5;
const AS_A_FINDING = 0.9;

/**
 * The reasons that a verdict is told by: those that speak for what is likely
 * the matter, each finding once; where none does, how long it has been. A
 * strong sign of a state that is all the same unlikely moves nothing.
 *
 * @returns the weightiest first, by log-odds times the probability of its state
 */
export function leadingReasons(
  { reasons, states }: { reasons: readonly Reason[]; states: Record<State, number> },
  most: number,
): Reason[] {
  const isByTime = ({ signal }: Reason) => TOLD_BY_TIME.has(signal);
  // A term that has run out is told though it proves nothing by itself.
  const says = (reason: Reason) =>
    isByTime(reason) && states[reason.state] >= TOLD_FROM && reason.logOdds >= TERM_OVER
      ? Math.max(AS_A_FINDING, reason.logOdds)
      : reason.logOdds;
  const weight = (reason: Reason) =>
    says(reason) * states[reason.state] * (isByTime(reason) ? BESIDE_WHAT_IS_SEEN : 1);
  const told = reasons.filter(({ signal, state }) => !isBackground(signal, state));
  const speaking = told.filter((reason) => says(reason) > 0).sort((a, b) => weight(b) - weight(a));
  // Where nothing was seen and no state is likely by itself, time is what is left to tell.
  const ranked =
    speaking.length > 0
      ? speaking
      : told.filter(isByTime).sort((a, b) => states[b.state] - states[a.state]);
  const bySignal = new Map<string, Reason>();
  for (const reason of ranked) {
    if (!bySignal.has(reason.signal)) bySignal.set(reason.signal, reason);
  }
  return [...bySignal.values()].slice(0, most);
}
