import { expect, give, pick, saved, send, test } from './table.ts';

const LINE = 'Say it in one line';

test('from “I want a row of banners” to the sizes: by typing, from the pictures, with the keys alone', async ({
  table: page,
}) => {
  await page.goto('/');
  await page.keyboard.press('/');
  await page.keyboard.type('I want a row of banners');
  await expect(page.getByRole('list', { name: 'What it may be about' }).getByRole('button')).toHaveCount(1);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Banners', pressed: true })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'how many' })).toHaveValue('5');
  // from the page of pictures
  await page.getByRole('link', { name: 'What each answers' }).click();
  await expect(page.getByRole('list', { name: 'Constructions' }).getByRole('listitem')).toHaveCount(26);
  await page.keyboard.type('fram');
  await expect(page.getByRole('list', { name: 'Constructions' }).getByRole('button').first()).toContainText(
    'Strip frame',
  );
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Strip frame', pressed: true })).toBeVisible();
  await expect(page.getByText(/It takes 2 strips/)).toBeVisible();
  await page.goto('/choose');
  await expect(page.getByLabel('What do you want to make?')).toBeFocused();
  await page.keyboard.type('zeppelin');
  await expect(page.getByText('None of these is called that')).toBeVisible();
});

test('worked numbers of strips, bands, borders and frames, each said and seen', async ({ table: page }) => {
  await page.goto('/');
  const slip = page.getByRole('main');
  const say = async (line: string) => {
    await page.getByLabel(LINE).fill(line);
    await page.keyboard.press('Enter');
  };
  await say('8 x 8 page, panel with a 1/4 border');
  await expect(page.getByLabel('Page width')).toHaveValue('8');
  await expect(slip).toContainText('7\u202f1⁄2');
  await say('panel 1/2 on a 12 x 12 page');
  await expect(page.getByLabel('Page width')).toHaveValue('12');
  await say('block band 3 high: 3 1/4, 5 7/8, rest');
  await expect(slip).toContainText('2\u202f7⁄8');
  await expect(slip).toContainText('they come to 12\u202f1⁄2 in all');
  await say('frame of 1/2 x 12 strips round 3 1/2 x 5, open corners');
  await expect(slip).toContainText('It takes 2 strips; 3 edges come from one.');
  await say('border strip 12 long repeat 7/8, crest');
  await expect(slip).toContainText('13 repeats, 5⁄16 over at each end.');
  await say('hollow mat 12 x 12 ring 7/8 under 11 x 11');
  await expect(slip).toContainText('each from 7⁄8 in, 10\u202f1⁄4 long');
  await say('crop a 12 x 12 scene to 9 1/2 x 10, 1/2 off the left, top flush');
  await expect(slip).toContainText('1⁄2 × 12, 2 × 12, 9\u202f1⁄2 × 2');
  await say('base shaved 1/8');
  await expect(slip).toContainText('12 − 1⁄8 − 1⁄8 = 11\u202f3⁄4');
  await say('mats 1/8, 1/16, 3/8 around 3 1/2 x 5');
  for (const [i, [width, height]] of [
    ['3 3/4', '5 1/4'],
    ['3 7/8', '5 3/8'],
    ['4 5/8', '6 1/8'],
  ].entries()) {
    await expect(slip).toContainText(`mat ${i + 1}${width}`);
    await expect(slip).toContainText(height!);
  }
  await say('bases 12, 11 1/4, 9 1/2, 9');
  for (const [panel, reveal] of ['3/8', '7/8', '1/4'].entries())
    await expect(page.getByRole('textbox', { name: `reveal of panel ${panel + 1}`, exact: true })).toHaveValue(reveal);
  await say('enlarge a 4 x 6 print to 8 x 10');
  await expect(slip).toContainText('Lost: 1 at the top and 1 at the bottom.');
  await say('seven 2 1/2 x 6 strips from 6 x 6 sheets');
  await expect(slip).toContainText('It takes 4 sheets');
  await say('six squares across 12, margin 3/4, gap 1/8');
  await expect(page.getByRole('textbox', { name: 'width of one cell', exact: true })).toHaveValue('1 5/8');
  await say('6 x 6 grid of 1 1/2 cells, gap 1/8, three 2 x 2 merged cells');
  await expect(slip).toContainText('24 cells and 3 large.');
  await expect(slip).toContainText('9\u202f5⁄16; the last ends at 10\u202f13⁄16');
  await page.getByRole('button', { name: 'Add a large cell' }).click();
  await expect(slip).toContainText('20 cells and 4 large.');
  await say('half and half');
  await expect(page.getByRole('textbox', { name: 'depth of the paper underneath' })).toHaveValue('6 1/4');
  await say('build up 12 x 12 from 5 x 7');
  await expect(slip).toContainText('3 × 7 is left of each that is cut short.');
  await say('7 banners 1 1/4 x 3 gap 1/8 on a curve, sag 1');
  await expect(slip.getByText(/^Middle of its upper edge/)).toHaveCount(7);
});

