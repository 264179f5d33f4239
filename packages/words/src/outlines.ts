/** Why an SVG file gives no outline, in a sentence. */
const WHY: Readonly<Record<string, string>> = {
  'too-large': 'The file is larger than 2 MB; an outline needs a few kilobytes.',
  'not-xml': 'This is no SVG file, or it is broken.',
  'not-svg': 'This file holds something else than an SVG drawing.',
  'no-outline': 'There is no closed line in it to cut along.',
  'too-much': 'There is more in it than can be read: it repeats or nests itself too often, or takes too long.',
  'no-size': 'The file says that it is of no size.',
};
export const describeSvgProblem = (why: string): string => WHY[why] ?? 'The file could not be read.';

/** What of an SVG file was left out: `left out: 2 texts, an image`. Null where nothing was. */
export function describeLeftOut(
  leftOut: ReadonlyArray<{ readonly what: string; readonly count: number }>,
): string | null {
  if (!leftOut.length) return null;
  return `left out: ${leftOut.map(({ what, count }) => (count > 1 ? `${count} × ${what}` : what)).join(', ')}`;
}
