import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { addDays, daysBetween, TYPICAL_SPOT, type Spot } from '../season/index.ts';
import {
  adviseSupport,
  climbAhead,
  grownOutcomes,
  isGrown,
  keepingDamp,
  monthsToTop,
  perimeterCm,
  planSupport,
  polesFor,
  sectionAreaCm2,
  sectionFromSheet,
  sheetWidthCm,
  standsAtCm,
  supportKind,
  supportMaterial,
  usableShare,
  SUPPORT_KINDS,
  type SupportRequest,
} from './index.ts';
import { inMetric } from '../saying/index.ts';

const DATE = '2026-04-01';
const lamps: Spot = { ...TYPICAL_SPOT, temperatureC: 23, lampHours: 14 };
const vine = resolveTaxon('Syngonium podophyllum')!.traits;

/** A vine under lamps that has grown by the same length every month so far. */
const climb = (heightCm: number, cmPerMonth: number, wound = false) =>
  climbAhead({
    heightCm,
    heights: Array.from({ length: 10 }, (_, i) => ({
      date: addDays(DATE, Math.round((i - 9) * 30.44)),
      cm: heightCm - (9 - i) * cmPerMonth + 200,
    })),
    spot: lamps,
    traits: { ...vine, rhythm: 'evergreen' },
    date: DATE,
    wound,
  });
const ask = (more: Partial<SupportRequest> = {}): SupportRequest => ({
  kind: 'mossMesh',
  depthCm: 13,
  floorCm: 0.5,
  plantCm: 20,
  climb: climb(20, 8),
  horizonWeeks: 52,
  stock: [],
  ...more,
});

describe('the vine on its pole', () => {
  it('67 cm free at 22 cm a month last 3 months (common practice, no source)', () => {
    expect(Math.round(monthsToTop(67, 22)!)).toBe(3);
    const top = climb(20, 22).reaches(87).expected!;
    expect(daysBetween(DATE, top) / 30.44).toBeGreaterThan(2.6);
    expect(daysBetween(DATE, top) / 30.44).toBeLessThan(3.6);
  });
  it('nothing is reached without growth, and what is free of nothing is reached at once', () => {
    expect(monthsToTop(67, 0)).toBeNull();
    expect(monthsToTop(0, 22)).toBe(0);
  });
  it('the band holds the expected day between the soonest and the latest', () => {
    const { soonest, expected, latest } = climb(20, 8).reaches(80);
    expect(soonest! < expected!).toBe(true);
    expect(latest === null || latest > expected!).toBe(true);
  });
  it('wound at 45° it gains cos 45° of the height (geometry)', () => {
    const straight = climb(0, 10).heightAt(20).cm;
    expect(climb(0, 10, true).heightAt(20).cm / straight).toBeCloseTo(Math.SQRT1_2, 9);
  });
});

describe('sections', () => {
  it('a 24 cm sheet with 2 cm overlap rolls to 7.0 cm across, or folds to a D 8.56 wide (geometry by hand)', () => {
    const round = sectionFromSheet(24, 'round');
    expect(round).toEqual({ form: 'round', diameterCm: 22 / Math.PI });
    expect(sectionFromSheet(24, 'd')).toEqual({ form: 'd', widthCm: 22 / (Math.PI / 2 + 1) });
    expect(sectionAreaCm2(round)).toBeCloseTo((Math.PI / 4) * 7.003 ** 2, 1);
  });
  it('the way round plus the overlap is the sheet again', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 6, max: 120, noNaN: true }),
        fc.constantFrom('round' as const, 'd' as const),
        (flat, form) => {
          const section = sectionFromSheet(flat, form);
          expect(sheetWidthCm(section)).toBeCloseTo(flat, 9);
          expect(perimeterCm(section)).toBeLessThan(flat);
        },
      ),
    );
  });
  it('round takes in more than a D of the same sheet (isoperimetry)', () => {
    expect(sectionAreaCm2(sectionFromSheet(30, 'round'))).toBeGreaterThan(
      sectionAreaCm2(sectionFromSheet(30, 'd')),
    );
  });
  it('an overlap of more than half the sheet is refused', () => {
    expect(() => sectionFromSheet(10, 'round', 6)).toThrow(/overlapCm/);
  });
});

describe('moss and water', () => {
  const section = { form: 'round' as const, diameterCm: 7 };
  it('litres of moss are area × length, pressed in', () => {
    const { mossL, mossDryG } = supportMaterial('mossMesh', section, 80);
    expect(mossL).toBeCloseTo(((Math.PI / 4) * 49 * 80 * 1.4) / 1000, 9);
    expect(mossDryG / mossL).toBeCloseTo(40, 6); // 0.04 kg/L loose: the table of components
  });
  it('a taller pole holds less water per length: its top drains driest', () => {
    const perCm = (cm: number) => supportMaterial('mossMesh', section, cm).waterL / cm;
    expect(perCm(120)).toBeLessThan(perCm(40));
  });
  it('a sheet loses less than open mesh, and is watered less often', () => {
    const mesh = keepingDamp('mossMesh', section, 80, 1.2)!;
    const sheet = keepingDamp('mossSheet', { form: 'd', widthCm: 8 }, 80, 1.2)!;
    expect(sheet.perWeekL).toBeLessThan(mesh.perWeekL);
    expect(sheet.minutesPerWeek).toBeLessThan(mesh.minutesPerWeek);
    expect(keepingDamp('stake', { form: 'round', diameterCm: 1 }, 80, 1.2)).toBeNull();
  });
  it('a moss pole wants water every one to four days in a room (common practice, no source)', () => {
    const { days } = keepingDamp('mossMesh', section, 70, 1.2)!;
    expect(days).toBeGreaterThanOrEqual(1);
    expect(days).toBeLessThanOrEqual(4);
  });
});

