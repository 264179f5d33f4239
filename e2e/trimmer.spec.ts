import { spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { DEMO, expect, test } from './table.ts';

const done = (page: Page) => page.getByRole('button', { name: 'Done', exact: true });
const stepOf = (page: Page) => page.getByText(/^step \d+ of \d+|^all \d+ steps done/);
/**
 * Goes on by a step. A press right after another device has moved on is not taken for a step that one has not seen yet: then it is
 * pressed again, as anybody would.
 */
async function onward(page: Page, press: () => Promise<void>): Promise<void> {
  const before = (await stepOf(page).textContent())!;
  await expect(async () => {
    if ((await stepOf(page).textContent()) === before) await press();
    await expect(stepOf(page)).not.toHaveText(before, { timeout: 1000 });
  }).toPass();
}
/** Presses on until something is on the screen. */
async function until(page: Page, there: () => Promise<boolean>): Promise<void> {
  for (let i = 0; i < 120 && !(await there()); i++) await onward(page, () => page.keyboard.press('PageDown'));
  expect(await there()).toBe(true);
}
/** The rest is planned; where sheets that are not begun could be cut anew to save one, they stay as they are. */
async function secondOrder(page: Page): Promise<void> {
  const second = page.getByRole('heading', { name: /order 2$/ });
  const keep = page.getByRole('button', { name: 'Keep those sheets as planned' });
  await expect(second.or(keep)).toBeVisible();
  if (await keep.isVisible()) await keep.click();
  await expect(second).toBeVisible();
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
  const taken = page.getByRole('heading', { name: /^Take [B-Z] and cut$/ });
  await until(page, () => taken.isVisible());
  const torn = (await taken.textContent())!.split(' ')[1]!;
  await page.keyboard.press('w');
  await page.getByRole('button', { name: 'It is torn or crooked' }).click();
  await expect(page.getByText('Nothing of it is used again.')).toBeVisible();
  await page.getByRole('button', { name: 'Put it down, plan the rest' }).click();
  await secondOrder(page);
  // what is torn is gone: what was next keeps its letter; paper that comes in goes on from the last, whichever is taken first
  await expect(page.getByRole('heading', { name: /^Take [A-Z]\b/ })).toBeVisible();
  await expect(page.getByRole('heading', { name: new RegExp(`^Take ${torn}\\b`) })).toBeHidden();
  // a second device is at the same step, and sees what the first does
  const other = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const phone = await other.newPage();
  await phone.goto(address);
  await expect(stepOf(phone)).toContainText('step 1 of');
  await done(page).click();
  await expect(stepOf(phone)).toContainText('step 2 of');
  // without a network it goes on, and says so; what is pressed is sent when it is back
  await other.setOffline(true);
  for (let n = 0; n < 2; n++) await onward(phone, () => done(phone).tap());
  await expect(stepOf(phone)).toContainText('step 4 of');
  await expect(phone.getByText(/The server does not answer; \d press/)).toBeVisible();
  await expect(stepOf(page)).toContainText('step 2 of');
  await other.setOffline(false);
  await expect(stepOf(page)).toContainText('step 4 of');
  await expect(phone.getByText(/The server does not answer/)).toBeHidden();
  // both press the same step at once: it is done once
  await Promise.all([page, phone].map((p) => p.evaluate(`dispatchEvent(new KeyboardEvent('keydown', { key: 'PageDown', bubbles: true }))`))); // prettier-ignore
  await expect(stepOf(page)).toContainText('step 5 of');
  for (const one of [page, phone]) await expect(one.getByText(/being sent/)).toBeHidden();
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
  // the record has it, with what was torn; taken back, it is not gone from there
  await page.goto('/books');
  const entry = page.getByRole('list', { name: 'What was cut, the latest first' }).getByRole('listitem').first();
  await expect(entry).toContainText('one torn');
  await expect(entry).toContainText('the blade is getting blunt');
  await page.goto(address);
  const sent = page.waitForResponse((answer) => answer.url().endsWith('/events') && answer.ok());
  await page.getByRole('button', { name: 'Take it back: it is not put down' }).click();
  await expect(page.getByRole('heading', { name: 'All of it is cut.' })).toBeVisible();
  await sent;
  await page.goto('/books');
  await expect(entry).toContainText('in progress');
  await entry.getByText('What it took and gave').click();
  await expect(entry).toContainText('taken back');
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
  await page.getByRole('button', { name: 'It will do', exact: true }).click();
  await page.keyboard.press('m');
  await expect(width).toHaveValue('1');
  await page.getByRole('button', { name: 'Cut it again' }).click();
  await secondOrder(page);
  // it was right after all
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('heading', { name: /order 2$/ })).toBeHidden();
  // what depends on it follows: the mat under it is another size now, and is planned so
  const mats = async () => {
    const { document } = await (await page.request.get('/api/pages/demo-first-wind')).json();
    return JSON.stringify(document.items);
  };
  const before = await mats();
  await page.keyboard.press('m');
  await width.fill('4 3/16');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'It will do, and the rest follows' }).click();
  await secondOrder(page);
  expect(await mats()).not.toBe(before);
  expect(await mats()).toContain('4 3/16');
});

