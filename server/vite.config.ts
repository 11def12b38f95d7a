import { defineConfig } from 'vite';
import { NO_CIRCLES } from '../scripts/noCircles.ts';

/** Left to Node: what brings files of its own, a native part or WebAssembly. */
const KEPT_APART = ['libsql', 'highs'];

/** The server and the demo as a few files that need nothing of the tools they were made with. */
export default defineConfig({
  root: import.meta.dirname,
  ssr: { noExternal: true, external: KEPT_APART },
  build: {
    ssr: true,
    target: 'node20',
    // What is read at every start is kept short; names stay, for the log.
    minify: true,
    outDir: 'dist',
    // What others wrote and it brings along, with their licences.
    license: { fileName: 'third-party.md' },
    rolldownOptions: {
      ...NO_CIRCLES,
      input: {
        fernbank: 'server/src/fernbank.ts',
        reader: 'server/src/reader/worker.ts',
        sums: 'server/src/threads/sums.ts',
        keeper: 'server/src/copies/keeperThread.ts',
        importer: 'server/src/importing/importerThread.ts',
      },
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
