import { DEMO, expect, give, layOn, pick, saved, send, test } from './table.ts';

/** What lies in the drawer, whatever state its papers are in. */
const stockOf = (drawer: unknown) => (drawer as { stock: unknown }).stock;

test('choose a paper, add a scrap in one line, and see whether it reaches', async ({ table: page }) => {
  await page.goto(`${DEMO}/papers`);
  await layOn(page, 'sky panel', 'Chalk');
  await saved(page);
  await page.getByLabel('Add a sheet or a scrap in one line').fill('scrap 9 1/2 x 10 chalk x2');
  await expect(page.getByText('2 × scrap, 9 1/2 × 10, Chalk')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('Reaches: a scrap of 9\u202f1⁄2 × 10.')).toBeVisible();
  await page.getByLabel('Add a sheet or a scrap in one line').fill('scrap five');
  await expect(page.getByText('Needs a size, such as 5 1/2 x 3.')).toBeVisible();
});

test('papers are laid as at the table: on several, by name, by drag, beneath, turned over, taken off', async ({
  table: page,
}) => {
  await page.goto(`${DEMO}/papers`);
  const row = (name: string) => page.getByRole('row', { name: new RegExp(`^${name},`) });
  const on = { position: { x: 120, y: 8 } };
  // several, with the keys alone
  await row('sky panel').click(on);
  await row('outer panel').click({ ...on, modifiers: ['ControlOrMeta'] });
  await expect(page.getByRole('status').filter({ hasText: 'For 2 layers' })).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByText('2 still without a paper')).toBeVisible();
  const find = page.getByLabel('find a paper by its name; Enter lays it');
  await find.fill('slate');
  await expect(page.getByRole('heading', { name: 'Gust' })).toBeHidden();
  await find.press('Enter');
  await expect(page.getByText('every layer has a paper')).toBeVisible();
  await expect(row('sky panel')).toContainText('Storm slate');
  await expect(row('outer panel')).toContainText('Storm slate');
  // one undo takes both off again
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText('2 still without a paper')).toBeVisible();
  await page.getByRole('button', { name: 'Redo' }).click();
  // touched, it is turned over
  await page.getByRole('button', { name: 'Turn over Storm slate on sky panel' }).click();
  await expect(row('sky panel')).toContainText(/side B/);
  // beneath it lies what would also do
  await row('sky panel').click(on);
  await page.getByRole('button', { name: 'Second choice for sky panel: none' }).click();
  await page.getByRole('button', { name: 'Lay Gust beneath, as second choice for sky panel' }).click();
  await expect(row('sky panel')).toContainText('or Gust');
  // in a field, Delete is the field's
  await page.getByRole('button', { name: 'Choose where sky panel is cut from' }).click();
  const place = page.getByRole('group', { name: 'Where sky panel is cut from' });
  await place.getByLabel('from which').press('Delete');
  await expect(row('sky panel')).toContainText('or Gust');
  await place.getByRole('button', { name: 'Cut it from anywhere' }).click();
  // dragged from the drawer
  await row('pennants').scrollIntoViewIfNeeded();
  await page
    .getByRole('listitem')
    .filter({ has: page.getByRole('heading', { name: 'Chalk' }) })
    .locator('[data-movable]')
    .dragTo(row('pennants'), { targetPosition: { x: 150, y: 20 } });
  await expect(row('pennants')).toContainText('Chalk');
  await saved(page);
  await page.reload();
  await expect(row('sky panel')).toContainText('or Gust');
  await expect(row('pennants')).toContainText('Chalk');
});