test('the same cut is one step however often it is made; where one of them goes wrong, those before it are done', async ({
  table: page,
  request,
}) => {
  const address = await begin(page);
  await until(page, () => page.getByRole('heading', { name: 'Cut 3 times' }).isVisible());
  await expect(page.locator('[data-says=off]')).toContainText('pennants, 3 times');
  // on and back, as one
  const here = (await stepOf(page).textContent())!;
  await page.keyboard.press('PageDown');
  await page.keyboard.press('ArrowLeft');
  await expect(stepOf(page)).toHaveText(here);
  await page.keyboard.press('w');
  await page
    .getByRole('combobox', { name: 'which of the 3 cuts' })
    .selectOption({ label: 'number 2; the one before it is fine' });
  await page.getByRole('button', { name: 'It is torn or crooked' }).click();
  await page.getByRole('button', { name: 'Put it down, plan the rest' }).click();
  await secondOrder(page);
  const { events } = await (await request.get(`/api/sessions/${address.split('/').at(-1)!}`)).json();
  const deeds = events.map((e: { event: { deed: { do: string; step: number; through?: number } } }) => e.event.deed);
  const wrong = deeds.findLast((deed: { do: string }) => deed.do === 'wrong');
  expect(events.every((e: { idle: string | null }) => e.idle === null)).toBe(true);
  // the turn and the first of the cuts
  expect(deeds.at(deeds.indexOf(wrong) - 1)).toMatchObject({
    do: 'done',
    step: wrong.step - 2,
    through: wrong.step - 1,
  });
});

test('it opens and goes on without the server, and what was pressed then is sent when it is back', async ({
  table: page,
  browser,
  request,
}) => {
  const address = await begin(page);
  const other = await browser.newContext({ viewport: { width: 1024, height: 768 }, serviceWorkers: 'allow' });
  const tablet = await other.newPage();
  await tablet.goto(address);
  await tablet.evaluate(`navigator.serviceWorker.ready`);
  await tablet.reload();
  await done(tablet).click();
  await expect(stepOf(tablet)).toContainText('step 2 of');
  await expect(stepOf(page)).toContainText('step 2 of');
  // also what goes past the emulation: nothing pressed on it reaches the server
  await other.route('**/events', (route) => route.abort());
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
  const taken = async () => (await (await request.get(`/api/sessions/${address.split('/').at(-1)!}`)).json()).events;
  await expect.poll(async () => (await taken()).length).toBe(2);
  await other.unroute('**/events');
  await other.setOffline(false);
  await expect(stepOf(page)).toContainText('step 4 of');
  await expect(stepOf(tablet)).toContainText('step 4 of');
  expect((await taken()).map((e: { idle: string | null }) => e.idle)).toEqual([null, null, 'already', null]);
  await other.close();
});

