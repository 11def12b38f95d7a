import { describe, expect, it } from 'vitest';
import { CATALOGUE, resolveTaxon } from '../catalogue/index.ts';
import { decide, SIGNALS } from '../decide/index.ts';
import { SHIPPED } from '../media/index.ts';
import { nominalPot, rimCm } from '../pots/index.ts';
import {
  ask,
  dayOfLastRepot,
  firstQuestions,
  guessedPlace,
  latitudeOfZone,
  subjectAsked,
  type Asked,
} from './index.ts';

const ROOM = guessedPlace({ zone: 'Europe/London', offsets: { january: 0, july: -60 } }).spot;
const asked = (name: string, over: Partial<Asked> = {}): Asked => {
  const taxon = resolveTaxon(name)!;
  return {
    taxon,
    rimCm: 14,
    potMaterial: 'plastic',
    mediumKind: taxon.traits.medium,
    lastRepot: '2024-04-15',
    signals: {},
    spot: ROOM,
    date: '2026-04-12',
    ...over,
  };
};

describe('where a device stands', () => {
  // Latitudes of the cities from an atlas, whole degrees.
  it.each([
    ['Europe/London', 52],
    ['Asia/Tokyo', 36],
    ['Australia/Sydney', -34],
    ['America/Sao_Paulo', -24],
    ['Africa/Nairobi', -1],
    // Names that systems gave before.
    ['Asia/Calcutta', 23],
    ['Europe/Kiev', 50],
    ['America/Buenos_Aires', -35],
  ])('%s lies at about %i°', (zone, deg) => {
    expect(Math.abs(latitudeOfZone(zone)! - deg)).toBeLessThanOrEqual(1);
  });

  it('is guessed by how its clocks change where its zone is not known, else taken as usual', () => {
    const unknown = (january: number, july: number) =>
      guessedPlace({ zone: 'Mars/Olympus', offsets: { january, july } });
    expect(unknown(-60, -120)).toMatchObject({ from: 'clockChange', spot: { latitudeDeg: 40 } });
    expect(unknown(-660, -600)).toMatchObject({ from: 'clockChange', spot: { latitudeDeg: -40 } });
    expect(unknown(-330, -330).from).toBe('nothing');
  });
});

describe('a last repot as it is remembered', () => {
  it.each([
    ['thisYear', '2026-11-28', 52, '2026-04-15'],
    ['thisYear', '2026-03-01', 52, '2026-01-30'],
    ['thisYear', '2026-01-01', 52, '2026-01-01'],
    ['lastYear', '2026-03-01', 52, '2025-04-15'],
    ['lastYear', '2026-03-01', -34, '2025-10-15'],
    ['longer', '2026-03-01', 52, '2024-04-15'],
    ['nobodyKnows', '2026-03-01', 52, null],
  ] as const)('%s, asked on %s at %i°, is %s', (remembered, today, latitude, day) => {
    expect(dayOfLastRepot(remembered, today, latitude)).toBe(day);
  });
});

describe('the first questions', () => {
  it('are three that can be seen without taking it out, for every kind of the catalogue', () => {
    const ball = new Set(SIGNALS.filter(({ group }) => group === 'ball').map(({ id }) => id));
    for (const taxon of CATALOGUE.filter((_, i) => i % 7 === 0)) {
      const unseen = decide(subjectAsked(asked(taxon.name)).situation);
      const found = firstQuestions(unseen, 3);
      expect(new Set(found).size, taxon.name).toBe(3);
      expect(found, taxon.name).toContain('rootsAtHoles');
      for (const id of found) expect(ball.has(id), `${taxon.name}: ${id}`).toBe(false);
    }
  });

  it('of a leafy plant whose last repot nobody knows ask for roots and smell', () => {
    const unseen = decide(subjectAsked(asked('Aspidistra elatior', { lastRepot: null })).situation);
    expect(firstQuestions(unseen, 3)).toEqual(expect.arrayContaining(['rootsAtHoles', 'smell']));
  });
});

describe('the answer', () => {
  // Written down before it was asked; common practice, no source.
  it('a fern with roots out of every hole in April goes one size up, into few scoops of an airy mix', () => {
    const { decision, fit, batch } = ask(
      asked('Davallia fejeensis', { signals: { rootsAtHoles: 'every', smell: 'fresh' } }),
      SHIPPED,
    );
    expect(decision.headline).toBe('repotNow');
    expect(rimCm(fit.rung!.option.outside)).toBeGreaterThanOrEqual(16);
    expect(rimCm(fit.rung!.option.outside)).toBeLessThanOrEqual(18);
    const scoops = batch!.scoop.scoops.reduce((sum, n) => sum + n, 0);
    expect(scoops).toBeGreaterThanOrEqual(2);
    expect(scoops).toBeLessThanOrEqual(16);
  });

  it('one whose roots rot is rescued whatever the month', () => {
    const rotten = { rootsAtHoles: 'none', smell: 'sour', limp: true } as const;
    const { decision } = ask(
      asked('Schefflera', { date: '2026-01-12', signals: { ...rotten, staysWetLonger: true } }),
      SHIPPED,
    );
    expect(['rescueNow', 'repotNow', 'unpotAndLook']).toContain(decision.headline);
  });

  it('an ivy with a support has room for its mix, also where a pot hardly larger is owned', () => {
    const clay14 = {
      id: 'shelf-1',
      label: 'clay 14',
      outside: nominalPot(14),
      material: 'terracotta',
      source: 'free',
    } as const;
    const house = { pots: [clay14], covers: [], supports: [], headroomCm: null };
    const { fit, batch } = ask(asked('Hedera', { rimCm: 13 }), SHIPPED, house);
    expect(batch).not.toBeNull();
    expect(rimCm(fit.rung!.option.outside)).toBeGreaterThanOrEqual(15);
    expect(rimCm(fit.rung!.option.outside)).toBeLessThanOrEqual(19);
  });

  it('is there for every third kind and width that pots come in', () => {
    for (const taxon of CATALOGUE.filter((_, i) => i % 3 === 0)) {
      for (const rimCm of [6, 13, 30]) {
        const { fit, batch } = ask(asked(taxon.name, { taxon, rimCm }), SHIPPED);
        expect(fit.rung, `${taxon.name} in ${rimCm} cm`).not.toBeNull();
        // Common practice, no source: a pole never takes the room that the new pot was for.
        if (fit.plan && fit.rung!.verdict === 'fits' && fit.rung!.option.source !== 'present') {
          const share = fit.rung!.newMediumL / fit.rung!.fillL;
          expect(share, `${taxon.name} in ${rimCm} cm`).toBeGreaterThan(0.1);
        }
        // Only what stays in its pot with its ball whole needs none.
        if (fit.rung!.option.source !== 'present') {
          expect(batch!.mixedL, `${taxon.name} in ${rimCm} cm`).toBeGreaterThan(0);
        }
      }
    }
  });
});
