import { DEMO, expect, give, openPlace, pick, saved, test } from './table.ts';

test('a print measured anew: its mats follow, what moved is listed, undo brings it back', async ({ table: page }) => {
  await page.goto(DEMO);
  await give(page, 'width of the print', '3 7/8');
  await expect(page.getByText(/Runa at the launch, mat 3: 5\u202f1⁄8 › 5 wide/)).toBeVisible();
  await give(page, 'height of the print', '5⅝');
  await expect(page.getByText(/Runa at the launch, mat 3: 7\u202f1⁄8 › 6\u202f3⁄4 high/)).toBeVisible();
  await saved(page);
  await page.reload();
  await expect(page.getByRole('button', { name: /^Runa at the launch, mat 1, 4 1\/8 × 5 7\/8/ })).toBeVisible();

  await give(page, 'width of the print', '4 1/2');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('textbox', { name: 'width of the print' })).toHaveValue('3 7/8');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(page.getByRole('textbox', { name: 'width of the print' })).toHaveValue('4 1/2');
});

test('a layer by reveal, by size, on four edges; added and removed; a photo renamed renames its mats', async ({
  table: page,
}) => {
  await page.goto(DEMO);
  await pick(page, 'outer panel');
  await give(page, 'reveal of panel 1', '1/2');
  await expect(page.getByText(/outer panel: 11\u202f1⁄4 › 11 wide/)).toBeVisible();
  await give(page, 'width of panel 1', '10 1/2');
  await page.getByLabel('edges of panel 1').selectOption('four');
  await expect(page.getByRole('textbox', { name: 'left of panel 1', exact: true })).toHaveValue('3/4');
  await pick(page, 'Runa at the launch ?4');
  await page.getByRole('button', { name: 'Add a mat', exact: true }).click();
  await expect(page.getByRole('button', { name: /^Runa at the launch, mat 4, 5 3\/8 × 7 3\/8/ })).toBeVisible();
  await page.getByRole('textbox', { name: 'Name', exact: true }).fill('Runa runs');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Runa runs, mat 4, 5/ })).toBeVisible();
  await pick(page, 'Runa runs, mat 4');
  await page.getByRole('button', { name: 'Remove mat 4' }).click();
  // what came and went again has not moved
  await expect(page.getByRole('button', { name: /^Runa runs, mat 4/ })).toHaveCount(0);
  await expect(page.getByText(/mat 4: removed/)).toHaveCount(0);
});

test('a row of banners on a panel: put there, spread, moved by the mark', async ({ table: page }) => {
  await page.goto(DEMO);
  await page.getByRole('button', { name: 'Put something on the page' }).click();
  await page.getByRole('button', { name: 'Add banners' }).click();
  await openPlace(page);
  await page.getByLabel('lies on').selectOption({ label: 'sky panel' });
  await page.getByLabel('up or down, from').selectOption('bottom');
  await give(page, 'distance up or down', '0');
  await give(page, 'how many', '6');
  const last = page
    .getByRole('group', { name: 'The page to scale' })
    .getByRole('button', { name: /^banners 2, no\. 6, / });
  await expect(last).toBeVisible();
  await last.focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('textbox', { name: 'distance up or down' })).toHaveValue('1/16');
  await saved(page);
  await page.reload();
  await expect(last).toBeVisible();
});

test('an impossible size says why and leaves the rest standing', async ({ table: page }) => {
  await page.goto(DEMO);
  await pick(page, 'Runa at the launch, mat 1');
  await page.getByLabel('edges of mat 1').selectOption('two');
  await give(page, 'width of mat 1', '3');
  await expect(page.getByRole('alert').first()).toContainText('smaller than what lies on it');
  await expect(page.getByRole('button', { name: /^the box kite, / }).first()).toBeVisible();
  await saved(page);
  await page.goto(`${DEMO}/papers`);
  await expect(page.getByText(/^not all is here: .* cannot be made yet$/)).toBeVisible();
  await page.goto(`${DEMO}/order`);
  await expect(page.getByRole('heading', { name: 'The page cannot be yet' })).toBeVisible();
  await page.getByRole('link', { name: 'To the page' }).click();
  await page.getByRole('button', { name: /^Make the width of mat 1 4$/ }).click();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await pick(page, 'Runa at the launch, mat 1');
  await give(page, 'width of mat 1', '3');
  await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('inches become millimetres without moving anything', async ({ table: page }) => {
  await page.goto(DEMO);
  await page.getByLabel('unit').selectOption('mm');
  await expect(page.getByRole('button', { name: /^base, 305 mm × 305 mm/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What moved' })).toBeHidden();
});

test('two windows: a stale save keeps both versions until one is chosen', async ({ table: page, context }) => {
  const other = await context.newPage();
  await page.goto(DEMO);
  await other.goto(DEMO);
  const width = other.getByRole('textbox', { name: 'width of the print' });
  await expect(width).toHaveValue('4');
  await give(page, 'width of the print', '3');
  await saved(page);
  await give(other, 'width of the print', '5');
  await expect(other.getByText('This page was also changed elsewhere.')).toBeVisible();
  await expect(width).toHaveValue('5');
  await other.getByRole('button', { name: 'Keep mine' }).click();
  await saved(other);
  await other.getByRole('button', { name: 'Undo' }).click();
  await expect(width).toHaveValue('3');
  await saved(other);
});

test('when the server does not answer, nothing typed is lost', async ({ table: page }) => {
  await page.goto(DEMO);
  await page.route('**/api/pages/*', (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.continue(),
  );
  await give(page, 'width of the print', '3 1/2');
  await expect(page.getByText('Not saved')).toBeVisible();
  await page.unroute('**/api/pages/*');
  // it is tried again by itself
  await saved(page);
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'width of the print' })).toHaveValue('3 1/2');
});

test('pulled across the page an item moves by the mark, in one step of undo; a new photo finds room; a row is spaced', async ({
  table: page,
}) => {
  await page.goto(DEMO);
  const kite = page.getByRole('group', { name: 'The page to scale' }).getByRole('button', { name: /^the box kite, 2/ });
  const before = (await kite.boundingBox())!;
  const [x, y] = [before.x + before.width / 2, before.y + before.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  // with Alt it catches nothing on its way
  await page.keyboard.down('Alt');
  await page.mouse.move(x - 30, y - 40, { steps: 5 });
  await page.mouse.up();
  await page.keyboard.up('Alt');
  await expect(page.getByText(/^the box kite: .* from the left$/)).toBeVisible();
  const after = (await kite.boundingBox())!;
  expect(Math.abs(before.x - after.x - 30)).toBeLessThan(6);
  expect(Math.abs(before.y - after.y - 40)).toBeLessThan(6);
  await expect(page.getByText(/^Lies .*\d from the .*, .*\d from the /)).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(async () => Math.abs((await kite.boundingBox())!.x - before.x)).toBeLessThan(2);

  await page.getByRole('button', { name: 'Put something on the page' }).click();
  await page.getByRole('button', { name: 'Add a print' }).click();
  await expect(page.getByText(/ 1: added$/)).toBeVisible();
  await page.getByRole('button', { name: 'I have seen it' }).click();
  await expect(page.getByRole('heading', { name: 'What moved' })).toBeHidden();
  await pick(page, 'the box kite ?2');
  await page.getByRole('button', { name: 'Space evenly across' }).click();
  await expect(page.getByRole('heading', { name: 'What moved' })).toBeVisible();
  await saved(page);
});
