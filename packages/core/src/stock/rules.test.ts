import { describe, expect, test } from '@jest/globals';
import { NO_TRIM, DEFAULT_RULES, brandingOf, storeOffcutAs, addMonths, rulesSchema, type StockItem } from './index.ts';

const sheet: StockItem = {
  id: 's',
  paper: 'p',
  unit: 'in',
  width: '12',
  height: '12 1/2',
  quantity: 3,
  kind: 'sheet',
  turned: 0,
  trim: { ...NO_TRIM, bottom: '1/2' },
  reserved: false,
  origin: null,
};
const origin = { page: 'x', stock: 's', date: '2026-05-01' };
const rules = { ...DEFAULT_RULES, sheetFrom: { shorter: '8', longer: '10' } };

describe('what an offcut is', () => {
  const scrap = (width: string, height: string, more: Partial<StockItem> = {}) =>
    storeOffcutAs({ ...sheet, kind: 'scrap', width, height, ...more }, rules).kind;
  test.each<[string, string, string]>([
    ['8', '10', 'sheet'],
    ['10', '8', 'sheet'],
    ['7 63/64', '12', 'scrap'],
    ['9', '9', 'scrap'],
  ])('%s × %s is a %s', (w, h, kind) => expect(scrap(w, h)).toBe(kind));
  test('in millimetres too; never what is odd, a strip, or where nobody said so', () => {
    expect(scrap('204', '255', { unit: 'mm' })).toBe('sheet');
    expect(scrap('203', '255', { unit: 'mm' })).toBe('scrap');
    expect(scrap('9', '11', { outline: [[0, 0], ['9', 0], [0, '11']] })).toBe('scrap'); // prettier-ignore
    expect(storeOffcutAs({ ...sheet, kind: 'strip' }, rules).kind).toBe('strip');
    expect(storeOffcutAs({ ...sheet, kind: 'scrap' }, DEFAULT_RULES).kind).toBe('scrap');
  });
});

test('branding strips are as long as the sheet, one for each, of each edge that has one', () => {
  expect(brandingOf(sheet, 2, origin)).toEqual([
    {
      paper: 'p',
      unit: 'in',
      width: '12',
      height: '1/2',
      quantity: 2,
      kind: 'branding',
      trim: NO_TRIM,
      turned: 0,
      reserved: false,
      origin,
    },
  ]);
  const both = brandingOf({ ...sheet, trim: { ...NO_TRIM, left: '1/4', top: '3/8' } }, 1, origin);
  expect(both.map((b) => [b.width, b.height])).toEqual([
    ['12 1/2', '1/4'],
    ['12', '3/8'],
  ]);
  expect(brandingOf({ ...sheet, kind: 'scrap' }, 1, origin)).toEqual([]);
  expect(brandingOf({ ...sheet, trim: NO_TRIM }, 1, origin)).toEqual([]);
});

test.each([
  ['2026-01-31', 1, '2026-02-28'],
  ['2026-11-27', 3, '2027-02-27'],
  ['2024-02-29', 12, '2025-02-28'],
])('%s and %i months is %s', (day, months, is) => expect(addMonths(day, months)).toBe(is));

test('rules are checked as a whole', () => {
  const faults = (more: object) =>
    (rulesSchema.safeParse({ ...DEFAULT_RULES, ...more }).error?.issues ?? []).map((issue) => issue.path.join('.'));
  expect(faults({})).toEqual([]);
  expect(faults({ sheetFrom: { shorter: '8', longer: '101' } })).toEqual(['sheetFrom.longer']);
  expect(faults({ clearOut: { line: ' ', everyMonths: 0, next: '2026-13-01' } })).toEqual([
    'clearOut.line',
    'clearOut.everyMonths',
    'clearOut.next',
  ]);
});
