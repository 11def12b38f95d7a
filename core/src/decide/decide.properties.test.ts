import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CATALOGUE } from '../catalogue/index.ts';
import { MEDIUM_KINDS } from '../media/index.ts';
import { logistic } from '../number/index.ts';
import { addDays } from '../season/index.ts';
import {
  decide,
  statesOf,
  possibleValues,
  SIGNALS,
  STATES,
  weigh,
  type Signals,
  type Situation,
} from './index.ts';

const anySignals: fc.Arbitrary<Signals> = fc
  .tuple(
    ...SIGNALS.map((definition) =>
      fc.option(fc.constantFrom(...possibleValues(definition).map(({ value }) => value)), {
        nil: undefined,
        freq: 2,
      }),
    ),
  )
  .map((values) => Object.fromEntries(SIGNALS.map(({ id }, i) => [id, values[i]])));

const anySituation: fc.Arbitrary<Situation> = fc
  .record({
    taxon: fc.constantFrom(...CATALOGUE),
    day: fc.integer({ min: 0, max: 729 }),
    latitudeDeg: fc.double({ min: -66, max: 66, noNaN: true }),
    temperatureC: fc.double({ min: 4, max: 32, noNaN: true }),
    lampHours: fc.constantFrom(0, 0, 8, 14),
    light: fc.constantFrom('dim', 'medium', 'bright', 'sun'),
    widthCm: fc.double({ min: 5, max: 45, noNaN: true }),
    kind: fc.constantFrom(...MEDIUM_KINDS.map(({ id }) => id)),
    monthsAgo: fc.option(fc.integer({ min: 0, max: 120 })),
    signals: anySignals,
    when: fc.constantFrom('window', 'newRoots', 'need'),
  })
  .map(({ taxon, day, widthCm, kind, monthsAgo, signals, when, ...spot }) => {
    const date = addDays('2026-01-01', day);
    return {
      traits: taxon.traits,
      date,
      spot: { ...spot, indoors: true, relativeHumidity: 0.5 } as Situation['spot'],
      pot: {
        shape: 'round',
        topDiameterCm: widthCm,
        baseDiameterCm: widthCm * 0.7,
        heightCm: widthCm * 0.8,
      },
      medium: { kind },
      lastRepot: monthsAgo === null ? null : addDays(date, -30 * monthsAgo),
      signals,
      schools: { when },
    } as Situation;
  });

const runs = { numRuns: 150 };

