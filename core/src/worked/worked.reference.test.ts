import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { gaussLegendre8 } from '../number/index.ts';
import {
  betaAfter,
  betaCdf,
  betaDensity,
  betaMean,
  betaQuantile,
  betaVariance,
  chanceBetter,
  EVEN,
  type Beta,
} from './index.ts';

const counts = fc.integer({ min: 1, max: 60 });
const shares = fc.double({ min: 0.001, max: 0.999, noNaN: true });

/** Sum of binomial probabilities: for whole a and b the incomplete beta function is exactly this. */
function binomialSum(a: number, b: number, x: number): number {
  const n = a + b - 1;
  let sum = 0;
  for (let k = a; k <= n; k++) {
    let term = 1;
    for (let i = 0; i < k; i++) term *= ((n - i) / (k - i)) * x;
    sum += term * (1 - x) ** (n - k);
  }
  return sum;
}

describe('the belief about a share', () => {
  // Closed form: a uniform prior and s of n make Beta(1 + s, 1 + n − s), mean (s + 1)/(n + 2): Laplace’s rule of succession.
  it('after s of n has Laplace’s mean, and the published variance', () => {
    fc.assert(
      fc.property(fc.nat(200), fc.nat(200), (well, badly) => {
        const belief = betaAfter(EVEN, well, badly);
        const n = well + badly;
        expect(betaMean(belief)).toBeCloseTo((well + 1) / (n + 2), 12);
        const mean = betaMean(belief);
        expect(betaVariance(belief)).toBeCloseTo((mean * (1 - mean)) / (n + 3), 12);
      }),
    );
  });

  // Abramowitz & Stegun 26.5.7: I_x(a, b) is a sum of binomial terms for whole a and b.
  it('is distributed as the binomial sum says', () => {
    fc.assert(
      fc.property(counts, counts, shares, (a, b, x) => {
        expect(betaCdf({ a, b }, x)).toBeCloseTo(binomialSum(a, b, x), 9);
      }),
    );
  });

  // Closed forms: I_x(a, 1) = x^a, I_x(1, b) = 1 − (1 − x)^b; I_x(½, ½) = (2/π) arcsin √x.
  it('has the closed forms of one-sided and arcsine beliefs', () => {
    for (const x of [0.05, 0.3, 0.5, 0.77, 0.99]) {
      expect(betaCdf({ a: 3.5, b: 1 }, x)).toBeCloseTo(x ** 3.5, 10);
      expect(betaCdf({ a: 1, b: 4.5 }, x)).toBeCloseTo(1 - (1 - x) ** 4.5, 10);
      expect(betaCdf({ a: 0.5, b: 0.5 }, x)).toBeCloseTo(
        (2 / Math.PI) * Math.asin(Math.sqrt(x)),
        8,
      );
    }
  });

  it('mirrors: I_x(a, b) = 1 − I_{1−x}(b, a); quantiles undo it', () => {
    fc.assert(
      fc.property(counts, counts, shares, (a, b, x) => {
        expect(betaCdf({ a, b }, x) + betaCdf({ a: b, b: a }, 1 - x)).toBeCloseTo(1, 9);
        const share = betaQuantile({ a, b }, x);
        expect(betaCdf({ a, b }, share)).toBeCloseTo(x, 8);
      }),
      { numRuns: 60 },
    );
  });

  // Closed form for whole counts: Miller, Formula for Bayesian A/B testing, 2015, from memory:
  // P(B > A) = Σ_{i=0}^{aB−1} B(aA + i, bA + bB) / ((bB + i) B(1 + i, bB) B(aA, bA)).
  it('tells how likely one method is better as the closed form does', () => {
    const lnFactorial = (n: number) => {
      let sum = 0;
      for (let i = 2; i <= n; i++) sum += Math.log(i);
      return sum;
    };
    const lnBeta = (a: number, b: number) =>
      lnFactorial(a - 1) + lnFactorial(b - 1) - lnFactorial(a + b - 1);
    const closed = (one: Beta, other: Beta) => {
      let sum = 0;
      for (let i = 0; i < one.a; i++) {
        sum += Math.exp(
          lnBeta(other.a + i, one.b + other.b) -
            Math.log(one.b + i) -
            lnBeta(1 + i, one.b) -
            lnBeta(other.a, other.b),
        );
      }
      return sum;
    };
    for (const [one, other] of [
      [
        { a: 9, b: 2 },
        { a: 4, b: 6 },
      ],
      [
        { a: 3, b: 3 },
        { a: 3, b: 3 },
      ],
      [
        { a: 2, b: 30 },
        { a: 5, b: 20 },
      ],
    ] as const) {
      expect(chanceBetter(one, other)).toBeCloseTo(closed(one, other), 8);
      expect(chanceBetter(one, other) + chanceBetter(other, one)).toBeCloseTo(1, 8);
    }
  });

  it('adds up as a density to its distribution, and to 1', () => {
    const belief = { a: 6, b: 3 };
    let sum = 0;
    for (let i = 0; i < 20; i++) {
      sum += gaussLegendre8((x) => betaDensity(belief, x), i / 20, (i + 1) / 20);
      expect(sum).toBeCloseTo(betaCdf(belief, (i + 1) / 20), 9);
    }
    expect(sum).toBeCloseTo(1, 9);
  });
});
