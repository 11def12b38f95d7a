import { addDays, daysBetween } from '@fernbank/core';
import { describe, expect, it } from 'vitest';
import type { Task } from '../api/types.ts';
import { alike, type Bed } from './tasksAlike.ts';

const TODAY = '2026-03-15';
const daysLate = (due: string) => daysBetween(due, TODAY);
const bed = (id: number, over: Partial<Task> = {}): Bed => ({
  plant: { id, name: `Plant ${id}`, taxon: 'Aspidistra elatior' },
  task: {
    id,
    plantId: id,
    rule: 'shade',
    due: TODAY,
    until: '2026-03-28',
    everyDays: null,
    title: 'Bright, no direct sun',
    why: 'Fewer roots than leaves for a while',
    moved: null,
    ...over,
  } as Task,
});
const groups = (...beds: Bed[]) =>
  alike(beds, daysLate).map((ones) => ones.map(({ task }) => task.id));

describe('tasks alike', () => {
  it('are told once for all plants that they are asked of', () => {
    expect(groups(bed(1), bed(2), bed(3))).toEqual([[1, 2, 3]]);
  });

  it('stand apart where their day, their end or what is said of them differs', () => {
    const later = bed(2, { due: addDays(TODAY, 1) });
    const longer = bed(3, { until: '2026-04-01' });
    const warm = bed(4, { title: 'Warm, bright, no direct sun' });
    const moved = bed(5, { moved: 'moved by hand' });
    expect(groups(bed(1), later, longer, warm, moved)).toEqual([[1], [2], [3], [4], [5]]);
  });

  it('that ask each plant how it went stand for themselves once they ask', () => {
    const look = (id: number, days: number) =>
      bed(id, { rule: 'weeks3', due: addDays(TODAY, days) });
    const feed = (id: number, days: number) => bed(id, { rule: 'feed', due: addDays(TODAY, days) });
    expect(groups(look(1, 5), look(2, 5))).toEqual([[1], [2]]);
    expect(groups(look(1, 20), look(2, 20))).toEqual([[1, 2]]);
    expect(groups(feed(1, 0), feed(2, 0))).toEqual([[1, 2]]);
  });
});
