import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from '@jest/globals';
import Sqlite from 'better-sqlite3';
import { createApplication } from './application.ts';
import { openDatabase } from './database/database.ts';
import { cuttings, movements, pages, sessionEvents, steps, stock } from './database/schema.ts';
import { demoPage } from './demo/demoPages.ts';
import { PagesService } from './pages/pages.service.ts';

const here = dirname(fileURLToPath(import.meta.url));
const KILLS = Number(process.env.TEMNEX_KILLS ?? 1);
/** On a busy machine one round may not come as far as a step being taken back; then a few more are killed. */
const MAX_KILLS = KILLS + 15;

/** A process that saves, cuts, takes back and counts over and over, says what was answered, and is killed without warning. */
function working(file: string): Promise<string[]> {
  return new Promise((resolve, reject) => {
    const child = spawn(
      process.execPath,
      ['--import', 'tsx', '--conditions=@temnex/source', join(here, 'killed.ts'), file],
      {
        stdio: ['ignore', 'pipe', 'inherit'],
        env: { ...process.env, TSX_TSCONFIG_PATH: join(here, '../tsconfig.json') },
      },
    );
    let text = '';
    child.stdout.on('data', (chunk: Buffer) => {
      if (!text) setTimeout(() => child.kill('SIGKILL'), 20 + Math.random() * (KILLS > 1 ? 900 : 2500));
      text += chunk;
    });
    // what was being said when it was killed was not said
    child.on('exit', () => resolve(text.split('\n').slice(0, -1)));
    child.on('error', reject);
  });
}

test(
  `${KILLS} kills while pages are saved, paper is cut, taken back and counted: what was answered is there, and the books are right`,
  async () => {
    const folder = mkdtempSync(join(tmpdir(), 'temnex-kill-'));
    const file = join(folder, 'kill.sqlite');
    const first = await createApplication({ databaseFile: file, demo: true, quiet: true });
    await first.app.init();
    first.app.get(PagesService).create({ id: 'the-only-page', document: demoPage() });
    await first.app.close();
    first.database.close();
    const seen = { saved: 0, cut: 0, undone: 0, counted: 0, stepped: 0, unstepped: 0, pressed: 0 };
    const isAllSeen = () => Object.values(seen).every((times) => times > 0);
    for (let kill = 0; kill < KILLS || (kill < MAX_KILLS && !isAllSeen()); kill++) {
      const told = (await working(file)).map((line) => line.split(' '));
      const { db, close } = openDatabase(file);
      const page = db
        .select()
        .from(pages)
        .all()
        .find((p) => p.id === 'the-only-page')!;
      const cuts = new Map(
        db
          .select()
          .from(cuttings)
          .all()
          .map((c) => [c.id, c]),
      );
      const moved = db.select().from(movements).all();
      const stepped = new Map(db.select().from(steps).all().map((s) => [s.id, s])); // prettier-ignore
      const events = new Map(db.select().from(sessionEvents).all().map((e) => [e.id, e])); // prettier-ignore
      for (const [what, which] of told) {
        seen[what as keyof typeof seen]++;
        if (what === 'saved') expect(page.version).toBeGreaterThanOrEqual(Number(which));
        if (what === 'cut') expect(cuts.has(which!)).toBe(true);
        if (what === 'undone') expect(cuts.get(which!)?.undoneAt).toBeTruthy();
        if (what === 'stepped') expect(stepped.has(which!)).toBe(true);
        if (what === 'unstepped') expect(stepped.get(which!)?.undoneAt).toBeTruthy();
        if (what === 'pressed') expect(events.has(which!)).toBe(true);
        if (what === 'counted') expect(moved.some((m) => m.id === which)).toBe(true);
      }
      expect(page.document.name).toBe(page.version > 1 ? `saved as ${page.version}` : demoPage().name);
      // what there is of everything is the sum of its movements, and every cut is wholly in the books or not at all
      const sums = new Map<string, number>();
      for (const m of moved) sums.set(m.stock, (sums.get(m.stock) ?? 0) + m.by);
      for (const item of db.select().from(stock).all())
        expect([item.id, sums.get(item.id)]).toEqual([item.id, item.quantity]);
      // a step is in the books with every one of its items, or it was never taken
      for (const { id, lines, undoneAt } of stepped.values()) {
        const of = (why: string) => moved.filter((m) => m.step === id && m.why === why && m.by).length;
        expect([id, of('added') + of('taken')]).toEqual([id, lines.length]);
        expect([id, of('taken-back')]).toEqual([id, undoneAt ? lines.length : 0]);
      }
      // what a session put down is in the books, as what ended it or went wrong is among its events, and the other way round
      for (const { id, event, idle } of events.values())
        if (idle === null && (event.deed.do === 'end' || event.deed.do === 'wrong'))
          expect([id, cuts.has(id)]).toEqual([id, true]);
      for (const cut of cuts.values()) {
        const of = (why: string) => moved.filter((m) => m.cutting === cut.id && m.why === why).length;
        expect([of('used'), of('kept')]).toEqual([cut.used.length, cut.kept.length]);
        expect(of('taken-back')).toBe(cut.undoneAt ? cut.used.length + cut.kept.length : 0);
      }
      close();
    }
    for (const [what, times] of Object.entries(seen)) expect([what, times > 0]).toEqual([what, true]);
    const check = new Sqlite(file);
    expect(check.prepare('pragma integrity_check').all()).toEqual([{ integrity_check: 'ok' }]);
    check.close();
    rmSync(folder, { recursive: true });
  },
  60_000 + MAX_KILLS * 30_000,
);
