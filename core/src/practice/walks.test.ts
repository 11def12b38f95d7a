import { describe, expect, it, vi } from 'vitest';
import { CATALOGUE, type Taxon } from '../catalogue/index.ts';
import {
  decide,
  type Decision,
  type Signals,
  type Situation,
  type SignalId,
} from '../decide/index.ts';
import { addDays, daysBetween, DAYS_PER_MONTH, mondayOf, type IsoDate } from '../season/index.ts';
import { trialGarden } from '../trials/garden.ts';
import { panelPot } from './panel/held.ts';
import { PLACES } from './panel/places.ts';

// Tens of thousands of verdicts: how long they take is not what is tested.
vi.setConfig({ testTimeout: 240_000 });

const JANUARY = '2026-01-07';
const MAY = '2026-05-13';
const SIZES_CM = [9, 14, 25];

function asked(
  { traits }: Taxon,
  cm: number,
  date: IsoDate,
  lastRepot: IsoDate,
  signals: Signals,
): Decision {
  const situation: Situation = {
    traits,
    date,
    spot: PLACES.room,
    pot: panelPot(cm),
    medium: { kind: traits.medium, recipe: traits.recipe },
    lastRepot,
    signals,
  };
  return decide(situation, 'brief');
}

const isNow = ({ verdict }: Decision) => verdict === 'repotNow' || verdict === 'rescueNow';
const monthsBefore = (date: IsoDate, months: number) =>
  addDays(date, -Math.round(months * DAYS_PER_MONTH));

/** What strong evidence demands, in an open window, of snug-loving plants as of all others. */
const STRONG: readonly Signals[] = [
  { rootsAtHoles: 'mat' },
  { ballCover: 1, circling: 'tight' },
  { potBulging: true },
  { liveRoots: 0.5 },
  { rootsAtHoles: 'every', ballCover: 1, driesSooner: true },
];
const ACUTE: readonly Signals[] = [
  { liveRoots: 0.3 },
  { infestedRoots: true },
  { rot: 'roots' },
  { rot: 'stem' },
];

describe('whoever follows the advice', () => {
  it('of strong evidence repots within the year, in the weeks that were announced', () => {
    const late: string[] = [];
    CATALOGUE.forEach((taxon, i) => {
      SIZES_CM.forEach((cm, j) => {
        const signals = STRONG[(i + j) % STRONG.length]!;
        const last = monthsBefore(JANUARY, 14);
        let announced: Decision['window'] = null;
        let done = false;
        for (let week = 0; week <= 44 && !done; week += 2) {
          const date = addDays(JANUARY, 7 * week);
          const decision = asked(taxon, cm, date, last, signals);
          done = isNow(decision);
          const kept =
            announced === null ||
            decision.window === null ||
            // … unless the window that was announced has begun.
            mondayOf(date) >= announced.from ||
            (decision.window.best >= announced.from && decision.window.best <= announced.to);
          if (!kept) late.push(`${taxon.name} ${cm} cm: ${announced?.best} → ${decision.week}`);
          announced = decision.window;
        }
        if (!done) late.push(`${taxon.name} ${cm} cm ${JSON.stringify(signals)}: not in 44 weeks`);
      });
    });
    expect(late).toEqual([]);
  });

  it('of roots that rot, die or are infested acts at once, in winter too', () => {
    for (const taxon of CATALOGUE) {
      for (const signals of ACUTE) {
        const { verdict } = asked(taxon, 14, '2026-12-09', '2025-10-01', signals);
        expect(verdict, `${taxon.name} ${JSON.stringify(signals)}`).toBe('rescueNow');
      }
    }
  });

  it('hears another answer at most six times in two years, and the same all week', () => {
    const some = CATALOGUE.filter((_, i) => i % 20 === 0);
    for (const taxon of some) {
      for (const signals of [{}, { rootsAtHoles: 'several' }, { compacted: true }]) {
        let changes = -1;
        let before = '';
        for (let week = 0; week < 104; week += 2) {
          const monday = addDays('2026-01-05', 7 * week);
          const ask = (date: IsoDate) => {
            const { verdict, week: best } = asked(taxon, 14, date, '2024-11-01', signals);
            return verdict === 'repotInWeek' ? best! : verdict;
          };
          const said = ask(monday);
          expect(ask(addDays(monday, 5)), `${taxon.name} ${monday}`).toBe(said);
          if (said !== before) changes += 1;
          before = said;
        }
        // Twice as many windows a year open and close for what grows in spring and autumn.
        const { rhythm } = taxon.traits;
        const most = rhythm === 'springAndAutumn' || rhythm === 'coolSeason' ? 10 : 6;
        expect(changes, `${taxon.name} ${JSON.stringify(signals)}`).toBeLessThanOrEqual(most);
      }
    }
  });
});

describe('what weak evidence may not do', () => {
  const WEAK: readonly Signals[] = [
    { pests: 'gnats' },
    { pests: 'ants' },
    { oldLeavesYellowing: true },
    { rootsAtHoles: 'one' },
    { mould: 'surface' },
    { saltCrust: 'some' },
    { algae: true },
  ];

  it('never by itself a repot, in no kind of plant, with roots and medium young', () => {
    for (const taxon of CATALOGUE) {
      for (const signals of WEAK) {
        const { verdict } = asked(taxon, 14, MAY, monthsBefore(MAY, 5), signals);
        expect(['leave', 'refreshOnly'], `${taxon.name} ${JSON.stringify(signals)}`).toContain(
          verdict,
        );
      }
    }
  });

  it('nothing found and nothing overdue: left', () => {
    const fine: Signals = { growth: 'normal', smell: 'fresh', rootsAtHoles: 'none' };
    for (const taxon of CATALOGUE.filter(({ traits }) => !traits.renewedYearly)) {
      for (const cm of SIZES_CM) {
        const { verdict } = asked(taxon, cm, MAY, monthsBefore(MAY, 12), fine);
        expect(verdict, `${taxon.name} ${cm} cm`).toBe('leave');
      }
    }
  });
});

describe('more trouble', () => {
  const TROUBLE: readonly Signals[] = [
    { wobble: 'topples' },
    { saltCrust: 'thick' },
    { pests: 'mealy' },
    { staysWetLonger: true },
    { smell: 'sour' },
    { compacted: true },
    { rootsAtHoles: 'mat' },
    { liveRoots: 0.3 },
    { rot: 'roots' },
  ];
  /** Weeks until the plant is moved; one that is not: never. */
  const weeksUntil = (decision: Decision, date: IsoDate) => {
    if (isNow(decision)) return 0;
    return decision.verdict === 'repotInWeek'
      ? daysBetween(mondayOf(date), decision.week!) / 7
      : Infinity;
  };

  it('never delays a repot', () => {
    for (const { situation } of trialGarden(71_993, 160)) {
      for (const trouble of TROUBLE) {
        const [id] = Object.keys(trouble) as SignalId[];
        const { [id!]: _, ...others } = situation.signals;
        const before = weeksUntil(
          decide({ ...situation, signals: others }, 'brief'),
          situation.date,
        );
        const judged = decide({ ...situation, signals: { ...others, ...trouble } }, 'brief');
        // A lesser act that puts it right today is no delay.
        if (judged.verdict === 'refreshOnly') continue;
        const after = weeksUntil(judged, situation.date);
        expect(after, JSON.stringify([trouble, situation])).toBeLessThanOrEqual(before);
      }
    }
  });
});
