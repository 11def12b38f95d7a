import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { logistic, logit } from '../number/index.ts';
import { nominalPot } from '../pots/index.ts';
import { TYPICAL_SPOT } from '../season/index.ts';
import { decide, statesOf, STATES, weeksAhead, type Corrections, type Situation } from './index.ts';

const situation = (given: Partial<Situation> = {}): Situation => ({
  traits: resolveTaxon('Nephrolepis exaltata')!.traits,
  date: '2026-03-16',
  spot: { ...TYPICAL_SPOT, latitudeDeg: 54 },
  pot: nominalPot(15),
  medium: { kind: 'peatSoil' },
  lastRepot: '2025-01-10',
  signals: { rootsAtHoles: 'several', compacted: false, smell: 'fresh', driesSooner: true },
  ...given,
});
const by = (corrections: Corrections, given: Partial<Situation> = {}) =>
  situation({ ...given, learned: { corrections } });

describe('what a keeper’s record corrects', () => {
  const corrections: Corrections = {
    crowded: { a: -0.6, b: 0.7, findings: 30 },
    mediumFailing: { a: 0.4, b: 1.2, findings: 20 },
    danger: { a: 0.2, b: 0.9, findings: 14 },
    tooWet: { a: -0.3, b: 1.1, findings: 12 },
  };

  it('is the line over the log-odds of all that is said of a state, whatever it comes from', () => {
    for (const signals of [{}, situation().signals, { rot: 'roots', ballCover: 0.9 }] as const) {
      const plain = statesOf(situation({ signals }));
      const told = statesOf(by(corrections, { signals }));
      for (const state of STATES) {
        const { a = 0, b = 1 } = corrections[state] ?? {};
        expect(told[state], state).toBeCloseTo(logistic(a + b * logit(plain[state])), 9);
      }
    }
  });

  it('is one of the reasons, and all of them still add up', () => {
    const { reasons, states } = decide(by(corrections));
    for (const state of STATES) {
      const sum = reasons.reduce((all, one) => all + (one.state === state ? one.logOdds : 0), 0);
      expect(logistic(sum), state).toBeCloseTo(states[state], 9);
    }
    const own = reasons.filter(({ signal }) => signal === 'ownRecord');
    expect(own.map(({ state }) => state).sort()).toEqual(Object.keys(corrections).sort());
    expect(own.find(({ state }) => state === 'crowded')!.text).toMatch(/30 findings.*too often/);
  });

  it('puts a repot off where pots were found less full than was said, and never brings it forward', () => {
    const best = (given: Situation) => weeksAhead(given).best[3]![3]!;
    for (const lastRepot of ['2023-03-01', '2024-06-01', '2025-01-10', '2025-09-01']) {
      const later = by({ crowded: { a: -1, b: 1, findings: 30 } }, { lastRepot });
      expect(best(later)).toBeGreaterThanOrEqual(best(situation({ lastRepot })));
    }
    expect(best(by({ crowded: { a: -1.4, b: 0.8, findings: 30 } }))).toBeGreaterThan(
      best(situation()),
    );
  });

  it('changes nothing where it says that all was right', () => {
    const right = Object.fromEntries(STATES.map((state) => [state, { a: 0, b: 1, findings: 50 }]));
    const { reasons, ...plain } = decide(situation());
    expect(decide(by(right))).toEqual({ ...plain, reasons });
  });
});
