import { availableParallelism } from 'node:os';
import { defineConfig } from '@playwright/test';

/**
 * The real interface on the demo garden and on an empty collection, each with a
 * server of its own. Every worker has its own three: what tests of one do to
 * their garden, those of another do not see. A browser and a server keep two
 * processors busy, so a second worker wants more than those.
 */
const WORKERS = availableParallelism() > 2 ? 2 : 1;
const portsOf = (worker: number) => ({
  garden: 4190 + 10 * worker,
  empty: 4191 + 10 * worker,
  /** behind a passphrase, and stopped and started again by its test */
  door: 4193 + 10 * worker,
});
const ports = portsOf(Number(process.env.TEST_PARALLEL_INDEX ?? 0));
export const GARDEN_PORT = ports.garden;
export const EMPTY_PORT = ports.empty;
export const DOOR_PORT = ports.door;
const TODAY = '2026-03-16';

const serve = (port: number, database: string, prepare: string) => ({
  command: `${prepare} && node --import tsx server/src/main.ts`,
  url: `http://127.0.0.1:${port}/api/health`,
  cwd: '..',
  reuseExistingServer: false,
  env: {
    PORT: String(port),
    FERNBANK_DB: database,
    FERNBANK_TODAY: TODAY,
    LOG_LEVEL: 'error',
  },
});

export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  outputDir: '../.run/browser-results',
  workers: WORKERS,
  // A busy machine is five times slower than a quiet one: how long a test takes is not what it tests.
  timeout: 120_000,
  expect: { timeout: 30_000 },
  reporter: [['list'], ['json', { outputFile: '../.run/browser.json' }]],
  use: {
    actionTimeout: 30_000,
    locale: 'en-GB',
    // What stands between page and server is tested by itself, in keeping.e2e.ts.
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.FERNBANK_CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: Array.from({ length: WORKERS }, (_, worker) => {
    const { garden, empty } = portsOf(worker);
    const filled = `.run/e2e-garden-${worker}.sqlite`;
    const blank = `.run/e2e-empty-${worker}.sqlite`;
    return [
      serve(garden, filled, `node --import tsx demo/make.ts ${filled}`),
      serve(empty, blank, `rm -f ${blank} ${blank}-wal ${blank}-shm`),
    ];
  }).flat(),
});
