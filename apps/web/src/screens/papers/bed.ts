/** The bed on which the next paper is laid: the paper itself, or the second choice beneath it. */
export type Bed = 'first' | 'second';
/** The layers that are picked, and where a paper would be laid on them. */
export interface Picked {
  readonly ids: ReadonlySet<string>;
  readonly bed: Bed;
}

/** What a dragged paper says that it is. */
export const PAPER_DRAGGED = 'application/x-temnex-paper';
