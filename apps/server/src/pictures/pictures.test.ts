import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import { PicturesService } from './pictures.service.ts';

let folder: string;
let pictures: PicturesService;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'temnex-pictures-'));
  pictures = new PicturesService(join(folder, 'pictures'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** Two thirds teal, one third sand, side by side. */
const drawn = (width = 300, height = 120) =>
  sharp({ create: { width, height, channels: 3, background: '#1f7a7a' } }).composite([
    { input: { create: { width: width / 3, height, channels: 3, background: '#e0c58f' } }, left: 0, top: 0 },
  ]);

describe('a picture of a paper', () => {
  test('is kept under the hash of what it shows, once, with its main colours', async () => {
    const sent = await drawn().png().toBuffer();
    const one = await pictures.ofPaper(sent);
    expect(one).toMatchObject({ width: 300, height: 120 });
    expect(one.colours).toHaveLength(2);
    const [most] = await sharp({ create: { width: 1, height: 1, channels: 3, background: one.colours[0]! } }).raw().toBuffer(); // prettier-ignore
    expect(Math.abs(most! - 0x1f)).toBeLessThan(12);
    expect(await pictures.ofPaper(sent)).toEqual(one);
    expect(readdirSync(join(folder, 'pictures'))).toEqual([`${one.file}.webp`]);
  });
  test('is set upright and made small, and loses what it hides', async () => {
    const sent = await drawn(3000, 1200)
      .withMetadata({ orientation: 6, exif: { IFD0: { Copyright: 'hidden words' } } })
      .jpeg()
      .toBuffer();
    expect(sent.includes('hidden words')).toBe(true);
    const one = await pictures.ofPaper(sent);
    expect(one).toMatchObject({ width: 480, height: 1200 });
    const kept = await pictures.one(one.file, 0);
    expect(kept.includes('hidden words')).toBe(false);
    expect((await sharp(kept).metadata()).exif).toBeUndefined();
  });
  test('is handed out turned counter-clockwise', async () => {
    const { file } = await pictures.ofPaper(await drawn().png().toBuffer());
    const turned = await sharp(await pictures.one(file, 90)).raw().toBuffer({ resolveWithObject: true }); // prettier-ignore
    expect(turned.info).toMatchObject({ width: 120, height: 300 });
    // what was on the left is at the foot
    const foot = turned.data.subarray((290 * 120 + 60) * 3, (290 * 120 + 60) * 3 + 3);
    expect(foot[0]!).toBeGreaterThan(180);
  });
  test.each([
    ['nothing', undefined, 'No picture was sent.'],
    ['words', Buffer.from('<script>alert(1)</script>'), 'This picture is broken, or is none: it cannot be opened.'],
    [
      'a drawing that says it is a picture',
      Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'),
      'Only JPEG, PNG and WebP pictures are taken in.',
    ],
  ])('%s is refused with a sentence', async (_, sent, says) => {
    await expect(pictures.ofPaper(sent)).rejects.toThrow(says);
    expect(readdirSync(folder)).toEqual([]);
  });
  test('half a picture is refused, and a small file that unfolds to a huge one before it is unfolded', async () => {
    const whole = await drawn(900, 900).png({ compressionLevel: 0 }).toBuffer();
    await expect(pictures.ofPaper(whole.subarray(0, whole.length / 2))).rejects.toThrow('is broken');
    const bomb = await sharp({ create: { width: 16_000, height: 8_000, channels: 3, background: '#000000' } })
      .png()
      .toBuffer();
    await expect(pictures.ofPaper(bomb)).rejects.toThrow('more than 120 million pixels');
  });
  test('what is not there, or is no name of a picture, is not found', async () => {
    await expect(pictures.one('0'.repeat(64), 0)).rejects.toThrow('no such picture');
    await expect(pictures.one('../temnex.sqlite', 0)).rejects.toThrow('no such picture');
  });
});
