import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import type { Signals, Situation } from '../decide/index.ts';
import { nominalPot } from '../pots/index.ts';
import { addDays, TYPICAL_SPOT } from '../season/index.ts';
import { lookingBack } from './index.ts';

const DATE = '2026-09-01';
function back(
  months: number,
  signals: Signals = { rootsAtHoles: 'every', circling: 'tight', ballCover: 1 },
  taxon = 'Nephrolepis exaltata',
) {
  const situation: Situation = {
    traits: resolveTaxon(taxon)!.traits,
    date: DATE,
    spot: TYPICAL_SPOT,
    pot: nominalPot(13),
    medium: { kind: 'peatSoil' },
    lastRepot: addDays(DATE, -Math.round(months * 30.44)),
    signals,
  };
  return lookingBack(situation);
}

describe('looking back at a pot that was outgrown', () => {
  it('names the size that would have been right then: two sizes, not five (common practice, no source)', () => {
    const seen = back(5)!;
    expect(seen.months).toBeCloseTo(5, 1);
    expect(seen.instead.rimCm).toBeGreaterThanOrEqual(15);
    expect(seen.instead.rimCm).toBeLessThanOrEqual(19);
    expect(seen.instead.months).toBeGreaterThan(7);
    expect(seen.instead.months).toBeLessThan(16);
  });

  it('the sooner it was full, the larger the pot would have been', () => {
    expect(back(3)!.instead.rimCm).toBeGreaterThanOrEqual(back(8)!.instead.rimCm);
  });

  it('is silent of a pot that lasted, of one that nobody saw full, and of one that is not', () => {
    expect(back(30)).toBeNull();
    expect(back(5, {})).toBeNull();
    expect(back(5, { rootsAtHoles: 'none', circling: 'none', ballCover: 0.4 })).toBeNull();
  });
});
