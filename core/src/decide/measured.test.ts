import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { TYPICAL_SPOT } from '../season/index.ts';
import type { LogTrend, WaterFindings } from '../water/index.ts';
import { askFirst, decide, measuredFindings, signal, type Situation } from './index.ts';
import { inMetric } from '../saying/index.ts';

const trend = (change: number, cycles = 9): LogTrend => ({
  cycles,
  change,
  low: change - 0.1,
  high: change + 0.1,
  pRising: 0.001,
  pFalling: 0.001,
});
const water = (over: Partial<WaterFindings>): WaterFindings => ({
  cycles: [],
  leftOut: [],
  points: [],
  use: null,
  holding: null,
  recentGPerDay: null,
  told: [],
  ...over,
});
const situation: Situation = {
  traits: resolveTaxon('Begonia maculata')!.traits,
  date: '2026-05-10',
  spot: { ...TYPICAL_SPOT, latitudeDeg: 54 },
  pot: { shape: 'cylinder', topDiameterCm: 14, heightCm: 13 },
  medium: { kind: 'peatSoil' },
  lastRepot: '2025-06-01',
  signals: {},
};

describe('what was measured', () => {
  const more = measuredFindings(water({ use: trend(0.4), told: ['usesMore'] }), null);

  it('more use than the weather explains speaks for crowding, with its size and cycles', () => {
    const decision = decide({ ...situation, measured: more });
    expect(decision.states.crowded).toBeGreaterThan(decide(situation).states.crowded);
    const reason = decision.reasons.find(({ signal }) => signal === 'usesMore')!;
    expect(reason.text).toContain('40 %');
    expect(reason.text).toContain('9 waterings');
  });

  it('replaces the impression of the same thing', () => {
    const impression = { driesSooner: false };
    const { reasons } = decide({ ...situation, signals: impression, measured: more });
    expect(reasons.some(({ signal }) => signal === 'driesSooner')).toBe(false);
  });

  it('a larger change counts for more', () => {
    const [small] = measuredFindings(water({ use: trend(0.2), told: ['usesMore'] }), null);
    expect(more[0]!.weights.crowded!).toBeGreaterThan(small!.weights.crowded!);
  });

  it('holding less speaks for crowding and for the medium; runs-through is then not counted again', () => {
    const holds = measuredFindings(water({ holding: trend(-0.3), told: ['holdsLess'] }), null);
    const { reasons } = decide({
      ...situation,
      signals: { waterRunsThrough: true },
      measured: holds,
    });
    expect(
      reasons
        .filter(({ signal }) => signal === 'holdsLess')
        .map(({ state }) => state)
        .sort(),
    ).toEqual(['crowded', 'mediumFailing']);
    expect(reasons.some(({ signal }) => signal === 'waterRunsThrough')).toBe(false);
  });

  it('a log of six steady cycles says that nothing has changed; one of four says nothing', () => {
    expect(measuredFindings(water({ use: trend(0.02, 6) }), null)[0]!.id).toBe('usesSame');
    expect(measuredFindings(water({ use: trend(0.02, 4) }), null)).toEqual([]);
  });

  it('a stall by the tape replaces the word for growth', () => {
    const stalled = measuredFindings(null, {
      readings: 7,
      cmPerMonth: 4,
      low: 3,
      high: 5,
      lately: 0.2,
      change: 'stalled',
    });
    const { reasons } = decide({
      ...situation,
      signals: { growth: 'vigorous' },
      measured: stalled,
    });
    expect(reasons.some(({ signal }) => signal === 'growth')).toBe(false);
    expect(inMetric(reasons.find(({ signal }) => signal === 'growthLog')!.text)).toContain(
      '2 mm a month',
    );
  });
});

