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
    'put-many-in',
    '/drawer/in',
    1280,
    800,
    async (page) => {
      const rows = ['Qty,Size,Design,Location,Bought on', '2,5 1/2 x 3,Teal swell,box 1,2026-02-03', '1,4 x 4,Harbour rust,box 3,2026-02-03', '1,wide x 4,Chalk,box 3,2026-02-03', '4,12 x 1/2,Sailcloth stripe,tray 2,2026-03-11', '3,8 x 8,Sea lavender,,3/4/2026']; // prettier-ignore
      const file = { name: 'stash.csv', mimeType: 'text/csv', buffer: Buffer.from(rows.join('\n')) };
      await page.locator('input[type=file]').setInputFiles(file);
      await page.getByRole('button', { name: 'Take them into the table' }).click();
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
      await page.getByText('than the pages one by one').waitFor();
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
  [
    'use-up',
    '/drawer/use-up',
    1280,
    800,
    async (page) => {
      await page.getByLabel('pieces').fill('24');
      await page.getByLabel('what you call it').fill('The narrow ones');
      await page.getByLabel('what happens to the rest').fill('to the school');
      await page.getByRole('button', { name: 'Set out' }).click();
      await page.getByRole('heading', { name: 'The narrow ones' }).waitFor();
      const plan = (await (await page.request.get(`/api/pages/demo-first-wind/plan`)).json()).plan;
      const cut = await page.request.post(`/api/plans/${plan.id}/cut`, { data: { id: randomUUID() } });
      const { id } = await cut.json();
      await page.reload();
      await page.getByRole('list', { name: 'What did not count' }).waitFor();
      back = () => page.request.post(`/api/cuttings/${id}/undo`, { data: { id: randomUUID() } });
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