test('a paper is recoloured and gets a second side; the size of a scrap is corrected', async ({ table: page }) => {
  await page.goto(`${DEMO}/papers`);
  await page.getByRole('button', { name: /^Fan out Chalk/ }).click();
  await page.getByRole('button', { name: 'Its other side can be used too' }).click();
  await page.getByLabel('print on side B of Chalk').selectOption('stripes');
  await page.getByLabel('direction of side B of Chalk').selectOption('two-way');
  await expect(page.getByLabel('edge along which side B of Chalk runs')).toBeVisible();
  await page.getByLabel('ground of side B of Chalk').fill('#336699');
  await page.getByRole('button', { name: 'Correct the size of 8 1/2 by 7 Chalk' }).click();
  const line = page.getByLabel(/^its size, or/);
  await line.fill('8 x');
  await expect(page.getByText('Needs a size, such as 5 1/2 x 3.')).toBeVisible();
  await line.fill('8 1/4 x 7 less 2 x 2');
  await line.press('Enter');
  await expect(page.getByText(/^8\s1⁄4 × 7$/)).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /^Fan out Chalk/ }).click();
  await expect(page.getByText(/^8\s1⁄4 × 7$/)).toBeVisible();
  await expect(page.getByLabel('ground of side B of Chalk')).toHaveValue('#336699');
  // and it is a rectangle after all
  await page.getByRole('button', { name: 'Correct the size of 8 1/4 by 7 Chalk' }).click();
  await page.getByLabel(/^its size, or/).fill('8 x 7');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^8 × 7$/)).toBeVisible();
});

test('a paper nobody knows yet is described where it stands', async ({ table: page }) => {
  await page.goto(`${DEMO}/papers`);
  await page.getByLabel('Add a sheet or a scrap in one line').fill('sheet 12 x 12 gull grey');
  await expect(page.getByText('a new paper called gull grey')).toBeVisible();
  // It looks as its name says, until somebody says otherwise; Enter puts it in.
  await expect(page.getByLabel('ground', { exact: true }).first()).toHaveValue('#8a8a8a');
  await page.getByLabel('side A', { exact: true }).selectOption('dots');
  await page.getByLabel('Add a sheet or a scrap in one line').press('Enter');
  await expect(page.getByRole('button', { name: /^Fan out gull grey, 1 sheet/ })).toBeVisible();
});

test('a paper is renamed, taken out with all there is of it, and brought back', async ({ table: page }) => {
  await page.goto(`${DEMO}/papers`);
  await page.getByRole('button', { name: /^(Fan out|Close) Storm slate/ }).click();
  const name = page.getByRole('textbox', { name: 'call it otherwise' });
  await name.fill('Thunder slate');
  await name.press('Enter');
  await expect(page.getByRole('button', { name: /^(Fan out|Close) Thunder slate/ })).toBeVisible();
  await page.getByRole('button', { name: /^Take Thunder slate out/ }).click();
  await expect(page.getByRole('button', { name: /^(Fan out|Close) Thunder slate/ })).toHaveCount(0);
  await page.getByText(/^Taken out/).click();
  await page.getByRole('button', { name: 'Bring back Thunder slate' }).click();
  await expect(page.getByRole('button', { name: /^(Fan out|Close) Thunder slate.*4 sheets/ })).toBeVisible();
});

test('what changed since it was cut: trimmed to it, cut again, or a scrap now', async ({ table: page }) => {
  await page.goto(`${DEMO}/order`);
  await page.getByRole('button', { name: 'It is cut' }).click();
  await expect(page.getByRole('heading', { name: 'Everything is cut' })).toBeVisible();
  // what there is to put together, the base first
  await expect(page.getByRole('list', { name: 'Pieces that are cut' }).getByRole('listitem').first()).toContainText(
    'base',
  );
  await page.goto(DEMO);
  // the print turns out smaller: its mats can be trimmed; the box kite loses its mat, and the pennants grow
  await give(page, 'width of the print', '3 3/4');
  await pick(page, 'the box kite, mat 1');
  await page.getByRole('button', { name: 'Remove mat 1' }).click();
  await page
    .getByRole('button', { name: /^pennants, no\. 1/ })
    .first()
    .click();
  await give(page, 'length of one banner', '2');
  await saved(page);
  await page.goto(`${DEMO}/order`);
  const cut = page.getByRole('region', { name: 'Pieces cut before the page changed' });
  await expect(cut).toContainText(
    'Runa at the launch, mat 1: trim the 4\u202f1⁄4 × 6\u202f1⁄4 down to 4 × 6\u202f1⁄4.',
  );
  await expect(cut).toContainText('pennants: 4 are too small or of another paper now, and must be cut again.');
  await expect(cut).toContainText(
    '2\u202f5⁄8 × 3\u202f1⁄8 Sailcloth stripe, cut for a part that is gone: no longer wanted.',
  );
  await cut.getByRole('button', { name: 'Into the drawer as a scrap' }).first().click();
  await expect(cut.getByRole('button', { name: 'Into the drawer as a scrap' })).toHaveCount(4);
});

