import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@jest/globals';
import Sqlite from 'better-sqlite3';
import { openDatabase } from './database/database.ts';
import { demoPage } from './demo/demo.ts';
import { PagesService } from './pages/pages.service.ts';

const here = dirname(fileURLToPath(import.meta.url));

/** A process that saves one page over and over, says which version it has saved, and is killed without warning. */
function saver(file: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const child = spawn(
      process.execPath,
      ['--import', 'tsx', '--conditions=@temnex/source', join(here, 'killed.ts'), file],
      {
        stdio: ['ignore', 'pipe', 'inherit'],
        env: { ...process.env, TSX_TSCONFIG_PATH: join(here, '../tsconfig.json') },
      },
    );
    let told = 0;
    let text = '';
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk;
      const lines = text.split('\n');
      told = Number(lines.at(-2) ?? told);
      if (told && !child.killed) setTimeout(() => child.kill('SIGKILL'), Math.random() * 12);
    });
    child.on('exit', () => resolve(told));
    child.on('error', reject);
  });
}

test('20 kills in mid-save: what was answered as saved is there, whole, and the file is sound', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'temnex-kill-'));
  const file = join(folder, 'kill.sqlite');
  const first = openDatabase(file);
  const { id } = new PagesService(first.db).create({ id: 'the-only-page', document: demoPage() });
  first.close();
  for (let kill = 0; kill < 20; kill++) {
    const told = await saver(file);
    const opened = openDatabase(file);
    const page = new PagesService(opened.db).get(id);
    expect(told).toBeGreaterThan(0);
    expect(page.version).toBeGreaterThanOrEqual(told);
    expect(page.document.name).toBe(`saved as ${page.version}`);
    opened.close();
  }
  const check = new Sqlite(file);
  expect(check.prepare('pragma integrity_check').all()).toEqual([{ integrity_check: 'ok' }]);
  check.close();
  rmSync(folder, { recursive: true });
}, 120_000);
