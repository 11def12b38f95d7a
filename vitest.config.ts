import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/src/**/*.test.ts'],
          // Properties run a few hundred times; how fast is not what they test.
          testTimeout: 90_000,
        },
      },
      {
        test: { name: 'server', include: ['server/src/**/*.test.ts'], testTimeout: 90_000 },
      },
      {
        plugins: [vue()],
        test: {
          name: 'web',
          include: ['web/src/**/*.test.ts'],
          environment: 'happy-dom',
          testTimeout: 90_000,
          server: { deps: { inline: ['vuetify'] } },
        },
      },
    ],
    coverage: { include: ['core/src/**', 'server/src/**'] },
  },
});