test('a kit of twelve: for whom, cut in stacks, told by bag, with packing lists and labels', async ({
  table: page,
}) => {
  await page.goto(`${DEMO}/order`);
  await page.getByRole('textbox', { name: 'of this page' }).fill('12');
  await page.keyboard.press('Enter');
  await page.getByRole('combobox', { name: 'sheets cut at once' }).selectOption('4');
  await page.getByRole('link', { name: 'For whom, packing lists, labels' }).click();
  await expect(page.getByText('12 bags, 11 pieces in each, 132 in all.')).toBeVisible();
  await page.getByRole('textbox', { name: 'for whom, one a line' }).fill('Runa\nIver\nMaren');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('region', { name: 'Packing list for Iver' })).toContainText('First wind at Saltmarsh Point, 2 of 12'); // prettier-ignore
  await expect(page.getByRole('region', { name: 'Packing list for Bag 12' })).toBeVisible();
  await page.getByRole('combobox', { name: 'what is shown and printed' }).selectOption('labels');
  await expect(page.getByText('bag 12 of 12 · 11 pieces')).toBeVisible();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('textbox', { name: 'for whom, one a line' })).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('link', { name: 'To the cutting order' }).click();
  await page.getByRole('button', { name: 'To the trimmer' }).click();
  await page.waitForURL('**/trimmer/**');
  // a piece says whose it is as it comes off
  await until(page, () => page.getByText(/for page \d+(, (Runa|Iver|Maren)| of 12)/).first().isVisible()); // prettier-ignore
});

test('a backup is saved, and restored into an empty folder on another computer', async ({ table: page, browser }) => {
  const folder = mkdtempSync(join(tmpdir(), 'temnex-empty-'));
  const port = Number(process.env.TEMNEX_TEST_PORT ?? 4329) + 50 + test.info().parallelIndex;
  await page.goto('/books/backup');
  const saved = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save a backup' }).click();
  const file = join(folder, 'saved.zip');
  await (await saved).saveAs(file);
  const server = spawn(process.execPath, ['--disable-warning=ExperimentalWarning', 'apps/server/dist/main.js'], {
    env: { ...process.env, TEMNEX_PORT: String(port), TEMNEX_DATA: join(folder, 'data'), TEMNEX_DEMO: 'no' },
    stdio: 'ignore',
  });
  try {
    const other = await (await browser.newContext({ baseURL: `http://127.0.0.1:${port}` })).newPage();
    await expect.poll(() => other.goto('/books/backup').then(() => true, () => false)).toBe(true); // prettier-ignore
    const choosing = other.waitForEvent('filechooser');
    await other.getByRole('button', { name: 'Choose a backup' }).click();
    await (await choosing).setFiles(file);
    await expect(other.getByRole('row', { name: /^pages \d+ 0$/ })).toBeVisible();
    await other.getByRole('button', { name: 'Put it back' }).click();
    await expect(other.getByText(/^It is back: \d+ pages/)).toBeVisible();
    await other.goto('/');
    await expect(other.getByRole('link', { name: /First wind at Saltmarsh Point/ }).first()).toBeVisible();
    expect(readdirSync(join(folder, 'data', 'copies')).join()).toContain('before-restoring');
  } finally {
    server.kill();
    rmSync(folder, { recursive: true, force: true });
  }
});

test('pages that are cut together are one session; what went wrong is planned anew for all of them', async ({
  table: page,
}) => {
  await page.goto('/drawer/together?pages=demo-first-wind,demo-two-days');
  // while better ones come, what is beside them moves under a pointer
  await page.getByRole('button', { name: 'To the trimmer' }).press('Enter');
  await page.waitForURL('**/trimmer/**');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('First wind at Saltmarsh Point, Two days on the shingle'); // prettier-ignore
  await until(page, () => page.getByRole('heading', { name: /\bcut$/i }).isVisible());
  await page.keyboard.press('w');
  await page.getByRole('button', { name: 'It is torn or crooked' }).click();
  await page.getByRole('button', { name: 'Put it down, plan the rest' }).click();
  await secondOrder(page);
  await page.keyboard.press('u');
  await expect(page.getByRole('heading', { name: /order 2$/ })).toBeHidden();
});
