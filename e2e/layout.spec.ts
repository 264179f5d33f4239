import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { expect, isThorough, send, test, visit } from './table.ts';

const WIDTHS = isThorough ? [360, 390, 768, 820, 1024, 1280, 1920] : [360, 768, 1280];
const HEIGHTS: Readonly<Record<number, number>> = {
  360: 780,
  390: 844,
  768: 1024,
  820: 1180,
  1024: 768,
  1280: 800,
  1920: 1080,
};
const PAGE = '/page/demo-first-wind';
const STATIONS = {
  'sizes and pages': ['/', '/choose', PAGE, '/page/demo-two-days'],
  'papers and cuts': [`${PAGE}/papers`, `${PAGE}/order`, `${PAGE}/print`, `${PAGE}/kit`],
  'the drawer': [
    '/drawer',
    '/drawer/in',
    '/drawer/wanted',
    '/drawer/together',
    '/drawer/use-up',
    '/drawer/rules',
    '/drawer/trace',
  ],
  'photos and books': [
    '/photos',
    '/photos/prints',
    '/photos/sheets',
    '/photos/sketches',
    '/books',
    '/books/backup',
    '/books/devices',
  ],
};

/** Controls that are off the screen to the side, cut off by what they lie in, or on one another; by what they are called. */
const faultsOf = (page: Page) =>
  page.evaluate(() => {
    const width = document.documentElement.clientWidth;
    const nameOf = (e: Element) =>
      (e.getAttribute('aria-label') ?? e.textContent?.trim() ?? '').slice(0, 40) || e.tagName.toLowerCase();
    /** For screen readers alone, as the button of a place to drop files is. */
    const isForEars = (e: Element) => {
      for (let p: Element | null = e; p; p = p.parentElement) {
        const { clip, clipPath } = getComputedStyle(p);
        if (clip !== 'auto' || clipPath !== 'none') return true;
      }
      return false;
    };
    const controls = [...document.querySelectorAll<HTMLElement>('a, button, input, select, textarea, summary')]
      .filter((e) => !e.closest('svg, [hidden], [data-scrolls]') && e.checkVisibility({ visibilityProperty: true }))
      .filter((e) => !isForEars(e) && (e as HTMLInputElement).type !== 'file')
      // of words that run over two lines, the first
      .map((e) => ({ e, box: e.getClientRects()[0]! }))
      .filter(({ e, box }) => box && box.width > 2 && box.height > 2 && getComputedStyle(e).opacity !== '0');
    const faults: string[] = [];
    for (const { e, box } of controls) {
      if (box.left < -1 || box.right > width + 1)
        faults.push(`off the screen: ${nameOf(e)} (${Math.round(box.left)} to ${Math.round(box.right)})`);
      for (let p = e.parentElement; p && p !== document.body; p = p.parentElement) {
        const style = getComputedStyle(p);
        if (style.overflowX === 'visible' || p.tagName === 'DETAILS') continue;
        const frame = p.getBoundingClientRect();
        if (box.left < frame.left - 1 || box.right > frame.right + 1) faults.push(`cut off: ${nameOf(e)}`);
        break;
      }
    }
    /** What is to be seen of a control within all that it scrolls in. */
    const seen = controls.map(({ e, box }) => {
      const { left, right, top, bottom } = box;
      const part = { left, right, top, bottom };
      for (let p = e.parentElement; p && p !== document.body; p = p.parentElement) {
        if (getComputedStyle(p).overflowX === 'visible') continue;
        const frame = p.getBoundingClientRect();
        part.left = Math.max(part.left, frame.left);
        part.right = Math.min(part.right, frame.right);
        part.top = Math.max(part.top, frame.top);
        part.bottom = Math.min(part.bottom, frame.bottom);
      }
      return { e, ...part };
    });
    /** What stays in sight while one scrolls lies over what is reached by scrolling. */
    const staysInSight = (e: Element) => {
      for (let p: Element | null = e; p; p = p.parentElement)
        if (['fixed', 'sticky'].includes(getComputedStyle(p).position)) return true;
      return false;
    };
    seen.forEach((a, i) => {
      for (const b of seen.slice(i + 1)) {
        if (a.e.contains(b.e) || b.e.contains(a.e)) continue;
        const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
        const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
        if (across > 3 && down > 3 && staysInSight(a.e) === staysInSight(b.e))
          faults.push(`on one another: ${nameOf(a.e)} and ${nameOf(b.e)}`);
      }
    });
    return [...new Set(faults)];
  });

for (const filled of [true, false])
  for (const [room, paths] of Object.entries(STATIONS))
    test(`every control of ${room} is in sight and by itself at every width, ${filled ? 'on the example' : 'with nothing there'}`, async ({
      table: page,
      request,
    }) => {
      if (isThorough) test.setTimeout(900_000);
      if (!filled) await request.delete('/api/demo');
      // with something to undo, which the bar then says
      const step = randomUUID();
      const item = { id: randomUUID(), paper: 'demo-chalk', unit: 'in', width: '3', height: '2', quantity: 1 };
      if (filled && room === 'the drawer') {
        const put = [{ ...item, kind: 'scrap' }];
        expect((await send(request, '/api/drawer/steps', { id: step, says: 'put-in', put })).ok()).toBe(true);
      }
      const faults: Record<string, string[]> = {};
      for (const path of paths.filter((one) => filled || !one.startsWith('/page'))) {
        for (const width of WIDTHS) {
          await page.setViewportSize({ width, height: HEIGHTS[width]! });
          if (width === WIDTHS[0]) {
            await visit(page, path);
            await expect(page.getByRole('link', { name: 'Temnex, start' })).toBeVisible();
          }
          await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
          const found = await faultsOf(page);
          if (found.length) faults[`${path} at ${width}`] = found;
        }
      }
      if (filled && room === 'the drawer') await send(request, `/api/drawer/steps/${step}/undo`);
      expect(faults).toEqual({});
      if (!filled) await send(request, '/api/demo', { afresh: true });
    });
