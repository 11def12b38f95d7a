import type { Reason } from './evidence.ts';
import type { State } from './signals.ts';

/** What time alone says. */
const BY_TIME: ReadonlySet<string> = new Set(['timeInPot', 'mediumAge']);
/** What is true of many plants tells nothing of this one: how rare a state is, that old media drown roots. */
const isBackground = (signal: string, state: State) =>
  signal === 'baseRate' || (state === 'danger' && BY_TIME.has(signal));
/** Who was asked why would first tell what was seen, then how long it has been. @source common practice, no source */
const BESIDE_WHAT_IS_SEEN = 0.5;

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
  const weight = ({ signal, logOdds, state }: Reason) =>
    logOdds * states[state] * (BY_TIME.has(signal) ? BESIDE_WHAT_IS_SEEN : 1);
  const speaking = reasons
    .filter(({ signal, logOdds, state }) => logOdds > 0 && !isBackground(signal, state))
    .sort((a, b) => weight(b) - weight(a));
  // Where nothing was seen and no state is likely by itself, time is what is left to tell.
  const ranked =
    speaking.length > 0
      ? speaking
      : reasons
          .filter(({ signal, state }) => BY_TIME.has(signal) && !isBackground(signal, state))
          .sort((a, b) => states[b.state] - states[a.state]);
  const bySignal = new Map<string, Reason>();
  for (const reason of ranked) {
    if (!bySignal.has(reason.signal)) bySignal.set(reason.signal, reason);
  }
  return [...bySignal.values()].slice(0, most);
}