test('how many there are is a history that adds up, whatever two windows do', async ({ table: page, context }) => {
  const other = await context.newPage();
  for (const window of [page, other]) {
    await window.goto(`${DEMO}/papers`);
    await window.getByRole('button', { name: /^(Fan out|Close) Chalk/ }).click();
  }
  // both show six, and each puts one in
  await page.getByRole('button', { name: 'One more of 12 by 12 Chalk' }).click();
  await other.getByRole('button', { name: 'One more of 12 by 12 Chalk' }).click();
  await expect(other.getByRole('button', { name: /^(Fan out|Close) Chalk.*8 sheets/ })).toBeVisible();
  await other.getByRole('button', { name: 'How 12 by 12 Chalk came to be here' }).click();
  const history = other.getByRole('list', { name: 'History' });
  await expect(history.getByRole('listitem')).toHaveText([/1 put in$/, /1 put in$/, /6 put in$/]);
});

test('banners are cut as strips and notched by hand after the last of them, on screen and on paper', async ({
  table: page,
}) => {
  await page.goto(`${DEMO}/order`);
  const cuts = page.getByRole('list', { name: 'Cuts in order' });
  const byHand = cuts.getByRole('listitem').filter({ hasText: 'by hand' });
  await expect(byHand).toContainText('pennants, 4 pieces');
  await expect(byHand).toContainText('cut a notch 5⁄16 deep, its tip 5⁄16 from the side');
  await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  await page.getByRole('link', { name: 'Print it' }).click();
  await expect(page.getByText(/cut a notch 5⁄16 deep/).first()).toBeVisible();
});

test('take a scrap out and put it back', async ({ table: page }) => {
  await page.goto(`${DEMO}/papers`);
  const file = page.getByRole('button', { name: /^(Fan out|Close) Storm slate/ });
  await expect(file).toHaveAccessibleName(/2 scraps$/);
  await file.click();
  await page.getByRole('button', { name: 'Take out 6 by 8 1/2 Storm slate' }).click();
  await expect(file).toHaveAccessibleName(/1 scrap$/);
  await page.getByRole('button', { name: 'Put it back' }).click();
  await expect(file).toHaveAccessibleName(/2 scraps$/);
});

test('the cutting order: scraps first, a story of cuts, totals, proof, a list to copy; cut and taken back', async ({
  table: page,
  request,
}) => {
  await page.goto(`${DEMO}/order`);
  const cuts = page.getByRole('list', { name: 'Cuts in order' });
  await expect(cuts.getByRole('listitem').first()).toContainText('Take A:');
  await expect(cuts.getByRole('listitem').first()).toContainText('edge on the fence');
  await expect(page.getByText('Fewest possible:')).toBeVisible();
  const totals = page.getByRole('complementary', { name: 'Summary' });
  await expect(totals).toContainText('scraps used5');
  await expect(cuts.getByRole('img', { name: /Set (4|6)\s1⁄4\. Runa at the launch, mat 1 comes off/ })).toBeVisible();
  await page.getByRole('button', { name: 'Copy the list' }).click();
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain(
    '1 × 4 1/4 × 6 1/4  Runa at the launch, mat 1',
  );

  const before = await (await request.get('/api/drawer')).json();
  await page.getByRole('button', { name: 'It is cut' }).click();
  await expect(page.getByRole('heading', { name: 'Everything is cut' })).toBeVisible();
  await page.goto(`${DEMO}/papers`);
  await expect(page.getByText('Runa at the launch, mat 1 (cut)')).toBeVisible();
  await page.getByRole('button', { name: /^(Fan out|Close) Gust/ }).click();
  await expect(page.getByText(/, kept \d{4}-\d\d-\d\d/).first()).toBeVisible();
  await page.goto(`${DEMO}/order`);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(cuts.getByRole('listitem').first()).toContainText('Take A:');
  expect(stockOf(await (await request.get('/api/drawer')).json())).toEqual(stockOf(before));
});

