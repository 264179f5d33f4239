import { describe, expect, test } from '@jest/globals';
import { lengthOf } from '@temnex/core/length';
import { NO_TRIM, type StockItem } from '@temnex/core/stock';
import type { PaperReach } from '@temnex/core/cutting';
import { DIRECTION_LABELS, TERMINAL, describePaperReach, describeReach, describeSide, describeStock } from './index.ts';

const item = (width: string, height: string, more: Partial<StockItem> = {}): StockItem => ({
  id: width + height,
  paper: 'sky',
  unit: 'in',
  width,
  height,
  quantity: 1,
  kind: 'scrap',
  trim: NO_TRIM,
  turned: 0,
  reserved: false,
  origin: null,
  ...more,
});
const reach = (more: Partial<PaperReach>): PaperReach => ({
  reached: 1,
  of: 1,
  best: null,
  nearest: null,
  why: null,
  ...more,
});
const short = (width: string, height: string) => ({ width: lengthOf(width), height: lengthOf(height) });

describe('what reaches, in words', () => {
  test.each<[Partial<PaperReach>, string]>([
    [{ best: item('5', '7') }, 'reaches: a scrap of 5 x 7'],
    [{ best: item('5', '7'), of: 2, reached: 2 }, 'reaches for each: a scrap of 5 x 7'],
    [{ best: item('12', '12', { kind: 'sheet' }) }, 'reaches: it takes a sheet'],
    [{ best: item('6', '6', { kind: 'pad' }) }, 'reaches: it takes a pad sheet'],
    [
      {
        best: item('9', '9', {
          outline: [
            [0, 0],
            ['9', 0],
            [0, '9'],
          ],
        }),
      },
      'an odd scrap of 9 x 9 may reach',
    ],
    [{ of: 3, reached: 2 }, 'reaches for 2 of 3'],
    [{ of: 3, reached: 3 }, 'reaches for each, from several'],
    [
      { reached: 0, why: 'too-small', nearest: { item: item('5', '6 3/4'), short: short('0', '1/4') } },
      'does not reach: the nearest, a scrap of 5 x 6 3/4, is 1/4 too short',
    ],
    [
      { reached: 0, why: 'too-small', nearest: { item: item('5', '6'), short: short('1', '1/4') } },
      'does not reach: the nearest, a scrap of 5 x 6, is 1 and 1/4 too short',
    ],
    [{ reached: 0, of: 2, why: 'too-small' }, 'does not reach'],
    [{ reached: 0, why: 'held-back' }, 'all that reaches is held back'],
    [{ reached: 0, why: 'no-such-face' }, 'has no such side, or not that way round'],
    [{ reached: 0, why: 'none-left' }, 'none left'],
  ])('%j', (more, words) => expect(describePaperReach(reach(more), TERMINAL).replaceAll('×', 'x')).toBe(words));
  test('of one item', () => {
    expect(describeReach({ reaches: true, turned: false }, TERMINAL)).toBe('reaches');
    expect(describeReach({ reaches: true, turned: true }, TERMINAL)).toBe('reaches, turned');
    expect(describeReach({ reaches: 'perhaps' }, TERMINAL)).toBe('may reach');
    expect(describeReach({ reaches: false, why: 'held-back' }, TERMINAL)).toBe('held back');
    expect(describeReach({ reaches: false, why: 'no-such-face' }, TERMINAL)).toMatch(/not that side/);
    expect(describeReach({ reaches: false, why: 'too-small', short: short('0', '1/8') }, TERMINAL)).toBe(
      '1/8 too short',
    );
  });
  test('what there is of a paper, and how it is shown', () => {
    expect(describeStock([])).toBe('none left');
    expect(describeStock([item('1', '1'), item('2', '2', { kind: 'strip', quantity: 2 })])).toBe('3 scraps');
    expect(describeStock([item('1', '1'), item('12', '12', { kind: 'pad' })])).toBe('1 sheet, 1 scrap');
    const look = { pattern: 'plain', ground: '#ffffff', ink: '#000000' } as const;
    const faces = [{ side: 'B', name: 'dots', direction: 'none', along: 'height', look }] as const;
    expect(describeSide({ side: 'B' }, faces)).toBe('side B, dots');
    expect(describeSide({ side: 'any' }, faces)).toBe('either side');
    expect(DIRECTION_LABELS.width).toBe('pattern across');
  });
});
