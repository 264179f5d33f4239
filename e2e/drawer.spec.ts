import { readFileSync, writeFileSync } from 'node:fs';
import type { APIRequestContext, Page } from '@playwright/test';
import { answers, expect, send, test } from './table.ts';

/** Whatever a journey put in, here or elsewhere, goes again, so that each finds the example alone. */
const tidied = async ({ request }: { request: APIRequestContext }) => {
  const { stock, papers } = (await (await request.get('/api/drawer')).json()) as Record<'stock' | 'papers', { id: string; quantity: number }[]>; // prettier-ignore
  const own = stock.filter((s) => !s.id.startsWith('demo-'));
  const change = own.map((s) => ({ stock: s.id, by: -s.quantity }));
  if (change.length) await send(request, '/api/drawer/steps', { says: 'taken-out', change });
  for (const { id } of papers.filter((p) => !p.id.startsWith('demo-'))) await request.delete(`/api/papers/${id}`);
};
test.beforeEach(tidied);
test.afterEach(tidied);

const found = (page: Page) => page.getByRole('region', { name: 'Look through the drawer' }).getByRole('status');

test('twelve scraps are put in by the keyboard alone, and one too many is taken out again', async ({ table: page }) => {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Pages on the table' }).waitFor();
  await answers(page);
  await page.keyboard.press('0');
  await expect(found(page)).toContainText('17 items');
  await page.getByRole('textbox', { name: 'What do you look for?' }).focus();
  // the line to put in is found with Tab
  const line = page.getByRole('textbox', { name: /^Add a sheet or a scrap/ });
  for (let i = 0; i < 40 && !(await line.evaluate((e) => e === document.activeElement)); i++)
    await page.keyboard.press('Tab');
  const sizes = ['5 x 3', '4 1/2 x 6', '11 x 2', '3 x 3', '7 1/4 x 5 1/2', '2 x 9', '6 x 6 less 2 x 2', '8 x 1 3/4', '90 mm x 60 mm', '4x4', '10 x 2 1/2']; // prettier-ignore
  for (const [i, size] of sizes.entries()) {
    await page.keyboard.type(`${size} ${['teal', 'chalk', 'gust'][i % 3]}${i % 4 ? '' : ' in tray 2'}`);
    await page.keyboard.press('Enter');
    await expect(line).toHaveValue('');
  }
  // the last one once more
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(found(page)).toContainText('29 items');
  await page.getByRole('button', { name: 'Take it out again' }).click();
  await expect(found(page)).toContainText('28 items');
});

test('what one looks for is said in a line, kept under a name, and found again', async ({ table: page }) => {
  await page.goto('/drawer');
  const look = page.getByRole('textbox', { name: 'What do you look for?' });
  await look.fill('scraps reaching 7 x 5');
  await expect(page.getByText('only scraps · reaches 7 × 5, either way round')).toBeVisible();
  const wall = page.getByRole('listbox', { name: 'What is in the drawer' });
  await expect(wall.getByRole('option')).toHaveCount(4);
  await expect(wall.getByRole('option').first()).toHaveAccessibleName(/of (Teal swell|Gust|Storm slate|Chalk)/);
  await page.getByRole('button', { name: 'Keep this search' }).click();
  await page.getByRole('textbox', { name: 'call it' }).fill('for large mats');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'for large mats', exact: true })).toBeVisible();
  await look.fill('near teal');
  await expect(wall.getByRole('option')).toHaveCount(3);
  await look.fill('reaches 0 x 4');
  await expect(page.getByText('“0 x 4” is not a size that paper can have.')).toBeVisible();
  // while a line is not one, what was found last stays
  await expect(wall.getByRole('option')).toHaveCount(3);
  await look.fill('stripes in a box of nobody');
  await expect(page.getByRole('heading', { name: 'Nothing like that' })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: 'for large mats', exact: true }).click();
  await expect(look).toHaveValue('scraps reaching 7 x 5');
  await page.getByRole('button', { name: 'Forget the search for large mats' }).click();
  await expect(page.getByRole('button', { name: 'for large mats', exact: true })).toBeHidden();
});

