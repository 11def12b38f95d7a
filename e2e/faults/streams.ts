import { request } from 'node:http';
import { collectionOf, pause } from '../../scripts/ownServer.ts';
import { fillGarden } from '../../demo/fill.ts';
import { holds, Server } from './server.ts';

const TODAY = '2026-03-16';
interface Described {
  paths: Record<string, Record<string, unknown>>;
}

/** Lets go of every answer there is, after each of so many milliseconds, and looks whether the server minds. */
export async function letGo(): Promise<void> {
  const path = collectionOf('faults-streams', ({ db }) => fillGarden(db, TODAY));
  const server = new Server({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
  await server.start();
  const { paths } = (await server.send('GET', '/api/openapi.json')).body as unknown as Described;
  const routes = Object.entries(paths)
    .filter(([, operations]) => 'get' in operations)
    .map(([address]) => address.replace(/\{\w+\}/g, '1'));
  let asked = 0;
  for (const address of routes) {
    for (const afterMs of [0, 1, 3, 8, 20, 60]) {
      await once(server.port, address, afterMs);
      asked += 1;
    }
  }
  await pause(300);
  const { status } = await server.send('GET', '/api/rounds');
  holds(
    'answers let go of half-way on every route: the server goes on',
    status === 200 && !/unexpected/.test(server.said),
    `${asked} on ${routes.length} routes`,
  );
  await server.kill('SIGTERM');
}

const once = (port: number, path: string, afterMs: number) =>
  new Promise<void>((done) => {
    const asked = request({ port, path, host: '127.0.0.1' });
    asked.on('error', () => undefined);
    asked.on('response', (answer) => answer.on('error', () => undefined).resume());
    asked.once('close', () => done());
    asked.end();
    setTimeout(() => asked.destroy(), afterMs);
  });
