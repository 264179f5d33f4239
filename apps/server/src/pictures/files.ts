import { createHash, randomUUID } from 'node:crypto';
import { mkdir, open, rename, stat } from 'node:fs/promises';
import { dirname } from 'node:path';
import sharp, { type Metadata, type Sharp } from 'sharp';
import { Refused } from '../http/refused.ts';

/* Picture files: looked into by what they are, not by what they say they are, and written whole or not at all. */

const FORMATS: ReadonlyMap<string, string> = new Map([
  ['jpeg', 'a JPEG'],
  ['png', 'a PNG'],
  ['webp', 'a WebP'],
]);
/** More than any camera takes; a small file that says it holds more is no photograph. */
export const MOST_PIXELS = 120_000_000;

export const hashOf = (data: Buffer): string => createHash('sha256').update(data).digest('hex');
export const isHash = (name: string): boolean => /^[0-9a-f]{64}$/.test(name);

/** Whole or not at all: it has its name once it is on the disk. What is there already stays. */
export async function keepFile(path: string, data: Buffer): Promise<void> {
  if (await stat(path).catch(() => null)) return;
  await mkdir(dirname(path), { recursive: true });
  const half = `${path}.${randomUUID()}`;
  const handle = await open(half, 'wx');
  try {
    await handle.writeFile(data);
    await handle.sync();
  } finally {
    await handle.close();
  }
  await rename(half, path);
}

export const broken = (): Refused =>
  new Refused('no-picture', 'This picture is broken, or is none: it cannot be opened.');
/** What the disk says, rather than the picture. */
export const isFault = (error: unknown): boolean =>
  error instanceof Refused || typeof (error as { errno?: unknown }).errno === 'number';

/**
 * What was sent, opened and the right way up. Refuses what is not a JPEG, PNG or WebP picture, is another one than it was `said` to be
 * (a media type), is too large, or carries a script.
 */
export async function pictureIn(body: unknown, said?: string): Promise<{ picture: Sharp; metadata: Metadata }> {
  if (!Buffer.isBuffer(body) || !body.length) throw new Refused('no-picture', 'No picture was sent.');
  const metadata = await sharp(body, { limitInputPixels: false })
    .metadata()
    .catch(() => null);
  if (!metadata) throw broken();
  const is = FORMATS.get(metadata.format);
  if (!is) throw new Refused('no-picture', 'Only JPEG, PNG and WebP pictures are taken in.');
  const meant = said && FORMATS.get(said.replace('image/', ''));
  if (meant && meant !== is)
    throw new Refused('no-picture', `This file says it is ${meant} and is ${is}: rename it, if it is yours.`);
  if (metadata.width * metadata.height * (metadata.pages ?? 1) > MOST_PIXELS)
    throw new Refused('too-large', `This picture has more than ${MOST_PIXELS / 1e6} million pixels.`);
  if (hidden(metadata).some((data) => SCRIPT.test(data.toString('latin1'))))
    throw new Refused('no-picture', 'This picture carries a script in what it hides: it is not taken in.');
  return { picture: sharp(body, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).rotate(), metadata };
}

const SCRIPT = /<script|javascript:|<\?php/i;
/** What a picture says besides its pixels. */
const hidden = ({ exif, xmp, iptc, comments }: Metadata): Buffer[] => [
  ...[exif, xmp, iptc].filter((data) => data !== undefined),
  ...(comments ?? []).map(({ text }) => Buffer.from(text)),
];
