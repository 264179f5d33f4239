import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { median } from './machine.ts';
import { ADDRESS, browse, serve } from './served.ts';

/** At the trimmer: from a press to the next step, from a cut gone wrong to the new order, from opening to the first step. */
const TIMES = 20;
const SLOWER = 6;

const told = (what: string, times: readonly number[], bar: number): string =>
  `${what}: ${median(times).toFixed(0)} ms median of ${times.length}, ${Math.max(...times).toFixed(0)} at most (bar ${bar})`;

/** From a key until the next step is drawn: the frame after the one in which it is there has begun. */
const pressed = (page: Page, key: string): Promise<number> =>
  page.evaluate<number>(`new Promise((resolve) => {
    const line = [...document.querySelectorAll('header p')].at(-1);
    const before = line.textContent;
    const drawn = new MessageChannel();
    const start = performance.now();
    drawn.port1.onmessage = () => resolve(performance.now() - start);
    new MutationObserver((_, seen) => {
      if (line.textContent === before) return;
      seen.disconnect();
      // what is posted within a frame comes after it is painted
      requestAnimationFrame(() => drawn.port2.postMessage(0));
    }).observe(line, { subtree: true, childList: true, characterData: true });
    dispatchEvent(new KeyboardEvent('keydown', { key: ${JSON.stringify(key)}, bubbles: true }));
  })`);

export async function* trimmer(): AsyncGenerator<string> {
  const data = mkdtempSync(join(tmpdir(), 'temnex-bench-'));
  const server = await serve(data);
  const browser = await browse();
  const page = await (await browser.newContext({ viewport: { width: 1024, height: 768 } })).newPage();
  await page.goto(`${ADDRESS}/page/demo-first-wind/order`);
  await page.getByRole('button', { name: 'To the trimmer' }).click();
  await page.waitForURL('**/trimmer/**');
  const address = page.url();
  const opened: number[] = [];
  for (let i = 0; i < TIMES; i++) {
    await page.goto(address);
    await page.locator('main svg[role="img"]').waitFor();
    opened.push(
      await page.evaluate<number>(
        `new Promise((resolve) => requestAnimationFrame(() => setTimeout(() => resolve(performance.now()))))`,
      ),
    );
  }
  yield told('the first step of a stored order, opened anew', opened, 1000);
  const slow = await page.context().newCDPSession(page);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: SLOWER });
  const steps: number[] = [];
  for (let i = 0; i < TIMES; i++) {
    await page.waitForTimeout(700);
    steps.push(await pressed(page, 'PageDown'));
  }
  yield told(`from a press to the next step, ${SLOWER} × slower`, steps, 50);
  await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 });
  const anew: number[] = [];
  for (let i = 0; i < TIMES; i++) {
    // to a cut
    for (let n = 0; n < 40 && !(await page.getByText('comes off', { exact: true }).isVisible()); n++) {
      await page.keyboard.press('PageDown');
      await page.waitForTimeout(150);
    }
    await page.keyboard.press('w');
    await page.getByRole('button', { name: 'It is torn or crooked' }).click();
    const waits = page.evaluate<number>(`new Promise((resolve) => {
      let start = 0;
      addEventListener('pointerdown', () => (start ||= performance.now()), { capture: true, once: true });
      (function look() {
        const there = document.querySelector('h1')?.textContent.endsWith('order 2');
        if (start && there && document.querySelector('main svg[role="img"]'))
          requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - start)));
        else requestAnimationFrame(look);
      })();
    })`);
    await page.getByRole('button', { name: 'Put it down, plan the rest' }).click();
    anew.push(await waits);
    // it was right after all, so that there is paper for the next
    await page.keyboard.press('ArrowLeft');
    await page.waitForFunction(() => !document.querySelector('h1')!.textContent.includes('order'));
    await page.waitForTimeout(800);
  }
  yield told('from a cut gone wrong to the first step of the new order', anew, 1000);
  await browser.close();
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
