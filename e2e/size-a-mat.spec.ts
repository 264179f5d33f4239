import type { Page } from '@playwright/test';
import { expect, give, test } from './table.ts';

const slip = (page: Page) => page.getByRole('list', { name: 'Sizes' }).getByRole('listitem');
const field = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true });
const say = async (page: Page, line: string) => {
  await page.getByLabel('Say it in one line').fill(line);
  await page.keyboard.press('Enter');
};

const onTable = (page: Page) => page.getByRole('region', { name: 'Pages on the table' });

test('the first view answers at once: type a print and a reveal, read the mat with its sum', async ({
  table: page,
}) => {
  await page.goto('/');
  await expect(slip(page).first()).toContainText('4 1/4');
  await give(page, 'width of the print', '3⅞');
  await give(page, 'height of the print', '5 5/8');
  await give(page, 'reveal of mat 1', '3/16');
  await expect(slip(page).first()).toContainText('4 1/4');
  await expect(slip(page).first()).toContainText('3\u202f7⁄8 + 3⁄16 + 3⁄16 = 4\u202f1⁄4');
  await page.getByRole('button', { name: 'Sum of width of mat 1' }).click();
  await expect(page.getByRole('dialog')).toContainText('= 4\u202f1⁄4');
});

test('one line of shorthand shows what it understood before it is taken', async ({ table: page }) => {
  await page.goto('/');
  await expect(slip(page).first()).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('mats 1/8, 1/16, 3/8 around 3 1/2 x 5');
  await expect(
    page.getByText('Mats: width of the print 3 1/2, height of the print 5, reveal of mat 1 1/8'),
  ).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(slip(page).nth(0)).toContainText('4 5/8');
  await expect(slip(page).nth(1)).toContainText('3 7/8');
  await expect(slip(page).nth(2)).toContainText('3 3/4');
});

test('backwards: sizes give reveals, and uneven ones are pointed out with what even would be', async ({
  table: page,
}) => {
  await page.goto('/');
  await say(page, 'mat 1/4 around 5 x 3 1/2');
  await give(page, 'width of mat 1', '5 1/2');
  await give(page, 'height of mat 1', '3 3/4');
  await expect(page.getByText(/is uneven: 1⁄4 left and right, 1⁄8 top and bottom/)).toBeVisible();
  await expect(
    page.getByText(/5\u202f1⁄2 × 4 \(1⁄4 all round\) or 5\u202f1⁄4 × 3\u202f3⁄4 \(1⁄8 all round\)/),
  ).toBeVisible();
});

test('a footer mat forwards and backwards, and the largest print for a paper', async ({ table: page }) => {
  await page.goto('/');
  await say(page, 'mat 3/16 footer 11/16 around 2 1/4 x 2 1/4');
  await expect(slip(page).first()).toContainText('2 5/8');
  await expect(slip(page).first()).toContainText('3 1/8');
  // top like the sides, the bottom takes the rest
  await give(page, 'width of the print', '4 1/4');
  await give(page, 'height of the print', '4 3/4');
  await give(page, 'width of mat 1', '4 3/4');
  await give(page, 'height of mat 1', '6');
  await expect(field(page, 'top and sides of mat 1')).toHaveValue('1/4');
  await expect(field(page, 'bottom of mat 1')).toHaveValue('1');

  await say(page, 'mat 1/4 around 4 x 6');
  // emptied, the print is the unknown
  await give(page, 'width of the print', '');
  await give(page, 'height of the print', '');
  await give(page, 'width of mat 1', '4 1/2');
  await give(page, 'height of mat 1', '5 7/8');
  await expect(slip(page).last()).toContainText('5 3/8');
  await expect(field(page, 'width of the print')).toHaveValue('4');
});

test('does it come from this paper: how much too long, and the trim that makes it fit', async ({ table: page }) => {
  await page.goto('/');
  await say(page, 'mat 3/16 around 4 x 6');
  await page.getByLabel('Does it come from a paper of').fill('6 x 6');
  await expect(page.getByText(/is too long by 3⁄8\./)).toBeVisible();
  await page.getByRole('button', { name: /Trim: make the height of the print 5\s5⁄8/ }).click();
  await expect(page.getByText(/^Yes: the largest piece is 4\s3⁄8 × 6\./)).toBeVisible();
});

test('a mat smaller than its print is refused with the reason; nothing typed is lost', async ({ table: page }) => {
  await page.goto('/');
  await say(page, 'mat 1/8 around 4 1/4 x 6');
  await page.getByLabel('edges of mat 1').selectOption('two');
  await give(page, 'width of mat 1', '4');
  await expect(page.getByRole('alert').first()).toContainText('the reveal would be −1⁄8 left and right');
  await expect(field(page, 'width of mat 1')).toHaveValue('4');
  await page.getByRole('button', { name: /^Make the width of mat 1 4\s1⁄4/ }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('alert').first()).toBeVisible();
});

test('a length that is none is named where it stands, and Escape puts the old one back', async ({ table: page }) => {
  await page.goto('/');
  const width = field(page, 'width of the print');
  await width.fill('4 1/0');
  await expect(page.getByText('"4 1/0" is not a length; try 4 3/8, 4.375 or 111 mm')).toBeVisible();
  await width.press('Escape');
  await expect(width).toHaveValue('4');
  for (const text of ['3⅜', '3-3/8', '3.375', '85.725 mm']) {
    await give(page, 'width of the print', text);
    await expect(slip(page).last()).toContainText('3 3/8');
  }
});

