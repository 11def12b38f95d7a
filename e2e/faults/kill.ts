import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { seeded } from '@fernbank/core';
import { fillGarden } from '../../demo/fill.ts';
import { copyFolderOf } from '../../server/src/copies/copies.ts';
import { soundness } from '../../server/src/copies/sound.ts';
import { openFile } from '../../server/src/db/driver.ts';
import { openCollection } from '../../server/src/db/open.ts';
import { holds, pause, Server } from './server.ts';

const TODAY = '2026-03-16';
const WRITERS = 8;
const LONGEST_MS = 350;

/** A write that was told to have happened: where its row is, and what must be in it. */
interface Told {
  key: string;
  table: string;
  id: number;
}

/**
 * Ends the server in the middle of things, again and again, while eight clients write. What it said
 * had happened must have; what it did not say is sent again with the same key and must happen once.
 */
export async function killAgainAndAgain(times: number): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), '.fernbank-kill-'));
  const path = join(folder, 'collection.sqlite');
  const file = openCollection(path);
  fillGarden(file.db, TODAY);
  file.close();
  const server = new Server({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
  const random = seeded(1);
  const told: Told[] = [];
  const sentAgain: string[] = [];
  let refused = 0;
  let unheard: { key: string; path: string; body: object }[] = [];
  let n = 0;

  const write = () => {
    n += 1;
    const plantId = 1 + (n % 20);
    const key = `kill-${String(n).padStart(6, '0')}`;
    const pot = { shape: 'round', topDiameterCm: 14, baseDiameterCm: 10, heightCm: 12 };
    const bodies: [string, object][] = [
      [
        '/api/measurements',
        { plantId, date: TODAY, minute: n % 1440, kind: 'weightKg', value: 1 + n / 1e5 },
      ],
      ['/api/looks', { plantId, date: TODAY, signals: { compacted: true }, note: key }],
      [
        '/api/repots',
        { plantId, date: TODAY, pot, mediumKind: 'peatSoil', recipeId: 'everyday', note: key },
      ],
      ['/api/spots', { name: key, latitudeDeg: 54 }],
    ];
    const [address, body] = bodies[n % 10 < 6 ? 0 : n % 10 < 8 ? 1 : n % 10 < 9 ? 2 : 3]!;
    return { key, path: address, body };
  };
  async function send(one: ReturnType<typeof write>, again: boolean): Promise<void> {
    const answer = await server
      .send('POST', one.path, one.body, { 'Idempotency-Key': one.key })
      .catch(() => null);
    if (!answer) unheard.push(one);
    else if (answer.status === 201 || answer.status === 200) {
      told.push({ key: one.key, table: one.path.split('/')[2]!, id: Number(answer.body.id) });
      if (again) sentAgain.push(one.key);
    } else refused += 1;
  }

  let starts = 0;
  let slowestMs = 0;
  for (let round = 0; round < times; round++) {
    const began = performance.now();
    if (!(await server.start())) {
      holds(`start ${round} after a kill`, false, server.said.slice(0, 300));
      break;
    }
    starts += 1;
    slowestMs = Math.max(slowestMs, performance.now() - began);
    // Whoever heard nothing asks again.
    const waiting = unheard;
    unheard = [];
    await Promise.all(waiting.map((one) => send(one, true)));
    let stop = false;
    const writers = Array.from({ length: WRITERS }, async () => {
      while (!stop) await send(write(), false);
    });
    await pause(random() * LONGEST_MS);
    await server.kill();
    stop = true;
    await Promise.all(writers);
    if (round % 20 === 19) {
      const state = soundness(path);
      if (!state.sound) holds(`integrity after ${round + 1} kills`, false, state.why);
    }
  }
  await server.start();
  await Promise.all(unheard.splice(0).map((one) => send(one, true)));
  await server.kill();

  holds(
    `${times} kills -9 under ${WRITERS} writers, every start succeeded`,
    starts === times,
    `${starts} starts, slowest ${(slowestMs / 1000).toFixed(1)} s`,
  );
  const state = soundness(path);
  holds('the file is sound', state.sound, state.sound ? '' : state.why);
  const after = openFile(path);
  const lost = told.filter(
    ({ table, id }) => after.rows(`SELECT id FROM ${table} WHERE id = ?`, id).length === 0,
  );
  holds(
    'no acknowledged write is lost',
    lost.length === 0,
    `${told.length} acknowledged, ${lost.length} lost, ${refused} refused`,
  );
  const twice = ['looks', 'repots', 'spots'].flatMap((table) => {
    const column = table === 'spots' ? 'name' : 'note';
    return after.rows(
      `SELECT ${column} AS k FROM ${table} WHERE ${column} LIKE 'kill-%' GROUP BY ${column} HAVING count(*) > 1`,
    );
  });
  const readings = after.rows(
    'SELECT value FROM measurements WHERE value > 1 AND date = ? GROUP BY value, plant_id, minute HAVING count(*) > 1',
    TODAY,
  );
  holds(
    'nothing happened twice that was sent again',
    twice.length + readings.length === 0,
    `${sentAgain.length} sent again`,
  );
  const bare = Number(
    after.value('SELECT count(*) FROM deeds WHERE id NOT IN (SELECT deed_id FROM changes)'),
  );
  const keyless = told.filter(
    ({ key }) => after.rows('SELECT key FROM answers WHERE key = ?', key).length === 0,
  );
  holds('no deed without its change, no answer without its key', bare + keyless.length === 0);
  const wrongPots = Number(
    after.value(
      'SELECT count(*) FROM pots WHERE free < 0 OR soaking < 0 OR free + soaking + apart > count',
    ),
  );
  holds('the shelf still counts', wrongPots === 0);
  after.close();
  await killDuringRestore(server, path);
  rmSync(folder, { recursive: true, force: true });
}

/** A restore that is cut short leaves the one collection or the other, never a mixture. */
async function killDuringRestore(server: Server, path: string): Promise<void> {
  const random = seeded(2);
  let mixed = 0;
  const TIMES = 20;
  const seen = new Set<string>();
  const print = () => {
    const file = openFile(path);
    const state = file.rows(
      'SELECT (SELECT count(*) FROM looks) AS looks, (SELECT count(*) FROM measurements) AS measured, (SELECT count(*) FROM plants) AS plants',
    )[0]!;
    file.close();
    return JSON.stringify(state);
  };
  await server.start();
  await server.send('POST', '/api/copies');
  const copied = print();
  for (let i = 0; i < TIMES; i++) {
    await server.send('POST', '/api/looks', {
      plantId: 2,
      date: TODAY,
      signals: { smell: 'sour' },
    });
    const changed = print();
    const restoring = server
      .send('POST', `/api/copies/daily-${TODAY}.sqlite/restore`)
      .catch(() => null);
    await pause(random() * 600);
    await server.kill();
    await restoring;
    const now = print();
    seen.add(now === copied ? 'copy' : now === changed ? 'before' : 'mixture');
    if (now !== copied && now !== changed) mixed += 1;
    if (!(await server.start()))
      return holds('start after a restore that was cut short', false, server.said);
  }
  await server.kill();
  holds(
    `${TIMES} restores cut short leave one collection or the other`,
    mixed === 0,
    `seen: ${[...seen].join(', ')}`,
  );
  const litter = readdirSync(copyFolderOf(path)).filter(
    (name) => name.startsWith('.restore-') || name.endsWith('.part'),
  );
  await server.start();
  await server.kill('SIGTERM');
  holds(
    'what they left lying is cleared at the next start',
    readdirSync(copyFolderOf(path)).every(
      (name) => !name.startsWith('.') && !name.endsWith('.part'),
    ),
    `${litter.length} found`,
  );
}
