import { execFileSync } from 'node:child_process';
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { copyFolderOf } from '../../server/src/copies/copies.ts';
import { soundness } from '../../server/src/copies/sound.ts';
import { openFile } from '../../server/src/db/driver.ts';
import { holds, pause, Server } from './server.ts';

const TODAY = '2026-03-16';

/** Made by a process of its own, which holds nothing open afterwards. */
function garden(folder: string): string {
  const path = join(folder, 'collection.sqlite');
  execFileSync(process.execPath, ['server/dist/fernbank.js', 'make-demo', path], {
    cwd: join(import.meta.dirname, '../..'),
    env: { ...process.env, FERNBANK_TODAY: TODAY },
  });
  return path;
}
const newFolder = () => mkdtempSync(join(tmpdir(), '.fernbank-disk-'));

/** A file system of a few megabytes. @returns null where this user may not make one */
function smallDisk(megabytes: number): string | null {
  const folder = newFolder();
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${megabytes}m`, 'tmpfs', folder], {
      stdio: 'ignore',
    });
    return folder;
  } catch {
    rmSync(folder, { recursive: true });
    return null;
  }
}
function removeDisk(folder: string): void {
  execFileSync('umount', ['-l', folder]);
  rmSync(folder, { recursive: true });
}

/** The disk fills up while someone writes: what was told stays, what is refused says why, reading goes on. */
export async function fullDisk(): Promise<void> {
  const folder = smallDisk(6);
  if (!folder) return console.log('skipped  a full disk: only root can make a small one');
  const path = garden(folder);
  const server = new Server({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
  await server.start();
  // The day's copy is made once the first page stands: it takes its room before the disk is filled.
  for (let i = 0; i < 100 && !existsSync(copyFolderOf(path)); i++) await pause(100);
  await pause(500);
  const told: number[] = [];
  let full: Awaited<ReturnType<Server['send']>> | null = null;
  for (let i = 0; i < 4000 && !full; i++) {
    const answer = await server.send('POST', '/api/looks', {
      plantId: 1,
      date: TODAY,
      signals: {},
      note: 'x'.repeat(1900),
    });
    if (answer.status === 201) told.push(Number(answer.body.id));
    else full = answer;
  }
  holds(
    'a write that finds no room is refused in words',
    full?.status === 507,
    `${full?.status} ${full?.body.error?.message}, after ${told.length} writes`,
  );
  holds('reading goes on', (await server.send('GET', '/api/rounds')).status === 200);
  const copying = await server.send('POST', '/api/copies');
  holds(
    'a copy that finds no room says so and leaves no half of it',
    copying.status === 507,
    copying.body.error?.message,
  );
  await server.kill();
  holds(
    'starting on a full disk succeeds or says what to do',
    (await server.start()) || /room/.test(server.said),
    server.said.slice(0, 160),
  );
  rmSync(copyFolderOf(path), { recursive: true, force: true });
  await server.kill();
  await server.start();
  const again = await server.send('POST', '/api/looks', {
    plantId: 1,
    date: TODAY,
    signals: {},
    note: 'room again',
  });
  holds('once there is room it goes on', again.status === 201, String(again.status));
  await server.kill();
  const state = soundness(path);
  const file = openFile(path);
  const lost = told.filter((id) => file.rows('SELECT id FROM looks WHERE id = ?', id).length === 0);
  file.close();
  holds(
    'the file is sound and nothing acknowledged is lost',
    state.sound && lost.length === 0,
    `${lost.length} of ${told.length} lost`,
  );
  removeDisk(folder);
}

/** A file that cannot be written: the start says so. */
export async function readOnly(): Promise<void> {
  const folder = smallDisk(6);
  if (folder) {
    const path = garden(folder);
    execFileSync('mount', ['-o', 'remount,ro', folder]);
    const server = new Server({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
    const up = await server.start();
    holds(
      'a file on a read-only disk: the start says what to do',
      !up && /cannot be opened for writing/.test(server.said),
      server.said.slice(0, 200),
    );
    await server.kill();
    removeDisk(folder);
  } else if (process.getuid?.() !== 0) {
    const own = newFolder();
    const path = garden(own);
    chmodSync(path, 0o444);
    chmodSync(own, 0o555);
    const server = new Server({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
    holds(
      'a read-only file: the start says what to do',
      !(await server.start()) && /cannot be opened/.test(server.said),
      server.said.slice(0, 200),
    );
    chmodSync(own, 0o755);
    rmSync(own, { recursive: true });
  }
}

/** The file and the newest copy of it are damaged: the start names the copy before, and goes on with it when asked. */
export async function damaged(): Promise<void> {
  const folder = newFolder();
  const path = garden(folder);
  const server = new Server({ FERNBANK_DB: path, FERNBANK_TODAY: TODAY });
  await server.start();
  await server.send('POST', '/api/copies');
  await server.kill();
  const copies = copyFolderOf(path);
  copyFileSync(join(copies, `daily-${TODAY}.sqlite`), join(copies, 'daily-2026-03-15.sqlite'));
  const newest = join(copies, `daily-${TODAY}.sqlite`);
  const bytes = readFileSync(newest);
  bytes.fill(0x5a, 4096 * 4, 4096 * 12);
  writeFileSync(newest, bytes);
  truncateSync(path, Math.floor(statSync(path).size / 3 / 4096) * 4096);
  for (const suffix of ['-wal', '-shm']) rmSync(path + suffix, { force: true });
  const up = await server.start();
  holds(
    'a damaged file: the start names the newest copy that is sound',
    !up && /daily-2026-03-15[^]*FERNBANK_RESTORE=newest/.test(server.said),
    server.said.slice(0, 260),
  );
  await server.kill();
  const restored = await server.start({ FERNBANK_RESTORE: 'newest' });
  const health = restored ? await server.send('GET', '/api/health') : null;
  holds(
    'asked to, it goes on with that copy and sets the damaged file aside',
    Number(health?.body.plants) > 20 && existsSync(join(folder, 'collection.damaged-1.sqlite')),
  );
  await server.kill();
  rmSync(folder, { recursive: true });
}

/** The clock goes back by months: what lies ahead of it is no harm. */
export async function clockBack(): Promise<void> {
  const folder = newFolder();
  const path = garden(folder);
  const server = new Server({ FERNBANK_DB: path });
  const LATER = '2026-06-01';
  await server.start({ FERNBANK_TODAY: LATER });
  await server.send('POST', '/api/copies');
  const ahead = await server.send('POST', '/api/looks', {
    plantId: 1,
    date: LATER,
    signals: { smell: 'sour' },
  });
  await server.kill();
  const up = await server.start({ FERNBANK_TODAY: '2026-02-01' });
  await server.send('POST', '/api/copies');
  const paths = [
    '/rounds',
    '/verdicts',
    '/plants/1/file',
    '/history',
    '/bin',
    '/copies',
    '/tasks/calendar.ics',
    '/reservoirs',
    '/batches',
  ];
  const answers = await Promise.all(
    paths.map(async (one) => (await fetch(`${server.address}/api${one}`)).status),
  );
  holds(
    'a clock that was set back: every view opens',
    up && answers.every((status) => status === 200),
    answers.join(' '),
  );
  const now = await server.send('POST', '/api/looks', {
    plantId: 1,
    date: '2026-02-01',
    signals: { smell: 'fresh' },
  });
  holds(
    'and what is written then is taken',
    now.status === 201,
    `${now.status} ${now.body.error?.message ?? ''}`,
  );
  const { items } = (await server.send('GET', '/api/copies')).body as unknown as {
    items: { date: string }[];
  };
  holds(
    'the copy of the later day stays beside that of today',
    items.length >= 2,
    items.map(({ date }) => date).join(', '),
  );
  await server.kill();
  const file = openFile(path);
  holds(
    'nothing is lost',
    soundness(path).sound &&
      file.rows('SELECT id FROM looks WHERE id = ?', Number(ahead.body.id)).length === 1,
  );
  file.close();
  rmSync(folder, { recursive: true });
}
