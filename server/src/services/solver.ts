import {
  diveByHighs,
  solveByHighs,
  wholeByHighs,
  type DaySolvers,
  type Solve,
} from '@fernbank/core';

type Solvers = DaySolvers & { cuts: Solve };
let loaded: Promise<Solvers> | null = null;

/** What plans a day, loaded when it is first asked for: it is a few megabytes. */
export function daySolvers(): Promise<Solvers> {
  loaded ??= import('highs').then(async ({ default: load }) => {
    const highs = await load();
    return { whole: wholeByHighs(highs), dive: diveByHighs(highs), cuts: solveByHighs(highs) };
  });
  return loaded;
}

/** The solver of linear models. */
export const solver = async (): Promise<Solve> => (await daySolvers()).cuts;
