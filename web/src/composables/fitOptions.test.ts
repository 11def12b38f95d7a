import { nominalPot, type PotOption } from '@fernbank/core';
import { describe, expect, it } from 'vitest';
import type { FitPlan } from '../api/types.ts';
import { fittingOf } from '../test/harness.ts';
import { isKept } from './fitOptions.ts';

const option = (over: Partial<PotOption>): PotOption => ({
  id: 'shelf-9',
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
  const fitting = fittingOf({
    handDowns: [
      {
        plantId: 4,
        name: 'Ribbon',
        pot: nominalPot(17),
        potMaterial: 'plastic',
        potId: null,
        leftIn: null,
      },
    ],
  });

  it('is found on the shelf, also when it went into its soak meanwhile', () => {
    expect(isKept(option({}), plan({}), fitting)).toBe(true);
    expect(isKept(option({ source: 'soaking' }), plan({}), fitting)).toBe(true);
    expect(isKept(option({ id: 'shelf-8' }), plan({}), fitting)).toBe(false);
  });

  it('is found with the plant that is to leave it, and on the shelf once it has', () => {
    const down = plan({ potSource: 'handedDown', leftBy: 'Ribbon', potId: 9 });
    expect(isKept(option({ id: 'from-4', source: 'handedDown' }), down, fitting)).toBe(true);
    expect(isKept(option({ id: 'from-5', source: 'handedDown' }), down, fitting)).toBe(false);
    const left = fittingOf({ handDowns: [] });
    expect(isKept(option({ id: 'shelf-9', source: 'soaking' }), down, left)).toBe(true);
    expect(isKept(option({ id: 'from-4' }), plan({ ...down, potId: null }), left)).toBe(false);
  });

  it('is its own pot, or one to buy of the same width', () => {
    const own = plan({ potSource: 'present', potId: null });
    expect(isKept(option({ id: 'present', source: 'present' }), own, fitting)).toBe(true);
    expect(isKept(option({}), own, fitting)).toBe(false);
    const bought = plan({ potSource: 'toBuy', potId: null });
    expect(isKept(option({ source: 'toBuy' }), bought, fitting)).toBe(true);
    expect(isKept(option({ source: 'toBuy', outside: nominalPot(19) }), bought, fitting)).toBe(
      false,
    );
    expect(isKept(option({ source: 'free' }), bought, fitting)).toBe(false);
  });
});
