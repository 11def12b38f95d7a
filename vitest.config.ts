import { availableParallelism } from 'node:os';
import vue from '@vitejs/plugin-vue';
import { defineConfig, type TestProjectConfiguration } from 'vitest/config';

/** Every part is tested in a zone of its own, none of them where days are those of UTC: a day that slips shows. */
const ZONES = {
  core: 'Asia/Kathmandu',
  server: 'Pacific/Kiritimati',
  web: 'America/St_Johns',
};
/** What reckons with days and moments is tested in the zones of the others too. */
const OF_DAYS = {
  core: ['season', 'columns', 'aftercare', 'reservoir', 'devices', 'trend', 'worked'].map(
    (folder) => `core/src/${folder}/*.test.ts`,
  ),
  server: ['clock', 'routes/after', 'routes/judgement', 'routes/visits'].map(
    (name) => `server/src/${name}.test.ts`,
  ),
  // The few days of the web go through all zones by themselves: composables/days.test.ts.
};

const common = (name: string, zone: string, include: string[]) => ({
  name,
  include,
  env: { TZ: process.env.TZ ?? zone },
  // Files of a worker share their modules: what they keep is in databases and pages of their own.
  isolate: false,
  // How fast a property of a few hundred runs is, is not what is tested.
  testTimeout: 90_000,
  hookTimeout: 90_000,
});
/** A zone's tests of core and server are one project: what they share is read once for both. */
const inNode = (name: string, zone: string, include: string[]): TestProjectConfiguration => ({
  test: {
    ...common(name, zone, include),
    // Plain modules run as Node runs them: the judgement alone is 1.7 times quicker than through Vite.
    experimental: { viteModuleRunner: false, nodeLoader: false },
    execArgv: ['--import', '@swc-node/register/esm-register'],
  },
});
const projects: TestProjectConfiguration[] = [
  inNode('core, days of the server', ZONES.core, ['core/src/**/*.test.ts', ...OF_DAYS.server]),
  inNode('server, days of the core', ZONES.server, ['server/src/**/*.test.ts', ...OF_DAYS.core]),
  inNode('days of both', ZONES.web, [...OF_DAYS.core, ...OF_DAYS.server]),
  {
    plugins: [vue()],
    test: {
      ...common('web', ZONES.web, ['web/src/**/*.test.ts']),
      environment: 'happy-dom',
      setupFiles: ['web/src/test/setup.ts'],
      server: { deps: { inline: ['vuetify'] } },
    },
  },
];

export default defineConfig({
  test: {
    // As many as there are processors: nothing else runs beside them, and one of them waits now and then.
    maxWorkers: availableParallelism(),
    projects,
    coverage: { include: ['core/src/**', 'server/src/**'] },
  },
});