describe('usable share', () => {
  it('a young plant uses the whole pole, one past the top none of it', () => {
    expect(usableShare(60, 5).share).toBe(1);
    expect(usableShare(60, 90).share).toBe(0);
    expect(usableShare(60, 40)).toEqual({ fromCm: 30, usableCm: 30, share: 0.5 });
  });
  it('never leaves 0 … 1, and falls as the plant grows', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 300, noNaN: true }),
        (above, plant) => {
          const { share } = usableShare(above, plant);
          expect(share).toBeGreaterThanOrEqual(0);
          expect(share).toBeLessThanOrEqual(1);
          expect(usableShare(above, plant + 5).share).toBeLessThanOrEqual(share);
        },
      ),
    );
  });
});

describe('advice of kind', () => {
  const wish = {
    goal: 'largerLeaves' as const,
    habit: 'aerialRoots' as const,
    plantCm: 15,
    aboveCm: 60,
    minutesPerWeek: null,
    vpdKPa: 1,
  };
  const first = (more: Partial<Parameters<typeof adviseSupport>[0]>) =>
    adviseSupport({ ...wish, ...more })[0]!.kind.id;
  it('larger leaves of a young aerial-rooted climber: damp moss (common practice, no source)', () => {
    expect(['mossMesh', 'mossSheet']).toContain(first({}));
  });
  it('cuttings later: the folded sheet, which opens', () => {
    expect(first({ goal: 'cuttings' })).toBe('mossSheet');
  });
  it('a keeper with two minutes a week is not sent to a moss pole, and told why', () => {
    const advice = adviseSupport({ ...wish, minutesPerWeek: 2 });
    expect(['mossMesh', 'mossSheet']).not.toContain(advice[0]!.kind.id);
    const mesh = advice.find(({ kind }) => kind.id === 'mossMesh')!;
    expect(mesh.possible).toBe(false);
    expect(mesh.because.map(inMetric).join(' ')).toMatch(/more than your 2 min/);
  });
  it('a plant past the pole gains nothing from damp moss', () => {
    const advice = adviseSupport({ ...wish, plantCm: 120 });
    expect(advice.find(({ kind }) => kind.id === 'mossMesh')!.score).toBe(0);
    expect(
      advice
        .find(({ kind }) => kind.id === 'mossMesh')!
        .because.map(inMetric)
        .join(' '),
    ).toMatch(/0 %/);
  });
  it('tendrils get bars, leaners a stake', () => {
    expect(first({ goal: 'tidy', habit: 'tendrils' })).toBe('trellis');
    expect(first({ goal: 'tidy', habit: 'leans' })).toBe('stake');
  });
  it('what is too tall for a kind rules it out', () => {
    const hoop = adviseSupport({ ...wish, aboveCm: 100 }).find(({ kind }) => kind.id === 'hoop')!;
    expect(hoop.possible).toBe(false);
  });
});

describe('a grown plant', () => {
  it('asks the question only where little of the pole is left', () => {
    expect(isGrown(60, 10)).toBe(false);
    expect(isGrown(60, 50)).toBe(true);
  });
  it('three schools: whole pole later, what is left now, or none', () => {
    const outcomes = grownOutcomes({
      plantCm: 40,
      aboveCm: 60,
      own: climb(40, 10),
      cutting: climb(10, 10),
      dampMinutes: 6,
    });
    const of = (school: string) => outcomes.find((outcome) => outcome.school === school)!;
    expect(of('restart').usable.share).toBe(1);
    expect(of('fromNow').usable.share).toBe(0.5);
    expect(of('plain').usable.share).toBe(0);
    expect(of('plain').minutesPerWeek).toBe(0);
    // Six weeks to root, then 30 cm at 10 cm a month.
    const weeks = daysBetween(DATE, of('restart').caughtUp!) / 7;
    expect(weeks).toBeGreaterThan(6 + 11);
    expect(weeks).toBeLessThan(6 + 16);
    expect(of('fromNow').usedUp! < of('restart').usedUp!).toBe(true);
  });
});

