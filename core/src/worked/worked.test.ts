import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  checkpointOn,
  comparisons,
  FACTORS,
  FEWEST_CASES,
  gradeBySeen,
  gradeFault,
  lastGrade,
  learnedLife,
  learnedPace,
  methodOf,
  SEEN_IDS,
  seasonOf,
  tallyBy,
  traySuccess,
  wordOf,
  type Case,
  type Done,
  type Factor,
  type Grade,
  type Practice,
} from './index.ts';

const PRACTICE: Practice = {
  method: 'ballKept',
  schools: { when: 'window', size: 'oneUp' },
  medium: 'peatSoil',
  season: 'spring',
  inWindow: true,
  group: 'fern',
};
const graded = (practice: Partial<Practice>, ...grades: Grade[]): Case[] =>
  grades.map((grade) => ({
    practice: { ...PRACTICE, ...practice },
    grades: [{ at: 'weeks7', grade }],
  }));

describe('a judgement', () => {
  it.each([
    ['2026-05-01', '2026-05-14', null],
    ['2026-05-01', '2026-05-15', 'weeks3'],
    ['2026-05-01', '2026-06-04', 'weeks3'],
    ['2026-05-01', '2026-06-05', 'weeks7'],
    ['2026-05-01', '2026-07-30', 'season'],
    ['2026-05-01', '2027-06-05', 'season'],
    ['2026-05-01', '2027-06-06', null],
    ['2026-05-01', '2026-04-20', null],
  ] as const)('of a repot on %s, given on %s, is for %s', (repotted, date, at) => {
    expect(checkpointOn(repotted, date)).toBe(at);
  });

  it('is offered by what was seen, and never for nothing seen', () => {
    expect(gradeBySeen([])).toBeNull();
    expect(gradeBySeen(['newGrowth', 'firm'])).toBe('thrives');
    expect(gradeBySeen(['newGrowth', 'leafLoss'])).toBe('holdsOn');
    expect(gradeBySeen(['shrivel', 'sour'])).toBe('suffers');
    for (const id of SEEN_IDS) expect(gradeBySeen(['lost', id])).toBe('suffers');
  });

  it('of a lost plant can only be that', () => {
    expect(gradeFault('thrives', ['lost'])).toMatch(/lost plant/);
    expect(gradeFault('suffers', ['lost', 'newRoots'])).toMatch(/new roots/);
    expect(gradeFault('suffers', ['lost', 'leafLoss'])).toBeNull();
    expect(gradeFault('thrives', [])).toBeNull();
  });

  it('counts by its latest checkpoint: what looked well may still fail', () => {
    const one: Case = {
      practice: PRACTICE,
      grades: [
        { at: 'season', grade: 'suffers' },
        { at: 'weeks3', grade: 'thrives' },
      ],
    };
    expect(lastGrade(one)).toBe('suffers');
    expect(tallyBy([one], 'method')[0]!.counts.suffers).toBe(1);
    expect(tallyBy([one], 'method', 'weeks3')[0]!.counts.thrives).toBe(1);
    expect(tallyBy([one], 'method', 'weeks7')).toEqual([]);
  });
});

