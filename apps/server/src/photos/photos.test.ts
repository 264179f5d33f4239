import { existsSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { crc32 } from 'node:zlib';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import sharp from 'sharp';
import request from 'supertest';
import { DEFAULT_FRAMING } from '@temnex/core/photos';
import { emptyPage, newItem, setPicture, type Page } from '@temnex/core/page';
import { photosSchema, uploadedPhotoSchema, type PageRecord, type Photos, type UploadedPhoto } from '@temnex/contract';
import { testServer, type TestServer } from '../testing.ts';
import { Semaphore } from '../pictures/semaphore.ts';

let server: TestServer;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.stop());

let n = 0;
const newId = () => `photo-test-${++n}`;
const local = (r: request.Test) => r.set('Host', '127.0.0.1:4310');
const send = (data: Buffer, type = 'image/jpeg', name = 'a kite.jpg', id = newId()) =>
  local(
    request(server.http)
      .post(`/api/photos?${new URLSearchParams({ id, name })}`)
      .set('content-type', type),
  ).send(data);
const post = (path: string, body: object) => local(request(server.http).post(path)).send({ id: newId(), ...body });
const patch = (body: object) => local(request(server.http).patch('/api/photos')).send(body);
const all = async () => (await local(request(server.http).get('/api/photos'))).body as Photos;
const took = async (answer: request.Test) => uploadedPhotoSchema.parse((await answer).body);

/** A sky over sand, of a colour of its own, so that no two are one picture. */
let hue = 0;
const drawn = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: `hsl(${(hue += 37)}, 40%, 60%)` } }).composite([
    {
      input: { create: { width, height: Math.ceil(height / 4), channels: 3, background: '#c9b58a' } },
      gravity: 'south',
    },
  ]);

/** A PNG whose head says that it is of another size. */
function saysItIs(width: number, height: number, png: Buffer): Buffer {
  const large = Buffer.from(png);
  large.writeUInt32BE(width, 16);
  large.writeUInt32BE(height, 20);
  large.writeUInt32BE(crc32(large.subarray(12, 29)), 29);
  return large;
}

