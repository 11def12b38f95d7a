import { availableParallelism } from 'node:os';
import vue from '@vitejs/plugin-vue';
import { defineConfig, type TestProjectConfiguration } from 'vitest/config';

type Part = 'core' | 'server' | 'web';

/** Every part is tested in a zone of its own, none of them where days are those of UTC: a day that slips shows. */
const ZONES: Record<Part, string> = {
  core: 'Asia/Kathmandu',
  server: 'Pacific/Kiritimati',
  web: 'America/St_Johns',
};
/** What reckons with days and moments is tested in the zones of the others too. */
const OF_DAYS: Record<Part, string[]> = {
  core: ['season', 'columns', 'aftercare', 'reservoir', 'devices', 'trend', 'worked'].map(
    (folder) => `core/src/${folder}/*.test.ts`,
  ),
  server: ['clock', 'routes/after', 'routes/judgement', 'routes/visits'].map(
    (name) => `server/src/${name}.test.ts`,
  ),
  // Its own few days go through all zones by themselves: composables/days.test.ts.
  web: [],
};

function project(part: Part, name: string, zone: string, include: string[]) {
  const test = {
    name,
    include,
    env: { TZ: process.env.TZ ?? zone },
    // Files of a worker share their modules: what they keep is in databases and pages of their own.
    isolate: false,
    // How fast a property of a few hundred runs is, is not what is tested.
    testTimeout: 90_000,
  };
  if (part !== 'web') {
    // Plain modules run as Node runs them: the judgement alone is 1.7 times quicker than through Vite.
    const experimental = { viteModuleRunner: false, nodeLoader: false };
    return {
      test: { ...test, experimental, execArgv: ['--import', '@swc-node/register/esm-register'] },
    };
  }
  return {
    plugins: [vue()],
    test: {
      ...test,
      environment: 'happy-dom',
      setupFiles: ['web/src/test/setup.ts'],
      server: { deps: { inline: ['vuetify'] } },
    },
  };
}

const PARTS = Object.keys(ZONES) as Part[];
const projects: TestProjectConfiguration[] = PARTS.flatMap((part) => [
  project(part, part, ZONES[part], [`${part}/src/**/*.test.ts`]),
  ...PARTS.filter((other) => other !== part && OF_DAYS[part].length > 0).map((other) =>
    project(part, `${part}, days as in ${ZONES[other]}`, ZONES[other], OF_DAYS[part]),
  ),
]);

export default defineConfig({
  test: {
    // As many as there are processors: nothing else runs beside them, and one of them waits now and then.
    maxWorkers: availableParallelism(),
    projects,
    coverage: { include: ['core/src/**', 'server/src/**'] },
  },
});