describe('the plan', () => {
  it('is long enough for the horizon: depth, height to come and room for the tip, rounded up to a stock length', () => {
    const plan = planSupport(ask());
    const horizon = climb(20, 8).heightAt(52).cm;
    expect(plan.lengthCm).toBeGreaterThanOrEqual(Math.min(120, 13 + horizon + 5) - 1e-9);
    expect(plan.kind.stockCm).toContain(plan.lengthCm);
    expect(plan.aboveCm).toBeCloseTo(plan.lengthCm - 13, 9);
  });
  it('a piece of one’s own is taken where it wastes little', () => {
    const own = { id: 'own', label: 'mesh 110', lengthCm: 110, owned: true, extension: false };
    const plan = planSupport(ask({ climb: climb(20, 5), stock: [own] }));
    expect(plan.stock!.id).toBe('own');
    const far = planSupport(ask({ climb: climb(20, 0.3), stock: [{ ...own, lengthCm: 170 }] }));
    expect(far.stock!.owned).toBe(false);
  });
  it('a fast vine outgrows one piece: extensions with their days, each after the one before', () => {
    const plan = planSupport(ask({ climb: climb(20, 22), horizonWeeks: 52 }));
    expect(plan.extensions.at(-1)!.aboveCm).toBeLessThanOrEqual(plan.kind.tallestCm + 5);
    expect(plan.extensions.length).toBeGreaterThan(0);
    let before = DATE;
    for (const { on, addsCm } of plan.extensions) {
      expect(on! > before).toBe(true);
      expect(addsCm).toBeGreaterThan(0);
      before = on!;
    }
    expect(inMetric(plan.because)).toMatch(/no higher than 180 cm/);
  });
  it('what is past its support already is extended today, and hangs back from its top', () => {
    const past = planSupport(
      ask({ kind: 'coirPole', plantCm: 140, climb: climb(140, 8), lengthCm: 100 }),
    );
    expect(past.extensions[0]!.on).toBe(DATE);
    expect(standsAtCm(140, past.aboveCm)).toBeCloseTo(87 + 15, 9);
    expect(standsAtCm(40, past.aboveCm)).toBe(40);
  });
  it('the place ends it where it is low, and says so', () => {
    const plan = planSupport(ask({ climb: climb(20, 22), headroomCm: 70 }));
    expect(plan.lengthCm + 0.5).toBeLessThanOrEqual(70 + 1e-9);
    expect(plan.limitedByRoom).toBe(true);
    expect(inMetric(plan.because)).toMatch(/the place ends it/);
    expect(plan.extensions).toEqual([]);
  });
  it('a plant that does not grow gets what it needs today', () => {
    const still = planSupport(ask({ climb: climb(20, 0), plantCm: 20 }));
    expect(still.aboveCm).toBeGreaterThanOrEqual(25);
    expect(still.reaches.soonest === null || still.reaches.soonest > DATE).toBe(true);
  });
  it('several stems go round one pole until its round is full, then poles are grouped', () => {
    const section = { form: 'round' as const, diameterCm: 7 };
    const moss = supportKind('mossMesh');
    expect(polesFor(moss, section, 4)).toBe(1);
    expect(polesFor(moss, section, 5)).toBe(2);
    // A stake is thin, yet two stems are tied to one (common practice, no source).
    const stake = supportKind('stake');
    expect(polesFor(stake, stake.section, 2)).toBe(1);
    expect(polesFor(stake, stake.section, 4)).toBe(2);
    expect(planSupport(ask({ stems: 5 })).stemsEach).toBe(3);
  });
  it('ties sit under every second node up to the tip, on every stem', () => {
    const plan = planSupport(ask({ plantCm: 48, internodeCm: 7, stems: 2 }));
    expect(plan.tiesCm).toEqual([6, 20, 34, 48]);
    expect(plan.ties).toBe(8);
  });
  it('tall ones are fixed to the pot', () => {
    expect(inMetric(planSupport(ask()).fixing)).toMatch(/wire or cable ties/);
    expect(inMetric(planSupport(ask({ lengthCm: 50 })).fixing)).toMatch(/firm the medium/);
  });
  it('a length of one’s own wish is cut from the shortest piece that is sold, else from none', () => {
    expect(planSupport(ask({ lengthCm: 95 }))).toMatchObject({ lengthCm: 95, cutOffCm: 5 });
    expect(planSupport(ask({ lengthCm: 140 })).stock).toBeNull();
  });
  it.each([
    ['taller than the place', { lengthCm: 120, headroomCm: 90 }, /higher than the place has/],
    ['shorter than the pot is deep', { lengthCm: 15 }, /at least 23/],
    ['a place lower than the pot', { headroomCm: 12 }, /too low for any support/],
    ['no stems', { stems: 0 }, /stems/],
    ['a section of nothing', { section: { form: 'round' as const, diameterCm: 0 } }, /diameterCm/],
  ])('%s is refused in words', (_what, more, words) => {
    expect(() => planSupport(ask(more))).toThrow(words);
  });
  it('every kind can be planned in every ordinary place', () => {
    for (const { id } of SUPPORT_KINDS) {
      const plan = planSupport(ask({ kind: id }));
      expect(plan.material.wetKg, id).toBeGreaterThanOrEqual(plan.material.dryKg);
      expect(plan.lengthCm, id).toBeGreaterThan(plan.depthCm);
    }
  });
});
