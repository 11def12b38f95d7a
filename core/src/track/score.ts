import { within } from '../number/index.ts';
import { betaAfter, betaMean, betaQuantile, EVEN } from '../worked/index.ts';

/** What was said, and what was found. */
export interface Pair {
  /** chance, 0 … 1 */
  said: number;
  /** 0 … 1; a half where it neither was nor was not */
  found: number;
}

/** Bounds of what is taken together: “about 30 %”, “about 50 %” … */
const BOUNDS = [0, 0.2, 0.4, 0.6, 0.8, 1] as const;
const MOST_SAID = BOUNDS.length - 2;
/** Both ends of the band together leave out so much. */
const OUTSIDE = 0.2;

/** Pairs of which about the same was said. */
export interface Row {
  from: number;
  to: number;
  count: number;
  /** what was said of them on the average */
  said: number;
  /** how many of them were found so */
  found: number;
  /** expected share that is so, with its 80 % band */
  mean: number;
  low: number;
  high: number;
}

/** How good what was said was. */
export interface Score {
  count: number;
  /** share that was found so */
  share: number;
  /** mean squared miss, 0 … 1: less is better */
  brier: number;
  /** of it: how far off what was said is, how much it told apart, how much there was to tell, and what rows leave over */
  reliability: number;
  resolution: number;
  uncertainty: number;
  withinRows: number;
  /** 1: always right; 0: no better than always saying the average; null: all came alike, nothing could be told apart */
  skill: number | null;
  rows: Row[];
}

const mean = (values: readonly number[]) =>
  values.reduce((sum, one) => sum + one, 0) / values.length;
const rowOf = (said: number) => {
  within('said', said, 0, 1);
  return Math.min(
    MOST_SAID,
    BOUNDS.findLastIndex((from) => said >= from),
  );
};

/**
 * @returns null of no pairs
 * @throws RangeError for a chance outside 0 … 1
 * @source Brier, 1950; Murphy, 1973: reliability − resolution + uncertainty; the rest for chances that differ
 *   within a row: Stephenson, Coelho & Jolliffe, 2008. All from memory
 */
export function scoreOf(pairs: readonly Pair[]): Score | null {
  if (pairs.length === 0) return null;
  const share = mean(pairs.map(({ found }) => found));
  const brier = mean(pairs.map(({ said, found }) => (said - found) ** 2));
  const rows: Row[] = [];
  let reliability = 0;
  let resolution = 0;
  let withinRows = 0;
  for (let at = 0; at <= MOST_SAID; at++) {
    const those = pairs.filter(({ said }) => rowOf(said) === at);
    if (those.length === 0) continue;
    const said = mean(those.map((one) => one.said));
    const so = mean(those.map((one) => one.found));
    const part = those.length / pairs.length;
    reliability += part * (said - so) ** 2;
    resolution += part * (so - share) ** 2;
    withinRows +=
      part * mean(those.map((one) => (one.said - said) * (one.said - said - 2 * (one.found - so))));
    const found = those.reduce((sum, one) => sum + one.found, 0);
    const belief = betaAfter(EVEN, found, those.length - found);
    rows.push({
      from: BOUNDS[at]!,
      to: BOUNDS[at + 1]!,
      count: those.length,
      said,
      found,
      mean: betaMean(belief),
      low: betaQuantile(belief, OUTSIDE / 2),
      high: betaQuantile(belief, 1 - OUTSIDE / 2),
    });
  }
  // A half that was found is a miss for whoever says yes or no: what there is to tell is the spread of what came.
  const uncertainty = mean(pairs.map(({ found }) => (found - share) ** 2));
  return {
    count: pairs.length,
    share,
    brier,
    reliability,
    resolution,
    uncertainty,
    withinRows,
    skill: uncertainty > 0 ? 1 - brier / uncertainty : null,
    rows,
  };
}

/** Of so many, how many it leaned the right way, and how many one would have that always said the likelier. */
export interface Leaning {
  count: number;
  right: number;
  always: number;
}

export function leaningOf(pairs: readonly Pair[]): Leaning {
  const held = pairs.filter(({ found }) => found > 0.5).length;
  return {
    count: pairs.length,
    right: pairs.filter(({ said, found }) => said >= 0.5 === found > 0.5).length,
    always: Math.max(held, pairs.length - held),
  };
}

/** Some pairs of one kind of plant, medium or place of which otherwise was said than found. */
export interface Miss {
  of: string;
  count: number;
  /** of so many it should have been so, and was */
  said: number;
  found: number;
}

const FEWEST_TO_BLAME = 6;
/** Farther off than chance brings about once in ten of such parts. */
const PLAINLY = 1.65;

/** Where what was said was plainly off, the worst first. @param by  what a pair belongs to */
export function missesOf<One extends Pair>(
  pairs: readonly One[],
  by: (pair: One) => string,
): Miss[] {
  const parts = new Map<string, One[]>();
  for (const pair of pairs) {
    const part = parts.get(by(pair));
    if (part) part.push(pair);
    else parts.set(by(pair), [pair]);
  }
  return [...parts]
    .filter(([, those]) => those.length >= FEWEST_TO_BLAME)
    .map(([of, those]) => {
      const sum = (what: (pair: One) => number) => those.reduce((all, one) => all + what(one), 0);
      const said = sum((one) => one.said);
      const found = sum((one) => one.found);
      const off =
        (found - said) /
        Math.sqrt(
          Math.max(
            0.25,
            sum((one) => one.said * (1 - one.said)),
          ),
        );
      return { of, count: those.length, said, found, off };
    })
    .filter(({ off }) => Math.abs(off) >= PLAINLY)
    .sort((one, other) => Math.abs(other.off) - Math.abs(one.off))
    .map(({ off: _off, ...miss }) => miss);
}
