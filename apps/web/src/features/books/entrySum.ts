import type { RecordedCut } from '@temnex/contract';

export interface EntrySum {
  readonly pieces: number;
  /** Sheets and scraps taken from the drawer. */
  readonly used: number;
  /** Offcuts that went into it for good. */
  readonly kept: number;
}

/**
 * What a time at the trimmer took and gave. Paper that was put down after a wrong cut and taken up again by the next order of the
 * same session never left the table: it is neither used nor kept. Cuts that were taken back do not count.
 */
export function sumEntry(cuts: readonly RecordedCut[]): EntrySum {
  const standing = cuts.filter((cut) => !cut.undoneAt);
  const kept = new Set(standing.flatMap((cut) => cut.kept.map((item) => item.stock)));
  const used = standing.flatMap((cut) => cut.used);
  const fromDrawer = used.filter((item) => !kept.has(item.stock));
  const takenUpAgain = new Set(used.map((item) => item.stock).filter((id) => kept.has(id)));
  return {
    pieces: standing.reduce((sum, cut) => sum + cut.pieces.length, 0),
    used: fromDrawer.reduce((sum, item) => sum + item.count, 0),
    kept: kept.size - takenUpAgain.size,
  };
}
