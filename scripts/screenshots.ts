import { spawn } from 'node:child_process';
import { mkdirSync, rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { fillGarden } from '../demo/fill.ts';
import { copyFolderOf } from '../server/src/copies/copies.ts';
import { openCollection } from '../server/src/db/open.ts';

/** One current picture of each main view from the demo garden, into docs/screenshots. */
const root = join(dirname(new URL(import.meta.url).pathname), '..');
const folder = join(root, 'docs/screenshots');
const TODAY = '2026-03-16';
const PORT = 4196;
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

interface Shot {
  scheme?: 'dark';
  /** what is done before the picture is taken */
  before?: (page: Page) => Promise<void>;
}
const VIEWS: [name: string, path: string, size: typeof DESK, shot?: Shot][] = [
  ['rounds', '/rounds', DESK],
  ['look-phone', '/plants/5/look', PHONE],
  ['verdicts', '/verdicts', DESK],
  ['verdict', '/plants/5/verdict', DESK],
  ['verdict-dark', '/plants/13/verdict', DESK, { scheme: 'dark' }],
  ['fit', '/plants/15/fit', DESK],
  ['bench-phone', '/plants/15/bench', PHONE],
  ['sheet', '/plants/15/sheet', DESK],
  ['mix', '/mix', DESK],
  [
    'day',
    '/day',
    DESK,
    { before: async (page) => page.getByText('No plan can be better').waitFor() },
  ],
  ['aftercare', '/aftercare', DESK],
  ['outcome-phone', '/plants/24/outcome', PHONE],
  ['tray', '/aftercare/tray', DESK],
  ['worked', '/record/worked', DESK],
  ['record', '/record', DESK],
  ['plant', '/plants/7', DESK],
  ['shelf', '/record/shelf', DESK],
  ['past', '/record/past', DESK, { before: aFewChanges }],
  ['keeping', '/record/keeping', DESK],
];

/** Something to be told of the past: the garden itself was grown, not written. */
async function aFewChanges(page: Page): Promise<void> {
  const { request } = page;
  const api = (path: string) => new URL(`/api${path}`, page.url()).href;
  await request.patch(api('/plants/6'), { data: { heightCm: 41, note: 'turned to the light' } });
  const signals = { smell: 'sour', compacted: true };
  await request.post(api('/looks'), {
    data: { plantId: 5, date: TODAY, signals, note: 'sour at the base' },
  });
  await request.delete(api('/plants/9'));
  await page.reload();
}

const path = join(root, '.run/screenshots.sqlite');
for (const suffix of ['', '-wal', '-shm']) rmSync(path + suffix, { force: true });
rmSync(copyFolderOf(path), { recursive: true, force: true });
mkdirSync(folder, { recursive: true });
const file = openCollection(path);
fillGarden(file.db, TODAY);
file.close();

const server = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
  cwd: root,
  stdio: 'ignore',
  env: { ...process.env, PORT: String(PORT), FERNBANK_DB: path, FERNBANK_TODAY: TODAY },
});
const address = `http://127.0.0.1:${PORT}`;
for (let i = 0; i < 100; i++) {
  if (await fetch(`${address}/api/health`).catch(() => null)) break;
  await new Promise((resolve) => setTimeout(resolve, 100));
}
const browser = await chromium.launch({
  executablePath: process.env.FERNBANK_CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});
for (const [name, view, viewport, { scheme: colorScheme = 'light', before }] of VIEWS.map(
  ([a, b, c, shot = {}]) => [a, b, c, shot] as const,
)) {
  const context = await browser.newContext({
    viewport,
    colorScheme,
    locale: 'en-GB',
    serviceWorkers: 'block',
  });
  const page = await context.newPage();
  await page.goto(address + view);
  await page.waitForLoadState('networkidle');
  await before?.(page);
  await page.waitForLoadState('networkidle');
  await page.evaluate(() => document.fonts.ready);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  console.log(name);
  await context.close();
}
await browser.close();
server.kill('SIGTERM');
