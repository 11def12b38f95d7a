import {
  diveByHighs,
  solveByHighs,
  wholeByHighs,
  type DaySolvers,
  type Solve,
} from '@fernbank/core';

type Solvers = DaySolvers & { cuts: Solve };
let loaded: Promise<Solvers> | null = null;
let ready: Solvers | null = null;

/** What plans a day, loaded when it is first asked for: it is a few megabytes. */
export function daySolvers(): Promise<Solvers> {
  loaded ??= import('highs').then(async ({ default: load }) => {
    const highs = await load();
    ready = { whole: wholeByHighs(highs), dive: diveByHighs(highs), cuts: solveByHighs(highs) };
    return ready;
  });
  return loaded;
}

/** The solver of linear models. */
export const solver = async (): Promise<Solve> => (await daySolvers()).cuts;

/** The same for a write, which must not wait. @throws Error when `solver` was not waited for before */
export function loadedSolver(): Solve {
  if (!ready) throw new Error('the solver was not loaded before the write began');
  return ready.cuts;
}
