import type { Page } from '@playwright/test';
import { expect, give, test } from './table.ts';

const slip = (page: Page) => page.getByRole('list', { name: 'Sizes' }).getByRole('listitem');

test('the first view answers at once: type a print and reveals, read mats with their sums', async ({ table: page }) => {
  await page.goto('/');
  await expect(slip(page).first()).toContainText('5 1/8');
  await give(page, 'Print width', '3⅞');
  await give(page, 'Print height', '5 5/8');
  await give(page, 'Reveal of mat 1', '3/16');
  await expect(slip(page).nth(2)).toContainText('4 1/4');
  await expect(slip(page).nth(2)).toContainText('3\u20097⁄8 + 3⁄16 + 3⁄16 = 4\u20091⁄4');
  await page.getByRole('button', { name: 'Sum of width of mat 3' }).click();
  await expect(page.getByRole('dialog')).toContainText('= 5\u20091⁄8');
});

test('one line of shorthand shows what it understood before it is taken', async ({ table: page }) => {
  await page.goto('/');
  await expect(slip(page).first()).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('mats 1/8, 1/16, 3/8 around 3 1/2 x 5');
  await expect(page.getByText('A print of 3 1/2 × 5, mat 1 with 1/8, mat 2 with 1/16, mat 3 with 3/8')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(slip(page).nth(0)).toContainText('4 5/8');
  await expect(slip(page).nth(1)).toContainText('3 7/8');
  await expect(slip(page).nth(2)).toContainText('3 3/4');
});

test('backwards: sizes give reveals, and uneven ones are pointed out with what even would be', async ({
  table: page,
}) => {
  await page.goto('/');
  await page.getByLabel('Say it in one line').fill('mat 1/4 around 5 x 3 1/2');
  await page.keyboard.press('Enter');
  await page.getByLabel('Work out').selectOption('reveals');
  await give(page, 'width', '5 1/2');
  await give(page, 'height', '3 3/4');
  await expect(page.getByText(/is uneven: 1⁄4 left and right, 1⁄8 top and bottom/)).toBeVisible();
  await expect(
    page.getByText(/5\u20091⁄2 × 4 \(1⁄4 all round\) or 5\u20091⁄4 × 3\u20093⁄4 \(1⁄8 all round\)/),
  ).toBeVisible();
});

test('a footer mat, and the largest print for a paper', async ({ table: page }) => {
  await page.goto('/');
  await page.getByLabel('Say it in one line').fill('mat 3/16 footer 11/16 around 2 1/4 x 2 1/4');
  await page.keyboard.press('Enter');
  await expect(slip(page).first()).toContainText('2 5/8');
  await expect(slip(page).first()).toContainText('3 1/8');

  await page.getByLabel('Say it in one line').fill('mat 1/4 around 4 x 6');
  await page.keyboard.press('Enter');
  await page.getByLabel('Work out').selectOption('print');
  await give(page, 'width', '4 1/2');
  await give(page, 'height', '5 7/8');
  await expect(slip(page).last()).toContainText('5 3/8');
});

test('does it come from this paper: how much too long, and the trim that makes it fit', async ({ table: page }) => {
  await page.goto('/');
  await page.getByLabel('Say it in one line').fill('mat 3/16 around 4 x 6');
  await page.keyboard.press('Enter');
  await page.getByLabel('Does it come from a paper of').fill('6 x 6');
  await expect(page.getByText('The mat is too long by 3⁄8.')).toBeVisible();
  await page.getByRole('button', { name: /Trim the print to 4 × 5\s5⁄8/ }).click();
  await expect(page.getByText('Yes.')).toBeVisible();
});

test('a mat smaller than its print is refused with the reason; nothing typed is lost', async ({ table: page }) => {
  await page.goto('/');
  await page.getByLabel('Say it in one line').fill('mat 1/8 around 4 1/4 x 6');
  await page.keyboard.press('Enter');
  await give(page, 'width of mat 1', '4');
  await expect(page.getByRole('alert').first()).toContainText('the reveal would be −1⁄8 left and right');
  await page.getByRole('button', { name: /width of mat 1 at least 4\s1⁄4/ }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a length that is none is named where it stands, and Escape puts the old one back', async ({ table: page }) => {
  await page.goto('/');
  const field = page.getByRole('textbox', { name: 'Print width' });
  await field.fill('4 1/0');
  await expect(page.getByText('"4 1/0" is not a length; try 4 3/8, 4.375 or 111 mm')).toBeVisible();
  await field.press('Escape');
  await expect(field).toHaveValue('4');
  for (const text of ['3⅜', '3-3/8', '3.375', '85.725 mm']) {
    await give(page, 'Print width', text);
    await expect(slip(page).last()).toContainText('3 3/8');
  }
});

test('the print itself: a printed border, and what becomes of it as another size', async ({ table: page }) => {
  await page.goto('/');
  await page.getByLabel('As a print of').fill('8 x 10');
  await expect(page.getByText(/To fill it: 8 × 12, losing 1 at the top and 1 at the bottom/)).toBeVisible();
  await expect(page.getByText(/With nothing lost: 6\u200911⁄16 × 10, short by 1\u20095⁄16/)).toBeVisible();
  await give(page, 'White border printed round it', '1/8');
  await expect(page.getByText(/The picture in it is 3\u20093⁄4 × 5\u20093⁄4/)).toBeVisible();
  await page.getByRole('button', { name: 'Trim it off' }).click();
  await expect(slip(page).last()).toContainText('3 3/4');
});

test('put on a page, it is kept', async ({ table: page }) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Put it on a page' }).click();
  await expect(page).toHaveURL(/\/page\//);
  await expect(page.getByRole('button', { name: /^photo 1 mat 3, 5 1\/8 × 7 1\/8/ }).first()).toBeVisible();
  await page.goto('/');
  await expect(page.getByRole('link', { name: 'New page' })).toBeVisible();
  await page.getByRole('listitem').filter({ hasText: 'New page' }).getByRole('button', { name: 'Remove' }).click();
  await expect(page.getByRole('link', { name: 'New page' })).toHaveCount(0);
});

test('with no page at all, the first view still works, and the example is one click away', async ({
  table: page,
  request,
}) => {
  await request.delete('/api/demo');
  await page.goto('/');
  await expect(page.getByText('None yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Put the example in' }).click();
  await expect(page.getByRole('link', { name: 'First wind at Saltmarsh Point' })).toBeVisible();
});
