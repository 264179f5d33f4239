import react from '@vitejs/plugin-react';
import { defaultClientConditions, defineConfig } from 'vite';
import { compression } from 'vite-plugin-compression2';

/** What is sent at first has one construction, the others are fetched; what is made when it is built has them all. */
export default defineConfig(({ isSsrBuild }) => ({
  // what is sent is compressed once, here
  plugins: [
    react(),
    compression({ algorithms: ['brotliCompress', 'gzip'], include: /\.(js|css|svg|html)$/, threshold: 1000 }),
  ],
  resolve: { conditions: [...(isSsrBuild ? [] : ['@temnex/lean']), '@temnex/source', ...defaultClientConditions] },
  worker: { format: 'es' },
  build: {
    target: 'es2022',
    modulePreload: { polyfill: false },
    // what is needed at first comes in one file: each of many small ones would be asked for by itself
    rolldownOptions: { output: { codeSplitting: { groups: [{ name: 'first', tags: ['$initial'] }] } } },
  },
  server: { proxy: { '/api': `http://127.0.0.1:${process.env.TEMNEX_PORT ?? 4310}` } },
}));
