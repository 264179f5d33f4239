import { copyFileSync, existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { eq } from 'drizzle-orm';
import type { LengthText } from '@temnex/core/length';
import { NO_TRIM } from '@temnex/core/stock';
import Sqlite from 'better-sqlite3';
import { fileURLToPath } from 'node:url';
import { DemoService } from '../demo/demo.service.ts';
import { PagesService } from '../pages/pages.service.ts';
import { HabitsService } from '../habits/habits.service.ts';
import { PapersService } from '../papers/papers.service.ts';
import { demoPage, demoPages } from '../demo/demoPages.ts';
import { openDatabase, checkpointWal, type OpenDatabase } from './database.ts';
import { cuttings, movements, pages, papers, plans, stock } from './schema.ts';
import { DATABASE_MIGRATIONS, DATABASE_VERSION } from './migrations.ts';

let folder: string;
let opened: OpenDatabase;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'temnex-db-'));
  opened = openDatabase(join(folder, 'deep', 'down', 'db.sqlite'));
});
afterEach(() => {
  opened.close();
  rmSync(folder, { recursive: true });
});
const look = { pattern: 'plain', ground: '#ffffff', ink: '#000000' } as const;
const paper = {
  id: 'p',
  name: 'Gust',
  sides: [{ side: 'A' as const, name: 'a', direction: 'none' as const, along: 'height' as const, look }],
  createdAt: '',
};
const item = (width: LengthText) => ({
  id: `s${width}`,
  paper: 'p',
  unit: 'in' as const,
  width,
  height: '3',
  quantity: 1,
  kind: 'scrap' as const,
  trim: NO_TRIM,
  turned: 0 as const,
  reserved: false,
  origin: null,
  createdAt: '',
});

describe('the database', () => {
  test('is made with its folders, is new once, and keeps what was put in', () => {
    expect(opened.fresh).toBe(true);
    const { id } = new PagesService(opened.db).create({ id: 'request-1', document: demoPage() });
    opened.close();
    opened = openDatabase(join(folder, 'deep', 'down', 'db.sqlite'));
    expect(opened.fresh).toBe(false);
    expect(new PagesService(opened.db).get(id).document).toEqual(demoPage());
  });
  test('lengths stay as they were typed, and what is none is not written', () => {
    opened.db.insert(papers).values(paper).run();
    opened.db.insert(stock).values(item('5 1/2')).run();
    expect(opened.db.select({ width: stock.width }).from(stock).get()).toEqual({ width: '5 1/2' });
    expect(() => opened.db.insert(stock).values(item('wide')).run()).toThrow();
  });
  test('holds its own rules: no stock without its paper, no paper gone from under its stock, never less than none', () => {
    expect(() => opened.db.insert(stock).values(item('5')).run()).toThrow();
    opened.db.insert(papers).values(paper).run();
    opened.db.insert(stock).values(item('5')).run();
    expect(() => opened.db.delete(papers).where(eq(papers.id, 'p')).run()).toThrow();
    expect(() => opened.db.update(stock).set({ quantity: -1 }).run()).toThrow();
  });
  test('a change that fails in the middle leaves nothing behind', () => {
    expect(() =>
      opened.db.transaction((tx) => {
        tx.insert(papers).values(paper).run();
        tx.insert(stock).values(item('0x')).run();
      }),
    ).toThrow();
    expect(opened.db.select().from(papers).all()).toEqual([]);
  });
  test('closed, it is one file: nothing is left in a log beside it', () => {
    const file = join(folder, 'deep', 'down', 'db.sqlite');
    new PapersService(opened.db).addPaper({ id: 'request-1', name: 'Gust', sides: paper.sides });
    opened.close();
    const copy = join(folder, 'copy.sqlite');
    copyFileSync(file, copy);
    const other = openDatabase(copy);
    expect(new PapersService(other.db).papers()).toMatchObject([{ name: 'Gust' }]);
    other.close();
    opened = openDatabase(file);
  });
  test('one of a later version is refused in a sentence, and not written to', () => {
    const file = join(folder, 'later.sqlite');
    const later = new Sqlite(file);
    later.exec('create table kites (id text)');
    later.pragma(`user_version = ${DATABASE_VERSION + 1}`);
    later.close();
    const before = readFileSync(file);
    expect(() => openDatabase(file)).toThrow(/written by a later version of Temnex .* Nothing was changed/);
    expect(readFileSync(file).equals(before)).toBe(true);
  });
  test('a file that is no database, or a part of one, is said, not overwritten', () => {
    const file = join(folder, 'notes.sqlite');
    writeFileSync(file, 'a shopping list, '.repeat(100));
    expect(() => openDatabase(file)).toThrow(/is no database of Temnex, or it is damaged. Nothing was changed in it/);
    expect(readFileSync(file, 'utf8')).toBe('a shopping list, '.repeat(100));
    new PagesService(opened.db).create({ id: 'request-1', document: demoPage() });
    const whole = join(folder, 'deep', 'down', 'db.sqlite');
    opened.close();
    const half = join(folder, 'half.sqlite');
    writeFileSync(half, readFileSync(whole).subarray(0, 9000));
    expect(() => openDatabase(half)).toThrow(/is no database of Temnex, or it is damaged/);
    opened = openDatabase(whole);
  });
  test('a folder that is a file is said', () => {
    writeFileSync(join(folder, 'drawer'), 'not a folder');
    expect(() => openDatabase(join(folder, 'drawer', 'db.sqlite'))).toThrow(/drawer is a file, not a folder/);
  });
});

