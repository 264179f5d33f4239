import { describe, expect, test } from '@jest/globals';
import { isBagFull, bagOfCopy, missingCountInBag, nameOfBag, buildPackingList } from './kits.ts';

describe('the same page for a class', () => {
  test.each([
    [1, 1, 0, 1],
    [12, 1, 0, 12],
    // four pennants to a page
    [4, 4, 0, 1],
    [5, 4, 0, 2],
    [48, 4, 0, 12],
    // six were cut before: the next is the third of the second bag
    [1, 4, 6, 2],
    [3, 4, 6, 3],
  ])('copy %i of a piece, %i to a page, %i cut before, goes into bag %i', (copy, perPage, before, bag) => {
    expect(bagOfCopy(copy, perPage, before)).toBe(bag);
  });
  test('a bag is called by whoever it is for, or by its number alone', () => {
    expect(nameOfBag({ bags: ['Runa', 'Iver'] }, 2)).toBe('Iver');
    expect(nameOfBag({ bags: ['Runa', 'Iver'] }, 3)).toBeNull();
    expect(nameOfBag({}, 1)).toBeNull();
  });
  test.each([
    // six bases from five sheets: the last bag has none
    [1, 6, 1, [0, 0, 0, 0, 0, 1]],
    [3, 4, 4, [0, 0, 1, 3]],
    [2, 3, 0, [0, 0, 0]],
    [1, 2, 2, [1, 1]],
  ])('%i to a bag, %i bags, %i that cannot be cut: the last bags go without', (each, bags, missing, lacking) =>
    expect(
      Array.from({ length: bags }, (_, i) => missingCountInBag({ each, of: each * bags }, i + 1, missing)),
    ).toEqual(lacking),
  );
  test('every copy goes into a bag, each bag gets all of its pieces, and full is what has them', () => {
    const pieces = [
      { id: 'mat', name: 'mat', width: 10, height: 20, quantity: 1 },
      { id: 'flag', name: 'flag', width: 5, height: 5, quantity: 3 },
    ];
    const bags = new Map<number, number>();
    for (let copy = 1; copy <= 3 * 7; copy++) bags.set(bagOfCopy(copy, 3), (bags.get(bagOfCopy(copy, 3)) ?? 0) + 1);
    expect([...bags]).toEqual([1, 2, 3, 4, 5, 6, 7].map((bag) => [bag, 3]));
    const lines = buildPackingList(pieces, 7, (id) => (id === 'mat' ? 9 : 8));
    expect(lines.map((l) => [l.cut, l.of])).toEqual([
      [7, 7],
      [8, 21],
    ]);
    expect([1, 2, 3].map((bag) => isBagFull(lines, bag))).toEqual([true, true, false]);
  });
});
