import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { expect, saved, send, test } from './table.ts';

/** A picture of its own colour, so that no two are one. */
const picture = (n: number) =>
  sharp({ create: { width: 90 + (n % 3) * 30, height: 100, channels: 3, background: `hsl(${n * 11}, 45%, ${40 + (n % 5) * 8}%)` } }) // prettier-ignore
    .withMetadata({ exif: { IFD2: { DateTimeOriginal: `2026:07:${String((n % 6) + 1).padStart(2, '0')} 10:00:00` } } })
    .jpeg()
    .toBuffer();
/** What journeys leave behind is no other's: photos that were taken in, pages that were begun. */
test.afterEach(async ({ request }) => {
  const { photos: all } = (await (await request.get('/api/photos')).json()) as { photos: { id: string; demo: boolean }[] }; // prettier-ignore
  const own = all.filter((p) => !p.demo).map((p) => p.id);
  if (own.length) await send(request, '/api/photos/remove', { photos: own });
  const pages = (await (await request.get('/api/pages')).json()) as { id: string; demo: boolean }[];
  for (const { id, demo } of pages) if (!demo) await request.delete(`/api/pages/${id}`, { data: {} });
});
const photos = (page: Page) => page.getByRole('listbox', { name: 'Photos' }).getByRole('option');

test('thirty pictures go in at once, one of them broken: it is named, the others are found by day and are waiting', async ({
  table: page,
}) => {
  await page.goto('/photos');
  const files = await Promise.all(
    Array.from({ length: 30 }, async (_, n) => ({
      name: `wind-${n}.jpg`,
      mimeType: 'image/jpeg',
      buffer: n === 13 ? (await picture(n)).subarray(0, 300) : await picture(n),
    })),
  );
  await page.locator('input[type=file]').setInputFiles(files);
  await expect(page.getByText(/photos? taken in|were there already/)).toBeVisible();
  await expect(page.getByText(/^wind-13\.jpg: This picture is broken/)).toBeVisible();
  await page.getByRole('textbox', { name: 'Which photos?' }).fill('july 2026 not on a page');
  await expect(page.getByText(/^29 of 41 photos/)).toBeVisible();
  // said of several at once, and one taken out and brought back
  await photos(page).first().click();
  await page.keyboard.press('Control+a');
  await page.getByRole('combobox', { name: 'where' }).fill('Longstrand');
  await page.getByRole('combobox', { name: 'where' }).press('Enter');
  await page.getByRole('textbox', { name: 'Which photos?' }).fill('july longstrand');
  await expect(page.getByText(/^29 of 41 photos/)).toBeVisible();
  await photos(page).nth(2).click();
  await page.keyboard.press('Delete');
  await expect(page.getByText(/^28 of 40 photos/)).toBeVisible();
  await page.getByRole('button', { name: 'Bring it back', exact: true }).first().click();
  await expect(page.getByText(/^29 of 41 photos/)).toBeVisible();
});

test('a photo is cropped by keys with what must stay in it, ordered twice, put on a sheet with another, saved and cut apart', async ({
  table: page,
}) => {
  await page.goto('/photos');
  await page.getByRole('option', { name: /^the last evening/ }).dblclick();
  await page.getByRole('button', { name: /^4 × 4/ }).click();
  const frame = page.getByRole('group', { name: /^What is seen as 4 by 4/ });
  await expect(frame).toHaveAccessibleName(/loses 15 % on the left, 18 % on the right|loses \d+ % on the left/);
  await frame.focus();
  for (let i = 0; i < 40; i++) await page.keyboard.press('Shift+ArrowRight');
  // what must stay is not left behind
  await expect(frame).toHaveAccessibleName(/loses 26 % on the left, 7 % on the right/);
  const [shown, stay] = [await frame.boundingBox(), { x: 470, width: 720 }];
  const ground = (await frame.locator('..').boundingBox())!;
  const per = ground.width / 1800;
  expect(shown!.x - ground.x).toBeLessThanOrEqual(stay.x * per + 1);
  await page.getByRole('textbox', { name: 'another print, wide' }).fill('2');
  await page.getByRole('textbox', { name: 'another print, wide' }).press('Enter');
  await page.getByRole('textbox', { name: 'another print, high' }).fill('2');
  await page.getByRole('textbox', { name: 'another print, high' }).press('Enter');
  await page.getByRole('button', { name: 'Order this print' }).click();
  await page.getByRole('button', { name: 'One more of 2 × 2' }).click();
  await expect(page.getByText('2 × 2 × 2')).toBeVisible();

  await page.getByRole('link', { name: /Prints$/ }).click();
  await expect(page.getByRole('heading', { name: /prints to order$/ })).toBeVisible();
  await expect(page.getByText('for First wind at Saltmarsh Point').first()).toBeVisible();
  await page.getByRole('link', { name: 'Put them on photo sheets' }).click();
  await page.getByRole('checkbox', { name: /4 × 6 the first launch/ }).uncheck({ force: true });
  await expect(page.getByText(/^1 sheet of 4 × 6/)).toBeVisible();
  await expect(page.getByRole('list', { name: 'Cuts in order' })).toBeVisible();
  await page.getByRole('radio', { name: 'easiest cuts' }).click();
  await expect(page.getByRole('radio', { name: 'easiest cuts' })).toBeChecked();
  await expect(page.getByRole('list', { name: 'Cuts in order' })).toBeVisible();
  const downloaded = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the sheets' }).click();
  const file = await (await downloaded).path();
  expect(readFileSync(file).subarray(0, 4).toString()).toBe('%PDF');
});

