import { statSync } from 'node:fs';
import { fillMany } from './manyPlants.ts';
import { rowsOf, writePart, type Figure } from './page.ts';
import { ROUNDS, VERDICTS } from '../web/src/api/lists.ts';
import { collectionOf, OwnServer, pause } from '../scripts/ownServer.ts';

/**
 * A house of 20,000 plants on one server: what it takes to start, to walk the rounds, to rank all
 * verdicts, and how long a second keeper waits for a plain page meanwhile.
 */
const TODAY = '2026-03-16';
const MANY = { plants: 20_000, measurements: 100_000 };
const POLL_MS = 20;
const SOON_MS = 500;
const LOOKS = 9;

const path = collectionOf('house', (file) => fillMany(file, MANY, TODAY));
const figures: Figure[] = [];
const note = (what: string, value: number, unit: string, goal?: number) => {
  figures.push({ what, value, unit, goal });
  console.log(
    `${what.padEnd(60)} ${value.toFixed(value < 10 ? 2 : 0)} ${unit}${goal ? `   goal ${goal}` : ''}`,
  );
};

const server = new OwnServer({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
const ask = async (address: string, body?: object) => {
  const began = performance.now();
  const answer = await fetch(`${server.address}/api${address}`, {
    ...(body ? { method: 'POST', body: JSON.stringify(body) } : {}),
    headers: { 'Content-Type': 'application/json', 'Accept-Encoding': 'gzip' },
  });
  const told = await answer.text();
  if (!answer.ok) throw new Error(`${address}: ${answer.status}`);
  const bytes = Buffer.byteLength(told);
  const sent = Number(answer.headers.get('content-length') ?? bytes);
  return { ms: performance.now() - began, sent, bytes, told };
};

/** Asks for something while a second keeper opens plants; @returns also the longest that one waited. */
async function beside(address: string, body?: object) {
  let over = false;
  const second = (async () => {
    let longest = 0;
    for (let id = 1; !over; id += 37) {
      longest = Math.max(longest, (await ask(`/plants/${1 + (id % MANY.plants)}`)).ms);
      await pause(POLL_MS);
    }
    return longest;
  })();
  await pause(POLL_MS);
  const first = await ask(address, body);
  over = true;
  return { ...first, waited: await second };
}

note('the file', statSync(path).size / 2 ** 20, 'MiB');
const began = performance.now();
if (!(await server.start())) throw new Error(server.said);
note('start until it answers', performance.now() - began, 'ms', 3000);
const askedFirst = performance.now();
const cold = await beside(ROUNDS);
note('Rounds, nothing judged yet', cold.ms, 'ms', 2000);
note('… a second keeper waits at most', cold.waited, 'ms', 100);
const stillToCome = ({ told }: { told: string }) => (JSON.parse(told) as { toCome: number }).toCome;
for (let now = stillToCome(cold); now > 0; now = stillToCome(await ask(ROUNDS))) {
  await pause(SOON_MS);
}
note('all judged, the walk growing meanwhile', performance.now() - askedFirst, 'ms');
const warm = await beside(ROUNDS);
note('Rounds again', warm.ms, 'ms', 50);
const verdicts = await beside(VERDICTS);
note('Verdicts', verdicts.ms, 'ms', 300);
note('… over the wire', verdicts.sent / 1e6, 'MB', 2);
note('… unpacked', verdicts.bytes / 1e6, 'MB');
note('… a second keeper waits at most', verdicts.waited, 'ms', 100);
const afterLooks: number[] = [];
for (let plantId = 77; plantId < 77 + LOOKS; plantId++) {
  await ask('/looks', { plantId, date: TODAY, signals: { smell: 'sour' } });
  afterLooks.push((await ask(ROUNDS)).ms);
}
const inOrder = afterLooks.toSorted((a, b) => a - b);
note(`Rounds after one look, the middle of ${LOOKS}`, inOrder[(LOOKS - 1) / 2]!, 'ms', 50);
note('… the slowest', inOrder.at(-1)!, 'ms');
await ask('/components/perlite').catch(() => undefined);
const fine = await beside('/spots/1/fine', { date: TODAY });
note(`“all fine” for ${Math.round(MANY.plants / 12)} plants`, fine.ms, 'ms', 200);
note('… a second keeper waits at most', fine.waited, 'ms', 100);
const after = await beside(ROUNDS);
note('Rounds after it', after.ms, 'ms');
note('… a second keeper waits at most', after.waited, 'ms', 100);
const day = (await (
  await fetch(`${server.address}/api/days`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ dates: [{ date: TODAY, minutes: 240 }] }),
  })
).json()) as { id: number };
const problem = await beside(`/days/${day.id}/problem`);
note('what a potting day is chosen from', problem.ms, 'ms');
note('… a second keeper waits at most', problem.waited, 'ms', 100);
const stopped = performance.now();
await server.kill('SIGTERM');
note('stopped', performance.now() - stopped, 'ms');
if (process.argv.includes('--write')) writePart('house', rowsOf(figures));
