import { describe, expect, it } from 'vitest';
import {
  brimfulL,
  checkPot,
  emptyPotKg,
  fillL,
  insideOf,
  likelyMeantCm,
  nominalPot,
  rimCm,
  usualHeadspaceCm,
  volumeBelowL,
  type PotShape,
} from './index.ts';

const clayPot: PotShape = { shape: 'round', topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 };

describe('pots', () => {
  it('a base wider than the top is a pot like any other', () => {
    expect(() => checkPot({ ...clayPot, baseDiameterCm: 18 })).not.toThrow();
  });

  it.each([
    ['zero', 0],
    ['negative', -3],
    ['ten metres', 1000],
    ['not a number', NaN],
  ])('a top of %s cm is refused by name', (_what, cm) => {
    expect(() => checkPot({ ...clayPot, topDiameterCm: cm })).toThrow(/topDiameterCm/);
  });

  it('a wall that leaves no room is refused', () => {
    expect(() => insideOf(clayPot, 6)).toThrow(RangeError);
  });

  it('a trade shape keeps its share of height', () => {
    expect(nominalPot(20, 'standard').heightCm).toBe(20);
    expect(nominalPot(20, 'azalea').heightCm).toBe(15);
    expect(nominalPot(20, 'pan').heightCm).toBe(10);
  });

  it('headspace is a tenth of the height, never under 1 nor over 3 cm', () => {
    expect(usualHeadspaceCm(nominalPot(6, 'pan'))).toBe(1);
    expect(usualHeadspaceCm(nominalPot(20, 'standard'))).toBe(2);
    expect(usualHeadspaceCm(nominalPot(50, 'standard'))).toBe(3);
  });

  it('fill is less than brimful', () => {
    expect(fillL(clayPot)).toBeLessThan(brimfulL(clayPot));
    expect(fillL(clayPot, 0)).toBeCloseTo(brimfulL(clayPot), 12);
  });

  it('a height outside the pot is refused', () => {
    expect(() => volumeBelowL(clayPot, 12.1)).toThrow(/heightCm/);
  });

  it('unglazed clay is far heavier than plastic of the same size', () => {
    const clay = emptyPotKg(clayPot, 'terracotta');
    const plastic = emptyPotKg(clayPot, 'plastic');
    expect(clay / plastic).toBeGreaterThan(5);
    expect(clay).toBeGreaterThan(0.3);
    expect(clay).toBeLessThan(1.2);
  });

  it('a 140 cm pot asks whether 14 cm was meant, a 30 cm pot does not', () => {
    expect(likelyMeantCm(140)).toBe(14);
    expect(likelyMeantCm(30)).toBeNull();
  });

  it('a rectangular pot is as wide as its longer side', () => {
    const trough: PotShape = {
      shape: 'rectangular',
      topLengthCm: 40,
      topWidthCm: 18,
      baseLengthCm: 36,
      baseWidthCm: 14,
      heightCm: 16,
    };
    expect(rimCm(trough)).toBe(40);
  });
});
