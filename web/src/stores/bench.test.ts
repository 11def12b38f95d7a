import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { useBench } from './bench.ts';

beforeEach(() => {
  localStorage.clear();
  setActivePinia(createPinia());
  vi.useRealTimers();
});

describe('the bench', () => {
  it('a step that is tapped twice is done once, and can be undone', () => {
    const bench = useBench();
    bench.start(5, 'Gangway');
    bench.start(5, 'Gangway');
    expect(bench.plants).toHaveLength(1);
    bench.done(5, 'screen');
    bench.done(5, 'screen');
    expect(bench.plantOf(5)!.done).toEqual(['screen']);
    bench.undo(5, 'screen');
    expect(bench.plantOf(5)!.done).toEqual([]);
  });

  it('timers of several plants run side by side, the next to end first; done steps end theirs', () => {
    const bench = useBench();
    bench.start(5, 'Gangway');
    bench.start(7, 'Purser');
    bench.startTimer(5, 'soakToLoosen', 'soak', 90);
    bench.startTimer(7, 'waterAgain', 'second water', 30);
    expect(bench.running.map(({ name }) => name)).toEqual(['Purser', 'Gangway']);
    bench.startTimer(5, 'soakToLoosen', 'soak', 5);
    expect(bench.running.map(({ name }) => name)).toEqual(['Gangway', 'Purser']);
    bench.done(5, 'soakToLoosen');
    expect(bench.running).toHaveLength(1);
    bench.leave(7);
    expect(bench.running).toHaveLength(0);
    expect(bench.plants.map(({ plantId }) => plantId)).toEqual([5]);
  });

  it('is over when its time has come, also after everything was closed', async () => {
    const first = useBench();
    first.start(5, 'Gangway');
    first.startTimer(5, 'soakToLoosen', 'soak', -1);
    await nextTick();
    setActivePinia(createPinia());
    const again = useBench();
    expect(again.plantOf(5)!.name).toBe('Gangway');
    expect(again.due.map(({ label }) => label)).toEqual(['soak']);
  });

  it('notes stay with their step', () => {
    const bench = useBench();
    bench.start(5, 'Gangway');
    bench.note(5, 'readRoots', 'half alive');
    bench.note(6, 'readRoots', 'nobody');
    expect(bench.plantOf(5)!.notes).toEqual({ readRoots: 'half alive' });
    expect(bench.plantOf(6)).toBeNull();
  });
});
