import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { Agent, request } from 'node:http';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seeded } from '@fernbank/core';
import { fillGarden } from '../../demo/fill.ts';
import { openCollection } from '../../server/src/db/open.ts';
import { anyValue, fromSchema, mutated, type Random, type Schema } from './bodies.ts';
import { holds, pause, Server } from './server.ts';

const TODAY = '2026-03-16';
const AT_ONCE = 12;
/** An answer that takes longer is a hang. The largest calculation of the API takes seconds. */
const HANG_MS = 30_000;
const MOST_GROWTH_MB = 50;
/** What the code, once all of it has run, and the collection's own growth take is no leak. */
const WARM_UP_SHARE = 0.3;

interface Operation {
  method: string;
  path: string;
  body: Schema | null;
  query: string[];
}
const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE });

/** Sends every route bodies that are almost right, and wire noise that is no HTTP. */
export async function fuzz(count: number): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), '.fernbank-fuzz-'));
  const path = join(folder, 'collection.sqlite');
  const file = openCollection(path);
  fillGarden(file.db, TODAY);
  file.close();
  const server = new Server({
    FERNBANK_DB: path,
    FERNBANK_TODAY: TODAY,
    LOG_LEVEL: 'error',
    NODE_OPTIONS: '--expose-gc',
    // glibc keeps what was freed in an arena a thread: resident memory then tells of those, not of a leak.
    MALLOC_ARENA_MAX: '2',
  });
  await server.start();
  const document = (await server.send('GET', '/api/openapi.json')).body as unknown as Document;
  const operations = operationsOf(document);
  const random = seeded(20_260_316);
  const statuses = new Map<string, number>();
  const bad: string[] = [];
  let sent = 0;
  let warmMb = 0;
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (sent < count) {
        sent += 1;
        if (sent === Math.round(count * WARM_UP_SHARE)) warmMb = memoryMb(server.pid);
        const operation = operations[Math.floor(random() * operations.length)]!;
        const shot = shotOf(operation, random);
        const status = await send(server.port, shot).catch((error: Error) => error.message);
        statuses.set(String(status), (statuses.get(String(status)) ?? 0) + 1);
        if (typeof status !== 'number' || status >= 500)
          bad.push(`${status} ${shot.method} ${shot.path} ${shot.body.toString().slice(0, 300)}`);
      }
    }),
  );
  await pause(2000);
  const grownMb = memoryMb(server.pid) - warmMb;
  const counted = [...statuses].sort().map(([status, times]) => `${status}: ${times}`);
  holds(
    `${count} generated bodies on ${operations.length} operations: no 5xx, no hang`,
    bad.length === 0,
    counted.join(', '),
  );
  for (const one of bad.slice(0, 8)) console.log(`       ${one}`);
  if (bad.length > 0) console.log(errorsIn(server.said));
  holds(
    `memory grew by less than ${MOST_GROWTH_MB} MB`,
    grownMb < MOST_GROWTH_MB,
    `${grownMb.toFixed(0)} MB after ${warmMb.toFixed(0)} MB`,
  );
  await wireNoise(server.port, random);
  holds(
    'it still answers',
    (await server.send('GET', '/api/health')).status === 200,
    server.said.slice(0, 200),
  );
  await server.kill();
  rmSync(folder, { recursive: true, force: true });
}

/** What the server wrote down of its own faults. */
function errorsIn(said: string): string {
  const stacks = [...said.matchAll(/"stack":"([^"]{0,400})/g)].map(([, stack]) => stack!);
  return [...new Set(stacks)].slice(0, 5).join('\n').replaceAll('\\n', '\n       ');
}

interface Document {
  paths: Record<
    string,
    Record<
      string,
      {
        parameters?: { name: string; in: string }[];
        requestBody?: { content: Record<string, { schema: Schema }> };
      }
    >
  >;
}
function operationsOf({ paths }: Document): Operation[] {
  return (
    Object.entries(paths)
      .flatMap(([path, methods]) =>
        Object.entries(methods).map(([method, { parameters = [], requestBody }]) => ({
          method: method.toUpperCase(),
          path,
          body: requestBody?.content['application/json']?.schema ?? null,
          query: parameters.filter((one) => one.in === 'query').map(({ name }) => name),
        })),
      )
      // A stream has no end to wait for; a restore would undo what the others wrote.
      .filter(({ path }) => path !== '/events')
  );
}

interface Shot {
  method: string;
  path: string;
  body: Buffer;
  type: string;
}
function shotOf(operation: Operation, random: Random): Shot {
  const pick = <T>(...of: T[]) => of[Math.floor(random() * of.length)]!;
  const id = () =>
    pick(
      '1',
      '2',
      '3',
      '5',
      '8',
      '0',
      '-1',
      '99999',
      '1e3',
      '%00',
      '..%2f..',
      'x'.repeat(300),
      encodeURIComponent('１'),
      'null',
    );
  const path = operation.path.replace(/\{\w+\}/g, () =>
    random() < 0.75 ? pick('1', '2', '3', '5', '8') : id(),
  );
  const query = operation.query
    .filter(() => random() < 0.4)
    .map(
      (name) =>
        `${name}=${encodeURIComponent(Buffer.from(String(random() < 0.5 ? pick('1', TODAY, '50', 'a') : anyValue(random, 0))).toString())}`,
    );
  const body = operation.body
    ? bodyOf(operation.body, random)
    : random() < 0.3
      ? anyValue(random, 2)
      : undefined;
  const text = body === undefined ? '' : (JSON.stringify(body) ?? '');
  const broken = random() < 0.06 ? text.slice(0, Math.floor(random() * text.length)) : text;
  return {
    method: operation.method,
    path: `/api${path}${query.length > 0 ? `?${query.join('&')}` : ''}`,
    body: random() < 0.02 ? Buffer.from(broken, 'utf16le') : Buffer.from(broken),
    type:
      random() < 0.95
        ? 'application/json'
        : pick(
            'text/plain',
            'application/json; charset=klingon',
            'multipart/form-data',
            'application/zip',
          ),
  };
}
function bodyOf(schema: Schema, random: Random): unknown {
  const sound = fromSchema(schema, random);
  return random() < 0.3 ? sound : mutated(sound, random);
}

