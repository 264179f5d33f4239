/**
 * How many strips of a length so many pieces take, the longest first into the first strip that has room for it (first fit decreasing;
 * of one length, or where all halve well, that is the fewest there can be). Null where one is longer than a strip.
 */
export function countStripsFor(lengths: readonly number[], stock: number): number | null {
  const left: number[] = [];
  for (const length of [...lengths].sort((a, b) => b - a)) {
    if (length > stock) return null;
    const at = left.findIndex((room) => room >= length);
    if (at < 0) left.push(stock - length);
    else left[at]! -= length;
  }
  return left.length;
}
