import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { isCropInside, wholeCropOf, type Crop } from './crop.ts';
import { DEFAULT_FRAMING, computeFramedCrop, framingOf, roundCropToPixels } from './framing.ts';

const photo = { width: 4000, height: 3000 };
const number = (most: number, min = 0) => fc.double({ min, max: most, noNaN: true });
const any = fc.record({
  of: fc.record({ width: fc.integer({ min: 10, max: 9000 }), height: fc.integer({ min: 10, max: 9000 }) }),
  ratio: number(5, 0.2),
  framing: fc.record({ x: number(1), y: number(1), zoom: number(20, 1), keep: fc.constant('fill' as const) }),
});

describe('how a photo is seen in an opening', () => {
  test('as it is: its middle, as much as there is', () => {
    const { crop, lost, stays } = computeFramedCrop(photo, DEFAULT_FRAMING, 1);
    expect(crop).toEqual({ x: 500, y: 0, width: 3000, height: 3000 });
    expect([lost.left, lost.right, lost.top, stays]).toEqual([0.125, 0.125, 0, true]);
  });
  test.each([
    ['all of it inside already: nothing moves', { x: 700, y: 100, width: 800, height: 900 }, 500],
    ['a little out on the left: moved by just that', { x: 450, y: 0, width: 800, height: 900 }, 450],
    ['a little out on the right: moved by just that', { x: 3000, y: 0, width: 600, height: 900 }, 600],
  ])('what must stay moves the crop only as far as it must: %s', (_, stay, x) =>
    expect(computeFramedCrop(photo, DEFAULT_FRAMING, 1, stay).crop).toEqual({ x, y: 0, width: 3000, height: 3000 }),
  );
  test('all of it, whatever the opening', () => {
    expect(computeFramedCrop(photo, { ...DEFAULT_FRAMING, zoom: 3, keep: 'whole' }, 0.3).crop).toEqual(
      wholeCropOf(photo),
    );
  });
  test('what must stay and cannot: as much of it as there is room for, and it is said', () => {
    const row = { x: 200, y: 1000, width: 3600, height: 400 };
    const { crop, stays } = computeFramedCrop(photo, DEFAULT_FRAMING, 1, row);
    expect([stays, crop.x, crop.width]).toEqual([false, 500, 3000]);
    const tower = computeFramedCrop(photo, { ...DEFAULT_FRAMING, y: 0 }, 2, {
      x: 1000,
      y: 300,
      width: 400,
      height: 2400,
    });
    expect([tower.stays, tower.crop.y, tower.crop.height]).toEqual([false, 500, 2000]);
  });
  test('a crop that was drawn is the one that is seen, at any later size of the same ratio', () => {
    const drawn: Crop = { x: 1200, y: 300, width: 900, height: 600 };
    const { crop } = computeFramedCrop(photo, framingOf(photo, drawn), 1.5);
    for (const key of ['x', 'y', 'width', 'height'] as const) expect(crop[key]).toBeCloseTo(drawn[key], 6);
  });
  test('nothing that must stay is lost where it can stay, nothing lies off the photo, and drawing it again changes nothing', () => {
    fc.assert(
      fc.property(any, fc.tuple(number(1), number(1), number(1), number(1)), ({ of, ratio, framing }, [x, y, w, h]) => {
        const stay = { x: x * of.width, y: y * of.height, width: w * (1 - x) * of.width, height: h * (1 - y) * of.height }; // prettier-ignore
        const { crop, stays } = computeFramedCrop(of, framing, ratio, stay);
        const again = computeFramedCrop(of, framingOf(of, crop), ratio, stay).crop;
        const same = Math.abs(again.x - crop.x) + Math.abs(again.width - crop.width) < 1e-3 * of.width;
        const pixels = roundCropToPixels(of, crop);
        return (
          isCropInside(wholeCropOf(of), crop) &&
          (!stays || isCropInside(crop, stay)) &&
          same &&
          pixels.x + pixels.width <= of.width &&
          pixels.y + pixels.height <= of.height &&
          Number.isInteger(pixels.width)
        );
      }),
      { seed: 15, numRuns: 1500 },
    );
  });
});
