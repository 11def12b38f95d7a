import { spawn } from 'node:child_process';
import { Agent, request } from 'node:http';
import { fillMany } from './manyPlants.ts';
import { rowsOf, writePart, type Figure } from './page.ts';
import { collectionOf, root, serving } from '../scripts/ownServer.ts';

/**
 * Fifty devices at once for a minute: each reads and writes, one request after the other with a
 * breath between, which is still many times what people do; then without a breath. Beside it, in the same run and with the same clients, a bare Express hello and a bare
 * prepared read of SQLite: what any server of this make costs here.
 */
const TODAY = '2026-03-16';
const CLIENTS = 50;
const SECONDS = Number(process.argv.slice(2).find((each) => !each.startsWith('--')) ?? 60);
const MANY = { plants: 5000, measurements: 100_000 };
const WRITES_OF_TEN = 1;
const BREATH_MS = 100;

interface Shot {
  kind: 'read' | 'write';
  method: string;
  path: string;
  body?: object;
}
const agent = new Agent({ keepAlive: true, maxSockets: CLIENTS });

function send(port: number, { method, path, body }: Shot): Promise<number> {
  return new Promise((resolve, reject) => {
    const text = body && JSON.stringify(body);
    const asked = request(
      {
        agent,
        port,
        method,
        path,
        host: '127.0.0.1',
        headers: text
          ? { 'Content-Type': 'application/json', 'Content-Length': Buffer.byteLength(text) }
          : {},
      },
      (answer) => {
        answer.resume();
        answer.on('end', () => resolve(answer.statusCode ?? 0));
      },
    );
    asked.on('error', reject);
    asked.end(text);
  });
}

async function load(port: number, next: () => Shot, seconds: number, breathMs: number) {
  const times = { read: [] as number[], write: [] as number[] };
  const failed: string[] = [];
  const end = performance.now() + seconds * 1000;
  await Promise.all(
    Array.from({ length: CLIENTS }, async () => {
      while (performance.now() < end) {
        const shot = next();
        const began = performance.now();
        const status = await send(port, shot).catch((error: Error) => error.message);
        times[shot.kind].push(performance.now() - began);
        // Spread, so that fifty do not come at once.
        if (breathMs > 0)
          await new Promise((go) => setTimeout(go, breathMs * (0.5 + Math.random())));
        if (typeof status !== 'number' || status >= 400)
          failed.push(`${status} ${shot.method} ${shot.path}`);
      }
    }),
  );
  return { times, failed, perSecond: (times.read.length + times.write.length) / seconds };
}

const percentile = (values: number[], share: number) => {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? NaN;
};

let turn = 0;
/** What screens ask for: mostly a plant, its records, the first page of a list; sometimes a list of all. */
function nextShot(): Shot {
  const n = turn++;
  const id = 1 + ((n * 7919) % MANY.plants);
  if (n % 10 < WRITES_OF_TEN) {
    return n % 20 < 10
      ? {
          kind: 'write',
          method: 'POST',
          path: '/api/measurements',
          body: {
            plantId: id,
            date: TODAY,
            minute: n % 1440,
            kind: 'weightKg',
            value: 1 + (n % 997) / 1000,
          },
        }
      : { kind: 'write', method: 'PATCH', path: `/api/plants/${id}`, body: { note: `seen ${n}` } };
  }
  const paths = [
    `/api/plants/${id}`,
    `/api/measurements?plantId=${id}`,
    `/api/looks?plantId=${id}`,
    `/api/plants/${id}`,
    `/api/tasks?plantId=${id}`,
    `/api/repots?plantId=${id}`,
    '/api/plants?limit=20',
    '/api/spots',
    `/api/history?plantId=${id}&limit=10`,
  ];
  return { kind: 'read', method: 'GET', path: paths[n % paths.length]! };
}

