import { describe, expect, test } from '@jest/globals';
import { MARKS, inches } from '@temnex/core/length';
import { circle, polygon, shapeOfOutline } from '@temnex/core/geometry';
import { recipeOf, type LaidOut, type RecipeId, type LayoutContext } from '@temnex/core/recipes';
import {
  PAPERS,
  drawTemplatePages,
  collectTemplates,
  formatTrueSizeSvg,
  type DrawingMark,
  type Template,
} from './index.ts';

const voice = { mark: MARKS['1/16'], figures: 'plain' } as const;
const square = (side: number, name = 'square'): Template => ({
  name,
  folds: [],
  holes: [],
  shape: shapeOfOutline(
    polygon(
      [
        [0, 0],
        [1, 0],
        [1, 1],
        [0, 1],
      ].map(([x, y]) => [x! * inches(side), y! * inches(side)] as const),
    ),
  ),
});
const lines = (marks: readonly DrawingMark[]) => marks.filter((m) => m.kind === 'line');
const outline = (marks: readonly DrawingMark[]) => lines(marks).filter((m) => m.stroke.width === 0.6);
const texts = (marks: readonly DrawingMark[]) => marks.flatMap((m) => (m.kind === 'text' ? [m.text] : []));
const reach = (marks: readonly DrawingMark[]) => {
  const xs = outline(marks).flatMap((m) => [m.x1, m.x2]);
  return Math.max(...xs) - Math.min(...xs);
};

describe('pages of templates', () => {
  test('at true size, several on a page, with what they are and a check ruler', () => {
    const [page, ...others] = drawTemplatePages([square(2, 'a'), square(3, 'b')], 'Week', 'a4');
    expect(others).toEqual([]);
    expect(texts(page!.marks)).toEqual(expect.arrayContaining(['a', 'b', expect.stringContaining('check ruler')]));
    // two inches, a gap, three inches
    expect(reach(page!.marks)).toBeCloseTo(5 * 72 + 18 + 6, 0);
  });
  test('a new row, then a new page, where there is no room', () => {
    const pages = drawTemplatePages(
      Array.from({ length: 9 }, (_, i) => square(3, `n${i}`)),
      'Week',
      'letter',
    );
    expect(pages.length).toBe(3);
    for (const { marks, height } of pages)
      for (const m of outline(marks)) expect(Math.max(m.y1, m.y2)).toBeLessThan(height - 40 - 20);
  });
  test('larger than the paper: over several pages that join, nothing lost', () => {
    const pages = drawTemplatePages([square(12)], 'Week', 'a4');
    expect(pages).toHaveLength(4);
    expect(texts(pages[0]!.marks)).toEqual(expect.arrayContaining(['square: part A1 of 4', 'join A2', 'join B1']));
    expect(texts(pages[3]!.marks)).toContain('square: part B2 of 4');
    const length = pages.reduce(
      (sum, { marks }) => sum + outline(marks).reduce((all, m) => all + Math.hypot(m.x2 - m.x1, m.y2 - m.y1), 0),
      0,
    );
    expect(length).toBeCloseTo(4 * 12 * 72, 3);
    for (const { marks } of pages)
      for (const m of lines(marks)) expect(Math.max(m.x1, m.x2)).toBeLessThanOrEqual(PAPERS.a4.width - 40 + 0.01);
  });
  test('none: no page', () => expect(drawTemplatePages([], 'Week', 'a4')).toEqual([]));
});

test('as SVG its size is in points, with a ruler in the unit', () => {
  const svg = formatTrueSizeSvg(
    { name: 'disc & hole', folds: [], holes: [], shape: shapeOfOutline(circle(inches(1), inches(1), inches(1))) },
    voice,
  );
  // two inches, the margins, the ruler below
  expect(svg).toMatch(/width="186pt" height="192pt"/);
  expect(svg).toContain('1 inch');
  expect(svg).toContain('disc &amp; hole');
  const metric = formatTrueSizeSvg(square(4), { mark: MARKS['1 mm'], figures: 'plain' });
  expect(metric).toContain('20 mm');
});

test('every outline cut by hand has one, each once', () => {
  const table: LayoutContext = {
    unit: 'in',
    mark: MARKS['1/16'],
    room: { width: inches(12), height: inches(12), seams: [] },
  };
  const laidOf = (id: 'shapes' | 'mat-stack', change: object): LaidOut => {
    const recipe = recipeOf(id);
    const solved = recipe.solve({ ...(recipe.start(table, () => 'a') as object), ...change }, table);
    if (solved.status !== 'solved') throw new Error(JSON.stringify(solved));
    return solved.laid;
  };
  expect(collectTemplates('shapes', laidOf('shapes', { papers: 3 }), voice).map((t) => t.name)).toEqual([
    'shapes, 2 1/4 × 2 5/8',
  ]);
  expect(collectTemplates('mat-stack', laidOf('mat-stack', { shape: 'oval' }), voice)).toHaveLength(1);
  expect(collectTemplates('mat-stack', laidOf('mat-stack', {}), voice)).toEqual([]);
});

test('folds are dashed, and every hole to prick is a cross', () => {
  const marks = (id: RecipeId, change: object) => {
    const recipe = recipeOf(id);
    const table: LayoutContext = {
      unit: 'in',
      mark: MARKS['1/16'],
      room: { width: inches(12), height: inches(12), seams: [] },
    };
    const solved = recipe.solve({ ...(recipe.start(table, () => 'x') as object), ...change }, table);
    if (solved.status !== 'solved') throw new Error(JSON.stringify(solved));
    return drawTemplatePages(collectTemplates(id, solved.laid, voice), 'Week', 'letter').flatMap((page) => page.marks);
  };
  const dashed = (all: readonly DrawingMark[]) => lines(all).filter((m) => m.stroke.dash !== undefined);
  // four folds and the two lines of the middle, over the pages that it takes
  expect(dashed(marks('envelope', { card: { width: '3', height: '2' } }))).toHaveLength(4 + 2);
  const line = {
    along: 'line',
    ground: { width: '4', height: '1/2', is: 'there' },
    inset: '1/4',
    spacing: '1/2',
    stitch: 'back',
  };
  // eight holes, two strokes each
  expect(dashed(marks('stitches', line))).toHaveLength(2 * 8 + 2);
});
