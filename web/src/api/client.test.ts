import { afterEach, expect, test, vi } from 'vitest';
import { api } from './client.ts';

/** What a tap sends arrives, though its page is closed at once. */

const sent: RequestInit[] = [];
let answered: (() => void)[] = [];
const hold = () =>
  vi.stubGlobal('fetch', (_: string, init: RequestInit) => {
    sent.push(init);
    return new Promise<Response>((done) => {
      answered.push(() => done(new Response('{}', { status: 200 })));
    });
  });
afterEach(() => {
  vi.unstubAllGlobals();
  sent.length = 0;
  answered = [];
});
const write = (bytes: number) =>
  api('/settings', { method: 'PATCH', body: { collectionName: 'x'.repeat(bytes) } });

test('a write outlives its page, a reading does not', () => {
  hold();
  void write(20);
  void api('/settings');
  expect(sent.map(({ keepalive }) => keepalive)).toEqual([true, false]);
});

test('no more is sent that way at one time than a browser carries (64 KiB, Fetch standard §4.6)', async () => {
  hold();
  const first = write(10_000);
  void write(10_000);
  expect(sent.map(({ keepalive }) => keepalive)).toEqual([true, false]);
  answered[0]!();
  await first;
  void write(10_000);
  expect(sent.at(-1)!.keepalive).toBe(true);
});
