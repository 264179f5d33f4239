import { DEMO, expect, give, pick, saved, test } from './table.ts';

test('a print measured anew: its mats follow, what moved is listed, undo brings it back', async ({ table: page }) => {
  await page.goto(DEMO);
  await give(page, 'print width', '3 7/8');
  await expect(page.getByText(/launch mat 3: 5\u20091⁄8 › 5 wide/)).toBeVisible();
  await give(page, 'print height', '5⅝');
  await expect(page.getByText(/launch mat 3: 7\u20091⁄8 › 6\u20093⁄4 high/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^launch mat 1, 4 1\/8 × 5 7\/8/ })).toBeVisible();

  await give(page, 'print width', '4 1/2');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('textbox', { name: 'print width' })).toHaveValue('3 7/8');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByRole('textbox', { name: 'print width' })).toHaveValue('4 1/2');
});

test('a layer by reveal, by size, on four edges; added and removed', async ({ table: page }) => {
  await page.goto(DEMO);
  await pick(page, 'outer panel');
  await give(page, 'reveal all round', '1/2');
  await expect(page.getByText(/outer panel: 11\u20091⁄4 › 11 wide/)).toBeVisible();
  await give(page, 'width', '10 1/2');
  await expect(page.getByRole('textbox', { name: 'left', exact: true })).toHaveValue('3/4');
  await pick(page, 'Runa at the launch4');
  await page.getByRole('button', { name: 'Add a mat' }).click();
  await expect(page.getByRole('button', { name: /^Runa at the launch mat 4, 5 3\/8 × 7 3\/8/ })).toBeVisible();
  await pick(page, 'Runa at the launch mat 4');
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByText('Runa at the launch mat 4: removed')).toBeVisible();
});

test('an impossible size says why and leaves the rest standing', async ({ table: page }) => {
  await page.goto(DEMO);
  await pick(page, 'launch mat 1');
  await give(page, 'width', '3');
  await expect(page.getByRole('alert').first()).toContainText('smaller than what lies on it');
  await expect(page.getByRole('button', { name: /^the box kite, / }).first()).toBeVisible();
  await saved(page);
  await page.reload();
  await page
    .getByRole('button', { name: /^Make launch mat 1 4 × / })
    .first()
    .click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await pick(page, 'launch mat 1');
  await give(page, 'width', '3');
  await page.getByRole('alert').first().getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('inches become millimetres without moving anything', async ({ table: page }) => {
  await page.goto(DEMO);
  await pick(page, 'base');
  await page.getByLabel('unit').selectOption('mm');
  await expect(page.getByRole('button', { name: /^base, 305 mm × 305 mm/ })).toBeVisible();
  await expect(page.getByText('Change a number, and what it moves is listed here.')).toBeVisible();
});

test('two windows: a stale save keeps both versions until one is chosen', async ({ table: page, context }) => {
  const other = await context.newPage();
  await page.goto(DEMO);
  await other.goto(DEMO);
  await expect(other.getByRole('textbox', { name: 'print width' })).toHaveValue('4');
  await give(page, 'print width', '3');
  await saved(page);
  await give(other, 'print width', '5');
  await expect(other.getByText('This page was also changed elsewhere.')).toBeVisible();
  await expect(other.getByRole('textbox', { name: 'print width' })).toHaveValue('5');
  await other.getByRole('button', { name: 'Keep mine' }).click();
  await saved(other);
  await other.getByRole('button', { name: 'Undo' }).click();
  await expect(other.getByRole('textbox', { name: 'print width' })).toHaveValue('3');
  await saved(other);
});

test('when the server does not answer, nothing typed is lost', async ({ table: page }) => {
  await page.goto(DEMO);
  await page.route('**/api/pages/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await give(page, 'print width', '3 1/2');
  await expect(page.getByText('Not saved')).toBeVisible();
  await page.unroute('**/api/pages/*');
  await page.getByRole('button', { name: 'Try again' }).click();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'print width' })).toHaveValue('3 1/2');
});
