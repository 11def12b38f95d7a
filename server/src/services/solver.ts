import { solveByHighs, type Solve } from '@fernbank/core';

let loaded: Promise<Solve> | null = null;

/** The solver of linear models, loaded when it is first asked for: it is a few megabytes. */
export function solver(): Promise<Solve> {
  loaded ??= import('highs').then(async ({ default: load }) => solveByHighs(await load()));
  return loaded;
}
