import { createHash, randomUUID } from 'node:crypto';
import { closeSync, existsSync, fsyncSync, mkdirSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs';
import { mkdir, open, rename, rm, stat } from 'node:fs/promises';
import { dirname } from 'node:path';
import sharp, { type Metadata, type Sharp } from 'sharp';
import { RequestRefusal } from '../http/requestRefusal.ts';
import { Semaphore } from './semaphore.ts';

/* Picture files: looked into by what they are, not by what they say they are, and written whole or not at all. */

const FORMATS: ReadonlyMap<string, string> = new Map([
  ['jpeg', 'a JPEG'],
  ['png', 'a PNG'],
  ['webp', 'a WebP'],
]);
/** More than any camera takes; a small file that says it holds more is no photograph. */
export const MAX_PIXELS = 120_000_000;

/** One that is stored in passes (progressive, interlaced) is held in memory whole, several times over, until the last has been read. */
const MAX_INTERLACED_PIXELS = 40_000_000;
/** Pictures are opened one after the other: each may take some hundred megabytes while it is. */
export const imageSemaphore = new Semaphore(1);

export const hashOf = (data: Buffer): string => createHash('sha256').update(data).digest('hex');
export const isHash = (name: string): boolean => /^[0-9a-f]{64}$/.test(name);

/** Whole or not at all: it has its name once it is on the disk. What is there already stays, if it is as long. */
export async function storeFile(path: string, data: Buffer): Promise<void> {
  const there = await stat(path).catch(() => null);
  if (there?.size === data.length) return;
  await mkdir(dirname(path), { recursive: true });
  const half = `${path}.${randomUUID()}`;
  const handle = await open(half, 'wx');
  try {
    await handle.writeFile(data);
    await handle.sync();
  } catch (error) {
    await rm(half, { force: true });
    throw error;
  } finally {
    await handle.close();
  }
  await rename(half, path);
}

/** Puts a file elsewhere, whole or not at all; what is there already is believed where it is the same. */
export function copyFileSafely(from: string, to: string): void {
  const data = readFileSync(from);
  if (existsSync(to) && readFileSync(to).equals(data)) return;
  mkdirSync(dirname(to), { recursive: true });
  const half = `${to}.half`;
  const handle = openSync(half, 'w');
  try {
    for (let at = 0; at < data.length;) at += writeSync(handle, data, at);
    fsyncSync(handle);
  } finally {
    closeSync(handle);
  }
  renameSync(half, to);
}

export const makeBrokenPictureRefusal = (): RequestRefusal =>
  new RequestRefusal('no-picture', 'This picture is broken, or is none: it cannot be opened.');
/** What the disk says, rather than the picture. */
export const isDiskFault = (error: unknown): boolean =>
  error instanceof RequestRefusal || typeof (error as { errno?: unknown }).errno === 'number';

/**
 * What was sent, opened and the right way up. Refuses what is not a JPEG, PNG or WebP picture, is another one than it was `said` to be
 * (a media type), is too large, or carries a script.
 */
export async function decodePicture(body: unknown, said?: string): Promise<{ picture: Sharp; metadata: Metadata }> {
  if (!Buffer.isBuffer(body) || !body.length) throw new RequestRefusal('no-picture', 'No picture was sent.');
  const metadata = await sharp(body, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  if (!metadata) throw makeBrokenPictureRefusal();
  const is = FORMATS.get(metadata.format);
  if (!is) throw new RequestRefusal('no-picture', 'Only JPEG, PNG and WebP pictures are taken in.');
  const meant = said && FORMATS.get(said.replace('image/', ''));
  if (meant && meant !== is)
    throw new RequestRefusal('no-picture', `This file says it is ${meant} and is ${is}: rename it, if it is yours.`);
  if (metadata.width * metadata.height * (metadata.pages ?? 1) > MAX_PIXELS)
    throw new RequestRefusal('too-large', `This picture has more than ${MAX_PIXELS / 1e6} million pixels.`);
  if (metadata.isProgressive && metadata.width * metadata.height > MAX_INTERLACED_PIXELS)
    throw new RequestRefusal(
      'too-large',
      `This picture is stored in passes and has more than ${MAX_INTERLACED_PIXELS / 1e6} million pixels: save it without, or smaller.`,
    );
  if (hidden(metadata).some((data) => SCRIPT.test(data.toString('latin1'))))
    throw new RequestRefusal('no-picture', 'This picture carries a script in what it hides: it is not taken in.');
  return { picture: sharp(body, { limitInputPixels: MAX_PIXELS, failOn: 'error' }).rotate(), metadata };
}

const SCRIPT = /<script|javascript:|<\?php/i;
/** What a picture says besides its pixels. */
const hidden = ({ exif, xmp, iptc, comments }: Metadata): Buffer[] => [
  ...[exif, xmp, iptc].filter((data) => data !== undefined),
  ...(comments ?? []).map(({ text }) => Buffer.from(text)),
];
