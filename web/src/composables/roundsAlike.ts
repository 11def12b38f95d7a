import type { Stop } from '../api/types.ts';

export type Entry = Stop['plants'][number];

/** So many that stand beside each other and ask for the same are told once. */
const FOLDED_FROM = 3;

/** What is asked of it and why; what a look is worth may differ by a hair from one to the next. */
const askedOf = ({ taxon, headline, overruled, asks }: Entry): string | null =>
  // What is ticked off, or filled, is a plant's own.
  asks.every(({ kind }) => kind === 'look' || kind === 'act')
    ? JSON.stringify([
        taxon,
        headline,
        overruled,
        asks.map((ask) => [ask.kind, 'why' in ask ? ask.why : null]),
      ])
    : null;

/**
 * Plants of a walk in runs: those of a kind that stand beside each other and ask for the same are one.
 *
 * @param plants  as one walks past them
 */
export function runsOf(plants: readonly Entry[]): Entry[][] {
  const runs: Entry[][] = [];
  let last: string | null = null;
  for (const entry of plants) {
    const asked = askedOf(entry);
    if (asked !== null && asked === last) runs[runs.length - 1]!.push(entry);
    else runs.push([entry]);
    last = asked;
  }
  return runs.flatMap((run) => (run.length < FOLDED_FROM ? run.map((one) => [one]) : [run]));
}
