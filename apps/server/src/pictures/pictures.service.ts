import { createHash } from 'node:crypto';
import { mkdir, open, readFile, rename, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import sharp, { type Sharp } from 'sharp';
import type { PaperPicture } from '@temnex/contract';
import { Refused, notFound } from '../http/refused.ts';

/** The folder in which pictures lie, each under the hash of its content. */
export const PICTURES_FOLDER = Symbol('pictures folder');

const FORMATS = new Set(['jpeg', 'png', 'webp']);
/** More than any camera takes; a small file that says it holds more is no photograph. */
const MOST_PIXELS = 120_000_000;
/** A paper is seen at so many pixels on its longer side at the most. */
const PAPER_SIDE = 1200;
const COLOURS = 4;
/** What is less of it than this share is no main colour. */
const LEAST_SHARE = 0.06;

/** Pictures: looked into by what they are, not by what they say they are; kept without what they hide (place, device). */
@Injectable()
export class PicturesService {
  constructor(@Inject(PICTURES_FOLDER) private readonly folder: string) {}

  /** Takes in the picture of a paper. The same picture twice is one file. */
  async ofPaper(body: unknown): Promise<PaperPicture> {
    const picture = await pictureIn(body);
    try {
      const { data, info } = await picture
        .resize({ width: PAPER_SIDE, height: PAPER_SIDE, fit: 'inside', withoutEnlargement: true })
        .webp({ quality: 84 })
        .toBuffer({ resolveWithObject: true });
      const [file, colours] = await Promise.all([this.keep(data), mainColours(data)]);
      return { file, width: info.width, height: info.height, colours };
    } catch (error) {
      throw isFault(error) ? error : broken();
    }
  }

  async one(file: string, turn: number): Promise<Buffer> {
    if (!/^[0-9a-f]{64}$/.test(file)) throw notFound('picture');
    const data = await readFile(this.pathOf(file)).catch(() => null);
    if (!data) throw notFound('picture');
    // sharp turns clockwise
    return turn
      ? sharp(data)
          .rotate(360 - turn)
          .webp({ quality: 84 })
          .toBuffer()
      : data;
  }

  /** Whole or not at all: it has its name once it is on the disk. */
  private async keep(data: Buffer): Promise<string> {
    const file = createHash('sha256').update(data).digest('hex');
    const path = this.pathOf(file);
    if (await stat(path).catch(() => null)) return file;
    await mkdir(this.folder, { recursive: true });
    const half = `${path}.${process.hrtime.bigint()}`;
    const handle = await open(half, 'wx');
    try {
      await handle.writeFile(data);
      await handle.sync();
    } finally {
      await handle.close();
    }
    await rename(half, path);
    return file;
  }

  private pathOf(file: string): string {
    return join(this.folder, `${file}.webp`);
  }
}

const broken = (): Refused => new Refused('no-picture', 'This picture is broken, or is none: it cannot be opened.');
/** What the disk says, rather than the picture. */
const isFault = (error: unknown): boolean =>
  error instanceof Refused || typeof (error as { errno?: unknown }).errno === 'number';

/** What was sent, opened and the right way up. Refuses what is not a JPEG, PNG or WebP picture, or too large a one. */
async function pictureIn(body: unknown): Promise<Sharp> {
  if (!Buffer.isBuffer(body) || !body.length) throw new Refused('no-picture', 'No picture was sent.');
  const said = await sharp(body, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  if (!said) throw broken();
  if (!FORMATS.has(said.format)) throw new Refused('no-picture', 'Only JPEG, PNG and WebP pictures are taken in.');
  if (said.width * said.height * (said.pages ?? 1) > MOST_PIXELS)
    throw new Refused('too-large', `This picture has more than ${MOST_PIXELS / 1e6} million pixels.`);
  return sharp(body, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).rotate();
}

/** The colours that most of a picture has, as a palette of a few finds them. */
async function mainColours(data: Buffer): Promise<string[]> {
  const few = await sharp(data)
    .flatten({ background: '#ffffff' })
    .resize(64, 64, { fit: 'fill' })
    .png({ palette: true, colours: COLOURS, dither: 0 })
    .toBuffer();
  const { data: raw, info } = await sharp(few).removeAlpha().raw().toBuffer({ resolveWithObject: true });
  const counted = new Map<string, number>();
  for (let i = 0; i < raw.length; i += info.channels) {
    const colour = `#${raw.subarray(i, i + 3).toString('hex')}`;
    counted.set(colour, (counted.get(colour) ?? 0) + 1);
  }
  return [...counted]
    .filter(([, n]) => n > 64 * 64 * LEAST_SHARE)
    .sort((a, b) => b[1] - a[1])
    .slice(0, COLOURS)
    .map(([colour]) => colour);
}