describe('taking photos in', () => {
  test.each(['9999:99:99', '0000:00:00', '2026:02:31', '1499:01:01', '2199:01:01'])(
    'a day that is none closes nothing: %s',
    async (day) => {
      const exif = { IFD2: { DateTimeOriginal: `${day} 10:00:00` } };
      const { photo } = await took(send(await drawn(60, 40).withMetadata({ exif }).jpeg().toBuffer()));
      expect(photo.day).toBeNull();
      expect((await all()).photos.map(({ id }) => id)).toContain(photo.id);
    },
  );
  test('upright, with the day on which it was taken, and nothing of what it hides', async () => {
    const sent = await drawn(600, 400)
      .withMetadata({
        orientation: 6,
        exif: {
          IFD0: { Copyright: 'hidden words' },
          IFD2: { DateTimeOriginal: '2026:06:14 15:02:11' },
          IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 12/1 30/1' },
        },
      })
      .jpeg()
      .toBuffer();
    const { photo, again } = await took(send(sent));
    expect(again).toBe(false);
    expect(photo).toMatchObject({ name: 'a kite.jpg', width: 400, height: 600, day: '2026-06-14', favourite: false });
    for (const side of ['small', 'large', 'whole']) {
      const seen = await local(request(server.http).get(`/api/photos/files/${photo.file}?side=${side}`));
      expect(seen.headers['content-type']).toBe('image/jpeg');
      const { exif, width, height } = await sharp(seen.body as Buffer).metadata();
      expect([exif, width! < height!]).toEqual([undefined, true]);
      expect((seen.body as Buffer).includes('hidden words')).toBe(false);
      if (side === 'small') expect(height).toBe(400);
    }
  });
  test('a picture sent twice is one photo and one file; taken out and sent again, it is back with what was said of it', async () => {
    const sent = await drawn(300, 300).png().toBuffer();
    const first = await took(send(sent, 'image/png', 'one.png'));
    await patch({ photos: [first.photo.id], change: { place: 'Longstrand', people: ['Aunt Wren'] } });
    const files = () => readdirSync(join(dirname(server.file), 'photos')).filter((f) => f.startsWith(first.photo.file));
    const second = await took(send(sent, 'image/png', 'another name.png'));
    expect([second.again, second.photo.id, files().length]).toEqual([true, first.photo.id, 3]);
    await post('/api/photos/remove', { photos: [first.photo.id] });
    expect((await all()).photos.map((p) => p.id)).not.toContain(first.photo.id);
    const third = await took(send(sent, 'image/png'));
    expect(third).toMatchObject({ again: true, photo: { id: first.photo.id, place: 'Longstrand' } });
    expect((await all()).photos.map((p) => p.id)).toContain(first.photo.id);
  });
  test('one whose files are gone has them again once it is sent again', async () => {
    const sent = await drawn(320, 200).jpeg().toBuffer();
    const { photo } = await took(send(sent));
    const folder = join(dirname(server.file), 'photos');
    for (const name of readdirSync(folder)) if (name.startsWith(photo.file)) rmSync(join(folder, name));
    const seen = () => local(request(server.http).get(`/api/photos/files/${photo.file}?side=small`));
    expect((await seen()).status).toBe(404);
    expect(await took(send(sent))).toMatchObject({ again: true, photo: { id: photo.id } });
    expect((await seen()).status).toBe(200);
  });
  test('what is taken out is listed, and brought back', async () => {
    const { photo } = await took(send(await drawn(200, 100).jpeg().toBuffer()));
    await post('/api/photos/remove', { photos: [photo.id] });
    const removed = await local(request(server.http).get('/api/removed'));
    expect(removed.body).toContainEqual(expect.objectContaining({ kind: 'photo', id: photo.id, name: 'a kite.jpg' }));
    expect((await post(`/api/photos/${photo.id}/restore`, {})).status).toBe(204);
    expect((await all()).photos.map((p) => p.id)).toContain(photo.id);
    expect((await post('/api/photos/nobody/restore', {})).status).toBe(404);
  });
  test.each([
    [
      'half a file',
      async () => (await drawn(900, 900).jpeg({ quality: 100 }).toBuffer()).subarray(0, 4000),
      'image/jpeg',
      'This picture is broken, or is none',
    ],
    ['words', async () => Buffer.from('no picture at all'), 'image/jpeg', 'This picture is broken, or is none'],
    [
      'one that lies about its type',
      async () => drawn(50, 50).png().toBuffer(),
      'image/jpeg',
      'This file says it is a JPEG and is a PNG',
    ],
    [
      'a drawing with a script',
      async () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script/></svg>'),
      'image/png',
      'Only JPEG, PNG and WebP pictures are taken in.',
    ],
    [
      'a script in what it hides',
      async () =>
        drawn(50, 50)
          .withMetadata({ exif: { IFD0: { ImageDescription: '<script>alert(1)</script>' } } })
          .jpeg()
          .toBuffer(),
      'image/jpeg',
      'carries a script',
    ],
    [
      '500 million pixels in a small file',
      async () => saysItIs(25_000, 20_000, await drawn(9, 9).png().toBuffer()),
      'image/png',
      'more than 120 million pixels',
    ],
    ['nothing', async () => Buffer.alloc(0), 'image/jpeg', 'No picture was sent.'],
  ])('%s is refused with a sentence, and nothing of it stays', async (_, make, type, says) => {
    // prettier-ignore
    const before = (await all()).photos.length;
    const files = existsSync(join(dirname(server.file), 'photos'))
      ? readdirSync(join(dirname(server.file), 'photos')).length
      : 0;
    const answer = await send(await make(), type);
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect((answer.body as { message: string }).message).toContain(says);
    expect((await all()).photos.length).toBe(before);
    expect(
      existsSync(join(dirname(server.file), 'photos')) ? readdirSync(join(dirname(server.file), 'photos')).length : 0,
    ).toBe(files);
  });
  test('the same picture sent many times at once is one photo', async () => {
    const sent = await drawn(640, 480).jpeg().toBuffer();
    const answers = await Promise.all(Array.from({ length: 6 }, () => took(send(sent))));
    expect(new Set(answers.map((a: UploadedPhoto) => a.photo.id)).size).toBe(1);
    expect(answers.filter((a) => !a.again)).toHaveLength(1);
  });
});