/** Three prints of one size, two of them in a row. */
const three = (x: string, y: string) => ({
  format: 'temnex-page',
  version: 2,
  name: 'Three in a row',
  unit: 'in',
  mark: '1/16',
  ground: { width: '12', height: '12' },
  copies: 1,
  spares: [],
  first: [],
  items: (
    [
      ['a', 'first kite', '1', '4'],
      ['b', 'second kite', '4 1/2', '4'],
      ['c', 'third kite', x, y],
    ] as const
  ).map(([id, name, across, up]) => ({
    id,
    name,
    recipe: 'mat-stack',
    version: 1,
    on: 'page',
    wishes: {},
    names: {},
    fit: 'exact',
    at: { across: { from: 'left', by: across }, upDown: { from: 'bottom', by: up } },
    input: { print: { width: '2', height: '3', known: 'assumed' }, mats: [] },
  })),
});

test('three photos come to lie in an even row, by the mouse and by the keys, and stay so when one is another size', async ({
  table: page,
}) => {
  const make = async (x: string, y: string) =>
    ((await (await send(page.request, '/api/pages', { document: three(x, y) })).json()) as { id: string }).id;
  const onPage = (name: RegExp) => page.getByRole('group', { name: 'The page to scale' }).getByRole('button', { name });
  await page.goto(`/page/${await make('8 3/8', '7')}`);
  const third = onPage(/^third kite/);
  const box = (await third.boundingBox())!;
  const second = (await onPage(/^second kite/).boundingBox())!;
  const first = (await onPage(/^first kite/).boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  // level with the others first, then as far from the second as that is from the first
  await page.mouse.move(x, second.y + second.height / 2 + 2, { steps: 6 });
  await page.mouse.move(second.x + (second.x - first.x) + second.width / 2 + 3, second.y + second.height / 2 + 2, { steps: 6 }); // prettier-ignore
  await page.mouse.up();
  await expect(page.getByText(/^third kite lies .*1 1⁄?\/?2 from second kite|^third kite lies .* from second kite, as to first kite/)).toBeVisible(); // prettier-ignore
  const now = (await third.boundingBox())!;
  expect(Math.abs(now.y - second.y)).toBeLessThan(2);
  expect(Math.abs(now.x - second.x - (second.x - first.x))).toBeLessThan(2);
  await saved(page);
  // the second gets wider: the third keeps its distance
  await onPage(/^second kite/).click();
  await page.getByRole('textbox', { name: 'width of the print' }).first().fill('2 1/2');
  await page.getByRole('textbox', { name: 'width of the print' }).first().press('Enter');
  await expect.poll(async () => Math.round((await third.boundingBox())!.x - now.x)).toBeGreaterThan(10);

  // by the keys: a mark away, the arrow takes it there and it is said
  await page.goto(`/page/${await make('8 1/16', '4 1/16')}`);
  await onPage(/^third kite/).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText(/^third kite lies .* from second kite, as to first kite/)).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByText(/^third kite lies .*level with (first|second) kite/)).toBeVisible();
  // all three chosen, lined up and spread
  await onPage(/^first kite/).click();
  await onPage(/^second kite/).click({ modifiers: ['Shift'] });
  await onPage(/^third kite/).click({ modifiers: ['Shift'] });
  await expect(page.getByText('3 items chosen')).toBeVisible();
  await page.getByRole('button', { name: 'Line up upper edges' }).click();
  await page.getByRole('textbox', { name: 'the same gap across' }).fill('1/2');
  await page.getByRole('textbox', { name: 'the same gap across' }).press('Enter');
  const all = await Promise.all([/^first/, /^second/, /^third/].map(async (n) => (await onPage(n).boundingBox())!));
  expect(Math.abs(all[2]!.x - all[1]!.x - (all[1]!.x - all[0]!.x))).toBeLessThan(1.5);
});

