import { formatSheetLetter } from '@temnex/core/cutting';

/** Letters by which the papers of one construction are called: a, b, …; `n` from 1. */
export const formatPaperLetter = (n: number): string => formatSheetLetter(n - 1).toLowerCase();
