import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import type { MediumKind } from '../media/index.ts';
import type { Spot } from '../season/index.ts';
import { decide, weigh, type Signals, type State, type VerdictKind } from './index.ts';

/**
 * Situations across groups, seasons, hemispheres and lamps, with what a keeper
 * of experience would say. Expectations: common practice, no source.
 */
interface Situation {
  what: string;
  taxon: string;
  date: string;
  medium?: MediumKind;
  /** months since the last repot; null: unknown */
  months: number | null;
  signals: Signals;
  spot?: Partial<Spot>;
  /** any of these is sound */
  expect: VerdictKind[];
  /** state that must be likelier than not, or must not be */
  likely?: State;
  unlikely?: State;
  /** the week lies in these months, 1–12 */
  inMonths?: number[];
}

const SOON: VerdictKind[] = ['repotNow', 'repotInWeek'];
const WAITS: VerdictKind[] = ['repotInWeek', 'leave'];
const STAYS: VerdictKind[] = ['leave', 'refreshOnly'];

const SITUATIONS: Situation[] = [
  {
    what: 'ground fern, full pot in April',
    taxon: 'Nephrolepis exaltata',
    date: '2026-04-20',
    months: 18,
    signals: { rootsAtHoles: 'mat', driesSooner: true, growth: 'vigorous' },
    expect: ['repotNow'],
    likely: 'crowded',
    unlikely: 'danger',
  },
  {
    what: 'the same fern in November',
    taxon: 'Nephrolepis exaltata',
    date: '2026-11-10',
    months: 18,
    signals: { rootsAtHoles: 'mat', driesSooner: true },
    expect: ['repotInWeek'],
    likely: 'crowded',
    inMonths: [2, 3, 4],
  },
  {
    what: 'the same fern in November under lamps',
    taxon: 'Nephrolepis exaltata',
    date: '2026-11-10',
    months: 18,
    signals: { rootsAtHoles: 'mat', driesSooner: true },
    spot: { lampHours: 13 },
    expect: ['repotNow'],
  },
  {
    what: 'the same fern on the equator in November',
    taxon: 'Nephrolepis exaltata',
    date: '2026-11-10',
    months: 18,
    signals: { rootsAtHoles: 'mat', driesSooner: true },
    spot: { latitudeDeg: 1, temperatureC: 26 },
    expect: ['repotNow'],
  },
  {
    what: 'the same fern in the south in November',
    taxon: 'Nephrolepis exaltata',
    date: '2026-11-10',
    months: 18,
    signals: { rootsAtHoles: 'mat', driesSooner: true },
    spot: { latitudeDeg: -42 },
    expect: ['repotNow'],
  },
  {
    what: 'fern repotted last month that does well',
    taxon: 'Adiantum',
    date: '2026-06-01',
    months: 1,
    signals: { growth: 'normal', rootsAtHoles: 'none' },
    expect: WAITS,
    unlikely: 'crowded',
  },
  {
    what: 'walking orchid at the end of its bark, roots starting',
    taxon: 'Oncidium',
    date: '2026-04-15',
    months: 24,
    signals: { newRootTips: 'starting', mediumSunk: true, compacted: true },
    expect: ['repotNow'],
    likely: 'mediumFailing',
  },
  {
    what: 'walking orchid in full bloom with tired bark',
    taxon: 'Oncidium',
    date: '2026-04-15',
    months: 22,
    signals: { bloom: 'open', mediumSunk: true },
    expect: WAITS,
    inMonths: [5, 6, 7],
  },
  {
    what: 'walking orchid over the wall in winter',
    taxon: 'Encyclia',
    date: '2026-12-01',
    months: 20,
    signals: { growthAtWall: true, aerialRootsOutside: 'many' },
    expect: WAITS,
    likely: 'crowded',
    inMonths: [3, 4, 5],
  },
  {
    what: 'slipper orchid in fresh bark',
    taxon: 'Paphiopedilum',
    date: '2026-05-01',
    months: 3,
    signals: { smell: 'fresh', growth: 'normal' },
    expect: WAITS,
    unlikely: 'mediumFailing',
  },
  {
    what: 'slipper orchid, sour and limp in December',
    taxon: 'Paphiopedilum',
    date: '2026-12-10',
    months: 26,
    signals: { smell: 'sour', limp: true, rot: 'roots' },
    expect: ['rescueNow'],
    likely: 'danger',
  },
  {
    what: 'staghorn in old moss, spring',
    taxon: 'Platycerium bifurcatum',
    date: '2026-04-20',
    months: 20,
    signals: { compacted: true, staysWetLonger: true },
    expect: SOON,
    likely: 'mediumFailing',
  },
  {
    what: 'forest cactus in bud with a full pot',
    taxon: 'Schlumbergera',
    date: '2026-11-05',
    months: 14,
    signals: { bloom: 'bud', rootsAtHoles: 'several' },
    expect: WAITS,
  },
  {
    what: 'jade plant, dry and well in mineral for four years',
    taxon: 'Crassula ovata',
    date: '2026-05-01',
    medium: 'mineral',
    months: 20,
    signals: { rootsAtHoles: 'none', growth: 'normal' },
    expect: ['leave'],
    unlikely: 'mediumFailing',
  },
  {
    what: 'jade plant that leans',
    taxon: 'Crassula ovata',
    date: '2026-05-01',
    medium: 'mineral',
    months: 14,
    signals: { wobble: 'leans', rootsAtHoles: 'none', growth: 'normal' },
    expect: STAYS,
  },
  {
    what: 'cactus with rot in the stem, midwinter',
    taxon: 'Mammillaria',
    date: '2027-01-05',
    medium: 'mineral',
    months: 30,
    signals: { rot: 'stem' },
    expect: ['rescueNow'],
    likely: 'danger',
  },
  {
    what: 'winter-growing succulent in November, full',
    taxon: 'Aeonium',
    date: '2026-11-01',
    medium: 'mineral',
    months: 40,
    signals: { rootsAtHoles: 'mat', potBulging: true, driesSooner: true },
    spot: { latitudeDeg: 36, light: 'sun', temperatureC: 17 },
    expect: ['repotNow'],
    likely: 'crowded',
  },
  {
    what: 'the same at rest in July',
    taxon: 'Aeonium',
    date: '2026-07-01',
    medium: 'mineral',
    months: 40,
    signals: { rootsAtHoles: 'mat', potBulging: true, resting: true },
    spot: { latitudeDeg: 36, light: 'sun', temperatureC: 26 },
    expect: ['repotInWeek'],
    inMonths: [9, 10, 11],
  },
  {
    what: 'amaryllis bulb at rest in January, snug',
    taxon: 'Hippeastrum',
    date: '2027-01-10',
    months: 14,
    signals: { resting: true, rootsAtHoles: 'several' },
    expect: WAITS,
  },
  {
    what: 'clivia in bloom, pot bulging',
    taxon: 'Clivia miniata',
    date: '2026-03-25',
    months: 50,
    signals: { bloom: 'open', potBulging: true, rootsOnTop: 'many', compacted: true },
    expect: ['repotInWeek'],
    inMonths: [4, 5, 6],
  },
  {
    what: 'tuber about to wake in March, old medium',
    taxon: 'Caladium',
    date: '2026-03-20',
    medium: 'peatSoil',
    months: 12,
    signals: { compacted: true, mediumSunk: true },
    spot: { temperatureC: 21 },
    expect: SOON,
  },
  {
    what: 'bog pitcher in old peat, just before growth',
    taxon: 'Sarracenia',
    date: '2026-03-10',
    months: 26,
    signals: { compacted: true, algae: true },
    spot: { temperatureC: 12, light: 'sun' },
    expect: SOON,
    likely: 'mediumFailing',
  },
  {
    what: 'citrus with a thick salt crust, else well',
    taxon: 'Citrus limon',
    date: '2026-06-10',
    months: 8,
    signals: { saltCrust: 'thick', growth: 'normal', rootsAtHoles: 'none' },
    expect: ['refreshOnly'],
  },
  {
    what: 'passion vine past its pole, freshly potted',
    taxon: 'Passiflora',
    date: '2026-07-10',
    months: 2,
    signals: { vinePastSupport: true, growth: 'vigorous', rootsAtHoles: 'none' },
    expect: ['refreshOnly', 'repotInWeek'],
  },
  {
    what: 'white jasmine in bud with every hole full',
    taxon: 'Jasminum polyanthum',
    date: '2026-02-10',
    months: 16,
    signals: { bloom: 'bud', rootsAtHoles: 'every' },
    spot: { temperatureC: 14, light: 'bright' },
    expect: ['repotInWeek'],
    inMonths: [4, 5, 6],
  },
  {
    what: 'gesneriad, snug and well',
    taxon: 'Streptocarpus',
    date: '2026-05-15',
    months: 5,
    signals: { rootsAtHoles: 'several', growth: 'normal', smell: 'fresh' },
    expect: WAITS,
  },
  {
    what: 'begonia whose new leaves come smaller, in May',
    taxon: 'Begonia maculata',
    date: '2026-05-15',
    months: 17,
    signals: { newLeaves: 'smaller', rootsAtHoles: 'every', driesSooner: true },
    expect: ['repotNow'],
    likely: 'crowded',
  },
  {
    what: 'prayer plant, limp and wet for long',
    taxon: 'Maranta leuconeura',
    date: '2026-06-10',
    months: 14,
    signals: { limp: true, staysWetLonger: true },
    expect: SOON,
    // Limp and wet: its roots no longer drink.
    likely: 'tooWet',
    unlikely: 'danger',
  },
  {
    what: 'mealy clusters on roots, out of season',
    taxon: 'Citrus limon',
    date: '2026-12-15',
    months: 8,
    signals: { pests: 'mealy', infestedRoots: true },
    expect: ['rescueNow'],
    likely: 'danger',
  },
  {
    what: 'gnats alone are no reason',
    taxon: 'Aspidistra elatior',
    date: '2026-05-15',
    months: 6,
    signals: { pests: 'gnats', growth: 'normal' },
    // Never by themselves a repot: a lesser act or a look is right too, as practice has it.
    expect: ['leave', 'refreshOnly'],
    unlikely: 'danger',
  },
  {
    what: 'unpotted: white roots all round, tightly circling',
    taxon: 'Chamaedorea elegans',
    date: '2026-05-15',
    months: 40,
    signals: { ballCover: 1, circling: 'tight', liveRoots: 1, rot: 'none' },
    expect: SOON,
    likely: 'crowded',
    unlikely: 'danger',
  },
  {
    what: 'unpotted: few roots, most of them dead',
    taxon: 'Fatsia japonica',
    date: '2026-05-15',
    months: 20,
    signals: { ballCover: 0.2, liveRoots: 0.2, rot: 'roots', smell: 'sour' },
    expect: ['rescueNow'],
    likely: 'danger',
    unlikely: 'crowded',
  },
  {
    what: 'just arrived, in bloom, with a nursery plug',
    taxon: 'Paphiopedilum',
    date: '2026-05-15',
    months: null,
    signals: { justArrived: true, bloom: 'open', nurseryPlug: true },
    expect: WAITS,
  },
  {
    what: 'tree fern in a cold porch in February',
    taxon: 'Dicksonia antarctica',
    date: '2026-02-10',
    months: 36,
    signals: { rootsAtHoles: 'every', compacted: true },
    spot: { temperatureC: [5, 6, 8, 10, 13, 16, 18, 18, 15, 11, 8, 6], light: 'sun' },
    expect: ['repotInWeek'],
    inMonths: [4, 5, 6],
  },
];