describe('what worked', () => {
  it('counts thriving whole, holding on half, by Beta(1 + s, 1 + n − s)', () => {
    const [tally] = tallyBy(graded({}, 'thrives', 'thrives', 'holdsOn', 'suffers'), 'method');
    expect(tally).toMatchObject({ cases: 4, belief: { a: 3.5, b: 2.5 }, telling: false });
    expect(tally!.mean).toBeCloseTo(3.5 / 6, 12);
    expect(tally!.low).toBeLessThan(tally!.mean);
    expect(tally!.high).toBeGreaterThan(tally!.mean);
  });

  it('claims nothing from under five cases, and ranks those last', () => {
    const few = graded({ season: 'summer' }, 'thrives', 'thrives');
    const many = graded({}, ...Array.from({ length: FEWEST_CASES }, (): Grade => 'holdsOn'));
    const tallies = tallyBy([...few, ...many], 'season');
    expect(tallies.map(({ value, telling }) => [value, telling])).toEqual([
      ['spring', true],
      ['summer', false],
    ]);
    expect(comparisons([...few, ...many]).map(({ factor }) => factor)).not.toContain('season');
  });

  it('compares where both sides have cases, the surest first', () => {
    const six = (grade: Grade) => Array.from({ length: 6 }, () => grade);
    const cases = [
      ...graded({ season: 'spring', inWindow: true }, ...six('thrives')),
      ...graded({ season: 'winter', inWindow: false }, ...six('suffers')),
    ];
    const found = comparisons(cases);
    expect(found.map(({ factor }) => factor).sort()).toEqual(['inWindow', 'season']);
    for (const { better, worse, chance } of found) {
      expect(better.mean).toBeGreaterThan(worse.mean);
      expect(chance).toBeGreaterThan(0.99);
    }
  });

  it('each case counts once in every factor that had a say', () => {
    const grade = fc.constantFrom<Grade>('thrives', 'holdsOn', 'suffers');
    fc.assert(
      fc.property(fc.array(grade, { minLength: 1, maxLength: 40 }), (grades) => {
        const cases = graded({}, ...grades);
        for (const factor of Object.keys(FACTORS) as Factor[]) {
          const total = tallyBy(cases, factor).reduce((sum, { cases: n }) => sum + n, 0);
          const said = factor === 'method' || factor === 'season' || factor === 'medium';
          const school = factor === 'when' || factor === 'size' || factor === 'inWindow';
          expect(total).toBe(said || school ? grades.length : 0);
        }
      }),
    );
  });

  it('every value has words', () => {
    expect(wordOf('inWindow', 'false')).toMatch(/outside/);
    expect(wordOf('medium', 'bark')).toBe('bark');
    expect(wordOf('rot', 'dryAir')).toMatch(/air/);
  });

  it('of the tray counts what is decided, by method and medium', () => {
    const success = traySuccess([
      { method: 'cutting', medium: 'water', pottedOn: 4, lost: 1 },
      { method: 'cutting', medium: 'water', pottedOn: 2, lost: 0 },
      { method: 'leaf', medium: 'moss', pottedOn: 0, lost: 0 },
      { method: 'leaf', medium: 'mix', pottedOn: 1, lost: 3 },
    ]);
    expect(success.map(({ label, cases, telling }) => [label, cases, telling])).toEqual([
      ['cutting, water', 7, true],
      ['leaf start, airy mix', 4, false],
    ]);
    expect(success[0]!.mean).toBeCloseTo(7 / 9, 12);
  });
});

describe('how it was done', () => {
  const DONE: Done = {
    from: 'bark',
    to: 'bark',
    work: 'bareRoot',
    rootsCut: false,
    pieces: 1,
    rootsPruned: false,
    rotten: false,
  };
  it.each([
    [{}, 'bareRoot'],
    [{ work: 'ballKept' }, 'ballKept'],
    [{ rootsPruned: true }, 'rootsPruned'],
    [{ pieces: 2, rootsPruned: true }, 'divided'],
    [{ rotten: true, pieces: 2 }, 'rescued'],
    [{ to: 'pebbles' }, 'intoPebbles'],
    [{ from: 'pebbles', to: 'mix' }, 'outOfPebbles'],
    [{ from: 'pebbles', to: 'pebbles' }, 'bareRoot'],
    [{ mound: true, to: 'moss' }, 'mound'],
  ] as const)('%o is %s', (change, method) => {
    expect(methodOf({ ...DONE, ...change })).toBe(method);
  });

  // Meteorological seasons: whole months from December, March, June, September; turned round in the south.
  it.each([
    ['2026-12-01', 54, 'winter'],
    ['2026-02-28', 54, 'winter'],
    ['2026-03-01', 54, 'spring'],
    ['2026-08-31', 54, 'summer'],
    ['2026-11-30', 54, 'autumn'],
    ['2026-12-01', -34, 'summer'],
    ['2026-07-01', -34, 'winter'],
  ] as const)('%s at %s° is %s', (date, latitude, season) => {
    expect(seasonOf(date, latitude)).toBe(season);
  });
});

