import { gamma, gammaln } from 'simple-statistics';
import { bisect, gaussLegendre8, positive, within } from '../number/index.ts';

/** Belief about a share: Beta(a, b). */
export interface Beta {
  a: number;
  b: number;
}

/** Nothing is known beforehand: all shares are equally likely. */
export const EVEN: Beta = { a: 1, b: 1 };

/**
 * Belief after so many cases went well and badly.
 *
 * @param well  may be a fraction: half a success
 * @source conjugate prior of the binomial: Beta(a + s, b + n − s)
 */
export function betaAfter(prior: Beta, well: number, badly: number): Beta {
  within('well', well, 0, 1e6);
  within('badly', badly, 0, 1e6);
  return { a: prior.a + well, b: prior.b + badly };
}

export const betaMean = ({ a, b }: Beta): number => a / (a + b);
export const betaVariance = ({ a, b }: Beta): number => (a * b) / ((a + b) ** 2 * (a + b + 1));

/** ln Γ(x); the library's series is exact from 1 on, below it Γ itself is taken. */
const lnGamma = (x: number): number => (x < 1 ? Math.log(gamma(x)) : gammaln(x));

const MOST_STEPS = 400;
const CLOSE_ENOUGH = 1e-14;
const TINY = 1e-300;

/**
 * Probability that a share is at most x: the regularized incomplete beta
 * function, by its continued fraction (Lentz).
 *
 * @param x  0 … 1
 * @source Abramowitz & Stegun, Handbook of Mathematical Functions, 26.5.8
 */
export function betaCdf({ a, b }: Beta, x: number): number {
  positive('a', a);
  positive('b', b);
  within('x', x, 0, 1);
  if (x === 0 || x === 1) return x;
  // The fraction converges fast on one side of the mean: the other is its mirror.
  if (x > (a + 1) / (a + b + 2)) return 1 - betaCdf({ a: b, b: a }, 1 - x);
  const front = Math.exp(
    a * Math.log(x) + b * Math.log1p(-x) - (lnGamma(a) + lnGamma(b) - lnGamma(a + b)),
  );
  return (front * continuedFraction(a, b, x)) / a;
}

function continuedFraction(a: number, b: number, x: number): number {
  let c = 1;
  let d = 1 / guarded(1 - ((a + b) * x) / (a + 1));
  let value = d;
  for (let m = 1; m <= MOST_STEPS; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / guarded(1 + even * d);
    c = guarded(1 + even / c);
    value *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / guarded(1 + odd * d);
    c = guarded(1 + odd / c);
    const step = d * c;
    value *= step;
    if (Math.abs(step - 1) < CLOSE_ENOUGH) break;
  }
  return value;
}
const guarded = (value: number) => (Math.abs(value) < TINY ? TINY : value);

/** The share that is not exceeded with a probability. @param probability  0 … 1 */
export function betaQuantile(belief: Beta, probability: number): number {
  within('probability', probability, 0, 1);
  if (probability === 0 || probability === 1) return probability;
  return bisect((x) => betaCdf(belief, x) - probability, 0, 1, 1e-12);
}

/** Probability density of a share. @param x  strictly between 0 and 1 */
export function betaDensity({ a, b }: Beta, x: number): number {
  const lnBeta = lnGamma(a) + lnGamma(b) - lnGamma(a + b);
  return Math.exp((a - 1) * Math.log(x) + (b - 1) * Math.log1p(-x) - lnBeta);
}

/** Pieces in which the integral is taken, and what is left out on either side. */
const PIECES = 40;
const LEFT_OUT = 1e-10;

/**
 * Probability that one share is larger than another, each believed for itself.
 *
 * @source ∫ p(x) · P(other ≤ x) dx, by Gauss–Legendre between the outermost quantiles of the first
 */
export function chanceBetter(one: Beta, other: Beta): number {
  const from = betaQuantile(one, LEFT_OUT);
  const step = (betaQuantile(one, 1 - LEFT_OUT) - from) / PIECES;
  let sum = 0;
  for (let i = 0; i < PIECES; i++) {
    sum += gaussLegendre8(
      (x) => betaDensity(one, x) * betaCdf(other, x),
      from + i * step,
      from + (i + 1) * step,
    );
  }
  return sum;
}
