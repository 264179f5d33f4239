import { expect, test } from '@jest/globals';
import { MARKS, inches } from '../../length/index.ts';
import type { LayoutContext } from '../recipe.ts';
import { recipeOf } from '../registry.ts';
import { parseRecipeLine } from '../recipeLine.ts';
import type { ShapesInput } from './input.ts';

const table: LayoutContext = {
  unit: 'in',
  mark: MARKS['1/16'],
  room: { width: inches(12), height: inches(12), seams: [] },
};

test.each<[string, Partial<ShapesInput>]>([
  ['hexagons 2 1/4 across flats', { figure: 'hexagon', size: { flats: '2 1/4' }, lie: 'moved' }],
  ['7 hexagons with 1 1/2 inch sides', { size: { side: '1 1/2 inch' }, number: 7 }],
  ['hexagons 3 across the corners', { size: { corners: '3' } }],
  ['a dozen 2 inch hexagons', { size: { flats: '2 inch' }, number: 12 }],
  ['2 in hexagons in straight rows', { lie: 'straight' }],
  ['honeycomb of 1 1/2 hexagons, gap 1/8', { figure: 'hexagon', gap: '1/8', lie: 'moved' }],
  ['honeycomb 2 in across, filling the page, in 3 papers', { edges: 'cut', papers: 3 }],
  ['hexagons 2 wide in three patterns', { papers: 3, size: { flats: '2' } }],
  ['nine circles 2 inches across', { figure: 'circle', number: 9, size: { across: '2 inches' } }],
  ['circles 1 1/4 in diameter, 1/4 apart', { figure: 'circle', size: { across: '1 1/4 in' }, gap: '1/4' }],
  ['15 dots 3/4 across', { figure: 'circle', number: 15 }],
  ['circles 2 across in staggered rows', { figure: 'circle', lie: 'moved' }],
  ['triangles 2 on a side, alternating', { figure: 'triangle', size: { side: '2' }, lie: 'alternating' }],
  ['triangles 2 high', { figure: 'triangle', size: { height: '2' } }],
  ['8 pennants 2 wide 3 long', { figure: 'pennant', size: { width: '2', height: '3' }, number: 8 }],
  ['scalloped circles 3 across', { figure: 'scalloped', size: { across: '3' } }],
  ['4 scallop circles 2 1/2 in 2 papers', { figure: 'scalloped', number: 4, papers: 2 }],
  ['five stars 2 across', { figure: 'star', number: 5, size: { across: '2' } }],
  ['stars of 1 1/2, gap 1/8', { figure: 'star', gap: '1/8' }],
  ['hearts 1 1/4 wide', { figure: 'heart', size: { width: '1 1/4' } }],
  ['20 hearts 1 inch high', { figure: 'heart', size: { height: '1 inch' }, number: 20 }],
  ['how many hexagons 2 1/4 across come from a 12 x 12 sheet', { edges: 'free', number: 25 }],
  ['circles 2 across from 12 x 12', { edges: 'free', number: 36 }],
  ['hearts 2 wide from 6 x 6 pads', { edges: 'free', figure: 'heart' }],
  ['hexagons 50 mm across flats', { size: { flats: '50 mm' } }],
])('%s', (line, expected) => {
  const heard = parseRecipeLine(line, table, () => 'x');
  expect([heard?.recipe, heard?.said.ok]).toEqual(['shapes', true]);
  if (!heard?.said.ok) return;
  expect(heard.said.input).toMatchObject(expected);
  expect(recipeOf('shapes').solve(heard.said.input, heard.table).status).toBe('solved');
});
