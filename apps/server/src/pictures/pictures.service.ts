import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Inject, Injectable } from '@nestjs/common';
import sharp from 'sharp';
import type { PaperPicture } from '@temnex/contract';
import { notFound } from '../http/requestRefusal.ts';
import {
  makeBrokenPictureRefusal,
  hashOf,
  isDiskFault,
  isHash,
  storeFile,
  decodePicture,
  imageSemaphore,
} from './files.ts';

/** The folder in which pictures lie, each under the hash of its content. */
export const PICTURES_FOLDER = Symbol('pictures folder');

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
  ofPaper(body: unknown): Promise<PaperPicture> {
    return imageSemaphore.run(() => this.takeIn(body));
  }

  private async takeIn(body: unknown): Promise<PaperPicture> {
    const { picture } = await decodePicture(body);
    try {
      const { data, info } = await picture
        .resize({ width: PAPER_SIDE, height: PAPER_SIDE, fit: 'inside', withoutEnlargement: true })
        .webp({ quality: 84 })
        .toBuffer({ resolveWithObject: true });
      const file = hashOf(data);
      const [, colours] = await Promise.all([storeFile(this.pathOf(file), data), mainColours(data)]);
      return { file, width: info.width, height: info.height, colours };
    } catch (error) {
      throw isDiskFault(error) ? error : makeBrokenPictureRefusal();
    }
  }

  async one(file: string, turn: number): Promise<Buffer> {
    if (!isHash(file)) throw notFound('picture');
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

  private pathOf(file: string): string {
    return join(this.folder, `${file}.webp`);
  }
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
