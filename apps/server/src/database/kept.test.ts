import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import Sqlite from 'better-sqlite3';
import { eq, inArray } from 'drizzle-orm';
import { openDatabase, type OpenDatabase } from './database.ts';
import { RowCache } from './rowCache.ts';
import { book, papers } from './schema.ts';
import { TableCache } from './tableVersions.ts';

let folder: string;
let open: OpenDatabase;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'temnex-kept-'));
  open = openDatabase(join(folder, 'kept.sqlite'));
  for (const id of ['gust', 'shingle'])
    open.db.insert(papers).values({ id, name: id, sides: [], createdAt: '2026-05-04' }).run();
});
afterEach(() => {
  open.close();
  rmSync(folder, { recursive: true });
});

/** Another program writes to the same file. */
function elsewhere(statement: string): void {
  const other = new Sqlite(join(folder, 'kept.sqlite'));
  other.exec(statement);
  other.close();
}
const restored = () => open.db.update(book).set({ name: 'another book' }).run();
const renamed = (id: string, name: string) => open.db.update(papers).set({ name }).where(eq(papers.id, id)).run();

describe('an answer is kept while its tables are as they were', () => {
  const names = () => {
    let reads = 0;
    const cache = new TableCache(open.db, ['papers'], () => {
      reads++;
      return open.db
        .select()
        .from(papers)
        .all()
        .map((paper) => paper.name);
    });
    return () => [cache.get().join(), reads];
  };
  test('it is read again after every change of them, and after none of others', () => {
    const read = names();
    expect(read()).toEqual(['gust,shingle', 1]);
    expect(read()).toEqual(['gust,shingle', 1]);
    open.db.update(book).set({ seq: 77 }).run();
    expect(read()).toEqual(['gust,shingle', 1]);
    renamed('gust', 'Gust');
    expect(read()).toEqual(['Gust,shingle', 2]);
    open.db.delete(papers).where(eq(papers.id, 'gust')).run();
    expect(read()).toEqual(['shingle', 3]);
    open.db.insert(papers).values({ id: 'foam', name: 'Foam', sides: [], createdAt: '2026-05-04' }).run();
    expect(read()).toEqual(['shingle,Foam', 4]);
  });
  test('what is taken back was no change, and is seen while it lasts', () => {
    const read = names();
    expect(read()).toEqual(['gust,shingle', 1]);
    expect(() =>
      open.db.transaction(() => {
        renamed('gust', 'Gust');
        expect(read()).toEqual(['Gust,shingle', 2]);
        throw new Error('no');
      }),
    ).toThrow('no');
    renamed('gust', 'Wind');
    expect(read()).toEqual(['Wind,shingle', 3]);
  });
  test('another program writes to the file, or a backup is restored', () => {
    const read = names();
    expect(read()).toEqual(['gust,shingle', 1]);
    elsewhere(`update papers set name = 'Breeze' where id = 'gust'`);
    expect(read()).toEqual(['Breeze,shingle', 2]);
    restored();
    expect(read()).toEqual(['Breeze,shingle', 3]);
  });
});

describe('a row is read again only where its stamp is another one', () => {
  const cached = () => {
    const read: string[] = [];
    const cache = new RowCache<string>(open.db, (ids) => {
      read.push(...ids);
      return open.db
        .select()
        .from(papers)
        .where(inArray(papers.id, ids))
        .all()
        .map((paper) => [paper.id, paper.name]);
    });
    return (...stamps: [id: string, stamp: string][]) => {
      const found = cache.of(stamps.map(([id, stamp]) => ({ id, stamp })));
      return [Object.fromEntries(found), read.splice(0)];
    };
  };
  test('and where it is one that was not asked for before', () => {
    const of = cached();
    expect(of(['gust', '1'])).toEqual([{ gust: 'gust' }, ['gust']]);
    expect(of(['gust', '1'], ['shingle', '1'])).toEqual([{ gust: 'gust', shingle: 'shingle' }, ['shingle']]);
    renamed('gust', 'Gust');
    expect(of(['gust', '2'], ['shingle', '1'])).toEqual([{ gust: 'Gust', shingle: 'shingle' }, ['gust']]);
    // one that is gone is in no answer
    expect(of(['foam', '1'])).toEqual([{}, ['foam']]);
  });
  test('or where somebody else has written to the file, or a backup was restored', () => {
    const of = cached();
    of(['gust', '1']);
    elsewhere(`update papers set name = 'Breeze' where id = 'gust'`);
    expect(of(['gust', '1'])).toEqual([{ gust: 'Breeze' }, ['gust']]);
    restored();
    expect(of(['gust', '1'])).toEqual([{ gust: 'Breeze' }, ['gust']]);
    expect(of(['gust', '1'])).toEqual([{ gust: 'Breeze' }, []]);
  });
});
