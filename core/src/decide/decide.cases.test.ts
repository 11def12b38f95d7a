import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import type { MediumKind } from '../media/index.ts';
import { decide, leadingReasons, type Signals, type Situation, type VerdictKind } from './index.ts';
import type { Schools } from '../schools/index.ts';

/** A 14 cm pot on a bright-room sill at 54° N, 20 °C, unless said otherwise. */
function situation(
  taxon: string,
  date: string,
  kind: MediumKind,
  lastRepot: string | null,
  signals: Signals,
  other: { latitudeDeg?: number; lampHours?: number; when?: Schools['when'] } = {},
): Situation {
  return {
    traits: resolveTaxon(taxon)!.traits,
    date,
    spot: {
      latitudeDeg: other.latitudeDeg ?? 54,
      indoors: true,
      temperatureC: 20,
      relativeHumidity: 0.5,
      lampHours: other.lampHours ?? 0,
      light: 'medium',
    },
    pot: { shape: 'round', topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 },
    medium: { kind },
    lastRepot,
    signals,
    ...(other.when ? { schools: { when: other.when } } : {}),
  };
}

type Case = [
  what: string,
  situation: Situation,
  verdict: VerdictKind,
  reason: string | null,
  weeks?: [string, string],
];

/* Expected verdicts: common practice, no source. */
const CASES: Case[] = [
  [
    'sour medium and rot in autumn, in flower, is rescued now',
    situation('Oncidium', '2026-10-10', 'bark', '2025-05-01', {
      smell: 'sour',
      rot: 'roots',
      bloom: 'open',
    }),
    'rescueNow',
    'rot',
  ],
  [
    'roots from every hole in May is repotted now',
    situation('Begonia maculata', '2026-05-10', 'peatSoil', '2025-01-01', {
      rootsAtHoles: 'every',
    }),
    'repotNow',
    'rootsAtHoles',
  ],
  [
    'stem rot in a jade plant in December is rescued now',
    situation('Crassula ovata', '2026-12-10', 'mineral', '2025-05-01', { rot: 'stem' }),
    'rescueNow',
    'rot',
  ],
  [
    'a fresh plant that does well is left',
    situation('Begonia maculata', '2026-05-10', 'peatSoil', '2026-03-01', {
      rootsAtHoles: 'none',
      growth: 'normal',
      smell: 'fresh',
    }),
    'leave',
    null,
  ],
  [
    'a crowded fern in January waits for its window',
    situation('Adiantum', '2026-01-20', 'peatSoil', '2024-03-01', { rootsAtHoles: 'every' }),
    'repotInWeek',
    'rootsAtHoles',
    ['2026-02-15', '2026-04-30'],
  ],
  [
    'the same fern under lamps need not wait',
    situation(
      'Adiantum',
      '2026-01-20',
      'peatSoil',
      '2024-03-01',
      { rootsAtHoles: 'every' },
      { lampHours: 14 },
    ),
    'repotNow',
    'rootsAtHoles',
  ],
  [
    'the same fern at 54° S in July waits for the southern spring',
    situation(
      'Adiantum',
      '2026-07-20',
      'peatSoil',
      '2024-09-01',
      { rootsAtHoles: 'every' },
      { latitudeDeg: -54 },
    ),
    'repotInWeek',
    'rootsAtHoles',
    ['2026-08-15', '2026-10-31'],
  ],
  [
    'an orchid that walks is repotted as its roots start',
    situation('Oncidium', '2026-04-10', 'bark', '2024-08-01', { newRootTips: 'starting' }),
    'repotNow',
    'timeInPot',
  ],
  [
    'a jade plant that topples is secured, not repotted',
    situation('Crassula ovata', '2026-05-10', 'mineral', '2025-05-01', { wobble: 'topples' }),
    'refreshOnly',
    'wobble',
  ],
  [
    'thick salt on a plant that does well is flushed',
    situation('Streptocarpus', '2026-05-10', 'peatSoil', '2025-11-01', {
      saltCrust: 'thick',
      growth: 'normal',
    }),
    'refreshOnly',
    'saltCrust',
  ],
  [
    'a clivia in bud at the end of winter waits for its flowers',
    situation('Clivia miniata', '2026-03-20', 'loam', '2022-01-01', {
      rootsAtHoles: 'mat',
      compacted: true,
      bloom: 'bud',
    }),
    'repotInWeek',
    'rootsAtHoles',
    ['2026-04-15', '2026-07-15'],
  ],
  [
    'a strong fern that just arrived settles first: what may fill next spring is not planned yet',
    situation('Nephrolepis exaltata', '2026-05-10', 'peatSoil', '2026-04-01', {
      justArrived: true,
      growth: 'normal',
    }),
    'leave',
    null,
  ],
  [
    'mealy clusters on infested roots cannot wait for spring',
    situation('Crassula ovata', '2026-11-20', 'mineral', '2025-05-01', {
      pests: 'mealy',
      infestedRoots: true,
    }),
    'rescueNow',
    'infestedRoots',
  ],
];

