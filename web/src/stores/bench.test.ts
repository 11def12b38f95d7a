import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { flushPromises } from '@vue/test-utils';
import { EMPTY_BENCH } from '@fernbank/core';
import { fakeServer, refuse, type FakeServer } from '../test/harness.ts';
import { useBench } from './bench.ts';
import { useNotices } from './notices.ts';

let server: FakeServer;
beforeEach(() => {
  localStorage.clear();
  // Out of reach, unless a test says otherwise.
  server = fakeServer({});
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

describe('the bench and other devices', () => {
  const row = (over: object = {}) => ({ plantId: 5, name: 'Gangway', ...EMPTY_BENCH, ...over });
  const told = () =>
    server.calls
      .filter(({ path }) => path.endsWith('/events'))
      .map(({ body }) => body as { kind: string });

  it('what the server did not hear is kept, and told in its order when it answers again', async () => {
    const bench = useBench();
    bench.start(5, 'Gangway');
    bench.done(5, 'screen');
    bench.note(5, 'bed', 'd');
    bench.note(5, 'bed', 'deep');
    await flushPromises();
    // Of a note that is being typed only the newest waits.
    expect(bench.unsent.map(({ event }) => event.kind)).toEqual(['start', 'done', 'note']);
    server = fakeServer({
      'POST /benches/5/events': row({ done: ['screen'], notes: { bed: 'deep' } }),
      'GET /benches': { items: [row({ done: ['screen', 'label'], notes: { bed: 'deep' } })] },
    });
    await bench.load();
    expect(told()).toEqual([
      { kind: 'start', at: expect.any(Number) },
      { kind: 'done', step: 'screen', at: expect.any(Number) },
      { kind: 'note', step: 'bed', text: 'deep' },
    ]);
    expect(bench.unsent).toEqual([]);
    // And what another device ticked meanwhile is there.
    expect(bench.plantOf(5)!.done).toEqual(['screen', 'label']);
  });

  it('a plant that was written down elsewhere leaves here too, and it is said', async () => {
    const bench = useBench();
    bench.start(5, 'Gangway');
    await flushPromises();
    server = fakeServer({ 'POST /benches/5/events': refuse(404, 'Gangway has left the bench') });
    bench.done(5, 'screen');
    await flushPromises();
    expect(bench.plants).toEqual([]);
    expect(bench.unsent).toEqual([]);
    expect(useNotices().current!.text).toContain('Gangway');
  });

  it('takes over a plant that was begun on another device, and drops one that is gone', async () => {
    const bench = useBench();
    server = fakeServer({ 'GET /benches': { items: [row({ done: ['screen'] })] } });
    await bench.load();
    expect(bench.plantOf(5)!.done).toEqual(['screen']);
    server = fakeServer({ 'GET /benches': { items: [] } });
    await bench.load();
    expect(bench.plantOf(5)).toBeNull();
  });

  it('taken off here, the server hears it, also later', async () => {
    const bench = useBench();
    bench.start(5, 'Gangway');
    bench.leave(5);
    await flushPromises();
    expect(bench.unsent.map(({ event }) => event.kind)).toEqual(['leave']);
    server = fakeServer({ 'DELETE /benches/5': {}, 'GET /benches': { items: [] } });
    await bench.load();
    expect(server.calls[0]).toMatchObject({ method: 'DELETE', path: '/benches/5' });
    expect(bench.unsent).toEqual([]);
  });
});