test('a line about paper goes into the drawer, where its paper is known', async ({ table: page, request }) => {
  await page.goto('/');
  await page.getByLabel(LINE).fill('scrap 4 1/4 x 7 chalk x2');
  await expect(page.getByText('2 × scrap, 4 1/4 × 7, chalk: goes into the drawer.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByText('In the drawer: 2 × scrap, 4 1/4 × 7, Chalk.')).toBeVisible();
  await expect(page.getByLabel(LINE)).toHaveValue('');
  const { stock } = (await (await request.get('/api/drawer')).json()) as { stock: { id: string; width: string }[] };
  const put = stock.find((s) => s.width === '4 1/4')!;
  await request.delete(`/api/stock/${put.id}`);
  await page.getByLabel(LINE).fill('scrap 4 x 7 plankton');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/no paper called plankton yet/)).toBeVisible();
});

test('half an inch too much: each way to mend it is a press; how many sheets it takes', async ({ table: page }) => {
  await page.goto('/');
  const over = async () => {
    await page.getByLabel(LINE).fill('five 2 1/2 strips across 12 edge to edge');
    await expect(page.getByText(/Together they are 1⁄2 too much/)).toBeVisible();
    await page.keyboard.press('Enter');
  };
  const whole = page.getByRole('textbox', { name: 'side by side in all of the row' });
  await over();
  await page.getByRole('button', { name: 'Make it 4 strips' }).click();
  await expect(whole.first()).toHaveValue('10');
  await over();
  await page.getByRole('button', { name: /^Make the width of one strip 2/ }).click();
  await expect(whole.first()).toHaveValue('11 7/8');
  await over();
  await page.getByRole('button', { name: /^Overlap each join by/ }).click();
  await expect(whole.first()).toHaveValue('12');
  await expect(page.getByText(/Together they are/)).toBeHidden();
  await page.getByLabel(LINE).fill('seven 2 1/2 x 6 strips from 6 x 6 sheets');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/It takes 4 sheets of 6 × 6; left over: 3.1⁄2 × 6, 3 of 1 × 6/)).toBeVisible();
});

test('a length follows another’s: it goes along, what moved is told, and it can be let go', async ({ table: page }) => {
  await page.goto('/page/demo-two-days');
  const mat = (size: string) =>
    page
      .getByRole('list', { name: 'The page from the side, from the top down' })
      .getByRole('button', { name: `low water, mat 1 ${size}` });
  await pick(page, 'low water, mat 1');
  await expect(page.getByText('Height of mat 1: as high as Tove and the delta')).toBeVisible();
  await pick(page, 'photo in Tove');
  await give(page, 'height of the photo', '4');
  await expect(mat('4 1/2 × 5')).toBeVisible();
  await expect(page.getByText('What moved')).toBeVisible();
  await pick(page, 'low water, mat 1');
  await page.getByRole('button', { name: /^Let go: Height of mat 1/ }).click();
  await saved(page);
  await page.getByText('Let a length follow another').click();
  await page.getByLabel('this length').selectOption({ label: 'height of mat 1' });
  await page.getByLabel('as', { exact: true }).selectOption({ label: 'Tove and the delta' });
  await give(page, 'more, or with a minus less, by', '1/2');
  await page.getByRole('button', { name: 'Follow it' }).click();
  await expect(page.getByText('Height of mat 1: as high as Tove and the delta, 1/2 more')).toBeVisible();
  await expect(mat('4 1/2 × 5 1/2')).toBeVisible();
});

