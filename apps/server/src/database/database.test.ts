import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { eq } from 'drizzle-orm';
import { NO_TRIM, type LengthText } from '@temnex/core';
import { DemoService } from '../demo/demo.service.ts';
import { PagesService } from '../pages/pages.service.ts';
import { PapersService } from '../papers/papers.service.ts';
import { demoPage } from '../demo/demo.ts';
import { openDatabase, type OpenDatabase } from './database.ts';
import { pages, papers, stock } from './schema.ts';

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
    const { id } = new PagesService(opened.db).create(demoPage());
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
  test('a file that is no database is said, not overwritten', () => {
    const file = join(folder, 'notes.sqlite');
    writeFileSync(file, 'a shopping list, '.repeat(100));
    expect(() => openDatabase(file)).toThrow();
  });
});

describe('the demo beside a person’s own things', () => {
  test('goes without what is theirs, and leaves the papers they have come to use', () => {
    const [demo, own] = [new DemoService(opened.db), new PapersService(opened.db)];
    demo.put();
    own.addStock({ paper: 'demo-gust', unit: 'in', width: '4', height: '4', quantity: 2, kind: 'scrap' });
    const page = new PagesService(opened.db).create({ ...demoPage(), name: 'mine' });
    demo.take();
    expect(demo.present()).toBe(false);
    expect(own.drawer().stock).toMatchObject([{ paper: 'demo-gust', quantity: 2 }]);
    expect(own.drawer().papers.map((p) => p.id)).toContain('demo-chalk');
    expect(new PagesService(opened.db).get(page.id).document.name).toBe('mine');
    demo.put();
    demo.put();
    expect(opened.db.select().from(pages).all()).toHaveLength(2);
    expect(own.drawer().stock.filter((s) => s.paper === 'demo-gust' && s.width === '4')).toHaveLength(1);
  });
});
