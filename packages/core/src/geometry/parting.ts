import { ticks } from '../length/index.ts';
import type { Size } from './rect.ts';

/*
 * A piece made of several, because no sheet is large enough: seams across and up, counted from its lower left corner;
 * each part reaches so far over the next. All in ticks.
 *
 *      |<-- seam -->|
 *      +------------+--+-----------+
 *      |   part 1   |..|  part 2   |
 *      +------------+--+-----------+
 *                   |<>| overlap
 */

export interface Seams {
  readonly across: readonly number[];
  readonly up: readonly number[];
  readonly overlap: number;
}

/** Parts of one size, so many of them in the whole. */
export interface Patch extends Size {
  readonly quantity: number;
}

/** Where the stretches that seams leave of a length begin and end; seams beyond it are left out. */
export function splitAtSeams(length: number, seams: readonly number[], overlap: number): [number, number][] {
  const at = [...new Set(seams)].filter((seam) => seam > 0 && seam < length).sort((a, b) => a - b);
  return [0, ...at].map((from, i) => [from, i < at.length ? Math.min(length, at[i]! + overlap) : length]);
}

/** What a piece of this size is made of, sizes alike together, from its lower left corner on. */
export function computePatches(size: Size, { across, up, overlap }: Seams): Patch[] {
  return groupEqualSizes(
    splitAtSeams(size.height, up, overlap).flatMap(([bottom, top]) =>
      splitAtSeams(size.width, across, overlap).map(([left, right]) => ({
        width: ticks(right - left),
        height: ticks(top - bottom),
      })),
    ),
  );
}

/** How many there are of each size, in the order in which they come. */
export function groupEqualSizes(sizes: readonly Size[]): Patch[] {
  const found = new Map<string, Patch>();
  for (const { width, height } of sizes) {
    const key = `${width} ${height}`;
    found.set(key, { width, height, quantity: (found.get(key)?.quantity ?? 0) + 1 });
  }
  return [...found.values()];
}

/** Seams, on the mark, that part a length evenly into as few as may be, none longer than `most`; null where nothing does. */
export function spaceSeamsEvenly(length: number, most: number, overlap: number, mark: number): number[] | null {
  if (length <= most) return [];
  const free = Math.floor((most - overlap) / mark) * mark;
  if (free <= 0) return null;
  const parts = Math.ceil((length - overlap) / free);
  const each = Math.ceil((length - overlap) / parts / mark) * mark;
  return Array.from({ length: parts - 1 }, (_, i) => (i + 1) * each).filter((seam) => seam < length - overlap);
}

/** The seams with every part of this length along an axis parted once more, at these places of it. */
export function splitSeamsAgain(
  length: number,
  seams: readonly number[],
  overlap: number,
  part: number,
  at: readonly number[],
): number[] {
  const more = splitAtSeams(length, seams, overlap).flatMap(([from, to]) =>
    to - from === part ? at.map((seam) => from + seam) : [],
  );
  return [...new Set([...seams, ...more])].sort((a, b) => a - b);
}