describe('verdicts that practice expects', () => {
  it.each(CASES)('%s', (_what, given, verdict, reason, weeks) => {
    const decision = decide(given);
    expect(decision.verdict).toBe(verdict);
    // Among the three that every screen tells.
    const told = leadingReasons(decision, 3).map(({ signal }) => signal);
    if (reason) expect(told).toContain(reason);
    if (weeks) {
      expect(decision.week! >= weeks[0] && decision.week! <= weeks[1], decision.week!).toBe(true);
    }
  });

  it('a snug tuberous aroid in autumn with a full pot and no trouble is left for spring', () => {
    const aroid = situation('Caladium', '2026-10-10', 'mix', '2025-03-01', {
      rootsAtHoles: 'every',
      growth: 'normal',
      smell: 'fresh',
    });
    const { verdict, week } = decide({ ...aroid, traits: { ...aroid.traits, snug: true } });
    expect(['leave', 'repotInWeek']).toContain(verdict);
    // As it wakes: late January to April.
    if (week) expect(week >= '2027-01-25' && week <= '2027-05-31', week).toBe(true);
  });

  it('long neglected is a reason to look, not yet a reason to repot', () => {
    const decision = decide(situation('Clivia miniata', '2026-05-10', 'loam', null, {}));
    expect(decision.headline).toBe('lookFirst');
    expect(decision.verdict).toBe('leave');
    expect(decision.lookAgain).toBe('2026-05-10');
  });

  it('the need school does not wait for the window that the window school waits for', () => {
    const given = situation('Adiantum', '2026-10-25', 'peatSoil', '2024-03-01', {
      rootsAtHoles: 'mat',
      compacted: true,
      waterRunsThrough: true,
    });
    const { schools } = decide(given);
    const by = Object.fromEntries(schools.map((s) => [s.school, s]));
    expect(by.window!.verdict).toBe('repotInWeek');
    expect(by.need!.verdict === 'repotNow' || by.need!.week! < by.window!.week!).toBe(true);
    expect(decide({ ...given, schools: { when: 'need' } }).verdict).toBe(by.need!.verdict);
  });

  it('contradicting findings are shown as such', () => {
    const { contradictions } = decide(
      situation('Adiantum', '2026-05-10', 'peatSoil', '2025-03-01', {
        waterRunsThrough: true,
        staysWetLonger: true,
      }),
    );
    expect(contradictions).toHaveLength(1);
    expect(contradictions[0]).toMatch(/repelling/);
  });

  it.each([
    [{ lastRepot: '2027-01-01' }, /lastRepot/],
    [{ signals: { rootsAtHoles: 'all' } }, /rootsAtHoles/],
    [{ signals: { shoeSize: 44 } }, /shoeSize/],
    [{ signals: { ballCover: 1.2 } }, /ballCover/],
    [{ signals: { limp: 'yes' } }, /limp/],
    [{ date: '2026-02-30' }, /date/],
    [{ pot: { shape: 'cylinder' as const, topDiameterCm: 0, heightCm: 9 } }, /topDiameterCm/],
  ])('%j is refused by name', (wrong, message) => {
    const good = situation('Adiantum', '2026-05-10', 'peatSoil', '2025-03-01', {});
    expect(() => decide({ ...good, ...wrong } as Situation)).toThrow(message);
  });
});
