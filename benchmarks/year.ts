import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { median } from './machine.ts';
import { lesson, mixed } from './load.ts';
import { ADDRESS, browse, serve } from './served.ts';

/** A seeded year of use (10 000 items, 300 pages, 300 cuttings): opening, scrolling, searching, changing and beginning to plan. */
const TIMES = 20;

const told = (what: string, times: readonly number[], bar: number, unit = 'ms'): string =>
  `${what}: ${median(times).toFixed(0)} ${unit} median of ${times.length}, ${Math.max(...times).toFixed(0)} at most (bar ${bar})`;

/** From going to an address until something is there and painted, in a browser that has the application already. */
async function opens(page: Page, path: string, there: string): Promise<number> {
  await page.goto(`${ADDRESS}${path}`);
  await page.locator(there).first().waitFor();
  // as text: what compiles this file gives functions names that a page does not know
  return page.evaluate<number>(
    `new Promise((resolve) => requestAnimationFrame(() => setTimeout(() => resolve(performance.now()))))`,
  );
}

/** From a press until something is there and has been painted; seen from within the page. */
async function pressed(page: Page, press: () => Promise<void>, there: string): Promise<number> {
  const seen = page.evaluate<number>(`new Promise((resolve) => {
    let at = 0;
    const path = location.pathname;
    for (const type of ['pointerdown', 'keydown'])
      addEventListener(type, () => (at ||= performance.now()), { capture: true, once: true });
    (function look() {
      if (at && location.pathname !== path && document.querySelector(${JSON.stringify(there)}))
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - at)));
      else requestAnimationFrame(look);
    })();
  })`);
  await press();
  return seen;
}

/** How long each frame took while something was scrolled from top to bottom, step by step. */
const scrolled = (page: Page, what: string): Promise<number[]> =>
  page.evaluate<number[]>(`new Promise((resolve) => {
    const list = document.querySelector(${JSON.stringify(what)});
    const frames = [];
    let last = performance.now();
    let n = 0;
    (function frame() {
      const now = performance.now();
      if (n > 0) frames.push(now - last);
      last = now;
      list.scrollTop += 240;
      if (++n < 240) requestAnimationFrame(frame);
      else resolve(frames);
    })();
  })`);

/** From a key in the field until the number of what was found is another one and painted. */
const answered = async (page: Page, text: string): Promise<number> => {
  const seen = page.evaluate<number>(`new Promise((resolve) => {
    const count = document.querySelector('section p[role="status"] b');
    const before = count.textContent;
    let pressed = 0;
    addEventListener('input', () => (pressed ||= performance.now()), { capture: true, once: true });
    (function look() {
      if (pressed && count.textContent !== before)
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - pressed)));
      else requestAnimationFrame(look);
    })();
  })`);
  await page.locator('[data-say-line]').first().fill(text);
  return seen;
};

/** From a change of a habit on a page's cutting order, typed, until its planner has its job, and until it first answers. */
async function planned(page: Page, id: string): Promise<{ begun: number[]; first: number[] }> {
  await page.addInitScript(`(() => {
    const post = Worker.prototype.postMessage;
    Worker.prototype.postMessage = function (message, ...more) {
      if (message && message.job) {
        window.begunAt ||= performance.now();
        this.addEventListener('message', () => (window.answeredAt ||= performance.now()));
      }
      return post.call(this, message, ...more);
    };
    addEventListener('keydown', () => (window.pressedAt ||= performance.now()), { capture: true });
  })()`);
  const begun: number[] = [];
  const first: number[] = [];
  await page.goto(`${ADDRESS}/page/${id}/order`);
  const field = page.getByRole('textbox', { name: 'keep from, short side' });
  for (let i = 0; i < TIMES; i++) {
    await page.locator('[aria-label="Cuts in order"] li').first().waitFor();
    await page.waitForTimeout(3500);
    await field.focus();
    await field.fill(i % 2 ? '1' : '1 1/8');
    await page.evaluate('window.begunAt = window.answeredAt = window.pressedAt = 0');
    await page.keyboard.press('Enter');
    // not as text: the page allows no text to be run
    await page.waitForFunction(() => (window as unknown as { answeredAt: number }).answeredAt, null, {
      timeout: 30_000,
    });
    const [pressed, began, answered] = await page.evaluate<[number, number, number]>(
      `[window.pressedAt, window.begunAt, window.answeredAt]`,
    );
    begun.push(began - pressed);
    first.push(answered - pressed);
  }
  return { begun, first };
}