test('what cannot be cut: which piece, why, and what would help', async ({ table: page, request }) => {
  const drawer = (await (await request.get('/api/drawer')).json()) as {
    stock: { id: string; paper: string; kind: string }[];
  };
  for (const item of drawer.stock.filter((s) => s.paper === 'demo-gust' && s.kind === 'sheet'))
    await request.delete(`/api/stock/${item.id}`);
  await page.goto(`${DEMO}/order`);
  await expect(page.getByRole('alert')).toContainText(
    'sky panel: no Gust with side A reaches 9\u202f1⁄2; the longest is 7\u202f1⁄2',
  );
  await expect(page.getByRole('alert')).toContainText('buy 1 × Gust, 12 × 12');
  await expect(page.getByRole('alert')).toContainText('opens 144 sq in of new paper');
  // ways out that are still coming move it under a pointer
  await page.getByRole('link', { name: 'Change papers' }).press('Enter');
  await page.getByRole('row', { name: /^sky panel,/ }).click({ position: { x: 120, y: 8 } });
  await page.getByRole('button', { name: 'Take Gust off sky panel' }).click();
  await page.getByRole('link', { name: 'Make the cutting order' }).click();
  await expect(page.getByRole('heading', { name: 'Some layers have no paper yet' })).toBeVisible();
  await expect(page.getByText('Choose one for sky panel.')).toBeVisible();
});

