import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';

const WORKERS = 2;
const port = (worker: number) => Number(process.env.TEMNEX_TEST_PORT ?? 4329) + worker;
process.env.TEMNEX_TEST_DATA ??= mkdtempSync(join(tmpdir(), 'temnex-e2e-'));
const data = process.env.TEMNEX_TEST_DATA;

/** Every journey puts the demo back first, so each worker has a server of its own, with a database of its own. */
export default defineConfig({
  testDir: '.',
  workers: WORKERS,
  fullyParallel: true,
  // How long something takes is measured by benchmarks, never here: these only end what would never come.
  timeout: 180_000,
  expect: { timeout: 40_000 },
  retries: 0,
  reporter: process.env.TEMNEX_REPORT ? [['line'], ['json', { outputFile: process.env.TEMNEX_REPORT }]] : [['line']],
  outputDir: '../test-results',
  use: {
    baseURL: `http://127.0.0.1:${port(Number(process.env.TEST_PARALLEL_INDEX ?? 0))}`,
    viewport: { width: 1280, height: 800 },
    // a journey that goes on without the server lets it work
    serviceWorkers: 'block',
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
  webServer: Array.from({ length: WORKERS }, (_, worker) => ({
    command: 'node --disable-warning=ExperimentalWarning apps/server/dist/main.js',
    cwd: '..',
    url: `http://127.0.0.1:${port(worker)}/api/health`,
    env: { TEMNEX_PORT: String(port(worker)), TEMNEX_DATA: join(data, String(worker)) },
    reuseExistingServer: false,
  })),
});