test('a sketch is laid on four photos: what lies the other way is said, its place is turned, the page is begun and its marks are printed', async ({
  table: page,
}) => {
  await page.goto('/photos/sketches?photos=demo-photo-launch+demo-photo-three+demo-photo-delta+demo-photo-castle');
  await page.getByRole('textbox', { name: 'Which arrangement?' }).fill('three upright, one level');
  await expect(page.getByRole('list', { name: 'Sketches' }).getByRole('listitem')).toHaveCount(2);
  await page.getByRole('button', { name: /^Three up, one along/ }).click();
  const other = page.getByText(/lies the other way than photo \d: as it is cropped, \d+ % of it is lost/);
  await expect(other).toHaveCount(1);
  await page.getByRole('button', { name: 'Turn its place' }).click();
  await expect(other).toHaveCount(0);
  await page.getByRole('button', { name: 'Begin the page' }).click();
  await expect(page).toHaveURL(/\/page\/[\w-]+$/);
  await expect(page.getByRole('group', { name: 'The page to scale' }).locator('image')).toHaveCount(4);
  const { shown } = (await (await page.request.get('/api/photos')).json()) as { shown: { pageName: string }[] };
  expect(shown.filter((s) => s.pageName === 'New page')).toHaveLength(4);
  await page.getByText('Where everything lies').click();
  await page.getByRole('link', { name: /^Print the page with its marks/ }).click();
  await expect(page.getByRole('img', { name: 'New page, page 1 of 2' })).toBeVisible();
  await page.getByLabel('how large').selectOption('true');
  await expect(page.getByRole('img', { name: 'New page, page 5 of 5' })).toBeVisible();
  const pdf = await page.request.get((await page.getByRole('link', { name: 'The same as PDF' }).getAttribute('href'))!);
  expect((await pdf.body()).subarray(0, 4).toString()).toBe('%PDF');
});

test('from a waiting photo to a cutting order: cropped, on a page with a mat, a paper laid, planned', async ({
  table: page,
}) => {
  await page.goto('/photos/of/demo-photo-castle');
  await page.getByRole('button', { name: /^6 × 4/ }).click();
  await page.getByRole('button', { name: 'Put it there, with a mat' }).click();
  await expect(page).toHaveURL(/\/page\/[\w-]+$/);
  // a line of it is wanted at a height of the page: the crop follows
  await page.getByRole('button', { name: 'A line or spot of it is to lie somewhere' }).click();
  await page
    .getByRole('group', { name: /^What is seen of the fort at low water/ })
    .click({ position: { x: 120, y: 80 } });
  const line = page.getByRole('textbox', { name: 'the line lies so far from the lower edge' });
  await line.fill('5');
  await line.press('Enter');
  await expect(page.getByText(/^The photo does not reach/)).toHaveCount(0);
  await saved(page);
  await page.getByRole('link', { name: /Papers$/ }).click();
  for (const [layer, paper] of [
    ['the fort at low water, mat 1', 'Chalk'],
    ['base', 'Storm slate'],
  ] as const) {
    // prettier-ignore
    await page.getByRole('row', { name: new RegExp(`^${layer},`) }).click({ position: { x: 120, y: 8 } });
    await page.getByRole('button', { name: `Lay ${paper} on ${layer}` }).click();
  }
  await saved(page);
  await page.getByRole('link', { name: /Cutting order$/ }).click();
  await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  await expect(page.getByRole('list', { name: 'Cuts in order' })).toBeVisible();
});
