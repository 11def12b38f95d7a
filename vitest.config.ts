import { availableParallelism } from 'node:os';
import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';

// Files of a worker share their modules: what they keep is in databases and pages of their own. How fast
// a property of a few hundred runs is, is not what is tested.
const shared = { isolate: false, testTimeout: 90_000 };

export default defineConfig({
  test: {
    // As many as there are processors: nothing else runs beside them, and one of them waits now and then.
    maxWorkers: availableParallelism(),
    projects: [
      {
        test: {
          ...shared,
          name: 'core',
          include: ['core/src/**/*.test.ts'],
        },
      },
      {
        test: { ...shared, name: 'server', include: ['server/src/**/*.test.ts'] },
      },
      {
        plugins: [vue()],
        test: {
          ...shared,
          name: 'web',
          include: ['web/src/**/*.test.ts'],
          environment: 'happy-dom',
          setupFiles: ['web/src/test/setup.ts'],
          server: { deps: { inline: ['vuetify'] } },
        },
      },
    ],
    coverage: { include: ['core/src/**', 'server/src/**'] },
  },
});
