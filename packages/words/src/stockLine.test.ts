import { expect, test } from '@jest/globals';
import { previewStockLine } from './index.ts';

const papers = [{ id: 'swell', name: 'Teal swell' }];

test.each([
  ['scrap 5 1/2 x 3 teal x2', '2 × scrap, 5 1/2 × 3, Teal swell'],
  ['3 sheets 12 x 12 gust', '3 × sheet, 12 × 12, gust'],
  ['offcut 4 x 9', 'scrap, 4 × 9'],
  ['pad 6 x 6 kelp x8', '8 × pad sheet, 6 × 6, kelp'],
])('%s', (line, says) => expect(previewStockLine(line, papers, 'in')?.says).toBe(says));

test('an odd one says how many corners it has, and what is wrong is said', () => {
  expect(previewStockLine('scrap 9 x 9 less 5 x 5 teal', papers, 'in')?.says).toMatch(/^scrap, 9 × 9.+Teal swell$/);
  expect(previewStockLine('scrap five', papers, 'in')?.says).toBe('Needs a size, such as 5 1/2 x 3.');
});
test('what is made is not in the drawer', () => {
  for (const line of ['mat 1/8 round 4 x 6', 'strip 1 x 12', 'a week of kites', ''])
    expect(previewStockLine(line, papers, 'in')).toBeNull();
});
