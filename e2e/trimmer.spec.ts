import type { Page } from '@playwright/test';
import { DEMO, expect, test } from './table.ts';

const done = (page: Page) => page.getByRole('button', { name: 'Done', exact: true });
const stepOf = (page: Page) => page.getByText(/^step \d+ of \d+|^all \d+ steps done/);
/** Presses on until something is on the screen. */
async function until(page: Page, there: () => Promise<boolean>): Promise<void> {
  for (let i = 0; i < 120 && !(await there()); i++) {
    const before = await stepOf(page).textContent();
    await page.keyboard.press('PageDown');
    await expect(stepOf(page)).not.toHaveText(before!);
  }
}
const begin = async (page: Page): Promise<string> => {
  await page.goto(`${DEMO}/order`);
  await page.getByRole('button', { name: 'To the trimmer' }).click();
  await page.waitForURL('**/trimmer/**');
  await expect(page.getByRole('heading', { name: /^Take A/ })).toBeVisible();
  return page.url();
};

test('a page is cut with one spoiled piece, a reload, a second device and the network gone, and is in the record', async ({
  table: page,
  browser,
}) => {
  test.setTimeout(120_000);
  const address = await begin(page);
  // by tap, key and foot switch; and back
  await done(page).click();
  await page.keyboard.press(' ');
  await page.keyboard.press('PageDown');
  await expect(stepOf(page)).toContainText('step 4 of');
  await page.keyboard.press('ArrowLeft');
  await expect(stepOf(page)).toContainText('step 3 of');
  // a reload goes on at the same step
  await page.reload();
  await expect(stepOf(page)).toContainText('step 3 of');
  // one is cut wrong: what is left of it is said, and the rest planned anew
  await until(page, () => page.getByRole('heading', { name: 'Cut', exact: true }).isVisible());
  await page.keyboard.press('w');
  await page.getByRole('button', { name: 'It is torn or crooked' }).click();
  await expect(page.getByText('Nothing of it is used again.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it down, plan the rest' }).click();
  await expect(page.getByRole('heading', { name: /order 2$/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^Take A/ })).toBeVisible();
  // a second device is at the same step, and sees what the first does
  const other = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const phone = await other.newPage();
  await phone.goto(address);
  await expect(stepOf(phone)).toContainText('step 1 of');
  await done(page).click();
  await expect(stepOf(phone)).toContainText('step 2 of', { timeout: 2000 });
  // without a network it goes on, and says so; what is pressed is sent when it is back
  await other.setOffline(true);
  await page.waitForTimeout(700);
  await done(phone).tap();
  await done(phone).tap();
  await expect(stepOf(phone)).toContainText('step 4 of');
  await expect(phone.getByText(/The server does not answer; \d press/)).toBeVisible();
  await expect(stepOf(page)).toContainText('step 2 of');
  await other.setOffline(false);
  await expect(stepOf(page)).toContainText('step 4 of');
  await expect(phone.getByText(/The server does not answer/)).toBeHidden();
  // both press the same step at once: it is done once
  await Promise.all([page, phone].map((p) => p.evaluate(`dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown', bubbles: true }))`))); // prettier-ignore
  await expect(stepOf(page)).toContainText('step 5 of');
  await page.waitForTimeout(700);
  await expect(stepOf(page)).toContainText('step 5 of');
  await expect(stepOf(phone)).toContainText('step 5 of');
  await other.close();
  // to the end
  await until(page, () => page.getByRole('heading', { name: 'All of it is cut.' }).isVisible());
  await page.getByRole('button', { name: 'Put it down' }).click();
  await expect(page.getByRole('heading', { name: 'It is cut, and put down.' })).toBeVisible();
  await page.getByRole('textbox', { name: 'a note for the record' }).fill('the blade is getting blunt');
  await page.keyboard.press('Enter');
  await expect(page.getByText('“the blade is getting blunt”')).toBeVisible();
});

test('a piece is measured, and one that will not do is cut again from what there is', async ({ table: page }) => {
  await begin(page);
  await until(page, () => page.getByText(/^to the pieces/).isVisible());
  await page.keyboard.press('PageDown');
  await page.keyboard.press('m');
  const width = page.getByRole('textbox', { name: 'width', exact: true });
  await width.fill('1');
  await page.keyboard.press('Tab');
  await expect(page.getByText(/It was to be .* short in width/)).toBeVisible();
  await page.getByRole('button', { name: 'It will do' }).click();
  await page.keyboard.press('m');
  await expect(width).toHaveValue('1');
  await page.getByRole('button', { name: 'Cut it again' }).click();
  await expect(page.getByRole('heading', { name: /order 2$/ })).toBeVisible();
  // it was right after all
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('heading', { name: /order 2$/ })).toBeHidden();
});

test('it opens and goes on without the server, and what was pressed then is sent when it is back', async ({
  table: page,
  browser,
  request,
}) => {
  test.setTimeout(90_000);
  const address = await begin(page);
  const other = await browser.newContext({ viewport: { width: 1024, height: 768 }, serviceWorkers: 'allow' });
  const tablet = await other.newPage();
  await tablet.goto(address);
  await tablet.evaluate(`navigator.serviceWorker.ready`);
  await tablet.reload();
  await done(tablet).click();
  await expect(stepOf(tablet)).toContainText('step 2 of');
  await expect(stepOf(page)).toContainText('step 2 of');
  await other.setOffline(true);
  await tablet.reload();
  await expect(stepOf(tablet)).toContainText('step 2 of');
  await expect(tablet.getByText(/The server does not answer. What you see is of/)).toBeVisible();
  await done(tablet).click();
  await done(tablet).click();
  // the tablet goes off, and is opened again, still without the server
  await tablet.reload();
  await expect(stepOf(tablet)).toContainText('step 4 of');
  // in the meantime somebody cuts on at the other device
  await done(page).click();
  await other.setOffline(false);
  await expect(stepOf(page)).toContainText('step 4 of');
  await expect(stepOf(tablet)).toContainText('step 4 of');
  const { events } = await (await request.get(`/api/sessions/${address.split('/').at(-1)!}`)).json();
  expect(events.map((e: { idle: string | null }) => e.idle)).toEqual([null, null, 'already', null]);
  await other.close();
});
