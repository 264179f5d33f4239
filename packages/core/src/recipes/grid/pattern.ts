import type { GridInput } from './input.ts';
import type { CellPlace } from './large.ts';

/*
 * Papers as they were laid by hand, written as one reads them: a letter a cell, rows from the top, `ab ba`. What is written is repeated
 * where the grid is larger.
 */

const A = 'a'.charCodeAt(0);
export const gridLetterOf = (paper: number): string => String.fromCharCode(A + paper);

/** The paper of a place, from 0; of a large one that of its upper left cell. */
export function paperOfPlace(pattern: string, place: CellPlace, rows: number): number {
  const lines = pattern.split(' ');
  const line = lines[(rows - (place.row + place.rows - 1)) % lines.length]!;
  return line.charCodeAt((place.column - 1) % line.length) - A;
}

/** The pattern of places that have these papers; what no place covers is passed over by `a`. */
export function formatPattern(
  places: ReadonlyArray<CellPlace>,
  papers: readonly number[],
  columns: number,
  rows: number,
): string {
  const lines = Array.from({ length: rows }, () => Array.from({ length: columns }, () => 'a'));
  places.forEach((place, i) => {
    for (let r = place.row; r < place.row + place.rows; r++)
      for (let c = place.column; c < place.column + place.columns; c++)
        lines[rows - r]![c - 1] = gridLetterOf(papers[i]!);
  });
  return lines.map((line) => line.join('')).join(' ');
}

/** The input with papers as written; there are as many as it has letters, at least. */
export function applyPattern(input: GridInput, written: string): GridInput {
  const pattern = written
    .toLowerCase()
    .replace(/[\s,/;|]+/g, ' ')
    .trim();
  const highest = Math.max(...[...pattern.replaceAll(' ', '')].map((letter) => letter.charCodeAt(0) - A + 1));
  return { ...input, pattern, papers: Math.max(input.papers, highest) };
}

/** What was said of papers that are no more goes with them. */
export function dropMissingPapers(input: GridInput): GridInput {
  const counts = Object.fromEntries(Object.entries(input.counts).filter(([paper]) => Number(paper) <= input.papers));
  const { pattern, ...others } = input;
  const keeps = pattern !== undefined && [...pattern].every((letter) => letter <= gridLetterOf(input.papers - 1));
  return keeps ? { ...others, pattern, counts } : { ...others, counts };
}
