import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { chromium, type Browser } from '@playwright/test';

export const PORT = 4397;
export const ADDRESS = `http://127.0.0.1:${PORT}`;
const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** A browser as the journeys use it. */
export const browse = (): Promise<Browser> =>
  chromium.launch({ executablePath: process.env.TEMNEX_CHROMIUM ?? '/usr/bin/chromium', args: ARGS });

/** The built server on a database of its own; how long it took to be up. */
export async function serve(data: string): Promise<{ ms: number; stop: () => Promise<void> }> {
  const start = performance.now();
  const server = spawn(process.execPath, ['--disable-warning=ExperimentalWarning', 'apps/server/dist/main.js'], {
    env: { ...process.env, TEMNEX_PORT: String(PORT), TEMNEX_DATA: data },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await once(server.stdout, 'data');
  const ms = performance.now() - start;
  return {
    ms,
    stop: async () => {
      server.kill();
      await once(server, 'exit');
    },
  };
}
