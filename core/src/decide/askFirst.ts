import type { LookWorth } from './lookWorth.ts';
import { SIGNAL_GROUPS, SIGNALS } from './signals.ts';
import type { NotLooked } from './whatIf.ts';

/** Below this, in units of a badly timed repot, a question does not come before the others. @source common practice, no source */
const LEAST_WORTH = 0.005;

const UNPOTTED = new Set(SIGNAL_GROUPS.filter(({ unpotted }) => unpotted).map(({ id }) => id));
const FROM_OUTSIDE = new Set(
  SIGNALS.filter(({ group }) => !UNPOTTED.has(group)).map(({ id }) => id),
);

/**
 * The questions that a look does best to begin with: what would change most,
 * never answered or answered long ago, and seen without unpotting; where the verdict is to slide it out,
 * what to look for then comes before.
 *
 * @returns ids of signals, the most telling first, at most `count` beside those asked of its roots
 */
export function askFirst(
  {
    lookWorth,
    notLooked,
    unpot,
  }: {
    lookWorth: LookWorth;
    notLooked: readonly NotLooked[];
    unpot: { lookFor: readonly string[] } | null;
  },
  count = 3,
): string[] {
  const ranked = [...lookWorth.questions, ...notLooked]
    .filter(({ signal, worth }) => worth >= LEAST_WORTH && FROM_OUTSIDE.has(signal))
    .sort((a, b) => b.worth - a.worth)
    .map(({ signal }) => signal);
  return [...(unpot?.lookFor ?? []), ...[...new Set(ranked)].slice(0, count)];
}
