import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { inches, ticks } from '../length/index.ts';
import { spaceSeamsEvenly, splitSeamsAgain, computePatches } from './parting.ts';

describe('a piece made of several', () => {
  test('parts reach over the next, alike ones together; seams beyond it or twice are none', () => {
    const size = { width: inches(30), height: inches(14) };
    const overlap = inches(0.5);
    expect(computePatches(size, { across: [inches(10), inches(20)], up: [inches(7)], overlap })).toEqual([
      { width: inches(10) + overlap, height: inches(7) + overlap, quantity: 2 },
      { width: inches(10), height: inches(7) + overlap, quantity: 1 },
      { width: inches(10) + overlap, height: inches(7), quantity: 2 },
      { width: inches(10), height: inches(7), quantity: 1 },
    ]);
    expect(computePatches(size, { across: [inches(30), 0, inches(40)], up: [], overlap })).toEqual([
      { ...size, quantity: 1 },
    ]);
    expect(computePatches(size, { across: [inches(20), inches(20)], up: [], overlap })).toHaveLength(2);
    // no part reaches past the piece
    expect(computePatches(size, { across: [inches(30) - 1], up: [], overlap })[0]).toMatchObject({ width: inches(30) });
  });
  test('even seams are on the mark, the parts as few as can be, none too long', () => {
    const mark = 1524;
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 400 }),
        fc.integer({ min: 1, max: 200 }),
        fc.integer({ min: 0, max: 12 }),
        (l, m, o) => {
          const [length, most, overlap] = [l * mark, m * mark, o * mark];
          const seams = spaceSeamsEvenly(length, most, overlap, mark);
          if (length <= most) return expect(seams).toEqual([]);
          if (most <= overlap) return expect(seams).toBeNull();
          const parts = computePatches(
            { width: ticks(length), height: ticks(mark) },
            { across: seams!, up: [], overlap },
          );
          for (const part of parts) expect(part.width).toBeLessThanOrEqual(most);
          for (const at of seams!) expect(at % mark).toBe(0);
          expect(seams!.length + 1).toBe(Math.ceil((length - overlap) / (most - overlap)));
        },
      ),
    );
  });
  test('a part that is itself too long is parted again, wherever it is', () => {
    // parts of 10 1/2, 10 1/2 and 9
    const [length, overlap] = [inches(29), inches(0.5)];
    const again = splitSeamsAgain(length, [inches(10), inches(20)], overlap, inches(10.5), [inches(5)]);
    expect(again).toEqual([inches(5), inches(10), inches(15), inches(20)]);
    expect(splitSeamsAgain(length, [], overlap, length, [inches(15)])).toEqual([inches(15)]);
  });
});
