import type { PotOption } from '../fit/index.ts';
import { rimCm } from '../pots/index.ts';
import type { FitPlan } from './plan.ts';

const SAME_CM = 0.1;

/** Whether a pot is the one that was settled on, wherever it stands now: on the shelf, in its soak, or still with another plant. */
export function isSettledPot(option: PotOption, plan: FitPlan): boolean {
  switch (plan.potSource) {
    case 'present':
      return option.source === 'present';
    case 'handedDown':
      if (option.source === 'handedDown') return option.leftBy === plan.leftBy;
      // It was left meanwhile, and waits on the shelf.
      return plan.potId !== null && option.potId === plan.potId && option.source !== 'present';
    case 'free':
    case 'soaking':
      return (
        option.potId === plan.potId && (option.source === 'free' || option.source === 'soaking')
      );
    case 'toBuy':
      return (
        option.source === 'toBuy' && Math.abs(rimCm(option.outside) - rimCm(plan.pot)) < SAME_CM
      );
  }
}

/**
 * The pots of a fit that is settled: the one that was settled on as it stands now; as it was kept, where
 * it is nowhere any more.
 */
export function settledPots(
  pots: readonly PotOption[],
  plan: FitPlan,
): { pots: PotOption[]; gone: boolean } {
  const there = pots.find((option) => isSettledPot(option, plan));
  if (there) return { pots: [there], gone: false };
  const { pot: outside, potMaterial: material, potLabel: label, potSource: source } = plan;
  return { pots: [{ id: 'settled', label, outside, material, source }], gone: true };
}
