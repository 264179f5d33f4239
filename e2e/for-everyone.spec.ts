import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { DEMO, expect, test, visit } from './table.ts';

const SCREENS = {
  size: '/',
  choose: '/choose',
  spread: '/page/demo-two-days',
  page: DEMO,
  papers: `${DEMO}/papers`,
  places: `${DEMO}/papers`,
  order: `${DEMO}/order`,
  print: `${DEMO}/print`,
  drawer: '/drawer',
  stock: '/drawer?as=table',
  many: '/drawer/in',
  wanted: '/drawer/wanted',
  together: '/drawer/together?pages=demo-first-wind,demo-two-days',
  useUp: '/drawer/use-up',
  clearOut: '/drawer/rules',
  trace: '/drawer/trace',
  kit: `${DEMO}/kit`,
  trimmer: `${DEMO}/order`,
  wrong: `${DEMO}/order`,
  record: '/books',
  devices: '/books/devices',
  backup: '/books/backup',
  photos: '/photos',
  crop: '/photos/of/demo-photo-three',
  prints: '/photos/prints',
  sheets: '/photos/sheets',
  sketches: '/photos/sketches?photos=demo-photo-launch',
  onPaper: `${DEMO}/on-paper`,
  nowhere: '/kites',
} as const;

/** Gone through one after the other, what has been fetched for one is there for the next. */
const GROUPS: Readonly<Record<string, readonly (keyof typeof SCREENS)[]>> = {
  'sizes and pages': ['size', 'choose', 'spread', 'page', 'kit', 'nowhere'],
  'papers and cutting': ['papers', 'places', 'order', 'print', 'trimmer', 'wrong'],
  'the drawer': ['drawer', 'stock', 'many', 'trace', 'wanted'],
  'photos and placing': ['photos', 'crop', 'prints', 'sheets', 'sketches', 'onPaper'],
  'the drawer and the books': ['useUp', 'clearOut', 'together', 'record', 'devices', 'backup'],
};
test('every screen is in a group', () => {
  expect(Object.values(GROUPS).flat().sort()).toEqual(Object.keys(SCREENS).sort());
});

for (const [group, names] of Object.entries(GROUPS)) {
  test(`${group}: no accessibility faults, and nothing sticks out on a phone or at 200 %`, async ({ table: page }) => {
    for (const name of names) await test.step(name, () => lookedAt(page, name));
  });
}

async function lookedAt(page: Page, name: keyof typeof SCREENS): Promise<void> {
  const path = SCREENS[name];
  await page.setViewportSize({ width: 1280, height: 800 });
  if (name === 'print') {
    await visit(page, `${DEMO}/order`);
    await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  }
  await visit(page, path);
  if (name === 'places') {
    await page.getByRole('button', { name: 'Choose where sky panel is cut from' }).click();
    await page.getByRole('button', { name: /^(Fan out|Close) Chalk/ }).click();
    await page.getByRole('button', { name: 'Mark places on 8 1/2 by 7 Chalk' }).click();
    await page.getByRole('textbox', { name: 'Drag over what is to stay whole' }).fill('1 x 2 to 4 x 5');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('list', { name: 'Kept whole' }).getByRole('listitem')).toHaveCount(1);
  }
  if (name === 'trimmer' || name === 'wrong') {
    await page.getByRole('button', { name: /(To|Go on at) the trimmer/ }).click();
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(page.getByText(/^step [23] of/)).toBeVisible();
  }
  if (name === 'wrong') {
    await page.keyboard.press('w');
    await page.getByRole('button', { name: 'It was cut from the wrong edge' }).click();
    await expect(page.getByRole('textbox', { name: 'width of rest 1' })).toBeVisible();
  }
  if (name === 'drawer') await page.getByRole('listbox').getByRole('option').first().click();
  if (name === 'photos') await page.getByRole('listbox', { name: 'Photos' }).getByRole('option').first().click();
  if (name === 'sheets') await expect(page.getByText(/^\d+ sheets? of/)).toBeVisible();
  if (name === 'sketches') await page.getByRole('button', { name: /^Two that look/ }).click();
  if (name === 'together') await expect(page.getByText(/than the pages one by one|Nothing saved/)).toBeVisible();
  if (name === 'order') await expect(page.getByRole('button', { name: 'It is cut' })).toBeEnabled();
  const { violations } = await new AxeBuilder({ page })
    // what is right need not be written up; said before the tags, which it would undo
    .options({ resultTypes: ['violations'] })
    // nothing is in frames, so nothing need be put together in a page of its own
    .setLegacyMode()
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(
    violations.map(
      (v) =>
        `${v.id}: ${v.nodes
          .map((n) => n.target.join(' '))
          .slice(0, 3)
          .join(', ')}`,
    ),
  ).toEqual([]);
  for (const width of [390, 640]) {
    await page.setViewportSize({ width, height: 844 });
    const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect({ width, over }).toEqual({ width, over: 0 });
  }
}

test('the keyboard alone: from the first view to a cut', async ({ table: page }) => {
  await page.goto('/');
  await expect(page.getByRole('list', { name: 'Sizes' })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('Keys');
  await page.keyboard.press('Escape');
  await page.keyboard.press('2');
  await expect(page).toHaveURL(DEMO);
  const part = page.getByRole('group', { name: 'The page to scale' }).getByRole('button', { name: /^sky panel/ });
  await part.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('textbox', { name: 'Layer' })).toHaveValue('sky panel');
  await page.getByRole('link', { name: 'Choose papers' }).focus();
  // a digit alone is for what has the focus
  await page.keyboard.press('3');
  await expect(page).toHaveURL(DEMO);
  await page.keyboard.press('Alt+3');
  await expect(page).toHaveURL(`${DEMO}/papers`);
  await page.keyboard.press('Alt+4');
  const cut = page.getByRole('button', { name: 'It is cut' });
  await expect(cut).toBeEnabled();
  await cut.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Everything is cut' })).toBeVisible();
});

test('a page that is not there, and an address that is none, say so', async ({ table: page }) => {
  await page.goto('/page/nobody');
  await expect(page.getByRole('alert')).toContainText('There is no such page');
  await page.goto('/nowhere/at/all');
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
});