test('what runs over the seam is cut for each page, and marks count from its own edges', async ({ table: page }) => {
  await page.goto('/page/demo-two-days/order');
  await expect(page.getByText('Fewest possible')).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'Summary' })).toContainText('water, part a');
  await page.goto('/page/demo-two-days');
  await page.getByText('Where everything lies').click();
  await expect(page.getByRole('row', { name: /^low water, mat 1, right page/ })).toContainText('6');
});

test('a page kept as a pattern begins another, and tells what does not fit', async ({ table: page, request }) => {
  await page.goto('/page/demo-stayed-up');
  await page.getByRole('checkbox', { name: 'keep it as a pattern' }).click();
  await saved(page);
  await page.goto('/');
  const patterns = page.getByRole('list', { name: 'Patterns' });
  await expect(patterns.getByRole('listitem')).toHaveCount(1);
  await patterns.getByRole('button', { name: /^Begin another like/ }).click();
  const form = page.getByRole('group', { name: /^Another like/ });
  await expect(form).toContainText('All of it fits.');
  await form.getByLabel('size', { exact: true }).selectOption('card');
  await expect(form).toContainText('window on the wind reaches');
  await form.getByRole('button', { name: 'Begin it' }).click();
  await expect(page.getByRole('textbox', { name: 'Page', exact: true })).toHaveValue(
    'The kite that stayed up, another',
  );
  await expect(page.getByLabel('page size')).toHaveValue('card');
  const id = /page\/([^/]+)/.exec(page.url())![1]!;
  await request.delete(`/api/pages/${id}`);
  await send(request, '/api/demo', { afresh: true });
});

test('a band whose middle lies hidden comes from a scrap in two ends, before a join', async ({
  table: page,
  request,
}) => {
  const look = { pattern: 'plain', ground: '#c9d3cf', ink: '#8fa39b' };
  const side = { side: 'A', name: 'plain', direction: 'none', along: 'height', look };
  const reed = await (await send(request, '/api/papers', { name: 'Marram reed', sides: [side] })).json();
  const scrap = { paper: reed.id, unit: 'in', width: '10 3/4', height: '1', quantity: 1, kind: 'scrap' };
  await send(request, '/api/stock', scrap);
  const item = (id: string, recipe: string, input: object, wishes: object) => ({
    id,
    name: id,
    recipe,
    version: 1,
    input,
    on: 'page',
    names: {},
    fit: 'exact',
    wishes,
    at: { across: { from: 'centre', by: 0 }, upDown: { from: 'centre', by: 0 } },
  });
  const wish = (paper: string) => ({ papers: [paper], side: 'any', direction: 'any' });
  const document = {
    format: 'temnex-page',
    version: 2,
    name: 'The line of reeds',
    unit: 'in',
    mark: '1/16',
    ground: { width: '12', height: '12' },
    copies: 1,
    spares: [],
    first: [],
    items: [
      item(
        'band',
        'block-band',
        { run: 'level', band: { high: '1' }, blocks: [{ id: 'all', share: 1 }], join: { how: 'butt' } },
        { all: wish(reed.id) },
      ),
      item(
        'photo',
        'mat-stack',
        {
          print: { width: '3', height: '4', known: 'measured' },
          mats: [{ id: 'm', reveal: { style: 'even', all: '1/4' } }],
        },
        { m: wish('demo-chalk') },
      ),
    ],
  };
  const made = await (await send(request, '/api/pages', { document })).json();
  await page.goto(`/page/${made.id}/order`);
  const band = page.getByRole('alert').filter({ hasText: /^Cannot be cut. band/ });
  const ways = band.getByRole('listitem');
  await expect(ways.filter({ hasText: /two ends/ })).toBeVisible();
  const all = await ways.allInnerTexts();
  const join = all.findIndex((way) => /join/i.test(way));
  expect(all.findIndex((way) => /two ends/.test(way))).toBeLessThan(join < 0 ? all.length : join);
  await ways
    .filter({ hasText: /two ends/ })
    .getByRole('button')
    .click();
  await expect(band).toHaveCount(0);
  await expect(page.getByText(/4\u202f1⁄2/).first()).toBeVisible();
  await request.delete(`/api/pages/${made.id}`);
});