function send(port: number, { method, path, body, type }: Shot): Promise<number> {
  return new Promise((resolve, reject) => {
    const asked = request(
      {
        agent,
        port,
        method,
        path,
        host: '127.0.0.1',
        timeout: HANG_MS,
        headers: { 'Content-Type': type, 'Content-Length': body.length },
      },
      (answer) => {
        answer.resume();
        answer.on('end', () => resolve(answer.statusCode ?? 0));
        answer.on('error', reject);
      },
    );
    asked.on('timeout', () => asked.destroy(new Error('hang')));
    asked.on('error', reject);
    asked.end(body);
  });
}

/** Resident memory of a process, MB. */
function memoryMb(pid: number): number {
  const [, kilobytes = '0'] =
    /VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? [];
  return Number(kilobytes) / 1024;
}

const NOISE: readonly string[] = [
  'GET / HTTP/9.9\r\n\r\n',
  'NONSENSE\r\n\r\n',
  '\r\n\r\n\r\n',
  'GET /api/plants\r\n\r\n',
  'GET  /api/plants  HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n',
  'GET /api/%ff%fe HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n',
  'GET /api/plants/%00 HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n',
  'GET /../../../../etc/passwd HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n',
  'GET /assets/..%2f..%2f..%2fpackage.json HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n',
  'POST /api/spots HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: -1\r\n\r\n{}',
  'POST /api/spots HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 5\r\nContent-Length: 50\r\n\r\n{}',
  'POST /api/spots HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 3\r\nTransfer-Encoding: chunked\r\n\r\n0\r\n\r\n',
  'POST /api/spots HTTP/1.1\r\nHost: 127.0.0.1\r\nTransfer-Encoding: chunked\r\n\r\nZZ\r\n{}\r\n',
  'POST /api/spots HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 1000\r\n\r\n{"name":',
  `GET /api/health HTTP/1.1\r\nHost: 127.0.0.1\r\nX-Long: ${'a'.repeat(100_000)}\r\n\r\n`,
  `GET /api/plants?q=${'a'.repeat(60_000)} HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n`,
  `GET /api/health HTTP/1.1\r\n${'X-Many: a\r\n'.repeat(3000)}\r\n`,
  'GET /api/health HTTP/1.1\r\nHost: 127.0.0.1\r\nCookie: fernbank_device=%E0%A4%A\r\n\r\n',
  'GET /api/health HTTP/1.1\r\nHost: \u0000\r\n\r\n',
  'PRI * HTTP/2.0\r\n\r\nSM\r\n\r\n',
  '\u0016\u0003\u0001\u0002\u0000\u0001\u0000\u0001\u00fc\u0003\u0003',
  'TRACE /api/plants HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n',
  'CONNECT elsewhere.example:443 HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n',
  'GET /api/health HTTP/1.1\r\nHost: 127.0.0.1\r\nExpect: 100-continue\r\n\r\n',
  'GET /api/health HTTP/1.1\r\nHost: 127.0.0.1\r\nUpgrade: websocket\r\nConnection: Upgrade\r\n\r\n',
  `${'GET /api/health HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n'.repeat(200)}`,
  `POST /api/calc/pot HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\nContent-Length: 200000\r\n\r\n${'['.repeat(200_000)}`,
];

/** What is no HTTP, or barely: each is answered or dropped within its time, never with a 5xx. */
async function wireNoise(port: number, random: Random): Promise<void> {
  const answers: string[] = [];
  const noise = [...NOISE];
  for (let i = 0; i < 300; i++) {
    const text = NOISE[Math.floor(random() * NOISE.length)]!.slice(0, 3000);
    const at = Math.floor(random() * text.length);
    noise.push(
      text.slice(0, at) + String.fromCharCode(Math.floor(random() * 256)) + text.slice(at + 1),
    );
  }
  for (const text of noise) answers.push(await talk(port, text));
  const wrong = answers.filter((one) => /^HTTP\/1\.1 5(?!05)/.test(one));
  for (const [i, one] of answers.entries()) {
    if (wrong.includes(one)) console.log(`       ${JSON.stringify(noise[i]!.slice(0, 160))}`);
  }
  holds(
    `${noise.length} pieces of malformed HTTP: none brings a 5xx`,
    wrong.length === 0,
    wrong[0]?.slice(0, 80) ?? '',
  );
  const leaks = answers.filter((one) => /root:x:|"workspaces"/.test(one));
  holds('none reaches a file outside', leaks.length === 0);
}
function talk(port: number, text: string): Promise<string> {
  const SILENCE_MS = 400;
  return new Promise((resolve) => {
    let heard = '';
    const socket = connect(port, '127.0.0.1', () => socket.write(Buffer.from(text, 'latin1')));
    socket.setTimeout(SILENCE_MS, () => socket.destroy());
    socket.on('data', (chunk) => (heard += chunk.toString('latin1').slice(0, 2000)));
    socket.on('error', () => undefined);
    socket.on('close', () => resolve(heard));
  });
}
