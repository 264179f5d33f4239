// npm run shots: makes all of docs/screenshots afresh from the demo, on a database of its own.
import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM, build, chromium as ready, install, root } from './ready.mjs';

install();
build();
ready();
const { chromium } = await import('@playwright/test');
const data = mkdtempSync(join(tmpdir(), 'temnex-shots-'));
const port = 4396;
const server = spawn(process.execPath, ['--disable-warning=ExperimentalWarning', 'apps/server/dist/main.js'], {
  cwd: root,
  env: { ...process.env, TEMNEX_PORT: String(port), TEMNEX_DATA: data },
  stdio: ['ignore', 'pipe', 'inherit'],
});
await new Promise((resolve) => server.stdout.once('data', resolve));

const folder = join(root, 'docs/screenshots');
for (const old of readdirSync(folder)) rmSync(join(folder, old));
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
const demo = '/page/demo-first-wind';
const cut = async (page) => {
  await page.getByRole('button', { name: 'It is cut' }).waitFor();
  await page.getByRole('link', { name: 'Print it' }).waitFor();
};

/** Puts back what a picture needed, once it is made. */
let back;
const SHOTS = [
  ['size-a-mat', '/', 1280, 800],
  ['page-and-parts', demo, 1280, 800],
  ['papers', `${demo}/papers`, 1280, 800],
  ['cutting-order', `${demo}/order`, 1280, 800, cut],
  [
    'photos',
    '/photos',
    1280,
    800,
    async (page) => {
      await page.getByRole('listbox', { name: 'Photos' }).getByRole('option').nth(1).click();
      await page.waitForLoadState('networkidle');
    },
  ],
  [
    'crop',
    '/photos/of/demo-photo-three',
    1280,
    800,
    async (page) => page.getByRole('button', { name: /^4 × 4/ }).click(),
  ],
  [
    'photo-sheets',
    '/photos/sheets',
    1280,
    800,
    async (page) => {
      const framing = { x: 0.5, y: 0.5, zoom: 1.3, keep: 'fill' };
      const order = (photo, size, copies) =>
        page.request.patch('/api/photos', {
          data: {
            photos: [photo],
            change: { orders: [{ id: `shot-${photo}`, ...size, unit: 'in', copies, framing }] },
          },
        });
      await order('demo-photo-tangle', { width: '2', height: '2' }, 2);
      await order('demo-photo-night-kite', { width: '2', height: '3' }, 2);
      await order('demo-photo-castle', { width: '3', height: '2' }, 2);
      await page.reload();
      await page.getByText(/^\d+ sheets of/).waitFor();
      await page.getByText('Looking for a better one').waitFor({ state: 'hidden' });
      await page.waitForTimeout(1500);
      back = async () => {
        for (const photo of ['tangle', 'night-kite', 'castle'])
          await page.request.patch('/api/photos', {
            data: { photos: [`demo-photo-${photo}`], change: { orders: [] } },
          });
      };
    },
  ],
  [
    'sketches',
    '/photos/sketches?photos=demo-photo-launch+demo-photo-castle+demo-photo-delta+demo-photo-night-kite',
    1280,
    800,
    async (page) => {
      await page.getByRole('button', { name: /^Three up, one along/ }).click();
      await page.waitForLoadState('networkidle');
    },
  ],
  ['choose', '/choose', 1280, 800],
  ['spread', '/page/demo-two-days', 1280, 800],
  ['quilt-and-honeycomb', '/page/demo-every-kite', 1280, 800],
  [
    'drawer',
    '/drawer',
    1280,
    800,
    async (page) => {
      await page
        .getByRole('listbox')
        .getByRole('option', { name: /^5 1\/2 × 7 1\/4 scrap/ })
        .click();
      await page.getByRole('heading', { name: 'It would still give' }).waitFor();
    },
  ],
  [
    'cut-together',
    '/drawer/together',
    1280,
    800,
    async (page) => {
      for (const name of ['First wind at Saltmarsh Point', 'Two days on the shingle', 'The kite that stayed up'])
        await page.getByRole('checkbox', { name }).check();
      await page.getByRole('button', { name: /^Plan these/ }).click();
      await page.getByText(/than the pages one by one|Nothing saved/).waitFor();
      await page.getByRole('link', { name: 'Print it' }).waitFor();
      await page.waitForTimeout(500);
    },
  ],
  [
    'wanted',
    '/drawer/wanted',
    1280,
    800,
    async (page) => {
      // nothing of the grass is left: seen, and put back
      const send = (path, body) => page.request.post(path, { data: { id: randomUUID(), ...body } });
      const change = [{ stock: 'demo-stock-6', by: -3 }];
      const step = await (await send('/api/drawer/steps', { says: 'taken-out', change })).json();
      await page.reload();
      await page.getByText('is not enough').waitFor();
      await page.evaluate(() => document.fonts.ready);
      back = () => send(`/api/drawer/steps/${step.id}/undo`, {});
    },
  ],
  ['size-a-mat-phone', '/', 390, 844],
  [
    'in-bags',
    `${demo}/kit`,
    1280,
    800,
    async (page) => {
      await page.getByRole('textbox', { name: 'for whom, one a line' }).fill('Runa\nIver\nMaren\nTorben\nSigne\nAskel');
      await page.keyboard.press('Tab');
      await page.getByRole('region', { name: 'Packing list for Askel' }).waitFor();
      back = async () => {
        const { document, version } = await (await page.request.get('/api/pages/demo-first-wind')).json();
        const { bags: _bags, ...rest } = document;
        await page.request.put('/api/pages/demo-first-wind', { data: { version, document: { ...rest, copies: 1 } } });
      };
      await page.waitForTimeout(1000);
    },
  ],
  [
    'at-the-trimmer',
    `${demo}/order`,
    1024,
    768,
    async (page) => {
      await page.getByRole('button', { name: /(To|Go on at) the trimmer/ }).click();
      await page.getByRole('heading', { name: 'Take A' }).waitFor();
      while (!(await page.getByText(/^to the pieces.*mat 3/).isVisible())) {
        await page.keyboard.press('PageDown');
        await page.waitForTimeout(150);
      }
      await page.waitForTimeout(600);
    },
  ],
  [
    'at-the-trimmer-phone',
    `${demo}/order`,
    390,
    844,
    async (page) => {
      await page.getByRole('button', { name: /(To|Go on at) the trimmer/ }).click();
      await page.getByText(/^to the pieces.*mat 3/).waitFor();
      await page.waitForTimeout(600);
    },
  ],
  [
    'the-record',
    `${demo}/order`,
    1280,
    800,
    async (page) => {
      await page.getByRole('button', { name: /(To|Go on at) the trimmer/ }).click();
      while (!(await page.getByRole('heading', { name: 'All of it is cut.' }).isVisible())) {
        await page.keyboard.press('PageDown');
        await page.waitForTimeout(60);
      }
      await page.getByRole('button', { name: 'Put it down' }).click();
      await page.getByRole('textbox', { name: 'a note for the record' }).fill('the blade is getting blunt');
      await page.keyboard.press('Enter');
      await page.getByText('“the blade is getting blunt”').waitFor();
      await page.goto('/books');
      await page.getByText('What it took and gave').first().click();
    },
  ],
];
for (const [name, path, width, height, prepare] of SHOTS) {
  back = null;
  const page = await browser.newPage({ viewport: { width, height }, baseURL: `http://127.0.0.1:${port}` });
  page.setDefaultTimeout(20_000);
  await page.goto(`http://127.0.0.1:${port}${path}`);
  await page.waitForLoadState('networkidle');
  await prepare?.(page);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await back?.();
  await page.close();
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
server.kill();
rmSync(data, { recursive: true, force: true });