let rows: unknown;
let bareReadMs = 0;
const path = collectionOf('load', (file) => {
  fillMany(file, MANY, TODAY);
  rows = file.value('SELECT count(*) FROM measurements');
  const read = file.reader('SELECT * FROM plants WHERE id = ?');
  const bare = (count: number) => {
    const began = performance.now();
    for (let i = 0; i < count; i++) read(1 + ((i * 7919) % MANY.plants));
    return (performance.now() - began) / count;
  };
  bare(2000);
  bareReadMs = bare(20_000);
});
console.log(
  `${MANY.plants} plants, ${String(rows)} measurements, ${CLIENTS} clients, ${SECONDS} s`,
);

// Each server has a process of its own, as the clients have.
const hello = spawn(process.execPath, ['bench/hello.mjs'], { cwd: root });
const helloPort = Number(
  await new Promise((told) => hello.stdout.once('data', (line: Buffer) => told(line.toString()))),
);
const helloShot = (): Shot => ({ kind: 'read', method: 'GET', path: '/hello' });

const server = await serving({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
await load(server.port, nextShot, 5, 0);
const people = await load(server.port, nextShot, SECONDS, BREATH_MS);
const peopleHello = await load(helloPort, helloShot, Math.min(10, SECONDS), BREATH_MS);
const full = await load(server.port, nextShot, Math.min(15, SECONDS), 0);
const fullHello = await load(helloPort, helloShot, Math.min(10, SECONDS), 0);

const line = (what: string, values: number[], goal?: number) => {
  const [median, p99] = [percentile(values, 0.5), percentile(values, 0.99)];
  const against = goal ? `   goal < ${goal} ms, ratio ${(p99 / goal).toFixed(2)}` : '';
  console.log(
    `${what.padEnd(22)} ${String(values.length).padStart(7)}   median ${median.toFixed(1)} ms   p99 ${p99.toFixed(1)} ms${against}`,
  );
};
console.log(
  `\n${people.perSecond.toFixed(0)} requests a second, a breath of ${BREATH_MS} ms between`,
);
line('reads', people.times.read, 30);
line('writes', people.times.write, 60);
line('bare Express hello', peopleHello.times.read);
console.log(
  `\nwithout a breath: ${full.perSecond.toFixed(0)} a second; bare Express ${fullHello.perSecond.toFixed(0)}, ratio ${(fullHello.perSecond / full.perSecond).toFixed(2)}`,
);
line('reads', full.times.read);
line('writes', full.times.write);
line('bare Express hello', fullHello.times.read);
const readMs = percentile(full.times.read, 0.5) / CLIENTS;
console.log(
  `\nbare prepared SQLite read ${(bareReadMs * 1000).toFixed(0)} µs; a read takes ${(readMs * 1000).toFixed(0)} µs of the server, ratio ${(readMs / bareReadMs).toFixed(1)}`,
);
const failed = [...people.failed, ...full.failed];
console.log(
  `failed: ${failed.length}${failed.length > 0 ? ` (${failed.slice(0, 3).join('; ')})` : ''}`,
);
if (process.argv.includes('--write')) {
  const p99 = (values: number[]) => percentile(values, 0.99);
  const figures: Figure[] = [
    {
      what: `${CLIENTS} clients, a breath of ${BREATH_MS} ms between`,
      value: people.perSecond,
      unit: '/s',
    },
    { what: '… reads, 99th in a hundred', value: p99(people.times.read), unit: 'ms', goal: 30 },
    { what: '… writes, 99th in a hundred', value: p99(people.times.write), unit: 'ms', goal: 60 },
    { what: '… bare Express, 99th in a hundred', value: p99(peopleHello.times.read), unit: 'ms' },
    { what: 'without a breath', value: full.perSecond, unit: '/s' },
    { what: '… bare Express', value: fullHello.perSecond, unit: '/s' },
    { what: 'a read of the server', value: 1000 * readMs, unit: 'µs' },
    { what: 'a bare prepared read of SQLite', value: 1000 * bareReadMs, unit: 'µs' },
    { what: 'failed', value: failed.length, unit: '', goal: 1 },
  ];
  writePart('load', rowsOf(figures));
}
await server.kill('SIGTERM');
hello.kill();
agent.destroy();
