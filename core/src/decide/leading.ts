import type { Reason } from './evidence.ts';
import type { State } from './signals.ts';

/** What time alone says. */
const BY_TIME: ReadonlySet<string> = new Set(['timeInPot', 'mediumAge']);
/** Who was asked why would first tell what was seen, then how long it has been. @source common practice, no source */
const BESIDE_WHAT_IS_SEEN = 0.5;

/**
 * The reasons that a verdict is told by: those that speak for what is likely
 * the matter, each finding once. A strong sign of a state that is all the same
 * unlikely moves nothing.
 *
 * @returns the weightiest first, by log-odds times the probability of its state
 */
export function leadingReasons(
  { reasons, states }: { reasons: readonly Reason[]; states: Record<State, number> },
  most: number,
): Reason[] {
  const weight = ({ signal, logOdds, state }: Reason) =>
    logOdds * states[state] * (BY_TIME.has(signal) ? BESIDE_WHAT_IS_SEEN : 1);
  const ranked = reasons
    .filter(({ signal, logOdds }) => signal !== 'baseRate' && logOdds > 0)
    .sort((a, b) => weight(b) - weight(a));
  const bySignal = new Map<string, Reason>();
  for (const reason of ranked) {
    if (!bySignal.has(reason.signal)) bySignal.set(reason.signal, reason);
  }
  return [...bySignal.values()].slice(0, most);
}
