import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bisect, clamp, gaussLegendre8, logistic, logit, positive, within } from './index.ts';

describe('guards', () => {
  it.each([0, -1, NaN, Infinity])('%d is not a positive number, and is named', (value) => {
    expect(() => positive('heightCm', value)).toThrow(/^heightCm must be a number above 0/);
  });

  it('bounds include their ends', () => {
    expect(within('share', 0, 0, 1)).toBe(0);
    expect(within('share', 1, 0, 1)).toBe(1);
    expect(() => within('share', 1.0001, 0, 1)).toThrow(
      /share must be between 0 and 1, got 1.0001/,
    );
    expect(() => within('share', NaN, 0, 1)).toThrow(RangeError);
  });

  it('clamp keeps what lies inside', () => {
    fc.assert(
      fc.property(fc.double({ noNaN: true }), (value) => {
        const clamped = clamp(value, -1, 2);
        expect(clamped).toBeGreaterThanOrEqual(-1);
        expect(clamped).toBeLessThanOrEqual(2);
        if (value >= -1 && value <= 2) expect(clamped).toBe(value);
      }),
    );
  });
});

describe('log-odds', () => {
  it('even odds are zero, and the two are inverse', () => {
    expect(logistic(0)).toBe(0.5);
    fc.assert(
      fc.property(fc.double({ min: -20, max: 20, noNaN: true }), (logOdds) => {
        expect(logit(logistic(logOdds))).toBeCloseTo(logOdds, 5);
      }),
    );
  });

  it('three to one is ln 3 (by hand)', () => {
    expect(logit(0.75)).toBeCloseTo(Math.log(3), 12);
  });
});

describe('integration (Abramowitz & Stegun: an n-point Gauss rule is exact to degree 2n − 1)', () => {
  it.each([0, 1, 2, 7, 14, 15])('x^%d over 0 … 2', (degree) => {
    const exact = 2 ** (degree + 1) / (degree + 1);
    const numeric = gaussLegendre8((x) => x ** degree, 0, 2);
    expect(numeric / exact).toBeCloseTo(1, 10);
  });

  it('sin over 0 … π is 2', () => {
    expect(gaussLegendre8(Math.sin, 0, Math.PI)).toBeCloseTo(2, 9);
  });
});

describe('bisection', () => {
  it('finds √2 from a rising and a falling curve', () => {
    expect(bisect((x) => x * x - 2, 0, 2)).toBeCloseTo(Math.SQRT2, 9);
    expect(bisect((x) => 2 - x * x, 0, 2)).toBeCloseTo(Math.SQRT2, 9);
  });

  it('takes an end that is the root, and refuses a bracket without one', () => {
    expect(bisect((x) => x, 0, 5)).toBe(0);
    expect(bisect((x) => x - 5, 0, 5)).toBe(5);
    expect(() => bisect((x) => x * x + 1, -1, 1)).toThrow(/no change of sign/);
  });
});
