import { afterEach, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { recipeOf } from '@temnex/core/recipes';
import type { Drawer } from '@temnex/core/stock';
import { derivePage, emptyPage, newItem, type Part } from '@temnex/core/page';
import { DEFAULT_NAMES } from '@temnex/words';
import { PaperWindow } from './PaperWindow.tsx';
import { NO_SETTLED_FACES } from '../../data/pages/settledFaces.ts';

afterEach(cleanup);
const drawer = {
  papers: [
    {
      id: 'p',
      name: 'Gust',
      sides: [
        {
          side: 'A',
          name: 'sky',
          direction: 'none',
          along: 'height',
          look: { pattern: 'plain', ground: '#fff', ink: '#000' },
        },
      ],
    },
  ],
  stock: [{ id: 's', paper: 'p', width: '10', height: '10', unit: 'in', quantity: 1, kind: 'sheet' }],
} as unknown as Drawer;

function part(): { part: Part; mark: ReturnType<typeof derivePage>['mark'] } {
  const page = emptyPage('window');
  const input = {
    figure: 'hexagon',
    size: { flats: '2' },
    pointing: 'points-up',
    points: 5,
    columns: 2,
    rows: 2,
    gap: '1/8',
    all: {},
    lie: 'moved',
    edges: 'whole',
    papers: 1,
  };
  expect(recipeOf('shapes').input.safeParse(input).success).toBe(true);
  const item = {
    ...newItem({ id: 'comb', name: 'comb', recipe: 'shapes', input }),
    wishes: { 'shape-1': { papers: ['p'], side: 'A' as const, direction: 'any' as const } },
  };
  const derived = derivePage({ ...page, items: [item] }, DEFAULT_NAMES);
  return { part: derived.parts[0]!, mark: derived.mark };
}

test('how much of its paper one shows, moved over it by the keys, no further than the sheet goes', () => {
  const { part: one, mark } = part();
  render(<PaperWindow part={one} drawer={drawer} settled={NO_SETTLED_FACES} voice={{ mark, figures: 'plain' }} />);
  // 2 × 2.31 of 10 × 10
  expect(screen.getByText(/of a sheet of/).textContent).toMatch(/10 × 10.*about 5 % of it/);
  const outline = screen.getByRole('slider', { hidden: true });
  expect(outline.getAttribute('aria-valuetext')).toBe('50 % across, 50 % up');
  fireEvent.keyDown(outline, { key: 'ArrowRight', shiftKey: true });
  // an inch of the eight that there are
  expect(outline.getAttribute('aria-valuetext')).toMatch(/^6[23] % across, 50 % up/);
  for (let i = 0; i < 20; i++) fireEvent.keyDown(outline, { key: 'ArrowUp', shiftKey: true });
  expect(outline.getAttribute('aria-valuetext')).toMatch(/, 100 % up$/);
});
