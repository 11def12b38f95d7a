import { describe, expect, it } from 'vitest';
import { CATALOGUE } from '../catalogue/index.ts';
import { walk } from './index.ts';

describe('numbers held against practice', () => {
  const findings = walk();

  it.each([
    ['life of a medium', 5 * CATALOGUE.length],
    ['days to dry', 3 * CATALOGUE.length],
    ['months to fill', 40],
    ['air of a mix', 6],
  ] as const)('every one of “%s” lies in the range of practice', (model, least) => {
    const of = findings.filter((one) => one.model === model);
    expect(of.length).toBeGreaterThan(least);
    expect(of.filter(({ off }) => off > 0)).toEqual([]);
  });

  it('the worst stands first, and how far it is off is told in parts of the nearer bound', () => {
    const offs = findings.map(({ off }) => off);
    expect(offs).toEqual([...offs].sort((a, b) => b - a));
    for (const { value, range, off } of findings) {
      if (value === null || range === null) expect(off).toBe(value === range ? 0 : 1);
      else if (value > range.most) expect(off).toBeCloseTo(value / range.most - 1, 9);
      else if (value < range.least) expect(off).toBeCloseTo(range.least / value - 1, 9);
      else expect(off).toBe(0);
    }
  });
});
