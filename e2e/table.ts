import { randomUUID } from 'node:crypto';
import { test as base, expect, type APIRequestContext, type Page } from '@playwright/test';
import { DEFAULT_HABITS } from '@temnex/core/stock';

export const DEMO = '/page/demo-first-wind';

/** How much slower than it is the processor seems to the browser; `npm run soak` goes some journeys at 6 times. */
const SLOWER = Number(process.env.TEMNEX_SLOWER ?? 1);

/** `npm run soak` looks at everything at every width; the tests at some of them, or at one by turns. */
export const isThorough = process.env.TEMNEX_EVERY_WIDTH === '1';

/** A journey that starts with a fresh demo and the usual habits, whichever came before it, and fails on any error in the browser's console. */
export const test = base.extend<{ table: Page }>({
  table: async ({ page, request }, use) => {
    await send(request, '/api/demo', { afresh: true });
    await request.put('/api/habits', { data: DEFAULT_HABITS });
    const errors: string[] = [];
    page.on('pageerror', (e) => errors.push(e.message));
    page.on('console', (m) => {
      if (m.type() === 'error' && !/net::ERR_FAILED|status of 4\d\d/.test(m.text())) errors.push(m.text());
    });
    if (SLOWER > 1)
      await (await page.context().newCDPSession(page)).send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
    await use(page);
    expect(errors).toEqual([]);
  },
});
export { expect };

/** Sends what makes or uses something, with an id of its own. */
export const send = (request: APIRequestContext, path: string, body: object = {}) =>
  request.post(path, { data: { id: randomUUID(), ...body } });

/** Types a length into a field and takes it. */
export async function give(page: Page, label: string, text: string, nth = 0): Promise<void> {
  const field = page.getByRole('textbox', { name: label, exact: true }).nth(nth);
  await field.fill(text);
  await field.press('Enter');
}

/** Goes to an address: the first time it is loaded, then as a link goes there, with all that is loaded already. */
export async function visit(page: Page, path: string): Promise<void> {
  if (page.url() === 'about:blank') await page.goto(path);
  else
    await page.evaluate((to) => {
      history.pushState(null, '', to);
      dispatchEvent(new PopStateEvent('popstate', { state: null }));
    }, path);
  await answers(page);
  await quiet(page);
}

/** Resolves once nothing on the screen has changed for a moment. */
const quiet = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<void>((done) => {
        const start = () => setTimeout(() => (seen.disconnect(), done()), 250);
        let ending = start();
        const seen = new MutationObserver(() => {
          clearTimeout(ending);
          ending = start();
        });
        seen.observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true });
      }),
  );

/** Once the application has replaced the first view's picture, keys are heard. */
export const answers = (page: Page) => expect(page.locator('#root')).not.toHaveAttribute('inert');

export const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible();

/** Selects a part by its slab, seen from the side: in the picture, others may lie over it. */
export const pick = (page: Page, name: string) =>
  page
    .getByRole('list', { name: 'The page from the side, from the top down' })
    .getByRole('button', { name: new RegExp(`^${name}`) })
    .click();

/** Opens the fields that say where what is selected lies. */
export const openPlace = (page: Page) => page.getByText(/^Lies /).click();

/** Lays a paper on a layer, on the papers screen. */
export async function layOn(page: Page, layer: string, paper: string): Promise<void> {
  await page.getByRole('row', { name: new RegExp(`^${layer},`) }).click({ position: { x: 120, y: 8 } });
  await page.getByRole('button', { name: `Lay ${paper} on ${layer}` }).click();
}