test('where the folder of the photos is none, that is said, nothing is put down, and the same photo is taken once it is one again', async () => {
  const folder = join(dirname(server.file), 'photos');
  const before = (await all()).photos.length;
  const photo = await drawn(60, 40).jpeg().toBuffer();
  renameSync(folder, `${folder}-elsewhere`);
  writeFileSync(folder, '');
  const { status, body } = await send(photo);
  expect([status, body.message]).toEqual([500, expect.stringContaining('cannot be written to; nothing was saved')]);
  expect((await all()).photos).toHaveLength(before);
  rmSync(folder);
  renameSync(`${folder}-elsewhere`, folder);
  expect((await send(photo)).status).toBe(201);
  expect((await all()).photos).toHaveLength(before + 1);
});

describe('what is said of photos', () => {
  test('one thing of many at once; what is not said stays, and what does not read changes nothing', async () => {
    const [one, two] = await Promise.all([took(send(await drawn(90, 60).jpeg().toBuffer())), took(send(await drawn(60, 90).jpeg().toBuffer()))]); // prettier-ignore
    await patch({ photos: [one.photo.id], change: { what: 'the first launch' } });
    const answer = await patch({
      photos: [one.photo.id, two.photo.id],
      change: { favourite: true, day: '2026-06-15' },
    });
    expect(answer.status).toBe(200);
    const now = new Map((await all()).photos.map((p) => [p.id, p]));
    expect(now.get(one.photo.id)).toMatchObject({ what: 'the first launch', favourite: true, day: '2026-06-15' });
    expect(now.get(two.photo.id)).toMatchObject({ what: null, favourite: true });
    expect((await patch({ photos: [one.photo.id], change: { day: '14th of June' } })).status).toBe(400);
    expect((await patch({ photos: [one.photo.id, 'nobody'], change: { favourite: false } })).status).toBe(404);
    expect((await all()).photos.find((p) => p.id === one.photo.id)!.favourite).toBe(true);
  });
  test('a page that shows one says so, with the size of its print and what of it is seen', async () => {
    const { photo } = await took(send(await drawn(300, 200).jpeg().toBuffer()));
    const input = { print: { width: '4', height: '4', known: 'assumed' }, mats: [] };
    const bare: Page = { ...emptyPage('Two kites'), items: [newItem({ id: 'm', name: 'kite', recipe: 'mat-stack', input })], copies: 3 }; // prettier-ignore
    const { id, file, width, height } = photo;
    const document = setPicture(bare, 'm', 'print', { photo: id, file, width, height, ...DEFAULT_FRAMING, stay: null });
    const page = (await post('/api/pages', { document })).body as PageRecord;
    const { shown } = photosSchema.parse(await all());
    // the example shows some too
    expect(shown.filter((s) => s.page === page.id)).toEqual([
      {
        photo: id,
        page: page.id,
        pageName: 'Two kites',
        part: 'kite',
        width: 97_536,
        height: 97_536,
        crop: { x: 50, y: 0, width: 200, height: 200 },
        measured: false,
        copies: 3,
      },
    ]);
  });
});

