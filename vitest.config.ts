import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'core',
          include: ['core/src/**/*.test.ts', 'demo/**/*.test.ts', 'scripts/**/*.test.ts'],
        },
      },
      {
        test: { name: 'server', include: ['server/src/**/*.test.ts'], testTimeout: 30_000 },
      },
      {
        plugins: [vue()],
        test: {
          name: 'web',
          include: ['web/src/**/*.test.ts'],
          environment: 'happy-dom',
          server: { deps: { inline: ['vuetify'] } },
        },
      },
    ],
    coverage: { include: ['core/src/**', 'server/src/**'] },
  },
});