test('another aim and another cutter are remembered and planned for', async ({ table: page }) => {
  await page.goto(`${DEMO}/order`);
  await expect(page.getByText('Fewest possible:')).toBeVisible();
  const refused: string[] = [];
  page.on('response', (r) => r.status() === 409 && refused.push(r.url()));
  await page.getByRole('radio', { name: 'easiest cuts' }).click();
  await expect(page.getByRole('radio', { name: 'easiest cuts' })).toBeChecked();
  await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  await expect(page.getByRole('link', { name: 'Print it' })).toBeVisible();
  expect(refused).toEqual([]);
  await page.reload();
  await expect(page.getByRole('radio', { name: 'easiest cuts' })).toBeChecked();
  await page.getByRole('button', { name: 'Set them side by side' }).click();
  await expect(page.getByRole('button', { name: 'Set them side by side' })).toHaveCount(0);
  await page.getByRole('textbox', { name: 'longest cut' }).fill('9');
  await page.getByRole('textbox', { name: 'longest cut' }).press('Enter');
  await expect(page.getByRole('alert').first()).toContainText('beyond the reach of the cutter');
  await page.getByRole('textbox', { name: 'longest cut' }).fill('12 1/4 in');
  await page.getByRole('textbox', { name: 'longest cut' }).press('Enter');
  await page.getByRole('radio', { name: 'least paper' }).click();
  await expect(page.getByRole('radio', { name: 'least paper' })).toBeChecked();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('three aims side by side, several of a page, and a plan cut in part', async ({ table: page, request }) => {
  await page.goto(`${DEMO}/order`);
  await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  await page.getByLabel('of this page').fill('2');
  await page.getByLabel('of this page').press('Enter');
  await page.getByText('One spare of a piece').click();
  await page.getByRole('checkbox', { name: 'the box kite, mat 1' }).check();
  await expect(page.getByText('the box kite, mat 1, spare').first()).toBeVisible();
  await expect(page.getByText(/page 2 of 2/).first()).toBeVisible();
  for (const aim of ['least paper', 'easiest cuts', 'largest offcuts'])
    await expect(page.getByRole('radio', { name: aim })).toBeVisible();
  await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();

  const before = (await (await request.get('/api/drawer')).json()) as { stock: { quantity: number }[] };
  const sheets = (d: typeof before) => d.stock.reduce((sum, s) => sum + s.quantity, 0);
  await page.getByRole('button', { name: 'Cut 2 is made, and all before it' }).click();
  await page.getByRole('button', { name: '2 cuts made, plan the rest' }).click();
  await expect(page.getByText('Cut so far')).toBeVisible();
  await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  expect(sheets(await (await request.get('/api/drawer')).json())).not.toBe(0);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText('(taken back)')).toBeVisible();
  expect(stockOf(await (await request.get('/api/drawer')).json())).toEqual(stockOf(before));
});

test('a scrap with a corner gone is said in one line, and both its arms are cut', async ({ table: page, request }) => {
  await page.goto(`${DEMO}/papers`);
  const line = page.getByRole('textbox', { name: 'Add a sheet or a scrap in one line' });
  await line.fill('scrap 10 x 10 less 5 x 2 chalk');
  await expect(page.getByText('10 × 10 with a corner gone')).toBeVisible();
  await line.press('Enter');
  await expect(line).toHaveValue('');
  const drawer = (await (await request.get('/api/drawer')).json()) as {
    stock: { id: string; paper: string; outline?: unknown }[];
  };
  expect(drawer.stock.filter((s) => s.outline)).toHaveLength(1);
  // with no other chalk, the mat must come from it
  for (const item of drawer.stock.filter((s) => s.paper === 'demo-chalk' && !s.outline))
    await request.delete(`/api/stock/${item.id}`);
  await page.goto(`${DEMO}/order`);
  await expect(page.getByText(/Take . ?: Chalk scrap, 10 × 10/).first()).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
});

test('a piece from an exact place, and a place that stays whole; the offcut keeps it', async ({
  table: page,
  request,
}) => {
  await page.goto(`${DEMO}/papers`);
  await page.getByRole('button', { name: 'Choose where sky panel is cut from' }).click();
  const where = page.getByRole('group', { name: 'Where sky panel is cut from' });
  await where.getByLabel('from which').selectOption({ label: 'Gust, sheet 12 × 12' });
  await where.getByLabel('from its left edge').fill('1');
  await where.getByLabel('from its lower edge').fill('2 1/2');
  await page.keyboard.press('Enter');
  await saved(page);
  await expect(page.getByText(/From exactly there: 1 from the left and 2 1\/2 from the bottom/)).toBeVisible();
  await where.getByRole('button', { name: 'Close' }).click();
  // a place on the only paper for a mat stays whole, drawn with the mouse
  const chalk = (
    (await (await request.get('/api/drawer')).json()) as {
      stock: { id: string; paper: string; kind: string; width: string }[];
    }
  ).stock.filter((s) => s.paper === 'demo-chalk' && s.width !== '8 1/2');
  for (const { id } of chalk) await request.delete(`/api/stock/${id}`);
  await page.reload();
  await page.getByRole('button', { name: /^(Fan out|Close) Chalk/ }).click();
  await page.getByRole('button', { name: 'Mark places on 8 1/2 by 7 Chalk' }).click();
  const drawing = page.getByRole('img', { name: /^Chalk, 8 1\/2 by 7: drag over/ });
  await drawing.scrollIntoViewIfNeeded();
  const box = (await drawing.boundingBox())!;
  await page.mouse.move(box.x + box.width - 20, box.y + 20);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width - 60, box.y + 90, { steps: 3 });
  await page.mouse.up();
  const kept = page.getByRole('list', { name: 'Kept whole' }).getByRole('listitem');
  await expect(kept).toHaveCount(1);
  // another, longer than the mat, so that no mat can be cut round it
  await page.getByRole('textbox', { name: 'Drag over what is to stay whole' }).fill('6 x 1/8 to 8 x 6 3/4');
  await page.keyboard.press('Enter');
  await expect(kept).toHaveCount(2);
  await page.goto(`${DEMO}/order`);
  await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  await expect(page.getByRole('link', { name: 'Print it' })).toBeVisible();
  const { plan } = (await (await request.get(`/api/pages/${DEMO.split('/').pop()}/plan`)).json()) as {
    plan: { plan: { sheets: { tree: unknown }[] } };
  };
  expect(JSON.stringify(plan.plan.sheets)).toMatch(/"x":1,"y":2.5,"width":9.5,"height":9.5,"cut":null/);
  await page.getByRole('button', { name: 'It is cut' }).click();
  await expect(page.getByRole('heading', { name: 'Everything is cut' })).toBeVisible();
  const drawer = (await (await request.get('/api/drawer')).json()) as { stock: { uncut?: unknown; origin: unknown }[] };
  expect(drawer.stock.filter((s) => s.uncut && s.origin)).toHaveLength(1);
});

