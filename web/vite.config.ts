import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import vuetify from 'vite-plugin-vuetify';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), vuetify()],
  // The solver asks for Node's own modules where it runs in Node; in a worker it never does.
  worker: { format: 'es', rolldownOptions: { external: ['node:module'] } },
  build: { target: 'es2022', chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
});