describe('photo sheets', () => {
  /** A photo red on its left half, blue on its right. */
  const halves = async () => {
    const sent = await sharp({ create: { width: 200, height: 100, channels: 3, background: '#e00000' } })
      .composite([
        { input: { create: { width: 100, height: 100, channels: 3, background: '#0000e0' } }, left: 100, top: 0 },
      ])
      .withMetadata({ exif: { IFD0: { Copyright: 'hidden words' } } })
      .png()
      .toBuffer();
    return (await took(send(sent, 'image/png'))).photo;
  };
  const inch = 24_384;
  const sheet = async (as: string, prints: object[], density = 150) =>
    local(request(server.http).post('/api/photos/sheets')).send({ as, density, sheets: [{ width: 4 * inch, height: 2 * inch, prints }] }).buffer(true).parse((r, done) => { const parts: Buffer[] = []; r.on('data', (p: Buffer) => parts.push(p)); r.on('end', () => done(null, Buffer.concat(parts))); }); // prettier-ignore
  test('every print lies in its place, turned as it is planned, in its crop, with marks beside it; nothing hidden', async () => {
    const { file } = await halves();
    const [left, right] = [0, 100].map((x) => ({ x, y: 0, width: 100, height: 100 }));
    const whole = { x: 0, y: 0, width: 200, height: 100 };
    const { body, headers } = await sheet('png', [
      { key: 'a', file, crop: left, x: 0, y: inch, width: inch, height: inch, turn: 0 },
      { key: 'b', file, crop: right, x: inch, y: inch, width: inch, height: inch, turn: 0 },
      // turned by a quarter counter-clockwise: what was left is at the foot
      { key: 'c', file, crop: whole, x: 2 * inch, y: 0, width: inch, height: 2 * inch, turn: 90 },
    ]);
    expect(headers['content-type']).toBe('image/png');
    expect((body as Buffer).includes('hidden words')).toBe(false);
    const { data, info } = await sharp(body as Buffer)
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const { density, exif } = await sharp(body as Buffer).metadata();
    expect([info.width, info.height, density]).toEqual([600, 300, 150]);
    expect(exif?.includes('hidden words') ?? false).toBe(false);
    const at = (x: number, y: number) => {
      const [r, , b] = data.subarray((y * 600 + x) * 3, (y * 600 + x) * 3 + 3);
      return r! > 150 && b! < 90 ? 'red' : b! > 150 && r! < 90 ? 'blue' : r! > 240 ? 'white' : 'grey';
    };
    expect([at(75, 75), at(225, 75), at(375, 75), at(375, 225), at(75, 250)]).toEqual(['red', 'blue', 'blue', 'red', 'white']); // prettier-ignore
    // they meet in one pixel line, and a mark goes on from where they do
    expect([at(148, 75), at(151, 75), at(150, 160)]).toEqual(['red', 'blue', 'grey']);
  });
  test('as a PDF with a page for every sheet; what lies past its sheet is refused', async () => {
    const { file } = await halves();
    const print = { key: 'a', file, crop: { x: 0, y: 0, width: 200, height: 100 }, x: 0, y: 0, width: 2 * inch, height: inch, turn: 0 }; // prettier-ignore
    const { body, headers } = await sheet('pdf', [print]);
    expect([headers['content-type'], (body as Buffer).subarray(0, 4).toString()]).toEqual(['application/pdf', '%PDF']);
    expect((await sheet('jpeg', [print])).headers['content-type']).toBe('image/jpeg');
    expect((await sheet('png', [{ ...print, x: 3 * inch }])).status).toBe(400);
    expect((await sheet('png', [{ ...print, file: 'f'.repeat(64) }])).status).toBe(404);
  });
});

test('heavy work goes so many at a time, and one that fails lets the next in', async () => {
  const turns = new Semaphore(2);
  let [now, most] = [0, 0];
  const work = (n: number) =>
    turns.run(async () => {
      most = Math.max(most, ++now);
      await new Promise((done) => setTimeout(done, 5));
      now--;
      if (n % 3 === 0) throw new Error('broken');
      return n;
    });
  const done = await Promise.allSettled(Array.from({ length: 9 }, (_, i) => work(i)));
  expect([most, done.filter((d) => d.status === 'fulfilled').length]).toEqual([2, 6]);
});