test('a grid by hand: pressed, a cell gets the next paper; dragged over, cells become one; on the page too', async ({
  table: page,
  request,
}) => {
  await page.goto('/');
  await page.getByLabel(LINE).fill('grid of 4 x 4 cells, gap 1/8, margin 1/2 in 2 papers');
  await page.keyboard.press('Enter');
  const cell = (n: number) => page.getByRole('button', { name: new RegExp(`grid, cell ${n}, `) });
  await expect(cell(1)).toHaveAccessibleName(/paper a/);
  await cell(1).click();
  await expect(cell(1)).toHaveAccessibleName(/paper b/);
  await expect(page.getByText(/2 pairs of neighbours match, as laid by hand/)).toBeVisible();
  await page.getByRole('textbox', { name: 'laid by hand' }).fill('');
  await page.keyboard.press('Enter');
  await expect(page.getByText('no two neighbours alike: 8 of a, 8 of b', { exact: false })).toBeVisible();
  await cell(6).dragTo(cell(11));
  await expect(page.getByText('12 cells and 1 large')).toBeVisible();
  await page.getByRole('textbox', { name: /tilt/ }).fill('12');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/lie over a neighbour|lies over a neighbour/)).toBeVisible();
  await page.getByRole('button', { name: 'Put it on a page' }).click();
  await page
    .getByRole('button', { name: /^Grid, cell 1,|^grid, cell 1,/ })
    .first()
    .click();
  await page.getByText('Work on its parts by hand').click();
  const hand = page.getByRole('group', { name: /^Press a cell/ });
  await hand.getByRole('button', { name: /cell 1, / }).dragTo(hand.getByRole('button', { name: /cell 2, / }));
  await expect(page.getByText('10 cells and 2 large')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('12 cells and 1 large')).toBeVisible();
  await saved(page);
  await request.delete(`/api/pages/${new URL(page.url()).pathname.split('/')[2]}`);
});

test('shapes: so many from a sheet, an outline of one’s own from a file, a template at true size', async ({
  table: page,
}) => {
  await page.goto('/');
  await page.getByLabel(LINE).fill('how many hexagons 2 1/4 across the flats come from a 12 x 12 sheet');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Repeated shapes', pressed: true })).toBeVisible();
  await expect(page.getByRole('textbox', { name: /^side/ })).toHaveValue('1.299');
  await expect(page.getByRole('textbox', { name: /^in all/ })).toHaveValue('25');
  await expect(page.getByText(/It takes 1 sheet of 12 × 12/)).toBeVisible();
  // over all of a page, cut off at its edges
  await page.getByLabel('laid').selectOption({ label: 'over all of the page' });
  await expect(
    page.getByText(/cut off at the edges of the page; of \d+ the part that is cut off serves/),
  ).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF on A4' }).click();
  expect((await download).suggestedFilename()).toBe('templates.pdf');
  const file = (name: string, inside: string) => ({
    name,
    mimeType: 'image/svg+xml',
    buffer: Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" width="2in" viewBox="0 0 2 2">${inside}</svg>`),
  });
  const chosen = page.locator('input[type=file]');
  await chosen.setInputFiles(file('kite.svg', '<path d="M1 0L2 .7 1 2 0 .7z"/><text>kite</text>'));
  await expect(page.getByText('kite: 4 corners; left out: text.')).toBeVisible();
  await expect(page.getByRole('textbox', { name: /^width/ })).toHaveValue('2');
  await chosen.setInputFiles(file('line.svg', '<line x1="0" x2="2"/>'));
  await expect(page.getByText('There is no closed line in it to cut along.')).toBeVisible();
  // what was there stays
  await expect(page.getByRole('textbox', { name: /^width/ })).toHaveValue('2');
});