test('many at once are moved, held back, kept for a page and taken out, and lie as they lay once it is undone', async ({
  table: page,
}) => {
  await page.goto('/drawer');
  const wall = page.getByRole('listbox', { name: 'What is in the drawer' });
  await wall.getByRole('option').first().click();
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  const slip = page.getByRole('complementary', { name: 'What is done with it' });
  await expect(slip.getByRole('heading', { name: '3 picked' })).toBeVisible();
  await slip.getByRole('combobox', { name: /^where they go/ }).fill('window shelf');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Undo: 3 moved' })).toBeVisible();
  await expect(wall.getByRole('option', { selected: true }).first()).toHaveAccessibleName(/in window shelf/);
  await wall.focus();
  await page.keyboard.press('h');
  await expect(wall.getByRole('option', { selected: true }).first()).toHaveAccessibleName(/held back/);
  await slip.getByRole('combobox', { name: 'keep for a page' }).selectOption({ label: 'Two days on the shingle' });
  await expect(wall.getByRole('option', { selected: true }).first()).toHaveAccessibleName(/kept for pages/);
  await wall.focus();
  await page.keyboard.press('Delete');
  await expect(found(page)).toContainText('14 of 14 items'.slice(0, 2));
  await expect(wall.getByRole('option')).toHaveCount(14);
  for (const left of ['17 items', '17 items', '17 items', '17 items']) {
    await wall.focus();
    await page.keyboard.press('Control+z');
    await expect(found(page)).toContainText(left);
  }
  await expect(page.getByRole('button', { name: 'Undo: 3 moved' })).toBeHidden();
  await expect(wall.getByRole('option').first()).not.toHaveAccessibleName(/held back|kept|window shelf/);
  // the table picks alike, and one item tells how it came to be so
  await page.getByRole('combobox', { name: 'seen as' }).selectOption('table');
  const table = page.getByRole('grid', { name: 'What is in the drawer' });
  await table.getByRole('row', { name: /of Marram grass/ }).click();
  await slip.getByRole('button', { name: /^How 12 by 12 Marram grass came to be here/ }).click();
  await expect(slip.getByRole('list', { name: 'History' })).toContainText('3 put in');
});

test('a CSV file with rows that do not read: they are named, corrected, and none is lost', async ({
  table: page,
}, info) => {
  const file = info.outputPath('stash.csv');
  const rows = [
    'Qty,Size,Design,Location,Bought on',
    '2,5 1/2 x 3,Teal swell,box 1,2026-02-03',
    '1,4 x 4,Harbour rust,box 3,2026-02-03',
    '1,wide x 4,Chalk,box 3,2026-02-03',
    '3,8 x 8,Sea lavender,,3/4/2026',
  ];
  writeFileSync(file, rows.join('\n'));
  await page.goto('/drawer/in');
  await page.locator('input[type=file]').setInputFiles(file);
  await expect(page.getByRole('heading', { name: '4 rows of stash.csv' })).toBeVisible();
  await expect(page.getByRole('combobox', { name: 'Design' })).toHaveValue('paper');
  await page.getByRole('button', { name: 'Take them into the table' }).click();
  await expect(page.getByText('2 rows read, 2 do not and will stay here.')).toBeVisible();
  await expect(page.getByText('Came: “3/4/2026” is not a day that can only be one.')).toBeVisible();
  await expect(page.getByRole('heading', { name: '1 new paper' })).toBeVisible();
  await page.getByRole('button', { name: 'Put in these 2' }).click();
  await expect(page.getByText('2 put in.', { exact: true })).toBeVisible();
  // what does not read is still there, also after the page was left
  await page.reload();
  await expect(page.getByText('0 rows read, 2 do not and will stay here.')).toBeVisible();
  await page.getByRole('cell', { name: 'Width, row 1', exact: true }).fill('5 x 4');
  await page.getByRole('cell', { name: 'Came, row 2', exact: true }).fill('2026-04-03');
  await page.getByRole('button', { name: 'Put in these 2' }).click();
  await expect(page.getByText('2 put in.', { exact: true })).toBeVisible();
  // pasted from a spreadsheet, from the cell one stands in
  const cell = page.getByRole('cell', { name: 'Width, row 1', exact: true });
  await cell.focus();
  await page.evaluate(() => navigator.clipboard.writeText('3\t2\tChalk\n4\t2\tChalk'));
  await cell.press('Control+v');
  await expect(page.getByText('2 rows read.')).toBeVisible();
  // written out and read in again, all of it reads
  const [written] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Write the drawer as CSV' }).click(),
  ]);
  const text = readFileSync(await written.path(), 'utf8');
  expect(text.trim().split('\n')).toHaveLength(22);
  await page.getByRole('button', { name: 'Empty the table' }).click();
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'again.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.getByRole('button', { name: 'Take them into the table' }).click();
  await expect(page.getByText('21 rows read.')).toBeVisible();
  await page.getByRole('button', { name: 'Empty the table' }).click();
});

