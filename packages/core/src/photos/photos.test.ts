import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { MARKS, inches } from '../length/index.ts';
import {
  cropTo,
  fitCropOnPaper,
  isCropInside,
  largestCropSize,
  computeCropLoss,
  moveCropInside,
  wholeCropOf,
  type Crop,
} from './crop.ts';
import { computeLargestPrint, computeSharpness } from './printSize.ts';

const photo = { width: 4000, height: 3000 };
const cropped = (...asked: Parameters<typeof cropTo>): Crop => {
  const made = cropTo(...asked);
  if (!made.ok) throw new Error('it was to be cropped');
  return made.crop;
};

describe('a crop', () => {
  test.each([
    ['level, to a square', 1, { x: 500, y: 0, width: 3000, height: 3000 }],
    ['level, to 6 × 4', 1.5, { x: 0, y: 500 / 3, width: 4000, height: 8000 / 3 }],
    ['level, to upright 4 × 6', 2 / 3, { x: 1000, y: 0, width: 2000, height: 3000 }],
    ['to what it is', 4 / 3, { x: 0, y: 0, width: 4000, height: 3000 }],
  ])('%s shows as much as there is, about its middle', (_, ratio, crop) => {
    const made = cropped(photo, ratio);
    for (const key of ['x', 'y', 'width', 'height'] as const) expect(made[key]).toBeCloseTo(crop[key], 6);
  });
  test('a part that must stay pulls it over, and is never cut', () => {
    const face = { x: 100, y: 200, width: 600, height: 800 };
    const crop = cropped(photo, 1, { stay: face });
    expect(crop.x).toBe(100);
    expect(isCropInside(crop, face)).toBe(true);
    // as close as is asked, but not closer than the face allows
    expect(cropped(photo, 1, { stay: face, zoom: 100 })).toMatchObject({ width: 800, height: 800 });
  });
  test('what is too wide or too high for the ratio says which, and how much there would be', () => {
    const row = { x: 100, y: 1000, width: 3500, height: 500 };
    expect(cropTo(photo, 1, { stay: row })).toEqual({ ok: false, axis: 'width', most: { width: 3000, height: 3000 } });
    const tower = { x: 100, y: 0, width: 100, height: 2900 };
    expect(cropTo(photo, 2, { stay: tower })).toMatchObject({ ok: false, axis: 'height' });
  });
  test('what is lost is said edge by edge, and all of it on paper what stays bare', () => {
    expect(computeCropLoss(photo, cropped(photo, 1))).toEqual({ left: 0.125, right: 0.125, top: 0, bottom: 0 });
    // unlike on every edge, so that none is taken for another
    const uneven = computeCropLoss(photo, { x: 400, y: 300, width: 2800, height: 1500 });
    expect(uneven).toEqual({ left: 0.1, right: 0.2, top: 0.1, bottom: 0.4 });
    expect(computeCropLoss(photo, wholeCropOf(photo))).toEqual({ left: 0, right: 0, top: 0, bottom: 0 });
    expect(fitCropOnPaper(photo, { width: 6, height: 4 })).toEqual({ width: 16 / 3, height: 4, bare: { width: 6 - 16 / 3, height: 0 } }); // prettier-ignore
  });
  test.each<[string, Partial<Crop>, boolean]>([
    ['the very same', {}, true],
    ['a millionth of a pixel off, as sums go', { x: 100 - 5e-7, y: 50 - 5e-7 }, true],
    ['a millionth too large', { width: 400 + 5e-7, height: 300 + 5e-7 }, true],
    ['past its left', { x: 99, width: 10 }, false],
    ['past its right', { x: 491 }, false],
    ['wide past its right', { width: 401 }, false],
    ['past its top', { y: 49, height: 10 }, false],
    ['past its bottom', { y: 341 }, false],
    ['high past its bottom', { height: 301 }, false],
    ['beside it', { x: 600, width: 10 }, false],
    ['below it', { y: 600, height: 10 }, false],
  ])('what a crop holds: %s', (_, part, is) => {
    const crop = { x: 100, y: 50, width: 400, height: 300 };
    expect(isCropInside(crop, { ...crop, ...part })).toBe(is);
  });
  test('nothing that must stay is lost, whatever the ratio, the middle and how close (seeded)', () => {
    const number = (most: number) => fc.double({ min: 0, max: most, noNaN: true });
    fc.assert(
      fc.property(
        fc.record({ width: fc.integer({ min: 10, max: 9000 }), height: fc.integer({ min: 10, max: 9000 }) }),
        fc.double({ min: 0.2, max: 5, noNaN: true }),
        fc.tuple(number(1), number(1), number(1), number(1)),
        fc.tuple(number(2), number(2), fc.double({ min: 1, max: 20, noNaN: true })),
        (of, ratio, [x, y, w, h], [ax, ay, zoom]) => {
          const stay = { x: x * of.width, y: y * of.height, width: w * (1 - x) * of.width, height: h * (1 - y) * of.height }; // prettier-ignore
          const about = { x: ax * of.width, y: ay * of.height };
          const made = cropTo(of, ratio, { stay, about, zoom });
          const most = largestCropSize(of, ratio);
          if (!made.ok) return stay.width > most.width || stay.height > most.height;
          const { crop } = made;
          const ratioHolds = Math.abs(crop.width / crop.height / ratio - 1) < 1e-9;
          return (
            ratioHolds &&
            isCropInside(crop, stay) &&
            isCropInside(wholeCropOf(of), crop) &&
            moveCropInside(of, crop).x === crop.x
          );
        },
      ),
      { seed: 14, numRuns: 2000 },
    );
  });
});

describe('how large a print may be', () => {
  test.each([
    ['fine', 13.25, 10],
    ['good', 16.625, 12.5],
    ['fair', 20, 15],
  ] as const)('4000 × 3000, %s: never less sharp than said', (density, width, height) => {
    const size = computeLargestPrint(photo, density, MARKS['1/8']);
    expect(size).toEqual({ width: inches(width), height: inches(height) });
    expect(computeSharpness(photo, size).is).toBe(density);
  });
  test('a size says how sharp it comes out, by its coarser side', () => {
    expect(computeSharpness(photo, { width: inches(6), height: inches(4) })).toEqual({ perInch: 666, is: 'fine' });
    expect(computeSharpness({ width: 1200, height: 1800 }, { width: inches(5), height: inches(7) })).toEqual({ perInch: 240, is: 'good' }); // prettier-ignore
    // the coarser side is its height, and half a pixel short of a density is that density still
    expect(computeSharpness({ width: 1800, height: 1200 }, { width: inches(5), height: inches(7) }).perInch).toBe(171);
    expect(
      [599, 600, 601].map(
        (width) => computeSharpness({ width, height: 900 }, { width: inches(2), height: inches(2) }).is,
      ),
    ).toEqual(['fine', 'fine', 'fine']);
    expect(computeSharpness({ width: 598, height: 900 }, { width: inches(2), height: inches(2) }).is).toBe('good');
    expect(computeSharpness({ width: 640, height: 480 }, { width: inches(8), height: inches(6) }).is).toBe('coarse');
  });
});