function decisionOf({ taxon, date, medium, months, signals, spot }: Situation) {
  const { traits } = resolveTaxon(taxon)!;
  const then = new Date(`${date}T00:00:00Z`);
  if (months !== null) then.setUTCMonth(then.getUTCMonth() - months);
  return decide({
    traits,
    date,
    spot: {
      latitudeDeg: 54,
      indoors: true,
      temperatureC: 20,
      relativeHumidity: 0.5,
      lampHours: 0,
      light: 'medium',
      ...spot,
    },
    pot: { shape: 'round', topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 },
    medium: { kind: medium ?? traits.medium },
    lastRepot: months === null ? null : then.toISOString().slice(0, 10),
    signals,
  });
}

describe('situations of practice', () => {
  it.each(SITUATIONS)('$what', (situation) => {
    const { verdict, week, states, reasons, lookAgain } = decisionOf(situation);
    expect(situation.expect).toContain(verdict);
    if (situation.likely) expect(states[situation.likely]).toBeGreaterThan(0.5);
    if (situation.unlikely) expect(states[situation.unlikely]).toBeLessThan(0.5);
    if (situation.inMonths && week) {
      expect(situation.inMonths, week).toContain(Number(week.slice(5, 7)));
    }
    if (verdict === 'repotInWeek') expect(week! > situation.date).toBe(true);
    if (verdict === 'leave' || verdict === 'repotInWeek') {
      expect(lookAgain! >= situation.date).toBe(true);
    }
    // Every finding that speaks of a state is among the reasons.
    const named = reasons.map(({ signal }) => signal);
    for (const [id, value] of Object.entries(situation.signals)) {
      if (Object.keys(weigh(id, value!).weights).length > 0) expect(named).toContain(id);
    }
  });
});
