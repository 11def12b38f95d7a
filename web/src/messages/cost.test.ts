import { describe, expect, it } from 'vitest';
import { costInAll, costShare, costWords, weeksFigure, weeksWithinYear } from './cost.ts';

describe('a cost in weeks of growth', () => {
  it('of more than a year is the plant, in charts and tables', () => {
    expect([weeksWithinYear(1), weeksWithinYear(20)]).toEqual([8, 52]);
    expect([weeksFigure(0.5), weeksFigure(20)]).toEqual(['4.0', '52+']);
  });

  it('tells a typical repot at a poor time as eight weeks', () => {
    expect(costWords(1)).toBe('about 8 weeks of growth');
  });

  it('counts days below a week, halves of a week up to four, then whole weeks', () => {
    const byWeeks = [
      [0.05, 'less than a day'],
      [0.15, 'about a day'],
      [0.6, 'about 4 days'],
      [0.95, 'about a week'],
      [1.1, 'about a week'],
      [1.5, 'about 1½ weeks'],
      [2.1, 'about 2 weeks'],
      [3.9, 'about 4 weeks'],
      [8.7, 'about 9 weeks'],
    ] as const;
    for (const [weeks, words] of byWeeks) expect(costShare(weeks / 8)).toBe(words);
  });

  it('counts no weeks beyond a year for one plant, but does for many together', () => {
    expect(costWords(10)).toBe('more than a year of growth');
    expect(costInAll(10)).toBe('about 80 weeks of growth');
  });
});
