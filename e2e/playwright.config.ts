import { availableParallelism } from 'node:os';
import { defineConfig } from '@playwright/test';

/** The real interface on the demo garden and on an empty collection: garden.ts. */
export default defineConfig({
  testDir: '.',
  testMatch: '*.e2e.ts',
  outputDir: '../.run/browser-results',
  globalSetup: './garden.ts',
  // A browser waits as often as it works: one more than there are processors keeps all of them busy.
  workers: Math.min(4, availableParallelism() + 1),
  // A busy machine is five times slower than a quiet one: how long a test takes is not what it tests.
  timeout: 120_000,
  expect: { timeout: 30_000 },
  // A browser that stood still is asked once more; what passed only then is named at the end.
  retries: 1,
  reporter: [['list'], ['json', { outputFile: '../.run/browser.json' }]],
  use: {
    actionTimeout: 30_000,
    locale: 'en-GB',
    // What moves is waited for; the few tests of movement ask for it themselves.
    contextOptions: { reducedMotion: 'reduce' },
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
});
