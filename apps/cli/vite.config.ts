import { defaultServerConditions, defineConfig } from 'vite';

/** One file, so that the command answers at once: most of a start is finding and reading modules. */
export default defineConfig({
  ssr: { noExternal: true, resolve: { conditions: ['@temnex/source', ...defaultServerConditions] } },
  resolve: { conditions: ['@temnex/source', ...defaultServerConditions] },
  build: { ssr: 'src/main.ts', outDir: 'dist', target: 'node20', minify: true, emptyOutDir: true },
});
