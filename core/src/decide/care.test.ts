import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { nominalPot } from '../pots/index.ts';
import { TYPICAL_SPOT } from '../season/index.ts';
import {
  answersOf,
  CARE_KINDS,
  decide,
  isAfter,
  SIGNALS,
  standingFindings,
  type CareKind,
} from './index.ts';

const morning = { date: '2026-03-16', at: '2026-03-16T08:00:00.000Z' };
const evening = { date: '2026-03-16', at: '2026-03-16T18:00:00.000Z' };

describe('what a deed answers', () => {
  // Written down before the table was asked; common practice, no source.
  it.each<[CareKind, string[]]>([
    ['flush', ['saltCrust']],
    ['secure', ['wobble', 'vinePastSupport']],
    ['treatPests', ['pests']],
    ['topDress', ['algae', 'mediumSunk']],
    ['soak', ['waterRunsThrough']],
    ['watered', ['limp']],
  ])('%s answers %j and nothing else', (deed, findings) => {
    expect([...answersOf(deed)].sort()).toEqual([...findings].sort());
  });

  it('is always something that can be seen', () => {
    const ids = new Set(SIGNALS.map(({ id }) => id));
    for (const deed of CARE_KINDS) {
      expect(answersOf(deed).size).toBeGreaterThan(0);
      for (const id of answersOf(deed)) expect(ids).toContain(id);
    }
  });

  it('leaves roots, rot and age to a repot', () => {
    for (const deed of CARE_KINDS) {
      for (const id of ['rootsAtHoles', 'circling', 'rot', 'compacted', 'smell']) {
        expect(answersOf(deed)).not.toContain(id);
      }
    }
  });
});

describe('a plant that cold has hurt', () => {
  // Written down before it was asked; common practice, no source: whoever saw it knows the cause.
  it.each(['Sedum', 'Aglaonema', 'Fittonia'])(
    '%s, limp, is nursed, not searched for its trouble',
    (name) => {
      const { traits } = resolveTaxon(name)!;
      const decision = decide({
        traits,
        date: '2026-03-16',
        spot: TYPICAL_SPOT,
        pot: nominalPot(11),
        medium: { kind: traits.medium },
        lastRepot: '2025-09-01',
        signals: { coldHurt: true, limp: true },
        lookedOn: '2026-03-16',
      });
      expect(decision.headline).toBe('refresh');
      // Limp from cold is no sign of thirst.
      expect(decision.reasons.map(({ signal }) => signal)).not.toContain('limp');
      expect(decision.now).toContain('nurseCold');
      expect(decision.troubleshoot!.causes[0]!.id).toBe('cold');
    },
  );
});

describe('findings that stand', () => {
  const crust = { ...morning, signals: { saltCrust: 'thick', rootsAtHoles: 'several' } };

  it('end with the deed that answers them, in the order of the day', () => {
    expect(standingFindings([crust], [{ ...evening, kind: 'flush' }])).toEqual({
      rootsAtHoles: 'several',
    });
    const before = { date: '2026-03-16', at: '2026-03-16T07:00:00.000Z', kind: 'flush' as const };
    expect(standingFindings([crust], [before])).toEqual(crust.signals);
  });

  it('an older finding does not come back when a newer one was answered', () => {
    const older = {
      date: '2026-02-01',
      at: '2026-02-01T08:00:00.000Z',
      signals: { saltCrust: 'some' },
    };
    expect(standingFindings([crust, older], [{ ...evening, kind: 'flush' }])).not.toHaveProperty(
      'saltCrust',
    );
  });

  it('no finding outlives its deed, over any life of a plant', () => {
    const day = fc.integer({ min: 1, max: 28 }).map((d) => `2026-03-${String(d).padStart(2, '0')}`);
    const moment = fc
      .record({ date: day, hour: fc.integer({ min: 10, max: 23 }) })
      .map(({ date, hour }) => ({ date, at: `${date}T${hour}:00:00.000Z` }));
    const signals = fc.record(
      {
        saltCrust: fc.constantFrom('none', 'some', 'thick'),
        wobble: fc.constantFrom('no', 'leans', 'topples'),
        pests: fc.constantFrom('none', 'mealy'),
        rootsAtHoles: fc.constantFrom('none', 'every'),
      },
      { requiredKeys: [] },
    );
    const look = fc
      .record({ at: moment, signals })
      .map(({ at, signals: seen }) => ({ ...at, signals: seen }));
    const deed = fc
      .record({ at: moment, kind: fc.constantFrom(...CARE_KINDS) })
      .map(({ at, kind }) => ({ ...at, kind }));
    fc.assert(
      fc.property(fc.array(look), fc.array(deed), (looks, deeds) => {
        const newestFirst = [...looks].sort((a, b) => (isAfter(a, b) ? -1 : isAfter(b, a) ? 1 : 0));
        for (const [id, value] of Object.entries(standingFindings(newestFirst, deeds))) {
          const from = newestFirst.find((one) => one.signals[id as 'wobble'] !== undefined)!;
          expect(from.signals[id as 'wobble']).toBe(value);
          expect(deeds.some((one) => answersOf(one.kind).has(id) && isAfter(one, from))).toBe(
            false,
          );
        }
      }),
    );
  });
});
