import type { Corner, Ring } from '../lattice/index.ts';

/** What of an outline lies on a page that begins at 0, 0 (Sutherland and Hodgman, 1974); fewer than three corners: nothing. */
export function clipToPage(ring: Ring, width: number, height: number): Ring {
  const sides: [inside: (p: Corner) => boolean, meet: (a: Corner, b: Corner) => Corner][] = [
    [([x]) => x >= 0, (a, b) => [0, across(a, b, 0, 0)]],
    [([x]) => x <= width, (a, b) => [width, across(a, b, 0, width)]],
    [([, y]) => y >= 0, (a, b) => [across(a, b, 1, 0), 0]],
    [([, y]) => y <= height, (a, b) => [across(a, b, 1, height), height]],
  ];
  return sides.reduce<Ring>(
    (left, [inside, meet]) =>
      left.flatMap((b, i) => {
        const a = left[(i + left.length - 1) % left.length]!;
        return [...(inside(a) === inside(b) ? [] : [meet(a, b)]), ...(inside(b) ? [b] : [])];
      }),
    ring,
  );
}

/** The other coordinate of where a line reaches a value of one of them. */
const across = (a: Corner, b: Corner, axis: 0 | 1, value: number): number => {
  const other = axis === 0 ? 1 : 0;
  return a[other] + ((b[other] - a[other]) * (value - a[axis])) / (b[axis] - a[axis]);
};
