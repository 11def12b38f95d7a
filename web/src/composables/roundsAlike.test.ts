import { describe, expect, it } from 'vitest';
import { runsOf, type Entry } from './roundsAlike.ts';

const entry = (plantId: number, over: object = {}): Entry =>
  ({
    plantId,
    name: `Plant ${plantId}`,
    taxon: 'Aechmea fasciata',
    headline: 'leave',
    overruled: null,
    asks: [{ kind: 'look', due: '2026-03-14', why: 'what would help most: smell', worth: 0.3 }],
    ...over,
  }) as unknown as Entry;
const runs = (...entries: Entry[]) =>
  runsOf(entries).map((run) => run.map(({ plantId }) => plantId));

describe('a walk past plants alike', () => {
  it('tells three and more that ask for the same once, two each for itself', () => {
    expect(runs(entry(1), entry(2), entry(3))).toEqual([[1, 2, 3]]);
    expect(runs(entry(1), entry(2))).toEqual([[1], [2]]);
  });

  it('keeps the order of the walk: only those beside each other are one', () => {
    const fern = { taxon: 'Nephrolepis exaltata' };
    expect(runs(entry(1), entry(2), entry(3, fern), entry(4))).toEqual([[1], [2], [3], [4]]);
  });

  it('never folds what asks for something else, or what is ticked off', () => {
    const other = { asks: [{ kind: 'act', why: 'four years in this pot' }] };
    const task = { asks: [{ kind: 'task', task: { id: 1 } }] };
    expect(
      runs(entry(1, other), entry(2), entry(3), entry(4, { headline: 'repotNow' })),
    ).toHaveLength(4);
    expect(runs(entry(1, task), entry(2, task), entry(3, task))).toHaveLength(3);
  });
});
