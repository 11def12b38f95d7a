import { describe, expect, it } from 'vitest';
import { dilute, feed } from './index.ts';

const L_PER_US_GALLON = 3.785411784; // NIST Special Publication 811, appendix B
const G_PER_OUNCE = 28.349523125;

describe('solutions against worked examples', () => {
  it('one part of 5 % bleach in ten in all gives 0.5 % (C₁V₁ = C₂V₂)', () => {
    expect(dilute(5, 0.5, 10)).toEqual({ stockL: 1, waterL: 9, ratio: 10 });
  });

  it('200 ppm of a 20 % product takes 13.3 oz in 100 US gal (extension tables, rule of 75)', () => {
    const { grams } = feed(200, 20, 100 * L_PER_US_GALLON);
    expect(grams / G_PER_OUNCE).toBeCloseTo(13.3, 0);
    expect(Math.abs(grams / G_PER_OUNCE / 13.3 - 1)).toBeLessThan(0.01);
  });

  it('one ounce of it in 100 US gal is about 15 ppm', () => {
    const { gramsPerL } = feed(15, 20, 1);
    expect((gramsPerL * 100 * L_PER_US_GALLON) / G_PER_OUNCE).toBeCloseTo(1, 1);
  });

  it.each([
    [5, 6, 1, /targetPercent/],
    [0, 0, 1, /stockPercent/],
    [101, 1, 1, /stockPercent/],
    [5, 1, 0, /totalL/],
  ])('a stock of %d %% to %d %% in %d L is refused by name', (stock, target, total, message) => {
    expect(() => dilute(stock, target, total)).toThrow(message);
  });

  it('no nutrient is no feed', () => {
    expect(() => feed(100, 0, 1)).toThrow(/nutrientPercent/);
  });
});
