import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { seededRandom } from '@temnex/core/planner';
import { median } from './machine.ts';
import { ADDRESS, browse, serve } from './served.ts';

/** A drawer of 10 000 items in 200 papers, made by the same requests that the interface sends. */
const PAPERS = 200;
const ITEMS = 10_000;
const DEMO = `${ADDRESS}/page/demo-first-wind`;
const TIMES = 20;

async function fill(): Promise<void> {
  const R = seededRandom(28);
  const upTo = (n: number) => Math.floor(R() * n);
  const send = async (path: string, body: object): Promise<{ id: string }> => {
    const answer = await fetch(`${ADDRESS}${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ id: randomUUID(), ...body }),
    });
    if (!answer.ok) throw new Error(`${path}: ${await answer.text()}`);
    return (await answer.json()) as { id: string };
  };
  const colour = () => `#${[0, 1, 2].map(() => (40 + upTo(200)).toString(16)).join('')}`;
  const papers: string[] = [];
  for (let i = 0; i < PAPERS; i++) {
    const look = { pattern: (['plain', 'stripes', 'dots', 'waves'] as const)[i % 4]!, ground: colour(), ink: colour() };
    const side = { side: 'A', name: 'front', direction: i % 4 === 1 ? 'two-way' : 'none', along: 'height', look };
    papers.push((await send('/api/papers', { name: `Gale ${i + 1}`, sides: [side] })).id);
  }
  for (let i = 0; i < ITEMS; i++) {
    const sheet = i % 5 === 0;
    const size = sheet ? ['12', '12'] : [`${2 + upTo(160) / 16}`, `${2 + upTo(10)}`];
    await send('/api/stock', {
      paper: papers[upTo(PAPERS)]!,
      unit: 'in',
      width: size[0]!,
      height: size[1]!,
      quantity: 1 + upTo(3),
      kind: sheet ? 'sheet' : 'scrap',
    });
  }
}

/** How long it takes, from the press, until something is there and has been painted; seen from within the page. */
async function until(page: Page, press: () => Promise<void>, there: string): Promise<number> {
  // as text: what compiles this file gives functions names that a page does not know
  const seen = page.evaluate<number>(`new Promise((resolve) => {
    let pressed = 0;
    for (const type of ['pointerdown', 'keydown'])
      addEventListener(type, () => (pressed ||= performance.now()), { capture: true, once: true });
    (function look() {
      if (pressed && document.querySelector(${JSON.stringify(there)}))
        requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - pressed)));
      else requestAnimationFrame(look);
    })();
  })`);
  await press();
  return seen;
}

const told = (what: string, times: readonly number[], bar: number): string =>
  `${what}: ${median(times).toFixed(0)} ms median of ${times.length}, ${Math.max(...times).toFixed(0)} ms at most (bar ${bar})`;

/** Stations, putting on a page and a new paper with the demo's drawer; then papers and order with a full one. */
export async function* drawer(): AsyncGenerator<string> {
  const data = mkdtempSync(join(tmpdir(), 'temnex-bench-'));
  const server = await serve(data);
  const browser = await browse();
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const station = (name: string) => page.getByRole('navigation', { name: 'Order of the work' }).getByText(name);
  const there = { 'Page and parts': '[aria-label="The page to scale"]', Papers: '[aria-label="Layers"]' };
  const goes = async (name: keyof typeof there | 'Cutting order', what: string) => {
    const ms = await until(page, () => station(name).click(), what);
    await page.waitForTimeout(400);
    return ms;
  };
  const rounds = async (times: number, first: string) => {
    await page.goto(DEMO);
    await page.locator(there['Page and parts']).waitFor();
    await page.waitForTimeout(3000);
    const [papers, order, back]: number[][] = [[], [], []];
    for (let i = 0; i < times; i++) {
      papers!.push(await goes('Papers', there.Papers));
      order!.push(await goes('Cutting order', first));
      back!.push(await goes('Page and parts', there['Page and parts']));
    }
    return { papers: papers!, order: order!, back: back! };
  };
  const film = '[aria-label="Cuts in order"] li';
  const few = await rounds(TIMES, film);
  yield told('from the page to its papers', few.papers, 200);
  yield told('from papers to the cutting order', few.order, 200);
  yield told('from the order to the page', few.back, 200);
  const put: number[] = [];
  for (let i = 0; i < TIMES; i++) {
    await page.goto(`${ADDRESS}/`);
    await page.waitForTimeout(1500);
    const button = page.getByRole('button', { name: 'Put it on a page' });
    put.push(await until(page, () => button.click(), there['Page and parts']));
  }
  yield told('put on a page', put, 200);

  await fill();
  await page.goto(`${ADDRESS}/`);
  const answers: number[] = [];
  for (let i = 0; i < TIMES; i++) {
    const start = performance.now();
    await (await fetch(`${ADDRESS}/api/drawer`)).text();
    answers.push(performance.now() - start);
  }
  yield told('the full drawer, answered by the server', answers, 500);
  const many = await rounds(TIMES, film);
  yield told('from the page to the papers of a full drawer', many.papers, 500);
  yield told('from papers to the cutting order', many.order, 500);
  yield told('from the order to the page', many.back, 500);
  await browser.close();
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
