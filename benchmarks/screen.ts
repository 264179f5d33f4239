import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { median } from './machine.ts';
import { ADDRESS, browse, serve } from './served.ts';

/** When something was first painted, when all had been loaded, and now, in milliseconds since one went there. */
const times = () => {
  const paint = performance.getEntriesByType('paint')[0]?.startTime ?? 0;
  const { loadEventEnd } = performance.getEntriesByType('navigation')[0] as PerformanceNavigationTiming;
  return { paint, load: loadEventEnd, now: performance.now() };
};
/** The application has taken the first view over: its fields answer. */
const takenOver = (): boolean =>
  [...document.querySelectorAll('input')].some((i) => Object.keys(i).some((k) => k.startsWith('__reactProps')));

/** The first view from a warm server, its script, typing in it, and how fast the server itself is up. */
export async function* screen(): AsyncGenerator<string> {
  const data = mkdtempSync(join(tmpdir(), 'temnex-bench-'));
  await (await serve(data)).stop();
  const server = await serve(data);
  yield `server up (second start, built): ${server.ms.toFixed(0)} ms`;
  const html = readFileSync('apps/web/dist/index.html', 'utf8');
  const entry = [...html.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map((m) => m[1]!);
  const needed = new Set(entry);
  for (const file of entry)
    for (const m of readFileSync(join('apps/web/dist', file), 'utf8').matchAll(/from"\.\/([^"]+\.js)"/g))
      needed.add(`assets/${m[1]}`);
  const bytes = [...needed].reduce((sum, f) => sum + gzipSync(readFileSync(join('apps/web/dist', f))).length, 0);
  yield `script of the first view: ${(bytes / 1000).toFixed(0)} kB gzip in ${needed.size} files (of ${readdirSync('apps/web/dist/assets').filter((f) => f.endsWith('.js')).length})`;

  const browser = await browse();
  const blank: { paint: number; load: number }[] = [];
  const painted: number[] = [];
  const ready: number[] = [];
  const typed: number[] = [];
  const waited: number[] = [];
  const bareWaited: number[] = [];
  for (let i = 0; i < 20; i++) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const page = await context.newPage();
    // beside it, in turn, a page with nothing on it from the same server
    const bare = await context.newPage();
    const bareAsked = performance.now();
    await bare.goto(`${ADDRESS}/api/health`);
    await bare.waitForFunction(() => performance.getEntriesByType('paint').length > 0, null, { polling: 2 });
    bareWaited.push(performance.now() - bareAsked);
    blank.push(await bare.evaluate(times));
    await bare.close();
    const asked = performance.now();
    await page.goto(`${ADDRESS}/`);
    const field = page.getByRole('textbox', { name: 'width of the print' });
    await page.waitForFunction(takenOver, null, { polling: 2 });
    waited.push(performance.now() - asked);
    const first = await page.evaluate(times);
    painted.push(first.paint);
    ready.push(first.now);
    await field.fill('3 7/8');
    typed.push(
      await page.evaluate(async () => {
        const input = document.querySelector<HTMLInputElement>('input[aria-label="width of the print"]')!;
        const start = performance.now();
        input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
        await new Promise((r) => requestAnimationFrame(() => r(null)));
        return performance.now() - start;
      }),
    );
    await context.close();
  }
  const [bare, whole] = [median(blank.map((b) => b.paint)), median(blank.map((b) => b.load))];
  const [seen, usable] = [median(painted), median(ready)];
  yield `a blank page: painted ${bare.toFixed(0)} ms, loaded ${whole.toFixed(0)} ms (median of 20)`;
  yield `first view, cold cache, warm server: painted ${seen.toFixed(0)} ms (${(seen / bare).toFixed(1)} × the blank page), usable ${usable.toFixed(0)} ms (${(usable / whole).toFixed(1)} ×)`;
  const [longer, shorter] = [median(waited), median(bareWaited)];
  yield `from asking for it, on the wall clock: a blank page there in ${shorter.toFixed(0)} ms, the first view usable in ${longer.toFixed(0)} ms (${(longer / shorter).toFixed(1)} ×)`;
  yield `a taken length to the next frame: ${median(typed).toFixed(1)} ms (median of 20)`;
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  await page.addInitScript(() => {
    const tasks: number[] = [];
    Object.assign(globalThis, { tasks });
    new PerformanceObserver((list) => tasks.push(...list.getEntries().map((e) => e.duration))).observe({
      type: 'longtask',
      buffered: true,
    });
  });
  await page.goto(`${ADDRESS}/page/demo-first-wind/order`);
  await page.getByRole('button', { name: 'It is cut' }).waitFor();
  await page.waitForTimeout(3000);
  const longs: number[] = [];
  for (let i = 0; i < 20; i++) {
    await page.evaluate(() => ((globalThis as unknown as { tasks: number[] }).tasks.length = 0));
    await page.getByRole('button', { name: 'Plan it again' }).click();
    await page.waitForTimeout(2600);
    longs.push(await page.evaluate(() => Math.max(0, ...(globalThis as unknown as { tasks: number[] }).tasks)));
  }
  yield `longest task on the main thread while planning (tasks under 50 ms count as 0): ${median(longs).toFixed(0)} ms median, ${Math.max(...longs).toFixed(0)} ms worst of 20`;
  await browser.close();
  await server.stop();
  rmSync(data, { recursive: true, force: true });
}
