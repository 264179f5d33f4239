import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@jest/globals';
import { sql } from 'drizzle-orm';
import sharp from 'sharp';
import request from 'supertest';
import { emptyPage } from '@temnex/core/page';
import { BackupService } from './backup/backup.service.ts';
import { createApplication } from './application.ts';
import { pages, photos } from './database/schema.ts';
import { PagesService } from './pages/pages.service.ts';

const here = dirname(fileURLToPath(import.meta.url));
/** How often it is killed; `npm run soak` and `npm run fuzz` do it more often. */
const KILLS = Number(process.env.TEMNEX_RESTORE_KILLS ?? 1);

const local = (r: request.Test) => r.set('Host', '127.0.0.1:4310');
const opened = async (file: string) => {
  const made = await createApplication({ databaseFile: file, demo: false, quiet: true });
  await made.app.init();
  return { ...made, close: () => made.app.close().then(() => made.database.close()) };
};

/** A backup with pages of these names and so many photos. */
async function backupOf(folder: string, name: string, names: readonly string[], shots: number): Promise<string> {
  const { app, close } = await opened(join(folder, name, 'temnex.sqlite'));
  for (const page of names) app.get(PagesService).create({ id: page, document: emptyPage(page) });
  for (let n = 0; n < shots; n++) {
    const background = { r: 10 * n, g: 20 * names.length, b: 200 };
    const photo = sharp({ create: { width: 900, height: 600, channels: 3, background, noise: { type: 'gaussian', mean: 120, sigma: 60 } } }); // prettier-ignore
    const { status, body } = await local(
      request(app.getHttpServer())
        .post(`/api/photos?id=photo-of-${name}-${n}`)
        .set('content-type', 'image/jpeg')
        .send(await photo.jpeg().toBuffer()),
    );
    expect([status, body.message]).toEqual([201, undefined]);
  }
  const file = join(folder, `${name}.zip`);
  writeFileSync(file, await app.get(BackupService).backup());
  await close();
  return file;
}

/** Restores the backups by turns while photos come in, and is killed at some moment; what it had said until then. */
const killedWhileRestoring = (database: string, backups: readonly string[]): Promise<string[]> =>
  new Promise((resolve, reject) => {
    const script = join(here, 'killedRestoring.ts');
    const child = spawn(
      process.execPath,
      ['--import', 'tsx', '--conditions=@temnex/source', script, database, ...backups],
      {
        stdio: ['ignore', 'pipe', 'inherit'],
        env: { ...process.env, TSX_TSCONFIG_PATH: join(here, '../tsconfig.json') },
      },
    );
    let text = '';
    let isDoomed = false;
    child.stdout.on('data', (chunk: Buffer) => {
      text += chunk;
      // once both are under way
      if (isDoomed || !text.includes('restored') || !text.includes('photo')) return;
      isDoomed = true;
      setTimeout(() => child.kill('SIGKILL'), Math.random() * 1500);
    });
    child.on('exit', () => resolve(text.split('\n').slice(0, -1)));
    child.on('error', reject);
  });

test(
  `${KILLS} kills while backups are restored and photos come in: it is one of them, whole, with its photos`,
  async () => {
    const folder = mkdtempSync(join(tmpdir(), 'temnex-restoring-'));
    const [one, other] = [
      ['gusts', 'shingle'],
      ['slack-water', 'spring-tide', 'the-long-tail'],
    ];
    const backups = [await backupOf(folder, 'one', one!, 3), await backupOf(folder, 'other', other!, 5)];
    const database = join(folder, 'here', 'temnex.sqlite');
    const seen = new Set<string>();
    for (let kill = 0; kill < KILLS; kill++) {
      for (const said of await killedWhileRestoring(database, backups)) seen.add(said);
      const { database: now, close } = await opened(database);
      const names = now.db.select({ id: pages.id }).from(pages).all().map(({ id }) => id).sort(); // prettier-ignore
      expect([one!.join(), other!.join()]).toContain(names.join());
      const rows = now.db.select().from(photos).all();
      const whole = names.length === one!.length ? 'one' : 'other';
      // those of the backup are all there; what came in since may be too
      expect([kill, rows.filter((row) => row.id.startsWith(`photo-of-${whole}`)).length]).toEqual([
        kill,
        whole === 'one' ? 3 : 5,
      ]);
      for (const { file, bytes } of rows) {
        const path = join(dirname(database), 'photos', `${file}.jpg`);
        expect([kill, file, existsSync(path) && readFileSync(path).length]).toEqual([kill, file, bytes]);
        expect((await sharp(path).metadata()).format).toBe('jpeg');
      }
      const left = readdirSync(dirname(database), { recursive: true }).map(String);
      expect(left.filter((name) => /\.half$|looking./.test(name))).toEqual([]);
      expect(now.db.all(sql`pragma integrity_check`)).toEqual([{ integrity_check: 'ok' }]);
      await close();
    }
    expect([...seen].sort()).toEqual(['photo', 'restored']);
    rmSync(folder, { recursive: true });
  },
  60_000 + KILLS * 15_000,
);