describe('every verdict, whatever was found', () => {
  it('is made of numbers and has reasons', () => {
    fc.assert(
      fc.property(anySituation, (situation) => {
        const decision = decide(situation);
        expect(STATES.every((s) => decision.states[s] >= 0 && decision.states[s] <= 1)).toBe(true);
        const { weeks, disturbing, waiting } = decision.curves;
        expect([weeks.length, disturbing.length, waiting.length]).toEqual([52, 52, 52]);
        const sound = (cost: number) => Number.isFinite(cost) && cost >= 0;
        expect([...disturbing, ...waiting].every(sound)).toBe(true);
        expect(decision.reasons.length).toBeGreaterThan(0);
        expect(decision.reasons.every(({ text }) => text !== '')).toBe(true);
        expect(decision.notLooked.every(({ worth }) => worth >= 0)).toBe(true);
        expect(decision.schools).toHaveLength(3);
      }),
      runs,
    );
  });

  it('has reasons that add up to its states', () => {
    fc.assert(
      fc.property(anySituation, (situation) => {
        const { reasons, states } = decide(situation);
        for (const state of STATES) {
          const sum = reasons
            .filter((reason) => reason.state === state)
            .reduce((total, { logOdds }) => total + logOdds, 0);
          expect(logistic(sum)).toBeCloseTo(states[state], 9);
        }
      }),
      runs,
    );
  });

  it('turns where it says that it turns', () => {
    fc.assert(
      fc.property(anySituation, (situation) => {
        const decision = decide(situation);
        for (const { signal, to, verdict } of decision.turningPoint) {
          const turned = decide({
            ...situation,
            signals: { ...situation.signals, [signal]: to },
          });
          expect(turned.verdict).toBe(verdict);
          expect(turned.verdict).not.toBe(decision.verdict);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('never finds a pot less crowded for more roots', () => {
    const ladders = {
      rootsAtHoles: ['none', 'one', 'several', 'every', 'mat'],
      rootsOnTop: ['none', 'few', 'many'],
      aerialRootsOutside: ['none', 'few', 'many'],
      circling: ['none', 'some', 'tight'],
      ballCover: [0, 0.3, 0.6, 0.8, 1],
    } as const;
    fc.assert(
      fc.property(
        anySituation,
        fc.constantFrom(...(Object.keys(ladders) as (keyof typeof ladders)[])),
        (situation, id) => {
          let before = -1;
          for (const value of ladders[id]) {
            const signals = { ...situation.signals, [id]: value };
            const { crowded } = decide({ ...situation, signals }).states;
            expect(crowded).toBeGreaterThanOrEqual(before - 1e-12);
            before = crowded;
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('never postpones danger for the season', () => {
    fc.assert(
      fc.property(anySituation, (situation) => {
        const signals = { ...situation.signals, rot: 'stem', smell: 'sour', liveRoots: 0.3 };
        const { verdict, states } = decide({ ...situation, signals });
        expect(states.danger).toBeGreaterThan(0.5);
        expect(verdict).toBe('rescueNow');
      }),
      runs,
    );
  });

  it('leaves a snug plant with nothing but a full pot out of season', () => {
    const snug = CATALOGUE.filter(({ traits }) => traits.snug && traits.rhythm !== 'winterGrowing');
    fc.assert(
      fc.property(
        fc.constantFrom(...snug),
        fc.constantFrom('several', 'every', 'mat'),
        fc.constantFrom('2026-11-10', '2026-12-10', '2027-01-05'),
        (taxon, rootsAtHoles, date) => {
          const { verdict } = decide({
            traits: taxon.traits,
            date,
            spot: {
              latitudeDeg: 54,
              indoors: true,
              temperatureC: 19,
              relativeHumidity: 0.5,
              lampHours: 0,
              light: 'medium',
            },
            pot: { shape: 'round', topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 },
            medium: { kind: taxon.traits.medium },
            lastRepot: addDays(date, -400),
            signals: { rootsAtHoles },
          });
          expect(['leave', 'repotInWeek']).toContain(verdict);
        },
      ),
      runs,
    );
  });

  it('is the same whatever the order in which findings are given', () => {
    fc.assert(
      fc.property(anySituation, (situation) => {
        const reversed = Object.fromEntries(Object.entries(situation.signals).reverse());
        const a = decide(situation);
        const b = decide({ ...situation, signals: reversed });
        expect(b.verdict).toBe(a.verdict);
        expect(b.week).toBe(a.week);
      }),
      { numRuns: 60 },
    );
  });

  it('also of a case that hangs even, found by an earlier run', () => {
    const { traits } = CATALOGUE.find(
      ({ traits: t }) => t.growthForm === 'walker' && t.medium === 'bark',
    )!;
    const signals = {
      mould: 'surface',
      newLeaves: 'smaller',
      oldLeavesYellowing: true,
      rot: 'none',
    };
    const ask = (found: Situation['signals']) =>
      decide({
        traits: {
          ...traits,
          drying: 'littleDry',
          rhythm: 'summerGrowing',
          floorC: 7,
          growsFromC: 8,
          growsFullyC: 16,
        },
        date: '2026-01-01',
        spot: {
          latitudeDeg: 0,
          temperatureC: 4,
          lampHours: 0,
          light: 'dim',
          indoors: true,
          relativeHumidity: 0.5,
        },
        pot: { shape: 'round', topDiameterCm: 5, baseDiameterCm: 3.5, heightCm: 4 },
        medium: { kind: 'bark' },
        lastRepot: '2026-01-01',
        signals: found,
        schools: { when: 'window' },
      });
    const reversed = Object.fromEntries(Object.entries(signals).reverse());
    expect(ask(reversed)).toEqual(ask(signals));
  });
});

describe('the table of signals', () => {
  /** Findings that speak of the moment rather than of a state. */
  const timing = ['newRootTips', 'bloom', 'resting', 'justArrived'];

  it('gives every signal a weight with a reason, or a place in the timing', () => {
    for (const definition of SIGNALS) {
      if (timing.includes(definition.id)) continue;
      const weighed = possibleValues(definition).map(({ value }) => weigh(definition.id, value));
      expect(
        weighed.some(({ weights }) => Object.keys(weights).length > 0),
        definition.id,
      ).toBe(true);
      for (const { weights, text } of weighed) {
        if (Object.keys(weights).length > 0) expect(text, definition.id).not.toBe('');
      }
    }
  });

  it('timing signals change what a disturbance costs', () => {
    const base: Situation = {
      traits: CATALOGUE.find(({ name }) => name === 'Oncidium')!.traits,
      date: '2026-12-10',
      spot: {
        latitudeDeg: 54,
        indoors: true,
        temperatureC: 18,
        relativeHumidity: 0.5,
        lampHours: 0,
        light: 'medium',
      },
      pot: { shape: 'round', topDiameterCm: 12, baseDiameterCm: 9, heightCm: 11 },
      medium: { kind: 'bark' },
      lastRepot: null,
      signals: {},
    };
    const now = (signals: Signals) => decide({ ...base, signals }).curves.disturbing[0]!;
    expect(now({ newRootTips: 'starting' })).toBeLessThan(now({}));
    expect(now({ newRootTips: 'long' })).toBeGreaterThan(now({}));
    for (const worse of [{ bloom: 'open' }, { resting: true }, { justArrived: true }]) {
      expect(now(worse)).toBeGreaterThan(now({}));
    }
  });

  it('expects values whose chances add up to one', () => {
    for (const definition of SIGNALS) {
      const total = possibleValues(definition).reduce((sum, { usual }) => sum + usual, 0);
      expect(total, definition.id).toBeCloseTo(1, 9);
    }
  });
});

describe('a brief verdict', () => {
  it('is the full one without its what-ifs', () => {
    fc.assert(
      fc.property(anySituation, (situation) => {
        const asked = { turningPoint: [], notLooked: [], schools: [], oldMediumSchools: [] };
        const brief = decide(situation, 'brief');
        expect({ ...brief, ...asked }).toEqual({ ...decide(situation), ...asked });
        expect(brief.schools).toEqual([]);
        expect(statesOf(situation)).toEqual(brief.states);
      }),
      { numRuns: 60 },
    );
  });
});