describe('the counsel beside a verdict', () => {
  it('unsure of danger and with the ball unseen, it says to slide the plant out and what to look for', () => {
    const { headline, unpot, states } = decide({
      ...situation,
      date: '2026-01-10',
      signals: { staysWetLonger: true, limp: true, growth: 'stalled' },
    });
    expect(states.danger).toBeLessThan(0.5);
    expect(headline).toBe('unpotAndLook');
    expect(unpot!.lookFor).toContain('rot');
    expect(unpot!.because).toMatch(/\d+ %/);
  });

  it('once the roots are seen it does not ask again', () => {
    const signals = {
      staysWetLonger: true,
      limp: true,
      growth: 'stalled',
      rot: 'none',
      liveRoots: 0.9,
    };
    expect(decide({ ...situation, date: '2026-01-10', signals })).toMatchObject({
      unpot: null,
      headline: expect.not.stringMatching('unpotAndLook'),
    });
  });

  it('a plant that spreads and fills its pot may be divided instead', () => {
    const walker = { ...situation, traits: resolveTaxon('Davallia fejeensis')!.traits };
    const { alongside } = decide({
      ...walker,
      lastRepot: '2023-06-01',
      signals: { rootsAtHoles: 'mat', growthAtWall: true },
    });
    expect(alongside.map(({ act }) => act)).toEqual(['divide']);
  });

  it('stem rot asks for a cut above it', () => {
    expect(
      decide({ ...situation, signals: { rot: 'stem' } }).alongside.map(({ act }) => act),
    ).toEqual(['reroot']);
  });

  it('what grows from its base keeps its sound growths: it has no head to root again', () => {
    const of = (name: string, signals: Situation['signals']) =>
      decide({ ...situation, traits: resolveTaxon(name)!.traits, signals }).alongside.map(
        ({ text }) => String(text),
      );
    expect(of('Spathiphyllum', { rot: 'stem' })).toEqual([expect.stringContaining('sound roots')]);
    expect(of('Crassula ovata', { rot: 'stem' })).toEqual([expect.stringContaining('the head')]);
    expect(of('Spathiphyllum', { stemBare: true, rot: 'roots' })).toEqual([]);
  });

  it('a bare stem that topples is re-rooted rather than moved up', () => {
    const { verdict, now } = decide({
      ...situation,
      lastRepot: '2026-01-10',
      traits: resolveTaxon('Crassula ovata')!.traits,
      signals: { stemBare: true, wobble: 'topples' },
    });
    expect(verdict).toBe('refreshOnly');
    expect(now.some((act) => act === 'reroot' || act === 'secure')).toBe(true);
  });

  it('a limp plant in wet medium is never soaked, nor watered first', () => {
    const wet = decide({
      ...situation,
      signals: { limp: true, staysWetLonger: true, waterRunsThrough: true },
    });
    expect(wet.now).not.toContain('soak');
    expect(wet.readiness.map(({ text }) => text).join()).toContain('water would not help');
    const dry = decide({ ...situation, signals: { limp: true } });
    expect(dry.readiness.map(({ text }) => text)).toContain('it is limp: water it first');
    expect(wet.states.danger).toBeGreaterThan(3 * dry.states.danger);
  });

  it.each([
    [{ pests: 'snails' }, 'treatPests'],
    [{ pests: 'scale', growth: 'slow' }, 'treatPests'],
  ])('%j asks for %s before a pot', (signals, act) => {
    expect(decide({ ...situation, lastRepot: '2026-02-01', signals }).now).toContain(act);
  });

  it('the ball kept whole costs less than taking all off, and each says its week', () => {
    const { oldMediumSchools } = decide({ ...situation, signals: { rootsAtHoles: 'every' } });
    expect(oldMediumSchools.map(({ school }) => school)).toEqual([
      'byMedium',
      'allOff',
      'loosen',
      'ballWhole',
    ]);
    const cost = (oldMedium: 'allOff' | 'ballWhole') =>
      decide({ ...situation, schools: { oldMedium } }).curves.disturbing[0]!;
    expect(cost('ballWhole')).toBeLessThan(cost('allOff'));
  });

  it('a glance over a spot is weak evidence that all is well', () => {
    const glanced = decide({ ...situation, signals: { allFine: true } });
    const plain = decide(situation);
    for (const state of ['crowded', 'mediumFailing', 'danger', 'unstable'] as const) {
      expect(glanced.states[state]).toBeLessThan(plain.states[state]);
    }
  });

  it('a look begins with what would change most, seen without unpotting, three questions at most', () => {
    const unseen = decide(situation);
    const first = askFirst(unseen);
    expect(first).toHaveLength(3);
    const most = [...unseen.lookWorth.questions].sort((a, b) => b.worth - a.worth)[0]!;
    expect(first).toContain(most.signal);
    for (const id of first) expect(signal(id).group).not.toBe('ball');
    expect(new Set(first).size).toBe(3);
  });

  it('a look at a plant that is to be slid out begins with what is seen of its roots', () => {
    const sour = decide({ ...situation, signals: { smell: 'sour' } });
    expect(sour.headline).toBe('unpotAndLook');
    const first = askFirst(sour);
    expect(first.slice(0, sour.unpot!.lookFor.length)).toEqual(sour.unpot!.lookFor);
    for (const id of sour.unpot!.lookFor) expect(['ball', 'roots']).toContain(signal(id).group);
  });

  it('what was answered today does not come first again', () => {
    const signals = { rootsAtHoles: 'several', smell: 'fresh', compacted: false };
    const looked = decide({ ...situation, signals, lookedOn: situation.date });
    for (const id of Object.keys(signals)) expect(askFirst(looked)).not.toContain(id);
  });

  it('a look taken today is worth nothing again today, and grows old', () => {
    const signals = { rootsAtHoles: 'several', smell: 'fresh' };
    const worth = (lookedOn?: string) =>
      decide({ ...situation, signals, ...(lookedOn ? { lookedOn } : {}) }).lookWorth.worth;
    expect(worth(situation.date)).toBe(0);
    expect(worth('2026-03-01')).toBeGreaterThan(worth('2026-05-01'));
  });
});
