import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { rect } from '../geometry/index.ts';
import { inches } from '../length/index.ts';
import { DEFAULT_FRAMING, isCropInside, wholeCropOf, type Picture } from '../photos/index.ts';
import { derivePage } from './derive.ts';
import { emptyPage, convertPageUnit, newItem, pageSchema, type Page } from './document.ts';
import { setItemField, setPicture } from './edit.ts';
import { beginFromPattern } from './pattern.ts';
import { locateSpot, framePicture } from './pictures.ts';
import { FALLBACK_NAMES } from './pieces.ts';

const picture: Picture = {
  photo: 'p1',
  file: 'ab'.repeat(32),
  width: 4000,
  height: 3000,
  ...DEFAULT_FRAMING,
  stay: null,
};
const inch = inches(1);
/** An opening so many inches from the corner of the page, so large. */
const opening = (x: number, y: number, w: number, h: number) => rect(x * inch, y * inch, w * inch, h * inch);

describe('a photo in its opening', () => {
  test('fills it: the whole of it lies behind, the middle in the middle', () => {
    const { opening: seen, whole } = framePicture(opening(2, 3, 3, 3), picture, 'in');
    expect(seen).toEqual(opening(2, 3, 3, 3));
    expect(whole).toEqual(opening(1.5, 3, 4, 3));
  });
  test('all of it: the opening is as large as it comes out', () => {
    const { opening: seen, whole } = framePicture(opening(0, 0, 4, 4), { ...picture, keep: 'whole' }, 'in');
    expect(seen).toEqual(opening(0, 0.5, 4, 3));
    expect(whole).toEqual(seen);
  });
  test('what must stay is told where it lies on the page', () => {
    const stay = { x: 0, y: 0, width: 1000, height: 1000 };
    const shown = framePicture(opening(0, 0, 3, 3), { ...picture, stay }, 'in');
    // the upper left corner of the photo
    expect([shown.stays, shown.stay]).toEqual([true, opening(0, 2, 1, 1)]);
  });
  test('a horizon is brought to its height on the page, closer where the photo would not reach', () => {
    const wanted = { upDown: { share: 0.7, at: '4 1/2' } };
    const { misses, whole } = framePicture(opening(2, 4, 4, 3), { ...picture, wanted }, 'in');
    expect(misses.upDown).toBe(0);
    expect((whole.y + 0.3 * whole.height) / inch).toBeCloseTo(4.5, 2);
    // out of the opening it cannot lie: by how much it misses is told
    const out = framePicture(opening(2, 4, 4, 3), { ...picture, wanted: { upDown: { share: 0.7, at: '2' } } }, 'in');
    expect(out.misses.upDown).toBeGreaterThan(2 * inch);
  });
  test('any spot of any photo lies where it is wanted, if that is in the opening and nothing else must stay', () => {
    const share = fc.double({ min: 0.03, max: 0.97, noNaN: true });
    fc.assert(
      fc.property(
        fc.record({ width: fc.integer({ min: 200, max: 6000 }), height: fc.integer({ min: 200, max: 6000 }) }),
        fc.tuple(share, share, share, share),
        fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 })),
        (size, [sx, sy, px, py], [w, h]) => {
          const box = opening(1, 1, w, h);
          const spot = { across: box.x + px * box.width, upDown: box.y + py * box.height };
          const text = (ticks: number) => String(ticks / inch);
          const wanted = { across: { share: sx, at: text(spot.across) }, upDown: { share: sy, at: text(spot.upDown) } };
          const shown = framePicture(box, { ...picture, ...size, wanted }, 'in');
          return shown.misses.across === 0 && shown.misses.upDown === 0 && isCropInside(wholeCropOf(size), shown.crop);
        },
      ),
      { seed: 14, numRuns: 1000 },
    );
  });
  test('where a spot lies is told as it is typed', () => {
    const shown = framePicture(opening(2, 3, 4, 3), picture, 'in');
    expect(locateSpot(shown, { x: 0.25, y: 0.25 }, 'in')).toEqual({ across: '3', upDown: '5 1/4' });
  });
});

describe('photos on a page', () => {
  const input = { print: { width: '4', height: '4', known: 'assumed' }, mats: [] };
  const bare: Page = { ...emptyPage('A page'), items: [newItem({ id: 'm', name: 'm', recipe: 'mat-stack', input })] };
  const page = setPicture(bare, 'm', 'print', picture);
  test('a photo that is set is seen, and gone once it is taken off', () => {
    expect(pageSchema.safeParse(page).success).toBe(true);
    expect(derivePage(page).parts[0]!.picture).toMatchObject({ photo: 'p1', crop: { width: 3000, height: 3000 } });
    expect(setPicture(page, 'm', 'print', null)).toEqual(bare);
  });
  test('another size of the print is another crop', () => {
    const wider = setItemField(page, derivePage(page), 'm', ['print', 'width'], '6');
    expect(derivePage(wider).parts[0]!.picture!.crop).toMatchObject({ width: 4000 });
  });
  test('within a printed border', () => {
    const framed = { ...newItem({ id: 'p', name: 'p', recipe: 'photo', input: { print: { width: '4', height: '4', known: 'assumed' }, image: {}, border: '1/2', crop: { keep: 'fill', across: 'centre', upDown: 'centre' } } }), pictures: { print: picture } }; // prettier-ignore
    const [part] = derivePage({ ...bare, items: [framed] }).parts;
    expect([part!.picture!.opening.width, part!.width]).toEqual([3 * inch, 4 * inch]);
  });
  test('in another unit what is wanted stays where it is; a pattern takes no photo along', () => {
    const lined = setPicture(page, 'm', 'print', { ...picture, wanted: { upDown: { share: 0.5, at: '6' } } });
    const metric = convertPageUnit(lined, 'mm');
    expect(metric.items[0]!.pictures!.print!.wanted).toEqual({ upDown: { share: 0.5, at: '6 in' } });
    expect(pageSchema.safeParse(metric).success).toBe(true);
    const begun = beginFromPattern(lined, 'b', { unit: 'in', width: '8', height: '8', seam: null }, FALLBACK_NAMES);
    expect(begun.page.items[0]!.pictures).toBeUndefined();
  });
});
