import vue from '@vitejs/plugin-vue';
import { defineConfig } from 'vite';
import vuetify from 'vite-plugin-vuetify';

export default defineConfig({
  root: import.meta.dirname,
  plugins: [vue(), vuetify()],
  worker: { format: 'es' },
  build: { target: 'es2022', chunkSizeWarningLimit: 700 },
  server: { proxy: { '/api': 'http://127.0.0.1:4180' } },
});
