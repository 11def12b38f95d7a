import { defineConfig } from '@playwright/test';

/** The real interface on the demo garden and on an empty collection, each with a server of its own. */
export const GARDEN_PORT = 4190;
export const EMPTY_PORT = 4191;
/** behind a passphrase, and stopped and started again by its test */
export const DOOR_PORT = 4193;
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
  workers: 1,
  // A busy machine is five times slower than a quiet one: how long a test takes is not what it tests.
  timeout: 120_000,
  expect: { timeout: 15_000 },
  reporter: [['list'], ['json', { outputFile: '../.run/browser.json' }]],
  use: {
    actionTimeout: 15_000,
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
  webServer: [
    serve(
      GARDEN_PORT,
      '.run/e2e-garden.sqlite',
      'node --import tsx demo/make.ts .run/e2e-garden.sqlite',
    ),
    serve(
      EMPTY_PORT,
      '.run/e2e-empty.sqlite',
      'rm -f .run/e2e-empty.sqlite .run/e2e-empty.sqlite-wal .run/e2e-empty.sqlite-shm',
    ),
  ],
});
