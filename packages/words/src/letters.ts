/** Letters by which sheets are called at the table: A, B, … Z, AA. */
export const sheetLetter = (index: number): string =>
  (index < 26 ? '' : sheetLetter(Math.floor(index / 26) - 1)) + String.fromCharCode(65 + (index % 26));

/** Letters by which the papers of one construction are called: a, b, …; `n` from 1. */
export const paperLetter = (n: number): string => sheetLetter(n - 1).toLowerCase();
