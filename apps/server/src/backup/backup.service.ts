import { randomUUID } from 'node:crypto';
import { copyFileSync, existsSync, mkdirSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import type { Readable } from 'node:stream';
import { Inject, Injectable, type OnModuleDestroy, type OnModuleInit } from '@nestjs/common';
import { sql, type SQL } from 'drizzle-orm';
import { getTableConfig, type SQLiteTable } from 'drizzle-orm/sqlite-core';
import { strToU8, zip, type AsyncZippable } from 'fflate';
import {
  BACKUP_LIMIT_MB,
  type BackupCounts,
  type BackupCopies,
  type BackupPreview,
  type RestoreBackup,
  type RestoreResult,
} from '@temnex/contract';
import { UnusableDatabase, openDatabase } from '../database/database.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import * as schema from '../database/schema.ts';
import { DATABASE, type Database, type Transaction } from '../database/types.ts';
import { RequestRefusal, notFound } from '../http/requestRefusal.ts';
import { copyFileSafely } from '../pictures/files.ts';
import { PICTURES_FOLDER } from '../pictures/pictures.service.ts';
import { BackupCopiesFolder } from './copies.ts';
import { BadZip, saveUpload, unzipTo } from './unzip.ts';

const { papers, pages, plans, cuttings, stock, movements, steps, rules, challenges, searches, habits } = schema;
const { sessions, sessionEvents, book, photos } = schema;
/** Everything that is somebody's own, whatever refers to another after it. Requests and devices belong to this server. */
const TABLES: readonly SQLiteTable[] = [
  ...[papers, pages, plans, cuttings, stock, movements, steps],
  ...[rules, challenges, searches, habits, sessions, sessionEvents, photos],
];
const LOOK_EVERY = 60 * 60_000;
const WAITS = 60 * 60_000;
const PICTURE = /^[0-9a-f]{64}\.webp$/;
/** A photo, or the larger of its smaller ones. */
const PHOTO = /^[0-9a-f]{64}(\.large)?\.jpg$/;
/** What was being written when the server was stopped. */
const HALF = /\.(?:half|[0-9a-f]{8}-[0-9a-f-]{27})$/;
/** What photos may come to in a backup, in bytes: it has to be small enough to be sent back. */
const MAX_PHOTO_BYTES = 700e6;
const README = `What is in this file
====================

temnex.sqlite   everything, as one SQLite database: any program that reads SQLite reads it
pages/          each page as JSON, as docs/formats.md of Temnex describes it
pictures/       the pictures of papers, each under the SHA-256 of its content
photos/         the photos, each under the SHA-256 of what was taken in; where they come to more than 700 MB, at most 1600
                pixels large, or none: then keep a copy of the folder "photos" of your data as well

Put it back under "Backup" in Temnex; what it holds is shown before anything is replaced.
`;

interface Waiting {
  readonly folder: string;
  readonly at: number;
}

/** Backups and copies: everything out as one open file, back in once it has been looked at, and a copy a day by itself. */
@Injectable()
export class BackupService implements OnModuleInit, OnModuleDestroy {
  private readonly photos: string;
  /** Where backups are unzipped that are looked into. */
  private readonly looking: string;
  private readonly copies: BackupCopiesFolder;
  private trouble: string | null = null;
  private timer: NodeJS.Timeout | undefined;
  private readonly waiting = new Map<string, Waiting>();

  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(PICTURES_FOLDER) private readonly pictures: string,
  ) {
    this.photos = join(dirname(pictures), 'photos');
    this.looking = join(dirname(pictures), 'looking');
    this.copies = new BackupCopiesFolder(join(dirname(pictures), 'copies'), (file) => this.copyInto(file));
  }

  onModuleInit(): void {
    this.tidy();
    // not while it starts: a large database takes a second
    this.timer = setTimeout(() => {
      this.daily();
      this.timer = setInterval(() => this.daily(), LOOK_EVERY).unref();
    }, 5000).unref();
  }

  onModuleDestroy(): void {
    clearTimeout(this.timer);
    clearInterval(this.timer);
    for (const { folder } of this.waiting.values()) rmSync(folder, { recursive: true, force: true });
  }

  /** Makes the copy of today if there is none; where it cannot, that is said with the copies. */
  daily(now = new Date()): boolean {
    try {
      const made = this.copies.daily(now.toISOString().slice(0, 10));
      this.trouble = null;
      return made;
    } catch (error) {
      this.trouble = `The copy of today could not be made: ${error instanceof Error ? error.message : String(error)}`;
      return false;
    }
  }

  list(): BackupCopies {
    return { copies: this.copies.list(), trouble: this.trouble, now: amountsIn(this.db, this.pictureNames().length) };
  }

  /** Everything as one file (ZIP): the database, each page as JSON, the pictures beside it. */
  async backup(): Promise<Buffer> {
    const folder = mkdtempSync(join(tmpdir(), 'temnex-backup-'));
    try {
      const file = join(folder, 'temnex.sqlite');
      this.copyInto(file);
      const inside: AsyncZippable = { 'README.txt': strToU8(README), 'temnex.sqlite': readFileSync(file) };
      for (const { id, document } of this.db.select({ id: pages.id, document: pages.document }).from(pages).all())
        inside[`pages/${id.replace(/[^\w-]/g, '_')}.json`] = strToU8(JSON.stringify(document, null, 2));
      // they are as small as they get
      for (const name of this.pictureNames())
        inside[`pictures/${name}`] = [readFileSync(join(this.pictures, name)), { level: 0 }];
      for (const name of this.photosToKeep())
        inside[`photos/${name}`] = [readFileSync(join(this.photos, name)), { level: 0 }];
      return await new Promise<Buffer>((resolve, reject) =>
        zip(inside, { level: 6 }, (error, data) => (error ? reject(error) : resolve(Buffer.from(data)))),
      );
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
  }

  /** Looks into a backup as it is sent; nothing is changed. */
  async lookInto(sent: Readable): Promise<BackupPreview> {
    const folder = this.newFolder();
    try {
      const zip = join(folder, 'sent.zip');
      const bytes = await saveUpload(sent, zip, BACKUP_LIMIT_MB * 2 ** 20);
      if (bytes === null)
        throw new RequestRefusal('too-large', `That is more than can be sent at once (${BACKUP_LIMIT_MB} MB).`);
      if (!bytes) throw new RequestRefusal('bad-input', 'No backup was sent.');
      const names = await unzipTo(zip, folder, isKept).catch((error: unknown) => {
        if (!(error instanceof BadZip)) throw error;
        throw new RequestRefusal(
          'bad-input',
          `This is no backup of Temnex, or it is damaged: it cannot be opened (${error.message}).`,
        );
      });
      rmSync(zip);
      if (!names.includes('temnex.sqlite'))
        throw new RequestRefusal('bad-input', 'This is no backup of Temnex: there is no temnex.sqlite in it.');
      return this.previewOf(folder);
    } catch (error) {
      rmSync(folder, { recursive: true, force: true });
      throw error;
    }
  }

  /** For a backup that is looked into; those that were never put back are cleared away at the next start. */
  private newFolder(): string {
    mkdirSync(this.looking, { recursive: true });
    return mkdtempSync(join(this.looking, 'backup-'));
  }

  /** Looks into one of the copies that were made by themselves. */
  lookIntoCopy(name: string): BackupPreview {
    const file = this.copies.fileOf(name);
    if (!file) throw notFound('copy');
    const folder = this.newFolder();
    try {
      copyFileSync(file, join(folder, 'temnex.sqlite'));
      return this.previewOf(folder);
    } catch (error) {
      rmSync(folder, { recursive: true, force: true });
      throw error;
    }
  }

  private previewOf(folder: string): BackupPreview {
    const file = join(folder, 'temnex.sqlite');
    const opened = opening(file);
    try {
      const pictures = filesIn(join(folder, 'pictures'), PICTURE).length;
      const made = opened.db.get<{ at: string | null }>(
        sql`select max(at) as at from (select max(updated_at) as at from pages union select max(at) from movements)`,
      );
      const ticket = randomUUID();
      this.forgetOld();
      this.waiting.set(ticket, { folder, at: Date.now() });
      return {
        ticket,
        made: made?.at?.slice(0, 10) ?? null,
        holds: amountsIn(opened.db, pictures),
        now: amountsIn(this.db, this.pictureNames().length),
      };
    } finally {
      opened.close();
    }
  }

  /**
   * Puts what was looked into in place of what there is, all of it or nothing; what there was is kept among the copies. Where there
   * is something, it must be said that this is meant.
   */
  restore({ id, ticket, replace }: RestoreBackup): RestoreResult {
    const waits = this.waiting.get(ticket);
    const before = this.db.select().from(schema.requests).where(sql`id = ${id}`).get(); // prettier-ignore
    if (!waits && !before) throw new RequestRefusal('not-found', 'Look into the backup again: it was too long ago.');
    const now = amountsIn(this.db, 0);
    if (!before && !replace && Object.values(now).some((n) => n > 0))
      throw new RequestRefusal(
        'in-use',
        'There is something here already. Say that it is to be replaced; it is kept as a copy.',
      );
    const kept = before ? '' : this.copies.beforeRestoring(new Date());
    if (waits) this.takeFiles(waits.folder);
    const client = this.db.$client;
    if (waits) client.prepare('ATTACH ? AS incoming').run(join(waits.folder, 'temnex.sqlite'));
    try {
      return withIdempotencyKey(this.db, id, 'restore', (tx) => {
        tx.run(sql`pragma defer_foreign_keys = on`);
        // what was done for a request is gone with what it made
        tx.delete(schema.requests).run();
        for (const table of TABLES.toReversed()) tx.run(sql`delete from ${main(table)}`);
        for (const table of TABLES) copyTable(tx, table);
        // whoever has seen the drawer looks through all of it again
        tx.update(book)
          .set({ name: randomUUID(), seq: sql`${book.seq} + 1` })
          .run();
        return { before: kept, now: amountsIn(tx, this.pictureNames().length) };
      });
    } finally {
      if (waits) {
        client.prepare('DETACH incoming').run();
        this.waiting.delete(ticket);
        rmSync(waits.folder, { recursive: true, force: true });
      }
    }
  }

  private takeFiles(folder: string): void {
    const take = (kind: string, pattern: RegExp, into: string) => {
      for (const name of filesIn(join(folder, kind), pattern))
        copyFileSafely(join(folder, kind, name), join(into, name));
    };
    take('pictures', PICTURE, this.pictures);
    take('photos', PHOTO, this.photos);
  }

  /** Clears away what a kill left: halves of files, and backups that were only looked into. */
  private tidy(): void {
    try {
      rmSync(this.looking, { recursive: true, force: true });
      for (const folder of [this.pictures, this.photos, this.copies.folder])
        for (const name of filesIn(folder, HALF)) rmSync(join(folder, name), { force: true });
    } catch {
      // what cannot be cleared away now is in nobody's way
    }
  }

  /** Each photo whole, or all as they are seen on a screen; where even those are too many, none. */
  private photosToKeep(): string[] {
    const all = filesIn(this.photos, PHOTO);
    const fits = (names: string[]) =>
      names.reduce((sum, name) => sum + statSync(join(this.photos, name)).size, 0) <= MAX_PHOTO_BYTES;
    const [large, whole] = [true, false].map((are) => all.filter((name) => name.includes('.large') === are));
    return [whole!, large!].find(fits) ?? [];
  }

  private copyInto(file: string): void {
    this.db.$client.prepare('VACUUM INTO ?').run(file);
  }

  private pictureNames(): string[] {
    return filesIn(this.pictures, PICTURE);
  }

  private forgetOld(): void {
    for (const [ticket, { folder, at }] of this.waiting)
      if (Date.now() - at > WAITS) {
        this.waiting.delete(ticket);
        rmSync(folder, { recursive: true, force: true });
      }
  }
}

const filesIn = (folder: string, pattern: RegExp): string[] =>
  existsSync(folder) ? readdirSync(folder).filter((name) => pattern.test(name)) : [];
/** Whether a name in a backup is of something that is put back. */
const isKept = (name: string): boolean =>
  name === 'temnex.sqlite' ||
  (name.startsWith('pictures/') && PICTURE.test(name.slice(9))) ||
  (name.startsWith('photos/') && PHOTO.test(name.slice(7)));

/** Opens a database of a backup and brings it up to date; refuses what is none, or is of a later version. */
function opening(file: string): ReturnType<typeof openDatabase> {
  try {
    // one of no length would be made a new one
    if (!statSync(file).size) throw new UnusableDatabase('nothing in it');
    return openDatabase(file);
  } catch (error) {
    const why = error instanceof UnusableDatabase && /later version/.test(error.message);
    throw new RequestRefusal(
      'bad-input',
      why
        ? 'This backup was written by a later version of Temnex. Restore it with that one.'
        : 'This is no backup of Temnex, or it is damaged: its database cannot be opened.',
    );
  }
}

const named = (table: SQLiteTable): string => getTableConfig(table).name;
const main = (table: SQLiteTable): SQL => sql.raw(`main."${named(table)}"`);
/** All rows of a table of the attached database, column by column by name: their order may be another. */
function copyTable(tx: Transaction, table: SQLiteTable): void {
  const columns = sql.raw(getTableConfig(table).columns.map((c) => `"${c.name}"`).join(', ')); // prettier-ignore
  tx.run(sql`insert into ${main(table)} (${columns}) select ${columns} from ${sql.raw(`incoming."${named(table)}"`)}`);
}

function amountsIn(db: Database | Transaction, pictures: number): BackupCounts {
  const count = (table: SQLiteTable, where: SQL = sql`1`): number =>
    db.get<{ n: number }>(sql`select count(*) as n from ${sql.raw(`"${named(table)}"`)} where ${where}`)?.n ?? 0;
  const there = sql`removed_at is null`;
  return {
    pages: count(pages, there),
    papers: count(papers, there),
    items: count(stock, sql`quantity > 0`),
    orders: count(plans),
    cuttings: count(cuttings, sql`undone_at is null`),
    sessions: count(sessions),
    photos: count(photos, there),
    pictures,
  };
}
