import { describe, expect, it } from 'vitest';
import type { PotOption } from '../fit/index.ts';
import { nominalPot } from '../pots/index.ts';
import { isSettledPot, settledPots, type FitPlan } from './index.ts';

const option = (over: Partial<PotOption>): PotOption => ({
  id: 'shelf-9',
  potId: 9,
  label: 'green 17',
  outside: nominalPot(17),
  material: 'plastic',
  source: 'free',
  ...over,
});
const plan = (over: Partial<FitPlan>): FitPlan => ({
  pot: nominalPot(17),
  potMaterial: 'plastic',
  potLabel: 'green 17',
  potId: 9,
  potSource: 'free',
  recipeId: 'everyday',
  size: 'oneUp',
  layer: 'screen',
  cuts: { pieces: 1, rootsPruned: false },
  support: null,
  ...over,
});

describe('the pot that was settled on, wherever it stands now', () => {
  it('is found on the shelf, also when it went into its soak meanwhile', () => {
    expect(isSettledPot(option({}), plan({}))).toBe(true);
    expect(isSettledPot(option({ source: 'soaking' }), plan({}))).toBe(true);
    expect(isSettledPot(option({ id: 'shelf-8', potId: 8 }), plan({}))).toBe(false);
  });

  it('is found with the plant that is to leave it, and on the shelf once it has', () => {
    const down = plan({ potSource: 'handedDown', leftBy: 'Ribbon', potId: 9 });
    expect(
      isSettledPot(
        option({ id: 'from-4', potId: 9, source: 'handedDown', leftBy: 'Ribbon' }),
        down,
      ),
    ).toBe(true);
    expect(
      isSettledPot(
        option({ id: 'from-5', potId: 8, source: 'handedDown', leftBy: 'Ladder' }),
        down,
      ),
    ).toBe(false);
    expect(isSettledPot(option({ id: 'shelf-9', source: 'soaking' }), down)).toBe(true);
    expect(isSettledPot(option({ potId: null }), plan({ ...down, potId: null }))).toBe(false);
  });

  it('is its own pot, or one to buy of the same width', () => {
    const own = plan({ potSource: 'present', potId: null });
    expect(isSettledPot(option({ id: 'present', source: 'present' }), own)).toBe(true);
    expect(isSettledPot(option({}), own)).toBe(false);
    const bought = plan({ potSource: 'toBuy', potId: null });
    expect(isSettledPot(option({ source: 'toBuy' }), bought)).toBe(true);
    expect(isSettledPot(option({ source: 'toBuy', outside: nominalPot(19) }), bought)).toBe(false);
    expect(isSettledPot(option({ source: 'free' }), bought)).toBe(false);
  });

  it('is shown as it was kept, and said to be gone, where it is nowhere any more', () => {
    const kept = plan({});
    expect(settledPots([option({ potId: 8 }), option({})], kept)).toEqual({
      pots: [option({})],
      gone: false,
    });
    const { pots, gone } = settledPots([option({ potId: 8 })], kept);
    expect(gone).toBe(true);
    expect(pots).toEqual([
      expect.objectContaining({ label: 'green 17', outside: kept.pot, material: 'plastic' }),
    ]);
  });
});