test('three pages are planned as one, cut, and taken back', async ({ table: page }) => {
  await page.goto('/drawer/together');
  for (const name of ['First wind at Saltmarsh Point', 'Two days on the shingle', 'The kite that stayed up'])
    await page.getByRole('checkbox', { name }).check();
  await page.getByRole('button', { name: 'Plan these 3 together' }).click();
  await expect(page.getByText(/than the pages one by one|Nothing saved/)).toBeVisible();
  await expect(page.getByText('#2').first()).toBeVisible();
  await expect(page.getByRole('list', { name: 'Cuts in order' })).toContainText('#1');
  await expect(page.getByRole('link', { name: 'Print it' })).toBeVisible();
  // all three aims side by side: the one for easiest cuts has no more settings than the others
  await page.getByRole('button', { name: 'Set them side by side' }).click();
  const figures = page.getByRole('table', { name: 'Three ways to cut it' });
  const same = page.getByText('All three come to the same here.');
  await expect(figures.or(same)).toBeVisible();
  if (await figures.isVisible()) {
    await expect(figures.locator('tbody tr')).toHaveCount(3);
    const settings = await figures.locator('tbody tr td:nth-child(6)').allInnerTexts();
    expect(settings).toHaveLength(3);
    expect(Number(settings[1])).toBe(Math.min(...settings.map(Number)));
  }
  // for another aim, and in another order, they are planned anew
  const kept = async (what: string) => {
    const sent = page.waitForRequest((r) => r.method() === 'POST' && r.url().endsWith('/api/together'));
    await page.getByRole('radio', { name: what }).check();
    return ((await sent).postDataJSON() as { plan: { aim: string; steps: { sheets: number[] }[] } }).plan;
  };
  expect((await kept('easiest cuts')).aim).toBe('easiest-cuts');
  const { steps } = await kept('one sheet after the other');
  const visits = steps.map((s) => s.sheets.join()).filter((s, i, all) => s !== all[i - 1]);
  expect(new Set(visits).size).toBe(visits.length);
  await page.getByRole('button', { name: 'It is cut' }).click();
  await expect(page.getByText('It is put down for all of them.')).toBeVisible();
  await expect(page.getByRole('heading', { name: 'All of it is cut' })).toBeVisible();
  const pages = (await (await page.request.get('/api/pages')).json()) as { stage: string }[];
  expect(pages.filter((p) => p.stage === 'cut')).toHaveLength(3);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByRole('list', { name: 'Cuts in order' })).toBeVisible();
  const again = (await (await page.request.get('/api/pages')).json()) as { stage: string }[];
  expect(again.filter((p) => p.stage === 'cut')).toHaveLength(0);
});

test('what pages want is counted over all of them, and the list to buy is printed', async ({ table: page }) => {
  // of the grass nothing is left
  await send(page.request, '/api/drawer/steps', { says: 'taken-out', change: [{ stock: 'demo-stock-6', by: -3 }] });
  await page.goto('/drawer/wanted');
  const buy = page.getByRole('region', { name: 'To buy' });
  await expect(buy.getByRole('listitem')).toHaveCount(1);
  await expect(buy.getByRole('listitem')).toContainText('1 packMarram grass14.90');
  await expect(page.getByText('1 paper is not enough; all of it is counted against what is there.')).toBeVisible();
  const first = page.getByRole('list', { name: 'Papers that pages want' }).getByRole('listitem').first();
  await expect(first).toContainText('Marram grass');
  await expect(first).toContainText(/\d sheets of 12 × 12 short/);
  await page.emulateMedia({ media: 'print' });
  await expect(buy).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'At the drawer' })).toBeHidden();
  await expect(page.getByRole('list', { name: 'Papers that pages want' })).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
  const [written] = await Promise.all([
    page.waitForEvent('download'),
    buy.getByRole('button', { name: 'As CSV' }).click(),
  ]);
  expect(readFileSync(await written.path(), 'utf8')).toMatch(/Packs.*\n.*,1,Marram grass,12,12,14\.90,/s);
});

