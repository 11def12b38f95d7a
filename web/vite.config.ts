import { createHash } from 'node:crypto';
import vue from '@vitejs/plugin-vue';
import { build, defineConfig, type Plugin } from 'vite';
import vuetify from 'vite-plugin-vuetify';
import { NO_CIRCLES } from '../scripts/noCircles.ts';

/** Fetched when it is first needed, and kept then: the solver has a few megabytes; notices are seldom read. */
const FETCHED_LATER = /\.(wasm|md)$/;

/** Builds the service worker last, as one script at a lasting address, with the list of all files. */
function serviceWorker(): Plugin {
  let files: { url: string; revision: string | null }[] = [];
  return {
    name: 'fernbank:service-worker',
    apply: 'build',
    enforce: 'post',
    generateBundle(_options, bundle) {
      files = Object.values(bundle)
        .filter(({ fileName }) => !FETCHED_LATER.test(fileName))
        .map((file) => ({
          url: `/${file.fileName}`,
          // Names below assets/ carry their hash.
          revision: file.fileName.startsWith('assets/')
            ? null
            : createHash('sha256')
                .update(file.type === 'asset' ? file.source : file.code)
                .digest('hex')
                .slice(0, 16),
        }));
    },
    async closeBundle() {
      await build({
        configFile: false,
        root: import.meta.dirname,
        publicDir: false,
        logLevel: 'warn',
        define: { __FILES__: JSON.stringify(files), 'process.env.NODE_ENV': '"production"' },
        build: {
          emptyOutDir: false,
          target: 'es2022',
          rolldownOptions: {
            input: 'web/src/sw.ts',
            output: { format: 'iife', entryFileNames: 'sw.js' },
          },
        },
      });
    },
  };
}

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), vuetify(), serviceWorker()],
  // The solver asks for Node's own modules where it runs in Node; in a worker it never does.
  worker: { format: 'es', rolldownOptions: { external: ['node:module'] } },
  build: {
    target: 'es2022',
    chunkSizeWarningLimit: 700,
    // What others wrote and it brings along, with their licences.
    license: { fileName: 'third-party.md' },
    rolldownOptions: {
      ...NO_CIRCLES,
      output: {
        // A few files in place of a hundred: each costs a way to the server and back.
        chunkFileNames: ({ name }) => `assets/${name.split('~')[0]}-[hash].js`,
        codeSplitting: {
          groups: [
            { name: 'frame', tags: ['$initial'], priority: 2 },
            {
              name: 'shared',
              minShareCount: 2,
              entriesAware: true,
              entriesAwareMergeThreshold: 4000,
              priority: 1,
            },
          ],
        },
      },
    },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
});
