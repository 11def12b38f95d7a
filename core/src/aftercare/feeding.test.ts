import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CATALOGUE, resolveTaxon } from '../catalogue/index.ts';
import { MEDIUM_KINDS } from '../media/index.ts';
import { METRIC, spoken } from '../saying/index.ts';
import { addDays, daysBetween, TYPICAL_SPOT, type IsoDate } from '../season/index.ts';
import {
  afterFeed,
  afterFlush,
  aftercarePlan,
  feedState,
  taskTitle,
  taskWhy,
  type Fed,
  type FeedGiven,
  type StandingTask,
} from './index.ts';

/* Common practice, no source: slow-release lasts about 6 months, liquid feed is given monthly in growth and never
   at rest, salts are flushed from soil about every 8 weeks of feeding, bog plants are not fed. */
const SILL = { ...TYPICAL_SPOT, latitudeDeg: 54 };
const LEAFY: Fed = {
  traits: resolveTaxon('Aspidistra elatior')!.traits,
  spot: SILL,
  medium: 'peatSoil',
  liquidSince: null,
};
const LASTING: FeedGiven = { kind: 'lasting', months: 6 };
const LIQUID: FeedGiven = { kind: 'liquid' };
const asked = (on: IsoDate, given: FeedGiven, fed: Fed = LEAFY, tasks: StandingTask[] = []) =>
  afterFeed(tasks, on, given, fed).tasks.map(({ rule, due }) => ({ rule, due }));

describe('feed that lasts', () => {
  it('given in spring is asked for again when growth starts next year, not in the dark months', () => {
    const [again, ...more] = asked('2026-04-12', LASTING);
    expect(more).toEqual([]);
    expect(again!.rule).toBe('feedAgain');
    expect(again!.due > '2027-01-31' && again!.due < '2027-05-01').toBe(true);
  });

  it('that is used up in growth is asked for then', () => {
    const [again] = asked('2026-03-01', { kind: 'lasting', months: 3 });
    expect(Math.abs(daysBetween('2026-05-31', again!.due))).toBeLessThan(8);
  });

  it('put in at the repot, it is never asked to start feeding meanwhile', () => {
    const request = {
      date: '2026-04-12',
      traits: LEAFY.traits,
      spot: SILL,
      from: 'peatSoil',
      to: 'peatSoil',
      roots: { work: 'ballKept', rootsCut: false },
    } as const;
    const rules = (lastingMonths?: number) =>
      aftercarePlan({ ...request, lastingMonths }).map(({ rule }) => rule);
    expect(rules()).toContain('feed');
    expect(rules(6)).not.toContain('feed');
    expect(rules(6)).toContain('feedAgain');
  });
});

describe('liquid feed', () => {
  it('is asked for about a month later in growth, and after the rest where that comes between', () => {
    const summer = asked('2026-06-01', LIQUID).find(({ rule }) => rule === 'feedLiquid')!;
    expect(daysBetween('2026-06-01', summer.due)).toBe(30);
    const autumn = asked('2026-10-20', LIQUID).find(({ rule }) => rule === 'feedLiquid')!;
    expect(autumn.due > '2027-01-31').toBe(true);
  });

  it('asks for a flush of soil after about 8 weeks of it, once; none where water runs through', () => {
    const fed: Fed = { ...LEAFY, liquidSince: '2026-06-01' };
    const due = (on: IsoDate, of: Fed) =>
      asked(on, LIQUID, of).find(({ rule }) => rule === 'flushSalts')?.due;
    // One watering with feed leaves nothing to be rinsed out.
    expect(due('2026-06-01', LEAFY)).toBeUndefined();
    expect(due('2026-06-15', fed)).toBe('2026-07-27');
    const flush = { due: due('2026-07-01', fed)! };
    expect(Math.abs(daysBetween('2026-07-27', flush.due))).toBeLessThan(7);
    // … not at once where the second came late.
    expect(due('2026-09-01', fed)! > '2026-09-20').toBe(true);
    const open = [{ id: 1, rule: 'flushSalts', due: flush.due, until: null, done: null } as const];
    const rules = (fed: Fed, tasks: StandingTask[] = []) =>
      asked('2026-07-01', LIQUID, fed, tasks).map(({ rule }) => rule);
    expect(rules(fed, open)).toEqual(['feedLiquid']);
    // A flush that was passed over last year does not silence the next.
    const lapsed = [{ ...open[0]!, due: '2025-07-27' as const }];
    expect(rules(fed, lapsed)).toEqual(['feedLiquid', 'flushSalts']);
    for (const medium of ['bark', 'pebbles', 'moss', 'mineral'] as const) {
      expect(rules({ ...fed, medium })).toEqual(['feedLiquid']);
    }
    expect(afterFlush(open, '2026-08-01')).toMatchObject([{ id: 1, done: '2026-08-01' }]);
  });
});

it('whatever is fed with what and when, what asked for it is done, and nothing is asked of what lives without', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...CATALOGUE),
      fc.constantFrom(...MEDIUM_KINDS),
      fc.integer({ min: 0, max: 800 }),
      fc.integer({ min: 1, max: 300 }),
      fc.oneof(
        fc.constant(LIQUID),
        fc.integer({ min: 1, max: 24 }).map((months): FeedGiven => ({ kind: 'lasting', months })),
      ),
      ({ traits }, { id: medium }, day, since, given) => {
        const on = addDays('2026-01-01', day);
        const tasks = (['feed', 'feedAgain', 'feedLiquid', 'turn'] as const).map((rule, id) => ({
          id,
          rule,
          due: on,
          until: null,
          done: null,
        }));
        const liquidSince = addDays(on, -since);
        const after = afterFeed(tasks, on, given, { traits, spot: SILL, medium, liquidSince });
        expect(after.moves.map(({ id }) => id)).toEqual([0, 1, 2]);
        if (!traits.fed) expect(after.tasks).toEqual([]);
        for (const { due, words } of after.tasks) {
          expect(daysBetween(on, due)).toBeGreaterThan(27);
          expect(daysBetween(on, due)).toBeLessThan(24 * 31 + 366);
          expect(spoken(taskTitle(words), METRIC).length).toBeGreaterThan(20);
          expect(spoken(taskWhy(words), METRIC).length).toBeGreaterThan(20);
        }
      },
    ),
    { numRuns: 120 },
  );
});

it('what feed a plant has is told by the newest', () => {
  const state = (date: IsoDate, ...given: (FeedGiven & { on: IsoDate })[]) =>
    feedState(given, { fed: true }, date);
  expect(state('2026-06-01')).toBeNull();
  const spring = { ...LASTING, on: '2026-03-01' };
  expect(state('2026-06-01', spring)).toEqual({ kind: 'lasting', until: '2026-08-31' });
  expect(state('2026-10-01', spring)).toEqual({ kind: 'usedUp', since: '2026-08-31' });
  expect(state('2026-06-01', { ...LIQUID, on: '2026-05-01' }, spring)).toEqual({
    kind: 'liquid',
    last: '2026-05-01',
  });
  expect(feedState([spring], { fed: false }, '2026-06-01')).toEqual({ kind: 'none' });
});