test('a log that cannot be taken in now waits, and brings nothing down', () => {
  const full = {
    pragma: () => {
      throw Object.assign(new Error('database or disk is full'), { code: 'SQLITE_FULL' });
    },
  };
  expect(() => checkpointWal(full)).not.toThrow();
});

describe('earlier versions', () => {
  const fixture = (version: number) =>
    fileURLToPath(new URL(`../../fixtures/database-${version}.sqlite`, import.meta.url));
  const openCopy = (version: number) => {
    const file = join(folder, `v${version}.sqlite`);
    copyFileSync(fixture(version), file);
    return { file, db: openDatabase(file) };
  };
  test('there is a fixture of every version, and a named step from each but this one', () => {
    expect(DATABASE_MIGRATIONS.map((s) => s.from)).toEqual(
      Array.from({ length: DATABASE_VERSION - 1 }, (_, i) => i + 1),
    );
    for (let version = 1; version <= DATABASE_VERSION; version++)
      expect({ version, there: existsSync(fixture(version)) }).toEqual({ version, there: true });
  });
  test.each(Array.from({ length: DATABASE_VERSION }, (_, i) => i + 1))(
    'version %i opens: every page, order and cut reads',
    (version) => {
      const { db } = openCopy(version);
      const own = new PagesService(db.db);
      for (const page of own.list()) expect(own.get(page.id).document.name).toBe(page.name);
      expect(own.list().length).toBeGreaterThan(0);
      // what there is is the sum of its movements
      for (const item of db.db.select().from(stock).all()) {
        const sum = db.db
          .select()
          .from(movements)
          .where(eq(movements.stock, item.id))
          .all()
          .reduce((n, m) => n + m.by, 0);
        expect([item.id, sum]).toEqual([item.id, item.quantity]);
      }
      db.close();
    },
  );
  test('before anything is changed, the file as it was is kept beside it, once', () => {
    const { file, db } = openCopy(1);
    expect(db.copy).toBe(join(folder, 'v1-as-version-1.sqlite'));
    const old = new Sqlite(db.copy!);
    expect(old.prepare('select count(*) as n from cuttings').all()).toEqual([{ n: 1 }]);
    expect(old.prepare("select count(*) as n from sqlite_master where name = 'movements'").all()).toEqual([{ n: 0 }]);
    old.close();
    db.close();
    const again = openDatabase(file);
    expect(again.copy).toBeNull();
    again.close();
    // an earlier copy is not written over
    writeFileSync(join(folder, 'w-as-version-1.sqlite'), 'kept');
    copyFileSync(fixture(1), join(folder, 'w.sqlite'));
    const third = openDatabase(join(folder, 'w.sqlite'));
    expect(third.copy).toBe(join(folder, 'w-as-version-1-1.sqlite'));
    third.close();
    expect(readFileSync(join(folder, 'w-as-version-1.sqlite'), 'utf8')).toBe('kept');
  });
  test('version 1: the demo’s half cut pages know what is cut, with its size, side and paper', () => {
    const { db } = openCopy(1);
    const [cut] = db.db.select().from(cuttings).all();
    const piece = { unit: 'in', paper: 'demo-chalk', side: 'A' };
    expect(cut!.pieces).toHaveLength(7);
    expect(cut!.pieces[0]).toEqual({ piece: 'demo-launch/demo-m1', width: '4 1/4', height: '6 1/4', ...piece });
    const page = new PagesService(db.db).get('demo-first-wind').document;
    expect(page).toMatchObject({ copies: 2, spares: ['demo-tail/demo-m4'], first: ['base/demo-p2'] });
    const [order] = db.db.select().from(plans).all();
    expect((order!.job.pieces as { id: string }[]).map((p) => p.id)).toContain('demo-tail/demo-m4 spare');
    expect(JSON.stringify(order!.plan)).toContain('"piece":"base/demo-p2"');
    // its order was made from what never comes again
    const list = new PagesService(db.db).list();
    expect(list.find((p) => p.id === 'demo-first-wind')!.stage).toBe('partly-cut');
    expect(list.find((p) => p.name === 'Harbour wall')).toMatchObject({ unit: 'mm', stage: 'sizing', parts: 4 });
    expect(new HabitsService(db.db).habits()).toMatchObject({ version: 1, habits: { aim: 'easiest-cuts' } });
    db.close();
  });
});

describe('the demo beside a person’s own things', () => {
  test('goes without what is theirs, and leaves the papers they have come to use', () => {
    const [demo, own] = [new DemoService(opened.db), new PapersService(opened.db)];
    demo.put('request-1');
    own.addStock({
      id: 'request-2',
      paper: 'demo-gust',
      unit: 'in',
      width: '4',
      height: '4',
      quantity: 2,
      kind: 'scrap',
    });
    const page = new PagesService(opened.db).create({ id: 'request-3', document: { ...demoPage(), name: 'mine' } });
    demo.take();
    expect(demo.present()).toBe(false);
    expect(own.drawer().stock).toMatchObject([{ paper: 'demo-gust', quantity: 2 }]);
    expect(own.drawer().papers.map((p) => p.id)).toContain('demo-chalk');
    expect(new PagesService(opened.db).get(page.id).document.name).toBe('mine');
    demo.put('request-4');
    demo.put('request-5');
    expect(
      opened.db
        .select()
        .from(pages)
        .all()
        .map((p) => p.id)
        .sort(),
    ).toEqual([...demoPages().map((one) => one.id), page.id].sort());
    expect(own.drawer().stock.filter((s) => s.paper === 'demo-gust' && s.width === '4')).toHaveLength(1);
  });
});
