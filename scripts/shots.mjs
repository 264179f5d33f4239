// npm run shots: makes all of docs/screenshots afresh from the demo, on a database of its own.
import { spawn } from 'node:child_process';
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

const SHOTS = [
  ['size-a-mat', '/', 1280, 800],
  [
    'size-banners',
    '/',
    1280,
    800,
    async (page) => {
      await page.getByRole('button', { name: 'Banners' }).click();
      await page.getByRole('textbox', { name: 'how many' }).waitFor();
    },
  ],
  ['page-and-parts', demo, 1280, 800],
  ['papers', `${demo}/papers`, 1280, 800],
  ['cutting-order', `${demo}/order`, 1280, 800, cut],
  [
    'sheets',
    `${demo}/order`,
    1280,
    800,
    async (page) => {
      await cut(page);
      await page.getByRole('heading', { name: 'The sheets' }).scrollIntoViewIfNeeded();
      await page.evaluate(() => window.scrollTo(0, document.body.scrollHeight));
    },
  ],
  ['on-paper', `${demo}/print`, 1280, 800],
  [
    'a-place-on-paper',
    `${demo}/papers`,
    1280,
    800,
    async (page) => {
      await page.getByRole('button', { name: /^Fan out Gust/ }).click();
      await page.getByRole('button', { name: /^Mark places on 12 by 12 Gust/ }).click();
      await page.getByRole('textbox', { name: 'Drag over what is to stay whole' }).fill('9 3/4 x 2 to 11 3/4 x 8');
      await page.keyboard.press('Enter');
      await page.getByRole('list', { name: 'Kept whole' }).getByRole('listitem').waitFor();
      await page.getByRole('button', { name: 'Choose where sky panel is cut from' }).click();
    },
  ],
  ['choose', '/choose', 1280, 800],
  ['spread', '/page/demo-two-days', 1280, 800],
  ['second-page', '/page/demo-stayed-up', 1280, 800],
  ['quilt-and-honeycomb', '/page/demo-every-kite', 1280, 800],
  ['woven-and-folded', '/page/demo-colours', 1280, 800],
  ['page-of-words', '/page/demo-wind-wrote', 1280, 800],
  [
    'size-shapes',
    '/',
    1280,
    800,
    async (page) => {
      await page.getByRole('button', { name: 'Repeated shapes' }).click();
      await page.getByRole('textbox', { name: /^across flats/ }).waitFor();
    },
  ],
  [
    'size-border',
    '/',
    1280,
    800,
    async (page) => {
      await page.getByLabel('Say it in one line').fill('scalloped border round 6 x 4, repeat 1/2');
      await page.keyboard.press('Enter');
      await page
        .getByText(/repeats, from end to end/)
        .first()
        .waitFor();
    },
  ],
  ['size-a-mat-phone', '/', 390, 844],
  ['page-and-parts-phone', demo, 390, 844],
];
for (const [name, path, width, height, prepare] of SHOTS) {
  const page = await browser.newPage({ viewport: { width, height } });
  page.setDefaultTimeout(20_000);
  await page.goto(`http://127.0.0.1:${port}${path}`);
  await page.waitForLoadState('networkidle');
  await prepare?.(page);
  await page.screenshot({ path: join(folder, `${name}.png`) });
  await page.close();
  console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
server.kill();
rmSync(data, { recursive: true, force: true });