test('an odd scrap by its corners; what is held back is freed with a press where it would help', async ({
  table: page,
  request,
}) => {
  await page.goto(`${DEMO}/papers`);
  const line = page.getByLabel('Add a sheet or a scrap in one line');
  await line.fill('scrap corners 0 x 0, 4 x 4, 4 x 0, 0 x 4 teal');
  await expect(page.getByText('These corners are not in order round it')).toBeVisible();
  await line.fill('scrap corners 0 x 0, 9 x 0, 9 x 4 1/2, 3 x 7 1/2 teal');
  await expect(page.getByText('with 4 corners, Teal swell')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: /^Fan out Teal swell.*3 scraps/ })).toBeVisible();
  const drawer = (await (await request.get('/api/drawer')).json()) as {
    papers: { id: string; name: string }[];
    stock: { id: string; paper: string }[];
  };
  const gust = drawer.papers.find((p) => p.name === 'Gust')!.id;
  for (const s of drawer.stock.filter((item) => item.paper === gust))
    await request.patch(`/api/stock/${s.id}`, { data: { reserved: true } });
  await page.goto(`${DEMO}/order`);
  await expect(page.getByText(/Cannot be cut\. sky panel: all Gust that would do is held back/)).toBeVisible();
  await page.getByRole('button', { name: /^Free it: take what is held back, Gust 12 × 12/ }).click();
  await expect(page.getByText(/Cannot be cut\./)).toBeHidden();
  await expect(page.getByText('Fewest possible:')).toBeVisible();
});

test('hidden centres, stop cuts, a knife, and a trimmer that cuts long', async ({ table: page, request }) => {
  // one sheet, which the base takes whole: the mat can only come from beneath the panel
  const look = { pattern: 'plain', ground: '#c9d3cf', ink: '#8fa39b' };
  const side = { side: 'A', name: 'plain', direction: 'none', along: 'height', look };
  const paper = await (await send(request, '/api/papers', { name: 'Rock pool', sides: [side] })).json();
  const sheet = { paper: paper.id, unit: 'in', width: '12', height: '12', quantity: 1, kind: 'sheet' };
  await send(request, '/api/stock', sheet);
  const document = matsFrom(paper.id, [['4', '6']], 'any');
  const wish = { papers: [paper.id], side: 'A', direction: 'any' };
  const panel = { id: 'panel', name: 'panel', reveal: ['1/2'], paper: { ...wish, papers: ['demo-chalk'] } };
  const layered = { ...document, base: { name: 'base', paper: wish }, panels: [panel] };
  const made = await (await send(request, '/api/pages', { document: layered })).json();
  await page.goto(`/page/${made.id}/order`);
  await expect(page.getByText(/^Cannot be cut. mat 1/)).toBeVisible();
  const centres = page.getByRole('checkbox', { name: 'use the hidden centres of mats and bases' });
  await centres.click();
  await expect(centres).toBeChecked();
  await expect(page.getByRole('textbox', { name: 'left to glue by, all round' })).toHaveValue('1/2');
  await expect(page.getByText('by hand').first()).toBeVisible();
  await expect(page.getByText(/cut out its hidden centre/).first()).toBeVisible();
  await page.getByRole('textbox', { name: 'cuts longer than set by' }).fill('1/32');
  await page.getByRole('textbox', { name: 'cuts longer than set by' }).press('Enter');
  await expect(page.getByText(/^to cut /).first()).toBeVisible();
  await page.getByRole('textbox', { name: 'longest cut' }).fill('9');
  await page.getByRole('textbox', { name: 'longest cut' }).press('Enter');
  await expect(page.getByRole('alert').first()).toContainText('beyond the reach');
  const knife = page.getByRole('checkbox', { name: 'knife and ruler for what it cannot cut' });
  await knife.click();
  await expect(knife).toBeChecked();
  await expect(page.getByText(/with the knife and ruler/).first()).toBeVisible();
  await expect(page.getByRole('alert')).toHaveCount(0);
  await request.delete(`/api/pages/${made.id}`);
});

