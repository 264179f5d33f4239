import { MARKS, lengthOf } from '@temnex/core/length';
import { RECIPE_IDS, recipeOf } from '@temnex/core/recipes';
import { emptyPage, newItem } from '@temnex/core/page';
import { answers, expect, isThorough, send, test } from './table.ts';

const WIDTHS = [820, 1024, 1280, 1920];
/** The widths that the one at a place of a list is looked at. */
const widthsAt = (place: number) => (isThorough ? WIDTHS : [WIDTHS[place % WIDTHS.length]!]);

/** Numbers of the drawing that stand on one another, by what they are. */
const overlaps = () => {
  const spots = [...document.querySelectorAll<HTMLElement | SVGElement>('[data-spot]')].filter(
    (e) => e.getClientRects().length,
  );
  const boxes = spots.map((e) => ({ e, box: e.getBoundingClientRect() }));
  const nameOf = (e: Element) =>
    `${e.querySelector('input')?.getAttribute('aria-label') ?? ''} ${e.textContent ?? ''}`.trim();
  return boxes.flatMap(({ e: a, box: p }, i) =>
    boxes.slice(i + 1).flatMap(({ e: b, box: q }) => {
      const across = Math.min(p.right, q.right) - Math.max(p.left, q.left);
      const down = Math.min(p.bottom, q.bottom) - Math.max(p.top, q.top);
      return across > 3 && down > 3 ? [`${nameOf(a)} | ${nameOf(b)}`] : [];
    }),
  );
};

for (const half of [0, 1])
  test(`no number of a drawing stands on another, in any construction, ${half + 1} of 2`, async ({ table: page }) => {
    const faults: Record<string, string[]> = {};
    await page.goto('/');
    await answers(page);
    const line = page.getByLabel('Say it in one line');
    const phrases = RECIPE_IDS.filter((_, i) => i % 2 === half).flatMap((id) => {
      const all = recipeOf(id).phrases;
      return isThorough ? all : all.slice(0, 1);
    });
    for (const [place, phrase] of phrases.entries()) {
      await line.fill(phrase);
      await page.keyboard.press('Enter');
      await expect(line).toHaveValue('');
      for (const width of widthsAt(place)) {
        await page.setViewportSize({ width, height: width === 820 ? 1180 : 800 });
        await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
        const found = await page.evaluate(overlaps);
        if (found.length) faults[`${phrase} at ${width}`] = found;
      }
    }
    expect(faults).toEqual({});
  });

test('nor on the page, where what is chosen says where it lies', async ({ table: page, request }) => {
  const desk = {
    unit: 'in' as const,
    mark: MARKS['1/16'],
    room: { width: lengthOf('12'), height: lengthOf('12'), seams: [] },
  } as const;
  const faults: Record<string, string[]> = {};
  for (const [place, id] of RECIPE_IDS.entries()) {
    if (!isThorough && place % 3) continue;
    let n = 0;
    const input = recipeOf(id).start(desk, () => `${id}-${(n += 1)}`);
    const document = { ...emptyPage(id), items: [newItem({ id, name: 'this', recipe: id, input })] };
    expect((await send(request, '/api/pages', { id: `only-${id}`, document })).status()).toBe(201);
    await page.goto(`/page/only-${id}`);
    await page
      .getByRole('list', { name: 'The page from the side, from the top down' })
      .getByRole('button')
      .first()
      .click();
    for (const width of widthsAt(place)) {
      await page.setViewportSize({ width, height: width === 820 ? 1180 : 800 });
      await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
      const found = await page.evaluate(overlaps);
      if (found.length) faults[`${id} at ${width}`] = found;
    }
    await request.delete(`/api/pages/only-${id}`);
  }
  expect(faults).toEqual({});
});
