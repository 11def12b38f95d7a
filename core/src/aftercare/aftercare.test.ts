import { describe, expect, it } from 'vitest';
import { resolveTaxon } from '../catalogue/index.ts';
import { daysBetween, TYPICAL_SPOT } from '../season/index.ts';
import { aftercarePlan, type AftercareRequest } from './index.ts';

const DATE = '2026-05-10';

function plan(taxon: string, over: Partial<AftercareRequest> = {}) {
  const tasks = aftercarePlan({
    date: DATE,
    traits: resolveTaxon(taxon)!.traits,
    spot: { ...TYPICAL_SPOT, latitudeDeg: 54 },
    from: 'peatSoil',
    to: 'peatSoil',
    roots: { work: 'ballKept', rootsCut: false },
    ...over,
  });
  const due = (kind: string) =>
    tasks.filter((task) => task.kind === kind).map((task) => daysBetween(DATE, task.due));
  return { tasks, due };
}

/* Days: common practice, no source. */
describe('aftercare', () => {
  it('looks come at 3 weeks, at 6–8 weeks and after a season', () => {
    const [first, second, third] = plan('Nephrolepis exaltata').due('look');
    expect(first).toBe(21);
    expect(second).toBeGreaterThanOrEqual(42);
    expect(second).toBeLessThanOrEqual(56);
    expect(third).toBeGreaterThanOrEqual(90);
  });

  it('an uncut ball in peat soil is watered at once, and again', () => {
    expect(plan('Nephrolepis exaltata').due('water')).toEqual([0, 0]);
  });

  it('cut roots stay dry for a few days, succulents for a week', () => {
    const cut = { roots: { work: 'mostOff', rootsCut: true } as const };
    expect(plan('Nephrolepis exaltata', cut).due('water')).toEqual([3]);
    expect(plan('Crassula ovata', { from: 'mineral', to: 'mineral' }).due('water')).toEqual([7]);
  });

  it('the school of first water is followed and named', () => {
    const { tasks, due } = plan('Nephrolepis exaltata', { school: 'afterWeek' });
    expect(due('water')).toEqual([7]);
    expect(tasks.find(({ kind }) => kind === 'water')!.why).toMatch(/after a week/);
    expect(plan('Crassula ovata', { school: 'atOnce' }).due('water')[0]).toBe(0);
  });

  it('from moss or pebbles into mix it is kept damper at first, otherwise not', () => {
    expect(plan('Oncidium', { from: 'moss', to: 'bark' }).due('keepDamp')).toHaveLength(1);
    expect(plan('Oncidium', { from: 'pebbles', to: 'mix' }).due('keepDamp')).toHaveLength(1);
    expect(plan('Oncidium', { from: 'bark', to: 'bark' }).due('keepDamp')).toHaveLength(0);
    expect(plan('Oncidium', { from: 'moss', to: 'moss' }).due('keepDamp')).toHaveLength(0);
  });

  it('feed waits at least six weeks, in autumn until growth resumes', () => {
    expect(plan('Nephrolepis exaltata').due('feed')[0]).toBe(42);
    const autumn = plan('Nephrolepis exaltata', { date: '2026-10-20' });
    const feed = autumn.tasks.find(({ kind }) => kind === 'feed')!;
    expect(feed.due > '2027-01-20').toBe(true);
  });

  it('every task says why, and they come in order', () => {
    const { tasks } = plan('Oncidium', { from: 'moss', to: 'bark' });
    expect(tasks.every(({ why }) => why.length > 10)).toBe(true);
    expect([...tasks].sort((a, b) => a.due.localeCompare(b.due))).toEqual(tasks);
  });

  it('a support that will be outgrown asks to be extended, at once where it is already', () => {
    const extensions = [
      { on: '2026-04-01', addsCm: 40, aboveCm: 110 },
      { on: '2026-09-01', addsCm: 35, aboveCm: 145 },
      { on: null, addsCm: 20, aboveCm: 165 },
    ];
    const { tasks, due } = plan('Syngonium podophyllum', { extensions });
    expect(due('extend')).toEqual([0, daysBetween(DATE, '2026-09-01')]);
    expect(tasks.find(({ kind }) => kind === 'extend')!.title).toContain('40 cm');
  });
});
