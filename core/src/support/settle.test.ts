import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { inMetric, sayAll } from '../saying/index.ts';
import { TYPICAL_SPOT } from '../season/index.ts';
import {
  climbAhead,
  kindsFor,
  settleSupport,
  supportKind,
  supportMode,
  type ShelvedSupport,
  type SupportPlace,
  type SupportWanted,
} from './index.ts';

const traits = resolveTaxon('Passiflora caerulea')!.traits;
const WANTED: SupportWanted = {
  keep: null,
  kind: null,
  acrossCm: null,
  lengthCm: null,
  goal: 'tidy',
  minutesPerWeek: null,
  stems: 1,
  internodeCm: null,
};
const place = (over: Partial<SupportPlace> = {}): SupportPlace => ({
  habit: traits.support,
  plantCm: 40,
  climb: climbAhead({
    heightCm: 40,
    heights: [],
    spot: { ...TYPICAL_SPOT, latitudeDeg: 54 },
    traits,
    date: '2026-04-01',
  }),
  horizonWeeks: 52,
  vpdKPa: 1,
  shelf: [],
  headroomCm: null,
  depthCm: 14,
  floorCm: 0,
  mouthCm2: null,
  ...over,
});
const bar = (over: Partial<ShelvedSupport> = {}): ShelvedSupport => ({
  id: 3,
  label: 'cane 180',
  kind: 'stake',
  section: { form: 'round', diameterCm: 1.6 },
  lengthCm: 180,
  extension: false,
  ...over,
});

describe('whether a plant wants another support', () => {
  it.each([
    [{ has: true, outgrown: false, climbs: true }, 'keep'],
    [{ has: true, outgrown: true, climbs: true }, 'new'],
    [{ has: false, outgrown: false, climbs: true }, 'new'],
    [{ has: false, outgrown: true, climbs: false }, 'new'],
    [{ has: false, outgrown: false, climbs: false }, 'none'],
  ] as const)('%o: %s', (plant, mode) => {
    expect(supportMode(plant)).toBe(mode);
  });
});

describe('the support that is settled on', () => {
  it('is of the kind that is advised, unless one is named', () => {
    const advised = kindsFor(WANTED, place(), 60)[0]!.kind.id;
    expect(settleSupport(WANTED, place()).kind.id).toBe(advised);
    expect(settleSupport({ ...WANTED, kind: 'hoop' }, place()).kind.id).toBe('hoop');
  });

  it('comes from the keeper’s own bars, with their section', () => {
    const plan = settleSupport({ ...WANTED, kind: 'stake' }, place({ shelf: [bar()] }));
    expect(plan.stock).toMatchObject({ id: '3', owned: true, lengthCm: 180 });
    expect(plan.section).toEqual(bar().section);
    const none = settleSupport(
      { ...WANTED, kind: 'stake' },
      place({ shelf: [bar({ kind: 'hoop' })] }),
    );
    expect(none.stock?.owned).toBe(false);
    expect(none.section).toEqual(supportKind('stake').section);
  });

  it('is as wide and as long as the keeper wishes', () => {
    const wide = settleSupport({ ...WANTED, kind: 'stake', acrossCm: 3 }, place());
    expect(wide.section).toMatchObject({ diameterCm: 3 });
    const flat = settleSupport({ ...WANTED, kind: 'barkPlank', acrossCm: 12 }, place());
    expect(flat.section).toMatchObject({ widthCm: 12 });
    expect(settleSupport({ ...WANTED, kind: 'stake', lengthCm: 75 }, place()).lengthCm).toBe(75);
  });

  it('is the one it has, whatever else is wished, where it is kept', () => {
    const keep = { kind: 'coirPole', section: null, lengthCm: 66 } as const;
    const plan = settleSupport(
      { ...WANTED, keep, kind: 'stake', acrossCm: 9, lengthCm: 20 },
      place(),
    );
    expect([plan.kind.id, plan.lengthCm]).toEqual(['coirPole', 66]);
    expect(plan.section).toEqual(supportKind('coirPole').section);
    // What nobody named is taken for the lightest.
    expect(settleSupport({ ...WANTED, keep: { ...keep, kind: null } }, place()).kind.id).toBe(
      'stake',
    );
  });

  it('is refused where the place is too low for any', () => {
    expect(() => settleSupport(WANTED, place({ headroomCm: 20 }))).toThrow(/headroomCm/);
  });
});

describe('a support in a small pot', () => {
  // Mouths of pots by hand: π/4 · d². Common practice, no source: no thick pole in a cup.
  const mouthOf = (cm: number) => (Math.PI / 4) * cm ** 2;
  const damp = { ...WANTED, goal: 'largerLeaves' } as const;
  const climber = { habit: 'aerialRoots', plantCm: 25 } as const;
  const kindIn = (cm: number) =>
    settleSupport(damp, place({ ...climber, mouthCm2: mouthOf(cm) })).kind.id;

  it('is no pole that leaves the roots no room', () => {
    expect(kindIn(14)).toBe('mossMesh');
    expect(['mossMesh', 'mossSheet', 'barkPlank']).not.toContain(kindIn(8.5));
  });
  it('is said to be too thick among the kinds, and taken all the same where the keeper wants it', () => {
    const all = kindsFor(damp, place({ ...climber, mouthCm2: mouthOf(8.5) }), 40);
    const pole = all.find(({ kind }) => kind.id === 'mossMesh')!;
    expect(pole.possible).toBe(false);
    expect(inMetric(sayAll(pole.because, '; '))).toContain(
      'too thick for this pot: at 7 cm across',
    );
    const wanted = { ...damp, kind: 'mossMesh' as const };
    expect(settleSupport(wanted, place({ ...climber, mouthCm2: mouthOf(8.5) })).kind.id).toBe(
      'mossMesh',
    );
  });
});
