import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { emptyPage, newItem, type Page as PageDocument } from '@temnex/core/page';
import { seededRandom } from '../packages/core/src/chance/index.ts';
import { median } from './machine.ts';
import { ADDRESS, browse, serve } from './served.ts';

/** Two thousand photos on the wall, thirty large ones taken in at once, and an item dragged among forty. */
const TIMES = 20;
const PHOTOS = 2000;
const LARGE = 30;
const ITEMS = 40;

const told = (what: string, times: readonly number[], bar: number): string =>
  `${what}: ${median(times).toFixed(0)} ms median of ${times.length}, ${Math.max(...times).toFixed(0)} at most (bar ${bar})`;
const share = (times: readonly number[], most: number): string =>
  `${((100 * times.filter((t) => t <= most).length) / times.length).toFixed(1)} % of ${times.length} frames within ${most} ms, the longest ${Math.max(...times).toFixed(0)} ms`;

const send = async (path: string, body: Buffer | string, type: string): Promise<unknown> => {
  const answer = await fetch(`${ADDRESS}${path}`, {
    method: 'POST',
    headers: { 'content-type': type },
    body: typeof body === 'string' ? body : new Uint8Array(body),
  });
  if (!answer.ok) throw new Error(await answer.text());
  return answer.json();
};
/** Does things so many at a time. */
async function some<T>(all: readonly T[], atATime: number, one: (of: T) => Promise<unknown>): Promise<void> {
  const left = [...all];
  const work = async () => {
    for (let next = left.shift(); next !== undefined; next = left.shift()) await one(next);
  };
  await Promise.all(Array.from({ length: atATime }, work));
}

/** A page of forty prints, seeded. */
function crowded(): PageDocument {
  const random = seededRandom(14);
  const eighth = (most: number) => String(Math.floor(random() * most * 8) / 8);
  return {
    ...emptyPage('Forty'),
    items: Array.from({ length: ITEMS }, (_, i) => ({
      ...newItem({
        id: `p${i}`,
        name: `print ${i}`,
        recipe: 'mat-stack' as const,
        input: {
          print: { width: '1 1/2', height: '1', known: 'assumed' },
          mats: [{ id: 'm', reveal: { style: 'even', all: '1/8' } }],
        },
      }),
      at: { across: { from: 'left' as const, by: eighth(10) }, upDown: { from: 'bottom' as const, by: eighth(10) } },
    })),
  };
}

export async function* photos(): AsyncGenerator<string> {
  const data = mkdtempSync(join(tmpdir(), 'temnex-bench-'));
  const server = await serve(data);
  const large = await Promise.all(
    Array.from({ length: LARGE }, (_, i) =>
      sharp({ create: { width: 4000, height: 3000, channels: 3, background: '#888', noise: { type: 'gaussian', mean: 100 + i, sigma: 30 } } }) // prettier-ignore
        .jpeg({ quality: 90 })
        .toBuffer(),
    ),
  );
  // while they go in, the server is asked whether it is well
  const waits: number[] = [];
  let going = true;
  const asked = (async () => {
    while (going) {
      const start = performance.now();
      await fetch(`${ADDRESS}/api/pages`);
      waits.push(performance.now() - start);
      await new Promise((next) => setTimeout(next, 20));
    }
  })();
  const start = performance.now();
  await some(large, 3, (body) => send(`/api/photos?id=${crypto.randomUUID()}`, body, 'image/jpeg'));
  const took = (performance.now() - start) / 1000;
  going = false;
  await asked;
  const mega = large.reduce((sum, b) => sum + b.length, 0) / LARGE / 1e6;
  yield `${LARGE} photos of 12 million pixels (${mega.toFixed(1)} MB each) taken in: ${took.toFixed(1)} s (bar 20)`;
  yield told('the list of pages, asked for meanwhile', waits, 200);

  await some(
    Array.from({ length: PHOTOS }, (_, i) => i),
    4,
    async (i) => {
      const [width, height] = i % 3 ? [300, 200] : [200, 300];
      const hue = (i * 47) % 360;
      const picture = await sharp({ create: { width: width!, height: height!, channels: 3, background: `hsl(${hue}, 40%, ${30 + (i % 40)}%)`, noise: { type: 'gaussian', mean: 120, sigma: 20 } } }).jpeg().toBuffer(); // prettier-ignore
      const { photo } = (await send(`/api/photos?id=${crypto.randomUUID()}`, picture, 'image/jpeg')) as { photo: { id: string } }; // prettier-ignore
      const day = new Date(Date.UTC(2020, 0, 1) + Math.floor(i / 6) * 86_400_000).toISOString().slice(0, 10);
      await fetch(`${ADDRESS}/api/photos`, {
        method: 'PATCH',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ photos: [photo.id], change: { day } }),
      });
    },
  );
  const browser = await browse();
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  const opened: number[] = [];
  for (let i = 0; i <= TIMES; i++) {
    await page.goto(`${ADDRESS}/photos`);
    await page.locator('#photo-0 img').waitFor();
    const at = await page.evaluate<number>(
      `new Promise((resolve) => requestAnimationFrame(() => setTimeout(() => resolve(performance.now()))))`,
    );
    // the first time the browser fetches the application
    if (i) opened.push(at);
  }
  yield told(`the wall with ${PHOTOS} photos, from its address`, opened, 500);
  const frames = await page.evaluate<number[]>(`new Promise((resolve) => {
    const list = document.querySelector('[role="listbox"]');
    const frames = [];
    let last = performance.now();
    let n = 0;
    (function frame() {
      const now = performance.now();
      if (n > 0) frames.push(now - last);
      last = now;
      list.scrollTop += 120;
      if (++n < 300) requestAnimationFrame(frame);
      else resolve(frames);
    })();
  })`);
  yield `scrolling the wall: ${share(frames, 32)} (bar 95 %)`;

  const { id } = (await send('/api/pages', JSON.stringify({ id: crypto.randomUUID(), document: crowded() }), 'application/json')) as { id: string }; // prettier-ignore
  await page.goto(`${ADDRESS}/page/${id}`);
  const item = page.getByRole('group', { name: 'The page to scale' }).getByRole('button', { name: /^print 39, 1/ });
  const box = (await item.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.evaluate(`window.frames_ = []; window.stop_ = false; (() => {
    let last = performance.now();
    (function frame() {
      const now = performance.now();
      window.frames_.push(now - last);
      last = now;
      if (!window.stop_) requestAnimationFrame(frame);
    })();
  })()`);
  for (let i = 0; i < 300; i++) await page.mouse.move(x + 120 * Math.sin(i / 20), y - 90 + 90 * Math.cos(i / 14));
  const dragged = await page.evaluate<number[]>(`window.stop_ = true; window.frames_.slice(2)`);
  await page.mouse.up();
  yield `dragging among ${ITEMS} items: ${share(dragged, 20)} (bar 95 %)`;
  await browser.close();
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
