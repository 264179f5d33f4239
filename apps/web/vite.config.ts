import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';

export default defineConfig({
  // what is sent is compressed once, here
  plugins: [
    react(),
    compression({ algorithms: ['brotliCompress', 'gzip'], include: /\.(js|css|svg|html)$/, threshold: 1000 }),
  ],
  resolve: { conditions: ['@temnex/source', ...defaultClientConditions] },
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    modulePreload: { polyfill: false },
    // what is needed at first comes in one file: each of many small ones would be asked for by itself
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'first', tags: ['$initial'] }] } } },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.TEMNEX_PORT ?? 4310}` } },
});
