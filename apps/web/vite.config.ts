import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig } from 'vite';

export default defineConfig({
  plugins: [react()],
  resolve: { conditions: ['@temnex/source', ...defaultClientConditions] },
  worker: { format: 'es' },
  build: { target: 'es2022', modulePreload: { polyfill: false } },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.TEMNEX_PORT ?? 4310}` } },
});
