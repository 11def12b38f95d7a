import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { TYPICAL_SPOT } from '../season/index.ts';
import { decide, leadingReasons, type Signals, type Situation } from './index.ts';

const begonia = (signals: Signals = {}) => judged('Begonia maculata', signals);
const judged = (taxon: string, signals: Signals, over: Partial<Situation> = {}) =>
  decide({
    traits: resolveTaxon(taxon)!.traits,
    date: '2026-04-12',
    spot: TYPICAL_SPOT,
    pot: { shape: 'round', topDiameterCm: 12, baseDiameterCm: 8.6, heightCm: 9 },
    medium: { kind: 'peatSoil' },
    lastRepot: '2025-05-10',
    signals,
    ...over,
  });

describe('the reasons that a verdict is told by', () => {
  it('speak for what is likely, not for what is unlikely all the same', () => {
    // Slow, and at home in a snug pot: what is old is what it stands in.
    const decision = judged('Aspidistra elatior', {}, { lastRepot: '2022-02-10' });
    expect(decision.states.danger).toBeLessThan(0.1);
    const [first] = leadingReasons(decision, 1);
    expect(first!.state).toBe('mediumFailing');
    expect(first!.text).toMatch(/^the medium is \d+ years old/);
  });

  it('a term that has run out comes before a middling sign of what is unlikely', () => {
    const old = judged('Aspidistra elatior', { rootsAtHoles: 'one' }, { lastRepot: '2023-09-10' });
    expect(leadingReasons(old, 1)[0]!.signal).toBe('mediumAge');
    // … and one that has hardly begun is no reason, however likely the state.
    const young = judged('Begonia maculata', { rootsAtHoles: 'mat' }, { lastRepot: '2026-02-10' });
    expect(leadingReasons(young, 5).map(({ signal }) => signal)).not.toContain('timeInPot');
  });

  it('name each finding once, never a base rate, and no finding that speaks against', () => {
    const reasons = leadingReasons(begonia({ smell: 'sour', rootsAtHoles: 'every' }), 10);
    const signals = reasons.map(({ signal }) => signal);
    expect(new Set(signals).size).toBe(signals.length);
    expect(signals).not.toContain('baseRate');
    const seen = reasons.filter(({ signal }) => signal !== 'timeInPot' && signal !== 'mediumAge');
    expect(seen.every(({ logOdds }) => logOdds > 0)).toBe(true);
    expect(signals).toContain('smell');
  });
});