test('the print itself: a printed border, what becomes of it as another size, and mats round what is left', async ({
  table: page,
}) => {
  await page.goto('/');
  await say(page, 'print 4 x 6 as 8 x 10');
  const follows = page.getByRole('list', { name: 'What follows' });
  await expect(follows).toContainText('The whole picture: 8 × 12.');
  await expect(follows).toContainText('Lost: 1 at the top and 1 at the bottom.');
  await page.getByLabel('so that of as another size').selectOption('whole');
  await expect(follows).toContainText('The whole picture: 6\u202f11⁄16 (1⁄64 under) × 10.');
  await expect(follows).toContainText('Short by 1\u202f5⁄16 (1⁄64 over).');
  await say(page, 'print 4 x 6 border 1/8');
  await expect(field(page, 'width of the picture in it')).toHaveValue('3 3/4');
  await page.getByRole('button', { name: 'Mats round it' }).click();
  await expect(field(page, 'width of the print')).toHaveValue('3 3/4');
});

test('banners: spread over a page, how many fit, the notch and where to pencil', async ({ table: page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Banners' }).click();
  await expect(page.getByText(/Pencil a line along its middle/)).toBeVisible();
  await say(page, 'banners 2 1/2 x 6 gap 1/4 margin 1/2');
  await expect(field(page, 'how many')).toHaveValue('4');
  await expect(page.getByText('Pencil a line along its middle, 1\u202f1⁄4 from the side.')).toBeVisible();
  await expect(page.getByText('On that line it is 4\u202f3⁄4 long.')).toBeVisible();
  await give(page, 'depth of the end', '7/8');
  await expect(page.getByText('On that line it is 5\u202f1⁄8 long.')).toBeVisible();
  await give(page, 'how many', '9');
  await expect(page.getByRole('alert')).toContainText('too wide');
  await page.getByRole('button', { name: 'Make it 4' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('what was typed is there when one comes back', async ({ table: page }) => {
  await page.goto('/');
  await say(page, '3 banners 1 x 4');
  await page.getByRole('link', { name: 'Page and parts' }).click();
  await page.getByRole('link', { name: 'Work out sizes' }).click();
  await expect(field(page, 'how many')).toHaveValue('3');
  await page.reload();
  await expect(field(page, 'how many')).toHaveValue('3');
});

test('kept by the browser, the application comes no sooner than the page that it takes over', async ({
  table: page,
}) => {
  await page.goto('/');
  await say(page, 'mat 1/8 around 3 x 5');
  await expect(field(page, 'width of the print')).toHaveValue('3');
  for (let i = 0; i < 8; i++) {
    await page.reload();
    await expect(field(page, 'width of the print')).toHaveValue('3');
  }
});

test('put on a page, it is kept, on a base', async ({ table: page }) => {
  await page.goto('/');
  await say(page, 'mat 1/8 1/16 3/8 around 4 x 6');
  await page.getByRole('button', { name: 'Put it on a page' }).click();
  await expect(page).toHaveURL(/\/page\//);
  await expect(page.getByRole('button', { name: /^photo 1, mat 3, 5 1\/8 × 7 1\/8/ }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^base, 12 × 12/ }).first()).toBeVisible();
  await page.goto('/');
  await expect(onTable(page).getByRole('link', { name: 'New page' })).toBeVisible();
  const remove = page.getByRole('button', { name: 'Remove New page' });
  await remove.click();
  await expect(onTable(page).getByRole('link', { name: 'New page' })).toHaveCount(0);
  // it can be put back at once, and later from the list of what was taken out
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(onTable(page).getByRole('link', { name: 'New page' })).toBeVisible();
  await remove.click();
  await page.reload();
  await page.getByText(/^Taken out/).click();
  await page.getByRole('button', { name: 'Bring back New page' }).first().click();
  await expect(onTable(page).getByRole('link', { name: 'New page' })).toBeVisible();
  await remove.click();
  await expect(onTable(page).getByRole('link', { name: 'New page' })).toHaveCount(0);
});

test('somebody who comes back sees their pages at once, and goes on where they have come to', async ({
  table: page,
}) => {
  for (const size of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(size);
    await page.goto('/');
    const back = page.getByRole('navigation', { name: 'Go on with a page' }).getByRole('link');
    await expect(back.first()).toBeInViewport({ ratio: 1 });
    await expect(back.first()).toHaveText('First wind at Saltmarsh Point');
  }
  await page.getByRole('navigation', { name: 'Go on with a page' }).getByRole('link').first().click();
  await expect(page).toHaveURL(/demo-first-wind\/order$/);
});

test('with no page at all, the first view still works, and the example is one click away', async ({
  table: page,
  request,
}) => {
  await request.delete('/api/demo');
  await page.goto('/');
  await expect(page.getByText('None yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Put the example in' }).click();
  await expect(onTable(page).getByRole('link', { name: 'First wind at Saltmarsh Point' })).toBeVisible();
});