describe('what earlier pots taught', () => {
  const full = { explored: 1, sd: 0.08 };
  const loose = { explored: 0.55, sd: 0.08 };

  it('a plant that filled its pots early is fast, one that did not is slow', () => {
    const stay = (roots: typeof full) => ({ months: 14, meanActivity: 0.6, toFill: 20, roots });
    const fast = learnedPace([stay(full), stay(full)])!;
    const slow = learnedPace([stay(loose), stay(loose)])!;
    expect(fast.factor).toBeGreaterThan(1.1);
    expect(slow.factor).toBeLessThan(0.9);
    expect(fast.own && slow.own).toBe(true);
  });

  it('more stays make it surer, none says nothing', () => {
    const stay = { months: 20, meanActivity: 0.6, toFill: 20, roots: full };
    const one = learnedPace([stay])!;
    const three = learnedPace([stay, stay, stay])!;
    expect(three.sdLog).toBeLessThan(one.sdLog);
    expect(learnedPace([])).toBeNull();
    expect(learnedPace([{ ...stay, roots: null }])).toBeNull();
  });

  it('a medium found gone before its time shortens its life, one found sound after it lengthens it', () => {
    const early = learnedLife([{ atMonths: 10, lifeMonths: 20, failed: true }])!;
    const late = learnedLife([{ atMonths: 30, lifeMonths: 20, failed: false }])!;
    expect(early.factor).toBeLessThan(0.8);
    expect(late.factor).toBeGreaterThan(1.2);
    expect(early.low).toBeLessThan(early.factor);
    expect(early.high).toBeGreaterThan(early.factor);
    expect(learnedLife([])).toBeNull();
  });

  it('what was to be expected teaches little', () => {
    const { factor } = learnedLife([{ atMonths: 5, lifeMonths: 20, failed: false }])!;
    expect(factor).toBeGreaterThan(0.98);
    expect(factor).toBeLessThan(1.08);
    expect(() => learnedLife([{ atMonths: 0, lifeMonths: 20, failed: true }])).toThrow(/atMonths/);
  });

  it('no single look teaches what no keeper would believe, whenever it was taken', () => {
    for (let share = 0.05; share <= 6; share += 0.05) {
      for (const failed of [true, false]) {
        const { factor } = learnedLife([{ atMonths: 20 * share, lifeMonths: 20, failed }])!;
        expect(factor, `${share.toFixed(2)} ${failed}`).toBeGreaterThan(0.6);
        expect(factor, `${share.toFixed(2)} ${failed}`).toBeLessThan(1.6);
      }
    }
  });

  it('however many agree, it stays within what a keeper would believe', () => {
    const twelve = (one: Parameters<typeof learnedLife>[0][number]) =>
      Array.from({ length: 12 }, () => one);
    const { factor: least } = learnedLife(twelve({ atMonths: 10, lifeMonths: 20, failed: true }))!;
    const { factor: most } = learnedLife(twelve({ atMonths: 90, lifeMonths: 20, failed: false }))!;
    expect(least).toBeGreaterThanOrEqual(0.5);
    expect(least).toBeLessThan(0.7);
    expect(most).toBeLessThanOrEqual(1.7);
    expect(most).toBeGreaterThan(1.4);
  });

  it('brackets a true life by looks on either side of it', () => {
    const truth = 1.4;
    const judged = [16, 20, 24, 26, 30, 34, 38].map((atMonths) => ({
      atMonths,
      lifeMonths: 20,
      failed: atMonths > 20 * truth,
    }));
    const { factor, low, high } = learnedLife(judged)!;
    expect(Math.abs(factor - truth)).toBeLessThan(0.15);
    expect(low < truth && truth < high).toBe(true);
  });
});
