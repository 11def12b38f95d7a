import { component, type Component } from '../media/index.ts';
import {
  blend,
  measureOut,
  usualMargins,
  type Batch,
  type BatchMargins,
  type Part,
} from '../mixing/index.ts';
import type { Rung } from './rung.ts';

type Filled = Pick<Rung, 'mound' | 'newMediumL' | 'pots'>;

/** Moss for a mound is wrapped much tighter than it settles in a pot; weighed to the next round amount. */
function marginsOf({ mound }: Filled): BatchMargins | null {
  if (!mound) return null;
  const wrappedG = mound.looseL * component('longMoss').dryKgPerL * 1000;
  return {
    settling: 1 - mound.mossL / mound.looseL,
    spare: Math.max(0, mound.dryG / wrappedG - 1),
  };
}

/** Below this nothing is mixed: the ball fills the pot, L. */
const LEAST_MIX_L = 0.01;

/**
 * What a pot of the ladder takes, measured out, and as many of it as the plant is divided into: for a mound as
 * much moss as its plan weighs; null: it takes no new medium.
 */
export function measuredFor(
  rung: Filled | null,
  parts: readonly Part<Component>[],
  scoopL: number | null,
): Batch | null {
  if (!rung || rung.newMediumL <= LEAST_MIX_L) return null;
  const margins = marginsOf(rung);
  return measureOut(parts, rung.newMediumL * rung.pots, {
    ...(margins ? { margins } : {}),
    ...(scoopL ? { scoopL } : {}),
  });
}

/** The same as litres that a batch for many pots would have to fill, with the margins of its mix, L. */
export function filledInBatch(rung: Filled, parts: readonly Part<Component>[]): number {
  const margins = marginsOf(rung);
  const filledL = rung.newMediumL * rung.pots;
  if (!margins) return filledL;
  const usual = usualMargins(blend(parts));
  const tighter = ((1 - usual.settling) / (1 - margins.settling)) * (1 + margins.spare);
  return (filledL * tighter) / (1 + usual.spare);
}
