import { measuredFor, type Component, type Part, type Rung } from '@fernbank/core';

/** Below this nothing is mixed: the ball fills the pot, L. */
const LEAST_MIX_L = 0.01;

/** A mix measured out for a pot of the ladder; null: it takes no new medium. */
export function batchFor(
  rung: Rung | null,
  parts: readonly Part<Component>[],
  scoopL: number | null,
) {
  if (!rung || rung.newMediumL <= LEAST_MIX_L) return null;
  return measuredFor(rung, parts, scoopL);
}
