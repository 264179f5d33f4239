import { afterEach, beforeEach, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { MARKS, inches } from '@temnex/core/length';
import { recipeOf, type InputOf, type LayoutContext } from '@temnex/core/recipes';
import { HandLayer } from './HandLayer.tsx';
import type { ConstructionEditor } from './constructionEditor.ts';

type Grid = InputOf<'grid'>;
const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};
const start: Grid = {
  cell: { as: 'square', width: '2' },
  columns: 3,
  rows: 2,
  gutter: '1/8',
  spread: 'room',
  margin: {},
  all: {},
  papers: 2,
  counts: {},
  large: [],
  loose: { seed: 1 },
};
let input: Grid;

function Working() {
  const [held, put] = useState<unknown>(start);
  input = held as Grid;
  const solved = recipeOf('grid').solve(held as never, table);
  const laid = solved.status === 'solved' ? solved.laid : null;
  const made = { recipe: 'grid', input: held, table, solved, laid, put } as unknown as ConstructionEditor;
  return <HandLayer made={made} at={(p) => ({ x: p.x / 1e5, y: -p.y / 1e5 })} />;
}
const cell = (n: number) => screen.getByRole('button', { name: new RegExp(`cell ${n}\\b`) });
const key = (name: string, shiftKey = false) => fireEvent.keyDown(document.activeElement!, { key: name, shiftKey });
beforeEach(() => void render(<Working />));
afterEach(cleanup);

test('the keys alone: arrows go from one to the next, Enter gives the next paper', () => {
  act(() => cell(1).focus());
  key('ArrowUp');
  key('ArrowRight');
  expect(document.activeElement).toBe(cell(5));
  const before = cell(5).getAttribute('aria-label');
  key('Enter');
  expect(input.pattern).toBeDefined();
  expect(cell(5).getAttribute('aria-label')).not.toBe(before);
});

test('with Shift what lies between becomes one, Escape lets it be, Delete takes it apart', () => {
  act(() => cell(1).focus());
  key('ArrowRight', true);
  key('Escape');
  key('ArrowRight', true);
  key('ArrowUp', true);
  key('Enter');
  expect(input.large).toMatchObject([{ column: 1, row: 1, columns: 2, rows: 2 }]);
  act(() => screen.getByRole('button', { name: /large 1/ }).focus());
  key('Delete');
  expect(input.large).toEqual([]);
});

test('dragged over with the pointer; a press alone is no drag', () => {
  const under = { at: cell(2) };
  document.elementsFromPoint = () => [under.at];
  HTMLElement.prototype.releasePointerCapture = () => {};
  // jsdom has no pointers of its own
  const pointer = (el: HTMLElement, type: string) =>
    fireEvent(el, new MouseEvent(type, { bubbles: true, button: 0, buttons: 1 }));
  pointer(cell(1), 'pointerdown');
  pointer(cell(2), 'pointermove');
  pointer(cell(2), 'pointerup');
  expect(input.large).toMatchObject([{ columns: 2, rows: 1 }]);
  under.at = cell(3);
  pointer(cell(3), 'pointerdown');
  pointer(cell(3), 'pointermove');
  pointer(cell(3), 'pointerup');
  expect([input.large.length, input.pattern !== undefined]).toEqual([1, true]);
});
