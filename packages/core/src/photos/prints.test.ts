import { expect, test } from '@jest/globals';
import { lengthOf } from '../length/index.ts';
import { DEFAULT_FRAMING } from './framing.ts';
import { EMPTY_PHOTO_FACTS, photoSchema, type Photo } from './photo.ts';
import { collectPrints, type PrintOnPage } from './prints.ts';

const photo = (id: string, said: Partial<Photo> = {}): Photo => ({
  id,
  file: '0'.repeat(64),
  name: `${id}.jpg`,
  width: 3000,
  height: 2000,
  addedAt: '',
  demo: false,
  ...EMPTY_PHOTO_FACTS,
  ...said,
});
const order = { id: 'o', width: '6', height: '4', unit: 'in', copies: 3, framing: DEFAULT_FRAMING } as const;
const kite = photo('kite', { orders: [order, { ...order, id: 'p', width: '10', height: '15', unit: 'mm' }] });
const shown: PrintOnPage = {
  page: 'first',
  pageName: 'First wind',
  part: 'launch',
  photo: 'kite',
  width: lengthOf('4'),
  height: lengthOf('4'),
  crop: { x: 0, y: 0, width: 2000, height: 2000 },
  copies: 2,
  measured: false,
};

test('what pages ask for and what somebody ordered, the largest first, each cropped to its own ratio', () => {
  const { toMake, there } = collectPrints([kite], [shown]);
  expect(there).toEqual([]);
  expect(toMake).toMatchObject([
    { key: 'kite/o', copies: 3, width: lengthOf('6'), height: lengthOf('4'), page: null, crop: { width: 3000, height: 2000 } }, // prettier-ignore
    { key: 'first/launch/kite', copies: 2, page: { id: 'first', name: 'First wind', part: 'launch' } },
    { key: 'kite/p', width: lengthOf('10', 'mm'), height: lengthOf('15', 'mm'), crop: { height: 2000 } },
  ]);
});
test('what is measured on the page, or printed in its very size, is there; a photo that is gone is not asked for', () => {
  const printed = photo('kite', { print: { width: '4', height: '4', unit: 'in', known: 'assumed' } });
  const keys = (photos: Photo[], one: PrintOnPage) => {
    const { toMake, there } = collectPrints(photos, [one]);
    return [toMake.length, there.length];
  };
  expect(keys([printed], shown)).toEqual([0, 1]);
  expect(keys([photo('kite')], { ...shown, measured: true })).toEqual([0, 1]);
  expect(keys([photo('kite')], shown)).toEqual([1, 0]);
  expect(keys([photo('other')], shown)).toEqual([0, 0]);
});
test('two parts of a page that are called alike are two prints', () =>
  expect(collectPrints([photo('kite')], [shown, shown]).toMake.map(({ key }) => key)).toEqual([
    'first/launch/kite',
    'first/launch/kite 2',
  ]));
test('nothing said of a photo is a photo; more than forty orders are none', () => {
  expect(photoSchema.safeParse(photo('a')).success).toBe(true);
  const many = (n: number) => Array.from({ length: n }, (_, i) => ({ ...order, id: String(i) }));
  expect([40, 41].map((n) => photoSchema.safeParse(photo('a', { orders: many(n) })).success)).toEqual([true, false]);
});
test('what is said of a photo is looked at: its print, how that is known, a border that may be nothing', () => {
  const print = { width: '4', height: '6', unit: 'in', known: 'measured' } as const;
  const is = (said: object) => photoSchema.safeParse({ ...photo('a'), ...said }).success;
  expect([is({ print }), is({ print, border: '0' }), is({ print, border: '1/4' })]).toEqual([true, true, true]);
  expect([
    is({ print: { known: 'measured' } }),
    is({ print: { ...print, known: 'guessed' } }),
    is({ border: '-1' }),
  ]).toEqual([false, false, false]);
  expect(is({ print: { ...print, known: 'assumed' } })).toBe(true);
});
