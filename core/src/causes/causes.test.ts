import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { decide, type Signals } from '../decide/index.ts';
import { speakerFor, spoken } from '../saying/index.ts';
import { addDays, TYPICAL_SPOT, type Spot } from '../season/index.ts';
import {
  CAUSES,
  CHECKS,
  diagnose,
  POINTERS,
  SYMPTOMS,
  type CauseId,
  type DiagnosisGround,
} from './index.ts';

const ground = (
  taxon: string,
  signals: Signals,
  spot: Partial<Spot> = {},
  over: Partial<DiagnosisGround> = {},
): DiagnosisGround => ({
  signals,
  spot: { ...TYPICAL_SPOT, latitudeDeg: 54, ...spot },
  traits: resolveTaxon(taxon)!.traits,
  date: '2026-06-10',
  lastRepot: '2025-05-01',
  states: { crowded: 0.1, mediumFailing: 0.1 },
  ...over,
});

/* Likeliest cause: common practice, no source. */
const CASES: [what: string, DiagnosisGround, CauseId][] = [
  [
    'yellow and heavy for weeks',
    ground('Schefflera', { oldLeavesYellowing: true, staysWetLonger: true, smell: 'sour' }),
    'tooWet',
  ],
  [
    'limp, light, dries sooner',
    ground('Adiantum', { limp: true, driesSooner: true, waterRunsThrough: true }),
    'tooDry',
  ],
  [
    'small leaves in a dim corner in December',
    ground(
      'Ficus elastica',
      { newLeaves: 'smaller', growth: 'stalled' },
      { light: 'dim' },
      { date: '2026-12-10' },
    ),
    'tooDark',
  ],
  [
    'a fern spotted behind glass in June',
    ground('Adiantum', { leafSpots: true }, { light: 'sun' }),
    'sunBurnt',
  ],
  [
    'limp and spotted at 9 °C',
    ground('Goeppertia', { limp: true, leafSpots: true }, { temperatureC: 9 }),
    'cold',
  ],
  [
    'brown tips in dry air',
    ground('Goeppertia', { brownTips: true, saltCrust: 'none' }, { relativeHumidity: 0.3 }),
    'dryAir',
  ],
  [
    'brown tips with a crust in humid air',
    ground(
      'Chlorophytum comosum',
      { brownTips: true, saltCrust: 'thick' },
      { relativeHumidity: 0.6 },
    ),
    'salts',
  ],
  [
    'spots and mealy clusters',
    ground('Citrus limon', { leafSpots: true, pests: 'mealy' }, { light: 'sun' }),
    'pests',
  ],
  [
    'yellowing as it goes to rest',
    ground('Hippeastrum', { oldLeavesYellowing: true, resting: true }, {}, { date: '2026-11-20' }),
    'rest',
  ],
  ['limp in its first week', ground('Schefflera', { limp: true, justArrived: true }), 'freshMove'],
  [
    'smaller leaves from a full pot',
    ground(
      'Begonia maculata',
      { newLeaves: 'smaller', rootsAtHoles: 'mat' },
      { light: 'bright' },
      { states: { crowded: 0.97, mediumFailing: 0.3 } },
    ),
    'pot',
  ],
];

describe('other causes', () => {
  it.each(CASES)('%s', (_what, given, cause) => {
    const found = diagnose(given)!;
    expect(found.causes[0]!.id).toBe(cause);
    expect(found.causes[0]!.because.length).toBeGreaterThan(0);
    expect(found.causes.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
  });

  it('tells of cold in the keeper’s own degrees', () => {
    const chilled = ground('Adiantum', { limp: true }, { temperatureC: 5 });
    const floorF = chilled.traits.floorC * 1.8 + 32;
    const texts = diagnose(chilled)!.causes.flatMap(({ because }) =>
      because.map(({ text }) => spoken(text, speakerFor('us'))),
    );
    // 5 °C are 41 °F.
    expect(texts).toContain(`41 °F here; its floor is ${Math.round(floorF)} °F`);
    expect(texts.join(' ')).not.toContain('°C');
  });

  it('without a symptom there is nothing to explain', () => {
    expect(diagnose(ground('Adiantum', { rootsAtHoles: 'mat' }))).toBeNull();
  });

  it('the check speaks of one of the two likeliest, and is not one that was made', () => {
    fc.assert(
      fc.property(fc.constantFrom(...CASES), ([, given]) => {
        const { causes, check } = diagnose(given)!;
        const row = CHECKS.find(({ id }) => id === check?.id)!;
        expect(row.weights[causes[0]!.id] !== row.weights[causes[1]!.id]).toBe(true);
        expect(
          row.signals.length === 0 || row.signals.some((id) => given.signals[id] === undefined),
        ).toBe(true);
      }),
    );
  });

  it('asks too wet or too dry by lifting the pot', () => {
    const { check } = diagnose(ground('Schefflera', { limp: true }, { light: 'medium' }))!;
    expect(check!.id).toBe('lift');
  });

  it('every cause has a symptom that speaks for it, and a check that tells it', () => {
    for (const { id } of CAUSES) {
      expect(
        [...SYMPTOMS, ...POINTERS].some(({ weights }) => (weights[id] ?? 0) > 0),
        id,
      ).toBe(true);
      expect(
        CHECKS.some(({ weights }) => (weights[id] ?? 0) !== 0),
        id,
      ).toBe(true);
    }
  });

  it('a verdict says trouble-shoot first when the pot is unlikely to be it', () => {
    const base = ground(
      'Schefflera',
      {
        oldLeavesYellowing: true,
        newLeaves: 'smaller',
        rootsAtHoles: 'none',
        smell: 'fresh',
        compacted: false,
      },
      { light: 'dim' },
    );
    const { troubleshoot, headline } = decide({
      traits: base.traits,
      date: base.date,
      spot: base.spot,
      pot: { shape: 'cylinder', topDiameterCm: 14, heightCm: 13 },
      medium: { kind: 'peatSoil' },
      lastRepot: addDays(base.date, -150),
      signals: base.signals,
    });
    expect(headline).toBe('troubleshootFirst');
    expect(troubleshoot!.causes[0]!.id).toBe('tooDark');
    expect(troubleshoot!.check!.id).toBe('shadow');
  });
});
