import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';

const port = Number(process.env.TEMNEX_TEST_PORT ?? 4329);
process.env.TEMNEX_TEST_DATA ??= mkdtempSync(join(tmpdir(), 'temnex-e2e-'));

/** One server with a database of its own; every journey puts the demo back first, so they run one after the other. */
export default defineConfig({
  testDir: '.',
  workers: 1,
  timeout: 20_000,
  retries: process.env.CI ? 1 : 0,
  reporter: process.env.TEMNEX_REPORT ? [['line'], ['json', { outputFile: process.env.TEMNEX_REPORT }]] : [['line']],
  outputDir: '../test-results',
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    permissions: ['clipboard-read', 'clipboard-write'],
    launchOptions: {
      executablePath: process.env.TEMNEX_CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: 'node --disable-warning=ExperimentalWarning apps/server/dist/main.js',
    cwd: '..',
    url: `http://127.0.0.1:${port}/api/health`,
    env: { TEMNEX_PORT: String(port), TEMNEX_DATA: process.env.TEMNEX_TEST_DATA },
    reuseExistingServer: false,
  },
});
