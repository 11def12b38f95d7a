import { fillMany } from '../../bench/manyPlants.ts';
import { collectionOf, pause } from '../../scripts/ownServer.ts';
import { holds, Server } from './server.ts';

const TODAY = '2026-03-16';
const MANY = { plants: 5000, measurements: 50_000 };
/** What a second keeper can be asked to wait for on a machine that is busy as well. */
const PATIENCE_MS = 500;
const POLL_MS = 15;

/** Asks for what is heavy, one thing after the other, while a second keeper opens plants. */
export async function freeze(): Promise<void> {
  const path = collectionOf('faults-freeze', (file) => fillMany(file, MANY, TODAY));
  const server = new Server({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
  await server.start();
  const day = await server.send('POST', '/api/days', { dates: [{ date: TODAY, minutes: 480 }] });
  const { id } = day.body as unknown as { id: number };
  const pieces = Array.from({ length: 40 }, (_, i) => ({ lengthCm: 31.7 + 1.37 * i, count: 97 }));
  const heavy: [what: string, ask: () => Promise<unknown>][] = [
    ['Rounds, nothing judged yet', () => server.send('GET', '/api/rounds')],
    ['what a day is chosen from', () => server.send('GET', `/api/days/${id}/problem`)],
    ['“all fine” for 417 plants', () => server.send('POST', '/api/spots/1/fine', { date: TODAY })],
    [
      'Rounds after a bag was bought',
      async () => {
        await server.send('POST', '/api/components/perlite/stock', { bags: 1 });
        await server.send('GET', '/api/rounds');
      },
    ],
    [
      'saw cuts that are hard to prove',
      () =>
        server.send('POST', '/api/calc/cuts', {
          stockCm: [211.3, 307.9, 401.1],
          pieces,
          kerfCm: 0.37,
        }),
    ],
    ['a copy of the collection', () => server.send('POST', '/api/copies')],
    ['20,000 rows read, judged and brought in', () => importing(server, 20_000)],
  ];
  for (const [what, ask] of heavy) {
    const { waited, took } = await beside(server, ask);
    holds(
      `${what}: a second keeper waits less than ${PATIENCE_MS} ms`,
      waited < PATIENCE_MS,
      `${waited.toFixed(0)} ms at most, while it took ${(took / 1000).toFixed(1)} s`,
    );
  }
  const began = Date.now();
  const solving = server.send('POST', '/api/calc/cuts', {
    stockCm: [211.3, 307.9, 401.1],
    pieces,
    kerfCm: 0.37,
  });
  solving.catch(() => undefined);
  await pause(200);
  await server.kill('SIGTERM');
  holds(
    'it closes while something heavy is being worked out',
    Date.now() - began < 8000,
    `${((Date.now() - began) / 1000).toFixed(1)} s`,
  );
}

async function beside(server: Server, ask: () => Promise<unknown>) {
  let over = false;
  let waited = 0;
  const second = (async () => {
    for (let id = 1; !over; id = 1 + ((id + 36) % MANY.plants)) {
      const began = performance.now();
      await server.send('GET', `/api/plants/${id}`);
      waited = Math.max(waited, performance.now() - began);
      await pause(POLL_MS);
    }
  })();
  const began = performance.now();
  await ask();
  const took = performance.now() - began;
  over = true;
  await second;
  return { waited, took };
}

/** A file of so many plants, from its bytes to the collection. @returns the entry of the history */
export async function importing(server: Server, rows: number): Promise<number> {
  const lines = Array.from({ length: rows }, (_, i) => `row ${i},Aspidistra elatior,14,bay 1`);
  const read = await fetch(`${server.address}/api/imports`, {
    method: 'POST',
    headers: { 'Content-Type': 'text/csv' },
    body: `name,species,pot,spot\n${lines.join('\n')}\n`,
  });
  const { token, guess } = (await read.json()) as { token: string; guess: Record<string, unknown> };
  const { kind, decimal, columns } = guess;
  const mapping = { kind, decimal, columns, latitudeDeg: 54 };
  await server.send('POST', `/api/imports/${token}/preview`, mapping);
  const run = await fetch(`${server.address}/api/imports/${token}/run`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(mapping),
  });
  if (!run.ok) throw new Error(await run.text());
  return Number(run.headers.get('x-fernbank-deed'));
}
