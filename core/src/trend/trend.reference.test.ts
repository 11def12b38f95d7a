import { describe, expect, it } from 'vitest';
import { normalQuantile, normalTail } from './normal.ts';
import { mannKendall, varianceOfS } from './mannKendall.ts';
import { theilSen } from './theilSen.ts';

/* Expected values: scipy 1.17.1, scipy.stats.theilslopes, kendalltau and norm. */

const X = [0, 8, 15, 23, 30, 41, 47, 55, 66, 70, 79, 90];
const Y = [12.1, 11.4, 13.0, 13.3, 12.8, 14.1, 14.0, 15.2, 14.6, 16.1, 15.8, 16.9];
const TIED = [3, 3, 4, 6, 5, 5, 7, 8, 8, 8, 9, 11];

describe('Theil–Sen against scipy.stats.theilslopes', () => {
  it('slope, intercept and 90 % band of twelve uneven points', () => {
    const line = theilSen(
      Y.map((y, i) => ({ x: X[i]!, y })),
      0.9,
    );
    expect(line.slope).toBeCloseTo(0.05571120689655173, 12);
    expect(line.intercept).toBeCloseTo(11.598706896551725, 10);
    expect(line.low).toBeCloseTo(0.0444444444444444, 12);
    expect(line.high).toBeCloseTo(0.0666666666666667, 12);
  });

  it('slope and 95 % band with ties', () => {
    const line = theilSen(
      TIED.map((y, x) => ({ x, y })),
      0.95,
    );
    expect(line.slope).toBeCloseTo(2 / 3, 12);
    expect(line.low).toBeCloseTo(0.5, 12);
    expect(line.high).toBeCloseTo(0.8, 12);
  });

  it('a wild point does not move it', () => {
    const points = Y.map((y, i) => ({ x: X[i]!, y }));
    const wild = points.map((point, i) => (i === 5 ? { ...point, y: 900 } : point));
    expect(Math.abs(theilSen(wild).slope - theilSen(points).slope)).toBeLessThan(0.02);
  });

  it('points that share one x are refused', () => {
    expect(() =>
      theilSen([
        { x: 1, y: 1 },
        { x: 1, y: 3 },
      ]),
    ).toThrow(/points/);
  });
});

describe('Mann–Kendall', () => {
  it('exact one-sided chance agrees with scipy.stats.kendalltau(method="exact")', () => {
    expect(mannKendall([2, 1, 4, 3, 5, 7]).pRising).toBeCloseTo(0.027777777777777776, 12);
    expect(mannKendall([1, 3, 2, 5, 4, 6, 9, 7, 8]).pRising).toBeCloseTo(0.0012125220458553791, 12);
  });

  it('S of scipy’s examples', () => {
    expect(mannKendall(Y).s).toBe(54);
    expect(mannKendall(TIED).s).toBe(57);
  });

  it('the variance with ties is the one behind scipy’s asymptotic chance', () => {
    expect(normalTail(57 / Math.sqrt(varianceOfS(TIED)))).toBeCloseTo(3.719749202420237e-5, 6);
  });

  it('four rising values: 1 of 24 orders rises throughout (by counting)', () => {
    expect(mannKendall([1, 2, 3, 4]).pRising).toBeCloseTo(1 / 24, 12);
    expect(mannKendall([4, 3, 2, 1]).pFalling).toBeCloseTo(1 / 24, 12);
  });

  it('the variance of n values without ties is n(n − 1)(2n + 5)/18', () => {
    expect(varianceOfS([1, 2, 3, 4, 5, 6, 7, 8, 9, 10])).toBeCloseTo((10 * 9 * 25) / 18, 12);
  });

  it('says nothing of fewer than two values, or of equal ones', () => {
    expect(mannKendall([3]).pRising).toBe(1);
    expect(mannKendall([2, 2, 2, 2]).pFalling).toBe(1);
  });
});

describe('the normal distribution against scipy.stats.norm', () => {
  it.each([
    [1, 0.15865525],
    [1.96, 0.0249979],
    [2.5, 0.00620967],
  ])('beyond %d', (z, tail) => expect(normalTail(z)).toBeCloseTo(tail, 6));
  it('the quantile undoes the tail', () => {
    expect(normalQuantile(0.95)).toBeCloseTo(1.6449, 3);
    expect(normalQuantile(0.5)).toBe(0);
  });
});
