import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { testApp, type TestApp } from '../testApp.ts';

let app: TestApp;
let server: ReturnType<TestApp['app']['listen']>;
let address: string;
beforeEach(async () => {
  app = testApp();
  await new Promise<void>((listening) => {
    server = app.app.listen(0, '127.0.0.1', () => listening());
  });
  address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterEach(() => {
  server.closeAllConnections();
  server.close();
  app.close();
});

/** The next event of a stream. */
async function next(reader: ReadableStreamDefaultReader<string>): Promise<Record<string, unknown>> {
  for (;;) {
    const { value } = await reader.read();
    const data = /^event: done\ndata: (.*)$/m.exec(value ?? '')?.[1];
    if (data) return JSON.parse(data) as Record<string, unknown>;
  }
}
async function listen(query = '') {
  const { body, headers } = await fetch(`${address}/api/events${query}`);
  expect(headers.get('content-type')).toMatch(/^text\/event-stream/);
  const decoder = new TextDecoderStream();
  void body!.pipeTo(decoder.writable as never).catch(() => undefined);
  return decoder.readable.getReader();
}
const addSpot = (window?: string) =>
  fetch(`${address}/api/spots`, {
    method: 'POST',
    headers: {
      'Content-Type': 'application/json',
      ...(window ? { 'X-Fernbank-Window': window } : {}),
    },
    body: JSON.stringify({ name: 'Sill', latitudeDeg: 54 }),
  });

describe('open windows', () => {
  it('hear of what was done, in which tables, and by which window', async () => {
    const [one, two] = [await listen(), await listen()];
    await addSpot('window-0001');
    const heard = { deed: 1, tables: ['spots'], plantIds: [], window: 'window-0001' };
    expect(await next(one)).toEqual(heard);
    expect(await next(two)).toEqual(heard);
  });

  it('that listen only after their page was read hear what was done meanwhile, and nothing older', async () => {
    await addSpot();
    await new Promise((later) => setTimeout(later, 300));
    const read = performance.now();
    await addSpot();
    // The way to the server takes a while too.
    const late = await listen(`?missedMs=${performance.now() - read + 100}`);
    const fresh = await listen();
    expect(await next(late)).toMatchObject({ deed: 2 });
    await addSpot();
    expect(await next(late)).toMatchObject({ deed: 3 });
    expect(await next(fresh)).toMatchObject({ deed: 3 });
    const asked = await fetch(`${address}/api/events?missedMs=600000`);
    expect(asked.status).toBe(400);
  });

  it('hear nothing of what was refused', async () => {
    const reader = await listen();
    await fetch(`${address}/api/spots`, {
      method: 'POST',
      body: '{}',
      headers: { 'Content-Type': 'application/json' },
    });
    await addSpot();
    expect(await next(reader)).toMatchObject({ deed: 1, window: null });
  });

  it('of one device are twelve: the oldest makes room, nobody else is kept out', async () => {
    const opened = [];
    for (let i = 0; i < 12; i++) opened.push(await listen());
    const last = await listen();
    // What was opened first has ended; the others still hear.
    let ended = false;
    for (let read = await opened[0]!.read(); !ended; read = await opened[0]!.read()) {
      ended = read.done;
    }
    await addSpot();
    expect(await next(last)).toMatchObject({ deed: 1 });
    expect(await next(opened[1]!)).toMatchObject({ deed: 1 });
  });
});
