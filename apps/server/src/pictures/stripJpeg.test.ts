import { describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import { stripJpeg } from './stripJpeg.ts';

const drawn = (jpeg: sharp.JpegOptions = {}) =>
  sharp({ create: { width: 120, height: 80, channels: 3, background: '#88aacc', noise: { type: 'gaussian', mean: 120, sigma: 40 } } }) // prettier-ignore
    .withMetadata({ exif: { IFD0: { Copyright: 'hidden words' }, IFD3: { GPSLatitudeRef: 'N' } } })
    .jpeg(jpeg)
    .toBuffer();
const pixels = (data: Buffer) => sharp(data).raw().toBuffer();

describe('a JPEG without what it hides', () => {
  test.each<[string, sharp.JpegOptions]>([
    ['as most are', {}],
    ['in several scans', { progressive: true }],
    ['with its colours as they are', { chromaSubsampling: '4:4:4' }],
  ])('%s: the same pixels, none of the words', async (_, options) => {
    const sent = await drawn(options);
    const kept = stripJpeg(sent)!;
    expect(kept.includes('hidden words')).toBe(false);
    expect(kept.length).toBeLessThan(sent.length);
    expect(await pixels(kept)).toEqual(await pixels(sent));
    const { exif, xmp } = await sharp(kept).metadata();
    expect([exif, xmp]).toEqual([undefined, undefined]);
  });
  test('a comment, and what is hung on after its end, are gone; its colour profile stays', async () => {
    const plain = await sharp({ create: { width: 20, height: 20, channels: 3, background: '#a63' } }).withIccProfile('p3').jpeg().toBuffer(); // prettier-ignore
    const comment = Buffer.from('\xff\xfe\x00\x10hidden comment', 'latin1');
    const sent = Buffer.concat([plain.subarray(0, 2), comment, plain.subarray(2), Buffer.from('a film')]);
    const kept = stripJpeg(sent)!;
    expect(['hidden comment', 'a film'].map((words) => kept.includes(words))).toEqual([false, false]);
    expect((await sharp(kept).metadata()).icc).toBeDefined();
    expect(await pixels(kept)).toEqual(await pixels(plain));
  });
  test.each([
    ['no JPEG', Buffer.from('a PNG, say')],
    ['nothing', Buffer.alloc(0)],
    ['a head without an end', Buffer.from([0xff, 0xd8, 0xff, 0xe1, 0xff, 0xff, 0])],
    ['a segment of no length', Buffer.from([0xff, 0xd8, 0xff, 0xe1, 0, 0, 0xff, 0xd9])],
    ['something between segments', Buffer.from([0xff, 0xd8, 0x12, 0x34, 0xff, 0xd9])],
  ])('%s is none', (_, data) => expect(stripJpeg(data)).toBeNull());
});