test('an odd scrap is traced by its corners, with the mouse and with keys, and over a picture of it', async ({
  table: page,
}) => {
  await page.goto('/drawer/trace');
  const ground = page.getByRole('application');
  const box = (await ground.boundingBox())!;
  // 16 inches across, 11 up, in the middle of what there is
  const scale = Math.min(box.width / 16, box.height / 11);
  const [left, top] = [box.x + (box.width - 16 * scale) / 2, box.y + (box.height - 11 * scale) / 2];
  const press = (x: number, y: number) => page.mouse.click(left + x * scale, top + (11 - y) * scale);
  for (const [x, y] of [[2, 2], [9, 2], [9, 5], [5, 5], [5, 8]] as const) await press(x, y); // prettier-ignore
  // the last corner with the keys: the cross begins an inch from either edge
  await ground.focus();
  for (let i = 0; i < 2; i++) await page.keyboard.press('Shift+ArrowRight');
  for (let i = 0; i < 14; i++) await page.keyboard.press('Shift+ArrowUp');
  await page.keyboard.press('Enter');
  const slip = page.getByRole('complementary', { name: 'What is traced' });
  await expect(slip.getByRole('heading', { name: '7 × 6' })).toBeVisible();
  await slip.getByRole('textbox', { name: 'edge 1' }).fill('8 1/2');
  await slip.getByRole('textbox', { name: 'edge 1' }).press('Enter');
  await expect(slip.getByRole('heading', { name: /^8.1⁄2 × 6$/ })).toBeVisible();
  await slip.getByRole('combobox', { name: 'of which paper' }).selectOption({ label: 'Gust' });
  await slip.getByRole('button', { name: 'Put it in' }).click();
  await expect(page.getByText('In: a scrap of Gust with 6 corners.')).toBeVisible();
  await page.goto('/drawer?find=gust 7 x 1');
  await expect(page.getByRole('option', { name: /^8 1\/2 × 6 scrap with a corner gone of Gust/ })).toBeVisible();
  // a picture that is 100 pixels wide, of which 50 are known to be 5 inches
  await page.goto('/drawer/trace');
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="100" height="60"><rect width="100" height="60" fill="#a85"/></svg>';
  await page
    .locator('input[type=file]')
    .setInputFiles({ name: 'scrap.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
  await expect(ground.locator('image')).toHaveCount(1);
  await press(0, 2);
  await press(5, 2);
  await slip.getByRole('textbox', { name: 'it is this long' }).fill('4');
  await slip.getByRole('textbox', { name: 'it is this long' }).press('Enter');
  // it was 10 inches wide, and is 8
  await expect(ground.locator('image')).toHaveAttribute('width', '8');
  await slip.getByRole('button', { name: 'Take the picture away' }).click();
  await expect(ground.locator('image')).toHaveCount(0);
});

test('a paper is seen as it is: a picture of its face, how wide it shows, and drawn again', async ({ table: page }) => {
  await page.goto('/drawer');
  await page.getByRole('option', { name: /Teal swell/ }).first().click(); // prettier-ignore
  await page.getByText('Teal swell, the paper').click();
  const choose = page.getByRole('button', { name: /^A picture of side A of Teal swell/ });
  const put = async (file: { name: string; mimeType: string; buffer: Buffer }) => {
    const waiting = page.waitForEvent('filechooser');
    await choose.click();
    await (await waiting).setFiles(file);
  };
  await put({ name: 'swell.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText('This picture is broken, or is none: it cannot be opened.')).toBeVisible();
  // four pixels of rust over four of sand
  const png = 'iVBORw0KGgoAAAANSUhEUgAAAAIAAAACCAIAAAD91JpzAAAAE0lEQVR4nGM4GWAFRAwPjvYDEQAtCQcPQp2YFAAAAABJRU5ErkJggg=='; // prettier-ignore
  await put({ name: 'swell.png', mimeType: 'image/png', buffer: Buffer.from(png, 'base64') });
  const across = page.getByRole('textbox', { name: 'how wide the paper is that the picture of side A of Teal swell shows' }); // prettier-ignore
  await expect(across).toHaveValue('12');
  const item = page.getByRole('option', { name: /Teal swell/ }).first();
  await expect(item.locator('[style*="/api/pictures/"]').first()).toBeVisible();
  await across.fill('6');
  await page.keyboard.press('Enter');
  await page.reload();
  await expect(page.locator('[style*="/api/pictures/"]').first()).toBeVisible();
});
