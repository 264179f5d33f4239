/*
 * Which paper each cell gets, so that no two that share an edge match and every paper gets as many as the others, give or take one:
 *
 *     a b c a
 *     b c a b      three papers
 *     c a b c
 */

/** How often one is tried elsewhere before something less even is taken. */
const TRIES = 20_000;

/**
 * For each cell the number of its paper, from 0, or null where there is no cell. Never two neighbours alike where there are two papers
 * or more; even where that can be found. Columns × rows from the lower left, row by row.
 */
export function assignPapers(
  columns: number,
  rows: number,
  papers: number,
  isCell: (column: number, row: number) => boolean,
): (number | null)[] {
  const cells = Array.from({ length: columns * rows }, (_, i) => i).filter((i) =>
    isCell(i % columns, Math.floor(i / columns)),
  );
  const got: (number | null)[] = Array.from({ length: columns * rows }, () => null);
  if (papers === 1) {
    for (const i of cells) got[i] = 0;
    return got;
  }
  const left = Array.from({ length: papers }, (_, p) => Math.floor((cells.length + papers - 1 - p) / papers));
  const before = (i: number): (number | null)[] => [
    i % columns ? got[i - 1]! : null,
    i >= columns ? got[i - columns]! : null,
  ];
  let tries = 0;
  const place = (at: number): boolean => {
    const i = cells[at];
    if (i === undefined) return true;
    if ((tries += 1) > TRIES) return false;
    const not = before(i);
    // in turn along the diagonals, the one of which most are left first
    const turn = (p: number) => (p - (i % columns) - Math.floor(i / columns) + papers * (columns + rows)) % papers;
    const free = left.map((n, p) => ({ n, p })).filter(({ n, p }) => n > 0 && !not.includes(p));
    for (const { p } of free.sort((a, b) => b.n - a.n || turn(a.p) - turn(b.p))) {
      got[i] = p;
      left[p]! -= 1;
      if (place(at + 1)) return true;
      left[p]! += 1;
      got[i] = null;
      if (tries > TRIES) return false;
    }
    return false;
  };
  if (place(0)) return got;
  // as on a board: never alike, though perhaps not even
  for (const i of cells) got[i] = ((i % columns) + Math.floor(i / columns)) % papers;
  return got;
}
