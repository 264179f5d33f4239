import { readFile, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { and, desc, eq, inArray, isNull } from 'drizzle-orm';
import exifReader from 'exif-reader';
import sharp, { type Metadata, type Sharp } from 'sharp';
import {
  EMPTY_PHOTO_FACTS,
  photoFactsSchema,
  roundCropToPixels,
  type Crop,
  type Photo,
  type PhotoFacts,
} from '@temnex/core/photos';
import { PHOTO_SIDES, type ChangePhotos, type Photos, type PhotoOnPage, type UploadedPhoto } from '@temnex/contract';
import { DATABASE, type Database } from '../database/types.ts';
import { demoPhotos } from '../demo/demoPhotos.ts';
import { withIdempotencyKey } from '../database/idempotency.ts';
import { pickReadable } from '../database/readable.ts';
import { photos } from '../database/schema.ts';
import { notFound } from '../http/requestRefusal.ts';
import { PagesService } from '../pages/pages.service.ts';
import {
  makeBrokenPictureRefusal,
  hashOf,
  isDiskFault,
  isHash,
  storeFile,
  decodePicture,
  imageSemaphore,
} from '../pictures/files.ts';
import { stripJpeg } from '../pictures/stripJpeg.ts';
import { PICTURES_FOLDER } from '../pictures/pictures.service.ts';

type Row = typeof photos.$inferSelect;
export type PhotoSide = keyof typeof PHOTO_SIDES;

const MAX_NAME = 255;
/** The drawings of the example, by the name of their files. */
const DRAWN: ReadonlyMap<string, string> = new Map(demoPhotos.map(({ svg, photo }) => [photo.file, svg]));

/** One of which what is said cannot be read is there with nothing said of it. */
const photoOf = ({ facts, removedAt: _removedAt, bytes: _bytes, ...row }: Row): Photo => {
  const read = photoFactsSchema.safeParse(facts);
  return { ...row, ...(read.success ? read.data : sayable(facts)) };
};
/** What can be read of what is said of a photo. */
function sayable(facts: unknown): PhotoFacts {
  const said = typeof facts === 'object' && facts !== null ? (facts as Record<string, unknown>) : {};
  return { ...EMPTY_PHOTO_FACTS, ...pickReadable(photoFactsSchema.shape, said) };
}
/** Whether it is known how large a photo is. */
const isSized = ({ width, height }: Pick<Row, 'width' | 'height'>): boolean => width >= 1 && height >= 1;

/**
 * Photos: each set upright, without what it hides (place, device, words), as one JPEG under the hash of what was sent, with two smaller
 * ones beside it. The same file sent twice is one photo; sent again after it was taken out, it is back.
 */
@Injectable()
export class PhotosService implements OnModuleInit {
  private readonly folder: string;
  private readonly turns = imageSemaphore;

  constructor(
    @Inject(DATABASE) private readonly db: Database,
    @Inject(PICTURES_FOLDER) pictures: string,
    @Inject(PagesService) private readonly pages: PagesService,
  ) {
    this.folder = join(dirname(pictures), 'photos');
  }

  all(): Photos {
    const rows = this.db.select().from(photos).where(isNull(photos.removedAt)).orderBy(desc(photos.addedAt)).all();
    return {
      photos: rows.filter(isSized).map(photoOf),
      unreadable: rows.filter((row) => !isSized(row)).map(({ id, name }) => ({ id, name })),
      shown: this.shown(),
    };
  }

  /** Of photos of which it cannot be read how large they are, their files say it, where they are there. */
  async onModuleInit(): Promise<void> {
    const rows = this.db.select().from(photos).all();
    for (const row of rows) if (!isSized(row)) await this.sized(row);
  }

  private async sized(row: Row): Promise<Row> {
    const whole = await this.image(row.file, 'whole').catch(() => null);
    const { width, height } = whole ? await sharp(whole).metadata().catch(() => ({ width: 0, height: 0 })) : row; // prettier-ignore
    if (!(width >= 1 && height >= 1)) return row;
    this.db.update(photos).set({ width, height }).where(eq(photos.id, row.id)).run();
    return { ...row, width, height };
  }

  /** Takes in a photo that was sent as `said` (a media type). */
  async take(body: unknown, said: string | undefined, id: string, name = ''): Promise<UploadedPhoto> {
    const file = Buffer.isBuffer(body) ? hashOf(body) : '';
    const known = this.db.select().from(photos).where(eq(photos.file, file)).get();
    // sent again where its files are gone, as after a backup without them, it has them again
    if (known && (await this.isWhole(known))) return this.back(isSized(known) ? known : await this.sized(known));
    const sized = await this.turns.run(() => this.keep(file, body, said));
    const row: Row = {
      id,
      file,
      name: name
        .replace(/\p{Cc}/gu, '')
        .trim()
        .slice(0, MAX_NAME),
      ...sized.pixels,
      bytes: sized.bytes,
      facts: { ...EMPTY_PHOTO_FACTS, day: sized.day },
      addedAt: new Date().toISOString(),
      demo: false,
      removedAt: null,
    };
    // the same picture sent twice at once: one of them is first
    const made = this.db.insert(photos).values(row).onConflictDoNothing().returning().get();
    return made
      ? { photo: photoOf(made), again: false }
      : this.back(this.db.select().from(photos).where(eq(photos.file, file)).get()!);
  }

  change({ photos: ids, change }: ChangePhotos): Photo[] {
    return this.db.transaction((tx) => {
      const rows = tx.select().from(photos).where(and(inArray(photos.id, ids), isNull(photos.removedAt))).all(); // prettier-ignore
      if (rows.length < new Set(ids).size) throw notFound('photo');
      return rows.map((row) =>
        photoOf(
          tx
            .update(photos)
            .set({ facts: { ...sayable(row.facts), ...change } })
            .where(eq(photos.id, row.id))
            .returning()
            .get(),
        ),
      );
    });
  }

  /** Taken out, to be brought back: pages that show them go on showing them. */
  remove(ids: readonly string[], request: string): void {
    withIdempotencyKey(this.db, request, 'photos taken out', (tx) => {
      const removedAt = new Date().toISOString();
      tx.update(photos).set({ removedAt }).where(and(inArray(photos.id, [...ids]), isNull(photos.removedAt))).run(); // prettier-ignore
      return null;
    });
  }

  async image(file: string, side: PhotoSide): Promise<Buffer> {
    if (!isHash(file)) throw notFound('photo');
    const data = await readFile(this.pathOf(file, side)).catch(() => null);
    if (data) return data;
    const svg = DRAWN.get(file);
    if (svg) return this.draw(file, svg, side);
    // of a large stash a backup has only the larger one: the others are made of it
    const others = side === 'whole' ? (['large'] as const) : (['whole', 'large'] as const);
    for (const other of others) {
      const larger = other === side ? null : await readFile(this.pathOf(file, other)).catch(() => null);
      if (larger) return side === 'whole' ? larger : this.turns.run(() => this.keepSmaller(file, larger, side));
    }
    throw notFound('photo');
  }

  /** What is seen of a photo in a crop, so many pixels large, as it is. */
  async cropped(file: string, crop: Crop, size: { width: number; height: number }): Promise<Buffer> {
    const whole = await this.image(file, 'whole');
    const { width, height } = await sharp(whole).metadata();
    const { x: left, y: top, ...rest } = roundCropToPixels({ width, height }, crop);
    return this.turns.run(() =>
      sharp(whole)
        .extract({ left, top, ...rest })
        .resize({ ...size, fit: 'fill', kernel: 'lanczos3' })
        .toColourspace('srgb')
        .png({ compressionLevel: 1 })
        .toBuffer(),
    );
  }

  /** A photo of the example, made when it is first looked at. */
  private async draw(file: string, svg: string, side: PhotoSide): Promise<Buffer> {
    const whole = await this.turns.run(() => sharp(Buffer.from(svg)).jpeg({ quality: 90 }).toBuffer());
    await storeFile(this.pathOf(file, 'whole'), whole);
    return side === 'whole' ? whole : this.keepSmaller(file, whole, side);
  }

  /** What pages show of which photos, as it was when each was saved. */
  private shown(): PhotoOnPage[] {
    return this.pages.all().flatMap(({ id: page, removedAt, summary }) => {
      if (removedAt !== null || !summary || summary.pattern || !Array.isArray(summary.shown)) return [];
      const { name: pageName, copies, shown } = summary;
      return shown.map((one) => ({ ...one, page, pageName, copies }));
    });
  }

  /** Whether the file of a photo is there, as long as it was when it was taken in. */
  private async isWhole({ file, bytes }: Row): Promise<boolean> {
    const there = await stat(this.pathOf(file, 'whole')).catch(() => null);
    return there !== null && (bytes === 0 || there.size === bytes);
  }

  private back(row: Row): UploadedPhoto {
    this.db.update(photos).set({ removedAt: null }).where(eq(photos.id, row.id)).run();
    return { photo: photoOf(row), again: true };
  }

  private async keep(file: string, body: unknown, said: string | undefined) {
    const { picture, metadata } = await decodePicture(body, said);
    try {
      const whole = await wholeOf(body as Buffer, picture, metadata);
      // made of what was sent, so that one that is broken is found out before anything of it is kept
      const large = await smallerOf(whole, 'large');
      const small = await smallerOf(large, 'small');
      const { width, height } = await sharp(whole).metadata();
      await storeFile(this.pathOf(file, 'large'), large);
      await storeFile(this.pathOf(file, 'small'), small);
      await storeFile(this.pathOf(file, 'whole'), whole);
      return { pixels: { width, height }, bytes: whole.length, day: dayOf(metadata) };
    } catch (error) {
      throw isDiskFault(error) ? error : makeBrokenPictureRefusal();
    }
  }

  private async keepSmaller(file: string, whole: Buffer, side: 'small' | 'large'): Promise<Buffer> {
    const made = await smallerOf(whole, side);
    await storeFile(this.pathOf(file, side), made);
    return made;
  }

  private pathOf(file: string, side: PhotoSide): string {
    return join(this.folder, `${file}${side === 'whole' ? '' : `.${side}`}.jpg`);
  }
}

/** All of a photo, upright and with nothing hidden: one that lies upright already keeps its pixels as they are. */
async function wholeOf(sent: Buffer, picture: Sharp, { format, orientation = 1, space }: Metadata): Promise<Buffer> {
  const asItIs = format === 'jpeg' && orientation === 1 && space === 'srgb' ? stripJpeg(sent) : null;
  return (
    asItIs ??
    picture
      .flatten({ background: '#ffffff' })
      .toColourspace('srgb')
      .jpeg({ quality: 92, chromaSubsampling: '4:4:4' })
      .toBuffer()
  );
}

const smallerOf = (whole: Buffer, side: 'small' | 'large'): Promise<Buffer> =>
  sharp(whole, { failOn: 'error' })
    .resize({ width: PHOTO_SIDES[side], height: PHOTO_SIDES[side], fit: 'inside', withoutEnlargement: true })
    .toColourspace('srgb')
    .jpeg({ quality: 82 })
    .toBuffer();

/** None is older. */
const FIRST_PHOTO = '1826-01-01';
/** The day on which a photo was taken, by its camera's clock; null where it does not say, or what it says is no day. */
function dayOf({ exif }: Metadata): string | null {
  if (!exif) return null;
  try {
    const { Photo: taken, Image: image } = exifReader(exif);
    const at = taken?.DateTimeOriginal ?? taken?.DateTimeDigitized ?? image?.DateTime;
    if (!(at instanceof Date) || Number.isNaN(at.getTime())) return null;
    const day = at.toISOString().slice(0, 10);
    // 31 February is another day by then, and no day that the camera wrote
    const isWritten = exif.includes(day.replaceAll('-', ':'));
    return isWritten && day >= FIRST_PHOTO && at.getTime() < Date.now() + 2 * 86_400_000 ? day : null;
  } catch {
    return null;
  }
}
