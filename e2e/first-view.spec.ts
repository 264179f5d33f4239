import { seededRandom } from '@temnex/core/planner';
import type { Page } from '@playwright/test';
import { answers, expect, test } from './table.ts';

/** How many loads are tried at each speed of the processor; `npm run soak` tries 200. */
const LOADS = Number(process.env.TEMNEX_FIRST_LOADS ?? 1);
/** The longest that somebody waits after the first paint before they type, at full speed, in milliseconds. */
const LONGEST_WAIT_MS = 700;

const inches = (text: string): number =>
  text
    .trim()
    .split(' ')
    .map((part) => part.split('/').map(Number))
    .reduce((sum, [over, under = 1]) => sum + over! / under, 0);

const valueOf = (page: Page, name: string) => page.getByRole('textbox', { name, exact: true }).first().inputValue();

for (const slower of LOADS > 1 ? [1, 4, 6] : [1, 6])
  test(`numbers follow from what the fields show, typed at any moment after the first paint, ${slower} × slower`, async ({
    table: page,
  }) => {
    test.setTimeout(60_000 + LOADS * 15_000);
    const random = seededRandom(slower);
    await page.addInitScript(() => localStorage.clear());
    const devTools = await page.context().newCDPSession(page);
    await devTools.send('Emulation.setCPUThrottlingRate', { rate: slower });
    for (let load = 0; load < LOADS; load++) {
      const wait = Math.round(random() * LONGEST_WAIT_MS * slower);
      await page.goto('/', { waitUntil: 'commit' });
      // After the first paint the field is a picture or the real one: both are pressed as a person would.
      const spot = await page.waitForFunction(
        () => {
          const box = document.querySelector('input[aria-label="width of the print"]')?.getBoundingClientRect();
          const painted = performance.getEntriesByType('paint').length > 0;
          return painted && box?.width ? { x: box.x + box.width / 2, y: box.y + box.height / 2 } : null;
        },
        null,
        { polling: 5 },
      );
      const { x, y } = (await spot.jsonValue())!;
      await page.evaluate((ms) => new Promise((done) => setTimeout(done, ms)), wait);
      await page.mouse.click(x, y, { clickCount: 2 });
      await page.keyboard.type('5');
      await page.keyboard.press('Tab');
      await answers(page);
      await expect
        .poll(
          async () => {
            const [print, reveal, mat] = [
              await valueOf(page, 'width of the print'),
              await valueOf(page, 'reveal of mat 1'),
              await valueOf(page, 'width of mat 1'),
            ];
            return inches(print) + 2 * inches(reveal) === inches(mat);
          },
          { message: `load ${load}, typed ${wait} ms after the first paint` },
        )
        .toBe(true);
      expect(['4', '5']).toContain(await valueOf(page, 'width of the print'));
    }
  });

test('until the application answers nothing can be typed, and it says so by the pointer', async ({ table: page }) => {
  let answer = () => {};
  const held = new Promise<void>((resolve) => (answer = resolve));
  await page.route(/\/assets\/index-.*\.js$/, (route) => held.then(() => route.continue()));
  await page.goto('/', { waitUntil: 'commit' });
  const width = page.locator('input[aria-label="width of the print"]').first();
  await expect(width).toBeVisible();
  const box = (await width.boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await page.keyboard.type('5');
  expect(await width.inputValue()).toBe('4');
  expect(await page.evaluate(() => getComputedStyle(document.documentElement).cursor)).toBe('progress');
  answer();
  await answers(page);
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await page.keyboard.type('5');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('list', { name: 'Sizes' }).getByRole('listitem').first()).toContainText('5 1/4');
});