export async function* year(): AsyncGenerator<string> {
  const given = process.env.TEMNEX_YEAR;
  const data = given ?? mkdtempSync(join(tmpdir(), 'temnex-bench-'));
  if (!given) {
    rmSync(data, { recursive: true });
    execFileSync(process.execPath, ['scripts/year.mjs', data], { stdio: 'ignore' });
  }
  const server = await serve(data);
  const browser = await browse();
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const pages = (await (await fetch(`${ADDRESS}/api/pages`)).json()) as { id: string; stage: string; name: string }[];
  const open = pages.find((p) => p.stage === 'papers' && p.name.startsWith('The first wind')) ?? pages[0]!;
  await opens(page, '/', 'main');
  for (const [what, path, there] of [
    ['the start', '/', '[aria-label="Pages"] li'],
    ['the drawer', '/drawer', '[role="option"]'],
    ['the drawer as a table', '/drawer?as=table', '[role="row"] [role="gridcell"]'],
    ['many to put in', '/drawer/in', '[role="cell"]'],
    ['a page', `/page/${open.id}`, '[aria-label="The page to scale"]'],
    ['its papers', `/page/${open.id}/papers`, '[aria-label="Layers"]'],
    ['its cutting order', `/page/${open.id}/order`, '[aria-label="Cuts in order"] li'],
  ] as const) {
    const times: number[] = [];
    for (let i = 0; i < 5; i++) times.push(await opens(page, path, there));
    yield told(`${what} opened anew`, times, 500);
  }
  // within the application, from the press to the painted screen
  const there = { station: '[aria-label="Order of the work"]', drawer: '[role="option"]' };
  const inside: Record<string, number[]> = {};
  const goes = async (name: string, press: () => Promise<void>, until: string) => {
    (inside[name] ??= []).push(await pressed(page, press, until));
    await page.waitForTimeout(300);
  };
  const link = (name: string) => page.getByRole('link', { name });
  for (let i = 0; i < TIMES; i++) {
    await page.goto(`${ADDRESS}/`);
    await page.locator('[aria-label="Pages"] li').first().waitFor();
    await page.waitForTimeout(i ? 500 : 2500);
    await goes('the drawer', () => link('The drawer').click(), there.drawer);
    await goes('many to put in', () => link('Put many in').click(), '[role="cell"]');
    await goes('the start', () => link('Temnex, start').click(), '[aria-label="Pages"] li');
    await goes(
      'a page',
      () => page.locator('[aria-label="Pages"] li a').first().click(),
      '[aria-label="The page to scale"]',
    );
    await goes('its papers', () => page.locator(there.station).getByText('Papers').click(), '[aria-label="Layers"]');
    await goes('its cutting order', () => page.locator(there.station).getByText('Cutting order').click(), 'h2');
  }
  for (const [name, times] of Object.entries(inside)) yield told(`${name}, from the press`, times, 500);
  for (const [as, what] of [
    ['wall', '[role="listbox"]'],
    ['table', '[role="grid"]'],
  ] as const) {
    await page.goto(`${ADDRESS}/drawer?as=${as}`);
    await page.locator(`${what} >> nth=0`).waitFor();
    await page.waitForTimeout(800);
    const frames = (await scrolled(page, what)).sort((a, b) => a - b);
    const at = (share: number) => frames[Math.floor(frames.length * share)]!.toFixed(1);
    const smooth = (100 * frames.filter((f) => f <= 32).length) / frames.length;
    yield `scrolling the ${as}: ${smooth.toFixed(1)} % of ${frames.length} frames ≤ 32 ms (bar 95), half ${at(0.5)} ms, 95 % ${at(0.95)} ms`;
  }
  await page.goto(`${ADDRESS}/drawer`);
  await page.locator('[role="option"]').first().waitFor();
  const lines = ['reaches 11 1/2 x 3', 'near teal', 'stripes', 'in box 2', 'scraps narrower than 5', 'gale', 'older than 6 months', 'one way 4 x 6', '#20315c', 'free scraps in tray 1']; // prettier-ignore
  const answers: number[] = [];
  for (const line of [...lines, ...lines.map((l) => `${l} wider than 1`)]) answers.push(await answered(page, line));
  yield told('a search answered and painted', answers, 100);
  const sent: number[] = [];
  const took: number[] = [];
  const drawer = (await (await fetch(`${ADDRESS}/api/drawer`)).json()) as {
    book: string;
    seq: number;
    stock: { id: string }[];
  };
  let { seq } = drawer;
  for (let i = 0; i < TIMES; i++) {
    const start = performance.now();
    await fetch(`${ADDRESS}/api/drawer/steps`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        id: `bench-${Date.now()}-${i}`,
        says: 'moved',
        change: [{ stock: drawer.stock[i * 31]!.id, place: `box ${i}` }],
      }),
    });
    const answer = await (await fetch(`${ADDRESS}/api/drawer?book=${drawer.book}&since=${seq}`)).text();
    took.push(performance.now() - start);
    sent.push(answer.length);
    ({ seq } = JSON.parse(answer) as { seq: number });
  }
  yield told('a change made, and what changed fetched', took, 100);
  yield told('sent for a change', sent, 4000, 'bytes');
  const waits = await planned(page, open.id);
  yield told('planning begins against the whole drawer, from the key', waits.begun, 200);
  yield told('its first plan is there', waits.first, 1000);
  await browser.close();
  yield* mixed();
  yield* lesson();
  await server.stop();
  if (!given) rmSync(data, { recursive: true, force: true });
}