test('on paper: the print view and the PDF have the same pages', async ({ table: page, request }) => {
  await page.goto(`${DEMO}/order`);
  await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  await page.getByRole('link', { name: 'Print it' }).click();
  for (const [paper, width] of [
    ['a4', 595.28],
    ['letter', 612],
  ] as const) {
    await page.getByLabel('paper in the printer').selectOption(paper);
    const sheets = page.getByRole('img', { name: /, page \d+ of \d+$/ });
    await expect(sheets.first()).toContainText('check ruler');
    const count = await sheets.count();
    const pdf = await (
      await request.get((await page.getByRole('link', { name: 'The same as PDF' }).getAttribute('href'))!)
    ).body();
    const text = pdf.toString('latin1');
    expect(text.match(/\/Type \/Page\b/g)).toHaveLength(count);
    expect(text).toContain(`/MediaBox [0 0 ${width}`);
    const printed = await page.pdf({ preferCSSPageSize: true });
    expect(printed.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(count);
  }
});

/** A page of prints with one even mat each, all from one paper. */
const matsFrom = (paper: string, sizes: [string, string][], direction: 'any' | 'height') => ({
  format: 'temnex-page',
  version: 1,
  name: 'Worked numbers',
  unit: 'in',
  mark: '1/16',
  width: '12',
  height: '12',
  base: { name: 'base', paper: { papers: ['demo-chalk'], side: 'A', direction: 'any' } },
  panels: [],
  photos: sizes.map(([width, height], i) => ({
    id: `photo${i}`,
    name: `print ${i + 1}`,
    print: { width, height, known: 'measured' },
    mats: [{ id: `mat${i}`, name: `mat ${i + 1}`, reveal: ['1/8'], paper: { papers: [paper], side: 'A', direction } }],
    at: { across: { from: 'left', by: '1' }, upDown: { from: 'bottom', by: '1' } },
  })),
});

test('worked numbers: three mats and a tag come from one sheet, from two where they may not turn, from a scrap none', async ({
  table: page,
  request,
}) => {
  const look = { pattern: 'grass', ground: '#e4d9a8', ink: '#7d8a3c' };
  const paper = await (
    await send(request, '/api/papers', {
      name: 'Reed bed',
      sides: [{ side: 'A', name: 'reeds', direction: 'one-way', along: 'height', look }],
    })
  ).json();
  const sheet = { paper: paper.id, unit: 'in', width: '12', height: '12', quantity: 3, kind: 'sheet' };
  await send(request, '/api/stock', sheet);
  const show = async (document: object, sheets: string) => {
    const made = await (await send(request, '/api/pages', { document })).json();
    await page.goto(`/page/${made.id}/order`);
    await expect(page.getByRole('complementary', { name: 'Summary' })).toContainText(`new sheets opened${sheets}`);
    await expect(page.getByText('Fewest possible')).toBeVisible();
    await request.delete(`/api/pages/${made.id}`);
  };
  const mats: [string, string][] = [
    ['4', '6'],
    ['4', '6'],
    ['4', '6'],
  ];
  // the base takes a sheet of its own
  await show(matsFrom(paper.id, [...mats, ['4 3/4', '2 3/4']], 'any'), '2');
  await show(matsFrom(paper.id, [...mats, ['4 3/4', '2 3/4']], 'height'), '3');
  await send(request, '/api/stock', { ...sheet, width: '3', height: '12', quantity: 1, kind: 'scrap' });
  await show(
    matsFrom(
      paper.id,
      [
        ['2 1/4', '5 1/2'],
        ['2 1/4', '5 1/2'],
      ],
      'any',
    ),
    '1',
  );
});

test('everything is there after a reload', async ({ table: page }) => {
  await page.goto(`${DEMO}/order`);
  await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  await page.reload();
  await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  await expect(page.getByRole('list', { name: 'Cuts in order' })).toBeVisible();
});

test('a base larger than any sheet is built up, and each way out has its button', async ({ table: page }) => {
  await page.goto(DEMO);
  await give(page, 'page width', '30');
  await give(page, 'page height', '14');
  await saved(page);
  await page.goto(`${DEMO}/order`);
  const base = page.getByRole('alert').filter({ hasText: /^Cannot be cut. [\d× ]*base/ });
  const ways = base.getByRole('listitem');
  await expect(ways.filter({ hasText: /^build it up of 6/ })).toBeVisible();
  for (const way of await ways.all()) await expect(way.getByRole('button')).toHaveCount(1);
  await ways
    .filter({ hasText: /^build it up of 6/ })
    .getByRole('button')
    .click();
  // two sheets more are wanted for its parts
  await base.getByRole('button', { name: /^Bought: put in: buy 2 × Storm slate, 12 × 12/ }).click();
  await expect(page.getByText(/^Cannot be cut. outer panel/)).toBeVisible();
  await expect(base).toHaveCount(0);
  await page.goto(`${DEMO}/papers`);
  await page.getByRole('button', { name: 'base, part a: cut it in one again' }).click();
  await expect(page.getByRole('row', { name: /^base, 30 × 14/ })).toBeVisible();
});