test('a page of the example with a quilt and a honeycomb is cut, its shapes as blocks or one by one', async ({
  table: page,
}) => {
  await page.goto('/page/demo-every-kite/order');
  await page.getByRole('button', { name: 'It is cut' }).waitFor();
  await expect(page.getByText(/trace the template/i).first()).toBeVisible();
  await saved(page);
});

test('worked numbers of pinwheels, bursts, weaves and rays, each said and seen', async ({ table: page }) => {
  await page.goto('/');
  const slip = page.getByRole('main');
  const say = async (line: string) => {
    await page.getByLabel(LINE).fill(line);
    await page.keyboard.press('Enter');
  };
  await say('pinwheel 3 square, slits stop 3/8 short');
  await expect(slip.getByText(/^Slits from each corner 1\u202f3⁄4/)).toBeVisible();
  await give(page, 'uncut to the middle of the square', '1 1/4');
  await expect(slip.getByText(/let no tip be folded to the middle/)).toBeVisible();
  await page.getByRole('button', { name: /^Make .*uncut to the middle of the square/i }).click();
  await expect(slip.getByText(/^Slits from each corner/)).toBeVisible();

  await say('burst of strips 5 1/4, 4 7/8, 5 1/16, 4 13/16');
  await expect(slip.getByText(/off 7⁄16, 1⁄16, 1⁄4, 0\./)).toBeVisible();
  await say('fan of seven strips 1/2 x 4 13/16 over 150 degrees');
  await expect(slip.getByText('They stand 25° apart.')).toBeVisible();

  await say('weave to cover 4 1/2 x 4 1/2 with 3/8 strips, 1/16 gaps, tails 1/2');
  await expect(slip.getByText(/^Woven 4\u202f3⁄4 × 4\u202f3⁄4, trimmed to 4\u202f1⁄2/)).toBeVisible();
  await expect(slip.getByText(/22 pieces from 11 strips/)).toBeVisible();

  await say('rays 3/4 wide from the lower left corner, hub 3, tuck 1/2, at 15/30/45/60/75°');
  await expect(slip.getByText(/3: 14\u202f1⁄2/)).toBeVisible();
  await expect(slip.getByText(/^Ray 3 is 14\u202f1⁄2 long, a sheet 12/)).toBeVisible();
  await page.getByLabel('one that is longer').selectOption('join');
  await expect(slip.getByText(/^Ray 3 is/)).toHaveCount(0);
});

test('stitch holes: a template to prick by; a title that does not fit, and the letters that are missing', async ({
  table: page,
}) => {
  await page.goto('/');
  const slip = page.getByRole('main');
  await page.getByRole('button', { name: 'Stitch holes' }).click();
  await expect(slip.getByText('76 holes.')).toBeVisible();
  const made = page.waitForEvent('download');
  await page.getByRole('button', { name: 'PDF on A4' }).click();
  expect((await made).suggestedFilename()).toMatch(/\.pdf$/);
  await page.getByRole('button', { name: 'Letter row' }).click();
  await give(page, 'title', 'A WEEK OF KITES AND WIND');
  await expect(slip.getByText(/^The title is .* too long/)).toBeVisible();
  await give(page, 'title', 'KITE WEEK');
  await give(page, 'letters that are left', 'KITEWE');
  await expect(slip.getByText('These are missing: E K.')).toBeVisible();
});

test('a page of the example with a pocket, tags and letters is cut', async ({ table: page }) => {
  await page.goto('/page/demo-wind-wrote/order');
  await expect(page.getByRole('heading', { name: 'Cuts, in this order' })).toBeVisible();
  await expect(page.getByText(/punch a hole 3⁄4 across/).first()).toBeVisible();
  await page.getByRole('button', { name: 'It is cut' }).click();
  await expect(page.getByRole('button', { name: /Take it back|Undo/ }).first()).toBeVisible();
});
