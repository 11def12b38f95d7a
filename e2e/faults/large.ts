import { createWriteStream, openAsBlob, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { Readable } from 'node:stream';
import { fillMany } from '../../bench/manyPlants.ts';
import { collectionOf, freshPath, pause, root } from '../../scripts/ownServer.ts';
import { importing } from './freeze.ts';
import { holds, Server } from './server.ts';

const TODAY = '2026-03-16';
const MANY = { plants: 10_000, measurements: 1_000_000 };
const MOST_MB = 900;
const ROWS = 20_000;
const POLL_MS = 100;

/** Takes a backup of a collection that is larger than any keeper's, and brings it into an empty one. */
export async function largeBackup(): Promise<void> {
  const path = collectionOf('faults-large', (file) => fillMany(file, MANY, TODAY));
  const from = new Server({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
  await from.start();
  const archive = join(root, '.run/faults-large.zip');
  const taking = watched(from);
  const answer = await fetch(`${from.address}/api/backup`);
  await pipeline(Readable.fromWeb(answer.body as never), createWriteStream(archive));
  const taken = await taking();
  await from.kill('SIGTERM');
  const mb = (statSync(archive).size / 1e6).toFixed(0);
  holds(
    `a backup of ${MANY.measurements} measurements (${mb} MB packed)`,
    taken.mb < MOST_MB,
    `${taken.mb} MB of memory, a second keeper waits ${taken.waited} ms at most`,
  );
  const to = new Server({ FERNBANK_DB: freshPath('faults-large-to'), FERNBANK_TODAY: TODAY });
  await to.start();
  const bringing = watched(to);
  const began = Date.now();
  const brought = await fetch(`${to.address}/api/backup`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/zip' },
    body: await openAsBlob(archive),
  });
  const { rows } = (await brought.json()) as { rows: number };
  const told = await bringing();
  holds(
    'and brought into an empty Fernbank',
    brought.status === 200 && told.mb < MOST_MB,
    `${rows} rows in ${((Date.now() - began) / 1000).toFixed(0)} s, ${told.mb} MB of memory, a second keeper waits ${told.waited} ms at most`,
  );
  await to.kill('SIGTERM');
}

/** Brings a large file in and takes it back. */
export async function undoneImport(): Promise<void> {
  const path = collectionOf('faults-import', (file) =>
    fillMany(file, { plants: 12, measurements: 12 }, TODAY),
  );
  const server = new Server({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
  await server.start();
  const deed = await importing(server, ROWS);
  const watching = watched(server);
  const began = Date.now();
  const { status } = await server.send('POST', `/api/history/${deed}/undo`, { also: [] });
  const took = Date.now() - began;
  const { mb } = await watching();
  const left = (await server.send('GET', '/api/health')).body as unknown as { plants: number };
  holds(
    `an import of ${ROWS} rows is taken back`,
    status === 200 && left.plants === 12 && mb < MOST_MB,
    `${(took / 1000).toFixed(1)} s, ${mb} MB of memory`,
  );
  await server.kill('SIGTERM');
}

/** Memory of the server, and how long a second keeper waits, until it is asked. */
function watched(server: Server) {
  let over = false;
  let mb = 0;
  let waited = 0;
  const watching = (async () => {
    while (!over) {
      const began = performance.now();
      await server.send('GET', '/api/health');
      waited = Math.max(waited, performance.now() - began);
      mb = Math.max(mb, residentMb(server.pid));
      await pause(POLL_MS);
    }
  })();
  return async () => {
    over = true;
    await watching;
    return { mb: Math.round(mb), waited: Math.round(waited) };
  };
}

/** @source proc(5): pages that are in memory, of 4 KiB each */
const residentMb = (pid: number) =>
  (Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1]) * 4096) / 1e6;
